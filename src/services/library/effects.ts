import Type from 'typebox';
import { pricedItem, usesIn, withBundleChanged, withItemChanged } from '@/core/editing';
import { moneyOf } from '@/core/number';
import { computeFigures } from '@/core/price';
import { inCompany } from '@/data/connection';
import { findDraftsNaming } from '@/data/proposals/proposal';
import { BundleInLibrary, ItemInput, PartId } from '@/model';
import type { ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check, checkId } from '../check';
import { cutOffer } from '../offered';
import { refuseBroken } from './bundles';
import { makeupOf } from './makeup';

const closed = { additionalProperties: false } as const;
/** How many drafts are looked at. */
const DRAFTS = 50;

/** The drafts that are looked at, where they are known already: while somebody types, no others are looked for. */
const among = Type.Optional(Type.Array(Type.String({ format: 'uuid' }), { minItems: 1, maxItems: DRAFTS }));
const Change = Type.Union([
  Type.Object({ id: PartId, item: ItemInput, among }, closed),
  Type.Object({ id: PartId, bundle: BundleInLibrary, among }, closed),
]);

/**
 * The proposals in draft that have an item or a bundle of the library, those changed last first, and what each would come to
 * with it as it is typed, were it taken anew there. Nothing is stored.
 * @throws Problem `bundle-wrong`, `no-such-library-entry`
 */
export async function effectOnDrafts(actor: Actor, input: unknown) {
  allow(actor, 'cost');
  const change = check(Change, input, 'The change');
  const id = checkId(change.id, 'library entry');
  return inCompany(actor, async (tx) => {
    const { found, more } = cutOffer(await findDraftsNaming(tx, id, DRAFTS + 1, change.among), DRAFTS);
    let changed: (document: ProposalDocument) => ProposalDocument;
    if ('item' in change) {
      const item = pricedItem({ ...change.item, id });
      changed = (document) => withItemChanged(document, id, item);
    } else {
      const { name, recipe } = change.bundle;
      const makeup = await makeupOf(tx, recipe, id);
      // What does not work counts as nothing: that is no effect to show.
      refuseBroken(change.bundle, makeup);
      changed = (document) => withBundleChanged(document, id, name, makeup);
    }
    const drafts = found.flatMap(({ id: proposalId, number, document }) => {
      const uses = usesIn(document, id);
      if (uses === 0) return [];
      const [before, after] = [computeFigures(document), computeFigures(changed(document))];
      const money = moneyOf(before.minorDigits);
      return {
        id: proposalId,
        number,
        title: document.title,
        uses,
        before: money.write(before.total),
        after: money.write(after.total),
        difference: money.write(after.total - before.total),
      };
    });
    return { drafts, more };
  });
}

export type EffectOnDrafts = Awaited<ReturnType<typeof effectOnDrafts>>;
