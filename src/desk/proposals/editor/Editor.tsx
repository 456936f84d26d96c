'use client';

import { RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Popconfirm } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import type { KeyboardEvent } from 'react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ProposalAtDesk } from '@/services/proposals/read';
import { differences as findDifferences, menuOf } from '@/core/choice';
import { checkDocument } from '@/core/offer';
import type { BundleFigures, SectionLine } from '@/core/price';
import { computeFigures } from '@/core/price';
import type { Answer, DeskPreferences } from '@/model';
import { asSuggested } from '@/model';
import { StateMark } from '@/ui/StateMark';
import { AddLine } from './AddLine';
import { EffectStep } from './change/EffectStep';
import { ChoicesStep } from './choices/ChoicesStep';
import type { LibraryActions, Reveal, Target } from './context';
import { EditorActionsScope, EditorScope } from './context';
import type { SaveAsTemplate } from './MoreActs';
import { LiveFieldsScope } from '@/ui/live/liveFields';
import { MoreActs } from './MoreActs';
import { Outline } from './Outline';
import { PaymentsStep } from './payments/PaymentsStep';
import { PriceStep } from './price/PriceStep';
import type { SendActions } from './SendStep';
import { SendStep } from './SendStep';
import { Sheet } from './sheet/Sheet';
import type { Column } from './sheet/columns';
import { columnsOf } from './sheet/columns';
import type { SheetView } from './sheet/rows';
import { Tally } from './Tally';
import { toggled, useSelection } from './sheet/selection';
import type { SaveProposal, Saving } from './useDocument';
import { useDocument } from './useDocument';
import { WordingStep } from './WordingStep';

/** Plans are measured on now and then; who does not, does not load what draws them. */
const PlanDesk = dynamic(() => import('./plan/PlanDesk').then((module) => module.PlanDesk));

const plainView: SheetView = { folded: new Set(), opened: new Set(), filter: null, grouping: null };

/** Steps are history of their own: Back leads to the step before, and the address says which is shown. */
const goTo = (address: string): void => {
  if (window.location.search !== address) window.history.pushState(null, '', address);
};

const steps = ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send'] as const;
type Step = (typeof steps)[number];

const stepOf = (name: string | null): Step =>
  steps.find((step) => step.toLowerCase() === name?.toLowerCase()) ?? 'Scope';

function SavingMark({ saving, typing }: { saving: Saving; typing: boolean }) {
  if (saving.state === 'saved' && typing) return <span className="soft">Typing …</span>;
  if (saving.state === 'saved') return <span className="soft">All changes saved</span>;
  if (saving.state === 'saving') return <span className="soft">Saving …</span>;
  return <span className="wrong">Not saved</span>;
}

interface EditorProps {
  readonly proposal: ProposalAtDesk;
  readonly timeZone: string;
  readonly preferences: DeskPreferences;
  readonly actions: SendActions & {
    readonly savePreferences: (input: unknown) => Promise<Answer<void>>;
    readonly save: SaveProposal;
    readonly saveAsTemplate: SaveAsTemplate;
  } & LibraryActions;
}

/** A proposal on the workbench: the same document under six steps, with the tally always beside it. */
export function Editor({ proposal, timeZone, preferences, actions }: EditorProps) {
  const work = useDocument(proposal.id, proposal.document, proposal.saveNumber, actions.save);
  const asked = useSearchParams();
  const step = stepOf(asked.get('step'));
  const onPlan = step === 'Scope' && asked.get('on') === 'plan';
  const [target, setTarget] = useState<Target>(() => ({
    kind: 'section',
    sectionId: proposal.document.sections.at(-1)?.id ?? '',
  }));
  const [previewMark, setPreviewMark] = useState(0);
  const [view, setView] = useState<SheetView>(plainView);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [revealed, reveal] = useState<Reveal | null>(null);
  const open = proposal.state === 'draft' || proposal.state === 'sent' || proposal.state === 'lapsed';
  const readOnly = !open || !proposal.mayEdit;

  const figures = useMemo(() => computeFigures(work.document, asSuggested), [work.document]);
  const { lines, bundles } = useMemo(() => {
    const byId = new Map<string, SectionLine>();
    const bundleById = new Map<string, BundleFigures>();
    for (const section of figures.sections) {
      for (const line of section.lines) byId.set(line.line.id, line);
      for (const [id, bundle] of section.bundles) bundleById.set(id, bundle);
    }
    return { lines: byId, bundles: bundleById };
  }, [figures]);
  const differences = useMemo(() => findDifferences(work.document, asSuggested), [work.document]);
  const problems = useMemo(() => checkDocument(work.document), [work.document]);
  const menu = menuOf(work.document);
  const choices = menu.extras.length + menu.questions.length + menu.tiers.length;

  // A section, question or bundle that went away is no place for new lines.
  const sectionIds = work.document.sections.map(({ id }) => id);
  const isThere =
    target.kind === 'section'
      ? sectionIds.includes(target.sectionId)
      : target.kind === 'bundle'
        ? bundles.has(target.bundleId)
        : work.document.sections.some(({ entries }) => entries.some(({ id }) => id === target.questionId));
  const shownTarget: Target = isThere ? target : { kind: 'section', sectionId: sectionIds.at(-1) ?? '' };
  const context = {
    proposalId: proposal.id,
    work,
    figures,
    lines,
    bundles,
    view,
    selected,
    differences,
    target: shownTarget,
    setTarget,
    readOnly,
    libraryActions: actions,
  };
  const { edit } = work;
  const { minorDigits } = figures;
  const toggle = useCallback(
    (key: string) => setView((before) => ({ ...before, opened: toggled(before.opened, key) })),
    [],
  );
  const [columns, showColumns] = useState<readonly Column[]>(() => columnsOf(preferences.columns));
  const setColumns = useCallback(
    (next: readonly Column[]) => {
      showColumns(next);
      // Where it does not arrive, the columns are as they were the next time; nothing else hangs on it.
      actions.savePreferences({ columns: [...next] }).catch(() => undefined);
    },
    [actions],
  );
  const select = useSelection(work.document, setSelected);
  const rowActions = useMemo(
    () => ({
      edit,
      setTarget,
      readOnly,
      minorDigits,
      moved: proposal.moved,
      setView,
      toggle,
      reveal,
      select,
      columns,
      setColumns,
    }),
    [columns, setColumns, edit, readOnly, minorDigits, proposal.moved, toggle, select],
  );

  const go = (next: Step) => {
    (document.activeElement as HTMLElement | null)?.blur();
    goTo(`?step=${next.toLowerCase()}`);
  };
  const measure = useCallback((open: boolean) => goTo(open ? '?step=scope&on=plan' : '?step=scope'), []);

  // What the customer gets is shown as it is saved.
  const { settle } = work;
  useEffect(() => {
    if (step === 'Send') void settle().then(() => setPreviewMark((mark) => mark + 1));
  }, [step, settle]);

  const goNow = useRef(go);
  useEffect(() => {
    goNow.current = go;
  });
  const sendable = !readOnly && step !== 'Send';
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (event.key === '/' && !typing && !event.ctrlKey) {
        event.preventDefault();
        document.getElementById('add-line')?.focus();
      }
      const field = event.target as HTMLElement;
      // What stands in the add line is not taken yet, and a text of several lines has its own Enter.
      const inText =
        field.tagName === 'TEXTAREA' || (field.id === 'add-line' && (field as HTMLInputElement).value !== '');
      if ((event.ctrlKey || event.metaKey) && event.key === 'Enter' && sendable && !inText) {
        event.preventDefault();
        goNow.current('Send');
      }
      if (event.altKey && event.code === 'KeyP' && step === 'Scope') {
        event.preventDefault();
        (document.activeElement as HTMLElement | null)?.blur();
        measure(!onPlan);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [step, onPlan, measure, sendable]);

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
        <LiveFieldsScope value={work.fields}>
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
                    <SavingMark saving={saving} typing={work.typing} />
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
                {proposal.mayEdit && !proposal.change && (
                  <MoreActs
                    proposalId={proposal.id}
                    title={work.document.title}
                    settle={work.settle}
                    saveAsTemplate={actions.saveAsTemplate}
                  />
                )}
                {proposal.agreement && (
                  <Link href={`/agreements/${proposal.agreement.id}`} prefetch={false}>
                    Agreement {proposal.agreement.number}
                  </Link>
                )}
                {!readOnly && step !== 'Send' && (
                  <Button type="primary" title="Preview and send (Ctrl ↵)" onClick={() => go('Send')}>
                    Preview and send
                  </Button>
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
                  onClick={() => go(name)}
                >
                  {name}
                  {name === 'Choices' && choices > 0 && <span className="step-count">{choices}</span>}
                </button>
              ))}
              <span className="soft steps-open">
                {problems.length > 0 && (
                  <button type="button" className="plain-button" onClick={() => go('Send')}>
                    {problems.length} open point{problems.length > 1 ? 's' : ''}
                  </button>
                )}
              </span>
            </nav>
            {saving.state === 'waiting' && (
              <div className="banner" role="alert">
                {saving.why}
                {saving.refused && (
                  <Popconfirm
                    title="Delete what is not saved?"
                    okText="Delete it"
                    cancelText="Cancel"
                    onConfirm={work.dropMine}
                  >
                    <Button size="small">Go on without my last changes</Button>
                  </Popconfirm>
                )}
              </div>
            )}
            {saving.state === 'collided' && (
              <div className="banner" role="alert">
                {saving.why} Your last changes and theirs touch the same place.
                <Button size="small" onClick={work.dropMine}>
                  Go on with theirs
                </Button>
                <Button size="small" onClick={work.keepMine}>
                  Put mine over theirs
                </Button>
              </div>
            )}
            {proposal.declinedBecause && <div className="banner">Declined: “{proposal.declinedBecause}”</div>}
            {proposal.state === 'sent' && proposal.sentSaveNumber !== work.saveNumber && (
              <div className="banner">
                Changed since revision {proposal.revisions[0]?.number} was sent. The customer sees the changes
                when you send again.
              </div>
            )}
            {step === 'Send' ? (
              <SendStep proposal={proposal} actions={actions} timeZone={timeZone} previewMark={previewMark} />
            ) : (
              <div className={hasOutline ? 'workbench' : 'workbench workbench-wide'}>
                {step === 'Scope' && onPlan ? (
                  <PlanDesk proposalId={proposal.id} close={() => measure(false)} />
                ) : (
                  hasOutline && <Outline />
                )}
                {!(step === 'Scope' && onPlan) && (
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
                        {step === 'Choices' && <ChoicesStep proposal={proposal} timeZone={timeZone} />}
                        {step === 'Price' && <PriceStep loadSets={proposal.loadSets} />}
                        {step === 'Payments' &&
                          (proposal.change ? (
                            <EffectStep contract={proposal.change.contract} />
                          ) : (
                            <PaymentsStep money={proposal.money} />
                          ))}
                        {step === 'Wording' && <WordingStep />}
                      </div>
                    )}
                    {step === 'Scope' && !readOnly && <AddLine />}
                  </div>
                )}
                <Tally contract={proposal.change?.contract ?? null} />
              </div>
            )}
          </div>
        </LiveFieldsScope>
      </EditorActionsScope>
    </EditorScope>
  );
}
