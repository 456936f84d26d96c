'use client';

import { useCallback, useEffect, useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import type { Answer, Crew, DeskPreferences, Rate } from '@/model';
import { LiveFieldsScope } from '@/ui/live/liveFields';
import { goToPlace, usePlace } from '@/ui/place/usePlace';
import { TABLET, useNarrow } from '@/ui/screen/useScreenWidth';
import type { LibraryActions } from './context';
import { EditorActionsScope, EditorScope, useEditor } from './context';
import { EditorBanners } from './EditorBanners';
import { EditorHead } from './EditorHead';
import type { SaveAsTemplate } from './MoreActs';
import type { SendActions } from './send/SendStep';
import { SendStep } from './send/SendStep';
import type { Step } from './steps';
import { stepOf, steps } from './steps';
import { StepsNav } from './StepsNav';
import type { SaveProposal } from './useDocument';
import { useDocument } from './useDocument';
import { useEditorKeys } from './useEditorKeys';
import { useSections } from './useSections';
import { useEditorScope } from './useEditorScope';
import { Workbench, hasOutline } from './Workbench';

interface EditorProps {
  readonly proposal: ProposalAtDesk;
  readonly timeZone: string;
  readonly preferences: DeskPreferences;
  readonly rates: readonly Rate[];
  readonly crews: readonly Crew[];
  readonly actions: SendActions & {
    readonly savePreferences: (input: unknown) => Promise<Answer<void>>;
    readonly save: SaveProposal;
    readonly saveAsTemplate: SaveAsTemplate;
  } & LibraryActions;
}

const go = (next: Step) => {
  (document.activeElement as HTMLElement | null)?.blur();
  goToPlace(`step=${next.toLowerCase()}`);
};

/** The keys of the editor; a part of its own, because sections are gone to within what the parts share. */
function Keys({
  step,
  onPlan,
  send,
  measure,
}: {
  readonly step: Step;
  readonly onPlan: boolean;
  readonly send: (() => void) | null;
  readonly measure: (plan: boolean) => void;
}) {
  const { work, readOnly } = useEditor();
  const sections = useSections();
  const onSheet = step === 'Scope' && !onPlan;
  useEditorKeys({
    work,
    send,
    plans: step === 'Scope' ? () => measure(!onPlan) : null,
    addSection: onSheet && !readOnly ? sections.add : null,
    toSection: onSheet ? sections.step : null,
    toStep: (by) => {
      const next = steps[steps.indexOf(step) + by];
      if (next !== undefined) go(next);
    },
  });
  return null;
}

/** A proposal on the workbench: the same document under six steps, with the tally always beside it. */
export function Editor({ proposal, timeZone, preferences, rates, crews, actions }: EditorProps) {
  const work = useDocument(
    proposal.id,
    proposal.document,
    proposal.saveNumber,
    actions.save,
    proposal.prices,
  );
  const asked = usePlace();
  const step = stepOf(asked.get('step'));
  const onPlan = step === 'Scope' && asked.get('on') === 'plan';
  const open = proposal.state === 'draft' || proposal.state === 'sent' || proposal.state === 'lapsed';
  const readOnly = !open || !proposal.mayEdit;
  const scope = useEditorScope({
    proposal,
    work,
    preferences,
    savePreferences: actions.savePreferences,
    libraryActions: actions,
    rates,
    crews,
    readOnly,
  });
  const narrow = useNarrow(TABLET);
  const measure = useCallback((plan: boolean) => goToPlace(plan ? 'step=scope&on=plan' : 'step=scope'), []);
  const send = readOnly || step === 'Send' ? null : () => go('Send');

  // What the customer gets is shown as it is saved.
  const [previewMark, setPreviewMark] = useState(0);
  const { settle } = work;
  useEffect(() => {
    if (step === 'Send') void settle().then(() => setPreviewMark((mark) => mark + 1));
  }, [step, settle]);

  return (
    <EditorScope value={scope.context}>
      <EditorActionsScope value={scope.actions}>
        <LiveFieldsScope value={work.fields}>
          <Keys step={step} onPlan={onPlan} send={send} measure={measure} />
          <div className="editor by-place">
            <EditorHead proposal={proposal} open={open} saveAsTemplate={actions.saveAsTemplate} send={send} />
            <StepsNav step={step} go={go} outline={narrow && !onPlan && hasOutline(step)} />
            <EditorBanners proposal={proposal} />
            {step === 'Send' ? (
              <SendStep proposal={proposal} actions={actions} timeZone={timeZone} previewMark={previewMark} />
            ) : (
              <Workbench
                step={step}
                onPlan={onPlan}
                proposal={proposal}
                timeZone={timeZone}
                revealed={scope.revealed}
                setSelected={scope.setSelected}
                measure={measure}
              />
            )}
          </div>
        </LiveFieldsScope>
      </EditorActionsScope>
    </EditorScope>
  );
}
