import type { BundlePart, ItemPart, Recipe, UnitCode } from '@/model';

/** A part of a recipe: an item or a figure by a formula, or a bundle within. */
export type RecipePart = ItemPart | BundlePart;

/**
 * A name for formulas made from words, free among those taken.
 * @param words what is named; what stands after a comma is left out, at most 24 letters are taken
 * @example nameFrom('Post base, galvanized', ['post_base']) // 'post_base_2'
 */
export function nameFrom(words: string, taken: readonly string[]): string {
  const base =
    words
      .toLowerCase()
      .split(',')[0]!
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^[^a-z]+|_+$/g, '')
      .slice(0, 24) || 'part';
  let name = base;
  for (let n = 2; taken.includes(name); n += 1) name = `${base}_${n}`;
  return name;
}

/** Names that are used already in a recipe, of inputs and parts. */
export const namesTaken = (recipe: Recipe): string[] =>
  [...recipe.inputs, ...recipe.parts].map(({ name }) => name);

/** The recipe with a name changed wherever it is named: at its input or part, and as a whole word in every formula. */
export function renamed(recipe: Recipe, from: string, to: string): Recipe {
  const word = new RegExp(`(?<![A-Za-z0-9_])${from}(?![A-Za-z0-9_(])`, 'g');
  const inText = (text: string) => text.replace(word, to);
  const name = <T extends { readonly name: string }>(part: T): T =>
    part.name === from ? { ...part, name: to } : part;
  return {
    ...recipe,
    inputs: recipe.inputs.map(name),
    parts: recipe.parts.map((part) => {
      const when = part.when === undefined ? {} : { when: inText(part.when) };
      return 'bundle' in part
        ? {
            ...name(part),
            ...when,
            values: Object.fromEntries(
              Object.entries(part.values).map(([input, text]) => [input, inText(text)]),
            ),
            ...(part.times === undefined ? {} : { times: inText(part.times) }),
          }
        : { ...name(part), ...when, quantity: inText(part.quantity) };
    }),
  };
}

/** An identity for one more part, free in the recipe. */
function freePartId({ parts }: Recipe): string {
  const taken = new Set(parts.map(({ id }) => id));
  let n = parts.length + 1;
  while (taken.has(`p${n}`)) n += 1;
  return `p${n}`;
}

/** How far apart pieces stand that go along a length, until somebody says otherwise: a post every 8 ft and one to end with. */
const SPACING = '8ft';

/**
 * The formula a part is offered with until it has one of its own: along the first input for what is measured, pieces along
 * it for what is counted, one where the recipe has no input.
 * @param unit the item's unit
 */
export function offeredQuantity(recipe: Recipe, unit: UnitCode): string {
  const along = recipe.inputs[0]?.name;
  if (along === undefined) return '1';
  return unit === 'ft' || unit === 'sqft' ? along : `ceil(${along} / ${SPACING}) + 1`;
}

const withPart = (recipe: Recipe, part: RecipePart): Recipe => ({
  ...recipe,
  parts: [...recipe.parts, part],
});

/** The recipe with an item as its last part, named after it, with a formula to begin with. */
export const withItemPart = (
  recipe: Recipe,
  item: { readonly id: string; readonly name: string; readonly unit: UnitCode },
): Recipe =>
  withPart(recipe, {
    id: freePartId(recipe),
    name: nameFrom(item.name, namesTaken(recipe)),
    item: item.id,
    quantity: offeredQuantity(recipe, item.unit),
  });

/** The recipe with a figure as its last part: a formula that others name and that is no item itself. */
export const withFigurePart = (recipe: Recipe): Recipe =>
  withPart(recipe, {
    id: freePartId(recipe),
    name: nameFrom('figure', namesTaken(recipe)),
    item: null,
    quantity: recipe.inputs[0]?.name ?? '1',
  });

/** The recipe with a bundle within as its last part; inputs of the same name are handed on. */
export const withBundlePart = (
  recipe: Recipe,
  inner: { readonly id: string; readonly name: string; readonly recipe: Pick<Recipe, 'inputs'> },
): Recipe =>
  withPart(recipe, {
    id: freePartId(recipe),
    // What stands in braces is filled in by each use; it says nothing in a name.
    name: nameFrom(inner.name.replace(/\{.*?\}/g, ''), namesTaken(recipe)),
    bundle: inner.id,
    values: Object.fromEntries(
      inner.recipe.inputs
        .filter(({ name }) => recipe.inputs.some((input) => input.name === name))
        .map(({ name }) => [name, name]),
    ),
  });

/**
 * The recipe with the part at a place changed for another.
 * @param at from 0
 */
export const withPartAt = (recipe: Recipe, at: number, part: RecipePart): Recipe => ({
  ...recipe,
  parts: recipe.parts.map((each, i) => (i === at ? part : each)),
});

/**
 * The recipe without the part at a place.
 * @param at from 0
 */
export const withoutPartAt = (recipe: Recipe, at: number): Recipe => ({
  ...recipe,
  parts: recipe.parts.filter((_, i) => i !== at),
});

/**
 * The recipe with the part at a place moved up or down by one; past either end it stays.
 * @param at from 0
 */
export function withPartMoved(recipe: Recipe, at: number, by: 1 | -1): Recipe {
  const to = at + by;
  if (to < 0 || to >= recipe.parts.length) return recipe;
  const parts = [...recipe.parts];
  const [part] = parts.splice(at, 1);
  parts.splice(to, 0, part!);
  return { ...recipe, parts };
}

/**
 * What a part is in a grade.
 * @param key an item of the library; null: the grade leaves the part out; undefined: as in every other grade
 */
export function withGradeOfPart(part: ItemPart, grade: string, key: string | null | undefined): ItemPart {
  const { grades: before, ...rest } = part;
  const grades = { ...before };
  if (key === undefined) delete grades[grade];
  else grades[grade] = key;
  return Object.keys(grades).length === 0 ? rest : { ...rest, grades };
}
