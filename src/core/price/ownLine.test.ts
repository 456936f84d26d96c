import fc from 'fast-check';
import type { CostPart, Line, Load } from '@/model';
import { parseFixed } from '../number';
import { line as plainLine, plainDocument } from '../../../tests/support/documents';
import { computeFigures, hourly, itemUnitCost, labourHours, loadsOfLine, partCost, partFor } from '.';

const usual: Load[] = [
  { id: 'o', name: 'Overhead', kind: 'overhead', percent: '10', base: 'direct' },
  { id: 'p', name: 'Profit', kind: 'profit', percent: '15', base: 'running' },
];

const byDay: CostPart = { type: 'labour', days: '1.5', dayRate: '520', dayHours: '8', rateId: 'lead' };
const byHour: CostPart = { type: 'labour', hours: '2', rate: '46', overtimeRate: '69' };
const lift: CostPart = { type: 'equipment', times: '3', per: 'hour', rate: '42.50' };
const trailer: CostPart = { type: 'equipment', times: '2', per: 'day', rate: '85' };
const quote: CostPart = { type: 'subcontract', amount: '1000' };

const lineOf = (rest: Partial<Line>): Line => plainLine('a', '1', '0', { costs: [], ...rest });
const figuresOf = (line: Line) =>
  computeFigures(plainDocument([{ id: 's', title: 'Work', entries: [line] }], { loads: usual }));

describe('what a part costs, however it is worked out', () => {
  test('days at a day rate, equipment by the hour and day, hours normal and overtime', () => {
    expect(partCost(byDay, false)).toBe(parseFixed('780'));
    expect(partCost(byDay, true)).toBe(parseFixed('780'));
    expect(partCost(lift, false)).toBe(parseFixed('127.5'));
    expect(partCost(trailer, false)).toBe(parseFixed('170'));
    expect(partCost(byHour, false)).toBe(parseFixed('92'));
    expect(partCost(byHour, true)).toBe(parseFixed('138'));
    expect(partCost({ ...byHour, overtime: true } as CostPart, false)).toBe(parseFixed('138'));
    expect(itemUnitCost([byDay, lift, trailer, byHour])).toBe(parseFixed('1169.5'));
  });

  test('hours of work count days by their hours, and no equipment', () => {
    const line = lineOf({ costs: [byDay, byHour, lift] });
    expect(labourHours([{ line, quantity: parseFixed('2') }])).toBe(parseFixed('28'));
    expect(hourly(byDay)).toEqual({ hours: parseFixed('12'), rate: parseFixed('65'), overtimeRate: null });
    expect(hourly({ ...byDay, dayHours: '0' } as CostPart)?.rate).toBe(0n);
    expect(hourly(lift)).toBeNull();
  });

  test('a part for several units as one costs as much as they do', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<CostPart>(byDay, byHour, lift, trailer, quote),
        fc.integer({ min: 1, max: 500 }),
        (part, count) => {
          const whole = partCost(partFor(part, parseFixed(String(count))), false);
          expect(whole).toBe(partCost(part, false) * BigInt(count));
        },
      ),
    );
  });
});

describe('a cost type with a markup of its own', () => {
  test('a quote at 12 %, the rest at the proposal’s 10 % on direct and 15 % on running', () => {
    const figures = figuresOf(lineOf({ costs: [quote, lift], markups: { subcontract: '12' } }));
    // 1,000.00 × 1.12 + 127.50 × 1.10 × 1.15 = 1,120.00 + 161.2875
    expect(figures.sections[0]!.lines[0]!.unitPrice).toBe(parseFixed('1281.29'));
    // 12.75 overhead; 21.04 profit on the lift and 120.00 on the quote, with the rounding of the price.
    expect(figures.loads.map(({ amount }) => amount)).toEqual([1275n, 14104n]);
    expect(figures.cost + figures.loads.reduce((sum, { amount }) => sum + amount, 0n)).toBe(figures.priced);
  });

  test('stands over the line’s own loads too, and over nothing else', () => {
    const own: Load[] = [{ id: 'x', name: 'Flat', kind: 'profit', percent: '20', base: 'direct' }];
    const line = { loads: own, markups: { labour: '50' } };
    expect(loadsOfLine({}, undefined, usual)).toBeNull();
    expect(loadsOfLine({}, own, usual)).toBe(own);
    const all = loadsOfLine(line, usual, usual)!;
    expect(all.map(({ percent, costTypes }) => [percent, costTypes])).toEqual([
      ['20', ['material', 'equipment', 'subcontract', 'other']],
      ['50', ['labour']],
    ]);
    // The same list for the same line: it is a cache key.
    expect(loadsOfLine(line, usual, usual)).toBe(all);
  });

  test('every type with one leaves no load; a load of 0 % is one too', () => {
    const markups = { material: '0', labour: '0', equipment: '0', subcontract: '0', other: '0' };
    const figures = figuresOf(lineOf({ costs: [quote, lift, byHour], markups }));
    expect(figures.sections[0]!.lines[0]!.unitPrice).toBe(parseFixed('1219.5'));
    expect(figures.profit).toBe(0n);
  });
});
