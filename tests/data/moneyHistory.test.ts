/*
 * Random histories of money on an agreement: billed by every path, credited, paid, paid back, returned, disputed and won.
 * After each act every place that says something about money says the same, and what it says is what a bookkeeper would
 * reckon from the papers and the bank alone.
 */
import fc from 'fast-check';
import { sql } from 'drizzle-orm';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { saveStage } from '@/services/agreements/stages';
import { readAgreement } from '@/services/agreements/read';
import { readProgressBilling } from '@/services/billing/progressBilling';
import { readAccount } from '@/services/customers/account';
import { readCustomer } from '@/services/customers/customers';
import { issueMany, readBillsDue } from '@/services/billing/billsDue';
import { makeBatch } from '@/services/billing/batches';
import { batchJournal } from '@/services/billing/books';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { loadMoneyPage } from '../support/lists';
import { payByCard } from '@/services/booklet/payCard';
import { refundToCard } from '@/services/payments/cardRefund';
import { putCredit, refundCredit } from '@/services/payments/moves';
import { trialCards } from '@/gateways/cards/standIn';
import { invoicePaper } from '@/services/billing/paper';
import { recordPaymentOver } from '@/services/payments/paymentOver';
import { recordPayment } from '@/services/payments/payments';
import { followDispute, reversePayment } from '@/services/payments/reversal';
import { Problem } from '@/services/problem';
import { agreementList } from '@/services/agreements/agreementList';
import { readWholeList } from '@/services/lists/deskList';
import { readMoneyReport } from '@/services/reports/moneyReport';
import { readTaxReport } from '@/services/reports/taxReport';
import { closeConnection, inCompany } from '@/data/connection';
import { usualAccounts } from '@/core/billing';
import { parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { InvoicePaper } from '@/formats/invoicePaper';
import { invoiceXml } from '@/formats/ubl/invoiceXml';
import type { InvoiceShows } from '@/model';
import { newAgreement, newCompany, testDocument, visit } from '../support/desk';
import { cardOf } from '../../scripts/demo/cardOf';
import { runs } from '../support/documents';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);
const money = (value: bigint) => writeAmount(value as never, 2);
const today = new Date().toISOString().slice(0, 10);
let keys = 0;
const key = () => `history-${process.pid}-${(keys += 1)}`;

type Actor = Awaited<ReturnType<typeof newCompany>>;

/** What the bank and the papers say, kept apart from everything the product reckons. */
interface Bank {
  received: bigint;
}

async function checkEverywhere(actor: Actor, agreementId: string, bank: Bank): Promise<void> {
  const page = await readAgreement(actor, agreementId);
  const list = await loadMoneyPage(actor);
  const open = sumAmounts(page.invoices.map((invoice) => cents(invoice.open)));
  // A screen beside another: the agreement, the money page, its sums by SQL, each invoice's own page.
  expect(list.out).toBe(money(open));
  expect(page.standing.billedUnpaid).toBe(money(open));
  expect(list.credit).toBe(page.credit);
  expect(list.held).toBe(page.held);
  // To bill now: the sum by SQL, the core's, and what its button bills.
  const { billableNow } = await readProgressBilling(actor, agreementId);
  expect(list.toBill).toBe(billableNow.amount);
  expect(billableNow.ask === null).toBe(cents(billableNow.amount) <= 0n);
  for (const invoice of page.invoices) {
    const row = list.invoices.find(({ id }) => id === invoice.id)!;
    const own = await readInvoice(actor, invoice.id);
    expect([row.state, row.open, row.paid, row.overdue]).toEqual([
      invoice.kind === 'credit note' ? 'credit note' : invoice.overdue ? 'overdue' : invoice.state,
      invoice.open,
      invoice.paid,
      invoice.overdue,
    ]);
    expect([own.state, own.open, own.paid, own.overdue]).toEqual([
      invoice.state,
      invoice.open,
      invoice.paid,
      invoice.overdue,
    ]);
    // What a paper says of itself adds up, and its XML asks for what it prints.
    expect(cents(own.total) - cents(own.paid) - cents(own.takenBack) - cents(own.creditApplied)).toBe(
      invoice.kind === 'credit note' ? cents(own.total) : cents(own.open),
    );
    const paper = await inCompany(actor, (tx) => invoicePaper(tx, invoice.id));
    addsUp(paper);
    const xml = invoiceXml(paper);
    const payable = /<cbc:PayableAmount[^>]*>([^<]+)/.exec(xml)![1]!;
    const asked =
      invoice.kind === 'credit note' ? -cents(own.total) : cents(own.total) - cents(own.creditUsed);
    expect(payable).toBe(money(asked));
  }
  // What was billed is open or was received, less what is the customer's credit.
  expect(cents(page.standing.billed)).toBe(open + bank.received - cents(page.credit));
  // The customer's own account ends at what they owe.
  const account = await readAccount(actor, page.customer.id, { from: '2020-01-01', to: today });
  expect(cents(account.closing)).toBe(open - cents(page.credit));
  // What is said of them before work starts is what the core makes of their agreements.
  const { owed } = await readCustomer(actor, page.customer.id);
  const { notice } = page.customer;
  expect([cents(notice.open), cents(notice.late)]).toEqual([cents(owed.open), cents(owed.late)]);
  const { rows } = await asOwner((tx) =>
    tx.execute(sql`select company_id, invoice_id, open from invoice_open
      except select company_id, invoice_id, open from summed_open()`),
  );
  expect(rows).toEqual([]);
}

/** However it is laid out: rows, groups and the summary of a paper come to its work, and the summary to the agreement. */
function addsUp({ lines, layout: { groups, summary }, work, ofAgreement }: InvoicePaper): void {
  const sum = (rows: readonly { readonly net: string }[]) => sumAmounts(rows.map(({ net }) => cents(net)));
  expect(sum(lines)).toBe(cents(work));
  expect(summary !== null || groups.length > 0 || lines.length === 0).toBe(true);
  if (groups.length > 0) {
    expect(sum(groups)).toBe(cents(work));
    for (const group of groups) expect(sum(group.lines)).toBe(cents(group.net));
    expect(groups.flatMap((group) => group.lines)).toHaveLength(lines.length);
  }
  if (!summary) return;
  for (const column of ['agreed', 'before', 'net', 'toDate', 'left'] as const)
    expect(sumAmounts(summary.groups.map((group) => cents(group[column])))).toBe(
      cents(summary.whole[column]),
    );
  expect(cents(summary.whole.net)).toBe(ofAgreement ? cents(work) : 0n);
}

const anyLayout: fc.Arbitrary<InvoiceShows> = fc.record(
  {
    unbilled: fc.constantFrom('hidden', 'zero'),
    bundles: fc.constantFrom('agreed', 'one', 'parts'),
    rows: fc.constantFrom('section', 'stage', 'none'),
    summary: fc.constantFrom('section', 'stage', 'kind'),
    codes: fc.constantFrom('cost', 'item', 'both'),
    balance: fc.boolean(),
    each: fc.constantFrom({ l1: 'zero' }, { l1: 'hidden', l3: 'zero' }),
  },
  { requiredKeys: ['unbilled', 'bundles'], noNullPrototype: true },
);

const anyAct = fc.record({
  what: fc.constantFrom(
    'entry',
    'bill it',
    'bill what is due',
    'bill what is due',
    'stage',
    'amount',
    'rest',
    'credit part',
    'credit whole',
    'pay open',
    'pay part',
    'pay for several',
    'pay over',
    'pay over',
    'refund',
    'refund',
    'pay by card',
    'refund on card',
    'refund on card',
    'put',
    'return',
    'return',
    'dispute',
    'win',
  ),
  which: fc.nat({ max: 5 }),
  shows: fc.option(anyLayout, { nil: undefined }),
  cents: fc.integer({ min: 1, max: 150_000 }),
});

test('whatever happens with money, every place says the same, and it is so', async () => {
  const happened = new Map<string, number>();
  await fc.assert(
    fc.asyncProperty(
      fc.array(anyAct, { minLength: 6, maxLength: 16 }),
      fc.boolean(),
      async (acts, retained) => {
        const actor = await newCompany();
        const { agreementId, token } = await newAgreement(actor, {
          ...testDocument(),
          ...(retained ? { billing: { retainage: { percent: '10' } } } : {}),
        });
        const bank: Bank = { received: 0n };
        const payments: { id: string; amount: bigint; gone: boolean; disputed: boolean }[] = [];
        for (const { what, which, cents: some, shows } of acts) {
          const looks = shows ? { shows } : {};
          const page = await readAgreement(actor, agreementId);
          const bills = page.invoices.filter(({ kind }) => kind !== 'credit note');
          const bill = bills[which % Math.max(bills.length, 1)];
          const payment = payments[which % Math.max(payments.length, 1)];
          const open = sumAmounts(page.invoices.map((invoice) => cents(invoice.open)));
          const pay = async (amount: bigint) => {
            if (amount <= 0n) return;
            const { id } = await recordPayment(actor, {
              agreementId,
              method: 'cheque',
              amount: money(amount),
              receivedOn: today,
              reference: key(),
              idempotencyKey: key(),
              sure: true,
            });
            payments.push({ id, amount, gone: false, disputed: false });
            bank.received += amount;
          };
          try {
            if (what === 'entry') {
              const entry = page.payments.find(({ left }) => left !== '0.00');
              if (entry) await issueInvoice(actor, { agreementId, what: { entryId: entry.id } });
            } else if (what === 'amount')
              await issueInvoice(actor, { agreementId, what: { amount: money(BigInt(some)) }, ...looks });
            else if (what === 'bill it') {
              const { billableNow } = await readProgressBilling(actor, agreementId);
              if (!billableNow.ask) continue;
              await issueInvoice(actor, { agreementId, what: billableNow.ask });
              // It bills just what the figure said: nothing is left of it.
              expect((await loadMoneyPage(actor)).toBill).toBe('0.00');
            } else if (what === 'bill what is due') {
              const { bills } = await readBillsDue(actor);
              const [due] = bills;
              expect(bills.map(({ toBill }) => toBill)).toEqual(
                [(await loadMoneyPage(actor)).toBill].filter((sum) => sum !== '0.00'),
              );
              if (!due) continue;
              const { issued } = await issueMany(actor, {
                bills: [{ agreementId, what: due.ask, seen: due.seen }],
              });
              // What was previewed is what is issued.
              const paper = (await readAgreement(actor, agreementId)).invoices.at(-1)!;
              expect(issued).toEqual([{ agreementId, number: paper.number, sentTo: null }]);
              expect(paper.total).toBe(due.preview.total);
            } else if (what === 'stage')
              await saveStage(actor, {
                agreementId,
                name: page.stages[which % page.stages.length]!.name,
                doneOn: today,
              });
            else if (what === 'rest')
              await issueInvoice(actor, { agreementId, what: { rest: true }, ...looks });
            else if (what === 'credit part' && bill)
              await creditInvoice(actor, {
                invoiceId: bill.id,
                what: { amount: money(BigInt(some)) },
                remark: '',
              });
            else if (what === 'credit whole' && bill)
              await creditInvoice(actor, { invoiceId: bill.id, what: { whole: true }, remark: '' });
            else if (what === 'pay open') await pay(open);
            else if (what === 'pay part') await pay(open / 3n);
            else if (what === 'pay for several') {
              const amount = money(BigInt(some));
              const { ids } = await recordPaymentOver(actor, {
                customerId: page.customer.id,
                ...{ method: 'ach', amount, receivedOn: today, reference: '', idempotencyKey: key() },
                parts: [{ agreementId, amount }],
                sure: true,
              });
              payments.push({ id: ids[0]!, amount: BigInt(some), gone: false, disputed: false });
              bank.received += BigInt(some);
            } else if (what === 'pay over') await pay(open + BigInt(some));
            else if (what === 'refund') {
              const amount = cents(page.credit) / (which > 2 ? 1n : 2n);
              if (amount <= 0n) continue;
              await refundCredit(actor, {
                agreementId,
                method: 'transfer',
                amount: money(amount),
                paidOn: today,
                reference: '',
                idempotencyKey: key(),
              });
              bank.received -= amount;
            } else if (what === 'pay by card' && bill) {
              const { paid } = await payByCard(await visit(token), {
                card: cardOf(trialCards.accepted),
                idempotencyKey: key(),
                invoiceId: bill.id,
              });
              expect(paid).toBe(true);
              const { received } = await readAgreement(actor, agreementId);
              const { id, amount } = received.find(
                (each) => !payments.some((known) => known.id === each.id),
              )!;
              payments.push({ id, amount: cents(amount), gone: false, disputed: false });
              bank.received += cents(amount);
            } else if (what === 'refund on card') {
              const card = page.cards[which % Math.max(page.cards.length, 1)];
              if (!card) continue;
              const amount = which > 2 ? cents(card.most) : cents(card.most) / 2n;
              if (amount <= 0n) continue;
              await refundToCard(actor, {
                ...{ agreementId, paymentId: card.id, amount: money(amount), idempotencyKey: key() },
              });
              bank.received -= amount;
              // What is left for that card is less by as much, or by what the credit is less.
              const after = (await readAgreement(actor, agreementId)).cards.find(({ id }) => id === card.id);
              expect(cents(after?.most ?? '0.00')).toBeLessThanOrEqual(cents(card.most) - amount);
            } else if (what === 'put') await putCredit(actor, { agreementId });
            else if (what === 'return' && payment && !payment.gone) {
              await reversePayment(actor, {
                paymentId: payment.id,
                reason: 'returned',
                on: today,
                idempotencyKey: key(),
              });
              payment.gone = true;
              bank.received -= payment.amount;
            } else if (what === 'dispute' && payment && !payment.gone) {
              await inCompany(actor, (tx) =>
                followDispute(tx, actor, { paymentId: payment.id, on: today, reason: 'disputed' }, true),
              );
              payment.gone = true;
              payment.disputed = true;
              bank.received -= payment.amount;
            } else if (what === 'win' && payment?.disputed) {
              await inCompany(actor, (tx) =>
                followDispute(tx, actor, { paymentId: payment.id, on: today, reason: 'won' }, false),
              );
              payment.gone = false;
              payment.disputed = false;
              bank.received += payment.amount;
            } else continue;
            happened.set(what, (happened.get(what) ?? 0) + 1);
          } catch (error) {
            // Refused with a sentence is an answer; anything else is not.
            if (!(error instanceof Problem)) throw error;
          }
          await checkEverywhere(actor, agreementId, bank);
        }
        // The accountant's receivables are what customers owe, less what is their credit.
        const page = await readAgreement(actor, agreementId);
        if (page.invoices.length === 0) return;
        const { id } = await makeBatch(actor, { from: today, to: today });
        const rows = await batchJournal(actor, id);
        const receivable = rows
          .filter(({ account }) => account === usualAccounts.receivable)
          .map(({ debit, credit }) => cents(debit || '0.00') - cents(credit || '0.00'));
        const open = sumAmounts(page.invoices.map((invoice) => cents(invoice.open)));
        expect(sumAmounts(receivable as never)).toBe(open - cents(page.credit));
        // What the reports sum to is what the journal has on its accounts.
        const balanceOf = (accounts: readonly string[]) =>
          sumAmounts(
            rows
              .filter(({ account }) => accounts.includes(account))
              .map(({ debit, credit }) => (cents(debit || '0.00') - cents(credit || '0.00')) as never),
          );
        const sumsOf = async (report: string) => {
          const { sums, rows: shown } = await readMoneyReport(actor, report);
          for (const [column, sum] of Object.entries(sums))
            if (/^-?\d+\.\d\d$/.test(sum) && shown.every(({ cells }) => /^-?\d+\.\d\d$/.test(cells[column]!)))
              expect(cents(sum)).toBe(sumAmounts(shown.map(({ cells }) => cents(cells[column]!))));
          return (column: string) => cents(sums[column] ?? '0.00');
        };
        const age = await sumsOf('age');
        expect(age('open')).toBe(balanceOf([usualAccounts.receivable]));
        expect(
          sumAmounts(['notDue', 'to30', 'to60', 'to90', 'over90', 'credit'].map((each) => age(each))),
        ).toBe(age('open'));
        expect((await sumsOf('retainage'))('net')).toBe(balanceOf([usualAccounts.retainage]));
        expect((await sumsOf('deposits'))('net')).toBe(-balanceOf([usualAccounts.deposits]));
        const wip = await sumsOf('wip');
        expect(wip('billed')).toBe(-balanceOf(Object.values(usualAccounts.income)));
        expect(wip('over') - wip('under')).toBe(wip('billed') - wip('earned'));
        const contract = await sumsOf('contract');
        expect(contract('billed')).toBe(cents(page.standing.billed));
        expect(contract('paid') + contract('open')).toBe(
          // Credit notes that were set against invoices are neither paid nor open.
          cents(page.standing.paid) + cents(page.standing.billedUnpaid),
        );
        // The core's word for under way is the list's.
        const { rows: underWay } = await readWholeList(actor, agreementList, { show: 'under way' });
        expect((await readMoneyReport(actor, 'contract', { state: 'under way' })).rows).toHaveLength(
          underWay.length,
        );
        // Sales tax as the report has it is what the journal owes the state; all of it has come in once all is paid.
        const tax = await readTaxReport(actor, { from: '2000-01-01', to: today });
        const owed = rows
          .filter(({ account }) => account === usualAccounts.tax)
          .map(({ debit, credit }) => cents(credit || '0.00') - cents(debit || '0.00'));
        expect(cents(tax.invoiced)).toBe(sumAmounts(owed as never));
        expect(sumAmounts(tax.rows.map(({ invoiced }) => cents(invoiced)))).toBe(cents(tax.invoiced));
        if (open > 0n)
          await recordPayment(actor, {
            ...{
              agreementId,
              method: 'cheque',
              amount: money(open),
              receivedOn: today,
              reference: '',
              sure: true,
            },
            idempotencyKey: key(),
          });
        const paid = await readAgreement(actor, agreementId);
        if (paid.invoices.some((invoice) => cents(invoice.open) !== 0n) || cents(paid.credit) !== 0n) return;
        happened.set('all paid', (happened.get('all paid') ?? 0) + 1);
        const period = { from: '2000-01-01', to: today };
        expect((await readTaxReport(actor, period)).collected).toBe(tax.invoiced);
      },
    ),
    { numRuns: runs(12), interruptAfterTimeLimit: 240_000 },
  );
  // A history in which nothing happens proves nothing.
  expect(happened.size).toBeGreaterThan(8);
  expect(happened.get('all paid') ?? 0).toBeGreaterThan(0);
}, 300_000);
