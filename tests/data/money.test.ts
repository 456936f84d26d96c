import { execFileSync, spawn } from 'node:child_process';
import { sql } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { payByCard } from '@/services/booklet/payCard';
import { loadMoneyPage } from '../support/lists';
import { recordPayment } from '@/services/payments/payments';
import { closeConnection, inCompany } from '@/data/connection';
import { parseAmount, sumAmounts } from '@/core/number';
import { trialCards } from '@/gateways/cards/standIn';
import { newAgreement, newCompany, visit } from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { asOwner } from '../support/owner';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const year = new Date().getUTCFullYear();
const cents = (text: string) => parseAmount(text, 2);
const invoicesOf = async (actor: Actor, agreementId: string) =>
  (await readAgreement(actor, agreementId)).invoices;

/** The message of a refusal, with that of what caused it. */
const said = async (promise: Promise<unknown>): Promise<string> =>
  promise.then(
    () => 'was not refused',
    (error: Error) => `${error.message} ${(error.cause as Error | undefined)?.message ?? ''}`,
  );

describe('stage invoices', () => {
  test('deposit, stage, then the rest: they sum to the agreement to the cent, per line too', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
    await issueInvoice(actor, { agreementId, what: { rest: true } });
    const agreement = await readAgreement(actor, agreementId);
    expect(agreement.invoices.map(({ title }) => title)).toEqual([
      'On signing',
      'Frame',
      'Remaining balance',
    ]);
    expect(sumAmounts(agreement.invoices.map(({ total }) => cents(total)))).toBe(cents(agreement.total));
    expect(agreement.standing.leftToBill).toBe('0.00');
    for (const line of agreement.lines) expect(line.billed).toBe(line.agreed);
    expect(await said(issueInvoice(actor, { agreementId, what: { rest: true } }))).toContain(
      'billed already',
    );
    expect(await said(issueInvoice(actor, { agreementId, what: { entryId: 'frame' } }))).toContain(
      'with invoice',
    );
  });

  test('issued by the office where the company works so', async () => {
    const actor = await newCompany({ depositInvoiceOnAcceptance: false });
    const { agreementId } = await newAgreement(actor);
    expect(await invoicesOf(actor, agreementId)).toEqual([]);
    await issueInvoice(actor, { agreementId, what: { entryId: 'deposit' } });
    expect(await invoicesOf(actor, agreementId)).toHaveLength(1);
  });

  test('sixty-four at once: one invoice for each entry, numbers without gap or double', async () => {
    const actor = await newCompany();
    const agreements = await Promise.all(Array.from({ length: 4 }, () => newAgreement(actor)));
    const tries = agreements.flatMap(({ agreementId }) =>
      Array.from({ length: 16 }, () =>
        issueInvoice(actor, { agreementId, what: { entryId: 'frame' } }).catch(() => null),
      ),
    );
    const issued = (await Promise.all(tries)).filter((made) => made !== null);
    expect(issued).toHaveLength(4);
    const numbers = (await loadMoneyPage(actor)).invoices.map(({ number }) => number).sort();
    expect(numbers).toEqual(Array.from({ length: 8 }, (_, i) => `${year}-00${1 + i}`));
  });

  test('killed in the middle fifty times, there is never half an invoice and never a gap', async () => {
    const actor = await newCompany({ depositInvoiceOnAcceptance: false });
    const agreements = await Promise.all(
      Array.from({ length: 6 }, async () => (await newAgreement(actor)).agreementId),
    );
    // Bundled once, a process is there in a moment.
    const program = 'node_modules/.cache/impegno/issueMany.mjs';
    execFileSync('node_modules/.bin/esbuild', [
      'tests/data/issueMany.ts',
      ...['--bundle', '--platform=node', '--format=esm', '--packages=external', '--log-level=error'],
      `--outfile=${program}`,
    ]);
    // Four at a time issue and take back without end; each is killed at another moment, and others go on.
    const killed = (kill: number) =>
      new Promise<void>((resolve) => {
        const child = spawn(process.execPath, [program, JSON.stringify({ actor, agreements })], {
          stdio: ['ignore', 'pipe', 'inherit'],
        });
        let lines = 0;
        child.stdout.on('data', (data: Buffer) => {
          lines += data.toString().split('\n').length - 1;
          if (lines >= 2) setTimeout(() => child.kill('SIGKILL'), (kill * 7) % 23);
        });
        child.on('exit', () => resolve());
      });
    for (let kill = 0; kill < 52; kill += 4)
      await Promise.all([0, 1, 2, 3].map((each) => killed(kill + each)));
    const { invoices } = await loadMoneyPage(actor);
    for (const kind of [false, true]) {
      const numbers = invoices
        .filter((each) => (each.kind === 'credit note') === kind)
        .map(({ number }) => number);
      expect(numbers.length).toBeGreaterThanOrEqual(25);
      const ordered = numbers.map((label) => Number(label.split('-')[1])).sort((x, y) => x - y);
      expect(ordered).toEqual(ordered.map((_, i) => i + 1));
    }
    for (const agreementId of agreements) {
      const agreement = await readAgreement(actor, agreementId);
      expect(sumAmounts(agreement.invoices.map(({ total }) => cents(total)))).toBe(
        cents(agreement.standing.billed),
      );
      if (agreement.standing.leftToBill !== '0.00')
        await issueInvoice(actor, { agreementId, what: { rest: true } });
      const done = await readAgreement(actor, agreementId);
      expect(done.standing.leftToBill).toBe('0.00');
      for (const line of done.lines) expect(line.billed).toBe(line.agreed);
    }
  }, 300_000);

  test('what is issued never changes, and what does not add up is not stored, not even by hand', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const [invoice] = await invoicesOf(actor, agreementId);
    const id = invoice!.id;
    expect(
      await said(
        asOwner((tx) => tx.execute(sql`update invoice set total = 1, net = 1, tax = 0 where id = ${id}`)),
      ),
    ).toContain('append-only');
    expect(await said(asOwner((tx) => tx.execute(sql`delete from draw where invoice_id = ${id}`)))).toContain(
      'append-only',
    );
    expect(
      await said(inCompany(actor, (tx) => tx.execute(sql`update invoice set title = 'x' where id = ${id}`))),
    ).toMatch(/permission denied|append-only/);
    const overdraw = asOwner((tx) =>
      tx.execute(sql`
        with taken as (update number_series s set last = last + 1 from invoice i where i.id = ${id} and s.company_id = i.company_id and s.series = i.series || ' ' || i.year returning last),
          copy as (insert into invoice select (jsonb_populate_record(i, jsonb_build_object('id', gen_random_uuid(), 'number', taken.last, 'label', 'copy', 'position', 99, 'entry_id', null, 'net', 99999, 'tax', 0, 'total', 99999))).* from invoice i, taken where id = ${id} returning *)
        insert into draw (company_id, invoice_id, agreement_id, line_id, net) select company_id, id, agreement_id, 'l1', 99999 from copy`),
    );
    expect(await said(overdraw)).toContain('would be billed to');
  });
});

describe('money in', () => {
  test('a refused card takes nothing; an accepted one pays once, also when asked again', async () => {
    const actor = await newCompany();
    const { agreementId, token } = await newAgreement(actor);
    const pay = async (number: string, idempotencyKey: string) =>
      payByCard(await visit(token), { card: cardOf(number), idempotencyKey });
    expect(await pay(trialCards.refused, 'refused-key')).toMatchObject({ paid: false });
    expect((await readAgreement(actor, agreementId)).standing.paid).toBe('0.00');
    const answers = await Promise.all([
      pay(trialCards.accepted, 'same-key-1'),
      pay(trialCards.accepted, 'same-key-1'),
      pay(trialCards.accepted, 'same-key-1'),
    ]);
    expect(new Set(answers.map((answer) => JSON.stringify(answer))).size).toBe(1);
    const agreement = await readAgreement(actor, agreementId);
    expect(agreement.received).toHaveLength(1);
    expect(agreement.standing.paid).toBe(agreement.invoices[0]!.total);
    expect(await said(pay(trialCards.accepted, 'other-key'))).toContain('paid already');
  });

  test('a payment goes to the oldest invoice first; a repeat counts once; too much stays as credit', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    await issueInvoice(actor, { agreementId, what: { entryId: 'frame' } });
    const [deposit, frame] = await invoicesOf(actor, agreementId);
    const amount = (cents(deposit!.total) + 1000n).toString().replace(/(\d\d)$/, '.$1');
    const input = {
      agreementId,
      method: 'cheque',
      amount,
      receivedOn: '2026-05-01',
      reference: '',
      idempotencyKey: 'cheque-17-a',
    };
    await recordPayment(actor, { ...input, sure: true });
    await recordPayment(actor, { ...input, sure: true });
    expect((await invoicesOf(actor, agreementId)).map(({ paid }) => paid)).toEqual([deposit!.total, '10.00']);
    await recordPayment(actor, { sure: true, ...input, amount: '999999', idempotencyKey: 'cheque-18-b' });
    expect((await invoicesOf(actor, agreementId)).map(({ paid }) => paid)).toEqual([
      deposit!.total,
      frame!.total,
    ]);
    // The next invoice takes the credit, and what it does not need stays.
    expect((await readAgreement(actor, agreementId)).credit).not.toBe('0.00');
    await issueInvoice(actor, { agreementId, what: { rest: true } });
    const after = await readAgreement(actor, agreementId);
    expect(after.standing.paid).toBe(after.total);
    const received = sumAmounts(after.received.map((each) => cents(each.amount)));
    expect(cents(after.credit)).toBe(received - cents(after.total));
    expect(
      await said(recordPayment(actor, { sure: true, ...input, amount: '0', idempotencyKey: 'cheque-19-c' })),
    ).toContain('Type the amount');
    expect(
      await said(
        recordPayment(actor, { sure: true, ...input, amount: '1.005', idempotencyKey: 'cheque-20-d' }),
      ),
    ).toContain('decimals');
    expect(await said(recordPayment(inRole(actor, 'seller'), input))).toContain('Record money');
  });
});
