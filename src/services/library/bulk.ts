import { itemsNow } from '@/data/library/itemsNow';
import Type from 'typebox';
import { raisableTypes, raisedCosts } from '@/core/importing';
import { refreshedCosts } from '@/core/editing';
import { moneyOf, writeFixed } from '@/core/number';
import { computeFigures, itemUnitCost } from '@/core/price';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { cutOffer } from '../offered';
import { check } from '../check';
import { putCosts } from './changeSeveral';
import { findItemsToChange } from '@/data/library/item';
import { findDrafts } from '@/data/proposals/proposal';

const BulkInput = Type.Object(
  {
    /** Empty: every trade, every tag. */
    trade: Type.String({ maxLength: 60 }),
    tag: Type.String({ maxLength: 40 }),
    costTypes: Type.Array(
      Type.Unsafe<(typeof raisableTypes)[number]>({ type: 'string', enum: [...raisableTypes] }),
      {
        minItems: 1,
        maxItems: 4,
      },
    ),
    percent: Type.String({ pattern: '^-?\\d{1,2}(\\.\\d{1,4})?$' }),
  },
  { additionalProperties: false },
);
/** How many items a preview lists; the count is of all. */
const LISTED = 100;

async function moves(tx: Transaction, input: unknown) {
  const { trade, tag, costTypes, percent } = check(BulkInput, input, 'The change');
  const rows = await findItemsToChange(tx, trade, tag);
  return rows.flatMap((row) => {
    const after = raisedCosts(row.costs, percent, costTypes);
    return after === row.costs ? [] : [{ row, after: [...after] }];
  });
}

/** What a percentage on the costs of a trade or tag would make of each item. Nothing is stored. */
export async function previewCosts(actor: Actor, input: unknown) {
  allow(actor, 'library');
  return inCompany(actor, async (tx) => {
    const found = await moves(tx, input);
    return {
      count: found.length,
      items: found.slice(0, LISTED).map(({ row, after }) => ({
        id: row.id,
        code: row.code,
        name: row.name,
        before: writeFixed(itemUnitCost(row.costs)),
        after: writeFixed(itemUnitCost(after)),
      })),
    };
  });
}

export type CostsPreview = Awaited<ReturnType<typeof previewCosts>>;

/** Puts a percentage on the costs of a trade or tag, all of it or nothing; what each item cost before is kept, and it can be taken back once. */
export async function changeCosts(actor: Actor, input: unknown): Promise<{ id: string; count: number }> {
  allow(actor, 'library');
  return inCompany(actor, async (tx) => {
    const found = await moves(tx, input);
    const { percent } = check(BulkInput, input, 'The change');
    const id = await putCosts(tx, actor, found, `${percent} % on several`);
    await recordAudit(tx, actor, 'costs changed', actor.companyId, {
      ...(input as object),
      count: found.length,
    });
    return { id, count: found.length };
  });
}

/** How many drafts are looked at. */
const DRAFTS = 50;

/**
 * Proposals in draft that would move if their costs were refreshed from the library, and by how much; of so many as are
 * looked at, those changed last, and whether there are more drafts.
 */
export async function draftsBehind(actor: Actor) {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const { found: drafts, more } = cutOffer(await findDrafts(tx, DRAFTS + 1), DRAFTS);
    const behind = [];
    for (const { id, number, document } of drafts) {
      const fresh = refreshedCosts(document, await itemsNow(tx, document));
      if (fresh.moves.length === 0) continue;
      const [before, after] = [computeFigures(document), computeFigures(fresh.document)];
      const money = moneyOf(before.minorDigits);
      behind.push({
        id,
        number,
        title: document.title,
        items: fresh.moves.length,
        cost: money.write(after.cost - before.cost),
        total: money.write(after.total - before.total),
      });
    }
    return { behind, looked: drafts.length, more };
  });
}

export type DraftsBehind = Awaited<ReturnType<typeof draftsBehind>>;
