'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { App, Button, Modal } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import type { LineStageInput, StageInput } from '@/services/agreements/stages';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import { StagesDialog } from './StagesDialog';
import { asked as answered } from '@/ui/asked';

export interface StageActions {
  readonly save: (input: StageInput) => Promise<Answer<void>>;
  readonly put: (input: LineStageInput) => Promise<Answer<void>>;
}

type Stage = AgreementAtDesk['stages'][number];

/** The stages of the work: planned, done, and what can be billed once they are. Saying “done” asks about the bill. */
export function StagesView({ agreement, actions }: { agreement: AgreementAtDesk; actions: StageActions }) {
  const router = useRouter();
  const { message } = App.useApp();
  const [asked, setAsked] = useState<Stage | null>(null);
  const [arranging, setArranging] = useState(false);
  const save = async (input: Omit<StageInput, 'agreementId'>): Promise<boolean> => {
    const answer = await answered(actions.save({ agreementId: agreement.id, ...input }));
    if (answer.ok) router.refresh();
    else message.error(answer.problem.detail);
    return answer.ok;
  };
  const bill = `/agreements/${agreement.id}/bill`;
  const done = async (stage: Stage) => {
    const toBill = stage.waiting.length > 0 || (stage.lines > 0 && !isNothing(stage.left));
    if ((await save({ name: stage.name, doneOn: agreement.today })) && toBill) setAsked(stage);
  };
  return (
    <div className="panel above">
      <h2>Stages</h2>
      {agreement.stages.length === 0 && <p className="empty">No stage is named yet.</p>}
      <ul className="stages">
        {agreement.stages.map((stage) => (
          <li key={stage.name}>
            <div className="stage-head">
              <strong>{stage.name}</strong>
              {stage.doneOn ? (
                <button
                  type="button"
                  className="bill-fold soft"
                  title="Not done after all"
                  onClick={() => save({ name: stage.name, doneOn: null })}
                >
                  ✓ done {showShortDate(stage.doneOn)}
                </button>
              ) : (
                <Button size="small" onClick={() => done(stage)}>
                  Done
                </Button>
              )}
            </div>
            <div className="stage-facts soft">
              {!stage.doneOn && (
                <label>
                  planned{' '}
                  <DayPicker
                    size="small"
                    label={`${stage.name} is planned for`}
                    value={stage.plannedOn}
                    onChange={(plannedOn) => save({ name: stage.name, plannedOn })}
                  />
                </label>
              )}
              {stage.lines > 0 && (
                <span>
                  {stage.lines} line{stage.lines === 1 ? '' : 's'}, {showDecimal(stage.agreed)}
                  {isNothing(stage.left) ? ', billed' : ''}
                </span>
              )}
            </div>
          </li>
        ))}
      </ul>
      <Button size="small" onClick={() => setArranging(true)}>
        Which work is in which stage
      </Button>
      {asked && (
        <Modal
          open
          title={`“${asked.name}” is done. Bill it now?`}
          onCancel={() => setAsked(null)}
          footer={[
            <Button key="later" onClick={() => setAsked(null)}>
              Not now
            </Button>,
            ...asked.waiting.map((entry) => (
              <Button
                key={entry.id}
                type="primary"
                onClick={() => router.push(`${bill}?entry=${encodeURIComponent(entry.id)}`)}
              >
                {`Bill “${entry.name}”: ${showDecimal(entry.left)}`}
              </Button>
            )),
            ...(asked.lines > 0 && !isNothing(asked.left)
              ? [
                  <Button
                    key="work"
                    type={asked.waiting.length > 0 ? 'default' : 'primary'}
                    onClick={() => router.push(`${bill}?stage=${encodeURIComponent(asked.name)}`)}
                  >
                    {`Bill its lines: ${showDecimal(asked.left)} net`}
                  </Button>,
                ]
              : []),
          ]}
        >
          <p>You see the invoice before it is issued.</p>
        </Modal>
      )}
      {arranging && (
        <StagesDialog agreement={agreement} put={actions.put} close={() => setArranging(false)} />
      )}
    </div>
  );
}
