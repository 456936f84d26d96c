import { issueInvoice } from '@/services/billing/issue';
import { sendStatements } from '@/services/customers/sendStatements';
import { readAgreement } from '@/services/agreements/read';
import { readAttachment } from '@/services/messages/attachment';
import { closeConnection } from '@/data/connection';
import { listMessages } from '../support/lists';
import { newAgreement, newCompany, newCustomer } from '../support/desk';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('statements go to several, each by itself; asked again after a lost answer none goes twice', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  await issueInvoice(actor, { agreementId, what: { amount: '500' } });
  const owing = (await readAgreement(actor, agreementId)).customer.id;
  const { customerId: quiet } = await newCustomer(actor);
  const asked = { customerIds: [owing, quiet], from: day(-90), to: day(0), words: 'With thanks.' };
  const { sent } = await sendStatements(actor, asked);
  expect(sent).toEqual([
    { customerId: owing, sentTo: 'customer@test.example' },
    { customerId: quiet, refused: expect.stringContaining('nothing is owed') },
  ]);
  const letters = async () => (await listMessages(actor)).filter(({ kind }) => kind === 'statement');
  const [letter] = await letters();
  expect(letter).toMatchObject({
    customerId: owing,
    attachments: ['statement of account.pdf'],
    proposalId: null,
  });
  expect(letter!.body).toContain('With thanks.');
  expect(letter!.body).toMatch(/1,243\.34 USD is owed on/);
  expect((await readAttachment(actor, letter!.id, 0)).bytes.subarray(0, 4).toString()).toBe('%PDF');
  expect((await sendStatements(actor, asked)).sent[0]).toEqual({
    customerId: owing,
    refused: 'It was sent a moment ago.',
  });
  expect(await letters()).toHaveLength(1);
  const twice = { ...asked, from: day(-60) };
  const both = await Promise.all([sendStatements(actor, twice), sendStatements(actor, twice)]);
  expect(both.flatMap(({ sent: [one] }) => ('sentTo' in one! ? [one.sentTo] : []))).toHaveLength(1);
  expect(await letters()).toHaveLength(2);
  // Other days are another statement, and later it may go again.
  await sendStatements(actor, { ...asked, from: day(-30) });
  await sendStatements({ ...actor, now: new Date(Date.now() + 3_600_000) }, asked);
  expect(await letters()).toHaveLength(4);
});

test('who may not, days the wrong way round, and strangers’ customers are refused', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { id } = (await readAgreement(actor, agreementId)).customer;
  const asked = { customerIds: [id], from: day(-9), to: day(0), words: '' };
  await expect(sendStatements(inRole(actor, 'seller'), asked)).rejects.toThrow();
  await expect(sendStatements(actor, { ...asked, from: day(1) })).rejects.toThrow('after the last');
  expect((await sendStatements(await newCompany(), asked)).sent).toEqual([
    { customerId: id, refused: expect.stringContaining('no such customer') },
  ]);
});
