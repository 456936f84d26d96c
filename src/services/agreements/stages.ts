import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { AgreedLineId, BusinessDate, EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';
import { loadAgreement } from '@/data/agreements/load';
import { planStage, insertStageOnce } from '@/data/agreements/agreementStage';
import { deleteStagesOfLines, insertLineStage } from '@/data/agreements/lineStage';

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

/**
 * Plans a stage, or says that it is done (or not done after all). What is billed stays billed.
 * @throws Problem `no-such-stage`
 */
export async function saveStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'seller', 'office');
  const { agreementId, name, plannedOn, doneOn } = check(StageInput, input, 'The stage');
  await inCompany(actor.companyId, async (tx) => {
    const changed = await planStage(tx, plannedOn, doneOn, actor.userId, agreementId, name);
    if (changed.length === 0) throw new Problem('no-such-stage', 'The agreement has no such stage.');
    if (doneOn !== undefined)
      await recordAudit(tx, actor, doneOn === null ? 'stage reopened' : 'stage done', agreementId, {
        name,
        doneOn,
      });
  });
}

/**
 * Puts lines into a stage, a new one or one that is there; null takes them out of theirs.
 * @throws Problem `no-such-line`
 */
export async function putInStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner', 'seller', 'office');
  const { agreementId, lineIds, stage } = check(LineStageInput, input, 'The stage');
  await inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    const known = new Set(loaded.lines.map(({ id }) => id));
    if (lineIds.some((id) => !known.has(id)))
      throw new Problem('no-such-line', 'This line is not in the agreement.');
    await deleteStagesOfLines(tx, agreementId, lineIds);
    if (stage === null) return;
    const key = { companyId: actor.companyId, agreementId };
    await insertStageOnce(tx, key, stage, loaded.stages.length);
    await insertLineStage(
      tx,
      lineIds.map((lineId) => ({ ...key, lineId, stage })),
    );
  });
}
