import { createHash } from 'node:crypto';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { ImageError, keptImage } from '@/formats/image/keptImage';
import { samplePlan } from '@/gateways/plans';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { noSuch, Problem } from '../problem';
import { findSameFile, insertKeptFile, findFileBytes, findFileId } from '@/data/files/keptFile';

/** A kept picture as the desk knows it; width and height in pixels. */
export interface KeptFile {
  readonly id: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
}

/**
 * Keeps a picture; the same picture again is the one that is kept already.
 * @throws Problem `picture-unreadable`
 */
export async function keepFile(
  actor: Actor,
  kind: 'plan' | 'picture',
  name: string,
  bytes: Uint8Array,
): Promise<KeptFile> {
  if (kind === 'picture') allow(actor, 'jobs');
  else allow(actor, 'propose');
  let image;
  try {
    image = await keptImage(bytes, kind);
  } catch (error) {
    if (error instanceof ImageError) throw new Problem('picture-unreadable', error.message);
    throw error;
  }
  const sha256 = createHash('sha256').update(image.bytes).digest('hex');
  const label = name.trim().slice(0, 200) || 'Plan';
  return inCompany(actor, async (tx) => {
    const [known] = await findSameFile(tx, sha256, kind);
    const id = known?.id ?? newId(actor.now);
    if (!known) {
      await insertKeptFile(tx, {
        companyId: actor.companyId,
        id,
        kind,
        name: label,
        ...image,
        sha256,
        userId: actor.userId,
        at: actor.now,
      });
      await recordAudit(tx, actor, 'picture kept', id, { kind, name: label });
    }
    return { id, name: label, width: image.width, height: image.height };
  });
}

/**
 * Keeps one of the drawn sample plans.
 * @throws Problem `no-such-sample-plan`
 */
export async function keepSamplePlan(actor: Actor, key: string): Promise<KeptFile> {
  allow(actor, 'propose');
  const sample = await samplePlan(key);
  if (!sample) throw noSuch('sample plan');
  return keepFile(actor, 'plan', sample.name, sample.bytes);
}

/**
 * The bytes of a kept picture of this company, or a small WebP of it.
 * @throws Problem `no-such-picture`
 */
export async function readFile(tx: Transaction, id: string, small: boolean) {
  const [row] = await findFileBytes(tx, small, id);
  if (!row) throw noSuch('picture');
  return { type: small ? 'image/webp' : row.mediaType, bytes: row.bytes };
}

export async function fileForDesk(actor: Actor, id: string, small: boolean) {
  allow(actor, 'jobs', 'prices');
  return inCompany(actor, (tx) => readFile(tx, id, small));
}

/**
 * Refuses an identity that is no kept picture of this company.
 * @throws Problem `unknown-picture`
 */
export async function refuseUnknownFile(tx: Transaction, ids: Iterable<string>): Promise<void> {
  for (const id of new Set(ids)) {
    const [row] = await findFileId(tx, id);
    if (!row) throw new Problem('unknown-picture', 'There is no such picture.');
  }
}
