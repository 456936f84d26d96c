import type { KeptFile } from '@/acts/files/keep';
import { readAnswer } from '@/ui/readAnswer';

/**
 * Keeps a picture for an item, a bundle or an alternative.
 * @throws Error with a sentence when it cannot be kept
 */
export async function keepPicture(file: File): Promise<KeptFile> {
  return readAnswer<KeptFile>(
    await fetch(`/api/v1/files?kind=picture&name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    }),
  );
}
