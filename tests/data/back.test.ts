import ExcelJS from 'exceljs';
import { issueInvoice } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { declineProposal } from '@/services/booklet/decide';
import { recordCost } from '@/services/jobCosting/record';
import { readJob } from '@/services/jobCosting/jobReport';
import { readAgreementsReport } from '@/services/reports/agreementsReport';
import { readSalesReport } from '@/services/reports/salesReport';
import { backListCsv, backListXlsx } from '@/services/reports/reportList';
import { addItems } from '@/services/library/add';
import { openBooklet } from '@/services/booklet/open';
import { parseAmount, sumAmounts } from '@/core/number';
import { closeConnection } from '@/data/connection';
import { newAgreement, newCompany, newProposal, sendIt, testDocument, visit } from '../support/desk';

afterAll(closeConnection);

const cents = (text: string) => parseAmount(text, 2);

test('all agreements: billed and paid against agreed, cost and profit as their own pages say, and their sums', async () => {
  const actor = await newCompany();
  const first = await newAgreement(actor);
  const second = await newAgreement(actor);
  await issueInvoice(actor, { agreementId: second.agreementId, what: { rest: true } });
  await recordCost(actor, {
    agreementId: first.agreementId,
    what: 'Boards',
    costType: 'material',
    spentOn: '2026-05-01',
    supplier: '',
    amount: '250.25',
    idempotencyKey: `back-${process.pid}-1`,
  });
  const { rows, all } = await readAgreementsReport(actor);
  expect(rows.map(({ id }) => id)).toEqual([second.agreementId, first.agreementId]);
  for (const row of rows) {
    expect(row).toMatchObject((await readAgreement(actor, row.id)).standing);
    expect(row.job).toEqual((await readJob(actor, row.id)).total);
  }
  for (const key of ['sumToDate', 'billed', 'paid', 'leftToBill'] as const)
    expect(cents(all![key])).toBe(sumAmounts(rows.map((row) => cents(row[key]))));
  expect(all!.cost).toBe('250.25');
  expect(cents(all!.expectedProfit)).toBe(sumAmounts(rows.map(({ job }) => cents(job.expectedProfit))));
  const csv = await backListCsv(actor, 'agreements');
  expect(csv.split('\r\n')).toHaveLength(1 + 2 + 1);
  expect((await readAgreementsReport(await newCompany())).all).toBeNull();
});

test('what was sent: signed, declined, open; by seller and trade; items that were offered and those that were signed', async () => {
  const actor = await newCompany();
  const [stud] = await addItems(actor, [
    {
      code: 'W-1',
      name: 'Stud',
      detail: '',
      trade: 'Carpentry',
      unit: 'each',
      costs: [{ type: 'material', amount: '3' }],
      taxClass: 'taxed',
      costCode: '',
      tags: [],
      supplierNote: '',
      internalNote: '',
    } as never,
  ]);
  const document = () => {
    const made = testDocument();
    const section = made.sections[0]!;
    const [line, extra, ...rest] = section.entries;
    const taken = { itemId: stud!.id, trade: 'Carpentry' };
    return {
      ...made,
      sections: [{ ...section, entries: [{ ...line!, ...taken }, { ...extra!, ...taken }, ...rest] }],
    } as never;
  };
  await newAgreement(actor, document());
  const refused = await sendIt(actor, await newProposal(actor, document()));
  const visitor = await visit(refused);
  const { revision } = await openBooklet(visitor);
  await declineProposal(visitor, { revisionId: revision.id, reason: 'too dear' });
  await sendIt(actor, await newProposal(actor, document()));
  await newProposal(actor, document());
  const back = await readSalesReport(actor, 365);
  expect(back.all).toMatchObject({ sent: 3, signed: 1, lost: 1, open: 1, rate: 50, medianDays: 0 });
  expect(back.sellers).toMatchObject([{ name: 'Test Owner', sent: 3 }]);
  expect(back.trades).toMatchObject([{ name: 'Carpentry', sent: 3, signed: 1 }]);
  expect(back.items).toMatchObject([{ code: 'W-1', name: 'Stud', offered: 3, used: 1 }]);
  for (const list of ['sellers', 'trades', 'items'] as const)
    expect((await backListCsv(actor, list)).split('\r\n').length).toBe(3);
  // Of another company, and before the time looked at, nothing.
  expect((await readSalesReport(await newCompany(), 365)).all.sent).toBe(0);
  expect(
    (await readSalesReport({ ...actor, now: new Date(Date.now() + 400 * 86_400_000) }, 365)).all.sent,
  ).toBe(0);
});

test('each list as a workbook too, with the columns of its CSV', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  const { rows } = await readAgreementsReport(actor);
  const book = new ExcelJS.Workbook();
  await book.xlsx.load((await backListXlsx(actor, 'agreements')) as never);
  const [sheet] = book.worksheets;
  const headings = (await backListCsv(actor, 'agreements')).split('\r\n')[0]!.split(',');
  expect((sheet!.getRow(1).values as unknown[]).slice(1)).toEqual(headings);
  const row = sheet!.getRow(2);
  expect(row.getCell(headings.indexOf('sumToDate') + 1).value).toBe(Number(rows[0]!.sumToDate));
  expect(rows[0]!.id).toBe(agreementId);
});
