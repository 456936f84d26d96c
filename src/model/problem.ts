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
