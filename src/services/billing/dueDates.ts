import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { findInvoicesDue, findPaymentsDue, findStagesPlanned } from '@/data/billing/dueDates';
import { openInvoiceIds } from '@/data/billing/moneySums';
import { trackOf } from '@/core/billing';
import { ZERO, minorDigits, showAmount, sumAmounts } from '@/core/number';
import type { DayEvent } from '@/formats/ics/dueDates';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { loadAgreements } from '@/data/agreements/load';
import { standingsByInvoice } from '@/data/billing/settled';
import { companyOf } from '@/data/settings/company';

/** Days that matter at one time. */
const MOST = 2000;

/** Payments of some agreements, `agreement entry`, that what is billed so far, by whatever path, does not cover yet. */
async function notBilled(tx: Transaction, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const open = (await loadAgreements(tx, ids)).flatMap(({ head, payments, position }) =>
    trackOf(
      payments.map(({ entryId, name, amount }) => ({ id: entryId, name, amount })),
      { earned: ZERO, billed: sumAmounts([position.billed, position.heldGross]), paid: ZERO },
    )
      .filter(({ amount, billed }) => billed < amount)
      .map(({ id }) => `${head.id} ${id}`),
  );
  return new Set(open);
}

/** What falls due and when: open invoices, stages planned and not done, payments the schedules name a day for and that are not billed. */
export async function listDueDates(actor: Actor): Promise<DayEvent[]> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const today = businessDate(actor.now, ours.timeZone);
    const ids = await openInvoiceIds(tx, null, MOST);
    const bills = await findInvoicesDue(tx, ids);
    const standings = await standingsByInvoice(tx, bills, digits);
    const stages = await findStagesPlanned(tx, MOST);
    const entries = await findPaymentsDue(tx, today, MOST);
    const waiting = await notBilled(tx, [...new Set(entries.map(({ agreementId }) => agreementId))]);
    const of = (row: { title: string; number: number; customer: string }) =>
      `${row.title}, agreement ${row.number}, ${row.customer}`;
    return [
      ...bills.map((row): DayEvent => ({
        id: row.id,
        day: row.dueOn,
        title: `Invoice ${row.label} due: ${showAmount(standings.get(row.id)!.open, digits)} ${ours.currency}`,
        text: of(row),
      })),
      ...stages.map((row): DayEvent => ({
        id: `${row.agreementId}-stage-${row.name}`,
        day: row.day!,
        title: `${row.name} planned`,
        text: of(row),
      })),
      ...entries.flatMap((row): DayEvent[] =>
        row.due.on === 'date' && waiting.has(`${row.agreementId} ${row.entryId}`)
          ? [
              {
                id: `${row.agreementId}-payment-${row.entryId}`,
                day: row.due.date,
                title: `To bill: ${row.name}`,
                text: of(row),
              },
            ]
          : [],
      ),
    ].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  });
}
