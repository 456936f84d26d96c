import { withPatience } from '@/ui/patience';
import type { ProblemDetails } from '@/model/problem';

/** Sends JSON to the booklet's own address and reads the answer, or the problem. */
export async function post<T>(
  address: string,
  body: unknown,
): Promise<{ ok: true; value: T } | { ok: false; problem: ProblemDetails }> {
  const asking = new AbortController();
  try {
    // Head and body: either may never come.
    const [ok, value] = await withPatience(
      fetch(address, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: asking.signal,
      }).then(async (answer) => [answer.ok, (await answer.json()) as T & ProblemDetails] as const),
    );
    return ok ? { ok: true, value } : { ok: false, problem: value };
  } catch {
    asking.abort();
    return {
      ok: false,
      problem: {
        type: 'about:blank',
        code: 'no-answer',
        title: 'No answer',
        status: 0,
        detail:
          'There is no connection just now. Whether this arrived is not known; look once more when there is one.',
      },
    };
  }
}
