import { create } from 'xmlbuilder2';
import type { Amount, Fixed } from '@/core/number';
import {
  minorDigits,
  parseAmount,
  parseFixed,
  parsePercent,
  shareOf,
  sumAmounts,
  writeAmount,
  writeFixed,
} from '@/core/number';
import type { InvoicePaper, PaperParty } from '../invoicePaper';

type Xml = ReturnType<typeof create>;

interface Category {
  readonly taxClass: string;
  /** EN 16931 category: S for a rate, E for none. */
  readonly code: 'S' | 'E';
  readonly percent: Fixed;
  readonly base: Amount;
  readonly tax: Amount;
}

/** Tax classes as categories: the rates of a class's components are one rate there. */
function categories(paper: InvoicePaper, digits: number): Category[] {
  const classes = [...new Set(paper.lines.map(({ taxClass }) => taxClass))];
  return classes.map((taxClass) => {
    const rates = paper.components.filter((component) => component.taxClass === taxClass);
    const percent = rates.reduce((sum, { percent: each }) => sum + parseFixed(each), 0n) as Fixed;
    const base = sumAmounts(
      paper.lines.filter((line) => line.taxClass === taxClass).map(({ net }) => parseAmount(net, digits)),
    );
    const code = percent === 0n ? 'E' : 'S';
    return { taxClass, code, percent, base, tax: shareOf(base, parsePercent(writeFixed(percent))) };
  });
}

function party(parent: Xml, name: string, { name: called, address, taxNumber }: PaperParty): void {
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

/**
 * An invoice as UBL 2.1 after EN 16931. Each draw is a line of quantity one (minus one for a credit line, so that no
 * price is negative). The tax of a category is its rate on its base, as the rules want; where the agreement's cumulative
 * rounding gives a cent more or less on one invoice, the payable rounding amount (BT-114) carries it, so that the
 * payable amount is exactly the invoice's total.
 */
export function invoiceXml(paper: InvoicePaper): string {
  const digits = minorDigits(paper.currency);
  const money = (value: bigint) => writeAmount(value as Amount, digits);
  const found = categories(paper, digits);
  const byClass = new Map(found.map((category) => [category.taxClass, category]));
  const net = parseAmount(paper.net, digits);
  const tax = sumAmounts(found.map((category) => category.tax));
  const total = parseAmount(paper.total, digits);
  const rounding = total - net - tax;

  const document = create({ version: '1.0', encoding: 'UTF-8' }).ele('Invoice', {
    xmlns: 'urn:oasis:names:specification:ubl:schema:xsd:Invoice-2',
    'xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
    'xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
  });
  const amount = (parent: Xml, name: string, value: bigint) =>
    parent.ele(name, { currencyID: paper.currency }).txt(money(value));

  document.ele('cbc:CustomizationID').txt('urn:cen.eu:en16931:2017');
  document.ele('cbc:ID').txt(paper.number);
  document.ele('cbc:IssueDate').txt(paper.issuedOn);
  document.ele('cbc:DueDate').txt(paper.dueOn);
  document.ele('cbc:InvoiceTypeCode').txt('380');
  document
    .ele('cbc:Note')
    .txt(`${paper.title}. ${paper.agreement.title}, agreement ${paper.agreement.number}.`);
  document.ele('cbc:DocumentCurrencyCode').txt(paper.currency);
  document.ele('cac:ContractDocumentReference').ele('cbc:ID').txt(String(paper.agreement.number));
  party(document, 'cac:AccountingSupplierParty', paper.seller);
  party(document, 'cac:AccountingCustomerParty', paper.buyer);
  document.ele('cac:Delivery').ele('cbc:ActualDeliveryDate').txt(paper.issuedOn);
  document.ele('cac:PaymentTerms').ele('cbc:Note').txt(`Due on ${paper.dueOn}`);

  const taxTotal = document.ele('cac:TaxTotal');
  amount(taxTotal, 'cbc:TaxAmount', tax);
  const category = (parent: Xml, name: string, { code, percent }: Category, reason: boolean) => {
    const element = parent.ele(name);
    element.ele('cbc:ID').txt(code);
    element.ele('cbc:Percent').txt(writeFixed(percent));
    if (reason && code === 'E') element.ele('cbc:TaxExemptionReason').txt('Not taxable');
    element.ele('cac:TaxScheme').ele('cbc:ID').txt('VAT');
  };
  for (const each of found) {
    const subtotal = taxTotal.ele('cac:TaxSubtotal');
    amount(subtotal, 'cbc:TaxableAmount', each.base);
    amount(subtotal, 'cbc:TaxAmount', each.tax);
    category(subtotal, 'cac:TaxCategory', each, true);
  }

  const sums = document.ele('cac:LegalMonetaryTotal');
  amount(sums, 'cbc:LineExtensionAmount', net);
  amount(sums, 'cbc:TaxExclusiveAmount', net);
  amount(sums, 'cbc:TaxInclusiveAmount', net + tax);
  if (rounding !== 0n) amount(sums, 'cbc:PayableRoundingAmount', rounding);
  amount(sums, 'cbc:PayableAmount', total);

  paper.lines.forEach((line, i) => {
    const value = parseAmount(line.net, digits);
    const element = document.ele('cac:InvoiceLine');
    element.ele('cbc:ID').txt(String(i + 1));
    element.ele('cbc:InvoicedQuantity', { unitCode: 'C62' }).txt(value < 0n ? '-1' : '1');
    amount(element, 'cbc:LineExtensionAmount', value);
    const item = element.ele('cac:Item');
    item.ele('cbc:Description').txt(`${line.section}: part of ${line.agreed} agreed`);
    item.ele('cbc:Name').txt(line.description);
    category(item, 'cac:ClassifiedTaxCategory', byClass.get(line.taxClass)!, false);
    amount(element.ele('cac:Price'), 'cbc:PriceAmount', value < 0n ? -value : value);
  });
  return document.end({ prettyPrint: true });
}
