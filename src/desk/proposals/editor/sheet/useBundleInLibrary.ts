import { produce } from 'immer';
import { useEffect, useState } from 'react';
import { recipeOfJob } from '@/core/bundle';
import { refreshBundle } from '@/core/editing';
import type { BundleFigures } from '@/core/price';
import { computeFigures } from '@/core/price';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { askDoor } from '@/ui/askDoor';
import { useSubmit } from '@/ui/useSubmit';
import { useEditor } from '../context';

export interface LibrarySide {
  readonly bundle: BundleWithMakeup;
  readonly standsIn: readonly { readonly code: string; readonly name: string }[];
}

/** A bundle of this proposal beside the library's: what refreshing would make of its price, and what can be kept of it there. */
export function useBundleInLibrary({ bundle, net }: BundleFigures) {
  const { work, libraryActions } = useEditor();
  const [side, setSide] = useState<LibrarySide | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const { busy, refused, submit } = useSubmit();
  const { recipe, left } = recipeOfJob(bundle);

  useEffect(() => {
    if (bundle.bundleId === undefined) return;
    let gone = false;
    askDoor<LibrarySide>(`/api/desk/bundles/${bundle.bundleId}/library`)
      .then((read) => !gone && setSide(read))
      .catch((error: Error) => !gone && setTrouble(error.message));
    return () => {
      gone = true;
    };
  }, [bundle.bundleId]);

  const { recipe: known, within, items } = side?.bundle.makeup ?? {};
  const fresh = side &&
    known &&
    within &&
    items && { recipe: known, within, items, edition: side.bundle.edition };
  const after = fresh
    ? computeFigures(produce(work.document, (draft) => refreshBundle(draft, bundle.id, fresh)))
        .sections.flatMap(({ bundles }) => bundles.get(bundle.id) ?? [])
        .at(0)
    : undefined;
  const input = {
    detail: bundle.detail ?? '',
    trade: bundle.trade ?? 'Other',
    tags: side?.bundle.tags ?? [],
    internalNote: side?.bundle.internalNote ?? '',
    shows: bundle.shows,
    recipe,
  };
  return {
    side,
    busy,
    trouble: refused ?? trouble,
    said,
    /** What stays with this job, in sentences. */
    left,
    /** What it would come to, refreshed; null while that is not known. */
    refreshed: after ? { net: after.net, difference: (after.net - net) as typeof net } : null,
    refresh: () => {
      if (fresh) work.edit((draft) => refreshBundle(draft, bundle.id, fresh));
    },
    saveNew: (name: string, code: string) =>
      submit(() => libraryActions.addBundle({ ...input, name, code }), {
        then: () => setSaid(`“${name}” is in the library as ${code}.`),
        rereads: false,
      }),
    saveOver: async ({ bundle: { id, edition, name, code } }: LibrarySide) => {
      await submit(() => libraryActions.saveBundle(id, edition, { ...input, name, code }), {
        then: () => setSaid(`${code} in the library is changed for everyone.`),
        rereads: false,
      });
    },
  };
}
