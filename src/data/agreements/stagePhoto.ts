import { and, asc, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { keptFile, stagePhoto, user } from '../schema';

/** Stores a photo of a stage. */
export const insertStagePhoto = async (tx: Transaction, row: typeof stagePhoto.$inferInsert) =>
  tx.insert(stagePhoto).values(row);

/** The photos of an agreement, or of one of its stages, oldest first. */
export const findStagePhotos = async (tx: Transaction, agreementId: string, stage?: string) =>
  tx
    .select({
      id: stagePhoto.id,
      stage: stagePhoto.stage,
      fileId: stagePhoto.fileId,
      caption: stagePhoto.caption,
      addedAt: stagePhoto.addedAt,
      addedBy: user.name,
      name: keptFile.name,
      mediaType: keptFile.mediaType,
    })
    .from(stagePhoto)
    .innerJoin(
      keptFile,
      and(eq(keptFile.companyId, stagePhoto.companyId), eq(keptFile.id, stagePhoto.fileId)),
    )
    .innerJoin(user, and(eq(user.companyId, stagePhoto.companyId), eq(user.id, stagePhoto.addedBy)))
    .where(
      and(
        eq(stagePhoto.agreementId, agreementId),
        stage === undefined ? undefined : eq(stagePhoto.stage, stage),
      ),
    )
    .orderBy(asc(stagePhoto.addedAt), asc(stagePhoto.id));

/** One photo by its id, or none; held until the transaction ends. */
export const lockStagePhoto = async (tx: Transaction, id: string) =>
  tx.select().from(stagePhoto).where(eq(stagePhoto.id, id)).for('update');

/** Says otherwise what a photo shows. */
export const putStagePhotoCaption = async (tx: Transaction, id: string, caption: string) =>
  tx.update(stagePhoto).set({ caption }).where(eq(stagePhoto.id, id));

/** Takes a photo off its stage; the picture itself stays kept. */
export const deleteStagePhotoById = async (tx: Transaction, id: string) =>
  tx.delete(stagePhoto).where(eq(stagePhoto.id, id));
