import { acceptProposal } from '@/services/booklet/accept';
import { issueInvoice } from '@/services/billing/issue';
import { listAgreements } from '../support/lists';
import { loadAgreement, loadAgreements } from '@/data/agreements/load';
import { readAgreement } from '@/services/agreements/read';
import { readAgreementsReport } from '@/services/reports/agreementsReport';
import { backListCsv, yearOf } from '@/services/reports/reportList';
import { recordPayment } from '@/services/payments/payments';
import { isNothing, parseAmount } from '@/core/number';
import type { Actor } from '@/services/actor';
import { closeConnection, inCompany } from '@/data/connection';
import { demoOwner } from '../support/demo';
import { newAgreement, newCompany, newProposal, sendIt, signatureFor, testDocument } from '../support/desk';

afterAll(closeConnection);

const pay = (actor: Actor, agreementId: string, amount: string) =>
  recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'transfer',
    amount,
    receivedOn: '2026-05-01',
    reference: '',
    idempotencyKey: `list-${agreementId}`,
  });

test('several agreements loaded together are what each is by itself, in the order asked for', async () => {
  const actor = await demoOwner();
  const ids = (await listAgreements(actor)).rows.map(({ id }) => id).reverse();
  expect(ids.length).toBeGreaterThan(2);
  await inCompany(actor, async (tx) => {
    const together = await loadAgreements(tx, ids);
    expect(together.map(({ head }) => head.id)).toEqual(ids);
    // The demo has change orders, allowances, retainage, deposits ahead, credit notes: something of each is compared.
    for (const there of [
      together.some(({ changes }) => changes.length > 0),
      together.some(({ allowances }) => allowances.length > 0),
      together.some(({ invoices }) => invoices.some(({ retainage }) => retainage.length > 0)),
      together.some(({ invoices }) => invoices.some(({ standing }) => standing.paid > 0n)),
    ])
      expect(there).toBe(true);
    for (const one of together) expect(one).toEqual(await loadAgreement(tx, one.head.id));
    // What is not there, or not theirs, is left out.
    expect(await loadAgreements(tx, [crypto.randomUUID(), ids[0]!])).toHaveLength(1);
    expect(await loadAgreements(tx, [])).toEqual([]);
  });
  const stranger = await newCompany();
  expect(await inCompany(stranger.companyId, (tx) => loadAgreements(tx, ids))).toEqual([]);
});

test('under way until the last of it is billed, paid, and given back what was held', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, {
    ...testDocument(),
    billing: { retainage: { percent: '10' } },
  });
  const where = async () => {
    const holds = async (show: 'all' | 'under way' | 'finished') =>
      (await listAgreements(actor, { show })).rows.some(({ id }) => id === agreementId);
    expect(await holds('all')).toBe(true);
    const [open, over] = [await holds('under way'), await holds('finished')];
    expect(open).toBe(!over);
    const { standing, held, credit } = await readAgreement(actor, agreementId);
    // The same as its own page says.
    expect(over).toBe([standing.leftToBill, standing.billedUnpaid, held, credit].every(isNothing));
    return open ? 'under way' : 'finished';
  };
  expect(await where()).toBe('under way');
  await issueInvoice(actor, { agreementId, what: { rest: true } });
  await pay(actor, agreementId, (await readAgreement(actor, agreementId)).standing.billedUnpaid);
  // All is billed and paid but what is held.
  expect((await readAgreement(actor, agreementId)).standing.billedUnpaid).toBe('0.00');
  expect(await where()).toBe('under way');
  await issueInvoice(actor, { agreementId, what: { release: 'all' } });
  expect(await where()).toBe('under way');
  const { standing } = await readAgreement(actor, agreementId);
  await recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'cash',
    amount: standing.billedUnpaid,
    receivedOn: '2026-05-02',
    reference: '',
    idempotencyKey: `list-last-${agreementId}`,
  });
  expect(await where()).toBe('finished');
  // Money of the customer's that is on no invoice has to go somewhere.
  await recordPayment(actor, {
    sure: true,
    ...{ agreementId, method: 'cash', amount: '5', receivedOn: '2026-05-03', reference: '' },
    idempotencyKey: `list-more-${agreementId}`,
  });
  expect(await where()).toBe('under way');
});

test('the demo’s agreements stand where their pages say', async () => {
  const actor = await demoOwner();
  const { rows } = await listAgreements(actor);
  const finished = (await listAgreements(actor, { show: 'finished' })).rows.map(({ id }) => id);
  for (const { id, left, open } of rows) {
    const { held, credit } = await readAgreement(actor, id);
    const over = [left, open, held, credit].every(isNothing);
    expect([id, finished.includes(id)]).toEqual([id, over]);
  }
});

test('found by words, number and address', async () => {
  const actor = await newCompany();
  const titles = ['Porch with 50 % shade', 'Attic room', 'Sunroom_two'];
  for (const title of titles) await newAgreement(actor, { ...testDocument(), title });
  const found = async (search: string) =>
    (await listAgreements(actor, { search })).rows.map(({ title }) => title);
  expect(await found('')).toEqual([...titles].reverse());
  expect(await found('attic ROOM')).toEqual(['Attic room']);
  expect(await found('50 %')).toEqual([titles[0]]);
  expect(await found('n_t')).toEqual([]);
  expect(await found('m_t')).toEqual(['Sunroom_two']);
  const all = (await listAgreements(actor)).rows;
  expect(await found(String(all[1]!.number))).toEqual([all[1]!.title]);
  expect(await found(all[0]!.site.split(',')[0]!)).toHaveLength(3);
  expect(await found('porch cellar')).toEqual([]);
  expect(await found('postcode')).toEqual([]);
});

test('looked back on by the year they were signed in, where the company works', async () => {
  const actor = await newCompany({ timeZone: 'America/New_York' });
  const signedAt = async (now: string) => {
    const token = await sendIt(actor, await newProposal(actor));
    const { visitor, input } = await signatureFor(token);
    return (await acceptProposal({ ...visitor, now: new Date(now) }, input, 'test')).agreementId;
  };
  // Half past three in London on New Year's Day is still the old year in New York.
  const old = await signedAt('2026-01-01T03:30:00Z');
  const young = [await signedAt('2026-01-01T05:30:00Z'), await signedAt('2026-02-03T15:00:00Z')].reverse();
  const of = async (year: number | 'all' | null) => {
    const back = await readAgreementsReport(actor, year);
    return { ...back, ids: back.rows.map(({ id }) => id) };
  };
  expect(await of(null)).toMatchObject({ years: [2026, 2025], year: 2026, ids: young });
  expect((await of(2025)).ids).toEqual([old]);
  expect((await of('all')).ids).toEqual([...young, old]);
  expect((await of(1999)).all).toBeNull();
  const sum = async (year: number | 'all') => parseAmount((await of(year)).all!.sumToDate, 2);
  expect((await sum(2025)) + (await sum(2026))).toBe(await sum('all'));
  expect((await backListCsv(actor, 'agreements', { year: 2025 })).split('\r\n')).toHaveLength(1 + 1 + 1);
  expect([yearOf('2026'), yearOf('all'), yearOf('20'), yearOf(null)]).toEqual([2026, 'all', null, null]);
});
