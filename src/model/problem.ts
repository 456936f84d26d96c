/** Problem details (RFC 9457), the one shape of an error. `detail` is a sentence for people. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  /** Where in the input it is wrong, by JSON Pointer. */
  readonly errors?: readonly { readonly pointer: string; readonly detail: string }[];
  /** What the one who asked needs to go on, such as what changed meanwhile. */
  readonly context?: Readonly<Record<string, unknown>>;
}

/** What a server action answers: the value, or the problem. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: ProblemDetails };

const titles: Readonly<Record<number, string>> = {
  400: 'Not understood',
  401: 'Sign in first',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed meanwhile',
  410: 'No longer there',
  422: 'Something is not right',
  413: 'Too large',
  429: 'Too many tries',
  503: 'Busy',
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
