import type { Choices, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { byCostType } from '../insight/byCostType';
import type { Fixed } from '../number';
import { moneyOf, writeFixed, writeFixedPlaces } from '../number';
import { computeFigures, discountsOf } from '../price';
import { computeSchedule } from '../schedule';
import type { SpaceFigures } from '../space';
import { allowancesReport } from './allowancesReport';
import { choicesReport } from './choicesReport';

/** Feet and square feet to three places; null where there is no height. */
const spaceReport = (figures: SpaceFigures): Record<string, string | null> =>
  Object.fromEntries(
    Object.entries(figures).map(([name, value]) => [
      name,
      value === null ? null : writeFixed(value as Fixed),
    ]),
  );

/**
 * The figures of a document as plain JSON, decimals as text, for integrators and for checking by hand
 * (docs/formats/figures.md). Costs are in it: this is for us, never for a customer.
 */
export function figuresReport(document: ProposalDocument, choices: Choices = asSuggested) {
  const figures = computeFigures(document, choices);
  const money = moneyOf(figures.minorDigits);
  const rate = (value: Fixed | null) => (value === null ? null : writeFixed(value));
  const allowances = allowancesReport(document, choices);
  const schedule = computeSchedule(document.schedule, figures.total, figures.minorDigits);
  return {
    currency: document.currency,
    sections: figures.sections.map(
      ({ section, included, space, bundles, lines, cost, amount, discount, net }) => ({
        id: section.id,
        title: section.title,
        ...(included ? {} : { included }),
        ...(space?.figures ? { space: spaceReport(space.figures) } : {}),
        ...(bundles.size > 0
          ? {
              bundles: [...bundles.values()].map(({ bundle, sized, included, ...sums }) => ({
                id: bundle.id,
                name: sized.name,
                included,
                ...(bundle.grade === undefined ? {} : { grade: bundle.grade }),
                cost: money.write(sums.cost),
                amount: money.write(sums.net),
                troubles: sized.troubles.map(({ place, message }) => `${place}: ${message}`),
              })),
            }
          : {}),
        lines: lines.map((line) => ({
          id: line.line.id,
          description: line.line.description,
          ...(line.bundle ? { bundle: line.bundle.id } : {}),
          ...(line.trouble === null ? {} : { trouble: line.trouble }),
          included: line.included,
          quantity: writeFixed(line.quantity),
          unit: line.line.unit,
          unitCost: writeFixed(line.cost.total),
          cost: money.write(line.costAmount),
          unitPrice: writeFixedPlaces(line.unitPrice, line.line.pricePlaces ?? 2),
          held: line.held,
          ...(line.shaped ? { shaped: true } : {}),
          ...(line.minimumApplied ? { minimumCharge: true } : {}),
          gross: money.write(line.gross),
          discount: money.write(line.discount),
          amount: money.write(line.net),
        })),
        cost: money.write(cost),
        amount: money.write(amount),
        discount: money.write(discount),
        net: money.write(net),
      }),
    ),
    ...(figures.rooms.length > 0
      ? {
          rooms: figures.rooms.map(({ room, space, sections, entries }) => ({
            id: room.id,
            name: room.name,
            space: space.figures && spaceReport(space.figures),
            sections,
            entries,
          })),
        }
      : {}),
    ...(figures.floor === null ? {} : { floor: writeFixed(figures.floor) }),
    cost: money.write(figures.cost),
    loads: figures.loads.map(({ load, amount }) => ({
      id: load.id,
      name: load.name,
      amount: money.write(amount),
    })),
    ...(figures.allowanceFees === 0n ? {} : { allowanceFees: money.write(figures.allowanceFees) }),
    heldPricesAndRounding: money.write(figures.unloaded),
    ...(figures.taxInside === 0n ? {} : { taxInsidePrices: money.write(figures.taxInside) }),
    priced: money.write(figures.priced),
    discounts: {
      linesAndSections: money.write(figures.innerDiscount),
      whole: money.write(figures.discount),
      sum: money.write(discountsOf(figures)),
    },
    subtotal: money.write(figures.subtotal),
    ...(document.tax?.inside ? { subtotalBeforeTax: money.write(figures.beforeTax) } : {}),
    profit: money.write(figures.profit),
    margin: rate(figures.margin),
    markup: rate(figures.markup),
    byCostType: byCostType(document, figures).rows.map(({ costType, cost, price, profit, ...share }) => ({
      costType,
      cost: money.write(cost),
      price: money.write(price),
      profit: money.write(profit),
      margin: rate(share.margin),
      markup: rate(share.markup),
    })),
    fees: figures.fees.map(({ fee, amount }) => ({
      id: fee.id,
      name: fee.name,
      amount: money.write(amount),
    })),
    tax: figures.taxes.map(({ taxClass, component, name, percent, base, amount }) => ({
      taxClass,
      component,
      name,
      percent,
      base: money.write(base),
      amount: money.write(amount),
    })),
    taxTotal: money.write(figures.taxTotal),
    ...(document.tax?.exempt ? { taxExempt: document.tax.exempt.reason } : {}),
    total: money.write(figures.total),
    choices: choicesReport(document, choices),
    ...(allowances.length > 0 ? { allowances } : {}),
    ...(document.change ? { change: document.change } : {}),
    schedule: (document.change ? [] : schedule.payments).map(({ entry, amount }) => ({
      id: entry.id,
      name: entry.name,
      kind: entry.kind,
      amount: money.write(amount),
    })),
    scheduleProblems: document.change ? [] : schedule.problems,
  };
}
