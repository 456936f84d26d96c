import { sql } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { creditInvoice, issueInvoice, saveDraft } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { draftPaper, readProgressBilling } from '@/services/billing/progressBilling';
import { acceptProposal } from '@/services/booklet/accept';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { invoicePaperXml } from '@/services/downloads/papers';
import { closeConnection, inCompany } from '@/data/connection';
import { makeInvoice, paperSums } from '@/core/billing';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { BillingAsk, BillingTerms } from '@/model';
import {
  newAgreement,
  newCompany,
  refusal,
  sendIt,
  signatureFor,
  testDocument,
  writeChange,
} from '../support/desk';
import { line } from '../support/documents';
import { listMessages } from '../support/lists';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);

async function agreementWith(billing: BillingTerms) {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, { ...testDocument(), billing });
  const bill = (what: BillingAsk) => issueInvoice(actor, { agreementId, what });
  const read = () => readAgreement(actor, agreementId);
  return { actor, agreementId, bill, read };
}

const pay = (actor: Actor, agreementId: string, amount: string, key: string) =>
  recordPayment(actor, {
    sure: true,
    agreementId,
    method: 'transfer',
    amount,
    receivedOn: '2026-01-05',
    reference: '',
    idempotencyKey: `billing-${key}`,
  });

/** What the papers come to, whatever kind they are of. */
const sumOf = async (read: () => ReturnType<typeof readAgreement>) =>
  writeAmount(sumAmounts((await read()).invoices.map(({ total }) => cents(total))), 2);

test('deposit ahead, retainage, lines, a change order, an amount, a credit note, the rest and the release: all sum to the agreement', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({
    retainage: { percent: '10' },
    deposit: 'advance',
  });
  const begun = await read();
  expect(begun.invoices).toMatchObject([{ kind: 'advance', number: expect.stringMatching(/^\d{4}-001$/) }]);
  expect(begun.ahead).toBe(begun.invoices[0]!.total);

  const work = await bill({
    lines: [
      { line: 'l1', to: { percent: '50' } },
      { line: 'l3', to: { quantity: '40' } },
    ],
  });
  const change = await startChangeOrder(actor, { agreementId });
  await writeChange(actor, change.id, [line('x1', '1', '200')], 'last');
  const token = await sendIt(actor, change.id);
  const { visitor, input } = await signatureFor(token);
  await acceptProposal(visitor, input, 'test');

  await bill({ amount: '300' });
  const { number } = await creditInvoice(actor, {
    invoiceId: work.id,
    what: { lines: [{ line: 'l3', amount: '50' }] },
    remark: 'Two boards were split.',
  });
  expect(number).toMatch(/^C\d{4}-001$/);
  const half = await read();
  expect(cents(half.held)).toBeGreaterThan(0n);
  await bill({ rest: true });
  await bill({ release: 'all' });
  const done = await read();
  expect(done).toMatchObject({ held: '0.00', ahead: '0.00', standing: { leftToBill: '0.00' } });
  expect(await sumOf(read)).toBe(done.sumToDate);
  for (const each of done.lines) expect([each.id, each.billed]).toEqual([each.id, each.agreed]);
  expect(await refusal(bill({ rest: true }))).toMatchObject({ status: 422 });
});

test('what the desk shows before is what the server issues', async () => {
  const { actor, agreementId, bill } = await agreementWith({ retainage: { percent: '7.5', limit: '4' } });
  for (const what of [
    { entryId: 'frame' },
    { lines: [{ section: 'Deck', to: { percent: '80' } }] },
    { rest: true },
    { release: 'all' },
  ] as const) {
    const { ledger } = await readProgressBilling(actor, agreementId);
    const seen = paperSums(makeInvoice(ledger, what as BillingAsk), ledger.components);
    const { id } = await bill(what as BillingAsk);
    expect(await readInvoice(actor, id)).toMatchObject({
      total: writeAmount(seen.total, 2),
      net: writeAmount(seen.net, 2),
    });
  }
});

test('a payment of the schedule that was taken back is billed again, not twice', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({});
  const frame = await bill({ entryId: 'frame' });
  expect(await refusal(bill({ entryId: 'frame' }))).toMatchObject({ status: 409 });
  await creditInvoice(actor, { invoiceId: frame.id, what: { whole: true }, remark: '' });
  expect(await readInvoice(actor, frame.id)).toMatchObject({ state: 'credited', open: '0.00' });
  const again = await bill({ entryId: 'frame' });
  expect(await readInvoice(actor, again.id)).toMatchObject({
    total: (await readInvoice(actor, frame.id)).total,
  });
  expect((await read()).payments.find(({ id }) => id === 'frame')).toMatchObject({ left: '0.00' });
  expect(
    await refusal(creditInvoice(actor, { invoiceId: frame.id, what: { whole: true }, remark: '' })),
  ).toMatchObject({ status: 422, detail: 'All of this invoice is credited already.' });
  expect(await readAgreement(actor, agreementId)).toMatchObject({ invoices: { length: 4 } });
});

test('money that was paid on what is taken back pays the next invoice', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({});
  const frame = await bill({ entryId: 'frame' });
  const { total } = await readInvoice(actor, frame.id);
  const deposit = (await read()).invoices[0]!;
  await pay(actor, agreementId, writeAmount(sumAmounts([cents(total), cents(deposit.total)]), 2), 'both');
  await creditInvoice(actor, { invoiceId: frame.id, what: { amount: '100' }, remark: '' });
  expect(await read()).toMatchObject({ credit: '100.00', standing: { billedUnpaid: '0.00' } });
  const rest = await bill({ rest: true });
  const paper = await readInvoice(actor, rest.id);
  expect(paper).toMatchObject({ creditUsed: '100.00', creditApplied: '100.00', paid: '0.00' });
  expect(await invoicePaperXml(actor, rest.id)).toContain('<cbc:PrepaidAmount currencyID="USD">100.00<');
  expect(await read()).toMatchObject({ credit: '0.00' });
});

test('work that is left out after it was billed comes back as a credit note', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({});
  await bill({ rest: true });
  const before = await read();
  const change = await startChangeOrder(actor, { agreementId });
  await writeChange(
    actor,
    change.id,
    [line('x1', '-1', '0', { heldPrice: '250', omits: { line: 'l1', quantity: '1' } })],
    'spread',
  );
  const { visitor, input } = await signatureFor(await sendIt(actor, change.id));
  await acceptProposal(visitor, input, 'test');
  const { number } = await bill({ rest: true });
  expect(number).toMatch(/^C/);
  const after = await read();
  expect(after.standing.leftToBill).toBe('0.00');
  expect(cents(before.sumToDate) - cents(after.sumToDate)).toBe(-cents(after.invoices.at(-1)!.total));
});

test('a draft is kept, previewed, and done with when it is issued; who looked at old figures is told', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({});
  const { seen } = await readProgressBilling(actor, agreementId);
  const shows = { unbilled: 'zero', bundles: 'agreed' } as const;
  const what = { lines: [{ line: 'l1', to: { percent: '25' as string } }] };
  await saveDraft(actor, { agreementId, what, title: 'First week', shows, remark: 'Thank you.' });
  const paper = await draftPaper(actor, agreementId);
  expect(paper).toMatchObject({ number: 'draft', title: 'First week', remark: 'Thank you.' });
  expect(paper.lines.map(({ id, net }) => [id, net === '0.00'])).toEqual([
    ['l1', false],
    ['l3', true],
  ]);
  const issued = await issueInvoice(actor, { agreementId, what, title: 'First week', shows, seen });
  expect(await readInvoice(actor, issued.id)).toMatchObject({ total: paper.total, lines: { length: 2 } });
  expect((await read()).draft).toBe(false);
  expect(await refusal(issueInvoice(actor, { agreementId, what: { amount: '10' }, seen }))).toMatchObject({
    status: 409,
    detail: expect.stringContaining('was issued while you were looking'),
  });
  await bill({ amount: '10' });
});

test('the database itself refuses what cannot be', async () => {
  const { actor, agreementId, bill } = await agreementWith({
    retainage: { percent: '10' },
    deposit: 'advance',
  });
  const { id } = await bill({ lines: [{ line: 'l1', to: { percent: '50' } }] });
  const credit = await creditInvoice(actor, { invoiceId: id, what: { whole: true }, remark: '' });
  const refused = async (query: ReturnType<typeof sql>) =>
    inCompany(actor, (tx) => tx.execute(query)).then(
      () => 'was not refused',
      (error: Error) => `${error.message} ${(error.cause as Error | undefined)?.message ?? ''}`,
    );
  const copy = (of: string, changed: object, then: ReturnType<typeof sql>) =>
    sql`with taken as (update number_series s set last = last + 1 from invoice i
          where i.id = ${of} and s.company_id = i.company_id and s.series = i.series || ' ' || i.year returning s.last),
        copy as (insert into invoice select (jsonb_populate_record(i, ${JSON.stringify({
          position: 90,
          ...changed,
        })}::jsonb || jsonb_build_object('id', gen_random_uuid(), 'number', taken.last, 'label', 'copy'))).*
          from invoice i, taken where id = ${of} returning *) ${then}`;
  // A credit note twice: more is taken back than the invoice billed.
  expect(
    await refused(
      copy(
        credit.id,
        {},
        sql`insert into draw (company_id, invoice_id, agreement_id, line_id, net)
          select d.company_id, copy.id, d.agreement_id, d.line_id, d.net from draw d, copy where d.invoice_id = ${credit.id}`,
      ),
    ),
  ).toMatch(/taken back than was billed|would be billed to|does not add up/);
  expect(
    await refused(copy(id, { total: '-5', net: '-5', tax: '0', entry_id: null }, sql`select 1`)),
  ).toMatch(/invoice_sign/);
  expect(
    await refused(
      sql`insert into invoice_adjustment (company_id, invoice_id, agreement_id, kind, tax_class, net)
        select company_id, id, agreement_id, 'retainage', 'none', 999 from invoice where id = ${id}`,
    ),
  ).toMatch(/is finished/);
  expect(
    await refused(
      sql`insert into allocation (company_id, id, credit_note_id, invoice_id, amount, at)
        select company_id, gen_random_uuid(), ${credit.id}, id, 1, now() from invoice where id = ${id}`,
    ),
  ).toMatch(/would be used for|would be paid/);
  for (const table of ['invoice_adjustment', 'allocation', 'refund', 'payment_reversal'])
    expect(await refused(sql`update ${sql.identifier(table)} set company_id = company_id`)).toMatch(
      /permission denied/,
    );
  expect(await readAgreement(actor, agreementId)).toMatchObject({ invoices: { length: 3 } });
});

test('issued and sent in one act: to whom, with our words, due when it was said; or neither', async () => {
  const { actor, agreementId, bill, read } = await agreementWith({});
  const issue = (more: object) => issueInvoice(actor, { agreementId, what: { amount: '10' }, ...more });
  const { letter } = await readProgressBilling(actor, agreementId);
  const { issuedOn } = letter;
  const later = `${Number(issuedOn.slice(0, 4)) + 1}-01-02`;
  const sent = await issue({ dueOn: later, send: { to: 'else@post.example', words: 'The frame stands.' } });
  expect(sent).toMatchObject({ number: letter.numbers.invoice, sentTo: 'else@post.example' });
  expect(await readInvoice(actor, sent.id)).toMatchObject({ dueOn: later });
  const [message] = (await listMessages(actor)).filter(({ toAddress }) => toAddress === 'else@post.example');
  expect(message!.body).toMatch(/^Good day .+,\n\nThe frame stands\.\n\nInvoice \d{4}-\d{3} of /);
  expect(message!.body).toContain('pay here:\n[private link]\n');

  const count = async () => (await read()).invoices.length;
  const before = await count();
  for (const wrong of [
    { dueOn: '2001-01-01' },
    { dueOn: `${Number(issuedOn.slice(0, 4)) + 3}-01-01` },
    { send: { to: 'nobody', words: '' } },
    { send: { to: 'else@post.example', words: 'x'.repeat(2001) } },
  ])
    await refusal(issue(wrong));
  expect(await count()).toBe(before);
  expect((await readProgressBilling(actor, agreementId)).letter.numbers.invoice).not.toBe(
    letter.numbers.invoice,
  );

  // About a credit note nothing is written, and it is due at once.
  expect((await bill({ amount: '5' })).sentTo).toBeNull();
});
