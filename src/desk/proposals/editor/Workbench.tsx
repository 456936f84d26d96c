'use client';

import dynamic from 'next/dynamic';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { TABLET, useNarrow } from '@/ui/screen/useScreenWidth';
import { AddLine } from './addLine/AddLine';
import { EffectStep } from './change/EffectStep';
import { ChoicesStep } from './choices/ChoicesStep';
import type { Reveal } from './context';
import { useEditor } from './context';
import { Outline } from './Outline';
import { PaymentsStep } from './payments/PaymentsStep';
import { PriceStep } from './price/PriceStep';
import { Sheet } from './sheet/Sheet';
import type { Step } from './steps';
import { Tally } from './Tally';
import { TallyFoot } from './TallyFoot';
import { WordingStep } from './WordingStep';

/** Plans are measured on now and then; who does not, does not load what draws them. */
const PlanDesk = dynamic(() => import('./plan/PlanDesk').then((module) => module.PlanDesk));

/** Steps in which the sections stand beside the work. */
export const hasOutline = (step: Step): boolean => step === 'Scope' || step === 'Choices' || step === 'Price';

/** What a step shows of the document, but the sheet and what is sent. */
function StepBody({
  step,
  proposal,
  timeZone,
}: {
  readonly step: Step;
  readonly proposal: ProposalAtDesk;
  readonly timeZone: string;
}) {
  switch (step) {
    case 'Choices':
      return <ChoicesStep proposal={proposal} timeZone={timeZone} />;
    case 'Price':
      return <PriceStep loadSets={proposal.loadSets} />;
    case 'Payments':
      return proposal.change ? (
        <EffectStep contract={proposal.change.contract} />
      ) : (
        <PaymentsStep money={proposal.money} />
      );
    case 'Wording':
      return <WordingStep />;
    default:
      return null;
  }
}

/**
 * The work of a step, with the sections on one side and the tally on the other; on a tablet the sections open over it, and
 * the tally stands at the foot.
 */
export function Workbench({
  step,
  onPlan,
  proposal,
  timeZone,
  revealed,
  setSelected,
  measure,
}: {
  readonly step: Step;
  readonly onPlan: boolean;
  readonly proposal: ProposalAtDesk;
  readonly timeZone: string;
  readonly revealed: Reveal | null;
  readonly setSelected: (selected: ReadonlySet<string>) => void;
  readonly measure: (open: boolean) => void;
}) {
  const { readOnly } = useEditor();
  const narrow = useNarrow(TABLET);
  const contract = proposal.change?.contract ?? null;
  return (
    <>
      <div className={hasOutline(step) ? 'workbench' : 'workbench workbench-wide'}>
        {onPlan ? (
          <PlanDesk proposalId={proposal.id} close={() => measure(false)} />
        ) : (
          <>
            {!narrow && hasOutline(step) && <Outline />}
            <div className="bench">
              {step === 'Scope' ? (
                <Sheet
                  revealed={revealed}
                  setSelected={setSelected}
                  measure={() => measure(true)}
                  agreed={proposal.change?.agreed ?? null}
                />
              ) : (
                <div className="bench-scroll">
                  <StepBody step={step} proposal={proposal} timeZone={timeZone} />
                </div>
              )}
              {step === 'Scope' && !readOnly && <AddLine />}
            </div>
          </>
        )}
        {!narrow && <Tally contract={contract} />}
      </div>
      {narrow && <TallyFoot contract={contract} />}
    </>
  );
}
