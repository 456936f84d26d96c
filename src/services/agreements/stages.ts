import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { AgreedLineId, BusinessDate, EntityId, ShortText } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';
import { loadAgreement } from '@/data/agreements/load';
import type { StageChange } from '@/data/agreements/agreementStage';
import { changeStage, findDoneOn, insertStageOnce } from '@/data/agreements/agreementStage';
import { companyOf } from '@/data/settings/company';
import { ONE, parsePercent } from '@/core/number';
import { deleteStagesOfLines, insertLineStage } from '@/data/agreements/lineStage';

const closed = { additionalProperties: false } as const;
const day = Type.Union([BusinessDate, Type.Null()]);

export const StageInput = Type.Object(
  {
    agreementId: EntityId,
    name: ShortText,
    plannedOn: Type.Optional(day),
    /** The day it was done; null: it is not done after all. */
    doneOn: Type.Optional(day),
    /** How far it is, in percent: 100 is done today, less is not done. */
    percent: Type.Optional(Type.String({ pattern: '^(100(\\.0{1,2})?|\\d{1,2}(\\.\\d{1,2})?)$' })),
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

/** What a report of progress says of a stage: all of it is done, unless it was before; less is not done. */
function reported(percent: string, doneOn: string | null, today: string): StageChange {
  const part = parsePercent(percent);
  if (part === ONE) return doneOn === null ? { doneOn: today } : {};
  return { percent: part === 0n ? null : percent, doneOn: null };
}

/**
 * Plans a stage, reports how far it is, or says that it is done (or not done after all). What is billed stays billed.
 * @throws Problem `no-such-stage`
 */
export async function saveStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { agreementId, name, percent, ...said } = check(StageInput, input, 'The stage');
  await inCompany(actor, async (tx) => {
    const { timeZone } = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, timeZone);
    const before = await findDoneOn(tx, agreementId, name);
    if (before === undefined) throw new Problem('no-such-stage', 'The agreement has no such stage.');
    const change = { ...said, ...(percent === undefined ? {} : reported(percent, before, today)) };
    if (Object.keys(change).length === 0) return;
    await changeStage(tx, change, { userId: actor.userId, today }, agreementId, name);
    const { doneOn } = change;
    if (doneOn !== undefined && doneOn !== before)
      await recordAudit(tx, actor, doneOn === null ? 'stage reopened' : 'stage done', agreementId, {
        name,
        doneOn,
      });
    if (percent !== undefined) await recordAudit(tx, actor, 'stage reported', agreementId, { name, percent });
  });
}

/**
 * Puts lines into a stage, a new one or one that is there; null takes them out of theirs.
 * @throws Problem `no-such-line`
 */
export async function putInStage(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { agreementId, lineIds, stage } = check(LineStageInput, input, 'The stage');
  await inCompany(actor, async (tx) => {
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
