import type { Transaction } from '../connection';
import { agreementStage } from '../schema';
import { and, eq } from 'drizzle-orm';

/** What is said of a stage; what is left out stays as it is. */
export interface StageChange {
  readonly plannedOn?: string | null | undefined;
  readonly doneOn?: string | null | undefined;
  /** In percent between 0 and 100; null: nothing of it. */
  readonly percent?: string | null | undefined;
}

/** Says when a stage is planned, how far it is, or when it was done, and by whom; nothing where there is no such stage. */
export const changeStage = async (
  tx: Transaction,
  { plannedOn, doneOn, percent }: StageChange,
  by: { readonly userId: string; readonly today: string },
  agreementId: string,
  name: string,
) =>
  tx
    .update(agreementStage)
    .set({
      ...(plannedOn === undefined ? {} : { plannedOn }),
      ...(doneOn === undefined ? {} : { doneOn, doneBy: doneOn === null ? null : by.userId }),
      ...(percent === undefined ? {} : { percent, reportedOn: by.today, reportedBy: by.userId }),
    })
    .where(and(eq(agreementStage.agreementId, agreementId), eq(agreementStage.name, name)))
    .returning({ name: agreementStage.name });

/** The day a stage was done; undefined where there is no such stage, null where it is not done. */
export const findDoneOn = async (
  tx: Transaction,
  agreementId: string,
  name: string,
): Promise<string | null | undefined> =>
  (
    await tx
      .select({ doneOn: agreementStage.doneOn })
      .from(agreementStage)
      .where(and(eq(agreementStage.agreementId, agreementId), eq(agreementStage.name, name)))
      .for('update')
  )[0]?.doneOn;

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
