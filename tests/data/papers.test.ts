import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readAgreement } from '@/services/agreements/read';
import { chooseInBooklet } from '@/services/booklet/choose';
import { acceptProposal } from '@/services/booklet/accept';
import { openBooklet } from '@/services/booklet/open';
import {
  bookletPaper,
  exportDocument,
  invoicePaperPdf,
  invoicePaperXml,
  libraryAsCsv,
  progressStatementPdf,
  proposalPaper,
  visitorInvoicePdf,
} from '@/services/downloads/papers';
import { addItems } from '@/services/library/add';
import { issueInvoice } from '@/services/billing/issue';
import type { Problem } from '@/services/problem';
import { readProposal } from '@/services/proposals/read';
import { closeConnection } from '@/data/connection';
import { showDecimal } from '@/core/number';
import type { Shows } from '@/model';
import {
  newAgreement,
  newCompany,
  newProposal,
  sendIt,
  signatureFor,
  testDocument,
  visit,
} from '../support/desk';
import { bundle } from '../support/documents';

afterAll(closeConnection);

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-papers-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

/** What a PDF says, by Debian's pdftotext, which had no part in writing it. */
function textOf(pdf: Uint8Array): string {
  const file = path.join(folder, 'paper.pdf');
  fs.writeFileSync(file, pdf);
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
}

const secrets = [/SECRET/, /417\.31/, /\b31 ?%/, /Overhead|Profit|Margin|Markup/i];

describe('the proposal on paper', () => {
  const shown: Record<Shows, { has: RegExp[]; lacks: RegExp[] }> = {
    total: { has: [/Total in USD, including tax/], lacks: [/12 each/, /State 5 ?%/] },
    sections: { has: [/Deck +6,9/, /State 5 ?%/], lacks: [/12 each/] },
    lines: { has: [/Line l1 +6,560\.16/, /12 each/], lacks: [/546\.68/] },
    prices: { has: [/Line l1 +6,560\.16/, /546\.68/], lacks: [] },
  };
  test.each(Object.entries(shown))('shows as much as it should: %s', async (shows, { has, lacks }) => {
    const actor = await newCompany();
    const proposalId = await newProposal(actor, { ...testDocument(), shows: shows as Shows });
    const text = textOf(await proposalPaper(actor, proposalId));
    const { document } = await readProposal(actor, proposalId);
    expect(text).toContain(document.title);
    for (const pattern of has) expect(text).toMatch(pattern);
    for (const pattern of [...lacks, ...secrets]) expect(text).not.toMatch(pattern);
  });

  test('carries the figures of the booklet, before and after a choice', async () => {
    const actor = await newCompany();
    const token = await sendIt(actor, await newProposal(actor));
    const before = await openBooklet(await visit(token));
    const printed = async () => textOf(await bookletPaper(await visit(token)));
    expect(await printed()).toContain(showDecimal(before.view.total));
    const { view } = await chooseInBooklet(await visit(token), {
      revisionId: before.revision.id,
      choices: { extras: { l2: { in: true, quantity: '4' } }, questions: { q1: 'a2' } },
    });
    const after = await printed();
    expect(after).not.toContain(showDecimal(before.view.total));
    for (const amount of [view.total, view.taxTotal, ...view.payments.map((payment) => payment.amount)])
      if (amount !== view.taxTotal || view.taxes.length === 1) expect(after).toContain(showDecimal(amount));
    for (const tax of view.taxes) expect(after).toContain(showDecimal(tax.amount));
  });
});

describe('the invoice on paper', () => {
  test('adds up as printed, says where it stands, and holds nothing internal', async () => {
    const actor = await newCompany();
    const { agreementId } = await newAgreement(actor);
    const { invoices, total } = await readAgreement(actor, agreementId);
    const deposit = invoices[0]!;
    const text = textOf(await invoicePaperPdf(actor, deposit.id));
    const figure = (name: RegExp) => {
      const found = new RegExp(`^ *${name.source} +([\\d,]+\\.\\d\\d)$`, 'm').exec(text);
      return BigInt(found![1]!.replace(/[,.]/g, ''));
    };
    const sum = figure(/Net/) + figure(/State 5 %/) + figure(/County 1\.25 %/);
    expect(figure(/Total in USD/)).toBe(sum);
    expect(figure(/Contract sum/)).toBe(BigInt(total.replace('.', '')));
    expect(figure(/Contract sum/) - figure(/Billed before/) - figure(/This invoice/)).toBe(
      figure(/Left to bill/),
    );
    for (const secret of secrets) expect(text).not.toMatch(secret);
    const xml = await invoicePaperXml(actor, deposit.id);
    expect(xml).toContain(`>${deposit.total}</cbc:PayableAmount>`);
    for (const secret of secrets) expect(xml).not.toMatch(secret);
  });

  test('the progress statement: every line adds up across, the columns add up down, the sums lead to what is due', async () => {
    const actor = await newCompany();
    const base = testDocument();
    const { agreementId } = await newAgreement(actor, {
      ...base,
      billing: { retainage: { percent: '10' }, deposit: 'advance' },
    });
    const { id } = await issueInvoice(actor, {
      agreementId,
      what: { lines: [{ line: 'l1', to: { percent: '40' } }] },
    });
    const text = textOf(await progressStatementPdf(actor, id));
    for (const secret of secrets) expect(text).not.toMatch(secret);
    const cents = (figure: string) => BigInt(figure.replace(/[,.]/g, '').replace('−', '-'));
    const figure = (name: RegExp) =>
      cents(new RegExp(`^ *${name.source}.*? (−?[\\d,]+\\.\\d\\d)$`, 'm').exec(text)![1]!);
    expect(figure(/Original contract sum/) + figure(/Net change/)).toBe(figure(/Contract sum to date/));
    expect(figure(/Work billed to date/) - figure(/Retainage held/)).toBe(figure(/Earned less retainage/));
    expect(
      figure(/Earned less retainage/) + figure(/Deposit not applied yet/) - figure(/Less billed before/),
    ).toBe(figure(/Due with this invoice/));
    const columns = (name: RegExp) =>
      new RegExp(`^ *${name.source} +(.*)$`, 'm').exec(text)![1]!.trim().split(/ +/);
    const [agreed, now, toDate, percent, left] = columns(/Line l1/);
    expect(now).toBe(toDate);
    expect(cents(agreed!) - cents(toDate!)).toBe(cents(left!));
    expect(Number(percent)).toBe(40);
    const net = columns(/Net(?= +\d)/);
    expect(cents(net[0]!)).toBe(cents(agreed!) + cents(columns(/Line l3/)[0]!));
  });

  test('a link opens the invoices of its own agreement and no others', async () => {
    const actor = await newCompany();
    const [one, other] = [await newAgreement(actor), await newAgreement(actor)];
    const { invoices } = await readAgreement(actor, one.agreementId);
    const id = invoices[0]!.id;
    expect(textOf(await visitorInvoicePdf(await visit(one.token), id))).toContain('Invoice');
    const status = await visitorInvoicePdf(await visit(other.token), id).then(
      () => 200,
      (error: Problem) => error.details.status,
    );
    expect(status).toBe(404);
  });
});

test('a document that went out comes in again as it was', async () => {
  const actor = await newCompany();
  const first = await exportDocument(actor, await newProposal(actor));
  const again = await exportDocument(actor, await newProposal(actor, JSON.parse(JSON.stringify(first))));
  expect(again).toEqual(first);
});

test('the library as CSV holds every item once, in the order of trades and codes', async () => {
  const actor = await newCompany();
  const item = (code: string, trade: string) => ({
    ...{ code, trade, name: `Item ${code}`, detail: '', unit: 'each' as const, taxClass: 'standard' },
    ...{
      costs: [{ type: 'material' as const, amount: '1.5' }],
      costCode: '',
      tags: [],
      internalNote: 'SECRET',
    },
  });
  await addItems(actor, [item('B-2', 'Roof'), item('B-1', 'Roof'), item('A-1', 'Frame')]);
  const lines = (await libraryAsCsv(actor)).trim().split('\r\n');
  expect(lines.slice(1).map((row) => row.split(',')[0])).toEqual(['A-1', 'B-1', 'B-2']);
  expect(lines.join('\n')).not.toContain('SECRET');
});

test('a signed booklet keeps reading what was signed, whatever is sent or chosen after', async () => {
  const actor = await newCompany();
  const token = await sendIt(actor, await newProposal(actor));
  const { visitor, input } = await signatureFor(token);
  await acceptProposal(visitor, input, 'test');
  const signed = await openBooklet(await visit(token));
  expect(signed).toMatchObject({ state: 'accepted', view: { total: input.total } });
  expect(signed.agreement).toMatchObject({
    signerName: 'Test Customer',
    standing: { sumToDate: input.total },
  });
  const chosen = await chooseInBooklet(await visit(token), {
    revisionId: input.revisionId,
    choices: { extras: {}, questions: { q1: 'a2' } },
  }).then(
    () => 200,
    (error: Problem) => error.details.status,
  );
  expect(chosen).toBe(409);
  expect((await openBooklet(await visit(token))).view.total).toBe(input.total);
});

test('a bundle offered as one line is one line on the invoice, its parts stay ours; open, they are read', async () => {
  const actor = await newCompany();
  const priced = (description: string, amount: string) => ({
    description,
    unit: 'each' as const,
    costs: [{ type: 'material' as const, amount }],
    taxClass: 'taxed',
  });
  const steps = (shows: 'one' | 'parts') =>
    bundle('b1', { tread: priced('Tread', '40.10'), string: priced('SECRET stringer', '33.33') }, [], {
      name: 'Steps of {rise}',
      shows,
      recipe: {
        inputs: [{ name: 'rise', label: 'Rise', kind: 'length', default: '40in' }],
        grades: [],
        parts: [
          { id: 'tread', name: 'treads', item: 'tread', quantity: 'ceil(rise / 8in)' },
          { id: 'string', name: 'strings', item: 'string', quantity: '3' },
        ],
      },
    });
  const base = testDocument();
  const documentWith = (shows: 'one' | 'parts') => ({
    ...base,
    shows: 'lines' as const,
    sections: [{ id: 's9', title: 'Steps', entries: [steps(shows)] }],
  });
  const { agreementId } = await newAgreement(actor, documentWith('one'));
  const agreement = await readAgreement(actor, agreementId);
  expect(agreement.lines.map(({ description }) => description)).toEqual(['Tread', 'SECRET stringer']);
  const { id } = await issueInvoice(actor, { agreementId, what: { rest: true } });
  const paper = textOf(await invoicePaperPdf(actor, id));
  expect(paper).toContain('Steps of 3 ft 4 in');
  expect(paper).not.toMatch(/Tread|SECRET/);
  const xml = await invoicePaperXml(actor, id);
  expect(xml.match(/<cac:InvoiceLine>/g)).toHaveLength(1);
  expect(xml).not.toMatch(/SECRET/);
  expect(agreement.total).toBe(
    showDecimal((await readAgreement(actor, agreementId)).standing.billed).replace(/,/g, ''),
  );

  const open = await newProposal(actor, documentWith('parts'));
  expect(textOf(await proposalPaper(actor, open))).toMatch(/Tread · 5 each/);
  const closed = await newProposal(actor, documentWith('one'));
  expect(textOf(await proposalPaper(actor, closed))).not.toMatch(/Tread|SECRET/);
});
