import type { RefObject } from 'react';
import { useEffect, useRef } from 'react';
import { lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { readAddLine, sizeTyped } from '@/core/quantity';
import type { Found } from '../../../library/search';
import { findInLibrary } from '../../../library/search';
import type { Target } from '../context';
import { newPartId, useEditor } from '../context';
import { useAddQueue } from './useAddQueue';
import { useTake } from './useTake';

/** How long after an Enter without another key a bundle's inputs may take the focus, in milliseconds. */
const QUIET = 250;

/** What the add line asks for: looked up, then put, in the order of the Enters, while the next is typed. */
export function useAdding(field: RefObject<HTMLInputElement | null>) {
  const { work, proposalId } = useEditor();
  const { put, putBundle, rest, said, setSaid } = useTake();
  /** When a key or a click came last, as events have it. */
  const lastKey = useRef(0);
  const taxClass = work.document.taxClasses[0]!.id;
  const titleOf = (where: Target): string | undefined =>
    where.kind === 'section'
      ? work.document.sections.find(({ id }) => id === where.sectionId)?.title
      : undefined;

  /** Whether the person waits for what they asked for (no key or click since, nothing in the field), at any later moment. */
  const quiet = async (): Promise<() => boolean> => {
    const asked = lastKey.current;
    await new Promise((go) => setTimeout(go, Math.max(0, asked + QUIET - performance.now())));
    return () =>
      lastKey.current === asked &&
      field.current?.value === '' &&
      (document.activeElement === field.current || document.activeElement === document.body);
  };

  const queue = useAddQueue(proposalId, {
    look: async ({ text, own, picked, target }) => {
      if (own) return 'own';
      if (picked) return picked;
      return (await findInLibrary(readAddLine(text).words, titleOf(target)))[0] ?? null;
    },
    put: async (one, { text, target }) => {
      const read = readAddLine(text);
      if (one === 'own') put([ownLineAsTyped(read, newPartId(), taxClass)], target);
      else if (one.kind === 'item') put([lineAsTyped(one.item, newPartId(), read)], target);
      else await putBundle(one.bundle, sizeTyped(read), target, quiet());
    },
  });
  const { waiting } = queue;
  useEffect(() => {
    if (waiting.every(({ trouble }) => trouble !== null)) rest();
  });
  return {
    queue,
    put,
    said,
    setSaid,
    titleOf,
    taxClass,
    /** A key or a click came, at a time as events have it. */
    noteKey: (at: number) => {
      lastKey.current = at;
    },
    /** Takes a text at once; false where there is nothing in it to take. */
    ask: (text: string, target: Target, own: boolean, picked: Found | null): boolean => {
      if (text.trim() === '' && picked === null) return false;
      if (picked === null && readAddLine(text).words === '') return false;
      queue.ask({ text, target, own, picked });
      setSaid('');
      return true;
    },
  };
}
