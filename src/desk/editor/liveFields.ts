'use client';

import { createContext, useContext } from 'react';
import type { DocumentStore } from './documentStore';

/**
 * How fields of a document in work write as they are typed: what one visit of a field writes is one step back, and the
 * state of saving knows of text that is not taken yet.
 */
export type LiveFields = Pick<DocumentStore, 'asOneEdit' | 'takeBack' | 'typing'>;

/** Null where fields are taken only when they are left. */
export const LiveFieldsScope = createContext<LiveFields | null>(null);

export const useLiveFields = (): LiveFields | null => useContext(LiveFieldsScope);

/** How long typing rests before a field is taken, in milliseconds. */
export const REST = 400;
