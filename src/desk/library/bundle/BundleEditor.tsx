'use client';

import { HistoryOf } from '@/desk/history/HistoryOf';
import { Alert, Button } from 'antd';
import { useCallback, useMemo, useState } from 'react';
import type { BundleWithMakeup } from '@/services/library/bundles';
import { minorDigits } from '@/core/number';
import type { Recipe, UsualTerms } from '@/model';
import { BundleFields } from './BundleFields';
import { CompareGrades } from './CompareGrades';
import type { TrialState } from './draft';
import { tryDraft } from './draft';
import { GradesOfBundle } from './GradesOfBundle';
import { InputsTable } from './InputsTable';
import { PartsTable } from './PartsTable';
import { EffectOnDrafts } from '../EffectOnDrafts';
import { StandsIn } from '../StandsIn';
import { TrialPanel } from './TrialPanel';
import type { BundleActions } from './useBundleDraft';
import { useBundleDraft } from './useBundleDraft';

export interface BundleEditorProps {
  /** Null for a new one. */
  readonly bundle: BundleWithMakeup | null;
  readonly standsIn: readonly { readonly id: string; readonly code: string; readonly name: string }[];
  readonly usual: UsualTerms;
  readonly currency: string;
  /** Sellers may add bundles; changing the library's own is the owner's. */
  readonly mayChange: boolean;
  readonly actions: BundleActions;
}

/** A bundle of the library, computed while it is typed. */
export function BundleEditor({
  bundle,
  standsIn,
  usual,
  currency,
  mayChange: allowed,
  actions,
}: BundleEditorProps) {
  const work = useBundleDraft(bundle, allowed, actions);
  const { draft, named, busy, dirty, change } = work;
  const [trial, setTrial] = useState<TrialState>({ values: {}, grade: null, inRoom: true });
  // Its first saving leads to a page of its own: nothing is typed into the page that goes.
  const mayChange = allowed && !(busy && bundle === null);
  const figures = useMemo(
    () => tryDraft(draft, named, trial, usual, currency),
    [draft, named, trial, usual, currency],
  );
  const tryGrade = useCallback(
    (grade: string) => tryDraft(draft, named, { ...trial, grade }, usual, currency),
    [draft, named, trial, usual, currency],
  );
  const digits = minorDigits(currency);
  const changeRecipe = (recipe: Recipe) => change({ recipe });
  const { recipe } = draft;
  return (
    <div className="page recipe-page">
      <header className="page-head">
        <h1>{draft.name ? figures.sized.name : 'New bundle'}</h1>
        <span className="soft">
          {bundle ? `${draft.code}, edition ${work.edition}` : 'not in the library yet'}
        </span>
        <span className="page-actions">
          {bundle && <HistoryOf id={bundle.id} />}
          {dirty && <span className="soft">Not saved yet</span>}
          {mayChange && (
            <Button type="primary" loading={busy} disabled={!dirty} onClick={() => void work.save()}>
              {bundle ? 'Save in the library' : 'Add to the library'}
            </Button>
          )}
        </span>
      </header>
      {work.notice}
      {work.refused && <Alert type="error" className="below" title={work.refused} />}
      <div className="columns-2">
        <div>
          <BundleFields draft={draft} readOnly={!mayChange} change={change} />
          <InputsTable recipe={recipe} readOnly={!mayChange} change={changeRecipe} />
          <GradesOfBundle recipe={recipe} readOnly={!mayChange} change={changeRecipe} />
          <PartsTable
            recipe={recipe}
            named={named}
            figures={figures}
            minorDigits={digits}
            readOnly={!mayChange}
            change={changeRecipe}
            learn={work.learn}
          />
        </div>
        <div className="trial-column">
          <TrialPanel
            recipe={recipe}
            figures={figures}
            trial={trial}
            minorDigits={digits}
            currency={currency}
            setTrial={setTrial}
          />
          {recipe.grades.length > 1 && (
            <CompareGrades recipe={recipe} tryGrade={tryGrade} minorDigits={digits} />
          )}
          {bundle && (
            <div className="panel">
              <StandsIn bundles={standsIn} />
              <EffectOnDrafts change={{ id: bundle.id, bundle: draft }} dirty={dirty} />
              <p className="soft">Proposals keep the copy they took until it is refreshed there.</p>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}
