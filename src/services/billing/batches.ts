import { and, asc, desc, eq, gte, inArray, lt, lte, notExists, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { exportBatch, exportItem, invoice, payment, paymentReversal, refund, user } from '@/data/schema';
import { BusinessDate } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { check } from '../check';
import { nextNumber } from '../numbers';
import { Problem } from '../problem';

type Kind = (typeof exportItem.$inferSelect)['kind'];

/** What can go out, and the day that counts for it. */
const sources = [
  { kind: 'invoice', table: invoice, id: invoice.id, day: invoice.issuedOn },
  { kind: 'payment', table: payment, id: payment.id, day: payment.receivedOn },
  { kind: 'reversal', table: paymentReversal, id: paymentReversal.id, day: paymentReversal.on },
  { kind: 'refund', table: refund, id: refund.id, day: refund.paidOn },
] as const satisfies readonly { kind: Kind; table: unknown; id: PgColumn; day: PgColumn }[];

interface Range {
  readonly from: string;
  readonly to: string;
}

/** How many things of a range of days are in a batch already. */
async function alreadyOut(tx: Transaction, { from, to }: Range): Promise<number> {
  let count = 0;
  for (const { kind, table, id, day } of sources) {
    const [row] = await tx
      .select({ count: sql<number>`count(*)::int` })
      .from(table)
      .innerJoin(
        exportItem,
        and(eq(exportItem.companyId, table.companyId), eq(exportItem.kind, kind), eq(exportItem.subject, id)),
      )
      .where(and(gte(day, from), lte(day, to)));
    count += row!.count;
  }
  return count;
}

/** How many things are in the batches before one. */
export async function itemsBefore(tx: Transaction, number: number): Promise<number> {
  const [row] = await tx
    .select({ count: sql<number>`count(*)::int` })
    .from(exportItem)
    .innerJoin(
      exportBatch,
      and(eq(exportBatch.companyId, exportItem.companyId), eq(exportBatch.id, exportItem.batchId)),
    )
    .where(lt(exportBatch.number, number));
  return row!.count;
}

/** Of a range of days, what went to the accountant in no batch yet. */
async function notOut(tx: Transaction, { from, to }: Range): Promise<{ kind: Kind; subject: string }[]> {
  const found: { kind: Kind; subject: string }[] = [];
  for (const { kind, table, id, day } of sources) {
    const rows = await tx
      .select({ id: sql<string>`${id}` })
      .from(table)
      .where(
        and(
          gte(day, from),
          lte(day, to),
          notExists(
            tx
              .select({ one: sql`1` })
              .from(exportItem)
              .where(
                and(
                  eq(exportItem.companyId, table.companyId),
                  eq(exportItem.kind, kind),
                  eq(exportItem.subject, id),
                ),
              ),
          ),
        ),
      );
    found.push(...rows.map((row) => ({ kind, subject: row.id })));
  }
  return found;
}

const counted = (rows: readonly { readonly kind: Kind }[]): Record<Kind, number> =>
  Object.fromEntries(
    sources.map(({ kind }) => [kind, rows.filter((row) => row.kind === kind).length]),
  ) as Record<Kind, number>;

const BatchInput = Type.Object({ from: BusinessDate, to: BusinessDate }, { additionalProperties: false });

function checkRange(input: unknown): Range {
  const range = check(BatchInput, input, 'The range');
  if (range.from > range.to) throw new Problem(422, 'The first day is after the last.');
  return range;
}

/** What a batch over a range would take, and how much of it earlier batches took. */
export async function previewBatch(
  actor: Actor,
  input: unknown,
): Promise<{ counts: Record<Kind, number>; earlier: number }> {
  allow(actor, 'owner', 'office');
  const range = checkRange(input);
  return inCompany(actor.companyId, async (tx) => ({
    counts: counted(await notOut(tx, range)),
    earlier: await alreadyOut(tx, range),
  }));
}

/** The number of a batch, for the names of its files. */
export async function batchNumber(actor: Actor, batchId: string): Promise<number> {
  allow(actor, 'owner', 'office');
  return inCompany(actor.companyId, async (tx) => (await readBatch(tx, batchId)).batch.number);
}

/**
 * Makes a batch of everything in a range of days that went out in no other. Batches are made one after the other, so that
 * nothing goes out twice.
 */
export async function makeBatch(actor: Actor, input: unknown): Promise<{ id: string; number: number }> {
  allow(actor, 'owner', 'office');
  const range = checkRange(input);
  return inCompany(actor.companyId, async (tx) => {
    // The number is taken first: its lock makes others wait until this batch is stored.
    const number = await nextNumber(tx, actor.companyId, 'export');
    const items = await notOut(tx, range);
    if (items.length === 0)
      throw new Problem(
        409,
        (await alreadyOut(tx, range)) > 0
          ? 'Everything in this range is in an earlier batch.'
          : 'Nothing was billed or received in this range.',
      );
    const id = newId(actor.now);
    const { companyId } = actor;
    await tx
      .insert(exportBatch)
      .values({ companyId, id, number, ...range, madeBy: actor.userId, madeAt: actor.now });
    for (let i = 0; i < items.length; i += 1000)
      await tx
        .insert(exportItem)
        .values(items.slice(i, i + 1000).map((item) => ({ companyId, batchId: id, ...item })));
    await recordAudit(tx, actor, 'batch for the accountant', id, { number, ...range });
    return { id, number };
  });
}

/** The batches made so far, newest first, with how much is in each. */
export async function listBatches(actor: Actor) {
  allow(actor, 'owner', 'office');
  return inCompany(actor.companyId, async (tx) => {
    const batches = await tx
      .select({
        id: exportBatch.id,
        number: exportBatch.number,
        from: exportBatch.from,
        to: exportBatch.to,
        madeAt: exportBatch.madeAt,
        by: user.name,
      })
      .from(exportBatch)
      .innerJoin(user, and(eq(user.companyId, exportBatch.companyId), eq(user.id, exportBatch.madeBy)))
      .orderBy(desc(exportBatch.number))
      .limit(60);
    const ids = batches.map(({ id }) => id);
    const items =
      ids.length === 0
        ? []
        : await tx
            .select({ batchId: exportItem.batchId, kind: exportItem.kind, count: sql<number>`count(*)::int` })
            .from(exportItem)
            .where(inArray(exportItem.batchId, ids))
            .groupBy(exportItem.batchId, exportItem.kind);
    return batches.map(({ madeAt, ...batch }) => ({
      ...batch,
      madeAt: madeAt.toISOString(),
      counts: Object.fromEntries(
        sources.map(({ kind }) => [
          kind,
          items.find((item) => item.batchId === batch.id && item.kind === kind)?.count ?? 0,
        ]),
      ) as Record<Kind, number>,
    }));
  });
}

export type Batch = Awaited<ReturnType<typeof listBatches>>[number];

/** A batch with the identities of what is in it. */
export async function readBatch(tx: Transaction, batchId: string) {
  const [batch] = await tx.select().from(exportBatch).where(eq(exportBatch.id, batchId));
  if (!batch) throw new Problem(404, 'There is no such batch.');
  const items = await tx
    .select()
    .from(exportItem)
    .where(eq(exportItem.batchId, batchId))
    .orderBy(asc(exportItem.subject));
  const of = (kind: Kind) => items.filter((item) => item.kind === kind).map(({ subject }) => subject);
  return { batch, of };
}
