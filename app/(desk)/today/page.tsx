import type { Metadata } from 'next';
import Link from 'next/link';
import { agreementList } from '@/services/agreements/agreementList';
import { may } from '@/services/actor';
import { waitingRounds } from '@/services/agreements/rounds';
import { waitingQuestions } from '@/services/booklet/questions';
import { invoiceList } from '@/services/billing/invoiceList';
import { readList } from '@/services/lists/deskList';
import { waitingApprovals } from '@/services/proposals/approval';
import { listProposals } from '@/services/proposals/read';
import { showDay } from '@/core/text/dates';
import { ApprovalAnswer } from '@/desk/proposals/ApprovalAnswer';
import { LinkButton } from '@/ui/LinkButton';
import { Question } from '@/desk/proposals/Questions';
import { answerApprovalAction, answerQuestionAction } from '../../actions';
import { pageActor } from '../../session';
import { DraftsTable, LateTable, RunningTable, WaitingTable } from '@/desk/today/TodayTables';

export const metadata: Metadata = { title: 'Today' };

/** How much of what is under way stands here; the list has the rest. */
const RUNNING = 20;

export default async function TodayPage() {
  const actor = await pageActor();
  const [proposals, agreements, overdue, questions, rounds] = await Promise.all([
    listProposals(actor, { changes: true }),
    readList(actor, agreementList, { show: 'under way' }),
    readList(actor, invoiceList, { state: 'overdue', sort: 'due' }),
    waitingQuestions(actor),
    waitingRounds(actor),
  ]);
  const asked = actor.role === 'owner' ? await waitingApprovals(actor) : [];
  const waiting = proposals.filter(({ state }) => state === 'sent');
  const drafts = proposals.filter(({ state }) => state === 'draft');
  const late = overdue.rows;
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
          <LinkButton primary href="/proposals/new">
            New proposal
          </LinkButton>
        </span>
      </header>
      {asked.length > 0 && (
        <>
          <h2>Your yes is asked for</h2>
          {asked.map((approval) => (
            <div key={approval.id} className="panel below">
              <Link href={`/proposals/${approval.proposalId}?step=send`} prefetch={false}>
                {approval.title}
              </Link>{' '}
              <span className="soft">
                · {approval.customer} · {approval.askedBy} asks
              </span>
              <ApprovalAnswer approval={approval} answer={answerApprovalAction} />
            </div>
          ))}
        </>
      )}
      {questions.length > 0 && (
        <>
          <h2>Asked by customers</h2>
          {questions.map((question) => (
            <div key={question.id} className="panel below">
              <Link href={`/proposals/${question.proposalId}?step=send`} prefetch={false}>
                {question.title}
              </Link>{' '}
              <span className="soft">· {question.customer}</span>
              <Question
                question={{ ...question, answer: null }}
                answer={may(actor, 'owner', 'seller') ? answerQuestionAction : null}
              />
            </div>
          ))}
        </>
      )}
      {(late.length > 0 || lateRounds.length > 0) && (
        <>
          <h2 className="wrong">Late</h2>
          <LateTable rounds={lateRounds} invoices={late} />
          {overdue.count > late.length && (
            <p>
              <Link className="link-in-text" href="/money?state=overdue&sort=due" prefetch={false}>
                All {overdue.count} overdue invoices
              </Link>
            </p>
          )}
        </>
      )}
      <h2>With the customer</h2>
      {rounds.length > lateRounds.length && (
        <p>
          {rounds.length - lateRounds.length} selection round
          {rounds.length - lateRounds.length > 1 ? 's' : ''} to be chosen:{' '}
          {rounds
            .filter((round) => !round.late)
            .map((round, i) => (
              <span key={round.id}>
                {i > 0 && ', '}
                <Link href={`/agreements/${round.agreementId}`} prefetch={false}>
                  {round.name}
                </Link>{' '}
                <span className="soft">
                  {round.customer}
                  {round.due && `, due ${showDay(round.due)}`}
                </span>
              </span>
            ))}
        </p>
      )}
      {waiting.length === 0 ? (
        <p className="empty">No proposal is out. Finish a draft and send it.</p>
      ) : (
        <WaitingTable proposals={waiting} />
      )}
      <h2>On your table</h2>
      {drafts.length === 0 ? (
        <p className="empty">
          No draft.{' '}
          <Link href="/proposals/new" prefetch={false}>
            Start a proposal
          </Link>
          .
        </p>
      ) : (
        <DraftsTable proposals={drafts} />
      )}
      <h2>Under way</h2>
      {running.length === 0 ? (
        <p className="empty">No accepted work is open.</p>
      ) : (
        <RunningTable agreements={running} />
      )}
      {agreements.count > running.length && (
        <p className="list-foot">
          <Link href="/agreements?show=under+way" prefetch={false}>
            All that is under way
          </Link>
        </p>
      )}
    </div>
  );
}
