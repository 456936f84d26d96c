import { inCompany } from '@/data/connection';
import { itemsCsv, journalCsv } from '@/formats/csv/booksCsv';
import { libraryCsv } from '@/formats/csv/libraryCsv';
import type { PlanGeoJson } from '@/formats/geojson/planGeoJson';
import { planGeoJson } from '@/formats/geojson/planGeoJson';
import { dueDatesCalendar } from '@/formats/ics/dueDates';
import { libraryXlsx } from '@/formats/xlsx/libraryXlsx';
import { hybridPdf } from '@/formats/facturx/hybridPdf';
import { accountPdf } from '@/formats/pdf/accountPdf';
import { invoicePdf } from '@/formats/pdf/invoicePdf';
import type { PagePicture } from '@/formats/pdf/PlanPage';
import { proposalPdf } from '@/formats/pdf/proposalPdf';
import { receiptPdf } from '@/formats/pdf/receiptPdf';
import { statementPdf } from '@/formats/pdf/statementPdf';
import { invoiceXml } from '@/formats/ubl/invoiceXml';
import type { ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { draftPaper } from '../billing/progressBilling';
import type { Booklet, Visitor } from '../booklet/open';
import { openBooklet } from '../booklet/open';
import { previewBooklet } from '../booklet/preview';
import { allow } from '../actor';
import { readAccount } from '../customers/account';
import { readFile } from '../files/keep';
import { listForExport } from '../library/importItems';
import { batchItems, batchJournal } from '../billing/books';
import { listDueDates } from '../billing/dueDates';
import { invoicePaper } from '../billing/paper';
import { readReceipt } from '../payments/receipt';
import { readProgressStatement } from '../billing/statement';
import { noSuch } from '../problem';
import { readProposal } from '../proposals/read';
import { findProposalOfInvoice } from '@/data/billing/invoice';

const paperOf = async (companyId: string, { view, company, customer, site, contract }: Booklet) => {
  const pictures = await inCompany(companyId, async (tx) => {
    const found = new Map<string, PagePicture>();
    for (const { file } of view.plans) found.set(file, await readFile(tx, file, false));
    return found;
  });
  return proposalPdf({ view, company, customer, site, contract, pictures });
};

/** The proposal as it stands, as the customer would get it on paper. */
export const proposalPaper = async (actor: Actor, proposalId: string): Promise<Buffer> =>
  paperOf(actor.companyId, await previewBooklet(actor, proposalId));

/** The booklet on paper, under the customer's choices. */
export const bookletPaper = async (visitor: Visitor): Promise<Buffer> =>
  paperOf(visitor.companyId, await openBooklet(visitor));

/** An issued invoice or credit note, as the paper people read with the data inside. */
export async function invoicePaperPdf(actor: Actor, invoiceId: string): Promise<Uint8Array> {
  allow(actor, 'prices');
  return hybridPdf(await inCompany(actor, (tx) => invoicePaper(tx, invoiceId)));
}

/** The receipt of a payment. */
export async function receiptPaperPdf(actor: Actor, paymentId: string): Promise<Buffer> {
  allow(actor, 'prices');
  return receiptPdf(await readReceipt(actor, paymentId));
}

/** An invoice with every agreed line beside it. */
export async function progressStatementPdf(actor: Actor, invoiceId: string): Promise<Buffer> {
  allow(actor, 'prices');
  return statementPdf(await readProgressStatement(actor, invoiceId));
}

/** The draft of an invoice, as the customer would get it. */
export async function draftInvoicePdf(actor: Actor, agreementId: string): Promise<Buffer> {
  allow(actor, 'prices');
  return invoicePdf(await draftPaper(actor, agreementId));
}

export async function invoicePaperXml(actor: Actor, invoiceId: string): Promise<string> {
  allow(actor, 'prices');
  return invoiceXml(await inCompany(actor, (tx) => invoicePaper(tx, invoiceId)));
}

/**
 * An invoice for the holder of a private link: only one on the agreement of that link's proposal.
 * @throws Problem `no-such-invoice`
 */
export async function visitorInvoicePdf(visitor: Visitor, invoiceId: string): Promise<Uint8Array> {
  const paper = await inCompany(visitor.companyId, async (tx) => {
    const [row] = await findProposalOfInvoice(tx, invoiceId);
    if (row?.proposalId !== visitor.proposalId) throw noSuch('invoice');
    return invoicePaper(tx, invoiceId);
  });
  return hybridPdf(paper);
}

/** A customer's statement of account. */
export const accountStatementPdf = async (
  actor: Actor,
  customerId: string,
  range: Parameters<typeof readAccount>[2],
): Promise<Buffer> => accountPdf(await readAccount(actor, customerId, range));

/** The papers of a batch for the accountant, broken into their items. */
export const batchItemsCsv = async (actor: Actor, batchId: string): Promise<string> =>
  itemsCsv(await batchItems(actor, batchId));

/** A batch for the accountant as a journal. */
export const batchJournalCsv = async (actor: Actor, batchId: string): Promise<string> =>
  journalCsv(await batchJournal(actor, batchId));

/** What falls due, as a calendar. */
export const dueDatesIcs = async (actor: Actor): Promise<string> =>
  dueDatesCalendar('Due dates', await listDueDates(actor), actor.now);

/** The library as a list; our notes and costs are in it, so it is for those who work with them. */
export async function libraryAsCsv(actor: Actor): Promise<string> {
  return libraryCsv(await listForExport(actor));
}

/** The same as a workbook. */
export async function libraryAsXlsx(actor: Actor): Promise<Buffer> {
  return libraryXlsx(await listForExport(actor));
}

/**
 * What was traced on a plan of a proposal, as GeoJSON.
 * @throws Problem `no-such-plan`
 */
export async function exportPlan(actor: Actor, proposalId: string, planId: string): Promise<PlanGeoJson> {
  const { plans } = await exportDocument(actor, proposalId);
  const plan = plans?.find(({ id }) => id === planId);
  if (!plan) throw noSuch('plan');
  return planGeoJson(plan);
}

/** The document of a proposal in the open format: whole, so only for who sees its costs. */
export async function exportDocument(actor: Actor, proposalId: string): Promise<ProposalDocument> {
  allow(actor, 'cost');
  return (await readProposal(actor, proposalId)).document;
}
