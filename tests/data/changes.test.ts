import { issueInvoice } from '@/services/billing/issue';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { readAgreement } from '@/services/agreements/read';
import { acceptProposal } from '@/services/booklet/accept';
import { openBooklet } from '@/services/booklet/open';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { readProposal, listProposals } from '@/services/proposals/read';
import { saveAsTemplate } from '@/services/proposals/reuse';
import { withdrawProposal } from '@/services/proposals/withdraw';
import { moreOf, omissionLine } from '@/core/agreements';
import { parseAmount, parseFixed } from '@/core/number';
import { closeConnection } from '@/data/connection';
import { sql } from 'drizzle-orm';
import { line, plainDocument } from '../support/documents';
import {
  newAgreement,
  newCompany,
  refusal,
  sendIt,
  signatureFor,
  testDocument,
  visit,
  writeChange,
} from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);
const sum = (texts: readonly string[]) => texts.reduce((all, text) => all + cents(text), 0n);

/** A change order that is written, sent and signed. */
async function changed(
  actor: Awaited<ReturnType<typeof newCompany>>,
  agreementId: string,
  ...rest: unknown[]
) {
  const { id } = await startChangeOrder(actor, { agreementId });
  await writeChange(actor, id, ...(rest as [never]));
  const token = await sendIt(actor, id);
  const { visitor, input } = await signatureFor(token);
  await acceptProposal(visitor, input, 'test');
  return { id, token };
}

test('an addition: own number, own paper, lines and tax beside the original, spread over what is not billed', async () => {
  const actor = await newCompany();
  const { agreementId, token } = await newAgreement(actor);
  const before = await readAgreement(actor, agreementId);
  const { id, number } = await startChangeOrder(actor, { agreementId });
  expect(number).toBe(1);
  await writeChange(actor, id, [line('l1', '2', '500'), line('l2', '1', '40', { extra: { in: false } })]);
  const changeToken = await sendIt(actor, id);

  // From its own link, and from behind the agreement's.
  const own = await openBooklet(await visit(changeToken));
  const behind = await openBooklet(await visit(`${token}~${id}`));
  expect(behind.view).toEqual(own.view);
  expect(own.contract).toMatchObject({ agreement: before.number, sum: before.total, original: before.total });
  // 1,000 at cost × 1.31, and 6.25 % tax: 1,310.00 + 65.50 + 16.38.
  expect(own.view.total).toBe('1391.88');
  expect(own.view.payments).toEqual([]);
  expect(JSON.stringify(own)).not.toMatch(/SECRET/);

  const { visitor, input } = await signatureFor(`${token}~${id}`);
  // Who has not seen what it does to the agreement cannot sign it.
  const { contract: _, ...blind } = input;
  expect((await refusal(acceptProposal(visitor, blind, 'test'))).status).toBe(409);
  const accepted = await acceptProposal(
    visitor,
    { ...input, choices: { ...input.choices, extras: { l2: { in: true } } }, total: '1447.55' },
    'test',
  );
  expect(accepted).toEqual({ agreementId, repeated: false, before: null });
  expect((await acceptProposal(visitor, input, 'test')).repeated).toBe(true);

  const after = await readAgreement(actor, agreementId);
  expect(cents(after.sumToDate)).toBe(cents(before.total) + cents('1447.55'));
  expect(after.total).toBe(before.total);
  expect(after.changes).toMatchObject([{ number: 1, state: 'accepted', total: '1447.55' }]);
  // The deposit is billed and stays; the others carry the change by what they come to.
  expect(after.payments[0]!.amount).toBe(before.payments[0]!.amount);
  expect(sum(after.payments.map(({ amount }) => amount))).toBe(cents(after.sumToDate));
  expect(after.lines.filter(({ change }) => change === 1).map(({ id: lineId }) => lineId)).toEqual([
    'c1.l1',
    'c1.l2',
  ]);
  expect(sum(after.taxes.map(({ amount }) => amount)) + sum(after.lines.map(({ agreed }) => agreed))).toBe(
    cents(after.sumToDate),
  );
  // What was issued before says what it said; what is issued now knows the change.
  const [deposit] = after.invoices;
  expect(await readInvoice(actor, deposit!.id)).toMatchObject({ contractSum: before.total });
  const issued = await issueInvoice(
    { ...actor, now: new Date() },
    {
      agreementId,
      what: { entryId: after.payments[1]!.id },
    },
  );
  expect(await readInvoice(actor, issued.id)).toMatchObject({ contractSum: after.sumToDate });
  // It is no proposal in the lists, and the booklet of the agreement leads to it.
  expect((await listProposals(actor)).map(({ id: each }) => each)).not.toContain(id);
  expect((await openBooklet(await visit(token))).agreement!.changes).toMatchObject([
    { id, state: 'signed', total: '1447.55' },
  ]);
  expect((await openBooklet(await visit(changeToken))).signed).toMatchObject({ by: 'Test Customer' });
});

test('an omission gives back what was agreed for it, in parts and to the last cent, and not more', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(
    actor,
    plainDocument([{ id: 's', title: 'S', entries: [line('a', '3', '33.33'), line('b', '1', '900')] }], {
      discount: { amount: '10' },
      schedule: testDocument().schedule,
    }),
  );
  const start = await readAgreement(actor, agreementId);
  const agreedA = start.lines[0]!.agreed;
  const agreed = async (id: string) =>
    (await readProposal(actor, id)).change!.agreed.find((each) => each.id === 'a')!;

  const first = await startChangeOrder(actor, { agreementId });
  const one = omissionLine(await agreed(first.id), parseFixed('1'), 'o1');
  await writeChange(actor, first.id, [one], 'last');
  const firstToken = await sendIt(actor, first.id);
  const second = await startChangeOrder(actor, { agreementId });
  // Written while the first is not signed: all three are still in.
  const all = omissionLine(await agreed(second.id), parseFixed('3'), 'o1');
  await writeChange(actor, second.id, [all], 'last');
  const secondToken = await sendIt(actor, second.id);

  const signing = await signatureFor(firstToken);
  await acceptProposal(signing.visitor, signing.input, 'test');
  const late = await signatureFor(secondToken);
  expect((await refusal(acceptProposal(late.visitor, late.input, 'test'))).detail).toContain(
    '3 each left out, but only 2 of it are still in',
  );

  const third = await startChangeOrder(actor, { agreementId });
  const left = await agreed(third.id);
  expect(() => omissionLine(left, parseFixed('3'), 'x')).toThrow('Only 2 each');
  await writeChange(actor, third.id, [omissionLine(left, parseFixed('2'), 'o1')], 'last');
  const rest = await signatureFor(await sendIt(actor, third.id));
  await acceptProposal(rest.visitor, rest.input, 'test');
  const end = await readAgreement(actor, agreementId);
  const omitted = end.lines.filter(({ change }) => change !== null).map(({ agreed: net }) => net);
  expect(sum(omitted)).toBe(-cents(agreedA));
  expect(cents(end.sumToDate)).toBe(cents(start.total) - cents(agreedA));
  expect(sum(end.payments.map(({ amount }) => amount))).toBe(cents(end.sumToDate));

  // More of a line, at the price it was agreed at.
  expect(moreOf(await agreed(third.id), parseFixed('2'), 'm')).toMatchObject({
    quantity: '2',
    unit: 'each',
    heldPrice: '33',
  });
});

test('billed after changes: every entry and the rest come to the sum to date, by tax component too', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const agreedLine = (await startChangeOrder(actor, { agreementId })).id;
  const l1 = (await readProposal(actor, agreedLine)).change!.agreed.find(({ id }) => id === 'l1')!;
  await writeChange(
    actor,
    agreedLine,
    [omissionLine(l1, parseFixed('4'), 'o'), line('x', '1', '150')],
    'next',
  );
  const signed = await signatureFor(await sendIt(actor, agreedLine));
  await acceptProposal(signed.visitor, signed.input, 'test');
  await changed(actor, agreementId, [line('y', '1', '75.55')], 'own');

  const middle = await readAgreement(actor, agreementId);
  expect(middle.payments.map(({ name }) => name)).toEqual(['On signing', 'Frame', 'Final', 'Change order 2']);
  for (const { id } of middle.payments.filter(({ invoice }) => !invoice))
    await issueInvoice(actor, { agreementId, what: { entryId: id } });
  const end = await readAgreement(actor, agreementId);
  expect(end.standing).toMatchObject({ billed: end.sumToDate, leftToBill: '0.00' });
  expect(end.lines.every(({ left }) => left === '0.00')).toBe(true);
  expect((await refusal(issueInvoice(actor, { agreementId, what: { rest: true } }))).detail).toContain(
    'billed already',
  );
});

test('a reduction that no payment can bear is a credit of its own; it takes a credit note', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { payments } = await readAgreement(actor, agreementId);
  for (const { id } of payments.slice(1)) await issueInvoice(actor, { agreementId, what: { entryId: id } });
  const { id } = await startChangeOrder(actor, { agreementId });
  const agreed = (await readProposal(actor, id)).change!.agreed[0]!;
  await writeChange(actor, id, [omissionLine(agreed, parseFixed('1'), 'o')]);
  const { visitor, input } = await signatureFor(await sendIt(actor, id));
  await acceptProposal(visitor, input, 'test');
  const after = await readAgreement(actor, agreementId);
  expect(after.payments.at(-1)).toMatchObject({ name: 'Credit of change order 1' });
  expect(after.standing.leftToBill).toMatch(/^-/);
  // The entry in their favour, and all that is left, are the same credit note.
  const entryId = after.payments.at(-1)!.id;
  const { number } = await issueInvoice(actor, { agreementId, what: { entryId } });
  expect(number).toMatch(/^C\d{4}-001$/);
  const settled = await readAgreement(actor, agreementId);
  expect(settled.standing).toMatchObject({ leftToBill: '0.00', billed: settled.sumToDate });
  expect(settled.lines.every(({ left }) => left === '0.00')).toBe(true);
});

test('replaced, taken back, or seen against an agreement that moved: refused with a sentence', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { id } = await startChangeOrder(actor, { agreementId });
  await writeChange(actor, id, [line('x', '1', '100')]);
  const token = await sendIt(actor, id);
  const old = await signatureFor(token);
  await writeChange(actor, id, [line('x', '1', '120')]);
  await sendIt(actor, id);
  const problem = await refusal(acceptProposal(old.visitor, old.input, 'test'));
  expect(problem.detail).toContain('changed after you opened it');
  expect(JSON.stringify(problem.context)).toContain('Line x');

  // The next payment is billed while the customer reads: the payments they saw are not those any more.
  const reading = await signatureFor(token);
  const { payments } = await readAgreement(actor, agreementId);
  await issueInvoice(actor, { agreementId, what: { entryId: payments[1]!.id } });
  expect((await refusal(acceptProposal(reading.visitor, reading.input, 'test'))).detail).toContain(
    'The agreement changed while you were reading',
  );
  await withdrawProposal(actor, id);
  const back = await signatureFor(token);
  expect((await refusal(acceptProposal(back.visitor, back.input, 'test'))).detail).toContain('withdrawn');
  expect((await readAgreement(actor, agreementId)).sumToDate).toBe(
    (await readAgreement(actor, agreementId)).total,
  );
});

test('a change order stays one; another agreement’s link does not lead to it; nothing signed can be touched', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { token: otherToken } = await newAgreement(actor);
  const { id } = await changed(actor, agreementId, [line('x', '1', '100')]);
  expect((await refusal(visit(`${otherToken}~${id}`))).status).toBe(410);
  expect((await refusal(visit(`${otherToken}~nonsense`))).status).toBe(410);
  expect((await refusal(saveAsTemplate(actor, { proposalId: id, name: 'T', about: '' }))).detail).toContain(
    'belongs to its agreement',
  );
  const fresh = await startChangeOrder(actor, { agreementId });
  const { document, saveNumber } = await readProposal(actor, fresh.id);
  const { saveProposal } = await import('@/services/proposals/save');
  const moved = saveProposal(actor, {
    proposalId: fresh.id,
    saveNumber,
    patches: [{ op: 'replace', path: '/change', value: { ...document.change!, agreement: 7 } }],
  });
  expect((await refusal(moved)).detail).toContain('stays with its agreement');
  for (const table of ['change_order', 'change_order_tax', 'agreement_payment_change', 'signing'])
    await expect(asOwner((tx) => tx.execute(sql.raw(`delete from ${table}`)))).rejects.toMatchObject({
      cause: { message: expect.stringContaining('append-only') },
    });
});
