import type { Answer, ProblemDetails } from '@/model';

const titles: Readonly<Record<number, string>> = {
  400: 'Not understood',
  401: 'Sign in first',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  410: 'No longer there',
  422: 'Something is not right',
  429: 'Too many tries',
};

type More = Pick<ProblemDetails, 'errors' | 'context'>;

/** An act refused, with a sentence for the person who asked. Everything it did is taken back. */
export class Problem extends Error {
  readonly details: ProblemDetails;

  constructor(status: number, detail: string, more: More = {}) {
    super(detail);
    this.name = 'Problem';
    this.details = { type: 'about:blank', title: titles[status] ?? 'Problem', status, detail, ...more };
  }
}

const ourMistake: ProblemDetails = {
  type: 'about:blank',
  title: 'Our mistake',
  status: 500,
  detail: 'Something went wrong on our side. Nothing was changed.',
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
    if (error instanceof Problem) return { ok: false, problem: error.details };
    if (isDirection(error)) throw error;
    console.error(error);
    return { ok: false, problem: ourMistake };
  }
}

/** Runs an act for a route handler: JSON, or problem details with their status. */
export async function respond(act: () => Promise<Response>): Promise<Response> {
  try {
    return await act();
  } catch (error) {
    const details = error instanceof Problem ? error.details : ourMistake;
    if (!(error instanceof Problem)) console.error(error);
    return Response.json(details, {
      status: details.status,
      headers: { 'content-type': 'application/problem+json' },
    });
  }
}
