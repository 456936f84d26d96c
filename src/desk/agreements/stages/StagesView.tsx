'use client';

import { DayPicker } from '@/ui/fields/DayPicker';
import { CameraOutlined } from '@ant-design/icons';
import { App, Button, Modal } from 'antd';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import type { LineStageInput, StageInput } from '@/services/agreements/stages';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import { StagesDialog } from './StagesDialog';
import { asked as answered } from '@/ui/asked';
import { Cell } from '@/ui/live/Cell';
import type { PhotoActions } from './StagePhotos';
import type { ReportedStage } from './useStageReports';
import { useStageReports } from './useStageReports';
import './stages.css';

const StagePhotos = dynamic(() => import('./StagePhotos').then((module) => module.StagePhotos));

export interface StageActions {
  readonly save: (input: StageInput) => Promise<Answer<void>>;
  readonly put: (input: LineStageInput) => Promise<Answer<void>>;
  readonly photos: PhotoActions;
}

type Stage = AgreementAtDesk['stages'][number];

/** One stage: how far it is, when it is planned, its work and its photos. */
function StageRow({
  stage,
  photos,
  shown,
  report,
  save,
  done,
  seePhotos,
}: {
  readonly stage: Stage;
  readonly photos: number;
  /** Its percent as it stands in the field. */
  readonly shown: string;
  readonly report: (text: string) => void;
  readonly save: (said: Pick<StageInput, 'doneOn' | 'plannedOn'>) => unknown;
  readonly done: () => void;
  readonly seePhotos: () => void;
}) {
  return (
    <li>
      <div className="stage-head">
        <strong>{stage.name}</strong>
        {stage.doneOn ? (
          <button
            type="button"
            className="bill-fold soft"
            title="Not done after all"
            onClick={() => save({ doneOn: null })}
          >
            ✓ done {showShortDate(stage.doneOn)}
          </button>
        ) : (
          <Button size="small" onClick={done}>
            Done
          </Button>
        )}
      </div>
      <div className="stage-facts soft">
        {!stage.doneOn && (
          <label>
            <span className="stage-percent">
              <Cell
                name="stage percent"
                label={`Percent done of ${stage.name}`}
                align="right"
                shown={shown}
                commit={report}
              />
            </span>{' '}
            % done
            {stage.percent !== null && stage.reportedOn && `, said ${showShortDate(stage.reportedOn)}`}
          </label>
        )}
        {!stage.doneOn && (
          <label>
            planned{' '}
            <DayPicker
              size="small"
              label={`${stage.name} is planned for`}
              value={stage.plannedOn}
              onChange={(plannedOn) => save({ plannedOn })}
            />
          </label>
        )}
        {stage.lines > 0 && (
          <span>
            {stage.lines} line{stage.lines === 1 ? '' : 's'}, {showDecimal(stage.agreed)}
            {isNothing(stage.left) ? ', billed' : ''}
          </span>
        )}
        <Button
          type="text"
          size="small"
          icon={<CameraOutlined />}
          aria-label={`Photos of ${stage.name}: ${photos}`}
          onClick={seePhotos}
        >
          {photos || 'Photos'}
        </Button>
      </div>
    </li>
  );
}

/** A stage that is done asks about its bill. */
function BillStage({
  stage,
  bill,
  close,
}: {
  readonly stage: Stage;
  readonly bill: string;
  readonly close: () => void;
}) {
  const router = useRouter();
  return (
    <Modal
      open
      title={`“${stage.name}” is done. Bill it now?`}
      onCancel={close}
      footer={[
        <Button key="later" onClick={close}>
          Not now
        </Button>,
        ...stage.waiting.map((entry) => (
          <Button
            key={entry.id}
            type="primary"
            onClick={() => router.push(`${bill}?entry=${encodeURIComponent(entry.id)}`)}
          >
            {`Bill “${entry.name}”: ${showDecimal(entry.left)}`}
          </Button>
        )),
        ...(stage.lines > 0 && !isNothing(stage.left)
          ? [
              <Button
                key="work"
                type={stage.waiting.length > 0 ? 'default' : 'primary'}
                onClick={() => router.push(`${bill}?stage=${encodeURIComponent(stage.name)}`)}
              >
                {`Bill its lines: ${showDecimal(stage.left)} net`}
              </Button>,
            ]
          : []),
      ]}
    >
      <p>You see the invoice before it is issued.</p>
    </Modal>
  );
}

/** The stages of the work: planned, done, and what can be billed once they are. Saying “done” asks about the bill. */
export function StagesView({
  agreement,
  timeZone,
  actions,
}: {
  readonly agreement: AgreementAtDesk;
  readonly timeZone: string;
  readonly actions: StageActions;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [asked, setAsked] = useState<Stage | null>(null);
  const [arranging, setArranging] = useState(false);
  const [seen, setSeen] = useState<ReportedStage | null>(null);
  const { report, shown } = useStageReports(actions.save);
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
          <StageRow
            key={stage.name}
            stage={stage}
            photos={agreement.photos.filter((photo) => photo.stage === stage.name).length}
            shown={shown({ agreementId: agreement.id, name: stage.name }, stage.percent)}
            report={(text) => report({ agreementId: agreement.id, name: stage.name }, text, stage.percent)}
            save={(said) => save({ name: stage.name, ...said })}
            done={() => void done(stage)}
            seePhotos={() => setSeen({ agreementId: agreement.id, name: stage.name })}
          />
        ))}
      </ul>
      <Button size="small" onClick={() => setArranging(true)}>
        Which work is in which stage
      </Button>
      {asked && <BillStage stage={asked} bill={bill} close={() => setAsked(null)} />}
      {seen && (
        <StagePhotos stage={seen} timeZone={timeZone} actions={actions.photos} close={() => setSeen(null)} />
      )}
      {arranging && (
        <StagesDialog agreement={agreement} put={actions.put} close={() => setArranging(false)} />
      )}
    </div>
  );
}
