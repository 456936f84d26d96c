import { and, eq, inArray } from 'drizzle-orm';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { agreementStage, lineStage } from '@/data/schema';
import { AgreedLineId, BusinessDate, EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';
import { loadAgreement } from '@/data/agreements/load';

const closed = { additionalProperties: false } as const;
const day = Type.Union([BusinessDate, Type.Null()]);

const StageInput = Type.Object(
  {
    agreementId: EntityId,
    name: ShortText,
    plannedOn: Type.Optional(day),
    /** The day it was done; null: it is not done after all. */
    doneOn: Type.Optional(day),
  },
  closed,
);
export type StageInput = Type.Static<typeof StageInput>;

const LineStageInput = Type.Object(
  {
    agreementId: EntityId,
    lineIds: Type.Array(AgreedLineId, { minItems: 1, maxItems: 5000 }),
    stage: Type.Union([ShortText, Type.Null()]),
  },
  closed,
);
export type LineStageInput = Type.Static<typeof LineStageInput>;

/** Plans a stage, or says that it is done (or not done after all). What is billed stays billed. */
export async function saveStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'seller', 'office');
  const { agreementId, name, plannedOn, doneOn } = check(StageInput, input, 'The stage');
  await inCompany(actor.companyId, async (tx) => {
    const changed = await tx
      .update(agreementStage)
      .set({
        ...(plannedOn === undefined ? {} : { plannedOn }),
        ...(doneOn === undefined ? {} : { doneOn, doneBy: doneOn === null ? null : actor.userId }),
      })
      .where(and(eq(agreementStage.agreementId, agreementId), eq(agreementStage.name, name)))
      .returning({ name: agreementStage.name });
    if (changed.length === 0) throw new Problem(404, 'The agreement has no such stage.');
    if (doneOn !== undefined)
      await recordAudit(tx, actor, doneOn === null ? 'stage reopened' : 'stage done', agreementId, {
        name,
        doneOn,
      });
  });
}

/** Puts lines into a stage, a new one or one that is there; null takes them out of theirs. */
export async function putInStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'seller', 'office');
  const { agreementId, lineIds, stage } = check(LineStageInput, input, 'The stage');
  await inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    const known = new Set(loaded.lines.map(({ id }) => id));
    if (lineIds.some((id) => !known.has(id))) throw new Problem(404, 'This line is not in the agreement.');
    await tx
      .delete(lineStage)
      .where(and(eq(lineStage.agreementId, agreementId), inArray(lineStage.lineId, lineIds)));
    if (stage === null) return;
    const key = { companyId: actor.companyId, agreementId };
    await tx
      .insert(agreementStage)
      .values({ ...key, name: stage, position: loaded.stages.length })
      .onConflictDoNothing();
    await tx.insert(lineStage).values(lineIds.map((lineId) => ({ ...key, lineId, stage })));
  });
}
