import { findAttachment } from '@/data/messages/attachment';
import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { noSuch } from '../problem';

/**
 * Something that went with a letter, as it was then.
 * @param position counted from nought
 * @throws Problem `no-such-attachment`
 */
export async function readAttachment(
  actor: Actor,
  messageId: string,
  position: number,
): Promise<{ readonly name: string; readonly mediaType: string; readonly bytes: Buffer }> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const [row] =
      Number.isSafeInteger(position) && position >= 0 && position < 100
        ? await findAttachment(tx, messageId, position)
        : [];
    const bytes = row?.bytes ?? row?.picture;
    if (!row || !bytes) throw noSuch('attachment');
    return { name: row.name, mediaType: row.mediaType, bytes };
  });
}
