import { addUser } from '@/services/entering/createCompany';
import { actorOf, listSessions, revokeSession } from '@/services/accounts/session';

import { signedIn } from '../support/signedIn';
import type { Actor } from '@/services/actor';
import { payByCard } from '@/services/booklet/payCard';
import { visitorOf } from '@/services/booklet/open';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { saveCustomer, saveSite } from '@/services/customers/customers';
import { recordPayment } from '@/services/payments/payments';
import type { Problem } from '@/services/problem';
import { readProposal } from '@/services/proposals/read';
import { withdrawProposal } from '@/services/proposals/withdraw';
import { revokeLinks } from '@/services/proposals/send';
import { importProposal, startProposal } from '@/services/proposals/start';
import { closeConnection } from '@/data/connection';
import { trialCards } from '@/gateways/cards/standIn';
import { newAgreement, newCompany, testDocument, visit } from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const statusOf = async (promise: Promise<unknown>): Promise<number> =>
  promise.then(
    () => 200,
    (error: Problem) => error.details?.status ?? Promise.reject(error),
  );

const nobody = {
  name: 'N',
  contactName: '',
  email: '',
  phone: '',
  billing: { street: 'S', city: 'C', region: '', postcode: '', country: 'US' },
  internalNote: '',
};
let made = 0;
async function newUser(owner: Actor) {
  const email = `user-${process.pid}-${(made += 1)}-${Date.now()}@test.example`;
  await addUser(owner, { name: 'Second User', email, password: 'right-otter-gable', role: 'seller' });
  return { email, enter: (password: string) => signedIn({ email, password, browser: 'test' }, new Date()) };
}

describe('signing in', () => {
  test('a session is found by its token until it is revoked, and only its owner can revoke it', async () => {
    const owner = await newCompany();
    const { enter } = await newUser(owner);
    const { token } = await enter('right-otter-gable');
    const actor = (await actorOf(token, new Date()))!;
    expect(actor).toMatchObject({ companyId: owner.companyId, role: 'Seller' });
    const [session] = await listSessions(actor, token);
    expect(session).toMatchObject({ current: true, browser: 'Unknown browser' });
    expect(await statusOf(revokeSession(owner, session!.id))).toBe(404);
    await revokeSession(actor, session!.id);
    expect(await actorOf(token, new Date())).toBeNull();
    expect(await actorOf(token.replace(/^./, 'x'), new Date())).toBeNull();
  });

  test('eight wrong passwords close the address for a while, also for the right one', async () => {
    const { enter } = await newUser(await newCompany());
    for (let i = 0; i < 8; i += 1) expect(await statusOf(enter('wrong'))).toBe(401);
    expect(await statusOf(enter('right-otter-gable'))).toBe(429);
  });

  test('thirty at the same moment get no more tries than thirty in a row', async () => {
    const { enter } = await newUser(await newCompany());
    const answers = await Promise.all(Array.from({ length: 30 }, () => statusOf(enter('wrong'))));
    expect(answers.filter((status) => status === 401).length).toBeLessThanOrEqual(8);
    expect(answers.every((status) => status === 401 || status === 429)).toBe(true);
  });

  test('whoever gets in forgets the wrong tries before', async () => {
    const { enter } = await newUser(await newCompany());
    for (let i = 0; i < 5; i += 1) await statusOf(enter('wrong'));
    await enter('right-otter-gable');
    for (let i = 0; i < 5; i += 1) expect(await statusOf(enter('wrong'))).toBe(401);
  });
});

describe('private links and cards', () => {
  test('thirty wrong links from one origin make it wait', async () => {
    const origin = `origin-${process.pid}-${Date.now()}`;
    const wrong = () => statusOf(visitorOf('A'.repeat(43), origin, new Date()));
    for (let i = 0; i < 30; i += 1) expect(await wrong()).toBe(410);
    expect(await wrong()).toBe(429);
  });

  test('a link ends at its end date', async () => {
    const { token } = await newAgreement(await newCompany());
    const later = new Date(Date.now() + 121 * 24 * 3600_000);
    expect(await statusOf(visitorOf(token, 'later', later))).toBe(410);
  });

  test('ten refused cards are enough', async () => {
    const { token } = await newAgreement(await newCompany());
    const visitor = await visit(token);
    const pay = (i: number) =>
      payByCard(visitor, { card: cardOf(trialCards.refused), idempotencyKey: `card-try-${i}` });
    for (let i = 0; i < 10; i += 1) expect(await pay(i)).toMatchObject({ paid: false });
    expect(await statusOf(pay(10))).toBe(429);
  });
});

describe('what is no identity, no date or not allowed is refused with a sentence', () => {
  test.each(['', 'x', "'; drop table customer; --", 7, null, { $ne: '' }])('identity %j', async (id) => {
    const actor = await newCompany();
    expect(await statusOf(withdrawProposal(actor, id))).toBe(404);
    expect(await statusOf(revokeLinks(actor, id))).toBe(404);
    expect(await statusOf(revokeSession(actor, id))).toBe(404);
    expect(await statusOf(saveCustomer(actor, nobody, id))).toBe(404);
    const address = nobody.billing;
    const { id: customerId } = await saveCustomer(actor, nobody);
    expect(await statusOf(saveSite(actor, { customerId, address, internalNote: '' }, id))).toBe(404);
    expect(await statusOf(importProposal(actor, { customerId: id, siteId: id }, testDocument()))).toBe(422);
    expect(
      await statusOf(startProposal(actor, { customerId: id, siteId: id, title: 'T', templateId: null })),
    ).toBe(422);
  });

  test('a day that is not in the calendar', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const payment = {
      agreementId,
      method: 'cheque',
      amount: '1',
      reference: '',
      idempotencyKey: 'day-key-1',
    };
    expect(await statusOf(recordPayment(actor, { sure: true, ...payment, receivedOn: '2026-02-30' }))).toBe(
      422,
    );
  });

  test('what only the owner may: settings, and what a proposal from nothing begins with', async () => {
    const owner = await newCompany();
    const { usual } = (await readSettings(owner)).company;
    const settings = { depositInvoiceOnAcceptance: false, validityDays: 30, paymentDays: 14, usual };
    expect(await statusOf(saveSettings(inRole(owner, 'office'), settings))).toBe(403);
    expect(await statusOf(saveSettings(owner, { ...settings, validityDays: 0 }))).toBe(422);
    const taxClasses = [
      { id: 'standard', name: 'Taxed', components: [{ id: 'vat', name: 'Tax', percent: '21' }] },
    ];
    const wrongFee = { id: 'f', name: 'Permit', amount: { fixed: '1' }, taxClass: 'gone' };
    expect(await statusOf(saveSettings(owner, { ...settings, usual: { ...usual, fees: [wrongFee] } }))).toBe(
      422,
    );
    await saveSettings(owner, { ...settings, usual: { ...usual, taxClasses } });
    const { id: customerId, siteId } = await saveCustomer(owner, nobody);
    const started = await startProposal(owner, { customerId, siteId, title: 'T', templateId: null });
    expect((await readProposal(owner, started.id)).document.taxClasses).toEqual(taxClasses);
  });
});
