import type { Amount, Fixed } from '@/core/number';
import {
  minorDigits,
  ONE,
  parseAmount,
  parseFixed,
  parsePercent,
  shareOf,
  sumAmounts,
  writeAmount,
  writeFixed,
  ZERO,
} from '@/core/number';
import { uneceOf } from '@/model';
import type { InvoicePaper, PaperLine } from '../invoicePaper';

export interface Category {
  readonly taxClasses: readonly string[];
  /** EN 16931 category: S for a rate, E for none. */
  readonly code: 'S' | 'E';
  readonly percent: Fixed;
  readonly base: Amount;
  readonly tax: Amount;
}

/** What a paper bills of one tax class: a line, or an allowance or charge on the whole. Amounts as the paper counts them. */
export interface Row {
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
function categoriesOf(paper: InvoicePaper, rows: readonly Row[]): Category[] {
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
export function measured({ net, agreed, measure }: Row, digits: number) {
  const much = net < 0n ? -net : net;
  const sign = net < 0n ? '-' : '';
  const once = {
    unitCode: 'C62',
    quantity: `${sign}1`,
    price: writeAmount(much as Amount, digits),
    base: null,
  };
  if (measure === null || agreed === 0n) return once;
  const unitCode = uneceOf(measure.unit);
  const quantity = `${sign}${measure.billed}`;
  const whole = agreed < 0n ? -agreed : agreed;
  const of = parseFixed(measure.agreed);
  // A price with four places says it; else the amount agreed for the quantity agreed (BT-149).
  const scaled = whole * 10n ** BigInt(4 - Math.min(digits, 4)) * ONE;
  return digits <= 4 && scaled % of === 0n
    ? { unitCode, quantity, price: writeFixed(((scaled / of) * 100n) as Fixed), base: null }
    : { unitCode, quantity, price: writeAmount(whole as Amount, digits), base: measure.agreed };
}

/** A paper as EN 16931 reckons it. */
export interface Reckoned {
  readonly rows: readonly Row[];
  /** Allowances (below zero) and charges on the whole. */
  readonly charges: readonly Row[];
  readonly categories: readonly Category[];
  readonly sums: {
    readonly lines: Amount;
    readonly allowances: Amount;
    readonly charges: Amount;
    readonly net: Amount;
    readonly tax: Amount;
    readonly prepaid: bigint;
    readonly rounding: bigint;
    readonly payable: bigint;
  };
}

/** The rows, categories and sums of a paper; those of a credit note with their signs turned round. */
export function reckonPaper(paper: InvoicePaper): Reckoned {
  const digits = minorDigits(paper.currency);
  const isCredit = paper.kind === 'credit note';
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
  const categories = categoriesOf(paper, [...rows, ...charges]);
  const sumOf = (some: readonly Row[]) => sumAmounts(some.map(({ net }) => net));
  const net = read(paper.net);
  const tax = sumAmounts(categories.map((category) => category.tax));
  const total = read(paper.total);
  // A credit note gives credit, it uses none: what it comes to is what is due to the customer.
  const prepaid = isCredit ? 0n : parseAmount(paper.creditUsed, digits);
  return {
    rows,
    charges,
    categories,
    sums: {
      lines: sumOf(rows),
      allowances: sumOf(charges.filter((charge) => charge.net < 0n)),
      charges: sumOf(charges.filter((charge) => charge.net > 0n)),
      net,
      tax,
      prepaid,
      rounding: total - net - tax,
      payable: total - prepaid,
    },
  };
}
