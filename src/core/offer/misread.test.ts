import { line, plainDocument } from '../../../tests/support/documents';
import type { Line, ProposalDocument } from '@/model';
import { checkDocument, misread } from '.';

const having = (more: Partial<Line>, document: Partial<ProposalDocument> = {}) =>
  misread(
    plainDocument(
      [{ id: 's', title: 'S', entries: [{ ...line('a', '12.5', '5'), ...more } as Line] }],
      document,
    ),
  ).map(({ message }) => message);

const breaks = (costType: 'material' | 'equipment', ...froms: string[]) => ({
  costs: [{ type: 'material' as const, amount: '5' }],
  breaks: { costType, kind: 'whole' as const, steps: froms.map((from) => ({ from, amount: '4' })) },
});

test('what says one thing in two ways is named', () => {
  expect(having({}, { currency: 'ZZQ' })).toEqual(['There is no currency “ZZQ” in ISO 4217.']);
  expect(having({}, { currency: 'JPY' })).toEqual([]);
  expect(having(breaks('material', '10', '10.0'))).toEqual([
    '“Line a” has two price breaks at one quantity.',
  ]);
  expect(having(breaks('equipment', '10'))).toEqual([
    '“Line a” has price breaks on equipment, and no such cost.',
  ]);
  expect(having(breaks('material', '10', '20'))).toEqual([]);
});

test('a typed quantity is what it comes to, however numbers are written where it was typed', () => {
  for (const typed of ['10+2.5', `12' 6"`, '12,5', '25/2', 'max(12.5, 3)'])
    expect(having({ quantityTyped: typed })).toEqual([]);
  for (const typed of ['10+2', '1,25', 'a dozen'])
    expect(having({ quantityTyped: typed })).toEqual([
      `“Line a” was typed as ${typed}, which is not its quantity of 12.5.`,
    ]);
  const document = plainDocument([
    { id: 's', title: 'S', entries: [{ ...line('a', '12.5', '5'), quantityTyped: '10+2' }] },
  ]);
  expect(checkDocument(document)).toContainEqual(expect.objectContaining({ partId: 'a', weight: 'open' }));
});
