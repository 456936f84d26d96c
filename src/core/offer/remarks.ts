import type { SectionLine } from '../price';

/**
 * What should be looked at about a line's figures: no price though nobody typed one, a quantity or a cost below zero. A
 * price of 0 typed by hand is meant.
 * @returns ends of a sentence that begins with the line's name
 */
export function remarksOn({ line, cost, quantity, unitPrice }: SectionLine): string[] {
  const remarks: string[] = [];
  if (unitPrice === 0n && line.heldPrice === undefined && !line.allowance) remarks.push('has no price yet');
  // What a change order leaves out is below zero by design.
  if (quantity < 0n && !line.omits) remarks.push('has a quantity below zero');
  if (cost.total < 0n) remarks.push('has a cost below zero');
  return remarks;
}
