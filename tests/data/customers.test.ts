import type { Actor } from '@/services/actor';
import { readAgreement } from '@/services/agreements/read';
import { issueInvoice } from '@/services/billing/issue';
import { openBooklet } from '@/services/booklet/open';
import { offerCustomers, readCustomer, saveCustomer, saveSite } from '@/services/customers/customers';
import { addTemplate } from '@/services/library/add';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import type { Problem } from '@/services/problem';
import { offerProposals } from '@/services/proposals/offerProposals';
import { listProposals, readProposal } from '@/services/proposals/read';
import { importProposal, startProposal } from '@/services/proposals/start';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, newProposal, sendIt, testDocument, visit } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const address = (street: string, city = 'Marrowby') => ({
  street,
  city,
  region: '',
  postcode: '',
  country: 'US',
});
const customer = (name: string, more: object = {}) => ({
  name,
  contactName: '',
  email: '',
  phone: '',
  billing: address('1 Bill Street'),
  internalNote: '',
  ...more,
});
const problemOf = async (promise: Promise<unknown>): Promise<Problem['details']> =>
  promise.then(
    () => Promise.reject(new Error('was not refused')),
    (error: Problem) => error.details ?? Promise.reject(error),
  );
const names = async (actor: Actor, search: string) =>
  (await offerCustomers(actor, { words: search })).found.map(({ name }) => name);

describe('customers and sites', () => {
  test('found by any words: name, contact, mail or the address of a site', async () => {
    const actor = await newCompany();
    const { id } = await saveCustomer(actor, customer('Aldous Pym', { contactName: 'Wren' }));
    await saveCustomer(actor, customer('Berta Lunt', { email: 'lunt@post.example' }));
    await saveSite(actor, { customerId: id, address: address('77 Osier Bank', 'Fenwick'), internalNote: '' });
    expect(await names(actor, '')).toEqual(['Aldous Pym', 'Berta Lunt']);
    expect(await names(actor, 'pym aldous')).toEqual(['Aldous Pym']);
    expect(await names(actor, 'WREN')).toEqual(['Aldous Pym']);
    expect(await names(actor, 'osier fenwick')).toEqual(['Aldous Pym']);
    expect(await names(actor, 'lunt@post')).toEqual(['Berta Lunt']);
    // How an address is kept is no part of it.
    expect(await names(actor, 'postcode')).toEqual([]);
    // What stands for other letters in a search of the database is only itself.
    expect(await names(actor, '%')).toEqual([]);
    expect(await names(actor, 'P_m')).toEqual([]);
  });

  test('as many as are offered at once, and whether there are more; anyone by words or by identity', async () => {
    const actor = await newCompany();
    const ids: string[] = [];
    const nth = (n: number) => `Household ${String(n).padStart(2, '0')}`;
    for (let n = 1; n <= 50; n += 1) ids.push((await saveCustomer(actor, customer(nth(n)))).id);
    const shown = async (asked = {}) => {
      const { found, more } = await offerCustomers(actor, asked);
      return [found.length, more];
    };
    expect(await shown()).toEqual([50, false]);
    ids.push((await saveCustomer(actor, customer(nth(51)))).id);
    expect(await shown()).toEqual([50, true]);
    expect(await names(actor, 'household 51')).toEqual([nth(51)]);
    expect((await offerCustomers(actor, { id: ids[50]! })).found.map(({ name }) => name)).toEqual([nth(51)]);
    expect(await shown({ id: 'no identity' })).toEqual([0, false]);

    const started: string[] = [];
    for (let n = 1; n <= 51; n += 1) {
      const [siteId] = (await offerCustomers(actor, { id: ids[0]! })).found[0]!.sites.map(({ id }) => id);
      const place = { customerId: ids[0]!, siteId: siteId! };
      started.push((await startProposal(actor, { ...place, title: `Porch ${n}`, templateId: null })).id);
    }
    const copies = await offerProposals(actor);
    expect([copies.found.length, copies.more, copies.found[0]!.title]).toEqual([50, true, 'Porch 51']);
    const first = (await offerProposals(actor, { id: started[0]! })).found[0]!;
    expect(first).toEqual({ id: started[0], number: first.number, title: 'Porch 1', customer: nth(1) });
    expect((await offerProposals(actor, { words: `${first.number} household` })).found).toContainEqual(first);
    expect((await offerProposals(await newCompany(), { id: started[0]! })).found).toEqual([]);
  });

  test('a new customer has a first site at the billing address; sites are added and changed', async () => {
    const actor = await newCompany();
    const { id, siteId } = await saveCustomer(actor, customer('Cedric Vale'));
    const { id: second } = await saveSite(actor, {
      customerId: id,
      address: address('2 Second Street'),
      internalNote: 'Gate code 1',
    });
    await saveSite(
      actor,
      { customerId: id, address: address('3 Third Street'), internalNote: 'Gate code 2' },
      second,
    );
    const { sites } = await readCustomer(actor, id);
    expect(sites.map((site) => [site.id, site.line, site.internalNote])).toEqual([
      [siteId, '1 Bill Street, Marrowby', ''],
      [second, '3 Third Street, Marrowby', 'Gate code 2'],
    ]);
  });

  test('a site belongs to its customer: another’s is refused, for changing and for proposing', async () => {
    const actor = await newCompany();
    const one = await saveCustomer(actor, customer('One'));
    const other = await saveCustomer(actor, customer('Other'));
    const moved = saveSite(
      actor,
      { customerId: one.id, address: address('4 Fourth Street'), internalNote: '' },
      other.siteId!,
    );
    expect((await problemOf(moved)).detail).toBe('There is no such site.');
    const place = { customerId: one.id, siteId: other.siteId! };
    expect(
      (await problemOf(startProposal(actor, { ...place, title: 'T', templateId: null }))).detail,
    ).toContain('no such site of this customer');
    expect((await problemOf(importProposal(actor, place, testDocument()))).status).toBe(404);
    expect(await listProposals(actor)).toEqual([]);
  });

  test.each([
    ['without a name', { name: '  ' }, '/name'],
    ['with half a mail address', { email: 'half@' }, '/email'],
    ['without a street', { billing: address('') }, '/billing/street'],
    ['with a country that is no code', { billing: { ...address('S'), country: 'Usa' } }, '/billing/country'],
    ['with a field nobody knows', { discount: '5' }, ''],
  ])('%s it is refused at its place', async (_, wrong, pointer) => {
    const actor = await newCompany();
    const problem = await problemOf(saveCustomer(actor, customer('Dora', wrong)));
    expect(problem.status).toBe(422);
    expect(problem.errors?.map((error) => error.pointer)).toContain(pointer);
    expect(await names(actor, '')).toEqual([]);
  });

  test('what was signed and billed keeps the address it was made with', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const before = await readAgreement(actor, agreementId);
    await saveCustomer(actor, customer('Renamed', { billing: address('9 Moved Away') }), before.customer.id);
    const invoice = await readInvoice(actor, before.invoices[0]!.id);
    expect([invoice.buyer.name, invoice.buyer.address.street]).toEqual(['Test Customer', '2 Trial Row']);
    await issueInvoice(actor, { agreementId, what: { rest: true } });
    const later = (await readAgreement(actor, agreementId)).invoices.at(-1)!;
    expect((await readInvoice(actor, later.id)).buyer.name).toBe('Renamed');
  });

  test('what a customer owes, and how much of it is late', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const { customer: payer, invoices } = await readAgreement(actor, agreementId);
    const deposit = invoices[0]!.total;
    expect((await readCustomer(actor, payer.id)).owed).toEqual({
      currency: 'USD',
      open: deposit,
      late: '0.00',
    });
    const nextWeek = { ...actor, now: new Date(actor.now.getTime() + 7 * 24 * 3600_000) };
    expect((await readCustomer(nextWeek, payer.id)).owed).toMatchObject({ open: deposit, late: deposit });
    await recordPayment(actor, {
      sure: true,
      agreementId,
      method: 'transfer',
      amount: deposit,
      receivedOn: '2026-05-01',
      reference: '',
      idempotencyKey: 'owed-nothing',
    });
    expect((await readCustomer(nextWeek, payer.id)).owed).toMatchObject({ open: '0.00', late: '0.00' });
  });
});

describe('starting a proposal', () => {
  test('from a template: its sections and terms under a title of its own, prices held for the usual days', async () => {
    const actor = await newCompany();
    const { id: customerId, siteId } = await saveCustomer(actor, customer('Edda'));
    const document = { ...testDocument(), terms: 'Our terms.' };
    const templateId = await addTemplate(actor, { name: 'Deck', about: 'Boards', document });
    const { id, number } = await startProposal(actor, { customerId, siteId, title: ' My deck ', templateId });
    const { document: made } = await readProposal(actor, id);
    expect(made).toMatchObject({ title: 'My deck', terms: 'Our terms.', sections: document.sections });
    const days =
      (Date.parse(made.validUntil!) - Date.parse(actor.now.toISOString().slice(0, 10))) / 86_400_000;
    expect(days).toBe(30);
    const next = await startProposal(actor, { customerId, siteId, title: 'Next', templateId: null });
    expect(next.number).toBe(number + 1);
  });

  test('a seller and the owner may, the office may not', async () => {
    const actor = await newCompany();
    const { id: customerId, siteId } = await saveCustomer(actor, customer('Fitz'));
    const input = { customerId, siteId, title: 'T', templateId: null };
    expect((await problemOf(startProposal(inRole(actor, 'office'), input))).status).toBe(403);
    await startProposal(inRole(actor, 'seller'), input);
  });

  test('a document in another currency, or one that cannot stand, is refused', async () => {
    const actor = await newCompany();
    const { id: customerId, siteId } = await saveCustomer(actor, customer('Gus'));
    const place = { customerId, siteId: siteId! };
    const inEuro = importProposal(actor, place, { ...testDocument(), currency: 'EUR' });
    expect((await problemOf(inEuro)).detail).toContain('the company works in USD');
    const document = testDocument();
    const twice = { ...document, sections: [...document.sections, ...document.sections] };
    expect((await problemOf(importProposal(actor, place, twice))).detail).toContain('identity');
  });
});

test('what is seen at the desk of a booklet: opened when, changed since', async () => {
  const actor = await newCompany();
  const proposalId = await newProposal(actor);
  const token = await sendIt(actor, proposalId);
  const seen = async () => (await listProposals(actor)).find(({ id }) => id === proposalId)!;
  expect(await seen()).toMatchObject({ state: 'sent', openedOn: null, unsentChanges: false });
  await openBooklet(await visit(token));
  expect((await seen()).openedOn).toMatch(/^\d{4}-\d\d-\d\d$/);
  const { links } = await readProposal(actor, proposalId);
  expect(links).toMatchObject([{ open: true, firstOpenedAt: expect.any(String) as string }]);
});

test('a note of ours is an alert only where it is marked, and is there before work starts', async () => {
  const actor = await newCompany();
  const { id } = await saveCustomer(actor, customer('Wasps', { internalNote: 'Wasps under the eaves' }));
  const noticed = async () => (await offerCustomers(actor, { words: 'Wasps' })).found[0]!.notice;
  expect(await noticed()).toEqual({ alert: '', open: '0', late: '0' });
  const read = (await readCustomer(actor, id)).customer;
  const { id: _, ...input } = read;
  await saveCustomer(actor, { ...input, alert: true }, id, input);
  expect((await noticed()).alert).toBe('Wasps under the eaves');
  // Another company’s customers have no part in it.
  expect((await offerCustomers(await newCompany(), { words: 'Wasps' })).found).toEqual([]);
  expect((await offerCustomers(await newCompany(), { id })).found).toEqual([]);
});
