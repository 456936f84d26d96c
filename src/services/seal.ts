import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

/** The key is made from a secret that is never in the database: whoever has a copy of that alone reads nothing sealed. */
function key(): Buffer {
  const secret = process.env.IMPEGNO_SECRET;
  if (!secret || secret.length < 20)
    throw new Error('IMPEGNO_SECRET is not set, or shorter than 20 characters.');
  return Buffer.from(hkdfSync('sha256', secret, '', 'impegno sealed links', 32));
}

/**
 * Seals a text (AES-256-GCM, NIST SP 800-38D) for one place alone.
 * @param place what it belongs to; it opens nowhere else
 */
export function seal(text: string, place: string): string {
  const start = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', key(), start).setAAD(Buffer.from(place));
  const inside = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([start, cipher.getAuthTag(), inside]).toString('base64url');
}

/** Opens what was sealed for a place; null when it was not, or was changed, or the secret is another by now. */
export function unseal(sealed: string, place: string): string | null {
  const all = Buffer.from(sealed, 'base64url');
  if (all.length < 28) return null;
  try {
    const open = createDecipheriv('aes-256-gcm', key(), all.subarray(0, 12)).setAAD(Buffer.from(place));
    open.setAuthTag(all.subarray(12, 28));
    return Buffer.concat([open.update(all.subarray(28)), open.final()]).toString('utf8');
  } catch {
    return null;
  }
}
