import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { companiesThatRemind } from '@/data/before';
import { inCompany } from '@/data/connection';
import { openInvoiceIds } from '@/data/billing/moneySums';
import { reminderDue } from '@/core/billing';
import { daysBetween } from '@/core/calendar';
import { ZERO, minorDigits, writeAmount } from '@/core/number';
import { whoGets } from '@/core/text/recipients';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, businessDate, recordAudit } from '../actor';
import type { Issuer } from './insertPaper';
import { loadAgreement } from '@/data/agreements/load';
import { standingsByInvoice } from '@/data/billing/settled';
import { cutOffer } from '../offered';
import { check } from '../check';
import { peopleOfCustomers } from '@/data/customers/people';
import { companyOf } from '@/data/settings/company';
import { onItsWay } from '@/data/payments/onItsWay';
import { sendInvoiceLetter } from './invoiceLetter';
import { findInvoicesToRemind } from '@/data/billing/invoice';
import { findRemindersOfInvoices, insertReminderOnce } from '@/data/billing/reminder';

/** Reminders that are listed and sent at one time. */
const MOST = 300;

/** Invoices whose next reminder is due today, those waiting longest first. None where a card payment is on its way. */
async function remindersDue(tx: Transaction, companyId: string, now: Date, most = MOST) {
  const ours = await companyOf(tx, companyId);
  const steps = ours.money.reminders?.steps ?? [];
  if (steps.length === 0) return [];
  const today = businessDate(now, ours.timeZone);
  const digits = minorDigits(ours.currency);
  const ids = await openInvoiceIds(tx, null, 10 * MOST);
  if (ids.length === 0) return [];
  const rows = await findInvoicesToRemind(tx, ids);
  const people = await peopleOfCustomers(tx, [...new Set(rows.map(({ payer }) => payer.id))]);
  const sent = await findRemindersOfInvoices(tx, ids);
  const waits = await onItsWay(tx, ids, digits, now);
  const standings = await standingsByInvoice(tx, rows, digits);
  return rows
    .flatMap(({ total: _, payer, ...row }) => {
      const days = sent.filter(({ invoiceId }) => invoiceId === row.id).map((each) => each.days);
      const step = reminderDue(steps, row, today, days);
      if (!step || (waits.get(row.id) ?? ZERO) > 0n) return [];
      const { open } = standings.get(row.id)!;
      const email = whoGets(payer, people.get(payer.id) ?? [], 'invoices').to;
      return [
        { ...row, email, step, open: writeAmount(open, digits), daysLate: daysBetween(row.dueOn, today) },
      ];
    })
    .slice(0, most);
}

/** The reminders due today, for the desk, and whether there are more than are sent at one time. */
export async function listReminders(actor: Actor) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) =>
    cutOffer(await remindersDue(tx, actor.companyId, actor.now, MOST + 1), MOST),
  );
}

export type DueReminder = Awaited<ReturnType<typeof listReminders>>['found'][number];

/** Sends one reminder, unless it went out meanwhile or the invoice was paid. */
async function remind(tx: Transaction, who: Issuer, due: DueReminder): Promise<boolean> {
  if (due.email === '') return false;
  const loaded = await loadAgreement(tx, due.agreementId, { lock: true });
  const bill = loaded.invoices.find(({ id }) => id === due.id)!;
  if (bill.standing.open <= 0n) return false;
  const made = await insertReminderOnce(tx, {
    companyId: who.companyId,
    id: newId(who.now),
    invoiceId: due.id,
    step: due.step.id,
    days: due.step.days,
    subject: due.step.subject,
    sentBy: who.userId,
    sentAt: who.now,
  });
  if (made.length === 0) return false;
  await sendInvoiceLetter(tx, who, loaded, bill, due.step);
  await recordAudit(tx, who, 'reminder sent', due.id, { step: due.step.subject });
  return true;
}

const RemindInput = Type.Object(
  { invoiceIds: Type.Array(EntityId, { minItems: 1, maxItems: MOST }) },
  { additionalProperties: false },
);

/** Sends the reminders due for some invoices, each once. */
export async function sendReminders(actor: Actor, input: unknown): Promise<{ sent: number }> {
  allow(actor, 'money');
  const { invoiceIds } = check(RemindInput, input, 'The reminders');
  return inCompany(actor, async (tx) => {
    let sent = 0;
    for (const due of await remindersDue(tx, actor.companyId, actor.now))
      if (invoiceIds.includes(due.id) && (await remind(tx, actor, due))) sent += 1;
    return { sent };
  });
}

/** Sends what is due for every company that wants it sent by itself. Safe to run at any time, also at several places at once. */
export async function remindByItself(now: Date): Promise<number> {
  let sent = 0;
  for (const companyId of await companiesThatRemind()) {
    sent += await inCompany(companyId, async (tx) => {
      let count = 0;
      for (const due of await remindersDue(tx, companyId, now))
        if (await remind(tx, { companyId, userId: null, now }, due)) count += 1;
      return count;
    });
  }
  return sent;
}
