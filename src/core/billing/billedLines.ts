import type { AgreedLine } from '../agreement';
import type { Amount } from '../number';

/** What an invoice bills of one agreed line. */
export interface Billed {
  readonly line: Pick<AgreedLine, 'id' | 'sectionTitle' | 'bundle' | 'description' | 'taxClass' | 'net'>;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
}

/** A line as the customer reads it on an invoice. */
export interface BilledLine {
  readonly id: string;
  readonly section: string;
  readonly description: string;
  readonly taxClass: string;
  readonly agreed: Amount;
  readonly net: Amount;
  readonly taxes: readonly Amount[];
}

/**
 * Lines of an invoice as the customer reads them: the parts of a bundle that was offered as one line are one line (one
 * for each tax class in it), summed; all else is as agreed. The sums stay what they are.
 */
export function billedLines(billed: readonly Billed[]): BilledLine[] {
  const lines = new Map<string, BilledLine>();
  for (const { line, net, taxes } of billed) {
    const { bundle } = line;
    const key = bundle?.one ? `${bundle.id} ${line.taxClass}` : line.id;
    const before = lines.get(key);
    lines.set(
      key,
      before
        ? {
            ...before,
            agreed: (before.agreed + line.net) as Amount,
            net: (before.net + net) as Amount,
            taxes: before.taxes.map((tax, i) => (tax + taxes[i]!) as Amount),
          }
        : {
            id: key,
            section: line.sectionTitle,
            description: bundle?.one ? bundle.name : line.description,
            taxClass: line.taxClass,
            agreed: line.net,
            net,
            taxes,
          },
    );
  }
  return [...lines.values()];
}
