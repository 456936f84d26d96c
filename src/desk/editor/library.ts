import type { Found } from '@/acts/library/find';
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

/** A bundle with everything in it. */
export const readBundle = (id: string): Promise<BundleWithMakeup> => get(`/api/v1/bundles/${id}`);
