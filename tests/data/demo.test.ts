import { listAgreements } from '../support/lists';
import { readAgreement } from '@/services/agreements/read';
import { offerCustomers } from '@/services/customers/customers';
import { listItems, listTemplates } from '@/services/library/library';
import { loadMoneyPage } from '../support/lists';
import { listProposals, readProposal } from '@/services/proposals/read';
import { closeConnection } from '@/data/connection';
import { checkDocument } from '@/core/offer';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts } from '@/core/number';
import { demoOwner } from '../support/demo';

afterAll(closeConnection);

test('has something true on every screen: a library, customers, proposals in every state, money late and in time', async () => {
  const actor = await demoOwner();
  expect((await listItems(actor)).length).toBeGreaterThanOrEqual(60);
  expect(await listTemplates(actor)).toHaveLength(3);
  expect((await offerCustomers(actor)).found).toHaveLength(6);
  const proposals = await listProposals(actor);
  expect(proposals).toHaveLength(15);
  expect(new Set(proposals.map(({ state }) => state))).toEqual(
    new Set(['draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn']),
  );
  const { invoices } = await loadMoneyPage(actor);
  expect(new Set(invoices.map(({ state }) => state))).toEqual(
    new Set(['issued', 'overdue', 'part paid', 'paid', 'credit note']),
  );
  expect(invoices.some(({ overdue }) => overdue)).toBe(true);
});

test('obeys its own rules: every document stands, every agreement and its invoices add up', async () => {
  const actor = await demoOwner();
  for (const { id, title } of await listProposals(actor)) {
    const { document } = await readProposal(actor, id);
    const wrong = checkDocument(document).filter(({ weight }) => weight !== 'look');
    expect([title, wrong]).toEqual([title, []]);
  }
  const cents = (text: string) => parseAmount(text, 2);
  for (const { sum: toDate, billed: asked, paid: received, left, track } of (await listAgreements(actor))
    .rows) {
    expect(sumAmounts(track.map(({ amount }) => cents(amount)))).toBe(cents(toDate));
    expect(sumAmounts(track.map(({ billed }) => cents(billed)))).toBe(cents(asked));
    expect(sumAmounts(track.map(({ paid }) => cents(paid)))).toBe(cents(received));
    expect(cents(asked) + cents(left)).toBe(cents(toDate));
  }
  const money = await loadMoneyPage(actor);
  expect(sumAmounts(money.invoices.map(({ open }) => cents(open)))).toBe(cents(money.out));
  // Every figure is the sum of what it opens.
  const sum = (rows: readonly { readonly sum: string }[]) => sumAmounts(rows.map((row) => cents(row.sum)));
  expect(sum(money.byAge)).toBe(cents(money.out));
  for (const [list, figure] of [
    ['to-bill', money.toBill],
    ['held', money.held],
    ['credit', money.credit],
  ] as const)
    expect([list, sum((await loadMoneyPage(actor, list)).agreements)]).toEqual([list, cents(figure)]);
  const late = await loadMoneyPage(actor, 'overdue');
  expect(sumAmounts(late.invoices.map(({ open }) => cents(open)))).toBe(cents(money.overdue));
  const received = await loadMoneyPage(actor, 'received');
  expect(sumAmounts(received.payments.map(({ amount }) => cents(amount)))).toBe(
    cents(money.receivedThisMonth),
  );
  // And says the same as the agreements themselves.
  const agreements = await Promise.all(
    (await listAgreements(actor)).rows.map(({ id }) => readAgreement(actor, id)),
  );
  expect(sumAmounts(agreements.map(({ held }) => cents(held)))).toBe(cents(money.held));
  expect(sumAmounts(agreements.map(({ credit }) => cents(credit)))).toBe(cents(money.credit));
  expect(cents(money.held)).toBeGreaterThan(0n);
  const toBill = agreements.map(({ payments, standing, held, today }) => {
    const due = sumAmounts(
      payments.filter(({ from }) => from !== null && from <= today).map(({ amount }) => cents(amount)),
    );
    const open = due - cents(standing.billed) - cents(held);
    return (open > 0n ? open : 0n) as Amount;
  });
  expect(sumAmounts(toBill)).toBe(cents(money.toBill));
  expect(cents(money.toBill)).toBeGreaterThan(0n);
});

test('names nobody who could exist: addresses of mail that lead nowhere, numbers that ring nowhere', async () => {
  const actor = await demoOwner();
  for (const { email, phone } of (await offerCustomers(actor)).found) {
    // RFC 2606: names under .example belong to nobody.
    expect(email).toMatch(/\.example$/);
    expect(phone).toMatch(/^\(000\) 555-0\d{3}$/);
  }
});
