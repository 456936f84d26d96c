import type { Amount } from '../number';
import { ZERO, moneyOf, sumAmounts, writeAmount, writeFixed } from '../number';
import type { BillingContext } from '../schedule';
import { billableFrom } from '../schedule';
import { isOverdue } from './invoiceStanding';
import type { LoadedAgreement } from './loadedAgreement';
import { stageState } from './stageProgress';
import type { Standing } from './standing';
import { standingOf, trackOf } from './standing';

/* An agreement as people see it: decimal text, and nothing of our cost. */

/** Money of an agreement: agreed, billed, paid and left; charges for late payment are none of it. */
export const agreementStanding = ({ position, invoices, paidBack }: LoadedAgreement): Standing =>
  standingOf(
    position,
    invoices.filter(({ kind }) => kind !== 'late charge').map((each) => each.standing),
    paidBack,
  );

/**
 * Standing and track of a loaded agreement, as decimal text; what is earned only where it is known.
 * @param earned what the work done is worth, with tax
 */
export function standingAndTrack(loaded: LoadedAgreement, earned: Amount = ZERO) {
  const { digits, payments } = loaded;
  const money = moneyOf(digits);
  const standing = agreementStanding(loaded);
  const entries = payments.map(({ entryId, name, amount }) => ({ id: entryId, name, amount }));
  return {
    standing: {
      sumToDate: money.write(standing.sumToDate),
      billed: money.write(standing.billed),
      paid: money.write(standing.paid),
      leftToBill: money.write(standing.leftToBill),
      billedUnpaid: money.write(standing.billedUnpaid),
    },
    track: trackOf(entries, { earned, billed: standing.billed, paid: standing.paid }).map((cut) => ({
      id: cut.id,
      name: cut.name,
      amount: money.write(cut.amount),
      earned: money.write(cut.earned),
      billed: money.write(cut.billed),
      paid: money.write(cut.paid),
    })),
  };
}

/** What charges for late payment came to and is not paid; beside what the agreement itself has open. Decimal text. */
export const lateChargesOpen = ({ invoices, digits }: LoadedAgreement): string =>
  writeAmount(
    sumAmounts(invoices.filter(({ kind }) => kind === 'late charge').map(({ standing }) => standing.open)),
    digits,
  );

/** What is billed on some agreements and not paid, and how much of it is late. Decimal text. */
export function owedOn(loaded: readonly LoadedAgreement[], today: string) {
  const digits = loaded[0]?.digits ?? 2;
  const open = loaded.flatMap(({ invoices }) =>
    invoices.map(({ standing, dueOn }) => ({ open: standing.open, dueOn })),
  );
  const sum = (rows: typeof open) => writeAmount(sumAmounts(rows.map((row) => row.open)), digits);
  return { open: sum(open), late: sum(open.filter((row) => isOverdue(row, row.dueOn, today))) };
}

/** The lines with what is billed of each. */
export function lineViews({ lines, changes, before, digits }: LoadedAgreement) {
  const { write } = moneyOf(digits);
  return lines.map((line, i) => ({
    id: line.id,
    change: changes.find(({ id }) => id === line.changeOrderId)?.number ?? null,
    section: line.sectionTitle,
    stage: line.stage,
    description: line.description,
    bundle: line.bundle?.name ?? null,
    quantity: writeFixed(line.quantity),
    unit: line.unit,
    agreed: write(line.net),
    billed: write(before[i]!.net),
    left: write(line.net - before[i]!.net),
  }));
}

/**
 * The payments of the schedule that other invoices bill already: all that is billed, poured over the schedule from its
 * first payment on, reaches their end.
 */
function coveredPayments(loaded: LoadedAgreement): ReadonlySet<string> {
  const { billed, paid } = agreementStanding(loaded);
  const entries = loaded.payments.map(({ entryId, name, amount }) => ({ id: entryId, name, amount }));
  const cuts = trackOf(entries, { earned: ZERO, billed, paid });
  return new Set(cuts.filter((cut) => cut.amount !== 0n && cut.billed === cut.amount).map(({ id }) => id));
}

/** The payments of the schedule that are still to be billed, by their identity. */
function paymentsToBill(loaded: LoadedAgreement): ReadonlySet<string> {
  const covered = coveredPayments(loaded);
  return new Set(
    agreementStanding(loaded).leftToBill === 0n
      ? []
      : loaded.payments.flatMap(({ entryId, amount, billed }) =>
          amount === billed || covered.has(entryId) ? [] : [entryId],
        ),
  );
}

/** The payments of the schedule: from when each can be billed, what of it is, and on which invoice. */
export function paymentViews(loaded: LoadedAgreement, context: BillingContext) {
  const { payments, invoices, digits } = loaded;
  const { write } = moneyOf(digits);
  const covered = coveredPayments(loaded);
  const toBill = paymentsToBill(loaded);
  return payments.map(({ entryId, name, kind, due, amount, billed }) => {
    const bill = invoices.filter((each) => each.entryId === entryId).at(-1);
    return {
      id: entryId,
      name,
      kind,
      due,
      amount: write(amount),
      billed: write(billed),
      from: billableFrom({ due, kind }, context),
      left: write(amount - billed),
      invoice: bill && billed !== 0n ? { id: bill.id, number: bill.label } : null,
      /** Other invoices bill it. */
      covered: covered.has(entryId),
      /** Something of it is still to be billed. */
      toBill: toBill.has(entryId),
    };
  });
}

/** Everything issued, credit notes too, with where it stands. */
export function paperViews({ papers, digits }: LoadedAgreement, today: string) {
  const { write } = moneyOf(digits);
  return papers.map((each) => ({
    id: each.id,
    kind: each.kind,
    byEntry: each.entryId !== null,
    number: each.label,
    title: each.title,
    issuedOn: each.issuedOn,
    dueOn: each.dueOn,
    total: each.total,
    paid: write(each.standing.paid),
    open: write(each.standing.open),
    state: each.standing.state,
    overdue: isOverdue(each.standing, each.dueOn, today),
  }));
}

/** The stages: how much work is in each, what of it is left to bill, and the payments that wait for it. */
export function stageViews(loaded: LoadedAgreement) {
  const { stages, lines, position, payments, digits } = loaded;
  const { write } = moneyOf(digits);
  const toBill = paymentsToBill(loaded);
  return stages.map(({ name, plannedOn, doneOn, percent, reportedOn }) => {
    const at = lines.flatMap((line, i) => (line.stage === name ? [i] : []));
    const sum = (rows: readonly { readonly net: Amount }[]) => write(sumAmounts(at.map((i) => rows[i]!.net)));
    return {
      name,
      plannedOn,
      doneOn,
      percent,
      reportedOn,
      state: stageState({ doneOn, percent }),
      lines: at.length,
      agreed: sum(lines),
      left: sum(position.left),
      /** Payments that wait for it and are not billed. */
      waiting: payments
        .filter(({ due, entryId }) => due.on === 'stage' && due.stage === name && toBill.has(entryId))
        .map(({ entryId, name: entry, amount, billed }) => ({
          id: entryId,
          name: entry,
          left: write(amount - billed),
        })),
    };
  });
}

/** What was signed, by whom and where it stands, as the head of its page has it. */
export function headView({ head, digits, components, total, lines, position }: LoadedAgreement) {
  const { write } = moneyOf(digits);
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
    net: head.net,
    tax: head.tax,
    total: head.total,
    taxes: components
      .filter(({ amount }) => Number(amount) !== 0)
      .map(({ name, percent, amount }) => ({ name, percent, amount })),
    sumToDate: write(total),
    netToDate: write(sumAmounts(lines.map(({ net }) => net))),
    terms: head.billing,
    held: write(position.heldGross),
    ahead: write(position.aheadGross),
  };
}
