import type { Amount } from '../number';
import { allocateSigned } from '../number';
import type { Portion } from './paper';
import { something } from './paper';

/**
 * Splits a gross amount over portions in proportion to their nets and taxes. Up to what they come to, none is passed, and
 * the whole takes exactly all of each.
 *
 * @param gross with tax
 * @throws RangeError when the portions come to nothing and there is something to split
 */
export function splitOver(gross: Amount, portions: readonly Portion[]): Portion[] {
  const cells = portions.flatMap(({ net, taxes }) => [net, ...taxes]);
  const split = allocateSigned(gross, cells);
  let at = 0;
  return something(
    portions.map(({ taxClass, taxes }) => {
      const net = split[at]!;
      const own = split.slice(at + 1, at + 1 + taxes.length);
      at += 1 + taxes.length;
      return { taxClass, net, taxes: own };
    }),
  );
}
