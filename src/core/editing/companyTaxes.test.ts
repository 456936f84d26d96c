import type { CompanyTaxClass } from '@/model';
import { plainDocument } from '../../../tests/support/documents';
import { takeTaxes, taxMoves, taxesOn } from './companyTaxes';

const classes: CompanyTaxClass[] = [
  { id: 'old', name: 'Old', retired: true, components: [] },
  {
    id: 'work',
    name: 'Work',
    components: [
      {
        id: 'state',
        name: 'State',
        percent: '5',
        later: [
          { from: '2027-07-01', percent: '6.5' },
          { from: '2027-01-01', percent: '6' },
        ],
      },
      { id: 'county', name: 'County', percent: '1', onTop: true },
    ],
  },
];

test.each([
  ['2026-12-31', '5'],
  ['2027-01-01', '6'],
  ['2027-06-30', '6'],
  ['2027-07-01', '6.5'],
])('on %s the rate is %s %%: it holds from its day on', (day, percent) => {
  const [work, old] = taxesOn(classes, day);
  expect(work).toEqual({
    id: 'work',
    name: 'Work',
    components: [
      { id: 'state', name: 'State', percent },
      { id: 'county', name: 'County', percent: '1', onTop: true },
    ],
  });
  // What is of a retired class still finds it, behind the first: it is not what new lines begin with.
  expect(old).toEqual({ id: 'old', name: 'Old', components: [] });
});

test('what is retired is neither first nor last: neither lines nor fees begin with it', () => {
  const none: CompanyTaxClass = { id: 'none', name: 'Not taxed', components: [] };
  expect(taxesOn([...classes, none], '2026-12-31').map(({ id }) => id)).toEqual(['work', 'old', 'none']);
});

test('a document tells which of its rates moved, and takes them where it has the tax', () => {
  const document = plainDocument([], {
    taxClasses: [
      {
        id: 'work',
        name: 'Ours',
        components: [
          { id: 'state', name: 'State', percent: '5' },
          { id: 'city', name: 'City, of this place', percent: '2' },
        ],
      },
    ],
  });
  const now = taxesOn(classes, '2027-01-02');
  expect(taxMoves(document, taxesOn(classes, '2026-01-01'))).toEqual([]);
  expect(taxMoves(document, now)).toEqual([
    { taxClass: 'work', component: 'state', name: 'State', before: '5', after: '6' },
  ]);
  takeTaxes(document, now);
  expect(document.taxClasses[0]!.components.map(({ percent }) => percent)).toEqual(['6', '2']);
  expect(taxMoves(document, now)).toEqual([]);
});
