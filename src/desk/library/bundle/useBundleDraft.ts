import { useMemo, useState } from 'react';
import { alike } from '@/core/editing';
import type { Answer, BundleInLibrary } from '@/model';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useWarnOnLeave } from '@/ui/kept/useWarnOnLeave';
import { useSubmit } from '@/ui/useSubmit';
import type { Named } from './draft';
import { emptyBundle, namedWith, typedOf } from './draft';

export interface BundleActions {
  readonly add: (input: unknown) => Promise<Answer<BundleWithMakeup>>;
  readonly save: (id: string, edition: number, input: unknown) => Promise<Answer<BundleWithMakeup>>;
}

/**
 * A bundle in work: what is typed, what it names of the library, whether it is saved, and its saving. What is typed while a
 * saving is on its way is not saved by it. Not saved, it is kept in the browser.
 * @param bundle null for a new one
 */
export function useBundleDraft(bundle: BundleWithMakeup | null, allowed: boolean, actions: BundleActions) {
  const stored = useMemo(() => typedOf(bundle ?? emptyBundle), [bundle]);
  const namedFirst = useMemo<Named>(
    () => ({ items: bundle?.makeup.items ?? {}, within: bundle?.makeup.within ?? {} }),
    [bundle],
  );
  const [draft, setDraft] = useState<BundleInLibrary>(stored);
  const [named, setNamed] = useState<Named>(namedFirst);
  const [edition, setEdition] = useState(bundle?.edition ?? 0);
  /** As it was read, then as it was saved. */
  const [saved, setSaved] = useState(stored);
  const { busy, refused, submit } = useSubmit();
  const dirty = !alike(draft, saved);
  useWarnOnLeave(dirty);
  const { done, notice } = useKeptForm(
    allowed ? `bundle ${bundle?.id ?? 'new'}` : null,
    { draft, named },
    { draft: stored, named: namedFirst },
    (kept) => {
      setDraft(kept.draft);
      setNamed(kept.named);
    },
  );
  const save = () =>
    submit(() => (bundle ? actions.save(bundle.id, edition, draft) : actions.add(draft)), {
      then: (value) => {
        setSaved(draft);
        done();
        if (bundle) setEdition(value.edition);
      },
      ...(bundle ? {} : { to: ({ id }) => `/library/bundles/${id}`, replaces: true }),
      rereads: false,
    });
  return {
    draft,
    named,
    edition,
    busy,
    dirty,
    refused,
    notice,
    save,
    change: (patch: Partial<BundleInLibrary>) => setDraft((before) => ({ ...before, ...patch })),
    learn: (more: Partial<Named>) => setNamed((before) => namedWith(before, more)),
  };
}
