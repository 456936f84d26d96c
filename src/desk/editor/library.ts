import type { Found } from '@/acts/library/find';
import type { LibraryItem } from '@/model';
import type { BundleWithMakeup } from '@/acts/library/bundles';

export type { BundleWithMakeup, Found };

async function get<T>(path: string, signal?: AbortSignal): Promise<T> {
  const answer = await fetch(path, signal ? { signal } : {});
  if (!answer.ok) throw new Error('The library does not answer.');
  return (await answer.json()) as T;
}

/** The best items and bundles for a few letters, what is used on such sections first. */
export async function findInLibrary(
  words: string,
  sectionTitle: string | undefined,
  signal?: AbortSignal,
): Promise<Found[]> {
  const asked = new URLSearchParams({ search: words });
  if (sectionTitle !== undefined) asked.set('section', sectionTitle);
  return (await get<{ found: Found[] }>(`/api/v1/library?${asked}`, signal)).found;
}

/** The items that fit each of some lines of words, best first. */
export async function matchLines(
  lines: readonly string[],
  section: string | undefined,
  signal: AbortSignal,
): Promise<LibraryItem[][]> {
  const answer = await fetch('/api/v1/library/matches', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ lines, ...(section === undefined ? {} : { section }) }),
    signal,
  });
  if (!answer.ok) throw new Error('The library does not answer.');
  return ((await answer.json()) as { found: LibraryItem[][] }).found;
}

/** A bundle with everything in it. */
export const readBundle = (id: string): Promise<BundleWithMakeup> => get(`/api/v1/bundles/${id}`);
