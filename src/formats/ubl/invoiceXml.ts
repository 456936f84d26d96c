import { create } from 'xmlbuilder2';
import { minorDigits, moneyOf, writeFixed } from '@/core/number';
import type { InvoicePaper, PaperParty } from '../invoicePaper';
import type { Category, Reckoned, Row } from './rows';
import { measured, reckonPaper } from './rows';

type Xml = ReturnType<typeof create>;
/** Writes an amount in the currency of the paper. */
type PutAmount = (parent: Xml, name: string, value: bigint) => void;

/** UNTDID 1001: commercial invoice, prepayment invoice, credit note. */
const typeCodes = {
  invoice: '380',
  advance: '386',
  release: '380',
  'late charge': '380',
  'credit note': '381',
} as const;

function putParty(parent: Xml, name: string, { name: called, address, taxNumber }: PaperParty): void {
  const element = parent.ele(name).ele('cac:Party');
  const place = element.ele('cac:PostalAddress');
  place.ele('cbc:StreetName').txt(address.street);
  place.ele('cbc:CityName').txt(address.city);
  if (address.postcode) place.ele('cbc:PostalZone').txt(address.postcode);
  if (address.region) place.ele('cbc:CountrySubentity').txt(address.region);
  place.ele('cac:Country').ele('cbc:IdentificationCode').txt(address.country);
  if (taxNumber) {
    const scheme = element.ele('cac:PartyTaxScheme');
    scheme.ele('cbc:CompanyID').txt(taxNumber);
    scheme.ele('cac:TaxScheme').ele('cbc:ID').txt('VAT');
  }
  element.ele('cac:PartyLegalEntity').ele('cbc:RegistrationName').txt(called);
}

function putCategory(parent: Xml, name: string, { code, percent }: Category, reason = false): void {
  const element = parent.ele(name);
  element.ele('cbc:ID').txt(code);
  element.ele('cbc:Percent').txt(writeFixed(percent));
  if (reason && code === 'E') element.ele('cbc:TaxExemptionReason').txt('Not taxable');
  element.ele('cac:TaxScheme').ele('cbc:ID').txt('VAT');
}

/** Number, days, kind and words of the paper, what it credits and belongs to, who and until when. */
function putHead(document: Xml, paper: InvoicePaper, root: string): void {
  const isCredit = paper.kind === 'credit note';
  document.ele('cbc:CustomizationID').txt('urn:cen.eu:en16931:2017');
  document.ele('cbc:ID').txt(paper.number);
  document.ele('cbc:IssueDate').txt(paper.issuedOn);
  if (!isCredit) document.ele('cbc:DueDate').txt(paper.dueOn);
  document.ele(`cbc:${root}TypeCode`).txt(typeCodes[paper.kind]);
  const about = `${paper.title}. ${paper.agreement.title}, agreement ${paper.agreement.number}.`;
  document.ele('cbc:Note').txt(paper.remark ? `${about} ${paper.remark}` : about);
  document.ele('cbc:DocumentCurrencyCode').txt(paper.currency);
  if (paper.credits) {
    const reference = document.ele('cac:BillingReference').ele('cac:InvoiceDocumentReference');
    reference.ele('cbc:ID').txt(paper.credits.number);
    reference.ele('cbc:IssueDate').txt(paper.credits.issuedOn);
  }
  document.ele('cac:ContractDocumentReference').ele('cbc:ID').txt(String(paper.agreement.number));
  putParty(document, 'cac:AccountingSupplierParty', paper.seller);
  putParty(document, 'cac:AccountingCustomerParty', paper.buyer);
  document.ele('cac:Delivery').ele('cbc:ActualDeliveryDate').txt(paper.issuedOn);
  document
    .ele('cac:PaymentTerms')
    .ele('cbc:Note')
    .txt(
      isCredit
        ? 'Kept as customer credit'
        : [`Due on ${paper.dueOn}.`, paper.lateTerms].filter(Boolean).join(' '),
    );
}

function putCharges(
  document: Xml,
  charges: readonly Row[],
  of: (row: Row) => Category,
  put: PutAmount,
): void {
  for (const charge of charges) {
    const element = document.ele('cac:AllowanceCharge');
    element.ele('cbc:ChargeIndicator').txt(String(charge.net > 0n));
    element.ele('cbc:AllowanceChargeReason').txt(charge.name);
    put(element, 'cbc:Amount', charge.net < 0n ? -charge.net : charge.net);
    putCategory(element, 'cac:TaxCategory', of(charge));
  }
}

function putSums(document: Xml, { categories, sums }: Reckoned, put: PutAmount): void {
  const taxTotal = document.ele('cac:TaxTotal');
  put(taxTotal, 'cbc:TaxAmount', sums.tax);
  for (const category of categories) {
    const subtotal = taxTotal.ele('cac:TaxSubtotal');
    put(subtotal, 'cbc:TaxableAmount', category.base);
    put(subtotal, 'cbc:TaxAmount', category.tax);
    putCategory(subtotal, 'cac:TaxCategory', category, true);
  }
  const total = document.ele('cac:LegalMonetaryTotal');
  put(total, 'cbc:LineExtensionAmount', sums.lines);
  put(total, 'cbc:TaxExclusiveAmount', sums.net);
  put(total, 'cbc:TaxInclusiveAmount', sums.net + sums.tax);
  if (sums.allowances !== 0n) put(total, 'cbc:AllowanceTotalAmount', -sums.allowances);
  if (sums.charges !== 0n) put(total, 'cbc:ChargeTotalAmount', sums.charges);
  if (sums.prepaid !== 0n) put(total, 'cbc:PrepaidAmount', sums.prepaid);
  if (sums.rounding !== 0n) put(total, 'cbc:PayableRoundingAmount', sums.rounding);
  put(total, 'cbc:PayableAmount', sums.payable);
}

function putLines(
  document: Xml,
  paper: InvoicePaper,
  rows: readonly Row[],
  of: (row: Row) => Category,
  put: PutAmount,
): void {
  const isCredit = paper.kind === 'credit note';
  rows.forEach((row, i) => {
    const element = document.ele(isCredit ? 'cac:CreditNoteLine' : 'cac:InvoiceLine');
    element.ele('cbc:ID').txt(String(i + 1));
    const { unitCode, quantity, price, base } = measured(row, minorDigits(paper.currency));
    element.ele(isCredit ? 'cbc:CreditedQuantity' : 'cbc:InvoicedQuantity', { unitCode }).txt(quantity);
    put(element, 'cbc:LineExtensionAmount', row.net);
    const item = element.ele('cac:Item');
    if (row.detail) item.ele('cbc:Description').txt(row.detail);
    item.ele('cbc:Name').txt(row.name);
    putCategory(item, 'cac:ClassifiedTaxCategory', of(row));
    const priced = element.ele('cac:Price');
    priced.ele('cbc:PriceAmount', { currencyID: paper.currency }).txt(price);
    if (base !== null) priced.ele('cbc:BaseQuantity', { unitCode }).txt(base);
  });
}

/**
 * An invoice or credit note as UBL 2.1 after EN 16931. A line has the quantity that is billed of it in its unit (UN/ECE
 * Recommendation 20) and the price agreed; where they do not lead to its amount, quantity one. What is below zero has a
 * quantity below zero, so that no price is. What is held back or counted off a deposit is an allowance on the whole, what is given back
 * of it a charge; a paper without work has them as its lines. A credit note is written with its signs turned round. The
 * tax of a category is its rate on its base, as the rules want; where the agreement's cumulative rounding gives a cent more
 * or less on one paper, the payable rounding amount (BT-114) carries it. What the customer's credit paid is prepaid
 * (BT-113), so that the payable amount is exactly what is to pay.
 */
export function invoiceXml(paper: InvoicePaper): string {
  const money = moneyOf(minorDigits(paper.currency));
  const reckoned = reckonPaper(paper);
  const { rows, charges, categories } = reckoned;
  const root = paper.kind === 'credit note' ? 'CreditNote' : 'Invoice';
  const document = create({ version: '1.0', encoding: 'UTF-8' }).ele(root, {
    xmlns: `urn:oasis:names:specification:ubl:schema:xsd:${root}-2`,
    'xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
    'xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
  });
  const put: PutAmount = (parent, name, value) =>
    void parent.ele(name, { currencyID: paper.currency }).txt(money.write(value));
  const categoryOf = ({ taxClass }: Row) =>
    categories.find(({ taxClasses }) => taxClasses.includes(taxClass))!;
  putHead(document, paper, root);
  putCharges(document, charges, categoryOf, put);
  putSums(document, reckoned, put);
  putLines(document, paper, rows, categoryOf, put);
  return document.end({ prettyPrint: true });
}
