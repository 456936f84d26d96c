import { produce } from 'immer';
import { jobFields } from '../bundle';
import { computeFigures } from '../price';
import type { CostPart, Line, PricedItem, ProposalDocument } from '@/model';
import { jobFields as publishedFields } from '@/model';
import { bundle, line, plainDocument } from '../../../tests/support/documents';
import {
  costsAlike,
  refreshedCosts,
  saidOtherwise,
  setCost,
  setOnThisJob,
  setPartOnThisJob,
  takeBackOnThisJob,
} from '.';

const library: CostPart[] = [{ type: 'labour', hours: '2', rate: '46', overtimeRate: '69', rateId: 'lead' }];
const other: CostPart[] = [
  { type: 'labour', hours: '2', rate: '29', overtimeRate: '43.50', rateId: 'helper' },
];

const start = plainDocument(
  [
    {
      id: 's',
      title: 'Work',
      entries: [
        line('taken', '3', '0', { itemId: 'i', costs: library, costCode: '06 10' }),
        line('own', '1', '0', { costs: [] }),
      ],
    },
  ],
  {
    taxClasses: [
      { id: 'taxed', name: 'Taxed', components: [] },
      { id: 'free', name: 'Free', components: [] },
    ],
  },
);
const at = (document: ProposalDocument, id: string) =>
  document.sections[0]!.entries.find((entry) => entry.id === id) as Line;
const edited = (document: ProposalDocument, edit: (draft: ProposalDocument) => void) =>
  produce(document, edit) as ProposalDocument;

test('another rate, cost code, tax class and markup on this job: each marked, each taken back by itself', () => {
  const all = edited(start, (draft) => {
    setOnThisJob(draft, 'taken', 'costs', other);
    setOnThisJob(draft, 'taken', 'costCode', '06 20');
    setOnThisJob(draft, 'taken', 'taxClass', 'free');
    setOnThisJob(draft, 'taken', 'loads', []);
    setOnThisJob(draft, 'taken', 'markups', { labour: '15' });
  });
  expect(at(all, 'taken')).toMatchObject({ costs: other, costCode: '06 20', taxClass: 'free', loads: [] });
  expect(saidOtherwise(at(all, 'taken'))).toEqual([
    'costs of its own on this job',
    'markup of its own on this job',
    'taxed otherwise on this job',
    'cost code of this job, the library has 06 10',
  ]);
  const without = edited(all, (draft) => takeBackOnThisJob(draft, 'taken', 'costCode'));
  expect(at(without, 'taken')).toMatchObject({ costCode: '06 10', costs: other });
  const back = edited(without, (draft) => {
    for (const field of ['costs', 'taxClass', 'loads', 'markups'] as const)
      takeBackOnThisJob(draft, 'taken', field);
    takeBackOnThisJob(draft, 'taken', 'costs');
  });
  expect(back).toEqual(start);
});

test('said as the library has it, it is taken back; said twice, the library’s stays in mind', () => {
  const twice = edited(start, (draft) => {
    setOnThisJob(draft, 'taken', 'costs', other);
    setOnThisJob(draft, 'taken', 'costs', []);
  });
  expect(at(twice, 'taken').fromLibrary).toEqual({ costs: library });
  const same = edited(twice, (draft) => setOnThisJob(draft, 'taken', 'costs', structuredClone(library)));
  expect(same).toEqual(start);
});

test('costs by type take the place of a sum typed over the former ones', () => {
  const typed = edited(start, (draft) => setCost(draft, 'taken', '99'));
  expect(
    at(
      edited(typed, (draft) => setOnThisJob(draft, 'taken', 'costs', other)),
      'taken',
    ),
  ).not.toHaveProperty('typedCost');
});

test('a line of one’s own has nothing to be taken back to', () => {
  const own = edited(start, (draft) => {
    setOnThisJob(draft, 'own', 'costs', other);
    setOnThisJob(draft, 'own', 'costCode', '09 00');
    setOnThisJob(draft, 'own', 'costCode', null);
    takeBackOnThisJob(draft, 'own', 'costs');
  });
  expect(at(own, 'own')).toEqual({ ...at(start, 'own'), costs: other });
});

test('a tax class that is not here any more is taken back to the first', () => {
  const without = edited(
    edited(start, (draft) => setOnThisJob(draft, 'taken', 'taxClass', 'free')),
    (draft) => void draft.taxClasses.shift(),
  );
  expect(
    at(
      edited(without, (draft) => takeBackOnThisJob(draft, 'taken', 'taxClass')),
      'taken',
    ).taxClass,
  ).toBe('free');
});

test('costs of the library that moved reach what would be taken back, and leave what this job says', () => {
  const mine = edited(start, (draft) => setOnThisJob(draft, 'taken', 'costs', other));
  const { itemId, description, unit, taxClass } = at(start, 'taken');
  const now: PricedItem = {
    itemId: itemId!,
    description,
    unit,
    taxClass,
    costs: [{ ...(library[0] as { type: 'labour'; hours: string; rate: string }), rate: '50' }],
  };
  expect(costsAlike(at(mine, 'taken'), { ...now, costs: library })).toBe(true);
  const { document, moves } = refreshedCosts(mine, new Map([['i', now]]));
  expect(moves).toHaveLength(1);
  expect(at(document, 'taken')).toMatchObject({ costs: other, fromLibrary: { costs: now.costs } });
});

test('a part of a bundle: said as its item has it, it is taken back', () => {
  const item: PricedItem = {
    itemId: 'i',
    description: 'Post',
    unit: 'each',
    costs: library,
    taxClass: 'taxed',
  };
  const withBundle = plainDocument([
    {
      id: 's',
      title: 'Work',
      entries: [bundle('b', { post: item }, [{ id: 'p', name: 'post', item: 'post', quantity: '4' }])],
    },
  ]);
  const partOf = (document: ProposalDocument) => computeFigures(document).sections[0]!.lines[0]!.line;
  const said = edited(withBundle, (draft) =>
    setPartOnThisJob(draft, 'b', 'p', partOf(withBundle), 'markups', { labour: '15' }),
  );
  expect(saidOtherwise(partOf(said))).toEqual(['markup of its own on this job']);
  expect(partOf(said)).toMatchObject({ markups: { labour: '15' }, fromLibrary: { markups: null } });
  const back = edited(said, (draft) => setPartOnThisJob(draft, 'b', 'p', partOf(said), 'markups', null));
  expect(back).toEqual(withBundle);
});

test('what a job may say otherwise is what the format has for it', () => {
  expect([...jobFields].sort()).toEqual(Object.keys(publishedFields).sort());
});
