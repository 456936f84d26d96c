import { sql } from 'drizzle-orm';
import type { Actor } from '@/acts/actor';
import { listAgreements } from '@/acts/agreements/read';
import { listCustomers } from '@/acts/customers/customers';
import { listItems, listTemplates } from '@/acts/library/library';
import { readMoney } from '@/acts/money/invoices';
import { listProposals, readProposal } from '@/acts/proposals/read';
import { beforeCompany, closeConnection } from '@/data/connection';
import { checkDocument } from '@/core/offer';
import { parseAmount, sumAmounts } from '@/core/number';

afterAll(closeConnection);

/** The demo that every fresh database is filled with, as its owner sees it. */
async function owner(): Promise<Actor> {
  const { rows } = await beforeCompany((tx) =>
    tx.execute<{ company_id: string; id: string }>(
      sql`select company_id, id from app_user where email = 'perrin@quillbank.example'`,
    ),
  );
  const { company_id: companyId, id: userId } = rows[0]!;
  return { companyId, userId, name: 'Perrin Ashdown', role: 'owner', now: new Date() };
}

test('has something true on every screen: a library, customers, proposals in every state, money late and in time', async () => {
  const actor = await owner();
  expect((await listItems(actor)).length).toBeGreaterThanOrEqual(60);
  expect(await listTemplates(actor)).toHaveLength(3);
  expect(await listCustomers(actor)).toHaveLength(6);
  const proposals = await listProposals(actor);
  expect(proposals).toHaveLength(14);
  expect(new Set(proposals.map(({ state }) => state))).toEqual(
    new Set(['draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn']),
  );
  const { invoices } = await readMoney(actor);
  expect(new Set(invoices.map(({ state }) => state))).toEqual(new Set(['issued', 'part paid', 'paid']));
  expect(invoices.some(({ overdue }) => overdue)).toBe(true);
});

test('obeys its own rules: every document stands, every agreement and its invoices add up', async () => {
  const actor = await owner();
  for (const { id, title } of await listProposals(actor)) {
    const { document } = await readProposal(actor, id);
    const wrong = checkDocument(document).filter(({ weight }) => weight !== 'look');
    expect([title, wrong]).toEqual([title, []]);
  }
  const cents = (text: string) => parseAmount(text, 2);
  for (const { standing, track } of await listAgreements(actor)) {
    expect(sumAmounts(track.map(({ amount }) => cents(amount)))).toBe(cents(standing.sumToDate));
    expect(sumAmounts(track.map(({ billed }) => cents(billed)))).toBe(cents(standing.billed));
    expect(sumAmounts(track.map(({ paid }) => cents(paid)))).toBe(cents(standing.paid));
    expect(cents(standing.billed) + cents(standing.leftToBill)).toBe(cents(standing.sumToDate));
  }
  const money = await readMoney(actor);
  expect(sumAmounts(money.invoices.map(({ open }) => cents(open)))).toBe(cents(money.out));
});

test('names nobody who could exist: addresses of mail that lead nowhere, numbers that ring nowhere', async () => {
  const actor = await owner();
  for (const { email, phone } of await listCustomers(actor)) {
    // RFC 2606: names under .example belong to nobody.
    expect(email).toMatch(/\.example$/);
    expect(phone).toMatch(/^\(000\) 555-0\d{3}$/);
  }
});
