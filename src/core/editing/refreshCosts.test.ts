import fc from 'fast-check';
import type { PricedItem } from '@/model';
import { anyDocument, bundle, line, plainDocument } from '../../../tests/support/documents';
import { writeFixed } from '../number';
import { computeFigures } from '../price';
import { asTemplate, costsAlike, refreshedCosts } from '.';

const now: PricedItem = {
  itemId: 'i',
  description: 'Called otherwise by now',
  unit: 'ft',
  costs: [{ type: 'material', amount: '12' }],
  waste: '10',
  taxClass: 'other',
};
const items = new Map([['i', now]]);

test('costs come anew from the library; names, units, what was typed and what is held stay', () => {
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        line('a', '3', '10', { itemId: 'i', pack: '5' }),
        line('b', '3', '10', { itemId: 'i', typedCost: '9', heldPrice: '30' }),
        line('c', '3', '10'),
        bundle(
          'd',
          { x: { ...now, costs: [{ type: 'material', amount: '11' }], description: 'Rail' } },
          [{ id: 'p', name: 'p', item: 'x', quantity: '2' }],
          { changes: { p: { typedCost: '7' } } },
        ),
      ],
    },
    { id: 't', title: 'T', entries: [line('e', '1', '1')] },
  ]);
  const { document: after, moves } = refreshedCosts(document, items);
  const [a, b, c, d] = after.sections[0]!.entries;
  expect(a).toEqual({ ...line('a', '3', '12', { itemId: 'i' }), waste: '10' });
  expect(b).toMatchObject({ typedCost: '9', heldPrice: '30', costs: now.costs });
  expect(c).toBe(document.sections[0]!.entries[2]);
  expect(d).toMatchObject({
    items: { x: { description: 'Rail', costs: now.costs } },
    changes: { p: { typedCost: '7' } },
  });
  expect(after.sections[1]).toBe(document.sections[1]);
  expect(moves.map(({ before, after: then }) => [writeFixed(before), writeFixed(then)])).toEqual([
    ['11', '12'],
  ]);
  expect(refreshedCosts(after, items).document).toBe(after);
});

test('the order of fields is no difference', () => {
  const steps = [{ from: '5', amount: '1' }];
  expect(
    costsAlike(
      { breaks: { costType: 'material', kind: 'whole', steps } },
      { breaks: { steps, kind: 'whole', costType: 'material' } },
    ),
  ).toBe(true);
  expect(costsAlike({ waste: '5' }, { waste: '6' })).toBe(false);
});

test('a template comes to what the proposal came to, without what belongs to its customer', () => {
  fc.assert(
    fc.property(anyDocument(), (document) => {
      const template = asTemplate(
        { ...document, coverNote: 'Dear', internalNote: 'dog', validUntil: '2030-01-01' },
        'Porch',
      );
      expect(JSON.stringify(template)).not.toMatch(/Dear|"dog"|validUntil/);
      // Nor does it keep that one customer pays no tax.
      expect(template.tax?.exempt).toBeUndefined();
      const { tax, ...taxed } = document;
      const { exempt: _, ...terms } = tax ?? {};
      expect(computeFigures(template).total).toBe(computeFigures({ ...taxed, tax: terms }).total);
    }),
    { numRuns: 40 },
  );
});
