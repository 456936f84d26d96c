import { produce } from 'immer';
import type { Bundle, BundleMakeup, Line, PricedItem, ProposalDocument } from '@/model';
import { partsOf } from '../price/decided';
import { refreshBundle } from './bundles';
import { refreshedCosts } from './refreshCosts';

/* What a change in the library would make of a document that has copies of it, were they taken anew. */

const partsIn = ({ sections }: ProposalDocument): readonly (Line | Bundle)[] =>
  sections.flatMap(({ entries }) => entries.flatMap(partsOf));

/** Does a bundle hold an item or a bundle of the library, at any depth? */
const holds = (bundle: Bundle, id: string): boolean =>
  bundle.bundleId === id ||
  Object.hasOwn(bundle.within, id) ||
  Object.values(bundle.items).some(({ itemId }) => itemId === id) ||
  bundle.added.some(({ itemId }) => itemId === id);

/** How many lines and bundles of a document have an item or a bundle of the library, each bundle once. */
export function usesIn(document: ProposalDocument, id: string): number {
  let count = 0;
  for (const part of partsIn(document))
    if (part.kind === 'line' ? part.itemId === id : holds(part, id)) count += 1;
  return count;
}

/** The document with the costs of one item as they would be; what does not have it stays the same object. */
export const withItemChanged = (document: ProposalDocument, id: string, item: PricedItem): ProposalDocument =>
  refreshedCosts(document, new Map([[id, item]])).document;

/**
 * The document with one bundle of the library as it would be, also where it stands within another: as if each were taken
 * anew. What was typed and changed on the job stays.
 * @param name of the bundle, as others that hold it have it
 */
export const withBundleChanged = (
  document: ProposalDocument,
  id: string,
  name: string,
  makeup: BundleMakeup,
): ProposalDocument =>
  produce(document, (draft) => {
    for (const part of partsIn(document)) {
      if (part.kind !== 'bundle') continue;
      if (part.bundleId === id) refreshBundle(draft, part.id, makeup);
      else if (Object.hasOwn(part.within, id))
        refreshBundle(draft, part.id, {
          recipe: part.recipe,
          within: { ...part.within, ...makeup.within, [id]: { name, recipe: makeup.recipe } },
          items: { ...part.items, ...makeup.items },
        });
    }
  });
