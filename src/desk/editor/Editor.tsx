'use client';

import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import Link from 'next/link';
import type { KeyboardEvent } from 'react';
import { useEffect, useMemo, useState } from 'react';
import type { ProposalAtDesk } from '@/acts/proposals/read';
import { differences as findDifferences } from '@/core/choice';
import { checkDocument } from '@/core/offer';
import type { SectionLine } from '@/core/price';
import { computeFigures } from '@/core/price';
import { asSuggested } from '@/model';
import { StateMark } from '@/ui/StateMark';
import { AddLine } from './AddLine';
import { ChoicesStep } from './ChoicesStep';
import type { Target } from './context';
import { EditorActionsScope, EditorScope } from './context';
import { Outline } from './Outline';
import { PaymentsStep } from './PaymentsStep';
import { PriceStep } from './PriceStep';
import type { SendActions } from './SendStep';
import { SendStep } from './SendStep';
import { Sheet } from './Sheet';
import { Tally } from './Tally';
import type { SaveProposal, Saving } from './useDocument';
import { useDocument } from './useDocument';
import { WordingStep } from './WordingStep';

const steps = ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send'] as const;
export type Step = (typeof steps)[number];

function SavingMark({ saving }: { saving: Saving }) {
  if (saving.state === 'saved') return <span className="soft">All changes saved</span>;
  if (saving.state === 'saving') return <span className="soft">Saving …</span>;
  return <span className="wrong">Not saved</span>;
}

interface EditorProps {
  readonly proposal: ProposalAtDesk;
  readonly firstStep: Step;
  readonly timeZone: string;
  readonly actions: SendActions & { readonly save: SaveProposal };
}

/** A proposal on the workbench: the same document under six steps, with the tally always beside it. */
export function Editor({ proposal, firstStep, timeZone, actions }: EditorProps) {
  const work = useDocument(proposal.id, proposal.document, proposal.saveNumber, actions.save);
  const [step, setStep] = useState<Step>(firstStep);
  const [target, setTarget] = useState<Target>(() => ({
    kind: 'section',
    sectionId: proposal.document.sections.at(-1)?.id ?? '',
  }));
  const [previewMark, setPreviewMark] = useState(0);
  const open = proposal.state === 'draft' || proposal.state === 'sent' || proposal.state === 'lapsed';
  const readOnly = !open || !proposal.mayEdit;

  const figures = useMemo(() => computeFigures(work.document, asSuggested), [work.document]);
  const lines = useMemo(() => {
    const byId = new Map<string, SectionLine>();
    for (const section of figures.sections) for (const line of section.lines) byId.set(line.line.id, line);
    return byId;
  }, [figures]);
  const differences = useMemo(() => findDifferences(work.document, asSuggested), [work.document]);
  const problems = useMemo(() => checkDocument(work.document), [work.document]);
  const choices =
    differences.extras.length +
    work.document.sections.flatMap(({ entries }) => entries).filter(({ kind }) => kind === 'question').length;

  // A section or question that went away is no place for new lines.
  const sectionIds = work.document.sections.map(({ id }) => id);
  const shownTarget: Target =
    target.kind === 'section' && !sectionIds.includes(target.sectionId)
      ? { kind: 'section', sectionId: sectionIds.at(-1) ?? '' }
      : target;
  const context = { work, figures, lines, differences, target: shownTarget, setTarget, readOnly };
  const { edit } = work;
  const { minorDigits } = figures;
  const rowActions = useMemo(
    () => ({ edit, setTarget, readOnly, minorDigits }),
    [edit, readOnly, minorDigits],
  );

  const go = async (next: Step) => {
    (document.activeElement as HTMLElement | null)?.blur();
    if (next === 'Send') {
      await work.settle();
      setPreviewMark((mark) => mark + 1);
    }
    setStep(next);
    window.history.replaceState(null, '', `?step=${next.toLowerCase()}`);
  };

  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (event.key === '/' && !typing && !event.ctrlKey) {
        event.preventDefault();
        document.getElementById('add-line')?.focus();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const field = event.target as HTMLElement;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
      const typing =
        field.tagName === 'TEXTAREA' ||
        field.dataset.dirty !== undefined ||
        (field.id === 'add-line' && (field as HTMLInputElement).value !== '');
      if (typing) return;
      event.preventDefault();
      // What stands in a cell is text of its own; leaving and coming back shows the undone value.
      const cell = field.dataset.cell ? field : null;
      cell?.blur();
      if (key === 'y' || event.shiftKey) work.redo();
      else work.undo();
      requestAnimationFrame(() => cell?.isConnected && cell.focus());
    } else if (
      event.key === '/' &&
      field.dataset.cell !== undefined &&
      field.dataset.cell !== 'description' &&
      field.dataset.dirty === undefined
    ) {
      event.preventDefault();
      document.getElementById('add-line')?.focus();
    }
  };

  const { saving } = work;
  const hasOutline = step === 'Scope' || step === 'Choices' || step === 'Price';
  return (
    <EditorScope value={context}>
      <EditorActionsScope value={rowActions}>
        <div className="editor" onKeyDown={onKeyDown}>
          <header className="editor-head">
            <h1>{work.document.title}</h1>
            <StateMark state={proposal.state} />
            <span className="soft editor-who">
              <Link href={`/customers/${proposal.customer.id}`} prefetch={false}>
                {proposal.customer.name}
              </Link>{' '}
              · {proposal.site.line}
            </span>
            <span className="editor-actions">
              <span role="status">
                {readOnly ? (
                  <span className="soft">
                    {open ? 'To read only: the seller changes it' : 'Closed for changes'}
                  </span>
                ) : (
                  <SavingMark saving={saving} />
                )}
              </span>
              {!readOnly && (
                <>
                  <Button
                    type="text"
                    size="small"
                    icon={<UndoOutlined />}
                    aria-label="Undo"
                    title="Undo (Ctrl Z)"
                    disabled={!work.canUndo}
                    onClick={work.undo}
                  />
                  <Button
                    type="text"
                    size="small"
                    icon={<RedoOutlined />}
                    aria-label="Redo"
                    title="Redo (Ctrl Y)"
                    disabled={!work.canRedo}
                    onClick={work.redo}
                  />
                </>
              )}
              {proposal.agreement ? (
                <Link href={`/agreements/${proposal.agreement.id}`} prefetch={false}>
                  Agreement {proposal.agreement.number}
                </Link>
              ) : (
                !readOnly &&
                step !== 'Send' && (
                  <Button type="primary" onClick={() => void go('Send')}>
                    Preview and send
                  </Button>
                )
              )}
            </span>
          </header>
          <nav className="steps" aria-label="Steps">
            {steps.map((name) => (
              <button
                key={name}
                type="button"
                className="step-name"
                aria-current={name === step ? 'step' : undefined}
                onClick={() => void go(name)}
              >
                {name}
                {name === 'Choices' && choices > 0 && <span className="step-count">{choices}</span>}
              </button>
            ))}
            <span className="soft steps-open">
              {problems.length > 0 && (
                <button type="button" className="plain-button" onClick={() => void go('Send')}>
                  {problems.length} open point{problems.length > 1 ? 's' : ''}
                </button>
              )}
            </span>
          </nav>
          {saving.state === 'waiting' && (
            <div className="banner" role="alert">
              {saving.why}
            </div>
          )}
          {saving.state === 'collided' && (
            <div className="banner" role="alert">
              {saving.why} Your last changes and theirs touch the same place.
              <Button size="small" onClick={work.takeTheirs}>
                Go on with theirs
              </Button>
              <Button size="small" onClick={work.keepMine}>
                Put mine over theirs
              </Button>
            </div>
          )}
          {proposal.declinedBecause && <div className="banner">Declined: “{proposal.declinedBecause}”</div>}
          {proposal.state === 'sent' && proposal.sentSaveNumber !== proposal.saveNumber && (
            <div className="banner">
              Changed since revision {proposal.revisions[0]?.number} was sent. The customer sees the changes
              when you send again.
            </div>
          )}
          {step === 'Send' ? (
            <SendStep proposal={proposal} actions={actions} timeZone={timeZone} previewMark={previewMark} />
          ) : (
            <div className={hasOutline ? 'workbench' : 'workbench workbench-wide'}>
              {hasOutline && <Outline />}
              <div className="bench">
                <div className="bench-scroll">
                  {step === 'Scope' && <Sheet />}
                  {step === 'Choices' && <ChoicesStep />}
                  {step === 'Price' && <PriceStep />}
                  {step === 'Payments' && <PaymentsStep />}
                  {step === 'Wording' && <WordingStep />}
                </div>
                {step === 'Scope' && !readOnly && <AddLine />}
              </div>
              <Tally />
            </div>
          )}
        </div>
      </EditorActionsScope>
    </EditorScope>
  );
}
