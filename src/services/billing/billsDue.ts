import type { LoadedAgreement } from '@/core/billing';
import { BillingError, billPreview, billableNow, dueAtOnce, makeInvoice } from '@/core/billing';
import { billingContextOf } from '@/core/billing/cancelling';
import type { Amount } from '@/core/number';
import { moneyOf } from '@/core/number';
import { whoGets } from '@/core/text/recipients';
import { loadAgreements } from '@/data/agreements/load';
import { findDraftsOf } from '@/data/billing/invoiceDraft';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { customersByIds } from '@/data/customers/customer';
import { peopleOfCustomers } from '@/data/customers/people';
import { companyOf } from '@/data/settings/company';
import type { BillingAsk } from '@/model';
import { IssueManyInput } from '@/model';
import { toBillBy } from './toBill';
import type { Actor } from '../actor';
import { allow, businessDate, daysAfter } from '../actor';
import { check } from '../check';
import { cutOffer } from '../offered';
import { Problem } from '../problem';
import { issueInvoice } from './issue';

/** Agreements that are shown, and billed in one go, at most. */
const MOST = 100;

/** The agreements of which something can be billed by the schedules today, the largest sum first, as far as they are shown. */
async function agreementsDue(tx: Transaction, companyId: string, now: Date) {
  const ours = await companyOf(tx, companyId);
  const today = businessDate(now, ours.timeZone);
  const sums = await toBillBy(tx, ours, today);
  const largest = [...sums].sort((a, b) => Number(b.sum) - Number(a.sum));
  const { found, more } = cutOffer(largest, MOST);
  const ids = found.map(({ agreementId }) => agreementId);
  return { ours, today, more, loaded: ids.length === 0 ? [] : await loadAgreements(tx, ids) };
}

/** What would be billed of an agreement, as decimal text; null where nothing can be. */
function previewOf(loaded: LoadedAgreement, ask: BillingAsk) {
  const money = moneyOf(loaded.digits);
  const write = (value: Amount) => money.write(value);
  try {
    const made = makeInvoice(loaded.ledger, ask);
    const { sections, ...preview } = billPreview(loaded.ledger, made);
    return {
      title: preview.title,
      dueAtOnce: dueAtOnce(loaded.ledger, made),
      sections: sections.map(({ name, net }) => ({ name, net: write(net) })),
      tax: write(preview.tax),
      advance: write(preview.advance),
      retainage: write(preview.retainage),
      total: write(preview.total),
    };
  } catch (error) {
    if (error instanceof BillingError) return null;
    throw error;
  }
}

/**
 * What the schedules ask to be billed by today and is not, agreement by agreement: the invoice it would be, when that would be
 * due and to whom it would go.
 */
export async function readBillsDue(actor: Actor) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const { ours, today, more, loaded } = await agreementsDue(tx, actor.companyId, actor.now);
    const customerIds = [...new Set(loaded.map(({ head }) => head.customerId))];
    const customers = new Map((await customersByIds(tx, customerIds)).map((row) => [row.id, row]));
    const people = await peopleOfCustomers(tx, customerIds);
    const drafts = new Set(
      await findDraftsOf(
        tx,
        loaded.map(({ head }) => head.id),
      ),
    );
    const bills = loaded.flatMap((each) => {
      const { head, ledger, payments, papers } = each;
      const due = new Map(payments.map(({ entryId, due: on, kind }) => [entryId, { due: on, kind }]));
      const { ask, amount } = billableNow(ledger, due, billingContextOf(each, ours), today);
      const preview = ask === null ? null : previewOf(each, ask);
      if (ask === null || preview === null) return [];
      const customer = customers.get(head.customerId)!;
      return [
        {
          agreementId: head.id,
          number: head.number,
          agreement: head.title,
          customer: customer.name,
          to: whoGets(customer, people.get(customer.id) ?? [], 'invoices').to,
          /** What the schedule asks for, with tax and what is held back of it. */
          toBill: moneyOf(each.digits).write(amount),
          ask,
          /** Papers there were as this was read. */
          seen: papers.length,
          /** An invoice is in work: it is looked at before another is issued. */
          inWork: drafts.has(head.id),
          dueOn: preview.dueAtOnce ? today : daysAfter(today, ours.paymentDays),
          preview,
        },
      ];
    });
    return { currency: ours.currency, bills, more, words: ours.money.letter ?? '' };
  });
}

export type BillDue = Awaited<ReturnType<typeof readBillsDue>>['bills'][number];

/** What became of one of several that were to be issued. */
export type Issued =
  | { readonly agreementId: string; readonly number: string; readonly sentTo: string | null }
  | { readonly agreementId: string; readonly refused: string };

/**
 * Issues invoices on several agreements, each by itself: one that is refused (because something was issued on its agreement
 * meanwhile, say) is told, and keeps none of the others. Asked again after a lost answer, what was issued is refused.
 */
export async function issueMany(
  actor: Actor,
  input: unknown,
): Promise<{ readonly issued: readonly Issued[] }> {
  allow(actor, 'issue');
  const { bills } = check(IssueManyInput, input, 'The invoices');
  const issued: Issued[] = [];
  for (const { agreementId, ...bill } of bills) {
    try {
      const { number, sentTo } = await issueInvoice(actor, { agreementId, ...bill });
      issued.push({ agreementId, number, sentTo });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      issued.push({ agreementId, refused: error.message });
    }
  }
  return { issued };
}
