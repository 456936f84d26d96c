'use client';

import type { ReactNode } from 'react';
import { createContext, useContext } from 'react';

/** Whose typing is kept: nothing of one person is ever offered to another who signs in on the same machine. */
const Person = createContext<string | null>(null);

/** Says whose typing is kept below here. */
export function KeptFor({ person, children }: { readonly person: string; readonly children: ReactNode }) {
  return <Person value={person}>{children}</Person>;
}

/** The key of something kept for the person signed in; null outside. */
export function useKeptKey(name: string): string | null {
  const person = useContext(Person);
  return person === null ? null : `${person} ${name}`;
}
