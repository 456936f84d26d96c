import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { BusinessDate } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check } from '../check';
import { nextNumber } from '../numbers';
import { noSuch, Problem } from '../problem';
import { countItemsBefore, insertExportItem, findItemsOfBatch } from '@/data/billing/exportItem';
import type { ExportKind as Kind } from '@/data/billing/exportable';
import { alreadyOut, exportKinds, notOut } from '@/data/billing/exportable';
import { insertExportBatch, exportBatchById } from '@/data/billing/exportBatch';

interface Range {
  readonly from: string;
  readonly to: string;
}

/** How much of each kind. */
export type BatchCounts = Readonly<Record<Kind, number>>;

/** How many things are in the batches before one. */
export async function itemsBefore(tx: Transaction, number: number): Promise<number> {
  const [row] = await countItemsBefore(tx, number);
  return row!.count;
}

const counted = (rows: readonly { readonly kind: Kind }[]): Record<Kind, number> =>
  Object.fromEntries(
    exportKinds.map((kind) => [kind, rows.filter((row) => row.kind === kind).length]),
  ) as Record<Kind, number>;

export const BatchInput = Type.Object(
  { from: BusinessDate, to: BusinessDate },
  { additionalProperties: false },
);

/** @throws Problem `dates-reversed` */
function checkRange(input: unknown): Range {
  const range = check(BatchInput, input, 'The range');
  if (range.from > range.to) throw new Problem('dates-reversed', 'The first day is after the last.');
  return range;
}

/** What a batch over a range would take, and how much of it earlier batches took. */
export async function previewBatch(
  actor: Actor,
  input: unknown,
): Promise<{ counts: Record<Kind, number>; earlier: number }> {
  allow(actor, 'money');
  const range = checkRange(input);
  return inCompany(actor, async (tx) => ({
    counts: counted(await notOut(tx, range)),
    earlier: await alreadyOut(tx, range),
  }));
}

/** The number of a batch, for the names of its files. */
export async function batchNumber(actor: Actor, batchId: string): Promise<number> {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => (await readBatch(tx, batchId)).batch.number);
}

/**
 * Makes a batch of everything in a range of days that went out in no other. Batches are made one after the other, so that
 * nothing goes out twice.
 * @throws Problem `nothing-to-export`
 */
export async function makeBatch(actor: Actor, input: unknown): Promise<{ id: string; number: number }> {
  allow(actor, 'money');
  const range = checkRange(input);
  return inCompany(actor, async (tx) => {
    // The number is taken first: its lock makes others wait until this batch is stored.
    const number = await nextNumber(tx, actor.companyId, 'export');
    const items = await notOut(tx, range);
    if (items.length === 0)
      throw new Problem(
        'nothing-to-export',
        (await alreadyOut(tx, range)) > 0
          ? 'Everything in this range is in an earlier batch.'
          : 'Nothing was billed or received in this range.',
      );
    const id = newId(actor.now);
    const { companyId } = actor;
    await insertExportBatch(tx, { companyId, id, number, ...range, madeBy: actor.userId, madeAt: actor.now });
    for (let i = 0; i < items.length; i += 1000)
      await insertExportItem(
        tx,
        items.slice(i, i + 1000).map((item) => ({ companyId, batchId: id, ...item })),
      );
    await recordAudit(tx, actor, 'batch for the accountant', id, { number, ...range });
    return { id, number };
  });
}

/**
 * A batch with the identities of what is in it.
 * @throws Problem `no-such-batch`
 */
export async function readBatch(tx: Transaction, batchId: string) {
  const [batch] = await exportBatchById(tx, batchId);
  if (!batch) throw noSuch('batch');
  const items = await findItemsOfBatch(tx, batchId);
  const of = (kind: Kind) => items.filter((item) => item.kind === kind).map(({ subject }) => subject);
  return { batch, of };
}
