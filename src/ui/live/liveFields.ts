'use client';

import { createContext, useContext } from 'react';

/**
 * How fields of a document in work write as they are typed: what one visit of a field writes is one step back, and the
 * state of saving knows of text that is not taken yet.
 */
export interface LiveFields {
  /** Does something that edits; with others under the same name it is one step back. */
  readonly asOneEdit: (name: string, act: () => void) => void;
  /** What was edited under this name is taken back. */
  readonly takeBack: (name: string) => void;
  /** A field has text that is not taken yet (`take` takes it), or has none any more (null). */
  readonly typing: (field: string, take: (() => void) | null) => void;
}

/** Null where fields are taken only when they are left. */
export const LiveFieldsScope = createContext<LiveFields | null>(null);

export const useLiveFields = (): LiveFields | null => useContext(LiveFieldsScope);

/** How long typing rests before a field is taken, in milliseconds. */
export const REST = 400;
