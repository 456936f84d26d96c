import { costTypeName } from '../text/names';
import type { CostPart, Load, ProposalDocument } from '@/model';
import { costTypes, unitAfter } from '@/model';

import type { Amount, Fixed, Ratio } from '../number';
import {
  ONE,
  divideRounded,
  integer,
  moneyOf,
  negateAmount,
  parseFixed,
  parsePercent,
  plus,
  powerOfTen,
  reduced,
  showAmount,
  showDecimal,
  showPercent,
  showQuantity,
  showUnitAmount,
  subtractAmounts,
  times,
  writeFixed,
} from '../number';
import type { Figures, SectionFigures, SectionLine } from '../price';
import { costsByQuantity, loadsOfLine, ordered } from '../price';

/** One step of the way to a figure: what it is, how it comes about, what it comes to. */
export interface Step {
  readonly what: string;
  readonly how: string;
  readonly comes: string;
}

function partInWords(part: CostPart, overtime: boolean): string {
  const name = costTypeName(part.type);
  const at = (rate: string) => showUnitAmount(parseFixed(rate));
  if ('amount' in part) return `${name} ${at(part.amount)}`;
  if ('times' in part) return `${name} ${part.times} ${part.per === 'hour' ? 'h' : 'd'} at ${at(part.rate)}`;
  if ('days' in part) return `${name} ${part.days} d at ${at(part.dayRate)}`;
  const over = overtime || part.overtime === true;
  const rate = over ? (part.overtimeRate ?? part.rate) : part.rate;
  return `${name} ${part.hours} h at ${at(rate)}${over ? ' overtime' : ''}`;
}

function quantityStep({ line, quantity, bundle, trouble }: SectionLine): Step {
  const how = trouble
    ? trouble
    : bundle
      ? `worked out by the bundle “${bundle.name}”`
      : line.formula !== undefined
        ? `follows ${line.formula}`
        : line.quantityTyped !== undefined
          ? `typed as ${line.quantityTyped}`
          : line.extra?.quantity
            ? 'as offered, or as the customer sets it'
            : 'typed';
  return {
    what: 'Quantity',
    how,
    comes: `${showQuantity(quantity)} ${unitAfter(writeFixed(quantity), line.unit)}`,
  };
}

function unitCostStep({ line, cost }: SectionLine, document: ProposalDocument): Step {
  const parts = line.costs.map((part) => partInWords(part, line.overtime === true));
  const area = document.area;
  const factors = area
    ? `; at ${area.name} material × ${area.material}, labor × ${area.labour}, equipment × ${area.equipment}`
    : '';
  const library = line.allowance
    ? line.allowance.rule === 'at our price'
      ? `what a fee of ${line.allowance.fee} % of the price leaves`
      : 'the amount to spend, at cost'
    : `${parts.join(' + ') || 'no cost'}${factors}`;
  return {
    what: 'Unit cost',
    how:
      cost.replaced === null
        ? library
        : `typed over the library’s ${showUnitAmount(cost.replaced)} (${library})`,
    comes: showUnitAmount(cost.total),
  };
}

function costStep({ line, quantity, cost, costAmount }: SectionLine, digits: number): Step {
  const bought = ordered(quantity, line);
  const extra = [
    line.waste !== undefined ? `${line.waste} % waste` : '',
    line.pack !== undefined ? `whole packs of ${showDecimal(line.pack)}` : '',
  ].filter(Boolean);
  const how = [
    `${showQuantity(quantity)} × ${showUnitAmount(cost.total)}`,
    extra.length > 0 ? `material for ${showQuantity(bought)}, with ${extra.join(' and ')}` : '',
    line.breaks && line.typedCost === undefined ? `${line.breaks.costType} by the price breaks` : '',
  ].filter(Boolean);
  return { what: 'Cost', how: how.join('; '), comes: showAmount(costAmount, digits) };
}

const bases: Record<Load['base'], string> = {
  direct: 'of direct cost',
  running: 'of the running amount',
  price: 'of the price',
};

/** What each load adds to the cost of a line, exactly, by the rules of loads; shown rounded. */
function loadSteps(line: SectionLine, loads: readonly Load[], from: string, digits: number): Step[] {
  const running = new Map(costTypes.map((type) => [type, integer(line.exactCost[type])]));
  return loads.map((load): Step => {
    let added = integer(0n);
    for (const type of costTypes) {
      if (load.costTypes && !load.costTypes.includes(type)) continue;
      const rate = reduced(parsePercent(load.percent), ONE);
      const before = running.get(type)!;
      const base = load.base === 'direct' ? integer(line.exactCost[type]) : before;
      const factor: Ratio = load.base === 'price' ? { top: rate.top, bottom: rate.bottom - rate.top } : rate;
      const step = times(base, factor);
      added = plus(added, step);
      running.set(type, plus(before, step));
    }
    const on = load.costTypes ? `, on ${load.costTypes.join(' and ')}` : '';
    return {
      what: load.name,
      how: `${load.percent} % ${bases[load.base]}${on}${from}`,
      comes: showAmount(divideRounded(added.top, added.bottom * powerOfTen(12 - digits)) as Amount, digits),
    };
  });
}

function whoseLoads(line: SectionLine, section: SectionFigures, document: ProposalDocument) {
  const { line: own, bundle } = line;
  const around = bundle?.loads ?? section.section.loads;
  const from = own.loads
    ? own.allowance
      ? ''
      : own.itemId === undefined || own.fromLibrary?.loads !== undefined
        ? ', markup of this line'
        : ', markup of the item'
    : bundle?.loads
      ? ', markup of the bundle'
      : section.section.loads
        ? ', markup of the section'
        : '';
  return { loads: loadsOfLine(own, around, document.loads) ?? document.loads, from };
}

function priceStep(line: SectionLine, document: ProposalDocument): Step {
  const { line: own, unitPrice, held, shaped } = line;
  const inside = document.tax?.inside && !document.tax.exempt;
  const by = costsByQuantity(own) && line.quantity > 0n ? 'loaded cost ÷ quantity' : 'loaded unit cost';
  return {
    what: 'Unit price',
    how: held
      ? own.allowance
        ? 'the amount to spend, at our price'
        : 'typed by hand; nothing moves it'
      : shaped
        ? 'set by shaping the price to a target'
        : `${by}${inside ? ', with the tax inside' : ''}, rounded to ${own.pricePlaces ?? 2} places`,
    comes: showUnitAmount(unitPrice),
  };
}

/**
 * How a line comes to its amount, step by step, down to the library's cost; the same text for an eye and for a screen
 * reader. Null when the line is not there.
 */
export function whyLine(document: ProposalDocument, figures: Figures, lineId: string): Step[] | null {
  const digits = figures.minorDigits;
  const money = moneyOf(digits);
  const section = figures.sections.find(({ lines }) => lines.some(({ line }) => line.id === lineId));
  const found = section?.lines.find(({ line }) => line.id === lineId);
  if (!section || !found) return null;
  const { loads, from } = whoseLoads(found, section, document);
  const followsCost = !found.held && !found.shaped;
  const steps: Step[] = [
    quantityStep(found),
    unitCostStep(found, document),
    costStep(found, digits),
    ...(followsCost ? loadSteps(found, loads, from, digits) : []),
    priceStep(found, document),
    {
      what: 'At this price',
      how: found.minimumApplied
        ? `the least it comes to; ${showQuantity(found.quantity)} × ${showUnitAmount(found.unitPrice)} is less`
        : `${showQuantity(found.quantity)} × ${showUnitAmount(found.unitPrice)}`,
      comes: money.show(found.gross),
    },
  ];
  if (found.discount !== 0n)
    steps.push({
      what: 'Discount',
      how: found.bundle ? 'its own and its share of the bundle’s' : 'on this line',
      comes: money.show(negateAmount(found.discount)),
    });
  steps.push({
    what: 'Amount',
    how: found.included
      ? 'before discounts on the section and the whole'
      : 'not taken in as suggested: counts as nothing',
    comes: money.show(found.net),
  });
  if (found.included && found.netOfSection !== found.net)
    steps.push({
      what: 'After the section’s discount',
      how: `less its share, ${money.show(subtractAmounts(found.net, found.netOfSection))}`,
      comes: money.show(found.netOfSection),
    });
  const profit = subtractAmounts(found.netOfSection, found.costAmount);
  if (found.included && found.netOfSection > 0n && !document.tax?.inside)
    steps.push({
      what: 'It earns',
      how: `${showPercent(divideRounded(profit * ONE, found.netOfSection) as Fixed)} % of its price`,
      comes: money.show(profit),
    });
  return steps;
}
