import Type from 'typebox';
import { findCodes } from '@/data/library/itemCodes';
import { inCompany } from '@/data/connection';
import { companyOf } from '@/data/settings/company';
import type { BundleInLibrary, ItemInput } from '@/model';
import { ShortText } from '@/model';
import type { Actor } from '../../actor';
import { allow, recordAudit } from '../../actor';
import { check } from '../../check';
import { addItems, addRates } from '../add';
import { addBundle } from '../bundles';
import { listRates } from '../rates';
import { bundleInputs } from './bundles';
import { itemInputs, rateInputs } from './items';
import { stockInputs } from './stock';

/* A library to begin with. Everything in it is made up: it shows how items and bundles are written, not what they cost. */

const MADE_UP = 'Made up: put your own cost here.';

const allItems: readonly ItemInput[] = [...itemInputs, ...stockInputs];
const drafts = bundleInputs();

/** The codes a bundle names, as it is written here. */
const namedBy = (code: string): readonly string[] => {
  const named: string[] = [];
  drafts
    .find((draft) => draft.code === code)!
    .of((wanted) => {
      named.push(wanted);
      return wanted;
    });
  return named;
};
const headOf = (code: string): BundleInLibrary =>
  drafts.find((draft) => draft.code === code)!.of((wanted) => wanted);

/** Everything some bundles need, they among it, down to their items. */
function closure(codes: readonly string[]): Set<string> {
  const all = new Set<string>();
  const add = (code: string): void => {
    if (all.has(code)) return;
    all.add(code);
    if (drafts.some((draft) => draft.code === code)) namedBy(code).forEach(add);
  };
  codes.forEach(add);
  return all;
}

/** The trades there are to begin with, and how much is in each. */
export function startingTrades(): readonly {
  readonly trade: string;
  readonly items: number;
  readonly bundles: number;
}[] {
  const trades = [
    ...new Set([...allItems.map(({ trade }) => trade), ...drafts.map(({ code }) => headOf(code).trade)]),
  ];
  return trades.map((trade) => ({
    trade,
    items: allItems.filter((item) => item.trade === trade).length,
    bundles: drafts.filter(({ code }) => headOf(code).trade === trade).length,
  }));
}

const Input = Type.Object(
  { trades: Type.Array(ShortText, { minItems: 1, maxItems: 100 }) },
  { additionalProperties: false },
);

/**
 * Takes trades of the starting library into the company's own, with what their bundles need of others. What is there by
 * its code stays as it is: asked again, or after it was cut off, only what lacks is added.
 * @returns how many items and bundles were added
 */
export async function takeStartingLibrary(
  actor: Actor,
  input: unknown,
): Promise<{ readonly items: number; readonly bundles: number }> {
  allow(actor, 'library');
  const { trades } = check(Input, input, 'The trades');
  const bundlesWanted = drafts
    .filter(({ code }) => trades.includes(headOf(code).trade))
    .map(({ code }) => code);
  const itemsWanted = allItems.filter(({ trade }) => trades.includes(trade)).map(({ code }) => code);
  const wanted = closure([...bundlesWanted, ...itemsWanted]);
  const { known, taxClass } = await inCompany(actor, async (tx) => ({
    known: new Map((await findCodes(tx)).map(({ code, id }) => [code, id])),
    taxClass: (await companyOf(tx, actor.companyId)).usual.taxClasses[0]!.id,
  }));
  if ((await listRates(actor)).length === 0) await addRates(actor, rateInputs);
  const rates = await listRates(actor);
  const fresh = allItems
    .filter(({ code }) => wanted.has(code) && !known.has(code))
    .map((item) => ({
      ...item,
      taxClass,
      internalNote: MADE_UP,
      costs: item.costs.map((part) => {
        const rate = 'hours' in part && rates.find(({ normal }) => Number(normal) === Number(part.rate));
        return rate ? { ...part, overtimeRate: rate.overtime, rateId: rate.id } : part;
      }),
    }));
  for (const { code, id } of fresh.length === 0 ? [] : await addItems(actor, fresh)) known.set(code, id);
  let bundles = 0;
  for (const { code, of } of drafts) {
    if (!wanted.has(code) || known.has(code)) continue;
    const { id } = await addBundle(actor, { ...of((each) => known.get(each)!), internalNote: MADE_UP });
    known.set(code, id);
    bundles += 1;
  }
  await inCompany(actor, (tx) =>
    recordAudit(tx, actor, 'starting library taken', actor.companyId, {
      trades,
      items: fresh.length,
      bundles,
    }),
  );
  return { items: fresh.length, bundles };
}
