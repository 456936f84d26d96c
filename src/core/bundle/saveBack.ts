import type { Bundle, ItemPart, Recipe } from '@/model';
import { namesIn, knownFormula } from '../formula';

/** A bundle of a proposal as a recipe of the library, and what of it the library cannot hold, in words. */
export interface SavedBack {
  readonly recipe: Recipe;
  readonly left: readonly string[];
}

const usesNames = (text: string): boolean => {
  try {
    return namesIn(knownFormula(text)).size > 0;
  } catch {
    return true;
  }
};

function freeName(wanted: string, taken: Set<string>): string {
  const base =
    wanted
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^[^a-z]+|_+$/g, '')
      .slice(0, 30) || 'part';
  let name = base;
  for (let n = 2; taken.has(name); n += 1) name = `${base}_${n}`;
  taken.add(name);
  return name;
}

/**
 * What was changed on this job worked into the recipe: formulas typed over, parts left out, items swapped, lines added.
 * Typed inputs become the defaults. Costs and prices typed for the job belong to the job and stay there, as do changes
 * inside nested bundles and lines that are not from the library.
 */
export function recipeOfJob(bundle: Bundle): SavedBack {
  const left: string[] = [];
  const parts = bundle.recipe.parts.flatMap((part): Recipe['parts'] => {
    const change = Object.hasOwn(bundle.changes, part.id) ? bundle.changes[part.id] : undefined;
    if (!change) return [part];
    if (change.out) return [];
    if ('bundle' in part) return [part];
    if (change.typedCost !== undefined) left.push(`The cost typed for “${part.name}”.`);
    if (change.heldPrice !== undefined) left.push(`The fixed price of “${part.name}”.`);
    if (change.description !== undefined) left.push(`The name given to “${part.name}”.`);
    if (change.overtime) left.push(`Overtime on “${part.name}”.`);
    let next: ItemPart = change.quantity === undefined ? part : { ...part, quantity: change.quantity };
    const swapped = change.item?.itemId;
    if (swapped !== undefined) {
      const { grades: _, ...plain } = next;
      next = { ...plain, item: swapped };
    } else if (change.item) left.push(`The item that stands for “${part.name}”: it is not from the library.`);
    return [next];
  });
  if (Object.keys(bundle.changes).some((path) => path.includes('.')))
    left.push('Changes inside bundles within this one.');
  const taken = new Set([...bundle.recipe.inputs, ...parts].map(({ name }) => name));
  const ids = new Set(parts.map(({ id }) => id));
  for (const line of bundle.added) {
    if (line.itemId === undefined) {
      left.push(`“${line.description}”: it is not from the library.`);
      continue;
    }
    if (line.typedCost !== undefined) left.push(`The cost typed for “${line.description}”.`);
    if (line.heldPrice !== undefined) left.push(`The fixed price of “${line.description}”.`);
    if (line.discount !== undefined) left.push(`The discount on “${line.description}”.`);
    if (line.overtime) left.push(`Overtime on “${line.description}”.`);
    const name = freeName(line.description, taken);
    parts.push({
      id: freeName(name, ids),
      name,
      item: line.itemId,
      quantity: line.formula ?? line.quantityTyped ?? line.quantity,
    });
  }
  return {
    recipe: {
      ...bundle.recipe,
      inputs: bundle.recipe.inputs.map((input) => {
        const typed = bundle.values[input.name];
        return typed === undefined || usesNames(typed) ? input : { ...input, default: typed };
      }),
      parts,
    },
    left,
  };
}
