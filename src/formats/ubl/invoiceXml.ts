import { create } from 'xmlbuilder2';
import type { Amount, Fixed } from '@/core/number';
import {
  ONE,
  ZERO,
  minorDigits,
  moneyOf,
  parseAmount,
  parseFixed,
  parsePercent,
  shareOf,
  sumAmounts,
  writeAmount,
  writeFixed,
} from '@/core/number';
import type { UnitCode } from '@/model';
import { units } from '@/model';
import type { InvoicePaper, PaperLine, PaperParty } from '../invoicePaper';

type Xml = ReturnType<typeof create>;

interface Category {
  readonly taxClasses: readonly string[];
  /** EN 16931 category: S for a rate, E for none. */
  readonly code: 'S' | 'E';
  readonly percent: Fixed;
  readonly base: Amount;
  readonly tax: Amount;
}

/** What a paper bills of one tax class: a line, or an allowance or charge on the whole. Amounts as the paper counts them. */
interface Row {
  readonly name: string;
  readonly detail: string | null;
  readonly taxClass: string;
  readonly net: Amount;
  readonly measure: PaperLine['measure'];
  /** What was agreed of the line. */
  readonly agreed: Amount;
}

/**
 * Categories as the rules want them: one to each rate (BR-S-08), whatever classes of ours have it. The components of a class
 * are one rate there: a line has one category, and the bases of all categories are the lines.
 */
function categories(paper: InvoicePaper, rows: readonly Row[]): Category[] {
  const percentOf = (taxClass: string) =>
    paper.components
      .filter((component) => component.taxClass === taxClass)
      .reduce((sum, { percent }) => sum + parseFixed(percent), 0n) as Fixed;
  const classes = [...new Set(rows.map(({ taxClass }) => taxClass))];
  return [...new Set(classes.map(percentOf))].map((percent) => {
    const own = classes.filter((taxClass) => percentOf(taxClass) === percent);
    const base = sumAmounts(rows.filter(({ taxClass }) => own.includes(taxClass)).map(({ net }) => net));
    const code = percent === 0n ? 'E' : 'S';
    return { taxClasses: own, code, percent, base, tax: shareOf(base, parsePercent(writeFixed(percent))) };
  });
}

/** Price and quantity of a row: as agreed, where both are known and lead to its amount; else one of the amount. */
function measured({ net, agreed, measure }: Row, digits: number) {
  const much = net < 0n ? -net : net;
  const sign = net < 0n ? '-' : '';
  const once = {
    unitCode: 'C62',
    quantity: `${sign}1`,
    price: writeAmount(much as Amount, digits),
    base: null,
  };
  if (measure === null || agreed === 0n) return once;
  const unitCode = units[measure.unit as UnitCode]?.unece ?? 'C62';
  const quantity = `${sign}${measure.billed}`;
  const whole = agreed < 0n ? -agreed : agreed;
  const of = parseFixed(measure.agreed);
  // A price with four places says it; else the amount agreed for the quantity agreed (BT-149).
  const scaled = whole * 10n ** BigInt(4 - Math.min(digits, 4)) * ONE;
  return digits <= 4 && scaled % of === 0n
    ? { unitCode, quantity, price: writeFixed(((scaled / of) * 100n) as Fixed), base: null }
    : { unitCode, quantity, price: writeAmount(whole as Amount, digits), base: measure.agreed };
}

/** UNTDID 1001: commercial invoice, prepayment invoice, credit note. */
const typeCodes = {
  invoice: '380',
  advance: '386',
  release: '380',
  'late charge': '380',
  'credit note': '381',
} as const;

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
 * An invoice or credit note as UBL 2.1 after EN 16931. A line has the quantity that is billed of it in its unit (UN/ECE
 * Recommendation 20) and the price agreed; where they do not lead to its amount, quantity one. What is below zero has a
 * quantity below zero, so that no price is. What is held back or counted off a deposit is an allowance on the whole, what is given back
 * of it a charge; a paper without work has them as its lines. A credit note is written with its signs turned round. The
 * tax of a category is its rate on its base, as the rules want; where the agreement's cumulative rounding gives a cent more
 * or less on one paper, the payable rounding amount (BT-114) carries it. What the customer's credit paid is prepaid
 * (BT-113), so that the payable amount is exactly what is to pay.
 */
export function invoiceXml(paper: InvoicePaper): string {
  const digits = minorDigits(paper.currency);
  const isCredit = paper.kind === 'credit note';
  const money = moneyOf(digits);
  const read = (text: string) => ((isCredit ? -1n : 1n) * parseAmount(text, digits)) as Amount;

  const work = paper.lines
    .map((line): Row => ({
      name: line.description,
      detail: `${line.section}: part of ${line.agreed} agreed`,
      taxClass: line.taxClass,
      net: read(line.net),
      measure: line.measure,
      agreed: parseAmount(line.agreed, digits),
    }))
    .filter(({ net }) => net !== 0n);
  const apart = paper.parts.map((part): Row => ({
    name: part.name,
    detail: null,
    taxClass: part.taxClass,
    net: read(part.net),
    measure: null,
    agreed: ZERO,
  }));
  const rows = work.length > 0 ? work : apart;
  const charges = work.length > 0 ? apart.filter(({ net }) => net !== 0n) : [];

  const found = categories(paper, [...rows, ...charges]);
  const byClass = new Map(
    found.flatMap((category) => category.taxClasses.map((taxClass) => [taxClass, category] as const)),
  );
  const lineSum = sumAmounts(rows.map(({ net }) => net));
  const allowances = sumAmounts(charges.filter(({ net }) => net < 0n).map(({ net }) => net));
  const added = sumAmounts(charges.filter(({ net }) => net > 0n).map(({ net }) => net));
  const net = read(paper.net);
  const tax = sumAmounts(found.map((category) => category.tax));
  const total = read(paper.total);
  // A credit note gives credit, it uses none: what it comes to is what is due to the customer.
  const prepaid = isCredit ? 0n : parseAmount(paper.creditUsed, digits);
  const rounding = total - net - tax;

  const root = isCredit ? 'CreditNote' : 'Invoice';
  const document = create({ version: '1.0', encoding: 'UTF-8' }).ele(root, {
    xmlns: `urn:oasis:names:specification:ubl:schema:xsd:${root}-2`,
    'xmlns:cac': 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2',
    'xmlns:cbc': 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2',
  });
  const amount = (parent: Xml, name: string, value: bigint) =>
    parent.ele(name, { currencyID: paper.currency }).txt(money.write(value));

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
  party(document, 'cac:AccountingSupplierParty', paper.seller);
  party(document, 'cac:AccountingCustomerParty', paper.buyer);
  document.ele('cac:Delivery').ele('cbc:ActualDeliveryDate').txt(paper.issuedOn);
  document
    .ele('cac:PaymentTerms')
    .ele('cbc:Note')
    .txt(
      isCredit
        ? 'Kept as customer credit'
        : [`Due on ${paper.dueOn}.`, paper.lateTerms].filter(Boolean).join(' '),
    );

  const category = (parent: Xml, name: string, { code, percent }: Category, reason: boolean) => {
    const element = parent.ele(name);
    element.ele('cbc:ID').txt(code);
    element.ele('cbc:Percent').txt(writeFixed(percent));
    if (reason && code === 'E') element.ele('cbc:TaxExemptionReason').txt('Not taxable');
    element.ele('cac:TaxScheme').ele('cbc:ID').txt('VAT');
  };
  for (const charge of charges) {
    const element = document.ele('cac:AllowanceCharge');
    element.ele('cbc:ChargeIndicator').txt(String(charge.net > 0n));
    element.ele('cbc:AllowanceChargeReason').txt(charge.name);
    amount(element, 'cbc:Amount', charge.net < 0n ? -charge.net : charge.net);
    category(element, 'cac:TaxCategory', byClass.get(charge.taxClass)!, false);
  }
  const taxTotal = document.ele('cac:TaxTotal');
  amount(taxTotal, 'cbc:TaxAmount', tax);
  for (const each of found) {
    const subtotal = taxTotal.ele('cac:TaxSubtotal');
    amount(subtotal, 'cbc:TaxableAmount', each.base);
    amount(subtotal, 'cbc:TaxAmount', each.tax);
    category(subtotal, 'cac:TaxCategory', each, true);
  }

  const sums = document.ele('cac:LegalMonetaryTotal');
  amount(sums, 'cbc:LineExtensionAmount', lineSum);
  amount(sums, 'cbc:TaxExclusiveAmount', net);
  amount(sums, 'cbc:TaxInclusiveAmount', net + tax);
  if (allowances !== 0n) amount(sums, 'cbc:AllowanceTotalAmount', -allowances);
  if (added !== 0n) amount(sums, 'cbc:ChargeTotalAmount', added);
  if (prepaid !== 0n) amount(sums, 'cbc:PrepaidAmount', prepaid);
  if (rounding !== 0n) amount(sums, 'cbc:PayableRoundingAmount', rounding);
  amount(sums, 'cbc:PayableAmount', total - prepaid);

  rows.forEach((row, i) => {
    const element = document.ele(`cac:${root}Line`);
    element.ele('cbc:ID').txt(String(i + 1));
    const { unitCode, quantity, price, base } = measured(row, digits);
    element.ele(isCredit ? 'cbc:CreditedQuantity' : 'cbc:InvoicedQuantity', { unitCode }).txt(quantity);
    amount(element, 'cbc:LineExtensionAmount', row.net);
    const item = element.ele('cac:Item');
    if (row.detail) item.ele('cbc:Description').txt(row.detail);
    item.ele('cbc:Name').txt(row.name);
    category(item, 'cac:ClassifiedTaxCategory', byClass.get(row.taxClass)!, false);
    const priced = element.ele('cac:Price');
    priced.ele('cbc:PriceAmount', { currencyID: paper.currency }).txt(price);
    if (base !== null) priced.ele('cbc:BaseQuantity', { unitCode }).txt(base);
  });
  return document.end({ prettyPrint: true });
}
