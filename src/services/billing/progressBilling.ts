import { inCompany } from '@/data/connection';
import {
  billableNow,
  grossOf,
  invoiceStanding,
  layoutToBeginWith,
  negativePortions,
  nothingSettled,
  paperSums,
} from '@/core/billing';
import { ZERO, moneyOf, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import type { Transaction } from '@/data/connection';
import { allow, businessDate, daysAfter, may, newId } from '../actor';
import { companyOf } from '@/data/settings/company';
import { creditOf } from '@/data/payments/credit';
import { paperOf } from './paper';
import { Problem } from '../problem';
import { billingContextOf } from '@/core/billing/cancelling';
import { headOf } from './insertPaper';
import { printedNumber } from '@/model';
import { numberToCome, patternOf, seriesOf } from '../numbers';
import { findNameOfPerson } from '@/data/accounts/user';
import { madeFor } from './issue';
import { ledgerForDesk } from '@/core/billing/ledgerForDesk';
import { loadAgreement } from '@/data/agreements/load';
import { noticeOf } from '@/data/customers/customerNotice';
import type { Recipients } from '@/core/text/recipients';
import { attachable } from './attachments';
import { recipientsOf } from '../customers/recipients';
import { invoiceDraftByAgreementId } from '@/data/billing/invoiceDraft';
import { findLayoutsFor, findUsualLayout } from '@/data/billing/paperLayout';

/** What the next invoice and the letter with it would carry, were it issued today. */
async function letterOf(tx: Transaction, { companyId, userId, now }: Actor, whom: Recipients) {
  const ours = await companyOf(tx, companyId);
  const [sender] = await findNameOfPerson(tx, userId);
  const issuedOn = businessDate(now, ours.timeZone);
  const year = Number(issuedOn.slice(0, 4));
  const numberOf = async (series: 'invoice' | 'credit note') =>
    printedNumber(
      patternOf(series, ours.numbers),
      year,
      await numberToCome(tx, companyId, seriesOf(series, patternOf(series, ours.numbers), year)),
    );
  return {
    numbers: { invoice: await numberOf('invoice'), 'credit note': await numberOf('credit note') },
    issuedOn,
    /** A deposit is due at once. */
    dueOn: daysAfter(issuedOn, ours.paymentDays),
    to: whom.to,
    name: whom.name,
    sender: sender?.name ?? null,
    company: ours.name,
    phone: ours.phone,
    lateTerms: ours.money.late ?? null,
    words: ours.money.letter ?? '',
  };
}

/** An agreement as an invoice is worked on: everything the core needs to make one, here and at the desk alike. */
export async function readProgressBilling(actor: Actor, agreementId: string) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const payer = await recipientsOf(tx, loaded.head.customerId, 'invoices');
    const [draft] = await invoiceDraftByAgreementId(tx, agreementId);
    const changes = new Map(loaded.changes.map((change) => [change.id, change]));
    const ours = await companyOf(tx, actor.companyId);
    const now = billableNow(
      loaded.ledger,
      new Map(loaded.payments.map(({ entryId, due, kind }) => [entryId, { due, kind }])),
      billingContextOf(loaded, ours),
      businessDate(actor.now, ours.timeZone),
    );
    return {
      id: agreementId,
      /** What the schedule asks to be billed by today and is not, and an invoice over just that. */
      billableNow: { amount: writeAmount(now.amount, loaded.digits), ask: now.ask },
      number: loaded.head.number,
      title: loaded.head.title,
      currency: loaded.head.currency,
      customer: payer.customer,
      customerId: loaded.head.customerId,
      notice: await noticeOf(tx, businessDate(actor.now, ours.timeZone), loaded.head.customerId),
      ledger: ledgerForDesk(loaded),
      taxes: loaded.components.map(({ name, percent }) => ({ name, percent })),
      lines: Object.fromEntries(
        loaded.lines.map((line) => {
          const change = line.changeOrderId === null ? undefined : changes.get(line.changeOrderId);
          return [
            line.id,
            {
              unit: line.unit,
              bundle: line.bundle,
              codes: { cost: line.costCode, item: line.itemCode },
              change: change ? { number: change.number, title: change.title } : null,
            },
          ];
        }),
      ),
      stages: loaded.stages.map(({ name, doneOn }) => ({ name, doneOn })),
      entriesLeft: loaded.payments
        .filter(({ amount, billed }) => amount !== billed)
        .map(({ entryId, name, amount, billed }) => ({
          id: entryId,
          name,
          left: moneyOf(loaded.digits).write(amount - billed),
        })),
      credit: writeAmount(await creditOf(tx, loaded), loaded.digits),
      /** What its invoices can be laid out by, and what the next begins with. */
      layouts: (await findLayoutsFor(tx, agreementId)).map(
        ({ id, name, agreementId: own, shows, usual }) => ({
          ...{ id, name, shows, usual },
          forAll: own === null,
        }),
      ),
      layout: layoutToBeginWith(loaded.papers, await findUsualLayout(tx)),
      maySetUsual: may(actor, 'money'),
      /** What can go with the letter beside its papers. */
      ...(await attachable(tx, agreementId, ours)),
      draft: draft
        ? { what: draft.what, title: draft.title, shows: draft.shows, remark: draft.remark }
        : null,
      letter: await letterOf(tx, actor, payer),
      /** What is held back on which paper, and what was released. */
      heldOn: loaded.papers
        .filter(({ retainage }) => retainage.length > 0)
        .map(({ label, title, kind, retainage }) => ({
          label,
          title,
          kind,
          amount: writeAmount(grossOf(negativePortions(retainage)), loaded.digits),
        })),
      seen: loaded.papers.length,
    };
  });
}

export type ProgressBilling = Awaited<ReturnType<typeof readProgressBilling>>;

/**
 * The draft of an invoice as the customer would get it; it has no number yet.
 * @throws Problem `no-such-invoice-draft`
 */
export async function draftPaper(actor: Actor, agreementId: string) {
  allow(actor, 'issue');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const [draft] = await invoiceDraftByAgreementId(tx, agreementId);
    if (!draft) throw new Problem('no-such-invoice-draft', 'There is no draft of an invoice here.');
    const made = madeFor(loaded, draft.what);
    const sums = paperSums(made, loaded.components.length);
    const money = moneyOf(loaded.digits);
    return paperOf(loaded, {
      ...made,
      id: newId(actor.now),
      agreementId,
      label: 'draft',
      position: loaded.papers.length + 1,
      credits: null,
      title: draft.title || made.title,
      shows: draft.shows,
      remark: draft.remark,
      ...(await headOf(tx, actor, loaded, made)),
      lateOf: null,
      lateUntil: null,
      net: money.write(sums.net),
      tax: money.write(sums.tax),
      total: money.write(sums.total),
      billedBefore: money.write(loaded.position.billed),
      creditUsed: money.write(0n),
      amount: sums.total,
      standing: invoiceStanding({
        kind: made.kind,
        total: sums.total,
        settled: nothingSettled,
        credited: ZERO,
      }),
      issuedAt: actor.now,
    });
  });
}
