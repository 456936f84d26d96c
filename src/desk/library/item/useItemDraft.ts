import { useMemo, useState } from 'react';
import { alike } from '@/core/editing';
import type { Answer, ItemInput, LibraryItem } from '@/model';
import type { ItemAtDesk } from '@/services/library/items';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useWarnOnLeave } from '@/ui/kept/useWarnOnLeave';
import { useSubmit } from '@/ui/useSubmit';
import { emptyItem, withOptional } from './itemDraft';

export interface ItemActions {
  readonly save: (input: unknown, id?: string, over?: ItemInput) => Promise<Answer<LibraryItem>>;
  readonly retire: (kind: 'item', id: string, retired: boolean) => Promise<Answer<void>>;
}

/**
 * An item in work: what is typed, whether it is saved, its saving and retiring. What is typed while a saving is on its way
 * is not saved by it. Not saved, it is kept in the browser.
 * @param known null for a new one
 * @param taxClass what a new one begins with
 */
export function useItemDraft(
  known: ItemAtDesk | null,
  taxClass: string,
  allowed: boolean,
  { save, retire }: ItemActions,
) {
  const stored = useMemo<ItemInput>(() => {
    if (!known) return emptyItem(taxClass);
    const { id: _, ...input } = known.item;
    return input;
  }, [known, taxClass]);
  const itemId = known?.item.id ?? null;
  const [item, setItem] = useState<ItemInput>(stored);
  /** What it stands over: the item as it was read, then as it was saved. */
  const [over, setOver] = useState(stored);
  const [seen, setSeen] = useState(stored);
  const { busy, refused, submit } = useSubmit();
  const dirty = !alike(item, over);
  // What the server tells anew is shown, unless something is typed here.
  if (seen !== stored) {
    setSeen(stored);
    if (!dirty) {
      setItem(stored);
      setOver(stored);
    }
  }
  useWarnOnLeave(dirty);
  const { done, notice } = useKeptForm(allowed ? `item ${itemId ?? 'new'}` : null, item, stored, setItem);
  return {
    item,
    busy,
    dirty,
    refused,
    notice,
    change: (patch: Partial<ItemInput>) => setItem((before) => ({ ...before, ...patch })),
    // What is typed while a picture is on its way stays.
    put: <K extends Parameters<typeof withOptional>[1]>(field: K, value: ItemInput[K] | null | undefined) =>
      setItem((before) => withOptional(before, field, value)),
    save: () =>
      submit(() => (itemId === null ? save(item) : save(item, itemId, over)), {
        then: () => {
          setOver(item);
          done();
        },
        ...(itemId === null ? { to: ({ id }) => `/library/items/${id}`, replaces: true } : {}),
      }),
    retire: (retired: boolean) =>
      itemId === null ? undefined : submit(() => retire('item', itemId, retired)),
  };
}
