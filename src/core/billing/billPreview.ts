import type { Amount } from '../number';
import { ZERO, addAmounts, sumAmounts } from '../number';
import type { Ledger } from './ledger';
import type { InvoiceDraft } from './makeInvoice';
import { paperSums } from './paper';

/** An invoice as it would come out, before it has a number: what it bills by section, and what it comes to. */
export interface BillPreview {
  readonly title: string;
  readonly kind: InvoiceDraft['kind'];
  /** Net of the work by section, in the order of the agreement. */
  readonly sections: readonly { readonly name: string; readonly net: Amount }[];
  /** Tax on the work. */
  readonly tax: Amount;
  /** Billed ahead (above zero) or counted off a deposit, with tax. */
  readonly advance: Amount;
  /** Held back (below zero) or released, with tax. */
  readonly retainage: Amount;
  /** All of it together: what is asked for. */
  readonly total: Amount;
}

/** What an invoice in work bills, section by section; its sections, tax, deposit and retainage sum to its total. */
export function billPreview({ lines, components }: Ledger, made: InvoiceDraft): BillPreview {
  const sections = new Map<string, Amount>();
  const sectionOf = new Map(lines.map(({ id, sectionTitle }) => [id, sectionTitle]));
  const place = new Map(lines.map(({ id }, i) => [id, i]));
  for (const { lineId, net } of [...made.draws].sort((a, b) => place.get(a.lineId)! - place.get(b.lineId)!)) {
    const name = sectionOf.get(lineId)!;
    sections.set(name, addAmounts(sections.get(name) ?? ZERO, net));
  }
  const sums = paperSums(made, components);
  return {
    title: made.title,
    kind: made.kind,
    sections: [...sections].filter(([, net]) => net !== 0n).map(([name, net]) => ({ name, net })),
    tax: sumAmounts(sums.workTaxes),
    advance: sums.advance,
    retainage: sums.retainage,
    total: sums.total,
  };
}
