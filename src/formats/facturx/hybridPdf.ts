import { InvoiceService } from '@e-invoice-eu/core';
import type { InvoicePaper } from '../invoicePaper';
import { invoicePdf } from '../pdf/invoicePdf';
import { invoiceXml } from '../ubl/invoiceXml';
import { ublJson } from '../ubl/ublJson';

const quiet = { log: () => undefined, warn: () => undefined, error: () => undefined };

/**
 * An invoice or credit note as a hybrid PDF (Factur-X, profile EN 16931): the paper people read, as PDF/A-3, with the same
 * invoice as UN/CEFACT CII inside.
 */
export async function hybridPdf(paper: InvoicePaper): Promise<Uint8Array> {
  const buffer = await invoicePdf(paper);
  const made = await new InvoiceService(quiet).generate(ublJson(invoiceXml(paper)) as never, {
    format: 'Factur-X-EN16931',
    lang: 'en',
    noWarnings: true,
    pdf: { buffer, filename: `${paper.number}.pdf`, mimetype: 'application/pdf' },
  });
  return made as Uint8Array;
}
