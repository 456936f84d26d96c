/*
 * The whole computation once more, written straight from its rules on decimal.js (a general-purpose decimal library) with
 * nothing of ours in it: no cache, no fixed-point integers, no incremental anything. Random proposals and choices must
 * come to the same lines, discounts, tax and payments to the cent. Rules of the trade: common practice, no source; one
 * rounding per tax component on the sum of its class is EN 16931, BR-CO-17 and BR-S-08 (from memory).
 */
import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import { figuresReport } from '@/core/offer';
import type { Bundle, Choices, CostType, Discount, Line, Load, ProposalDocument, TaxClass } from '@/model';
import { anyChoices, anyDocument, runs } from '../support/documents';

Decimal.set({ precision: 80, rounding: Decimal.ROUND_HALF_UP });

const zero = new Decimal(0);
/** Half away from zero; what 80 digits could not hold exactly is first brought to 40, so that a tie stays a tie. */
const round = (value: Decimal, places: number) => value.toDecimalPlaces(40).toDecimalPlaces(places);
const sum = (values: readonly Decimal[]) => values.reduce((total, value) => total.plus(value), zero);
const share = (percent: string) => new Decimal(percent).dividedBy(100);
const types: readonly CostType[] = ['material', 'labour', 'equipment', 'subcontract', 'other'];

/** Largest remainder, by the rule as it is written down: floors first, then one unit to each largest remainder. */
function split(whole: Decimal, weights: readonly Decimal[], places: number): Decimal[] {
  const unit = new Decimal(10).pow(-places);
  const all = sum(weights);
  const used = all.isZero() ? weights.map(() => new Decimal(1)) : weights;
  const total = all.isZero() ? new Decimal(weights.length) : all;
  const exact = used.map((weight) => whole.times(weight).dividedBy(total));
  const parts = exact.map((part) => part.toDecimalPlaces(35).toDecimalPlaces(places, Decimal.ROUND_DOWN));
  let left = whole.minus(sum(parts)).dividedBy(unit).toNumber();
  const given = new Set<number>();
  while (left > 0) {
    let best = -1;
    for (const [i, part] of exact.entries()) {
      const rest = part.minus(parts[i]!).toDecimalPlaces(35);
      if (given.has(i)) continue;
      if (best < 0 || rest.greaterThan(exact[best]!.minus(parts[best]!).toDecimalPlaces(35))) best = i;
    }
    given.add(best);
    parts[best] = parts[best]!.plus(unit);
    left -= 1;
  }
  return parts;
}

function costs(line: Line): Record<CostType, Decimal> {
  const byType = Object.fromEntries(types.map((type) => [type, zero])) as Record<CostType, Decimal>;
  for (const part of line.costs) {
    const cost =
      'amount' in part
        ? new Decimal(part.amount)
        : 'times' in part
          ? round(new Decimal(part.times).times(part.rate), 6)
          : 'days' in part
            ? round(new Decimal(part.days).times(part.dayRate), 6)
            : round(
                new Decimal(part.hours).times(
                  line.overtime || part.overtime ? (part.overtimeRate ?? part.rate) : part.rate,
                ),
                6,
              );
    byType[part.type] = byType[part.type].plus(round(cost, 4));
  }
  if (line.typedCost === undefined) return byType;
  const typed = round(new Decimal(line.typedCost), 4);
  const weights = types.map((type) => (byType[type].isPositive() ? byType[type] : zero));
  const none = weights.every((weight) => weight.isZero());
  const spread = none ? types.map((type) => (type === 'other' ? typed : zero)) : split(typed, weights, 6);
  return Object.fromEntries(types.map((type, i) => [type, spread[i]!])) as Record<CostType, Decimal>;
}

function loaded(line: Line, loads: readonly Load[], type: CostType, cost: Decimal): Decimal {
  // A markup of the type on the line stands in the place of every load.
  const own = line.markups?.[type];
  if (own !== undefined) return cost.times(share(own).plus(1));
  let running = cost;
  for (const load of loads) {
    if (load.costTypes && !load.costTypes.includes(type)) continue;
    const rate = share(load.percent);
    if (load.base === 'direct') running = running.plus(cost.times(rate));
    else if (load.base === 'running') running = running.times(rate.plus(1));
    else running = running.dividedBy(new Decimal(1).minus(rate));
  }
  return running;
}

function discountOn(amount: Decimal, discount: Discount | undefined): Decimal {
  if (!discount || amount.lessThanOrEqualTo(0)) return zero;
  const wanted =
    'percent' in discount ? round(amount.times(share(discount.percent)), 2) : new Decimal(discount.amount);
  return Decimal.min(wanted, amount);
}

/** What is ordered: waste on top, then whole packs; three places without packs. */
function orderedOf(line: Line, measured: Decimal): Decimal {
  if (!measured.isPositive() || measured.isZero()) return measured;
  const wanted = measured.times(share(line.waste ?? '0').plus(1));
  return line.pack === undefined
    ? round(wanted, 3)
    : wanted.dividedBy(line.pack).toDecimalPlaces(30).ceil().times(line.pack);
}

/** Cost of a quantity of one type, unit by unit of the stretch it stands in, or at the break reached. */
function amountOf(line: Line, type: CostType, quantity: Decimal, unit: Decimal): Decimal {
  const { breaks } = line;
  if (breaks?.costType !== type || line.typedCost !== undefined) return quantity.times(unit);
  const steps = [...breaks.steps].sort((a, b) => Number(a.from) - Number(b.from));
  const amountAt = (n: Decimal, inclusive: boolean) =>
    steps.filter(({ from }) => (inclusive ? n.gte(from) : n.gt(from))).at(-1)?.amount ?? unit;
  if (breaks.kind === 'whole') return quantity.times(amountAt(quantity, true));
  const marks = [
    zero,
    ...steps.map(({ from }) => new Decimal(from)).filter((from) => from.lt(quantity)),
    quantity,
  ];
  let cost = zero;
  for (let i = 1; i < marks.length; i += 1)
    cost = cost.plus(marks[i]!.minus(marks[i - 1]!).times(amountAt(marks[i - 1]!, true)));
  return cost;
}

/** Each component as a share of the net, one on top of the others with what it takes of them. */
function ratesOf({ components }: TaxClass): Decimal[] {
  let before = zero;
  return components.map(({ percent, onTop }) => {
    const rate = onTop ? share(percent).times(before.plus(1)) : share(percent);
    before = before.plus(rate);
    return rate;
  });
}
const taxOf = (document: ProposalDocument, id: string) =>
  sum(ratesOf(document.taxClasses.find((each) => each.id === id)!));
const isInside = ({ tax }: ProposalDocument) => tax?.inside === true && !tax.exempt;
const beforeTax = (document: ProposalDocument, taxClass: string, amount: Decimal) =>
  isInside(document) ? round(amount.dividedBy(taxOf(document, taxClass).plus(1)), 2) : amount;

/** An allowance by its terms alone: what may be spent is the price, or at cost the cost under its fee. */
function setAside(document: ProposalDocument, line: Line): Line {
  const { rule, amount, fee } = line.allowance!;
  const { id, kind, description, unit, quantity, taxClass, extra } = line;
  const plain = { id, kind, description, unit, quantity, taxClass, ...(extra ? { extra } : {}) };
  const inside = isInside(document) ? taxOf(document, taxClass).plus(1) : new Decimal(1);
  const left = new Decimal(amount).times(new Decimal(1).minus(share(fee))).dividedBy(inside);
  return rule === 'at our price'
    ? { ...plain, heldPrice: amount, costs: [{ type: 'other', amount: round(left, 4).toFixed() }] }
    : {
        ...plain,
        costs: [{ type: 'other', amount }],
        loads: [{ id: 'fee', name: 'Fee', kind: 'profit', percent: fee, base: 'price' }],
      };
}

function priced(document: ProposalDocument, given: Line, choices: Choices, around?: Load[]) {
  const line = given.allowance ? setAside(document, given) : given;
  const loads = line.loads ?? around ?? document.loads;
  const inside = isInside(document) ? taxOf(document, line.taxClass).plus(1) : new Decimal(1);
  const decision = choices.extras[line.id];
  const quantity = new Decimal((line.extra?.quantity && decision?.quantity) ?? line.quantity);
  const byType = costs(line);
  const exact = types.map((type) =>
    amountOf(line, type, type === 'material' ? orderedOf(line, quantity) : quantity, byType[type]),
  );
  const places = line.pricePlaces ?? 2;
  const hangs = (line.waste ?? line.pack ?? line.breaks) !== undefined && quantity.gt(0);
  const loadedUnit = (
    hangs
      ? sum(types.map((type, i) => loaded(line, loads, type, exact[i]!))).dividedBy(quantity)
      : sum(types.map((type) => loaded(line, loads, type, byType[type])))
  ).times(inside);
  const unitPrice =
    line.heldPrice === undefined ? round(loadedUnit, places) : round(new Decimal(line.heldPrice), places);
  const atPrice = round(quantity.times(unitPrice), 2);
  const asks = line.minimumCharge !== undefined && line.heldPrice === undefined && quantity.gt(0);
  const gross = asks ? Decimal.max(atPrice, line.minimumCharge!) : atPrice;
  const discounted = gross.minus(discountOn(gross, line.discount));
  return {
    line,
    cost: round(sum(exact), 2),
    // Edition 2: a discount of the line's own leaves its minimum.
    net: asks && document.reckoning === 2 ? Decimal.max(discounted, line.minimumCharge!) : discounted,
    in: line.extra ? (decision?.in ?? line.extra.in) : true,
  };
}

/** What the levels picked say: levels of a section after those of the whole. */
function levelled({ tiers = [] }: ProposalDocument, choices: Choices) {
  const picked = [...tiers]
    .sort((a, b) => Number(a.section !== undefined) - Number(b.section !== undefined))
    .map(({ id, levels, suggested }) =>
      levels.find((level) => level.id === (choices.tiers?.[id] ?? suggested))!,
    );
  return {
    // What a section's levels speak of at all, they alone put in or leave out.
    out: new Set(
      tiers.flatMap((each) => {
        const level = picked.find((one) => each.levels.includes(one))!;
        if (each.section) return level.without;
        const spoken = new Set(
          tiers
            .filter(({ section }) => section)
            .flatMap(({ levels }) =>
              levels.flatMap(({ without, grades }) => [...without, ...Object.keys(grades)]),
            ),
        );
        return level.without.filter((id) => !spoken.has(id));
      }),
    ),
    grades: Object.assign({}, ...picked.map(({ grades }) => grades)) as Record<string, string>,
  };
}

/** A bundle whose parts name plain quantities: its lines, its own discount split over them. */
function bundled(document: ProposalDocument, bundle: Bundle, choices: Choices, around?: Load[]) {
  const grade = levelled(document, choices).grades[bundle.id] ?? bundle.grade ?? '';
  const parts = bundle.recipe.parts.flatMap((part): Line[] => {
    if ('bundle' in part) return [];
    const named = part.grades?.[grade];
    const item = named === undefined ? part.item : named;
    return item === null
      ? []
      : [
          {
            kind: 'line',
            ...bundle.items[item]!,
            id: part.id,
            quantity: new Decimal(part.quantity).toFixed(),
          },
        ];
  });
  const lines = [...parts, ...bundle.added].map((line) =>
    priced(document, line, choices, bundle.loads ?? around),
  );
  const off = split(
    discountOn(sum(lines.map(({ net }) => net)), bundle.discount),
    lines.map(({ net }) => Decimal.max(net, 0)),
    2,
  );
  const taken = bundle.extra ? (choices.extras[bundle.id]?.in ?? bundle.extra.in) : true;
  return lines.map((line, i) => ({ ...line, net: line.net.minus(off[i]!), in: taken }));
}

type Row = { readonly taxClass: string; readonly net: Decimal };

/** A discount over rows: to the tax classes by what they have above zero, in the document's order, then to the rows. */
function discountRows(document: ProposalDocument, rows: readonly Row[], discount: Decimal): Row[] {
  const classes = document.taxClasses
    .map(({ id }) => id)
    .filter((id) => rows.some(({ taxClass }) => taxClass === id));
  const positive = (id: string) =>
    rows.map(({ taxClass, net }) => (taxClass === id ? Decimal.max(net, 0) : zero));
  const shares = split(
    discount,
    classes.map((id) => sum(positive(id))),
    2,
  );
  let nets = rows.map(({ net }) => net);
  classes.forEach((id, i) => {
    if (shares[i]!.isZero()) return;
    const parts = split(shares[i]!, positive(id), 2);
    nets = nets.map((net, row) => net.minus(parts[row]!));
  });
  return rows.map(({ taxClass }, i) => ({ taxClass, net: nets[i]! }));
}

function taxes(document: ProposalDocument, rows: readonly Row[]): Decimal[] {
  const { tax } = document;
  return document.taxClasses.flatMap((taxClass) => {
    const all = rows.filter((row) => row.taxClass === taxClass.id).map(({ net }) => net);
    const amounts = tax?.rounding === 'line' ? all : [sum(all)];
    const rates = ratesOf(taxClass);
    const sums = rates.map(() => zero);
    for (const amount of amounts) {
      if (tax?.exempt) continue;
      const net = beforeTax(document, taxClass.id, amount);
      const held = amount.minus(net);
      // A tax inside is divided among its components by their rates.
      const inside = split(held.abs(), rates, 2).map((part) => (held.isNegative() ? part.negated() : part));
      let before = zero;
      taxClass.components.forEach(({ percent, onTop }, i) => {
        const base = onTop ? net.plus(before) : net;
        const taken = isInside(document) ? inside[i]! : round(base.times(share(percent)), 2);
        before = before.plus(taken);
        sums[i] = sums[i]!.plus(taken);
      });
    }
    return sums;
  });
}

function oracle(document: ProposalDocument, choices: Choices) {
  const { out } = levelled(document, choices);
  let rows: Row[] = [];
  let cost = zero;
  const sections = document.sections.map((section) => {
    const whole =
      !out.has(section.id) && (section.extra ? (choices.extras[section.id]?.in ?? section.extra.in) : true);
    const part = (entry: Line | Bundle) => {
      const made =
        entry.kind === 'line'
          ? [priced(document, entry, choices, section.loads)]
          : bundled(document, entry, choices, section.loads);
      return made.filter((line) => whole && line.in && !out.has(entry.id));
    };
    const taken = section.entries.flatMap((entry) => {
      if (entry.kind !== 'question') return part(entry);
      const wanted = choices.questions[entry.id] ?? entry.suggested;
      const picked = entry.alternatives.find(({ id }) => id === wanted);
      return out.has(entry.id) ? [] : (picked?.lines ?? []).flatMap(part);
    });
    cost = cost.plus(sum(taken.map((line) => line.cost)));
    const before = taken.map(({ line, net }): Row => ({ taxClass: line.taxClass, net }));
    const amount = sum(before.map(({ net }) => net));
    const discount = discountOn(amount, section.discount);
    rows = [...rows, ...discountRows(document, before, discount)];
    return amount.minus(discount);
  });
  const before = sum(sections);
  const discount = discountOn(before, document.discount);
  const subtotal = before.minus(discount);
  const fees = document.fees.map((fee) =>
    'fixed' in fee.amount
      ? new Decimal(fee.amount.fixed)
      : Decimal.min(
          Decimal.max(
            round(subtotal.times(share(fee.amount.percent)), 2),
            new Decimal(fee.amount.most ?? '1e15').negated(),
          ),
          fee.amount.most ?? '1e15',
        ),
  );
  const taxed = [
    ...discountRows(document, rows, discount),
    ...document.fees.map(({ taxClass }, i) => ({ taxClass, net: fees[i]! })),
  ];
  const taxAmounts = taxes(document, taxed);
  const onTop = document.tax?.inside ? zero : sum(taxAmounts);
  return {
    sections,
    cost,
    discount,
    subtotal,
    fees,
    taxes: taxAmounts,
    total: subtotal.plus(sum(fees)).plus(onTop),
  };
}

const money = (values: readonly Decimal[]) =>
  values.map((value) => value.toFixed(2).replace(/^-0\.00$/, '0.00'));

test('ours is what a decimal library makes of the same rules', () => {
  const anyCase = anyDocument().chain((document) =>
    anyChoices(document).map((choices) => ({ document, choices })),
  );
  fc.assert(
    fc.property(anyCase, ({ document, choices }) => {
      const ours = figuresReport(document, choices);
      const theirs = oracle(document, choices);
      expect(ours.sections.map(({ net }) => net)).toEqual(money(theirs.sections));
      expect([ours.cost, ours.discounts.whole, ours.subtotal]).toEqual(
        money([theirs.cost, theirs.discount, theirs.subtotal]),
      );
      expect(ours.fees.map(({ amount }) => amount)).toEqual(money(theirs.fees));
      expect(ours.tax.map(({ amount }) => amount)).toEqual(money(theirs.taxes));
      expect(ours.total).toBe(money([theirs.total])[0]);
    }),
    { numRuns: runs(300) },
  );
});
