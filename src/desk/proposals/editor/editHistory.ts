import type { Patch } from 'immer';

/** One step back: what was changed, and how it is changed back. */
export interface Edit {
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** The edits of a sitting, to be undone and done again. Edits under one name right after each other are one step. */
export class EditHistory {
  #past: (Edit & { readonly session: string | null })[] = [];
  #future: Edit[] = [];
  #session: string | null = null;

  get undoable(): number {
    return this.#past.length;
  }

  get redoable(): number {
    return this.#future.length;
  }

  /** An edit was made; what was undone before can not be done again on it. */
  record({ patches, inverse }: Edit): void {
    const session = this.#session;
    const last = this.#past.at(-1);
    if (session !== null && last?.session === session)
      this.#past[this.#past.length - 1] = {
        session,
        patches: [...last.patches, ...patches],
        inverse: [...inverse, ...last.inverse],
      };
    else this.#past.push({ patches, inverse, session });
    this.#future = [];
  }

  /** A step that stands by itself, whatever is edited next; what was undone stays to be done again. */
  recordAlone(edit: Edit): void {
    this.#past.push({ ...edit, session: null });
  }

  /** The patches that take the last step back; null where there is none. */
  undo(): readonly Patch[] | null {
    const last = this.#past.pop();
    if (!last) return null;
    this.#future.push(last);
    return last.inverse;
  }

  /** The patches of the step undone last; null where there is none. */
  redo(): readonly Patch[] | null {
    const next = this.#future.pop();
    if (!next) return null;
    this.recordAlone(next);
    return next.patches;
  }

  /** Whether the last step was made under this name, with nothing edited since. */
  endsWith(name: string): boolean {
    return this.#past.at(-1)?.session === name;
  }

  /** The step undone last is not to be done again. */
  forgetUndone(): void {
    this.#future.pop();
  }

  /** What an act edits is one step, together with what was edited under the same name just before. */
  asOne(name: string, act: () => void): void {
    const before = this.#session;
    this.#session = name;
    try {
      act();
    } finally {
      this.#session = before;
    }
  }

  /** On another state of the document nothing of before can be undone; one step may be there to begin with. */
  startAnew(first?: Edit): void {
    this.#past = [];
    this.#future = [];
    if (first) this.recordAlone(first);
  }
}
