import { asc, eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { reversedPayment } from '@/data/joins';
import { customer, invoiceDraft, payment, paymentReversal, refund, site } from '@/data/schema';
import { isOverdue, standingOf, trackOf } from '@/core/billing';
import type { Amount } from '@/core/number';
import { ZERO, sumAmounts, writeAmount, writeFixed } from '@/core/number';
import type { Actor } from '../actor';
import { businessDate, may } from '../actor';
import { billableFrom } from '@/core/schedule';
import { allowancesOf } from './allowances';
import { sinceOf } from './cancelling';
import { changesOf } from './change';
import { earnedOf } from '../jobCosting/earned';
import { companyOf } from '../company';
import { creditElsewhere, creditOf } from '../money/credit';
import { stillGone } from '../money/reversal';
import type { LoadedAgreement } from './money';
import { loadAgreement } from './money';

/** Standing and track of a loaded agreement, as decimal text; what is earned only where it is known. */
export function moneyOf(
  { digits, position, invoices, payments, paidBack }: LoadedAgreement,
  earned: Amount = ZERO,
) {
  const money = (value: bigint) => writeAmount(value as never, digits);
  const standing = standingOf(
    position,
    invoices.filter(({ kind }) => kind !== 'late charge').map((each) => each.standing),
    paidBack,
  );
  const entries = payments.map(({ entryId, name, amount }) => ({ id: entryId, name, amount }));
  return {
    standing: {
      sumToDate: money(standing.sumToDate),
      billed: money(standing.billed),
      paid: money(standing.paid),
      leftToBill: money(standing.leftToBill),
      billedUnpaid: money(standing.billedUnpaid),
    },
    track: trackOf(entries, { earned, billed: standing.billed, paid: standing.paid }).map((cut) => ({
      id: cut.id,
      name: cut.name,
      amount: money(cut.amount),
      earned: money(cut.earned),
      billed: money(cut.billed),
      paid: money(cut.paid),
    })),
  };
}

/** What is billed on some agreements and not paid, and how much of it is late. Decimal text. */
export function owedOn(loaded: readonly LoadedAgreement[], today: string) {
  const digits = loaded[0]?.digits ?? 2;
  const open = loaded.flatMap(({ invoices }) =>
    invoices.map(({ standing, dueOn }) => ({ open: standing.open, dueOn })),
  );
  const sum = (rows: typeof open) => writeAmount(sumAmounts(rows.map((row) => row.open)), digits);
  return { open: sum(open), late: sum(open.filter((row) => isOverdue(row, row.dueOn, today))) };
}

/** One agreement with lines, schedule, invoices, payments, standing and track. */
export async function readAgreement(actor: Actor, agreementId: string) {
  return inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const { head, digits } = loaded;
    const money = (value: bigint) => writeAmount(value as never, digits);
    const [payer] = await tx.select().from(customer).where(eq(customer.id, head.customerId));
    const [place] = await tx.select().from(site).where(eq(site.id, head.siteId));
    const payments = await tx
      .select()
      .from(payment)
      .where(eq(payment.agreementId, agreementId))
      .orderBy(asc(payment.recordedAt));
    const [draft] = await tx
      .select({ at: invoiceDraft.savedAt })
      .from(invoiceDraft)
      .where(eq(invoiceDraft.agreementId, agreementId));
    const gone = await tx
      .select({
        paymentId: paymentReversal.paymentId,
        kind: paymentReversal.kind,
        reason: paymentReversal.reason,
        amount: paymentReversal.amount,
      })
      .from(paymentReversal)
      .innerJoin(payment, reversedPayment)
      .where(eq(payment.agreementId, agreementId));
    const refunds = await tx
      .select()
      .from(refund)
      .where(eq(refund.agreementId, agreementId))
      .orderBy(asc(refund.recordedAt));
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const since = sinceOf(loaded, ours);
    const earned = await earnedOf(tx, loaded);
    return {
      id: head.id,
      number: head.number,
      title: head.title,
      currency: head.currency,
      digits,
      proposalId: head.proposalId,
      revisionSha256: head.revisionSha256,
      signerName: head.signerName,
      signature: head.signature,
      consent: head.consent,
      acceptedAt: head.acceptedAt.toISOString(),
      customer: { id: payer!.id, name: payer!.name },
      site: `${place!.address.street}, ${place!.address.city}`,
      net: head.net,
      tax: head.tax,
      total: head.total,
      taxes: loaded.components
        .filter(({ amount }) => Number(amount) !== 0)
        .map(({ name, percent, amount }) => ({ name, percent, amount })),
      sumToDate: money(loaded.total),
      netToDate: money(sumAmounts(loaded.lines.map(({ net }) => net))),
      changes: await changesOf(tx, agreementId, today),
      allowances: await allowancesOf(tx, loaded, { timeZone: ours.timeZone, today, forCustomer: false }),
      maySell: may(actor, 'owner', 'seller'),
      lines: loaded.lines.map((line, i) => ({
        id: line.id,
        change: loaded.changes.find(({ id }) => id === line.changeOrderId)?.number ?? null,
        section: line.sectionTitle,
        stage: line.stage,
        description: line.description,
        bundle: line.bundle?.name ?? null,
        quantity: writeFixed(line.quantity),
        unit: line.unit,
        agreed: money(line.net),
        billed: money(loaded.before[i]!.net),
        left: money(line.net - loaded.before[i]!.net),
      })),
      payments: loaded.payments.map(({ entryId, name, kind, due, amount, billed }) => {
        const bill = loaded.invoices.filter((each) => each.entryId === entryId).at(-1);
        return {
          id: entryId,
          name,
          kind,
          due,
          amount: money(amount),
          billed: money(billed),
          from: billableFrom({ due, kind }, since),
          left: money(amount - billed),
          invoice: bill && billed !== 0n ? { id: bill.id, number: bill.label } : null,
        };
      }),
      invoices: loaded.papers.map((each) => ({
        id: each.id,
        kind: each.kind,
        byEntry: each.entryId !== null,
        number: each.label,
        title: each.title,
        issuedOn: each.issuedOn,
        dueOn: each.dueOn,
        total: each.total,
        paid: money(each.standing.paid),
        open: money(each.standing.open),
        state: each.standing.state,
        overdue: isOverdue(each.standing, each.dueOn, today),
      })),
      stages: loaded.stages.map(({ name, plannedOn, doneOn }) => {
        const at = loaded.lines.flatMap((line, i) => (line.stage === name ? [i] : []));
        const sum = (rows: readonly { readonly net: Amount }[]) =>
          money(sumAmounts(at.map((i) => rows[i]!.net)));
        return {
          name,
          plannedOn,
          doneOn,
          lines: at.length,
          agreed: sum(loaded.lines),
          left: sum(loaded.position.left),
          /** Payments that wait for it and are not billed. */
          waiting: loaded.payments
            .filter(
              ({ due, amount, billed }) => due.on === 'stage' && due.stage === name && amount !== billed,
            )
            .map(({ entryId, name: entry, amount, billed }) => ({
              id: entryId,
              name: entry,
              left: money(amount - billed),
            })),
        };
      }),
      terms: head.billing,
      draft: draft !== undefined,
      held: money(loaded.position.heldGross),
      ahead: money(loaded.position.aheadGross),
      received: payments.map(({ id, method, amount, receivedOn, reference }) => ({
        gone: stillGone(gone.filter(({ paymentId }) => paymentId === id)),
        id,
        method,
        amount,
        receivedOn,
        reference,
      })),
      refunds: refunds.map(({ id, method, amount, paidOn, reference }) => ({
        ...{ id, method, amount, paidOn, reference },
      })),
      credit: money(await creditOf(tx, loaded)),
      creditElsewhere: await creditElsewhere(tx, loaded),
      today,
      mayRecord: may(actor, 'owner', 'office'),
      earned: money(earned),
      ...moneyOf(loaded, earned),
    };
  });
}

export type AgreementAtDesk = Awaited<ReturnType<typeof readAgreement>>;
