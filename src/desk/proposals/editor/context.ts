'use client';

import type { Measuring } from '@/model';
import { createContext, useContext } from 'react';
import type { Differences } from '@/core/choice';
import type { BundleFigures, Figures, SectionLine } from '@/core/price';
import type { BundleAndItems } from '@/services/library/bundleWithItems';
import type { Answer, Crew, LibraryItem, PricedItem, Rate, TaxClass } from '@/model';
import type { Column } from './sheet/columns';
import type { SheetView } from './sheet/rows';
import type { DocumentInWork } from './useDocument';

/** What new lines go into: the end of a section (or behind an entry), a new alternative of a question, or a bundle. */
export type Target =
  | { readonly kind: 'section'; readonly sectionId: string; readonly afterId?: string }
  | { readonly kind: 'question'; readonly questionId: string }
  | { readonly kind: 'bundle'; readonly bundleId: string };

/** What the desk may ask of the library from inside a proposal. */
export interface LibraryActions {
  readonly addBundle: (input: unknown) => Promise<Answer<unknown>>;
  readonly addBundleWithItems: (input: unknown) => Promise<Answer<BundleAndItems>>;
  readonly addItem: (input: unknown) => Promise<Answer<LibraryItem>>;
  readonly saveBundle: (id: string, edition: number, input: unknown) => Promise<Answer<unknown>>;
}

export interface EditorContext {
  readonly proposalId: string;
  readonly work: DocumentInWork;
  readonly figures: Figures;
  readonly lines: ReadonlyMap<string, SectionLine>;
  readonly bundles: ReadonlyMap<string, BundleFigures>;
  readonly view: SheetView;
  readonly selected: ReadonlySet<string>;
  readonly differences: Differences;
  readonly target: Target;
  readonly setTarget: (target: Target) => void;
  readonly readOnly: boolean;
  readonly libraryActions: LibraryActions;
  /** Labor rates and crews of the library, for costs of lines of one’s own. */
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  /** The taxes of the company as they are today. */
  readonly taxesNow: readonly TaxClass[];
}

/** A row to bring into view, and which of its cells to go to. */
export interface Reveal {
  readonly key: string;
  readonly cell?: string;
  /** The row of that cell, where it is another. */
  readonly focusIn?: string;
  /** Which of several cells of that name, from 0. */
  readonly nth?: number;
  readonly align?: 'start' | 'auto';
  /** Asked at the moment of going to the cell: whether the person still waits for it, and types nowhere else. */
  readonly mayFocus?: () => boolean;
}

/** What never changes while a proposal is open; rows take only this, so that an edit elsewhere does not draw them again. */
export type EditorActions = Pick<EditorContext, 'setTarget' | 'readOnly'> &
  Pick<DocumentInWork, 'edit'> &
  Pick<Figures, 'minorDigits'> & {
    /** In what lengths and areas are shown, and bare ones typed. */
    readonly measuring: Measuring;
    /** The document is here with its costs; else its prices come from where they are, and nothing is shown of cost. */
    readonly seesCost: boolean;
    /** Library items whose costs moved since they were copied here, by id. */
    readonly moved: Readonly<Record<string, PricedItem>>;
    readonly setView: (change: (view: SheetView) => SheetView) => void;
    /** Opens or closes what a row holds. */
    readonly toggle: (key: string) => void;
    readonly reveal: (where: Reveal) => void;
    /** The columns of the sheet between unit and amount: those of the chosen ones the screen has room for. */
    readonly columns: readonly Column[];
    readonly chosenColumns: readonly Column[];
    /** Shows a column, or no more. */
    readonly toggleColumn: (column: Column) => void;
    /** Rows are low: more of them on a screen. */
    readonly compact: boolean;
    readonly setCompact: (compact: boolean) => void;
    /** Takes a row into the selection or out of it; `to` extends it from the last one to here. */
    readonly select: (id: string, how: 'one' | 'to') => void;
    /** Which entries are shown, in their order: “to here” goes by it. */
    readonly noteShown: (ids: readonly string[]) => void;
  };

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
