import type { CostPart, Crew, Rate } from '@/model';
import { writeFixed } from '../number';
import { RateGone, crewOf, crewHour, crewParts, itemUnitCost, repriced } from '.';

const rate = (id: string, normal: string, overtime: string): Rate => ({ id, name: id, normal, overtime });
const rates = new Map([
  ['lead', rate('lead', '62', '93')],
  ['helper', rate('helper', '38', '57')],
]);
const crew: Crew = {
  id: 'framing',
  name: 'Framing crew',
  people: [
    { rateId: 'lead', count: 1 },
    { rateId: 'helper', count: 2 },
  ],
  equipment: [
    { name: 'Lift', perHour: '21.5' },
    { name: 'Compressor', perHour: '4.25' },
  ],
};
const crews = new Map([[crew.id, crew]]);

describe('crews', () => {
  test('an hour is its people at their rates and its equipment', () => {
    // 62 + 2 × 38 + 21.50 + 4.25
    expect(writeFixed(crewHour(crew, rates))).toBe('163.75');
    expect(crewHour({ ...crew, people: [], equipment: [] }, rates)).toBe(0n);
  });

  test('some hours per unit: each rate its own hours, equipment in one amount to four places', () => {
    expect(crewParts(crew, '0.035', rates)).toEqual([
      {
        type: 'labour',
        hours: '0.035',
        rate: '62',
        overtimeRate: '93',
        rateId: 'lead',
        crew: { id: 'framing', hours: '0.035' },
      },
      {
        type: 'labour',
        hours: '0.07',
        rate: '38',
        overtimeRate: '57',
        rateId: 'helper',
        crew: { id: 'framing', hours: '0.035' },
      },
      // 0.035 × 25.75 = 0.90125
      { type: 'equipment', amount: '0.9013', crew: { id: 'framing', hours: '0.035' } },
    ]);
  });

  test('a rate that is gone is told', () => expect(() => crewParts(crew, '1', new Map())).toThrow(RateGone));

  const plain: CostPart[] = [
    { type: 'material', amount: '4.20' },
    { type: 'labour', hours: '0.5', rate: '50' },
  ];
  const costs: CostPart[] = [
    ...plain,
    ...crewParts(crew, '0.1', rates),
    { type: 'labour', hours: '0.25', rate: '62', overtimeRate: '93', rateId: 'lead' },
  ];

  test('a rate that moves takes its labour along, in a crew and outside; nothing else moves', () => {
    const dearer = new Map([...rates, ['lead', rate('lead', '70', '105')]]);
    const after = repriced(costs, dearer, crews);
    expect(after.slice(0, 2)).toEqual(plain);
    expect(after.map((part) => ('rate' in part ? part.rate : 'amount' in part ? part.amount : null))).toEqual(
      ['4.20', '50', '70', '38', '2.575', '70'],
    );
    // 8 more an hour on 0.1 and 0.25 hours.
    expect(itemUnitCost(after) - itemUnitCost(costs)).toBe(2_800_000n);
  });

  test('another hand or machine in the crew is worked out anew, once for all its parts', () => {
    const larger: Crew = {
      ...crew,
      people: [...crew.people, { rateId: 'lead', count: 1 }],
      equipment: [],
    };
    const after = repriced(costs, rates, new Map([[crew.id, larger]]));
    expect(after).toHaveLength(costs.length);
    expect(after.filter(crewOf).map(({ type }) => type)).toEqual(['labour', 'labour', 'labour']);
  });

  test('what did not move is the same list, however its numbers are written', () => {
    expect(repriced(costs, rates, crews)).toBe(costs);
    const written = costs.map((part) =>
      'hours' in part && part.rateId === 'lead' && !part.crew ? { ...part, rate: '62.00' } : part,
    );
    expect(repriced(written, rates, crews)).toBe(written);
    expect(repriced(costs, new Map(), new Map())).toBe(costs);
  });
});
