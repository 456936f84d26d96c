import type { ProblemCode, Thing } from './problemCodes';
import { noSuchCode, statusOf } from './problemCodes';

/** What only the one who asks can say: none answered in time, a field is left open, and what the server did not foresee. */
type OtherCode = 'no-answer' | 'not-filled-in' | 'our-mistake';

/** Problem details (RFC 9457), the one shape of an error. `detail` is a sentence for people. */
export interface ProblemDetails {
  /** The code as an address (RFC 4151), as the standard wants it. */
  readonly type: string;
  /** Stable: a program may decide by it. */
  readonly code: ProblemCode | OtherCode;
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
  405: 'Not done here',
  409: 'Changed meanwhile',
  410: 'No longer there',
  422: 'Something is not right',
  413: 'Too large',
  429: 'Too many tries',
  503: 'Busy',
};

type More = Pick<ProblemDetails, 'errors' | 'context'>;

/** The code as an address that leads nowhere (a tag, RFC 4151), as RFC 9457 takes it. */
export const typeOf = (code: string): string => `tag:impegno.example,2026:${code}`;

/** An act refused, with a code for programs and a sentence for the person who asked. Everything it did is taken back. */
export class Problem extends Error {
  readonly details: ProblemDetails;

  constructor(code: ProblemCode, detail: string, more: More = {}) {
    super(detail);
    this.name = 'Problem';
    const status = statusOf(code);
    this.details = { type: typeOf(code), code, title: titles[status] ?? 'Problem', status, detail, ...more };
  }
}

/** What was asked for is not there, or is not for the one who asks. */
export const noSuch = (what: Thing): Problem => new Problem(noSuchCode(what), `There is no such ${what}.`);
