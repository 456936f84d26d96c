import type { AgreedLine } from '../agreements';
import type { InvoiceShows } from '@/model';
import type { Amount, Fixed } from '../number';
import { addAmounts, divideRounded } from '../number';

/** What an invoice bills of one agreed line. */
export interface Billed {
  readonly line: Pick<
    AgreedLine,
    | 'id'
    | 'sectionTitle'
    | 'bundle'
    | 'description'
    | 'taxClass'
    | 'net'
    | 'unit'
    | 'quantity'
    | 'stage'
    | 'costCode'
  > & { readonly changeOrderId: string | null; readonly itemCode: string | null };
  /** Billed of it by the papers before. */
  readonly before: Amount;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
}

/** A line as the customer reads it on an invoice. */
export interface BilledLine {
  /** Of the line; where a bundle is one line, its own with the tax class. */
  readonly id: string;
  /** The change order it came by; null: it was agreed at first. */
  readonly changeOrderId: string | null;
  readonly section: string;
  /** The stage it is done in; null: none. */
  readonly stage: string | null;
  /** Of a bundle as one line: what all its parts have. */
  readonly costCode: string | null;
  readonly itemCode: string | null;
  readonly description: string;
  readonly taxClass: string;
  readonly agreed: Amount;
  readonly before: Amount;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
  /** How much was agreed, in the unit of the line; null: a bundle as one line. */
  readonly measure: { readonly quantity: Fixed; readonly unit: string } | null;
}

/**
 * How much of a line's quantity an amount of its net bills: the fewest places (at most six) that lead back to the amount.
 * @param quantity agreed, in the line's unit
 * @param agreed net agreed for it
 * @param net net billed of it
 * @returns above zero; null where there is none (no quantity, nothing agreed)
 */
export function billedQuantity(quantity: Fixed, agreed: Amount, net: Amount): Fixed | null {
  const [much, whole, part] = [quantity, agreed, net].map((value) => (value < 0n ? -value : value)) as [
    bigint,
    bigint,
    bigint,
  ];
  if (much === 0n || whole === 0n || part === 0n) return null;
  for (let step = 1_000_000n; step >= 1n; step /= 10n) {
    const billed = divideRounded(much * part, whole * step) * step;
    if (billed > 0n && divideRounded(billed * whole, much) === part) return billed as Fixed;
  }
  return null;
}

/** Whether a bundle is one line on a paper. */
export function isOneLine(
  { id, one }: { readonly id: string; readonly one: boolean },
  { bundles, eachBundle }: InvoiceShows,
): boolean {
  const as = eachBundle?.[id] ?? bundles;
  return as === 'one' || (as === 'agreed' && one);
}

/** What becomes of a row of which nothing is billed: by itself, by its bundle, or as all rows. */
const whileUnbilled = (
  ids: readonly (string | undefined)[],
  { each, unbilled }: InvoiceShows,
): InvoiceShows['unbilled'] => ids.flatMap((id) => each?.[id ?? ''] ?? []).at(0) ?? unbilled;

/**
 * Lines of an invoice as the customer reads them: the parts of a bundle that is shown as one line are one line (one for
 * each tax class in it), summed; all else is as agreed. Lines of which it bills nothing are left out or shown with
 * nothing, all or each. What is billed stands on it always. The sums stay what they are.
 */
export function billedLines(billed: readonly Billed[], shows: InvoiceShows): BilledLine[] {
  const lines = new Map<string, BilledLine & { readonly unbilled: InvoiceShows['unbilled'] }>();
  for (const { line, before: already, net, taxes } of billed) {
    const { bundle } = line;
    const one = bundle !== null && isOneLine(bundle, shows);
    const key = one ? `${bundle.id} ${line.taxClass}` : line.id;
    const known = lines.get(key);
    lines.set(
      key,
      known
        ? {
            ...known,
            agreed: addAmounts(known.agreed, line.net),
            before: addAmounts(known.before, already),
            net: addAmounts(known.net, net),
            taxes: known.taxes.map((tax, i) => addAmounts(tax, taxes[i]!)),
            costCode: known.costCode === line.costCode ? known.costCode : null,
            measure: null,
          }
        : {
            id: key,
            changeOrderId: line.changeOrderId,
            section: line.sectionTitle,
            stage: line.stage,
            costCode: line.costCode,
            itemCode: one ? null : line.itemCode,
            unbilled: whileUnbilled([one ? undefined : line.id, bundle?.id], shows),
            description: one ? bundle.name : line.description,
            taxClass: line.taxClass,
            agreed: line.net,
            before: already,
            net,
            taxes,
            measure: one ? null : { quantity: line.quantity, unit: line.unit },
          },
    );
  }
  return [...lines.values()].flatMap(({ unbilled, ...line }) =>
    unbilled === 'zero' || line.net !== 0n || line.taxes.some((tax) => tax !== 0n) ? [line] : [],
  );
}
