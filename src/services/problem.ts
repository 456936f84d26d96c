import type { Answer, ProblemDetails } from '@/model';
import { Problem, typeOf } from '@/model/problem';
import { logMistake } from './observing/logLine';
import { countMistake } from './observing/metrics';

export { noSuch, Problem } from '@/model/problem';

const ourMistake: ProblemDetails = {
  type: typeOf('our-mistake'),
  code: 'our-mistake',
  title: 'Our mistake',
  status: 500,
  detail: 'Something went wrong on our side. Nothing was changed.',
};

/**
 * What the database refuses that no check before it caught, as a sentence; null: it is no such refusal.
 * @throws Problem `busy`, `cannot-be-stored`, `database-unavailable`
 */
function refusedByDatabase(error: unknown): Problem | null {
  const own = error as { code?: unknown; cause?: { code?: unknown } } | null;
  const code = String(own?.cause?.code ?? own?.code ?? '');
  // Data exceptions: text that is no text, numbers and dates out of range (SQLSTATE class 22).
  if (/^22[0-9A-Z]{3}$/.test(code))
    return new Problem('cannot-be-stored', 'Something in this cannot be kept as it is written.');
  // Somebody holds what is asked for, or it took too long: lock_not_available, query_canceled, deadlock, serialization.
  if (['55P03', '57014', '40P01', '40001'].includes(code))
    return new Problem('busy', 'Someone is working on this just now. Wait a moment and try again.');
  // The database is starting, stopping, or has no connection left.
  if (/^(53|57P0|08)/.test(code) || code === 'ECONNREFUSED' || code === 'ETIMEDOUT')
    return new Problem(
      'database-unavailable',
      'The database does not answer just now. Wait a moment and try again.',
    );
  return null;
}

const problemOf = (error: unknown): ProblemDetails => {
  const known = error instanceof Problem ? error : refusedByDatabase(error);
  if (known) return known.details;
  logMistake(error);
  countMistake();
  return ourMistake;
};

/** Whether the framework says by it where to go on (a redirect, a page that is not there). */
const isDirection = (error: unknown): boolean =>
  String((error as { digest?: unknown } | null)?.digest ?? '').startsWith('NEXT_');

/**
 * Runs an act for a server action: a refusal becomes an answer, and so does our own mistake, which is logged. An act is one
 * transaction, so nothing of it is stored then.
 */
export async function answer<T>(act: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { ok: true, value: await act() };
  } catch (error) {
    if (isDirection(error)) throw error;
    return { ok: false, problem: problemOf(error) };
  }
}

/** Runs an act for a route handler: JSON, or problem details with their status. */
export async function respond(act: () => Promise<Response>): Promise<Response> {
  try {
    return await act();
  } catch (error) {
    const details = problemOf(error);
    return Response.json(details, {
      status: details.status,
      headers: { 'content-type': 'application/problem+json' },
    });
  }
}
