import type { KeptFile } from '@/services/files/keep';
import { sendFile } from '@/ui/askDoor';

/**
 * Keeps a picture for an item, a bundle or an alternative.
 * @throws Error with a sentence when it cannot be kept
 */
export const keepPicture = (file: File): Promise<KeptFile> =>
  sendFile<KeptFile>(`/api/v1/files?kind=picture&name=${encodeURIComponent(file.name)}`, file);
