import { reversalName, wayOf } from '@/core/text/names';
import { inCompany } from '@/data/connection';
import { accountOf } from '@/core/billing';
import type { Amount } from '@/core/number';
import { isBelowZero, minorDigits, moneyOf, writeAmount } from '@/core/number';
import { plusDays } from '@/core/calendar';
import type { AccountPaper } from '@/formats/accountPaper';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { standingsByInvoice } from '@/data/billing/settled';
import { companyOf } from '@/data/settings/company';
import { noSuch, Problem } from '../problem';
import { customerById } from '@/data/customers/customer';
import { findInvoicesOfCustomer } from '@/data/billing/invoice';
import { findPaymentsOfCustomer } from '@/data/payments/payment';
import { findReversalsOfCustomer } from '@/data/payments/paymentReversal';
import { findRefundsOfCustomer } from '@/data/payments/refund';

/** How far a statement of account goes back where nobody says, in days. */
const USUAL_DAYS = 90;

/**
 * A customer's account across all agreements: what was billed, taken back, paid, went back and was paid back, with the
 * balance after each; and the invoices that are open.
 * @param range from a day to a day; without it, the last three months
 * @throws Problem `dates-reversed`, `no-such-customer`
 */
export async function readAccount(
  actor: Actor,
  customerId: string,
  range: { readonly from?: string | undefined; readonly to?: string | undefined } = {},
): Promise<AccountPaper> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const [payer] = await customerById(tx, customerId);
    if (!payer) throw noSuch('customer');
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const to = range.to ?? today;
    const from = range.from ?? plusDays(to, -USUAL_DAYS);
    if (from > to) throw new Problem('dates-reversed', 'The first day is after the last.');
    const digits = minorDigits(ours.currency);
    const money = moneyOf(digits);
    const write = (value: bigint) => writeAmount(value as Amount, digits);
    const minus = (text: string) => -money.parse(text) as Amount;

    const papers = await findInvoicesOfCustomer(tx, customerId);
    const payments = await findPaymentsOfCustomer(tx, customerId);
    const reversals = await findReversalsOfCustomer(tx, customerId);
    const refunds = await findRefundsOfCustomer(tx, customerId);

    const account = accountOf(
      [
        ...papers.map(({ row, number }) => ({
          day: row.issuedOn,
          what: `${row.kind === 'credit note' ? 'Credit note' : 'Invoice'} ${row.label}`,
          detail: `${row.title}, agreement ${number}`,
          amount: money.parse(row.total),
        })),
        ...payments.map(({ receivedOn, reference, amount, ...row }) => ({
          day: receivedOn,
          what: `Received by ${wayOf(row)}`,
          detail: reference,
          amount: minus(amount),
        })),
        ...reversals.map(({ row: { on, kind, reason, amount } }) => ({
          day: on,
          what: reversalName(kind, isBelowZero(amount)),
          detail: reason,
          amount: money.parse(amount),
        })),
        ...refunds.map(({ paidOn, reference, amount, ...row }) => ({
          day: paidOn,
          what: `Refunded by ${wayOf(row)}`,
          detail: reference,
          amount: money.parse(amount),
        })),
      ],
      from,
      to,
    );
    const standings = await standingsByInvoice(
      tx,
      papers.map(({ row }) => row),
      digits,
    );
    return {
      seller: { name: ours.name, address: ours.address, email: ours.email, taxNumber: ours.taxNumber },
      buyer: { name: payer.name, address: payer.billing, email: payer.email, taxNumber: null },
      currency: ours.currency,
      from,
      to,
      opening: write(account.opening),
      rows: account.rows.map(({ day, what, detail, amount, balance }) => ({
        day,
        what,
        detail,
        amount: write(amount),
        balance: write(balance),
      })),
      closing: write(account.closing),
      open: papers
        .filter(({ row }) => row.kind !== 'credit note' && row.issuedOn <= to)
        .map(({ row }) => ({ row, left: standings.get(row.id)!.open }))
        .filter(({ left }) => left > 0n)
        .map(({ row, left }) => ({
          id: row.id,
          number: row.label,
          title: row.title,
          dueOn: row.dueOn,
          late: row.dueOn < today,
          open: write(left),
        })),
    };
  });
}
