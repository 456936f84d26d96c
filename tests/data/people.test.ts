import type { Actor } from '@/services/actor';
import { issueInvoice } from '@/services/billing/issue';
import { readProgressBilling } from '@/services/billing/progressBilling';
import { offerCustomers, readCustomer, saveCustomer } from '@/services/customers/customers';
import { findAnything } from '@/services/find/findAnything';
import { readProposal } from '@/services/proposals/read';
import { sendProposal } from '@/services/proposals/send';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, newProposal } from '../support/desk';
import { listMessages } from '../support/lists';

afterAll(closeConnection);

const person = (name: string, more: object = {}) => ({
  id: crypto.randomUUID(),
  name,
  role: '',
  email: `${name.toLowerCase()}@post.example`,
  phone: '',
  getsOffers: false,
  getsInvoices: false,
  ...more,
});

/** Puts people to the customer of an agreement or proposal. */
async function give(actor: Actor, customerId: string, people: ReturnType<typeof person>[]) {
  const { customer } = await readCustomer(actor, customerId);
  const { id, ...values } = customer;
  await saveCustomer(actor, { ...values, people }, id, values);
}

describe('the people of a customer', () => {
  test('kept in their order, found by name, role, mail and telephone', async () => {
    const actor = await newCompany();
    await newProposal(actor);
    const { id } = (await offerCustomers(actor)).found[0]!;
    const ada = person('Ada', { role: 'Property manager', phone: '(000) 555-0987' });
    const ben = person('Ben');
    await give(actor, id, [ben, ada]);
    expect((await readCustomer(actor, id)).customer.people).toEqual([ben, ada]);
    for (const words of ['ada', 'manager property', 'ben@post'])
      expect((await offerCustomers(actor, { words })).found.map((each) => each.id)).toEqual([id]);
    for (const words of ['ada', '555-0987'])
      expect((await findAnything(actor, words)).found).toContainEqual(
        expect.objectContaining({ kind: 'customer', id }),
      );
    // Whoever knows nothing of people takes nobody away.
    const { id: _, people: __, ...values } = (await readCustomer(actor, id)).customer;
    await saveCustomer(actor, { ...values, phone: '1' }, id);
    expect((await readCustomer(actor, id)).customer.people).toHaveLength(2);
  });

  test('two who change different people at once both stay; one identity twice is refused; nobody else’s are seen', async () => {
    const actor = await newCompany();
    await newProposal(actor);
    const { id } = (await offerCustomers(actor)).found[0]!;
    const [ada, ben] = [person('Ada'), person('Ben')];
    await give(actor, id, [ada, ben]);
    const { id: _, ...read } = (await readCustomer(actor, id)).customer;
    await saveCustomer(actor, { ...read, people: [{ ...ada, role: 'wife' }, ben] }, id, read);
    await saveCustomer(actor, { ...read, people: [ada, { ...ben, phone: '7' }, person('Cleo')] }, id, read);
    expect(
      (await readCustomer(actor, id)).customer.people?.map((each) => [each.name, each.role, each.phone]),
    ).toEqual([
      ['Ada', 'wife', ''],
      ['Ben', '', '7'],
      ['Cleo', '', ''],
    ]);
    await expect(saveCustomer(actor, { ...read, people: [ada, ada] }, id)).rejects.toThrow('same identity');
    await expect(
      saveCustomer(actor, { ...read, people: Array.from({ length: 21 }, (_, n) => person(`P${n}`)) }, id),
    ).rejects.toThrow();
    expect((await offerCustomers(await newCompany(), { words: 'Ada' })).found).toEqual([]);
  });

  test('proposals go to those ticked for them, invoices to those ticked for these; each letter greets whom it goes to', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const { customerId, letter } = await readProgressBilling(actor, agreementId);
    expect(letter.to).toBe('customer@test.example');
    await give(actor, customerId, [
      person('Ada', { getsInvoices: true }),
      person('Ben', { getsInvoices: true }),
      person('Cleo', { getsOffers: true }),
    ]);
    expect((await readProgressBilling(actor, agreementId)).letter).toMatchObject({
      to: 'ada@post.example, ben@post.example',
      name: 'Ada and Ben',
    });
    const { sentTo } = await issueInvoice(actor, {
      agreementId,
      what: { amount: '10' },
      send: { to: 'ada@post.example;ben@post.example', words: '' },
    });
    expect(sentTo).toBe('ada@post.example, ben@post.example');
    const [sent] = (await listMessages(actor)).filter(({ toAddress }) => toAddress === sentTo);
    expect(sent!.body).toMatch(/^Good day Ada and Ben,/);
  });

  test('a proposal is sent to several addresses at once; what is none of them is refused in words', async () => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor);
    const { saveNumber, customer } = await readProposal(actor, proposalId);
    expect(customer.sendsTo).toEqual({ to: 'customer@test.example', name: 'Test Customer' });
    const send = (to: string) => sendProposal(actor, { proposalId, saveNumber, to, words: '' });
    for (const wrong of [
      '',
      'a@x.example, b',
      Array.from({ length: 11 }, (_, n) => `p${n}@x.example`).join(),
    ])
      await expect(send(wrong)).rejects.toThrow(/email addresses, with commas/);
    await send('a@x.example,  b@x.example a@x.example');
    expect((await listMessages(actor)).map(({ toAddress }) => toAddress)).toContain(
      'a@x.example, b@x.example',
    );
  });
});
