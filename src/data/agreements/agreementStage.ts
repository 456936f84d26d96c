import type { Transaction } from '../connection';
import { agreementStage } from '../schema';
import { and, eq } from 'drizzle-orm';

/** Says when a stage is planned, or when it was done and by whom; nothing where there is no such stage. */
export const planStage = async (
  tx: Transaction,
  plannedOn: string | null | undefined,
  doneOn: string | null | undefined,
  userId: string,
  agreementId: string,
  name: string,
) =>
  tx
    .update(agreementStage)
    .set({
      ...(plannedOn === undefined ? {} : { plannedOn }),
      ...(doneOn === undefined ? {} : { doneOn, doneBy: doneOn === null ? null : userId }),
    })
    .where(and(eq(agreementStage.agreementId, agreementId), eq(agreementStage.name, name)))
    .returning({ name: agreementStage.name });

/** Adds a stage behind the others, unless it is there. */
export const insertStageOnce = async (
  tx: Transaction,
  key: { companyId: string; agreementId: string },
  stage: string,
  position: number,
) =>
  tx
    .insert(agreementStage)
    .values({ ...key, name: stage, position })
    .onConflictDoNothing();

/** Says what a stage will still cost; nothing where there is no such stage. */
export const putToCome = async (tx: Transaction, amount: string | null, agreementId: string, stage: string) =>
  tx
    .update(agreementStage)
    .set({ toCome: amount })
    .where(and(eq(agreementStage.agreementId, agreementId), eq(agreementStage.name, stage)))
    .returning({ name: agreementStage.name });
