import type { Patch } from 'immer';
import type { JsonPatchStep } from '@/core/editing';
import type { Answer, PricesGiven, ProposalDocument } from '@/model';

/** What a save is answered with: its number; unit prices that are new, where the document is without its costs. */
export interface SaveAnswer {
  readonly saveNumber: number;
  readonly prices?: PricesGiven | null;
}

export type SaveProposal = (input: {
  proposalId: string;
  saveNumber: number;
  patches: JsonPatchStep[];
}) => Promise<Answer<SaveAnswer>>;

/** What others did meanwhile. */
export interface Missed {
  readonly saveNumber: number;
  readonly document: ProposalDocument;
  readonly patches: readonly JsonPatchStep[];
  /** Its unit prices, where it is without its costs. */
  readonly prices?: PricesGiven | null;
  /** What was sent last is stored already; only what came after it is left. */
  readonly stored?: boolean;
}

export type Saving =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  /** Not stored: `refused` will not be taken as it is, else it is tried again. */
  | { readonly state: 'waiting'; readonly why: string; readonly refused: boolean }
  | { readonly state: 'collided'; readonly why: string; readonly theirs: Missed };

/** What a browser keeps of edits that the server has not confirmed. */
export interface KeptEdits {
  readonly saveNumber: number;
  /** The document of that save. */
  readonly base: ProposalDocument;
  readonly patches: readonly Patch[];
  /** How many of them, from the first, were sent without an answer. */
  readonly sent: number;
}

/** Keeps what is unconfirmed, or (null) forgets it. */
export type Keep = (edits: KeptEdits | null) => void;

export interface StoreSnapshot {
  readonly document: ProposalDocument;
  readonly saving: Saving;
  readonly saveNumber: number;
  readonly undo: number;
  readonly redo: number;
  /** Fields hold text that the document has not got yet. */
  readonly typing: boolean;
}
