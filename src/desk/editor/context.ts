'use client';

import { createContext, useContext } from 'react';
import type { Differences } from '@/core/choice';
import type { Figures, SectionLine } from '@/core/price';
import type { DocumentInWork } from './useDocument';

/** What new lines go into: the end of a section (or behind an entry), or a new alternative of a question. */
export type Target =
  | { readonly kind: 'section'; readonly sectionId: string; readonly afterId?: string }
  | { readonly kind: 'question'; readonly questionId: string };

export interface EditorContext {
  readonly work: DocumentInWork;
  readonly figures: Figures;
  readonly lines: ReadonlyMap<string, SectionLine>;
  readonly differences: Differences;
  readonly target: Target;
  readonly setTarget: (target: Target) => void;
  readonly readOnly: boolean;
}

/** What never changes while a proposal is open; rows take only this, so that an edit elsewhere does not draw them again. */
export type EditorActions = Pick<EditorContext, 'setTarget' | 'readOnly'> &
  Pick<DocumentInWork, 'edit'> &
  Pick<Figures, 'minorDigits'>;

export const EditorActionsScope = createContext<EditorActions | null>(null);

export function useEditorActions(): EditorActions {
  const actions = useContext(EditorActionsScope);
  if (!actions) throw new Error('Outside the editor');
  return actions;
}

export const EditorScope = createContext<EditorContext | null>(null);

export function useEditor(): EditorContext {
  const context = useContext(EditorScope);
  if (!context) throw new Error('Outside the editor');
  return context;
}

/** An identity for a new part. */
export const newPartId = (): string => crypto.randomUUID();
