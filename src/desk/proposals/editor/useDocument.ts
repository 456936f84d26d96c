'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { PricesGiven, ProposalDocument } from '@/model';
import type { SaveProposal } from './storeTypes';
import { DocumentStore } from './documentStore';
import { useKeptEdits } from './useKeptEdits';
import { useOthers } from './useOthers';

export type { SaveProposal, Saving } from './storeTypes';

/** A proposal document in work on a screen; how it is kept and saved is the store's. */
export function useDocument(
  proposalId: string,
  first: ProposalDocument,
  firstSave: number,
  save: SaveProposal,
  prices: PricesGiven | null,
) {
  const [store] = useState(() => new DocumentStore(proposalId, first, firstSave, save, prices));
  const snapshot = useSyncExternalStore(store.subscribe, store.read, store.read);
  useKeptEdits(proposalId, store);
  useOthers(proposalId, store);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      store.takeTyped();
      if (store.hasUnsaved()) event.preventDefault();
    };
    // Leaving for another page of the desk, another tab or another window saves at once.
    const { leave } = store;
    window.addEventListener('beforeunload', warn);
    window.addEventListener('pagehide', leave);
    window.document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('pagehide', leave);
      window.document.removeEventListener('visibilitychange', leave);
      leave();
    };
  }, [store]);

  return useMemo(
    () => ({
      document: snapshot.document,
      saving: snapshot.saving,
      saveNumber: snapshot.saveNumber,
      typing: snapshot.typing,
      canUndo: snapshot.undo > 0,
      canRedo: snapshot.redo > 0,
      edit: store.edit,
      undo: store.undo,
      redo: store.redo,
      dropMine: store.dropMine,
      keepMine: store.keepMine,
      settle: store.settle,
      hear: store.hear,
      fields: store,
    }),
    [snapshot, store],
  );
}

export type DocumentInWork = ReturnType<typeof useDocument>;
