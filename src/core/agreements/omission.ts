import type { CostPart, Line, UnitCode } from '@/model';
import { unitAfter } from '@/model';
import type { Amount, Fixed } from '../number';
import { partFor } from '../price';
import {
  ONE,
  divideRounded,
  parseAmount,
  parseFixed,
  powerOfTen,
  roundFixed,
  showQuantity,
  writeAmount,
  writeFixed,
} from '../number';

/** An agreed line as a change order sees it; amounts and quantities as decimal text. For us: it has our cost. */
export interface AgreedForChange {
  readonly id: string;
  readonly section: string;
  readonly description: string;
  readonly unit: UnitCode;
  readonly quantity: string;
  /** What change orders signed before leave out of it. */
  readonly omitted: string;
  /** What it comes to, as prices are shown: with the tax inside them where it is. */
  readonly amount: string;
  readonly taxClass: string;
  readonly costCode: string | null;
  /** Unit cost by cost type, as it was sold. */
  readonly costs: readonly CostPart[];
  readonly minorDigits: number;
}

/** What is still in of an agreed line. */
export const leftIn = ({ quantity, omitted }: Pick<AgreedForChange, 'quantity' | 'omitted'>): Fixed =>
  (parseFixed(quantity) - parseFixed(omitted)) as Fixed;

/**
 * Unit costs for so much of the line as one: what a line that leaves out that much of it saves.
 * @param quantity how much, in the line's unit
 */
export const omittedCosts = (costs: readonly CostPart[], quantity: Fixed): CostPart[] =>
  costs.map((part) => partFor(part, quantity));

/** What of the agreed amount falls on a quantity of it, after what was left out before: the last of it takes the rest. */
function portion(agreed: AgreedForChange, quantity: Fixed): Amount {
  const amount = parseAmount(agreed.amount, agreed.minorDigits);
  const whole = parseFixed(agreed.quantity);
  const share = (of: Fixed) => divideRounded(amount * of, whole);
  const before = parseFixed(agreed.omitted);
  return (share((before + quantity) as Fixed) - share(before)) as Amount;
}

/**
 * A line that leaves out some of an agreed line, at what was agreed for it: minus one job of it. Leaving all of it out in
 * steps comes to exactly what was agreed.
 *
 * @param quantity how much of it is left out, above zero, in the line's unit
 * @throws RangeError for nothing, or for more than is still in
 */
export function omissionLine(agreed: AgreedForChange, quantity: Fixed, id: string): Line {
  const left = leftIn(agreed);
  if (quantity <= 0n) throw new RangeError('Say how much is left out.');
  if (quantity > left)
    throw new RangeError(
      `Only ${showQuantity(left)} ${unitAfter(writeFixed(left), agreed.unit)} of it can be left out.`,
    );
  const whole = quantity === parseFixed(agreed.quantity);
  const amount = portion(agreed, quantity);
  return {
    kind: 'line',
    id,
    description:
      `Left out: ${whole ? '' : `${showQuantity(quantity)} ${unitAfter(writeFixed(quantity), agreed.unit)} of `}${agreed.description}`.slice(
        0,
        200,
      ),
    unit: 'job',
    quantity: '-1',
    costs: omittedCosts(agreed.costs, quantity),
    heldPrice: writeAmount(amount, agreed.minorDigits),
    taxClass: agreed.taxClass,
    ...(agreed.costCode === null ? {} : { costCode: agreed.costCode }),
    omits: { line: agreed.id, quantity: writeFixed(quantity) },
  };
}

/**
 * A line for more of an agreed line, at the unit price it was agreed at (after discounts), to two places.
 * @param quantity how much more, in the line's unit
 * @throws RangeError for nothing
 */
export function moreOf(agreed: AgreedForChange, quantity: Fixed, id: string): Line {
  if (quantity <= 0n) throw new RangeError('Say how much more.');
  const amount = parseAmount(agreed.amount, agreed.minorDigits);
  const unitPrice = divideRounded(
    amount * powerOfTen(6 - agreed.minorDigits) * ONE,
    parseFixed(agreed.quantity),
  ) as Fixed;
  return {
    kind: 'line',
    id,
    description: agreed.description,
    unit: agreed.unit,
    quantity: writeFixed(quantity),
    costs: [...agreed.costs],
    heldPrice: writeFixed(roundFixed(unitPrice, 2)),
    taxClass: agreed.taxClass,
    ...(agreed.costCode === null ? {} : { costCode: agreed.costCode }),
  };
}

/** What a change order leaves out that is not (any more) there to be left out, in words. */
export function omissionProblems(lines: readonly Line[], agreed: readonly AgreedForChange[]): string[] {
  const wanted = new Map<string, bigint>();
  for (const { omits } of lines)
    if (omits) wanted.set(omits.line, (wanted.get(omits.line) ?? 0n) + parseFixed(omits.quantity));
  return [...wanted].flatMap(([id, quantity]) => {
    const line = agreed.find((each) => each.id === id);
    if (!line) return ['This leaves out a line that is not in the agreement.'];
    const left = leftIn(line);
    return quantity > left
      ? [
          `“${line.description}”: ${showQuantity(quantity as Fixed)} ${unitAfter(writeFixed(quantity as Fixed), line.unit)} left out, but only ${showQuantity(left)} of it are still in.`,
        ]
      : [];
  });
}
