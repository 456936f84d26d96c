import type { BundleFigures } from '@/core/price';
import { computeFigures } from '@/core/price';
import { sampleSpace } from '@/core/bundle';
import type {
  Bundle,
  BundleInLibrary,
  BundleMakeup,
  PricedItem,
  ProposalDocument,
  Recipe,
  UsualTerms,
} from '@/model';

/** What the recipe of a bundle in work names, as the library has it. */
export interface Named {
  readonly items: Readonly<Record<string, PricedItem>>;
  readonly within: BundleMakeup['within'];
}

/** How a bundle is tried: sample inputs as typed, a grade, in the sample room or without a space. */
export interface TrialState {
  readonly values: Readonly<Record<string, string>>;
  readonly grade: string | null;
  readonly inRoom: boolean;
}

/** A bundle in work, tried in a proposal of its own under the company's usual terms. */
export function tryDraft(
  draft: BundleInLibrary,
  named: Named,
  trial: TrialState,
  usual: UsualTerms,
  currency: string,
): BundleFigures {
  const grade = draft.recipe.grades.find(({ id }) => id === trial.grade) ?? draft.recipe.grades[0];
  const inputs = new Set(draft.recipe.inputs.map(({ name }) => name));
  const bundle: Bundle = {
    kind: 'bundle',
    id: 'trial',
    name: draft.name || 'Bundle',
    ...(draft.detail === '' ? {} : { detail: draft.detail }),
    recipe: draft.recipe,
    within: named.within,
    items: named.items,
    values: Object.fromEntries(
      Object.entries(trial.values).filter(([name, text]) => inputs.has(name) && text.trim() !== ''),
    ),
    ...(grade ? { grade: grade.id } : {}),
    shows: draft.shows,
    changes: {},
    added: [],
  };
  const document: ProposalDocument = {
    format: 'impegno-proposal',
    formatVersion: 1,
    title: 'Trial',
    currency,
    shows: 'lines',
    sections: [
      { id: 'room', title: 'Trial', ...(trial.inRoom ? { space: sampleSpace } : {}), entries: [bundle] },
    ],
    loads: usual.loads,
    fees: [],
    taxClasses: usual.taxClasses,
    schedule: [],
  };
  return computeFigures(document).sections[0]!.bundles.get('trial')!;
}

/** A new bundle, to be filled in. */
export const emptyBundle: BundleInLibrary = {
  code: '',
  name: '',
  detail: '',
  trade: '',
  tags: [],
  internalNote: '',
  shows: 'one',
  recipe: {
    inputs: [{ name: 'run', label: 'Run', kind: 'length', default: '10' }],
    grades: [],
    parts: [],
  },
};

/** A name for formulas made from words, free among those taken: “Post base” → post_base. */
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

/** Names that are used already in a recipe. */
export const namesTaken = (recipe: Recipe): string[] =>
  [...recipe.inputs, ...recipe.parts].map(({ name }) => name);

/** Everything of a recipe that names a name, with the name changed in it; whole words only. */
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
