import type { Found } from '@/services/library/find';
import type { LibraryItem } from '@/model';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { askDoor } from '@/ui/askDoor';

export type { BundleWithMakeup, Found };

/** The best items and bundles for a few letters, what is used on such sections first. */
export async function findInLibrary(
  words: string,
  sectionTitle: string | undefined,
  signal?: AbortSignal,
): Promise<Found[]> {
  const asked = new URLSearchParams({ search: words });
  if (sectionTitle !== undefined) asked.set('section', sectionTitle);
  return (await askDoor<{ found: Found[] }>(`/api/desk/library?${asked}`, signal ? { signal } : {})).found;
}

/** The items that fit each of some lines of words, best first. */
export async function matchLines(
  lines: readonly string[],
  section: string | undefined,
  signal: AbortSignal,
): Promise<LibraryItem[][]> {
  const { found } = await askDoor<{ found: LibraryItem[][] }>('/api/desk/library/matches', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ lines, ...(section === undefined ? {} : { section }) }),
    signal,
  });
  return found;
}

/** A bundle with everything in it. */
export const readBundle = (id: string): Promise<BundleWithMakeup> => askDoor(`/api/desk/bundles/${id}`);
