import type { Bundle, BundleWithItems, ItemInput, Line, ProposalDocument } from '@/model';
import { recipeOfJob } from '../bundle';
import { itemUnitCost } from '../price';
import { lineAsItem } from './lineToLibrary';

/** A bundle made of lines as the library takes it, and what that makes there. */
export interface BundleForLibrary {
  readonly input: BundleWithItems;
  /** The lines that become items, with the key and the code of each. */
  readonly items: readonly { readonly key: string; readonly code: string; readonly line: Line }[];
  /** What stays with this job, a sentence for each. */
  readonly left: readonly string[];
}

/** A line’s key while it is no item yet: as long as an identity may be. */
const keyOf = (line: Line): string => `new-${line.id}`.slice(0, 64);

/**
 * What the library gets of a bundle that was made of lines: lines that are no items of it become items, with codes after the
 * bundle’s own, and the bundle names them.
 * @param document where the lines stand, before or after they are in the bundle
 * @param code of the bundle; `D-10` makes items `D-10-1`, `D-10-2`
 * @param trade of the bundle, and of the items that have none
 */
export function bundleForLibrary(
  bundle: Bundle,
  document: ProposalDocument,
  code: string,
  trade: string,
): BundleForLibrary {
  const left: string[] = [];
  const items: { key: string; code: string; line: Line }[] = [];
  const inputs: Record<string, ItemInput> = {};
  const added = bundle.added.map((line): Line => {
    if (line.itemId !== undefined) return line;
    const key = keyOf(line);
    const itemCode = `${code.trim()}-${items.length + 1}`;
    // Its quantity goes into the recipe, what it costs into the item; what the library cannot hold is said once.
    const { formula: _, ...priced } = line;
    const made = lineAsItem(priced, document);
    left.push(...made.left.map((each) => `“${line.description}”: ${each}`));
    if (itemUnitCost(made.item.costs) === 0n)
      left.push(`“${line.description}” has no cost: the library has it at 0 until it gets one.`);
    inputs[key] = { ...made.item, code: itemCode, trade: line.trade ?? trade.trim() };
    items.push({ key, code: itemCode, line });
    const { typedCost: __, overtime: ___, heldPrice: ____, discount: _____, ...plain } = line;
    return { ...plain, itemId: key };
  });
  const { recipe, left: ofRecipe } = recipeOfJob({ ...bundle, added });
  return {
    input: {
      bundle: {
        code: code.trim(),
        name: bundle.name,
        detail: bundle.detail ?? '',
        trade: trade.trim(),
        tags: [],
        internalNote: '',
        shows: bundle.shows,
        recipe,
      },
      items: inputs,
    },
    items,
    left: [...left, ...ofRecipe],
  };
}
