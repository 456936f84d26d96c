import type { Transaction } from '@/data/connection';
import type { InvoiceDraft, IssuedKind, LoadedAgreement, Portion } from '@/core/billing';
import { creditPutOn, dueAtOnce, layoutOfNote, layoutToBeginWith, paperSums } from '@/core/billing';
import type { Amount } from '@/core/number';
import { addAmounts, moneyOf, negateAmount, sumAmounts } from '@/core/number';
import type { InvoiceShows } from '@/model';
import { printedNumber } from '@/model';
import { businessDate, daysAfter, newId, recordAudit } from '../actor';
import { companyOf } from '@/data/settings/company';
import { sourcesOf, spend } from '@/data/payments/credit';
import { nextNumber, patternOf, seriesOf } from '../numbers';
import { Problem } from '../problem';
import { customerById } from '@/data/customers/customer';
import { findInvoiceLabelled, insertInvoice } from '@/data/billing/invoice';
import { findUsualLayout } from '@/data/billing/paperLayout';
import { insertDraw } from '@/data/billing/draw';
import { insertDrawTax } from '@/data/billing/drawTax';
import { insertInvoiceAdjustment } from '@/data/billing/invoiceAdjustment';
import { insertInvoiceAdjustmentTax } from '@/data/billing/invoiceAdjustmentTax';

/** Who issues: a person at the desk, or (null) the acceptance itself. */
export interface Issuer {
  readonly companyId: string;
  readonly userId: string | null;
  readonly now: Date;
}

/** How a paper looks, beside what it bills. */
export interface PaperOptions {
  readonly title?: string | undefined;
  readonly shows?: InvoiceShows | undefined;
  readonly remark?: string | undefined;
  /** The invoice a credit note takes back. */
  readonly credits?: string | undefined;
  /** The day it is due, where it is not the usual one. */
  readonly dueOn?: string | undefined;
}

/** What stands over a paper that would be issued now: dates, parties, what paying late costs. A deposit and a credit note are due at once. */
export async function headOf(
  tx: Transaction,
  { companyId, now }: Pick<Issuer, 'companyId' | 'now'>,
  loaded: LoadedAgreement,
  made: Pick<PaperRow, 'kind' | 'entryId'>,
) {
  const ours = await companyOf(tx, companyId);
  const [payer] = await customerById(tx, loaded.head.customerId);
  const issuedOn = businessDate(now, ours.timeZone);
  return {
    issuedOn,
    dueOn: dueAtOnce(loaded.ledger, made) ? issuedOn : daysAfter(issuedOn, ours.paymentDays),
    seller: { name: ours.name, address: ours.address, email: ours.email, taxNumber: ours.taxNumber },
    buyer: { name: payer!.name, address: payer!.billing, email: payer!.email, taxNumber: null },
    lateTerms: made.kind === 'credit note' || made.kind === 'late charge' ? null : (ours.money.late ?? null),
  };
}

/** An invoice is due a year after it was issued, at the latest. */
const LATEST_DUE = 366;

/** @throws Problem `due-day-out-of-reach` */
function refuseDueDay(dueOn: string, issuedOn: string): string {
  if (dueOn >= issuedOn && dueOn <= daysAfter(issuedOn, LATEST_DUE)) return dueOn;
  throw new Problem(
    'due-day-out-of-reach',
    'An invoice is due on the day it is issued or within a year of it.',
    { errors: [{ pointer: '/dueOn', detail: 'out of reach' }] },
  );
}

/**
 * A number that was printed once is not printed again, however the company numbers since.
 * @throws Problem `number-taken`
 */
async function refuseTakenLabel(tx: Transaction, label: string): Promise<void> {
  const [taken] = await findInvoiceLabelled(tx, label);
  if (taken)
    throw new Problem(
      'number-taken',
      `${label} is on another paper already. Give a higher next number, or another prefix, under Settings, Numbers.`,
    );
}

/** The row of a paper: what it is and what it comes to. */
export interface PaperRow {
  readonly kind: IssuedKind;
  readonly entryId: string | null;
  readonly countsTowardRetainage: boolean;
  readonly title: string;
  readonly net: Amount;
  readonly tax: Amount;
  readonly lateOf?: string;
  readonly lateUntil?: string;
}

/**
 * Stores a paper on a locked agreement, with its number, but nothing it draws. Credit of the customer is put on an invoice;
 * a credit note is put on the invoice it takes back.
 */
export async function insertRow(
  tx: Transaction,
  issuer: Issuer,
  loaded: LoadedAgreement,
  { net, tax, ...row }: PaperRow,
  options: PaperOptions = {},
) {
  const { companyId, now } = issuer;
  const agreementId = loaded.head.id;
  const isCredit = row.kind === 'credit note';
  const total = addAmounts(net, tax);
  const money = moneyOf(loaded.digits);
  const { lateTerms, ...head } = await headOf(tx, issuer, loaded, row);
  const id = newId(now);
  const credited = loaded.invoices.find((each) => each.id === options.credits);
  // What the customer has to their credit pays what is issued now.
  const sources = isCredit ? [] : await sourcesOf(tx, loaded);
  const credit = sumAmounts(sources.map(({ left }) => left));
  const creditUsed = creditPutOn(row.kind, total, credit);

  const series = isCredit ? 'credit note' : 'invoice';
  const year = Number(head.issuedOn.slice(0, 4));
  const pattern = patternOf(series, (await companyOf(tx, companyId)).numbers);
  const number = await nextNumber(tx, companyId, seriesOf(series, pattern, year));
  const label = printedNumber(pattern, year, number);
  await refuseTakenLabel(tx, label);
  await insertInvoice(tx, {
    companyId,
    id,
    agreementId,
    series,
    year,
    number,
    label,
    position: loaded.papers.length + 1,
    credits: credited?.id ?? null,
    ...row,
    title: options.title?.trim() || (credited ? `Credit for invoice ${credited.label}` : row.title),
    shows:
      options.shows ??
      (credited ? layoutOfNote(credited.shows) : layoutToBeginWith(loaded.papers, await findUsualLayout(tx))),
    remark: options.remark?.trim() ?? '',
    ...head,
    ...(options.dueOn === undefined || isCredit ? {} : { dueOn: refuseDueDay(options.dueOn, head.issuedOn) }),
    lateTerms,
    net: money.write(net),
    tax: money.write(tax),
    total: money.write(total),
    billedBefore: money.write(loaded.position.billed),
    creditUsed: money.write(creditUsed),
    issuedBy: issuer.userId,
    issuedAt: now,
  });
  if (creditUsed > 0n) await spend(tx, issuer, sources, { invoiceId: id }, creditUsed, loaded.digits);
  if (credited && total < 0n) {
    const { open } = credited.standing;
    const off = (open < -total ? open : -total) as Amount;
    const source = { from: { creditNoteId: id }, at: now, left: negateAmount(total) };
    await spend(tx, issuer, [source], { invoiceId: credited.id }, off, loaded.digits);
  }
  await recordAudit(tx, issuer, isCredit ? 'credit note issued' : 'invoice issued', id, {
    number: label,
    agreementId,
    total: money.write(total),
  });
  return { id, label, total };
}

/**
 * Stores an invoice or a credit note that the core made of a locked agreement, with its draws and what is held or counted
 * off.
 */
export async function insertPaper(
  tx: Transaction,
  issuer: Issuer,
  loaded: LoadedAgreement,
  made: InvoiceDraft,
  options: PaperOptions = {},
) {
  const { companyId } = issuer;
  const agreementId = loaded.head.id;
  const { net, tax } = paperSums(made, loaded.components.length);
  const money = moneyOf(loaded.digits);
  const { kind, entryId, countsTowardRetainage, title } = made;
  const issued = await insertRow(
    tx,
    issuer,
    loaded,
    { kind, entryId, countsTowardRetainage, title, net, tax },
    options,
  );
  const key = { companyId, invoiceId: issued.id, agreementId };
  const taxed = <T extends object>(row: T, taxes: readonly bigint[]) =>
    taxes.flatMap((tax, position) =>
      tax === 0n ? [] : [{ ...key, ...row, position, amount: money.write(tax) }],
    );
  if (made.draws.length > 0) {
    await insertDraw(
      tx,
      made.draws.map(({ lineId, net }) => ({ ...key, lineId, net: money.write(net) })),
    );
    const taxes = made.draws.flatMap(({ lineId, taxes: each }) => taxed({ lineId }, each));
    if (taxes.length > 0) await insertDrawTax(tx, taxes);
  }
  const parts: (Portion & { kind: 'retainage' | 'advance' })[] = [
    ...made.retainage.map((portion) => ({ ...portion, kind: 'retainage' as const })),
    ...made.advance.map((portion) => ({ ...portion, kind: 'advance' as const })),
  ];
  if (parts.length > 0) {
    await insertInvoiceAdjustment(
      tx,
      parts.map(({ kind, taxClass, net }) => ({ ...key, kind, taxClass, net: money.write(net) })),
    );
    const taxes = parts.flatMap(({ kind, taxClass, taxes: each }) => taxed({ kind, taxClass }, each));
    if (taxes.length > 0) await insertInvoiceAdjustmentTax(tx, taxes);
  }

  return issued;
}
