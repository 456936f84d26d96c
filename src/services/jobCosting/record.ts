import { readPositive } from '../readPositive';
import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { costEntry } from '@/data/schema';
import { labourAmount } from '@/core/importing';
import type { Amount } from '@/core/number';
import { opposite, parseFixed, writeAmount } from '@/core/number';
import { CostInput, DecimalText, EntityId, IdempotencyKey } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import { refuseOtherUnderKey } from '../sameAgain';
import {
  costEntryByIdempotencyKey,
  insertCostEntry,
  costEntryById,
  findTakingBack,
} from '@/data/jobCosting/costEntry';
import { insertCostInvoice, deleteCostInvoiceByCostId } from '@/data/jobCosting/costInvoice';
import { putToCome } from '@/data/agreements/agreementStage';

type Entry = typeof costEntry.$inferInsert;

/** @throws Problem `amount-missing`, `amount-not-positive`, `hours-without-rate` */
function amountFor(loaded: LoadedAgreement, { amount, hours, rate }: CostInput): Amount {
  const { digits, head } = loaded;
  if ((hours === undefined) !== (rate === undefined))
    throw new Problem('hours-without-rate', 'Hours and rate come together.');
  if (hours !== undefined && rate !== undefined) {
    const labour = labourAmount(hours, rate, digits);
    if (labour <= 0n) throw new Problem('amount-not-positive', 'These hours come to nothing.');
    return labour;
  }
  if (amount === undefined) throw new Problem('amount-missing', 'Type the amount, or hours and rate.');
  return readPositive(amount, digits, head.currency);
}

/**
 * Records what a job cost us, against a line, a stage or a cost code. A repeat under the same key changes nothing.
 * @throws Problem `no-such-invoice`, `no-such-line`, `no-such-stage`
 */
export async function recordCost(actor: Actor, input: unknown): Promise<{ id: string }> {
  allow(actor, 'jobs');
  const given = check(CostInput, input, 'The cost');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, given.agreementId, { lock: true });
    const [known] = await costEntryByIdempotencyKey(tx, given.idempotencyKey);
    if (known) {
      const { invoiceId: _, ...rest } = given;
      refuseOtherUnderKey(known, rest);
      return { id: known.id };
    }
    if (given.lineId !== undefined && !loaded.lines.some(({ id }) => id === given.lineId))
      throw new Problem('no-such-line', 'There is no such line in the agreement.');
    if (given.stage !== undefined && !loaded.stages.some(({ name }) => name === given.stage))
      throw new Problem('no-such-stage', 'There is no such stage in the agreement.');
    if (given.invoiceId !== undefined && !loaded.invoices.some(({ id }) => id === given.invoiceId))
      throw new Problem('no-such-invoice', 'There is no such invoice on the agreement.');
    const { agreementId, what, costType, spentOn, supplier, idempotencyKey } = given;
    const id = newId(actor.now);
    await insertCosts(tx, actor, loaded, [
      {
        companyId: actor.companyId,
        id,
        agreementId,
        lineId: given.lineId ?? null,
        stage: given.stage ?? null,
        costCode: given.costCode ?? null,
        hours: given.hours ?? null,
        rate: given.rate ?? null,
        amount: writeAmount(amountFor(loaded, given), loaded.digits),
        ...{ what, costType, spentOn, supplier, idempotencyKey },
        recordedBy: actor.userId,
        recordedAt: actor.now,
      },
    ]);
    if (given.invoiceId !== undefined)
      await insertCostInvoice(tx, { companyId: actor.companyId, costId: id, invoiceId: given.invoiceId });
    return { id };
  });
}

/** Stores costs of a locked agreement. */
export async function insertCosts(
  tx: Transaction,
  actor: Actor,
  loaded: LoadedAgreement,
  entries: readonly Entry[],
): Promise<void> {
  for (let i = 0; i < entries.length; i += 500)
    await insertCostEntry(tx, entries.slice(i, i + 500) as Entry[]);
  await recordAudit(tx, actor, 'costs recorded', loaded.head.id, { count: entries.length });
}

const BackInput = Type.Object(
  { costId: EntityId, idempotencyKey: IdempotencyKey },
  { additionalProperties: false },
);

/**
 * Takes a cost back that was recorded by mistake: its negative is recorded beside it, once.
 * @throws Problem `cost-voided`, `no-such-cost`
 */
export async function takeCostBack(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { costId, idempotencyKey } = check(BackInput, input, 'The cost');
  await inCompany(actor, async (tx) => {
    const [found] = await costEntryById(tx, costId);
    if (!found) throw noSuch('cost');
    await loadAgreement(tx, found.agreementId, { lock: true });
    if (found.takesBack !== null)
      throw new Problem('cost-voided', 'This voids another cost; record that one anew.');
    const [gone] = await findTakingBack(tx, costId);
    if (gone) return;
    // Taken back, it is beside no invoice any more.
    await deleteCostInvoiceByCostId(tx, costId);
    await insertCostEntry(tx, {
      ...found,
      id: newId(actor.now),
      amount: opposite(found.amount),
      takesBack: found.id,
      idempotencyKey,
      recordedBy: actor.userId,
      recordedAt: actor.now,
    });
    await recordAudit(tx, actor, 'cost voided', costId, {});
  });
}

const AttachInput = Type.Object(
  { costId: EntityId, invoiceId: Type.Union([EntityId, Type.Null()]) },
  { additionalProperties: false },
);

/**
 * Puts a cost beside a stage invoice of its agreement, or beside none.
 * @throws Problem `no-such-cost`, `no-such-invoice`
 */
export async function attachCost(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { costId, invoiceId } = check(AttachInput, input, 'The cost');
  await inCompany(actor, async (tx) => {
    const [found] = await costEntryById(tx, costId);
    if (!found) throw noSuch('cost');
    const { invoices } = await loadAgreement(tx, found.agreementId);
    if (invoiceId !== null && !invoices.some(({ id }) => id === invoiceId))
      throw new Problem('no-such-invoice', 'There is no such invoice on the agreement.');
    await deleteCostInvoiceByCostId(tx, costId);
    if (invoiceId !== null) await insertCostInvoice(tx, { companyId: actor.companyId, costId, invoiceId });
    await recordAudit(tx, actor, 'cost put beside an invoice', costId, { invoiceId });
  });
}

const ToComeInput = Type.Object(
  {
    agreementId: EntityId,
    stage: Type.String({ minLength: 1, maxLength: 200 }),
    /** Null: what is left of the budget. */
    toCome: Type.Union([DecimalText, Type.Null()]),
  },
  { additionalProperties: false },
);

/**
 * Says what a stage will still cost.
 * @throws Problem `no-such-stage`
 */
export async function saveToCome(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'jobs');
  const { agreementId, stage, toCome } = check(ToComeInput, input, 'What is still to come');
  await inCompany(actor, async (tx) => {
    const { digits, head } = await loadAgreement(tx, agreementId);
    const amount =
      toCome === null
        ? null
        : parseFixed(toCome) === 0n
          ? '0'
          : writeAmount(readPositive(toCome, digits, head.currency), digits);
    const changed = await putToCome(tx, amount, agreementId, stage);
    if (changed.length === 0) throw new Problem('no-such-stage', 'There is no such stage in the agreement.');
    await recordAudit(tx, actor, 'still to come', agreementId, { stage, toCome: amount });
  });
}
