import type { Amount } from '../number';

/** An item in one proposal. */
export interface ItemOffered {
  readonly itemId: string;
  readonly proposalId: string;
  /** It is in what was signed. */
  readonly used: boolean;
  readonly net: Amount;
}

/** How often an item was offered, and how often that was signed. */
export interface OfferedRow {
  readonly itemId: string;
  /** Proposals it was in, whether suggested or to be chosen. */
  readonly offered: number;
  /** Agreements it came into. */
  readonly used: number;
  /** What it came to in agreements, before tax. */
  readonly sold: Amount;
}

/** Items offered against items used, those offered most first. An item counts once in a proposal, however many lines it has. */
export function offeredRows(items: readonly ItemOffered[]): OfferedRow[] {
  const rows = new Map<string, { offered: Set<string>; used: Set<string>; sold: bigint }>();
  for (const { itemId, proposalId, used, net } of items) {
    const row = rows.get(itemId) ?? { offered: new Set(), used: new Set(), sold: 0n };
    row.offered.add(proposalId);
    if (used) {
      row.used.add(proposalId);
      row.sold += net;
    }
    rows.set(itemId, row);
  }
  return [...rows]
    .map(([itemId, { offered, used, sold }]) => ({
      itemId,
      offered: offered.size,
      used: used.size,
      sold: sold as Amount,
    }))
    .sort((a, b) => b.offered - a.offered || b.used - a.used || (a.itemId < b.itemId ? -1 : 1));
}
