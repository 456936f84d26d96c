import type { Patch } from 'immer';
import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import type { JsonPatchStep } from '@/core/editing';
import { alike, mergeOver, toJsonPatch } from '@/core/editing';
import type { Answer, ProposalDocument } from '@/model';
import { canRebase } from './rebase';
import { withPatience } from '@/ui/patience';

enablePatches();

export type SaveProposal = (input: {
  proposalId: string;
  saveNumber: number;
  patches: JsonPatchStep[];
}) => Promise<Answer<{ saveNumber: number }>>;

/** What others did meanwhile. */
export interface Missed {
  readonly saveNumber: number;
  readonly document: ProposalDocument;
  readonly patches: readonly JsonPatchStep[];
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

export interface StoreSnapshot {
  readonly document: ProposalDocument;
  readonly saving: Saving;
  readonly saveNumber: number;
  readonly undo: number;
  readonly redo: number;
  /** Fields hold text that the document has not got yet. */
  readonly typing: boolean;
}

interface Edit {
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
  readonly session: string | null;
}

/** Keeps what is unconfirmed, or (null) forgets it. */
export type Keep = (edits: KeptEdits | null) => void;

const PAUSE = 350;
const RETRY = 4000;
const KEEP_PAUSE = 100;

/** Makes a draft what another document is, nothing left over. */
function putWhole(draft: ProposalDocument, wanted: ProposalDocument): void {
  const to = draft as unknown as Record<string, unknown>;
  for (const key of Object.keys(draft)) if (!Object.hasOwn(wanted, key)) Reflect.deleteProperty(draft, key);
  for (const [key, value] of Object.entries(wanted)) if (to[key] !== value) to[key] = value;
}

/**
 * A proposal document in work, apart from any screen: edits as patches, undo and redo over the whole sitting, every change
 * saved as it is made against the save last seen. Nothing typed is dropped: what could not be saved stays, is kept by the
 * browser and tried again; what collides with another's change waits for a decision.
 */
export function createDocumentStore(
  proposalId: string,
  first: ProposalDocument,
  firstSave: number,
  save: SaveProposal,
) {
  let keep: Keep = () => undefined;
  let document = first;
  /** The document of the save last seen. */
  let confirmed = first;
  let saveNumber = firstSave;
  let saving: Saving = { state: 'saved' };
  let queue: Patch[] = [];
  /** How many of the queue were sent without an answer: asked again exactly so, for the server to know them again. */
  let unanswered = 0;
  let past: Edit[] = [];
  let future: Edit[] = [];
  let session: string | null = null;
  let flight: Promise<boolean> | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;
  let keepTimer: ReturnType<typeof setTimeout> | null = null;
  const fields = new Map<string, () => void>();
  const listeners = new Set<() => void>();
  let snapshot: StoreSnapshot;

  const tell = (): void => {
    snapshot = {
      document,
      saving,
      saveNumber,
      undo: past.length,
      redo: future.length,
      typing: fields.size > 0,
    };
    for (const listener of listeners) listener();
  };

  const keepNow = (): void => {
    if (keepTimer) clearTimeout(keepTimer);
    keepTimer = null;
    keep(queue.length === 0 ? null : { saveNumber, base: confirmed, patches: [...queue], sent: unanswered });
  };
  const keepSoon = (): void => {
    keepTimer ??= setTimeout(keepNow, KEEP_PAUSE);
  };

  // The first unsaved edit starts the clock and later ones do not start it again: who types without a pause is saved too.
  const schedule = (pause: number): void => {
    timer ??= setTimeout(() => {
      timer = null;
      void flush();
    }, pause);
  };

  /** Goes on from another state of the document; what was done before can not be undone on it. */
  const goOnFrom = (next: ProposalDocument, number: number, mine: readonly Patch[]): void => {
    confirmed = next;
    saveNumber = number;
    queue = [...mine];
    unanswered = 0;
    past = [];
    future = [];
    document = mine.length === 0 ? next : applyPatches(next, queue);
  };

  /** What others did meanwhile: put mine on top where that goes, else wait for a decision. */
  const meet = (missed: Missed, why: string): boolean => {
    if (missed.stored) {
      confirmed = applyPatches(confirmed, queue.slice(0, unanswered));
      queue = queue.slice(unanswered);
      unanswered = 0;
    }
    // A page of mine that was left had sent it: all of mine is there, and there is nothing to decide.
    const mine = applyPatches(confirmed, queue);
    if (alike(mergeOver(confirmed, mine, missed.document), missed.document)) {
      goOnFrom(missed.document, missed.saveNumber, []);
      saving = { state: 'saved' };
      keepNow();
      tell();
      return true;
    }
    if (canRebase(toJsonPatch(queue), missed.patches)) {
      goOnFrom(missed.document, missed.saveNumber, queue);
      saving = queue.length === 0 ? { state: 'saved' } : { state: 'saving' };
      if (queue.length > 0) schedule(0);
      keepNow();
      tell();
      return true;
    }
    saving = { state: 'collided', why, theirs: missed };
    keepNow();
    tell();
    return false;
  };

  const send = async (): Promise<boolean> => {
    const count = unanswered > 0 ? unanswered : queue.length;
    const sending = queue.slice(0, count);
    unanswered = count;
    saving = { state: 'saving' };
    keepNow();
    tell();
    let answer: Answer<{ saveNumber: number }> | null;
    try {
      answer = await withPatience(save({ proposalId, saveNumber, patches: toJsonPatch(sending) }));
    } catch {
      answer = null;
    }
    if (answer?.ok) {
      confirmed = applyPatches(confirmed, sending);
      saveNumber = answer.value.saveNumber;
      queue = queue.slice(count);
      unanswered = 0;
      if (queue.length > 0) schedule(0);
      else saving = { state: 'saved' };
      keepNow();
      tell();
      return true;
    }
    const missed = answer?.problem.context as Missed | undefined;
    if (answer && missed?.document) return meet(missed, answer.problem.detail);
    // Who has to sign in again, or to wait, is not refused: the same goes again later.
    const refused =
      answer !== null && answer.problem.status < 500 && ![401, 429].includes(answer.problem.status);
    // Refused, it was not stored: later edits may mend it, and go with it.
    if (refused) unanswered = 0;
    saving = {
      state: 'waiting',
      refused,
      why: answer
        ? answer.problem.detail
        : 'The server does not answer. Your changes are kept here and tried again.',
    };
    if (!refused) schedule(RETRY);
    keepNow();
    tell();
    return false;
  };

  /** Sends what is not saved; one sending at a time. Resolves to false when it could not be saved. */
  function flush(): Promise<boolean> {
    if (flight) return flight;
    if (queue.length === 0) return Promise.resolve(true);
    flight = send().finally(() => {
      flight = null;
    });
    return flight;
  }

  const push = (patches: readonly Patch[]): void => {
    queue.push(...patches);
    if (saving.state === 'saved') saving = { state: 'saving' };
    schedule(PAUSE);
    keepSoon();
  };

  /** Edits the document; what the recipe throws goes on to the caller and changes nothing. */
  const edit = (recipe: (draft: ProposalDocument) => void): void => {
    const [next, patches, inverse] = produceWithPatches(document, recipe);
    if (patches.length === 0) return;
    const last = past.at(-1);
    if (session !== null && last?.session === session)
      past[past.length - 1] = {
        session,
        patches: [...last.patches, ...patches],
        inverse: [...inverse, ...last.inverse],
      };
    else past.push({ patches, inverse, session });
    future = [];
    document = next;
    push(patches);
    tell();
  };

  const undo = (): void => {
    const last = past.pop();
    if (!last) return;
    future.push(last);
    document = applyPatches(document, [...last.inverse]);
    push(last.inverse);
    tell();
  };

  const redo = (): void => {
    const next = future.pop();
    if (!next) return;
    past.push({ ...next, session: null });
    document = applyPatches(document, [...next.patches]);
    push(next.patches);
    tell();
  };

  /** What an act edits is one step back, together with what was edited under the same name just before. */
  const asOneEdit = (name: string, act: () => void): void => {
    const before = session;
    session = name;
    try {
      act();
    } finally {
      session = before;
    }
  };

  /** Takes back what was edited under a name, when nothing was edited since. */
  const takeBack = (name: string): void => {
    if (past.at(-1)?.session !== name) return;
    undo();
    future.pop();
    tell();
  };

  /** A field holds text the document has not got yet, with the way to take it now; null: no more. */
  const typing = (field: string, take: (() => void) | null): void => {
    const had = fields.size > 0;
    if (take) fields.set(field, take);
    else fields.delete(field);
    if (had !== fields.size > 0) tell();
  };

  /** Takes what the fields hold. */
  const takeTyped = (): void => {
    for (const take of [...fields.values()]) take();
  };

  /**
   * Edits kept from an earlier page come back, as one step that can be undone where nothing changed since. What is edited
   * here already is saved first.
   */
  const restore = async (kept: KeptEdits): Promise<void> => {
    if (kept.patches.length === 0) return;
    if (queue.length > 0 && (await settle()) === null) {
      // Nothing can be saved just now: as if both had been edited here.
      const merged = mergeOver(kept.base, applyPatches(kept.base, [...kept.patches]), document);
      edit((draft) => putWhole(draft, merged));
      keepNow();
      return;
    }
    if (kept.saveNumber === saveNumber && kept.sent === 0) {
      const [next, patches, inverse] = produceWithPatches(document, (draft) => {
        applyPatches(draft, [...kept.patches]);
      });
      document = next;
      past.push({ patches, inverse, session: null });
      push(patches);
    } else {
      // From the save they were made on: the server knows what it has already, and says what others did.
      goOnFrom(kept.base, kept.saveNumber, kept.patches);
      unanswered = kept.sent;
      saving = { state: 'saving' };
      schedule(0);
    }
    keepNow();
    tell();
  };

  /** After a collision or a refusal: go on without one's own unsaved changes. */
  const dropMine = (): void => {
    if (saving.state === 'collided') goOnFrom(saving.theirs.document, saving.theirs.saveNumber, []);
    else if (saving.state === 'waiting') goOnFrom(confirmed, saveNumber, []);
    else return;
    saving = { state: 'saved' };
    keepNow();
    tell();
  };

  /** After a collision: put one's own changes over the others', as one change that can be undone. */
  const keepMine = (): void => {
    if (saving.state !== 'collided') return;
    const { theirs } = saving;
    const merged = mergeOver(confirmed, document, theirs.document);
    const [next, patches, inverse] = produceWithPatches(theirs.document, (draft) => {
      putWhole(draft, merged);
    });
    goOnFrom(theirs.document, theirs.saveNumber, []);
    document = next;
    queue = [...patches];
    past = [{ patches, inverse, session: null }];
    saving = queue.length === 0 ? { state: 'saved' } : { state: 'saving' };
    schedule(0);
    keepNow();
    tell();
  };

  /** The document as others left it, heard of by the way. Told while something of ours is on its way, it waits. */
  const hear = (missed: Missed): void => {
    if (flight || missed.saveNumber <= saveNumber || saving.state === 'collided') return;
    meet(missed, 'This proposal was changed meanwhile.');
  };

  /** Saves at once, fields included, and says against which save the document now stands; null: it could not be saved. */
  const settle = async (): Promise<number | null> => {
    takeTyped();
    if (timer) clearTimeout(timer);
    timer = null;
    while (queue.length > 0 || flight) if (!(await flush())) return null;
    return saveNumber;
  };

  /** Whoever leaves takes nothing along: fields are taken, what is unsaved is kept and sent. */
  const leave = (): void => {
    takeTyped();
    if (queue.length > 0) keepNow();
    void flush();
  };

  /** From now on the browser keeps what is unconfirmed. */
  const keepWith = (next: Keep): void => {
    keep = next;
    if (queue.length > 0) keepNow();
  };

  tell();
  return {
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    read: (): StoreSnapshot => snapshot,
    hasUnsaved: (): boolean => queue.length > 0 || flight !== null,
    ...{ edit, undo, redo, asOneEdit, takeBack, typing, takeTyped, restore },
    ...{ dropMine, keepMine, hear, settle, leave, flush, keepNow, keepWith },
  };
}

export type DocumentStore = ReturnType<typeof createDocumentStore>;
