import type { CostType, ProposalDocument } from '@/model';
import { costTypes } from '@/model';
import type { Amount, Fixed, Ratio } from '../number';
import { ONE, ZERO, allocateSigned, divideRounded, ratio } from '../number';
import type { Figures, SectionLine } from '../price';
import { loadFactors, loadsOfLine, netParts } from '../price';

/** What a kind of cost earns: in the price as it comes out, and by the markup that is typed for it. */
export interface TypeMargin {
  /** Null: what costs nothing, and what rounding leaves over. */
  readonly costType: CostType | null;
  readonly cost: Amount;
  /** Its part of the price before tax, after all discounts. */
  readonly price: Amount;
  readonly profit: Amount;
  /** Profit ÷ price, and profit ÷ cost; null where there is nothing to divide by. */
  readonly margin: Fixed | null;
  readonly markup: Fixed | null;
  /** The proposal’s markup on it as it is typed, in both forms; null where it has none of its own to say. */
  readonly typed: { readonly margin: Fixed; readonly markup: Fixed } | null;
}

type Loads = ProposalDocument['loads'];

/** Parts of an amount by weight; null where no weight says whose it is. */
const parted = (whole: Amount, weights: readonly bigint[]): readonly Amount[] | null =>
  weights.reduce((sum, weight) => sum + weight, 0n) === 0n ? null : allocateSigned(whole, weights);

/** What a line is priced with; an allowance carries a fee of its own and no markup. */
const loadsAround = (
  { line, bundle }: SectionLine,
  section: { readonly loads?: Loads | undefined },
  proposal: Loads,
): Loads =>
  line.allowance
    ? []
    : ((loadsOfLine(line, bundle?.loads ?? section.loads, proposal) as Loads | null) ?? proposal);

function typedFor(costType: CostType, loads: Loads): TypeMargin['typed'] {
  const { price, bottom } = loadFactors(loads);
  const top = price[costType];
  const of = ({ top: over, bottom: under }: Ratio) => divideRounded(over * ONE, under) as Fixed;
  return {
    margin: top === 0n ? (0n as Fixed) : of({ top: top - bottom, bottom: top }),
    markup: of({ top: top - bottom, bottom }),
  };
}

/**
 * Cost, price, margin and markup by kind of cost. A line’s price (before tax, after every discount) is shared out over its
 * kinds of cost by what each comes to with its own markup; its cost by what each costs. So the rows sum to the whole, and
 * what a fixed price, a discount or rounding adds or takes shows where it falls.
 */
export function byCostType(
  document: Pick<ProposalDocument, 'loads' | 'taxClasses' | 'tax'>,
  figures: Figures,
): { readonly rows: readonly TypeMargin[]; readonly total: TypeMargin } {
  const nets = new Map(netParts(document, figures).map(({ id, net }) => [id, net]));
  const costs = new Map<CostType | null, bigint>();
  const prices = new Map<CostType | null, bigint>();
  const add = (to: Map<CostType | null, bigint>, type: CostType | null, amount: bigint) =>
    to.set(type, (to.get(type) ?? 0n) + amount);
  const share = (to: Map<CostType | null, bigint>, whole: Amount, weights: readonly bigint[]) => {
    const parts = parted(whole, weights);
    if (parts) costTypes.forEach((type, t) => add(to, type, parts[t]!));
    else add(to, null, whole);
  };
  for (const { section, lines } of figures.sections)
    for (const line of lines) {
      if (!line.included) continue;
      const { price } = loadFactors(loadsAround(line, section, document.loads));
      const exact = costTypes.map((type) => line.exactCost[type]);
      share(costs, line.costAmount, exact);
      share(
        prices,
        nets.get(line.line.id) ?? ZERO,
        costTypes.map((type, t) => exact[t]! * price[type]),
      );
    }
  const sum = (of: ReadonlyMap<unknown, bigint>) => [...of.values()].reduce((all, each) => all + each, 0n);
  // With tax inside the prices, the whole is rounded by tax class and not line by line.
  add(prices, null, figures.beforeTax - sum(prices));
  const row = (
    costType: CostType | null,
    cost: bigint,
    price: bigint,
    typed: TypeMargin['typed'],
  ): TypeMargin => ({
    costType,
    cost: cost as Amount,
    price: price as Amount,
    profit: (price - cost) as Amount,
    margin: ratio(price - cost, price),
    markup: ratio(price - cost, cost),
    typed,
  });
  const rows = [...costTypes, null].flatMap((type): TypeMargin[] => {
    const [cost, price] = [costs.get(type) ?? 0n, prices.get(type) ?? 0n];
    return cost === 0n && price === 0n
      ? []
      : [row(type, cost, price, type === null ? null : typedFor(type, document.loads))];
  });
  return { rows, total: row(null, figures.cost, figures.beforeTax, null) };
}
