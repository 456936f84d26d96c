import { issueInvoice } from '@/services/billing/issue';
import { deleteLayout, keepLayout, setUsualLayout } from '@/services/billing/layouts';
import { invoicePaper } from '@/services/billing/paper';
import { readProgressBilling } from '@/services/billing/progressBilling';
import { Problem } from '@/services/problem';
import { closeConnection, inCompany } from '@/data/connection';
import type { InvoiceShows } from '@/model';
import { invoicePdf } from '@/formats/pdf/invoicePdf';
import { newAgreement, newCompany, testDocument } from '../support/desk';
import { line, plainDocument } from '../support/documents';
import { inRole } from '../support/inRole';

afterAll(closeConnection);

const short: InvoiceShows = { unbilled: 'hidden', bundles: 'one', summary: 'kind', rows: 'none' };
const coded: InvoiceShows = { unbilled: 'zero', bundles: 'parts', codes: 'cost', balance: true };

const paperOf = (companyId: string, id: string) => inCompany(companyId, (tx) => invoicePaper(tx, id));

test('a layout is kept under a name, replaced under the same, and single rows stay with their agreement', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, testDocument());
  const other = await newAgreement(actor, testDocument());
  const keep = (more: object) =>
    keepLayout(actor, {
      agreementId,
      name: 'For the bank',
      forAll: true,
      usual: false,
      shows: coded,
      ...more,
    });
  const first = await keep({ shows: { ...coded, each: { l1: 'hidden' } } });
  expect(await keep({ name: ' for the BANK ', shows: short })).toEqual(first);
  await keep({ forAll: false, shows: { ...coded, each: { l1: 'hidden' } } });
  const layouts = async (of: string) =>
    (await readProgressBilling(actor, of)).layouts.map(({ name, forAll, shows }) => [name, forAll, shows]);
  expect(await layouts(agreementId)).toEqual([
    ['For the bank', false, { ...coded, each: { l1: 'hidden' } }],
    ['for the BANK', true, short],
  ]);
  expect(await layouts(other.agreementId)).toEqual([['for the BANK', true, short]]);
  await deleteLayout(actor, first);
  await expect(deleteLayout(actor, first)).rejects.toThrow('no such layout');
  expect(await layouts(other.agreementId)).toEqual([]);
});

test('invoices begin with the usual layout, then as the last one of their agreement; another company knows nothing of it', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, testDocument());
  const { id } = await keepLayout(actor, {
    agreementId,
    name: 'Short',
    forAll: true,
    usual: true,
    shows: short,
  });
  expect((await readProgressBilling(actor, agreementId)).layout).toEqual(short);
  // Said nothing of, an invoice has it: as those do that an acceptance or a list of what is due issues.
  const one = await issueInvoice(actor, { agreementId, what: { amount: '500' } });
  const paper = await paperOf(actor.companyId, one.id);
  expect([paper.layout.groups, paper.layout.summary?.by]).toEqual([[], 'kind']);
  await issueInvoice(actor, { agreementId, what: { amount: '100' }, shows: coded });
  expect((await readProgressBilling(actor, agreementId)).layout).toEqual(coded);
  await setUsualLayout(actor, { id: null });
  const fresh = await newAgreement(actor, testDocument());
  expect((await readProgressBilling(actor, fresh.agreementId)).layout).toEqual({
    unbilled: 'hidden',
    bundles: 'agreed',
  });
  const own = await keepLayout(actor, {
    agreementId,
    name: 'Own',
    forAll: false,
    usual: false,
    shows: coded,
  });
  await expect(setUsualLayout(actor, own)).rejects.toThrow('names rows of one agreement');
  const stranger = await newCompany();
  await expect(setUsualLayout(stranger, { id })).rejects.toThrow('no such layout');
  await expect(
    keepLayout(inRole(actor, 'seller'), { agreementId, name: 'x', forAll: true, usual: true, shows: short }),
  ).rejects.toThrow(Problem);
  const again = await keepLayout(actor, {
    ...{ agreementId, name: 'Short', forAll: true, usual: true, shows: short },
  });
  const seller = inRole(actor, 'seller');
  await expect(deleteLayout(seller, again)).rejects.toThrow(Problem);
  await expect(
    keepLayout(seller, { agreementId, name: 'short', forAll: true, usual: false, shows: coded }),
  ).rejects.toThrow(Problem);
});

test('what paper says: codes, percent and balance to date, what was paid before, retainage with rate and limit', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, {
    ...testDocument(),
    billing: { retainage: { percent: '10', limit: '5' } },
  });
  const lines = [{ line: 'l1', to: { percent: '25' } }];
  const { id } = await issueInvoice(actor, { agreementId, what: { lines }, shows: coded });
  const paper = await paperOf(actor.companyId, id);
  expect(paper.lines.find((each) => each.id === 'l1')).toMatchObject({ percent: '25.0', code: null });
  expect(paper.retainageTerms).toBe('10 %, at most 5 % of the contract sum');
  expect(paper.paidBefore).toBe('0.00');
  expect((await invoicePdf(paper)).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a paper of three hundred rows, each with a long text, is set', async () => {
  const actor = await newCompany();
  const many = Array.from({ length: 300 }, (_, i) =>
    line(`l${i}`, '2', '11.37', {
      description: `Board ${i}, planed, primed and painted twice, with all fixings and the waste taken away ${'x'.repeat(60)}`,
      costCode: '06-100',
    }),
  );
  const { agreementId } = await newAgreement(
    actor,
    plainDocument([{ id: 's', title: 'Everything', entries: many }], { schedule: testDocument().schedule }),
  );
  const { id } = await issueInvoice(actor, {
    agreementId,
    what: { rest: true },
    shows: { ...coded, summary: 'section' },
  });
  const paper = await paperOf(actor.companyId, id);
  expect(paper.lines).toHaveLength(300);
  const pdf = (await invoicePdf(paper)).toString('latin1');
  // Nothing is cut: so long a paper has many pages.
  expect(pdf.match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(20);
});
