import type { Metadata } from 'next';
import Link from 'next/link';
import { agreementList } from '@/services/agreements/agreementList';
import { may } from '@/services/actor';
import { readWorkInHand } from '@/services/agreements/workInHand';
import { waitingRounds } from '@/services/agreements/rounds';
import { waitingQuestions } from '@/services/booklet/questions';
import { invoiceList } from '@/services/billing/invoiceList';
import { readList } from '@/services/lists/deskList';
import { waitingApprovals } from '@/services/proposals/approval';
import { proposalsAtHand } from '@/services/proposals/read';
import { LinkButton } from '@/ui/LinkButton';
import { answerApprovalAction, answerQuestionAction, saveStageAction } from '../../actions';
import { putStepAsideAction } from '../../settingsActions';
import { readChecklist } from '@/services/settings/checklist';
import { SetUpList } from '@/desk/today/SetUpList';
import { pageActor } from '../../session';
import { CustomersAsk, LateNow, RoundsToChoose, YesAsked } from '@/desk/today/TodaySections';
import { WorkPage } from '@/desk/work/WorkPage';
import { DraftsTable, RunningTable, WaitingTable } from '@/desk/today/TodayTables';

export const metadata: Metadata = { title: 'Today' };

/** How much of what is under way stands here; the list has the rest. */
const RUNNING = 20;

/** Where what does not stand here is. */
const TheRest = ({ address, words }: { readonly address: string; readonly words: string }) => (
  <p className="list-foot">
    <Link href={address} prefetch={false}>
      {words}
    </Link>
  </p>
);

export default async function TodayPage() {
  const actor = await pageActor();
  if (!may(actor, 'prices'))
    return may(actor, 'jobs') ? (
      <WorkPage {...await readWorkInHand(actor)} name={actor.name} save={saveStageAction} />
    ) : (
      <p className="empty page">Your role ({actor.role}) sees nothing here yet. Ask who manages people.</p>
    );
  const [{ waiting, drafts }, agreements, overdue, questions, rounds] = await Promise.all([
    proposalsAtHand(actor),
    readList(actor, agreementList, { show: 'under way' }),
    readList(actor, invoiceList, { state: 'overdue', sort: 'due' }),
    waitingQuestions(actor),
    waitingRounds(actor),
  ]);
  const asked = may(actor, 'approve') ? await waitingApprovals(actor) : [];
  const lateRounds = rounds.filter((round) => round.late);
  const running = agreements.rows.slice(0, RUNNING);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Good day, {actor.name.split(' ')[0]}</h1>
        <span className="page-actions">
          <Link href="/outbox" prefetch={false}>
            Outbox
          </Link>
          {may(actor, 'propose') && (
            <LinkButton primary href="/proposals/new">
              New proposal
            </LinkButton>
          )}
        </span>
      </header>
      <SetUpList steps={await readChecklist(actor)} putAside={putStepAsideAction} />
      <YesAsked approvals={asked} answer={answerApprovalAction} />
      <CustomersAsk questions={questions} answer={may(actor, 'propose') ? answerQuestionAction : null} />
      <LateNow rounds={lateRounds} invoices={overdue.rows} count={overdue.count} />
      <h2>With the customer</h2>
      <RoundsToChoose rounds={rounds.filter((round) => !round.late)} />
      {waiting.rows.length === 0 ? (
        <p className="empty">No proposal is out. Finish a draft and send it.</p>
      ) : (
        <WaitingTable proposals={waiting.rows} />
      )}
      {waiting.more && (
        <TheRest address="/proposals?state=sent" words="All proposals that are with customers" />
      )}
      <h2>On your table</h2>
      {drafts.rows.length === 0 ? (
        <p className="empty">
          No draft.{' '}
          {may(actor, 'propose') && (
            <>
              <Link href="/proposals/new" prefetch={false}>
                Start a proposal
              </Link>
              .
            </>
          )}
        </p>
      ) : (
        <DraftsTable proposals={drafts.rows} />
      )}
      {drafts.more && <TheRest address="/proposals?state=draft" words="All drafts" />}
      <h2>Under way</h2>
      {running.length === 0 ? (
        <p className="empty">No accepted work is open.</p>
      ) : (
        <RunningTable agreements={running} />
      )}
      {agreements.count > running.length && (
        <TheRest address="/agreements?show=under+way" words="All that is under way" />
      )}
    </div>
  );
}
