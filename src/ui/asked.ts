import type { Answer } from '@/model';
import { withPatience } from './patience';

/**
 * The answer of an act, or, where none came in time (no network, a server that errs or hangs), a refusal that says just this: no button
 * waits for ever, and nothing is claimed that is not known. Every act a screen waits for goes through here.
 */
export async function asked<T>(act: Promise<Answer<T>>): Promise<Answer<T>> {
  try {
    return await withPatience(act);
  } catch (error) {
    // Being sent to another page is no failure.
    if (String((error as { digest?: unknown } | null)?.digest ?? '').startsWith('NEXT_')) throw error;
    return {
      ok: false,
      problem: {
        type: 'about:blank',
        code: 'no-answer',
        title: 'No answer',
        status: 0,
        detail:
          'The server did not answer. What you typed is still here. It may have arrived all the same: look before you try again.',
      },
    };
  }
}
