'use client';

import type { Patch } from 'immer';
import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { JsonPatchStep } from '@/core/editing';
import { toJsonPatch } from '@/core/editing';
import type { Answer, ProposalDocument } from '@/model';
import { canRebase } from './rebase';

enablePatches();

export type SaveProposal = (input: {
  proposalId: string;
  saveNumber: number;
  patches: JsonPatchStep[];
}) => Promise<Answer<{ saveNumber: number }>>;

export type Saving =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | { readonly state: 'waiting'; readonly why: string }
  | {
      readonly state: 'collided';
      readonly why: string;
      readonly theirs: ProposalDocument;
      readonly saveNumber: number;
    };

interface Edit {
  readonly patches: Patch[];
  readonly inverse: Patch[];
}

const PAUSE = 350;
const RETRY = 4000;

/**
 * A proposal document in work: edits as patches, undo and redo over the whole sitting, every change saved as it is made
 * against the save last seen. Nothing typed is dropped: what could not be saved stays and is tried again; what collides
 * with another's change waits for a decision.
 */
export function useDocument(
  proposalId: string,
  first: ProposalDocument,
  firstSave: number,
  save: SaveProposal,
) {
  const [document, setDocument] = useState(first);
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [counts, setCounts] = useState({ undo: 0, redo: 0 });
  const now = useRef(first);
  const saveNumber = useRef(firstSave);
  const queue = useRef<Patch[]>([]);
  const past = useRef<Edit[]>([]);
  const future = useRef<Edit[]>([]);
  const busy = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  // What was sent without an answer coming back: asked again exactly as it was, so that the server knows it again.
  const unanswered = useRef<Patch[] | null>(null);
  const flushRef = useRef<() => Promise<boolean>>(async () => true);

  const show = useCallback((next: ProposalDocument) => {
    now.current = next;
    setDocument(next);
    setCounts({ undo: past.current.length, redo: future.current.length });
  }, []);

  // The first unsaved edit starts the clock and later ones do not start it again: who types without a pause is saved too.
  const schedule = useCallback((pause: number) => {
    if (timer.current) return;
    timer.current = setTimeout(() => {
      timer.current = null;
      void flushRef.current();
    }, pause);
  }, []);

  useEffect(() => {
    flushRef.current = async () => {
      if (busy.current || queue.current.length === 0) return true;
      busy.current = true;
      const sending = unanswered.current ?? queue.current;
      queue.current = queue.current.slice(sending.length);
      setSaving({ state: 'saving' });
      let answer: Answer<{ saveNumber: number }> | null = null;
      try {
        answer = await save({ proposalId, saveNumber: saveNumber.current, patches: toJsonPatch(sending) });
      } catch {
        answer = null;
      }
      busy.current = false;
      unanswered.current = answer ? null : sending;
      if (answer?.ok) {
        saveNumber.current = answer.value.saveNumber;
        if (queue.current.length > 0) schedule(0);
        else setSaving({ state: 'saved' });
        return true;
      }
      queue.current = [...sending, ...queue.current];
      const theirs = answer?.problem.context as
        { document: ProposalDocument; saveNumber: number; patches: JsonPatchStep[] } | undefined;
      if (answer && theirs?.document) {
        const mine = toJsonPatch(queue.current);
        if (canRebase(mine, theirs.patches)) {
          saveNumber.current = theirs.saveNumber;
          past.current = [];
          future.current = [];
          show(applyPatches(theirs.document, queue.current));
          schedule(0);
          return true;
        }
        setSaving({
          state: 'collided',
          why: answer.problem.detail,
          theirs: theirs.document,
          saveNumber: theirs.saveNumber,
        });
        return false;
      }
      const retry = !answer || answer.problem.status >= 500;
      setSaving({
        state: 'waiting',
        why: answer
          ? answer.problem.detail
          : 'The server does not answer. Your changes are kept here and tried again.',
      });
      if (retry) schedule(RETRY);
      return false;
    };
  }, [proposalId, save, schedule, show]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (queue.current.length > 0 || busy.current) event.preventDefault();
    };
    // Leaving for another page of the desk, another tab or another window saves at once.
    const flush = () => void flushRef.current();
    window.addEventListener('beforeunload', warn);
    window.document.addEventListener('visibilitychange', flush);
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.document.removeEventListener('visibilitychange', flush);
      if (timer.current) clearTimeout(timer.current);
      timer.current = null;
      flush();
    };
  }, []);

  const push = useCallback(
    (patches: Patch[]) => {
      queue.current.push(...patches);
      // From the first key on it says what is true: not saved yet.
      setSaving((before) => (before.state === 'saved' ? { state: 'saving' } : before));
      schedule(PAUSE);
    },
    [schedule],
  );

  /** Edits the document; what the recipe throws goes on to the caller and changes nothing. */
  const edit = useCallback(
    (recipe: (draft: ProposalDocument) => void) => {
      const [next, patches, inverse] = produceWithPatches(now.current, recipe);
      if (patches.length === 0) return;
      past.current.push({ patches, inverse });
      future.current = [];
      show(next);
      push(patches);
    },
    [push, show],
  );

  const undo = useCallback(() => {
    const last = past.current.pop();
    if (!last) return;
    future.current.push(last);
    show(applyPatches(now.current, last.inverse));
    push(last.inverse);
  }, [push, show]);

  const redo = useCallback(() => {
    const next = future.current.pop();
    if (!next) return;
    past.current.push(next);
    show(applyPatches(now.current, next.patches));
    push(next.patches);
  }, [push, show]);

  /** After a collision: go on with the others' state, without one's own unsaved changes. */
  const takeTheirs = useCallback(() => {
    if (saving.state !== 'collided') return;
    queue.current = [];
    unanswered.current = null;
    past.current = [];
    future.current = [];
    saveNumber.current = saving.saveNumber;
    show(saving.theirs);
    setSaving({ state: 'saved' });
  }, [saving, show]);

  /** After a collision: put one's own state over the others', as one change that can be undone. */
  const keepMine = useCallback(() => {
    if (saving.state !== 'collided') return;
    const mine = now.current;
    const [, patches, inverse] = produceWithPatches(saving.theirs, (draft) => {
      Object.assign(draft, mine);
    });
    saveNumber.current = saving.saveNumber;
    queue.current = [...patches];
    unanswered.current = null;
    past.current = [{ patches, inverse }];
    future.current = [];
    show(mine);
    schedule(0);
  }, [saving, schedule, show]);

  /** Saves at once and says against which save the document now stands; null when it could not be saved. */
  const settle = useCallback(async (): Promise<number | null> => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    for (let tries = 0; tries < 50 && (queue.current.length > 0 || busy.current); tries += 1) {
      if (busy.current) await new Promise((resolve) => setTimeout(resolve, 60));
      else if (!(await flushRef.current())) return null;
    }
    return queue.current.length === 0 && !busy.current ? saveNumber.current : null;
  }, []);

  return {
    document,
    saving,
    edit,
    undo,
    redo,
    canUndo: counts.undo > 0,
    canRedo: counts.redo > 0,
    takeTheirs,
    keepMine,
    settle,
  };
}

export type DocumentInWork = ReturnType<typeof useDocument>;
