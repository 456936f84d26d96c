import Type from 'typebox';
import { findDoneOn } from '@/data/agreements/agreementStage';
import {
  deleteStagePhotoById,
  findStagePhotos,
  insertStagePhoto,
  lockStagePhoto,
  putStagePhotoCaption,
} from '@/data/agreements/stagePhoto';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check } from '../check';
import { refuseUnknownFile } from '../files/keep';
import { noSuch, Problem } from '../problem';

const closed = { additionalProperties: false } as const;
const Caption = Type.String({ maxLength: 200 });

const PhotoInput = Type.Object({ agreementId: EntityId, stage: ShortText, fileId: EntityId }, closed);
const OfStageInput = Type.Object({ agreementId: EntityId, stage: ShortText }, closed);
const CaptionInput = Type.Object({ id: EntityId, caption: Caption }, closed);
const PhotoIdInput = Type.Object({ id: EntityId }, closed);

/** The most photos of one stage. */
export const MOST_STAGE_PHOTOS = 100;

/** A photo of a stage as the desk shows it. */
export interface StagePhoto {
  readonly id: string;
  readonly stage: string;
  readonly fileId: string;
  readonly name: string;
  readonly caption: string;
  readonly addedAt: string;
  readonly addedBy: string;
}

/** The photos of a stage, oldest first. */
export async function readStagePhotos(actor: Actor, input: unknown): Promise<StagePhoto[]> {
  allow(actor, 'jobs', 'prices');
  const { agreementId, stage } = check(OfStageInput, input, 'The stage');
  return inCompany(actor, async (tx) =>
    (await findStagePhotos(tx, agreementId, stage)).map(({ addedAt, mediaType: _, ...photo }) => ({
      ...photo,
      addedAt: addedAt.toISOString(),
    })),
  );
}

/**
 * Puts a kept picture to a stage, as it stood that day.
 * @throws Problem `no-such-stage`, `too-many-photos`
 */
export async function addStagePhoto(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'jobs');
  const { agreementId, stage, fileId } = check(PhotoInput, input, 'The photo');
  return inCompany(actor, async (tx) => {
    // Held: two who add photos at once are counted one after the other.
    if ((await findDoneOn(tx, agreementId, stage)) === undefined) throw noSuch('stage');
    await refuseUnknownFile(tx, [fileId]);
    const photos = await findStagePhotos(tx, agreementId, stage);
    const known = photos.find((photo) => photo.fileId === fileId);
    if (known) return { id: known.id };
    if (photos.length >= MOST_STAGE_PHOTOS)
      throw new Problem('too-many-photos', `A stage has at most ${MOST_STAGE_PHOTOS} photos.`);
    const id = newId(actor.now);
    const { companyId, userId, now } = actor;
    await insertStagePhoto(tx, { companyId, id, agreementId, stage, fileId, addedBy: userId, addedAt: now });
    await recordAudit(tx, actor, 'stage photo added', agreementId, { stage, photo: id });
    return { id };
  });
}

/** @throws Problem `no-such-picture` */
async function photoOfOurs(tx: Transaction, id: string) {
  const [row] = await lockStagePhoto(tx, id);
  if (!row) throw noSuch('picture');
  return row;
}

/** Says what a photo shows. */
export async function captionStagePhoto(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { id, caption } = check(CaptionInput, input, 'The photo');
  await inCompany(actor, async (tx) => {
    await photoOfOurs(tx, id);
    await putStagePhotoCaption(tx, id, caption.trim());
  });
}

/** Takes a photo off its stage. Letters that it went with keep it. */
export async function removeStagePhoto(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { id } = check(PhotoIdInput, input, 'The photo');
  await inCompany(actor, async (tx) => {
    const { agreementId, stage } = await photoOfOurs(tx, id);
    await deleteStagePhotoById(tx, id);
    await recordAudit(tx, actor, 'stage photo removed', agreementId, { stage, photo: id });
  });
}
