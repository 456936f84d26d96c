import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readProgressBilling } from '@/services/billing/progressBilling';
import { Problem } from '@/services/problem';
import { BillPage } from '@/desk/billing/bill/BillPage';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/billing/bill/bill.css';
import type { BillingAsk } from '@/model';
import { isId } from '@/model';
import {
  deleteLayoutAction,
  dropDraftAction,
  issueInvoiceAction,
  keepLayoutAction,
  saveDraftAction,
  setUsualLayoutAction,
} from '../../../../actions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'Invoice' };

interface Query {
  readonly entry?: string;
  readonly rest?: string;
  readonly release?: string;
  readonly stage?: string;
  /** Of the stage: how far; all of it where it is left out. */
  readonly percent?: string;
  /** What the schedule asks for by today. */
  readonly due?: string;
}

/** What the link to this page asks for. */
function askOf({ entry, rest, release, stage, percent = '' }: Query): BillingAsk | null {
  if (entry) return { entryId: entry };
  if (rest !== undefined) return { rest: true };
  if (release !== undefined) return { release: 'all' };
  if (stage)
    return {
      lines: [{ stage, to: { percent: /^\d{1,2}(\.\d{1,2})?$/.test(percent) ? percent : '100' } }],
    };
  return null;
}

export default async function BillRoute({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Query>;
}) {
  const { id } = await params;
  const actor = await pageActor('issue');
  const query = await searchParams;
  if (!isId(id)) notFound();
  const work = await readProgressBilling(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <BillPage
      work={work}
      start={query.due === undefined ? askOf(query) : work.billableNow.ask}
      actions={{
        issue: issueInvoiceAction,
        keep: saveDraftAction,
        drop: dropDraftAction,
        keepLayout: keepLayoutAction,
        deleteLayout: deleteLayoutAction,
        setUsualLayout: setUsualLayoutAction,
      }}
    />
  );
}
