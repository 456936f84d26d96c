import { eq } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { agreement, invoice } from '@/data/schema';
import { libraryCsv } from '@/formats/csv/libraryCsv';
import { invoicePdf } from '@/formats/pdf/invoicePdf';
import { proposalPdf } from '@/formats/pdf/proposalPdf';
import { invoiceXml } from '@/formats/ubl/invoiceXml';
import type { ProposalDocument } from '@/model';
import type { Actor } from './actor';
import type { Booklet, Visitor } from './booklet/open';
import { openBooklet } from './booklet/open';
import { previewBooklet } from './booklet/preview';
import { listItems } from './library/library';
import { invoicePaper } from './money/invoices';
import { Problem } from './problem';
import { readProposal } from './proposals/read';

const paperOf = ({ view, company, customer, site }: Booklet) =>
  proposalPdf({ view, company, customer, site });

/** The proposal as it stands, as the customer would get it on paper. */
export const proposalPaper = async (actor: Actor, proposalId: string): Promise<Buffer> =>
  paperOf(await previewBooklet(actor, proposalId));

/** The booklet on paper, under the customer's choices. */
export const bookletPaper = async (visitor: Visitor): Promise<Buffer> => paperOf(await openBooklet(visitor));

export async function invoicePaperPdf(actor: Actor, invoiceId: string): Promise<Buffer> {
  return invoicePdf(await inCompany(actor.companyId, (tx) => invoicePaper(tx, invoiceId)));
}

export async function invoicePaperXml(actor: Actor, invoiceId: string): Promise<string> {
  return invoiceXml(await inCompany(actor.companyId, (tx) => invoicePaper(tx, invoiceId)));
}

/** An invoice for the holder of a private link: only one on the agreement of that link's proposal. */
export async function visitorInvoicePdf(visitor: Visitor, invoiceId: string): Promise<Buffer> {
  const paper = await inCompany(visitor.companyId, async (tx) => {
    const [row] = await tx
      .select({ proposalId: agreement.proposalId })
      .from(invoice)
      .innerJoin(agreement, eq(agreement.id, invoice.agreementId))
      .where(eq(invoice.id, invoiceId));
    if (row?.proposalId !== visitor.proposalId) throw new Problem(404, 'There is no such invoice.');
    return invoicePaper(tx, invoiceId);
  });
  return invoicePdf(paper);
}

export const libraryAsCsv = async (actor: Actor): Promise<string> => libraryCsv(await listItems(actor));

/** The document of a proposal in the open format. */
export const exportDocument = async (actor: Actor, proposalId: string): Promise<ProposalDocument> =>
  (await readProposal(actor, proposalId)).document;
