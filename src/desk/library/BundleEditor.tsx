'use client';

import { Alert, Button, Input, Segmented } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { minorDigits } from '@/core/number';
import type { Answer, BundleInLibrary, Recipe, UsualTerms } from '@/model';
import { Cell } from '../../ui/live/Cell';
import type { Named, TrialState } from './draft';
import { emptyBundle, nameFrom, tryDraft } from './draft';
import { InputsTable } from './InputsTable';
import { PartsTable } from './PartsTable';
import { LibraryPictureField } from './LibraryPictureField';
import { TrialPanel } from './TrialPanel';
import { alike } from '@/core/editing';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';

export interface BundleEditorProps {
  /** Null for a new one. */
  readonly bundle: BundleWithMakeup | null;
  readonly standsIn: readonly { readonly id: string; readonly code: string; readonly name: string }[];
  readonly usual: UsualTerms;
  readonly currency: string;
  /** Sellers may add bundles; changing the library's own is the owner's. */
  readonly mayChange: boolean;
  readonly actions: {
    readonly add: (input: unknown) => Promise<Answer<BundleWithMakeup>>;
    readonly save: (id: string, edition: number, input: unknown) => Promise<Answer<BundleWithMakeup>>;
  };
}

/** What of a bundle is typed here. */
const asInput = (bundle: BundleInLibrary): BundleInLibrary => ({
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

/** A bundle of the library, computed while it is typed. */
export function BundleEditor({
  bundle,
  standsIn,
  usual,
  currency,
  mayChange: allowed,
  actions,
}: BundleEditorProps) {
  const router = useRouter();
  const stored = useMemo(() => asInput(bundle ?? emptyBundle), [bundle]);
  const [draft, setDraft] = useState<BundleInLibrary>(stored);
  const [edition, setEdition] = useState(bundle?.edition ?? 0);
  const namedFirst = useMemo<Named>(
    () => ({ items: bundle?.makeup.items ?? {}, within: bundle?.makeup.within ?? {} }),
    [bundle],
  );
  const [named, setNamed] = useState<Named>(namedFirst);
  const [trial, setTrial] = useState<TrialState>({ values: {}, grade: null, inRoom: true });
  const [busy, setBusy] = useState(false);
  /** As it was read, then as it was saved. */
  const [saved, setSaved] = useState(stored);
  const dirty = !alike(draft, saved);
  // Its first saving leads to a page of its own: nothing is typed into the page that goes.
  const mayChange = allowed && !(busy && bundle === null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const figures = useMemo(
    () => tryDraft(draft, named, trial, usual, currency),
    [draft, named, trial, usual, currency],
  );
  const digits = minorDigits(currency);
  const change = (patch: Partial<BundleInLibrary>) => {
    setDraft((before) => ({ ...before, ...patch }));
  };
  const changeRecipe = (recipe: Recipe) => change({ recipe });
  const { done, notice } = useKeptForm(
    allowed ? `bundle ${bundle?.id ?? 'new'}` : null,
    { draft, named },
    { draft: stored, named: namedFirst },
    (kept) => {
      setDraft(kept.draft);
      setNamed(kept.named);
    },
  );

  useEffect(() => {
    if (!dirty) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [dirty]);

  const save = async () => {
    setBusy(true);
    setTrouble(null);
    const answer = await asked(bundle ? actions.save(bundle.id, edition, draft) : actions.add(draft));
    setBusy(false);
    if (!answer.ok) {
      setTrouble(answer.problem.detail);
      return;
    }
    // What was typed since is not saved yet.
    setSaved(draft);
    done();
    if (bundle) setEdition(answer.value.edition);
    else router.replace(`/library/bundles/${answer.value.id}`);
  };

  const text = (field: 'code' | 'name' | 'trade', label: string, hint?: string) => (
    <label className="recipe-field">
      {label}
      <Input
        value={draft[field]}
        maxLength={field === 'name' ? 200 : 60}
        readOnly={!mayChange}
        {...(hint === undefined ? {} : { placeholder: hint })}
        onChange={({ target }) => change({ [field]: target.value })}
      />
    </label>
  );
  const { grades } = draft.recipe;
  return (
    <div className="page recipe-page">
      <header className="page-head">
        <h1>{draft.name ? figures.sized.name : 'New bundle'}</h1>
        <span className="soft">
          {bundle ? `${draft.code}, edition ${edition}` : 'not in the library yet'}
        </span>
        <span className="page-actions">
          {dirty && <span className="soft">Not saved yet</span>}
          {mayChange && (
            <Button type="primary" loading={busy} disabled={!dirty} onClick={() => void save()}>
              {bundle ? 'Save in the library' : 'Add to the library'}
            </Button>
          )}
        </span>
      </header>
      {notice}
      {trouble && <Alert type="error" title={trouble} style={{ marginBottom: 12 }} />}
      <div className="columns-2">
        <div>
          <div className="recipe-head">
            {text('code', 'Code')}
            {text('name', 'Name, as the customer reads it', 'Railing, {run}')}
            {text('trade', 'Trade')}
          </div>
          <LibraryPictureField
            picture={draft.picture ?? null}
            trade={draft.trade}
            name={draft.name}
            readOnly={!mayChange}
            change={(picture) => change({ picture })}
          />
          <label className="recipe-field">
            The customer reads below it; {'{run}'} stands for the value of an input or a part
            <Input.TextArea
              autoSize
              value={draft.detail}
              readOnly={!mayChange}
              maxLength={2000}
              onChange={({ target }) => change({ detail: target.value })}
            />
          </label>
          <div className="recipe-head recipe-small">
            <label className="recipe-field">
              Words to find it by
              <Input
                value={draft.tags.join(' ')}
                readOnly={!mayChange}
                onChange={({ target }) =>
                  change({ tags: target.value.split(/\s+/).filter(Boolean).slice(0, 20) })
                }
              />
            </label>
            <div className="recipe-field">
              To the customer
              <Segmented
                disabled={!mayChange}
                value={draft.shows}
                options={[
                  { value: 'one', label: 'One line' },
                  { value: 'parts', label: 'Its parts' },
                ]}
                onChange={(shows: BundleInLibrary['shows']) => change({ shows })}
              />
            </div>
          </div>
          <InputsTable recipe={draft.recipe} readOnly={!mayChange} change={changeRecipe} />
          <section>
            <h2>Grades</h2>
            <div className="grade-list">
              {grades.map((grade, i) => (
                <span key={grade.id} className="grade-name">
                  <Cell
                    name="grade"
                    label={`Grade ${i + 1}`}
                    shown={grade.name}
                    readOnly={!mayChange}
                    commit={(name) =>
                      changeRecipe({
                        ...draft.recipe,
                        grades:
                          name.trim() === ''
                            ? grades.filter((_, at) => at !== i)
                            : grades.map((each, at) => (at === i ? { ...each, name: name.trim() } : each)),
                      })
                    }
                  />
                </span>
              ))}
              {mayChange && grades.length < 8 && (
                <Button
                  size="small"
                  onClick={() =>
                    changeRecipe({
                      ...draft.recipe,
                      grades: [
                        ...grades,
                        {
                          id: nameFrom(
                            `grade ${grades.length + 1}`,
                            grades.map(({ id }) => id),
                          ),
                          name: grades.length === 0 ? 'Usual' : 'Better',
                        },
                      ],
                    })
                  }
                >
                  Add a grade
                </Button>
              )}
            </div>
          </section>
          <PartsTable
            recipe={draft.recipe}
            named={named}
            figures={figures}
            minorDigits={digits}
            readOnly={!mayChange}
            change={changeRecipe}
            learn={setNamed}
          />
        </div>
        <div className="trial-column">
          <TrialPanel
            recipe={draft.recipe}
            figures={figures}
            trial={trial}
            minorDigits={digits}
            currency={currency}
            setTrial={setTrial}
          />
          {bundle && (
            <div className="panel">
              <h2>Stands in</h2>
              {standsIn.length === 0 ? (
                <p className="soft">No other bundle.</p>
              ) : (
                <ul className="plain-list">
                  {standsIn.map(({ id, code, name }) => (
                    <li key={id}>
                      <Link href={`/library/bundles/${id}`} prefetch={false}>
                        {code}
                      </Link>{' '}
                      {name}
                    </li>
                  ))}
                </ul>
              )}
              <p className="soft">Proposals keep the copy they took until it is refreshed there.</p>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
