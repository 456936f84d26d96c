import type { BundleFigures } from '@/core/price';
import { computeFigures } from '@/core/price';
import { sampleSpace } from '@/core/bundle';
import type {
  Bundle,
  BundleInLibrary,
  BundleMakeup,
  PricedItem,
  ProposalDocument,
  UsualTerms,
} from '@/model';

/** What the recipe of a bundle in work names, as the library has it. */
export interface Named {
  readonly items: Readonly<Record<string, PricedItem>>;
  readonly within: BundleMakeup['within'];
}

/** What is known of names, with more of them. */
export const namedWith = (named: Named, more: Partial<Named>): Named => ({
  items: { ...named.items, ...more.items },
  within: { ...named.within, ...more.within },
});

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

/** What of a bundle is typed here: all but its identity and edition. */
export const typedOf = (bundle: BundleInLibrary): BundleInLibrary => ({
  code: bundle.code,
  name: bundle.name,
  detail: bundle.detail,
  trade: bundle.trade,
  tags: bundle.tags,
  internalNote: bundle.internalNote,
  shows: bundle.shows,
  recipe: bundle.recipe,
  picture: bundle.picture ?? null,
});
