import { eq } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { payByCard } from '@/services/booklet/payCard';
import { mailInvoice } from '@/services/billing/invoiceLetter';
import { loadMoneyPage, listMessages } from '../support/lists';
import { chargeLate, waiveLate } from '@/services/billing/late';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { listReminders, remindByItself, sendReminders } from '@/services/billing/reminders';
import { readProgressStatement } from '@/services/billing/statement';
import { showLink } from '@/services/links';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { readAccount } from '@/services/customers/account';
import { readCustomer } from '@/services/customers/customers';
import { parseAmount } from '@/core/number';
import { plusDays } from '@/core/calendar';
import { closeConnection } from '@/data/connection';
import { reminder } from '@/data/schema';
import type { CompanyMoney } from '@/model';
import { trialCards } from '@/gateways/cards/standIn';
import { newAgreement, newCompany, refusal, visit } from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { asOwner } from '../support/owner';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);

const steps = [
  { id: 'first', days: 7, subject: 'Perhaps it slipped by', words: 'perhaps it slipped by.' },
  { id: 'second', days: 21, subject: 'Still open', words: '' },
];

/** A company that works so, with an agreement and its stage billed. */
async function billed(money: Partial<CompanyMoney>) {
  const actor = await newCompany();
  const { company } = await readSettings(actor);
  const { depositInvoiceOnAcceptance, validityDays, paymentDays, usual } = company;
  await saveSettings(actor, {
    ...{ depositInvoiceOnAcceptance, validityDays, paymentDays, usual },
    money: { ...company.money, ...money },
  });
  const { agreementId, token } = await newAgreement(actor);
  const { id } = await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
  const invoice = await readInvoice(actor, id);
  /** The same person, so many days after the invoice was due. */
  const late = (days: number): Actor => ({
    ...actor,
    now: new Date(`${plusDays(invoice.dueOn, days)}T12:00:00Z`),
  });
  return { actor, agreementId, token, id, invoice, late };
}

test('what paying late costs is stated on the invoice, and stays so when the company changes its mind', async () => {
  const { actor, id, agreementId } = await billed({
    late: { kind: 'interest', percent: '12', graceDays: 10 },
  });
  const { company } = await readSettings(actor);
  const { late: _, ...none } = company.money;
  const { depositInvoiceOnAcceptance, validityDays, paymentDays, usual } = company;
  await saveSettings(actor, { depositInvoiceOnAcceptance, validityDays, paymentDays, usual, money: none });
  expect((await readInvoice(actor, id)).lateTerms).toBe(
    'From the day after it is due, interest of 12 % a year is charged by the day on the unpaid balance, if it is not paid within 10 days.',
  );
  const { id: rest } = await issueInvoice(actor, { agreementId, what: { rest: true } });
  expect((await readInvoice(actor, rest)).lateTerms).toBeNull();
});

test('interest is charged once for each day, on an invoice that is none of the agreement; taken back, it can be charged again', async () => {
  const { actor, agreementId, id, late } = await billed({
    late: { kind: 'interest', percent: '12', graceDays: 10 },
  });
  const before = await readAgreement(actor, agreementId);
  expect((await readInvoice(late(10), id)).late).toBeNull();
  expect((await readInvoice(late(30), id)).late).toMatchObject({ daysLate: 30 });
  const owed = (await readInvoice(late(30), id)).late!.amount;
  const made = await Promise.all(
    [1, 2, 3].map(() => chargeLate(late(30), { invoiceId: id }).catch(() => null)),
  );
  const [charged] = made.filter((each) => each !== null);
  expect(made.filter((each) => each !== null)).toHaveLength(1);
  const charge = await readInvoice(late(30), charged!.id);
  expect(charge).toMatchObject({
    kind: 'late charge',
    total: owed,
    tax: '0.00',
    ofAgreement: false,
    lateTerms: null,
  });
  expect((await refusal(chargeLate(late(30), { invoiceId: id }))).detail).toContain(
    'Nothing is to be charged',
  );
  expect(
    (await refusal(creditInvoice(actor, { invoiceId: charged!.id, what: { whole: true }, remark: '' })))
      .detail,
  ).toContain('as a whole');
  expect((await refusal(readProgressStatement(actor, charged!.id))).status).toBe(404);
  // The agreement is where it was, and what is out is more.
  const after = await readAgreement(actor, agreementId);
  expect(after.standing).toEqual(before.standing);
  expect(after.payments).toEqual(before.payments);
  // The page says it beside what the agreement itself has open; what the customer owes is both.
  expect([before.lateOpen, after.lateOpen]).toEqual(['0.00', owed]);
  const { owed: whole } = await readCustomer(late(30), after.customer.id);
  expect(cents(whole.open)).toBe(cents(after.standing.billedUnpaid) + cents(owed));
  expect((await readAccount(late(30), after.customer.id)).closing).toBe(whole.open);
  const out = Number((await loadMoneyPage(late(30))).out);
  await waiveLate(late(30), { invoiceId: charged!.id });
  expect(Number((await loadMoneyPage(late(30))).out)).toBeCloseTo(out - Number(owed), 6);
  expect((await refusal(waiveLate(late(30), { invoiceId: charged!.id }))).detail).toContain('already');
  expect((await readInvoice(late(30), id)).late?.amount).toBe(owed);
  // The rest of the agreement can be billed as if nothing had been.
  await issueInvoice(late(30), { agreementId, what: { rest: true } });
  expect((await readAgreement(actor, agreementId)).standing.leftToBill).toBe('0.00');
});

test('a charge can be paid like any invoice; a fee comes once', async () => {
  const { agreementId, id, late } = await billed({ late: { kind: 'fee', amount: '45', graceDays: 5 } });
  const { id: fee } = await chargeLate(late(6), { invoiceId: id });
  await recordPayment(late(7), {
    sure: true,
    agreementId,
    method: 'cheque',
    amount: '45',
    receivedOn: '2026-05-01',
    reference: '',
    idempotencyKey: `late-${process.pid}-1`,
    parts: [{ invoiceId: fee, amount: '45' }],
  });
  expect(await readInvoice(late(7), fee)).toMatchObject({ state: 'paid', total: '45.00' });
  expect((await readAgreement(late(7), agreementId)).standing.paid).toBe('0.00');
  expect((await refusal(chargeLate(late(60), { invoiceId: id }))).detail).toContain('Nothing');
});

test('reminders are listed when due, sent once whoever presses, and lead to where it can be paid', async () => {
  const { actor, id, late } = await billed({ reminders: { steps, byItself: false } });
  expect((await listReminders(late(6))).found.filter((each) => each.id === id)).toEqual([]);
  expect((await listReminders(late(8))).found).toContainEqual(
    expect.objectContaining({ id, daysLate: 8, step: steps[0] }),
  );
  const sent = await Promise.all([1, 2, 3].map(() => sendReminders(late(8), { invoiceIds: [id] })));
  expect(sent.map((each) => each.sent).sort()).toEqual([0, 0, 1]);
  const letters = (await listMessages(actor)).filter(({ subject }) =>
    subject.startsWith('Perhaps it slipped by'),
  );
  expect(letters).toHaveLength(1);
  expect(letters[0]!.body).toContain('pay here:\n[private link]\n');
  expect(letters[0]!.body).toContain('perhaps it slipped by.');
  expect((await listReminders(late(9))).found.filter((each) => each.id === id)).toEqual([]);
  expect((await listReminders(late(21))).found[0]?.step.id).toBe('second');
});

test('by themselves only where the company wants it; not while a card payment is on its way', async () => {
  const still = await billed({ reminders: { steps, byItself: false } });
  const alone = await billed({ reminders: { steps, byItself: true } });
  const waits = await billed({ reminders: { steps, byItself: true } });
  const card = {
    card: cardOf(trialCards.delayed),
    invoiceId: waits.id,
    idempotencyKey: `late-card-${process.pid}`,
  };
  await payByCard(await visit(waits.token), card);
  const now = alone.late(8).now;
  await Promise.all([remindByItself(now), remindByItself(now)]);
  const sent = await asOwner((tx) => tx.select().from(reminder).where(eq(reminder.invoiceId, alone.id)));
  expect(sent).toMatchObject([{ step: 'first', sentBy: null }]);
  for (const { id } of [still, waits])
    expect(await asOwner((tx) => tx.select().from(reminder).where(eq(reminder.invoiceId, id)))).toEqual([]);
});

test('an invoice is sent with what it comes to and a link; the seller may, the link works', async () => {
  const { actor, id, invoice } = await billed({});
  await mailInvoice(inRole(actor, 'seller'), { invoiceId: id });
  const [letter] = (await listMessages(actor)).filter(({ subject }) => subject.includes(invoice.number));
  expect(letter!.body).toContain('It is due on');
  // Whoever may send an invoice may be shown its link.
  const { address } = await showLink(inRole(actor, 'office'), { linkId: letter!.link!.id });
  const token = /\/b\/([A-Za-z0-9_-]{43})#pay$/.exec(address)![1]!;
  expect((await visit(token)).companyId).toBe(actor.companyId);
});
