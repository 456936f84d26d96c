import { closeConnection, inCompany } from '@/data/connection';
import { audit, invoice, numberSeries } from '@/data/schema';
import { updateCompany } from '@/data/settings/company';
import { putSeriesStart } from '@/data/numbers';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { readProgressBilling } from '@/services/billing/progressBilling';
import type { Numbers } from '@/services/settings/numbers';
import { readNumbers, saveNumbers } from '@/services/settings/numbers';
import { readChecklist } from '@/services/settings/checklist';
import type { Actor } from '@/services/actor';
import type { NumberPatterns } from '@/model';
import { usualNumbers } from '@/model';
import { desc, sql } from 'drizzle-orm';
import { isRuledOut } from '@/services/taken';
import { newAgreement, newCompany, newProposal, refusal } from '../support/desk';
import { readProposal } from '@/services/proposals/read';

afterAll(closeConnection);

const year = new Date().getUTCFullYear();
const labels = (actor: Actor) =>
  inCompany(actor, async (tx) =>
    (await tx.select({ label: invoice.label }).from(invoice).orderBy(desc(invoice.issuedAt))).map(
      ({ label }) => label,
    ),
  );
const save = async (actor: Actor, change: Partial<Numbers['next']>, patterns?: NumberPatterns) => {
  const now = await readNumbers(actor);
  return saveNumbers(actor, { patterns: patterns ?? now.patterns, next: { ...now.next, ...change } });
};
/** Does somebody wait for what another transaction holds? */
const waits = (actor: Actor) =>
  inCompany(
    actor,
    async (tx) => (await tx.execute(sql`select 1 from pg_locks where not granted`)).rows.length > 0,
  );
async function until(holds: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 3000; Date.now() < end && !(await holds());)
    await new Promise((done) => setTimeout(done, 20));
}
const going = (prefix: string): NumberPatterns => ({
  invoice: { prefix, yearly: false, digits: 5 },
  creditNote: { prefix: `${prefix}C`, yearly: false, digits: 5 },
});

test('a company goes on with its numbers from where it was, printed as it prints them', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  expect(await readNumbers(actor)).toMatchObject({
    patterns: usualNumbers,
    next: { proposal: 101, agreement: 401, invoice: 1, creditNote: 1 },
  });
  await save(
    actor,
    { proposal: 2400, agreement: 900, invoice: 118 },
    { ...usualNumbers, invoice: { prefix: 'R-', yearly: true, digits: 4 } },
  );
  expect((await readProposal(actor, await newProposal(actor))).number).toBe(2400);
  expect((await readProposal(actor, await newProposal(actor))).number).toBe(2401);
  const { agreementId } = await newAgreement(actor);
  expect(await labels(actor)).toEqual([`R-${year}-0118`]);
  // What is shown before it is issued is what it gets.
  expect((await readProgressBilling(actor, agreementId)).letter.numbers.invoice).toBe(`R-${year}-0119`);
  const [said] = await inCompany(actor, (tx) =>
    tx.select().from(audit).orderBy(desc(audit.at)).limit(50),
  ).then((rows) => rows.filter(({ act }) => act === 'numbers changed'));
  expect(said!.detail).toMatchObject({
    before: { next: { invoice: 1 } },
    after: { next: { invoice: 118 }, patterns: { invoice: { prefix: 'R-' } } },
  });
});

test('a series goes on, never back; no number twice, whichever series it is in', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  await save(actor, { invoice: 20 });
  await newAgreement(actor);
  expect(await labels(actor)).toEqual([`${year}-020`]);
  expect((await refusal(save(actor, { invoice: 20 }))).code).toBe('number-used');
  // One series over the years begins above what papers had.
  const { least } = await readNumbers(actor);
  expect(least.going.invoice).toBe(21);
  expect((await refusal(save(actor, { invoice: 7 }, going('')))).code).toBe('number-used');
  await save(actor, { invoice: 40 }, going('Q'));
  await newAgreement(actor);
  expect((await labels(actor))[0]).toBe('Q00040');
  // And back by year: above both.
  expect((await readNumbers(actor)).least.yearly.invoice).toBe(41);
  expect((await refusal(save(actor, { invoice: 21 }, usualNumbers))).code).toBe('number-used');
  await save(actor, { invoice: 41 }, usualNumbers);
  await newAgreement(actor);
  expect((await labels(actor))[0]).toBe(`${year}-041`);
  expect((await refusal(save(actor, {}, { ...usualNumbers, creditNote: usualNumbers.invoice }))).code).toBe(
    'numbers-alike',
  );
});

test('a number that another paper printed is not printed again: the paper waits for another', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  await newAgreement(actor);
  expect(await labels(actor)).toEqual([`${year}-001`]);
  // Credit notes by another way to the same letters.
  await save(actor, {}, { ...usualNumbers, creditNote: { prefix: `${year}-`, yearly: false, digits: 3 } });
  const invoiceId = await inCompany(actor, async (tx) => (await tx.select().from(invoice))[0]!.id);
  const credit = () => creditInvoice(actor, { invoiceId, what: { whole: true }, remark: '' });
  expect((await refusal(credit())).code).toBe('number-taken');
  expect(await labels(actor)).toEqual([`${year}-001`]);
  await save(actor, { creditNote: 2 });
  await credit();
  expect((await labels(actor)).sort()).toEqual([`${year}-001`, `${year}-002`]);
});

test('the page that was open while papers were issued asks for nothing by what it read', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  const read = await readNumbers(actor);
  await newAgreement(actor);
  const saved = await saveNumbers(actor, {
    patterns: { ...read.patterns, invoice: { ...read.patterns.invoice, prefix: 'N' } },
    next: read.next,
    over: { patterns: read.patterns, next: read.next },
  });
  expect(saved.next.invoice).toBe(2);
});

test('two at the settings: what the other changed since stays', async () => {
  const actor = await newCompany();
  const read = await readNumbers(actor);
  const over = { patterns: read.patterns, next: read.next };
  const put = (patterns: NumberPatterns) => saveNumbers(actor, { patterns, next: read.next, over });
  await put({ ...read.patterns, invoice: { ...read.patterns.invoice, prefix: 'A' } });
  await put({ ...read.patterns, creditNote: { ...read.patterns.creditNote, prefix: 'K' } });
  expect((await readNumbers(actor)).patterns).toMatchObject({
    invoice: { prefix: 'A' },
    creditNote: { prefix: 'K' },
  });
});

test('by other roads the database refuses the same: back, a gap, a series of no kind', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: true });
  await newAgreement(actor);
  const start = (series: string, next: number) =>
    inCompany(actor, (tx) => putSeriesStart(tx, actor.companyId, series, next));
  await expect(start(`invoice ${year}`, 1)).rejects.toThrow();
  await expect(start('export', 9)).rejects.toThrow();
  await expect(start('nonsense', 9)).rejects.toThrow();
  await start(`invoice ${year}`, 9);
  await newAgreement(actor);
  expect((await labels(actor))[0]).toBe(`${year}-009`);
});

test('many issued at once after a jump: one after the other, none twice', async () => {
  const actor = await newCompany({ depositInvoiceOnAcceptance: false });
  const agreements: string[] = [];
  for (let i = 0; i < 4; i += 1) agreements.push((await newAgreement(actor)).agreementId);
  await save(actor, { invoice: 500 }, going('M'));
  await Promise.all(
    agreements.map((agreementId) => issueInvoice(actor, { agreementId, what: { amount: '10' } })),
  );
  expect((await labels(actor)).sort()).toEqual(['M00500', 'M00501', 'M00502', 'M00503']);
  expect((await readNumbers(actor)).next.invoice).toBe(504);
});

test('said in the same moment as a number is taken: the paper has the one before, and then it goes on', async () => {
  const actor = await newCompany();
  await newProposal(actor);
  let free = () => {};
  const held = new Promise<void>((done) => (free = done));
  let ready = () => {};
  const holding = new Promise<void>((done) => (ready = done));
  const saying = inCompany(actor, async (tx) => {
    await tx.select().from(numberSeries).for('update');
    ready();
    await held;
    await putSeriesStart(tx, actor.companyId, 'proposal', 700);
  });
  await holding;
  // It waits for the row of the series, and has looked where the series begins already.
  const making = newProposal(actor);
  await until(() => waits(actor));
  free();
  await saying;
  const { number } = await readProposal(actor, await making);
  expect(number).toBe(102);
  expect((await readProposal(actor, await newProposal(actor))).number).toBe(700);
  // The other way round: what was free as it was looked at is taken as it is said.
  const gap = (await readNumbers(actor)).next.proposal;
  const next = { ...(await readNumbers(actor)).next, proposal: gap + 1 };
  await newProposal(actor);
  const late = inCompany(actor, (tx) => putSeriesStart(tx, actor.companyId, 'proposal', gap));
  expect(await late.then(() => false, isRuledOut)).toBe(true);
  expect((await save(actor, next)).next.proposal).toBe(gap + 1);
});

test('the checklist of a new company asks where its numbers go on, until it is said', async () => {
  const actor = await newCompany();
  // Beside the demo, what is set up is one too.
  await inCompany(actor, (tx) => updateCompany(tx, actor.companyId, { demo: false }));
  const state = async () => (await readChecklist(actor)).find(({ key }) => key === 'numbers')?.state;
  expect(await state()).toBe('to do');
  await save(actor, { proposal: 3000 });
  expect(await state()).toBe('done');
});
