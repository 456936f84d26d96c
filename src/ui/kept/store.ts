import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';

/*
 * What was typed and is not with the server yet, kept in the browser: a reload, a closed tab, a crash or a lost network
 * takes nothing. Where the browser keeps nothing (private windows of some), everything works as without it.
 */

interface KeptSchema extends DBSchema {
  kept: { key: string; value: { readonly value: unknown; readonly at: string } };
}

let opened: Promise<IDBPDatabase<KeptSchema> | null> | null = null;

const database = (): Promise<IDBPDatabase<KeptSchema> | null> => {
  opened ??=
    typeof indexedDB === 'undefined'
      ? Promise.resolve(null)
      : openDB<KeptSchema>('impegno', 1, {
          upgrade: (fresh) => void fresh.createObjectStore('kept'),
          // Another version of this page wants the database: let it, and open again at the next need.
          blocking: (_now, _next, event) => {
            (event.target as IDBDatabase).close();
            opened = null;
          },
          terminated: () => {
            opened = null;
          },
        }).catch(() => null);
  return opened;
};

async function tried<T>(work: (known: IDBPDatabase<KeptSchema>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    const known = await database();
    return known ? await work(known) : otherwise;
  } catch {
    return otherwise;
  }
}

/** Keeps a value under a key, over what was kept there. Resolves to whether it is kept. */
export const keep = (key: string, value: unknown): Promise<boolean> =>
  tried((known) => known.put('kept', { value, at: new Date().toISOString() }, key).then(() => true), false);

/** Forgets what is kept under a key. */
export const forget = (key: string): Promise<void> => tried((known) => known.delete('kept', key), undefined);

/** What is kept under a key, or undefined. */
export const readKept = <T>(key: string): Promise<T | undefined> =>
  tried(async (known) => (await known.get('kept', key))?.value as T | undefined, undefined);

/** The keys that begin so, in their order. */
export const keysFrom = (beginning: string): Promise<string[]> =>
  tried((known) => known.getAllKeys('kept', IDBKeyRange.bound(beginning, `${beginning}\uffff`)), []);
