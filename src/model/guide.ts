/** A page of the guide as it is found: by its title, other words, and the screens it is about. */
export interface GuideEntry {
  readonly slug: string;
  readonly title: string;
  /** Other words it is looked for by. */
  readonly also: string;
  /** Addresses of the desk, `:id` for anything; what is behind a `#` is a step or subject of the screen. */
  readonly screens: readonly string[];
  /** What helps who is there for the first time, in a sentence or two; empty: nothing. */
  readonly hint: string;
}
