import { line, plainDocument } from '../../../tests/support/documents';
import type { PriceLimits, ProposalDocument } from '@/model';
import type { Sender } from '.';
import { limitsCrossed } from '.';

const loads = [{ id: 'p', name: 'Profit', kind: 'profit' as const, percent: '25', base: 'direct' as const }];
/** 100.00 of cost sold for 125.00 (20 %), and an extra of 50.00 of cost sold for 50.00. */
const sold = (more: Partial<ProposalDocument> = {}): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'S',
        entries: [
          line('base', '1', '100', { trade: 'Frame' }),
          line('lamp', '1', '50', { trade: 'Light', heldPrice: '50', extra: { in: false } }),
        ],
      },
    ],
    { loads, ...more },
  );
const seller: Sender = { discount: null, alone: true };
const owner: Sender = { discount: 'any', alone: true };
const said = (limits: PriceLimits, document = sold(), sender: Sender = seller) =>
  limitsCrossed(document, limits, sender).map(({ kind, message }) => `${kind}: ${message}`);

test('the margin in any combination the customer could choose', () => {
  // With the lamp 25.00 of 175.00.
  expect(said({ margin: '15' })).toEqual(['margin: The margin can fall to 14.3 %, below 15 %: Line lamp.']);
  expect(said({ margin: '14' })).toEqual([]);
  expect(said({ margin: '20' })).toHaveLength(1);
  expect(said({})).toEqual([]);
});

test('a trade as suggested and in the worst combination', () => {
  expect(said({ byTrade: { Light: '5' } })).toEqual(['trade: Light earns 0.0 %, below its 5 %.']);
  expect(said({ byTrade: { Frame: '20', Roof: '50' } })).toEqual([]);
  expect(said({ byTrade: { Frame: '20.1' } })).toEqual(['trade: Frame earns 20.0 %, below its 20.1 %.']);
});

test('what a seller may take off; who approves may more', () => {
  const document = sold({ discount: { percent: '10' } });
  expect(said({ discount: '9.9' }, document)).toEqual([
    'discount: Discounts take off 10.0 % of the prices; a seller may give 9.9 %.',
  ]);
  expect(said({ discount: '10' }, document)).toEqual([]);
  expect(said({ discount: '5' }, document, owner)).toEqual([]);
  // A role may have a limit of its own, more or less than the company's.
  expect(said({ discount: '5' }, document, { discount: '10', alone: true })).toEqual([]);
  expect(said({}, document, { discount: '9', alone: true })).toEqual([
    'discount: Discounts take off 10.0 % of the prices; a seller may give 9 %.',
  ]);
});

test('who does not send by themselves asks before each offer', () => {
  expect(said({}, sold(), { discount: null, alone: false })).toEqual([
    'everything: Each offer of yours is approved before it goes.',
  ]);
});

test('of a change order only what is sold with it: what it leaves out was priced before', () => {
  const change = sold({
    change: { agreement: 'x', number: 1, spread: 'spread' } as never,
    schedule: [],
    sections: [
      {
        id: 's',
        title: 'S',
        entries: [
          line('base', '1', '100'),
          line('off', '-1', '10', { heldPrice: '200', omits: { line: 'l1', quantity: '1' } as never }),
        ],
      },
    ],
  });
  expect(said({ margin: '20' }, change)).toEqual([]);
});
