import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { customer, draw, drawTax, invoice } from '@/data/schema';
import type { Draw } from '@/core/billing';
import { BillingError, drawAmount, drawRest, drawSums, grossOf } from '@/core/billing';
import { writeAmount } from '@/core/number';
import type { IssueInput as Input } from '@/model';
import { IssueInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, daysAfter, newId, note } from '../actor';
import { check } from '../check';
import { companyOf } from '../company';
import { spendCredit } from '../money/credit';
import { nextNumber } from '../numbers';
import { Problem } from '../problem';
import type { LoadedAgreement } from './money';
import { loadAgreement } from './money';

/** Who issues: a person at the desk, or (null) the acceptance itself. */
export interface Issuer {
  readonly companyId: string;
  readonly userId: string | null;
  readonly now: Date;
}

type What = Input['what'];

function drawsFor(loaded: LoadedAgreement, what: What): { draws: Draw[]; title: string } {
  try {
    if ('rest' in what) {
      const draws = drawRest(loaded.lines, loaded.before);
      if (grossOf(draws) <= 0n)
        throw new Problem(
          422,
          'What is left is in the customer’s favour: more is billed than the sum to date. That takes a credit note.',
        );
      return { draws, title: 'All that is left' };
    }
    const entry = loaded.payments.find(({ entryId }) => entryId === what.entryId);
    if (!entry) throw new Problem(404, 'There is no such payment in the schedule.');
    const billed = loaded.invoices.find(({ entryId }) => entryId === what.entryId);
    if (billed)
      throw new Problem(409, `“${entry.name}” is billed already, with invoice ${billed.number}.`, {
        context: { invoiceId: billed.id },
      });
    return { draws: drawAmount(loaded.lines, loaded.before, entry.amount), title: entry.name };
  } catch (error) {
    if (error instanceof BillingError) throw new Problem(422, error.message);
    throw error;
  }
}

/** What an invoice would be, line by line, without issuing it. Amounts as decimal text. */
export async function previewInvoice(actor: Actor, input: unknown) {
  allow(actor, 'owner', 'office', 'seller');
  const { agreementId, what } = check(IssueInput, input, 'The invoice');
  return inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const { draws, title } = drawsFor(loaded, what);
    const money = (value: bigint) => writeAmount(value as never, loaded.digits);
    const sums = drawSums(draws, loaded.components.length);
    const before = grossOf(loaded.before);
    const byId = new Map(draws.map((each) => [each.lineId, each]));
    return {
      title,
      contractSum: money(loaded.total),
      billedBefore: money(before),
      net: money(sums.net),
      taxes: loaded.components
        .map((component, i) => ({ name: component.name, percent: component.percent, amount: sums.taxes[i]! }))
        .filter(({ amount }) => amount !== 0n)
        .map((tax) => ({ ...tax, amount: money(tax.amount) })),
      total: money(sums.total),
      leftAfter: money(loaded.total - before - sums.total),
      lines: loaded.lines.flatMap((line, i) => {
        const drawn = byId.get(line.id);
        return drawn
          ? [
              {
                id: line.id,
                section: line.sectionTitle,
                description: line.description,
                agreed: money(line.net),
                before: money(loaded.before[i]!.net),
                now: money(drawn.net),
              },
            ]
          : [];
      }),
    };
  });
}

export type InvoicePreview = Awaited<ReturnType<typeof previewInvoice>>;

/** Stores an invoice with its draws inside a transaction. Locks the agreement, then the series. */
export async function insertInvoice(tx: Transaction, issuer: Issuer, agreementId: string, what: What) {
  const loaded = await loadAgreement(tx, agreementId, { lock: true });
  const { draws, title } = drawsFor(loaded, what);
  const sums = drawSums(draws, loaded.components.length);
  const money = (value: bigint) => writeAmount(value as never, loaded.digits);
  const ours = await companyOf(tx, issuer.companyId);
  const [payer] = await tx.select().from(customer).where(eq(customer.id, loaded.head.customerId));
  const issuedOn = businessDate(issuer.now, ours.timeZone);
  const isDeposit =
    'entryId' in what && loaded.payments.find(({ entryId }) => entryId === what.entryId)?.kind === 'deposit';
  const id = newId(issuer.now);
  const number = await nextNumber(tx, issuer.companyId, 'invoice');
  await tx.insert(invoice).values({
    companyId: issuer.companyId,
    id,
    agreementId,
    number,
    entryId: 'entryId' in what ? what.entryId : null,
    title,
    issuedOn,
    dueOn: isDeposit ? issuedOn : daysAfter(issuedOn, ours.paymentDays),
    seller: { name: ours.name, address: ours.address, email: ours.email, taxNumber: ours.taxNumber },
    buyer: { name: payer!.name, address: payer!.billing, email: payer!.email, taxNumber: null },
    net: money(sums.net),
    tax: money(sums.total - sums.net),
    total: money(sums.total),
    billedBefore: money(grossOf(loaded.before)),
    issuedBy: issuer.userId,
    issuedAt: issuer.now,
  });
  const key = { companyId: issuer.companyId, invoiceId: id, agreementId };
  await tx.insert(draw).values(draws.map(({ lineId, net }) => ({ ...key, lineId, net: money(net) })));
  const taxRows = draws.flatMap(({ lineId, taxes }) =>
    taxes.flatMap((tax, position) => (tax === 0n ? [] : [{ ...key, lineId, position, amount: money(tax) }])),
  );
  if (taxRows.length > 0) await tx.insert(drawTax).values(taxRows);
  await spendCredit(tx, issuer.companyId, agreementId, { id, total: sums.total }, loaded.digits);
  await note(tx, issuer, 'invoice issued', id, { number, agreementId, total: money(sums.total) });
  return { id, number, total: sums.total };
}

/**
 * Issues an invoice on an agreement: for a schedule entry, or for all that is left. From then on it never changes. All
 * or nothing: the number is taken in the same transaction.
 */
export async function issueInvoice(actor: Actor, input: unknown): Promise<{ id: string; number: number }> {
  allow(actor, 'owner', 'office', 'seller');
  const { agreementId, what } = check(IssueInput, input, 'The invoice');
  return inCompany(actor.companyId, async (tx) => {
    const { id, number } = await insertInvoice(tx, actor, agreementId, what);
    return { id, number };
  });
}
