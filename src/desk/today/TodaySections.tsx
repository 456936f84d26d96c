import Link from 'next/link';
import type { InvoiceListRow } from '@/services/billing/invoiceList';
import type { waitingRounds } from '@/services/agreements/rounds';
import type { waitingQuestions } from '@/services/booklet/questions';
import type { waitingApprovals } from '@/services/proposals/approval';
import { showDay } from '@/core/text/dates';
import { ApprovalAnswer } from '@/desk/proposals/ApprovalAnswer';
import { Question } from '@/desk/proposals/Questions';
import type { Answer } from '@/model';
import { LateTable } from './TodayTables';

type Answering = (input: unknown) => Promise<Answer<void>>;
type Round = Awaited<ReturnType<typeof waitingRounds>>[number];

/** What the owner's yes is asked for. */
export function YesAsked({
  approvals,
  answer,
}: {
  readonly approvals: Awaited<ReturnType<typeof waitingApprovals>>;
  readonly answer: Answering;
}) {
  if (approvals.length === 0) return null;
  return (
    <>
      <h2>Your yes is asked for</h2>
      {approvals.map((approval) => (
        <div key={approval.id} className="panel below">
          <Link href={`/proposals/${approval.proposalId}#step=send`} prefetch={false}>
            {approval.title}
          </Link>{' '}
          <span className="soft">
            · {approval.customer} · {approval.askedBy} asks
          </span>
          <ApprovalAnswer approval={approval} answer={answer} />
        </div>
      ))}
    </>
  );
}

/** What customers asked and nobody answered yet. */
export function CustomersAsk({
  questions,
  answer,
}: {
  readonly questions: Awaited<ReturnType<typeof waitingQuestions>>;
  /** Null for who may not answer. */
  readonly answer: Answering | null;
}) {
  if (questions.length === 0) return null;
  return (
    <>
      <h2>Asked by customers</h2>
      {questions.map((question) => (
        <div key={question.id} className="panel below">
          <Link href={`/proposals/${question.proposalId}#step=send`} prefetch={false}>
            {question.title}
          </Link>{' '}
          <span className="soft">· {question.customer}</span>
          <Question question={{ ...question, answer: null }} answer={answer} />
        </div>
      ))}
    </>
  );
}

/** What is late: to be chosen, and to be paid; `count` of the invoices, where not all stand here. */
export function LateNow({
  rounds,
  invoices,
  count,
}: {
  readonly rounds: readonly Round[];
  readonly invoices: readonly InvoiceListRow[];
  readonly count: number;
}) {
  if (invoices.length === 0 && rounds.length === 0) return null;
  return (
    <>
      <h2 className="wrong">Late</h2>
      <LateTable rounds={rounds} invoices={invoices} />
      {count > invoices.length && (
        <p>
          <Link className="link-in-text" href="/money?state=overdue&sort=due" prefetch={false}>
            All {count} overdue invoices
          </Link>
        </p>
      )}
    </>
  );
}

/** Selection rounds that wait for their customers and are not late. */
export function RoundsToChoose({ rounds }: { readonly rounds: readonly Round[] }) {
  if (rounds.length === 0) return null;
  return (
    <p>
      {rounds.length} selection round{rounds.length > 1 ? 's' : ''} to be chosen:{' '}
      {rounds.map((round, i) => (
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
  );
}
