import { produce } from 'immer';
import { bundle, line, plainDocument } from '../../../tests/support/documents';
import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { computeFigures } from '../price';
import { withLevel } from '../choice';
import { checkDocument, customerView } from '../offer';
import {
  addLevel,
  addRule,
  addLevels,
  addOffers,
  offersWith,
  removeLevel,
  removePart,
  removeLevels,
  setBundleDiscount,
  setBundleLoads,
  setExpected,
  setLevel,
  setLineDiscount,
  setQuestion,
  setSectionExtra,
  setLevels,
} from '.';

const item = (amount: string) => ({
  description: 'Deck board',
  unit: 'ft' as const,
  costs: [{ type: 'material' as const, amount }],
  taxClass: 'taxed',
});
const grades = ['pine', 'cedar', 'composite'].map((id) => ({ id, name: id }));
const deck = (id: string) => {
  const made = bundle(
    id,
    { pine: item('2'), cedar: item('4'), composite: item('7') },
    [
      {
        id: 'p',
        name: 'boards',
        item: 'pine',
        quantity: '100',
        grades: { cedar: 'cedar', composite: 'composite' },
      },
    ],
    { grade: 'pine' },
  );
  return { ...made, recipe: { ...made.recipe, grades } };
};
const start = plainDocument([
  { id: 's1', title: 'Deck', entries: [deck('b1'), line('rail', '1', '50')] },
  { id: 's2', title: 'Porch', entries: [deck('b2'), line('light', '1', '80', { extra: { in: false } })] },
]);

function withLevels(sectionId: string | null = null): { document: ProposalDocument; id: string } {
  let next = 0;
  let id = '';
  const document = produce(start, (draft) => {
    id = addLevels(draft, sectionId, () => `t${(next += 1)}`);
  });
  return { document, id };
}
const totals = (document: ProposalDocument, id: string) =>
  document
    .tiers!.find((tiers) => tiers.id === id)!
    .levels.map((level) => computeFigures(document, withLevel(asSuggested, id, level.id)).total);

test('levels from the grades the bundles have, of the whole and of one section', () => {
  const whole = withLevels();
  expect(totals(whole.document, whole.id)).toEqual([45000n, 85000n, 145000n]);
  const one = withLevels('s1');
  expect(totals(one.document, one.id)).toEqual([45000n, 65000n, 95000n]);
  expect(checkDocument(whole.document)).toEqual([]);
});

test('side by side: each level with its total, its difference and what differs', () => {
  const { document, id } = withLevels();
  const [level] = document.tiers![0]!.levels;
  const edited = produce(document, (draft) => {
    setLevels(draft, id, { recommended: draft.tiers![0]!.levels[1]!.id, reason: 'Lasts twice as long.' });
    setLevel(draft, id, level!.id, { part: { id: 'rail', in: false } });
  });
  const [tiers] = customerView(edited, asSuggested).tiers;
  expect(tiers!.levels.map(({ total, difference, recommended }) => [total, difference, recommended])).toEqual(
    [
      ['400.00', '0.00', false],
      ['850.00', '450.00', true],
      ['1450.00', '1050.00', false],
    ],
  );
  expect(tiers!.rows).toEqual([
    { name: 'Bundle b1', cells: ['pine', 'cedar', 'composite'] },
    { name: 'Line rail', cells: [null, 'included', 'included'] },
    { name: 'Bundle b2', cells: ['pine', 'cedar', 'composite'] },
  ]);
});

test('levels of a section stand over those of the whole', () => {
  const { document, id } = withLevels();
  const both = produce(document, (draft) => {
    let next = 0;
    addLevels(draft, 's1', () => `u${(next += 1)}`);
  });
  const best = withLevel(asSuggested, id, document.tiers![0]!.levels[2]!.id);
  // The deck stays pine by its own level, the porch becomes composite.
  expect(computeFigures(both, best).total).toBe(95000n);
});

test('at most four levels, at least two; what is suggested is always there', () => {
  const { document, id } = withLevels();
  const four = produce(document, (draft) => {
    addLevel(draft, id, 'n1');
    addLevel(draft, id, 'n2');
    setLevels(draft, id, { suggested: 'n1' });
  });
  expect(four.tiers![0]!.levels).toHaveLength(4);
  const two = produce(four, (draft) => {
    for (const level of [...four.tiers![0]!.levels].reverse()) removeLevel(draft, id, level.id);
  });
  expect(two.tiers![0]!.levels).toHaveLength(2);
  expect(two.tiers![0]!.levels.map((level) => level.id)).toContain(two.tiers![0]!.suggested);
});

test('what goes takes the rules that speak of it along', () => {
  const { document, id } = withLevels();
  const ruled = produce(document, (draft) => {
    addRule(draft, {
      id: 'r1',
      when: { extra: 'light' },
      says: 'needs',
      other: { tiers: id, level: document.tiers![0]!.levels[1]!.id },
    });
    setSectionExtra(draft, 's2', { in: true });
    addRule(draft, { id: 'r2', when: { extra: 's2' }, says: 'rules out', other: { extra: 'light' } });
  });
  expect(produce(ruled, (draft) => removeLevels(draft, id)).rules?.map((rule) => rule.id)).toEqual(['r2']);
  expect(produce(ruled, (draft) => removePart(draft, 'light')).rules).toBeUndefined();
});

test('a question: none of them, the one we recommend and why, until when', () => {
  const asked = produce(start, (draft) => {
    draft.sections[0]!.entries.push({
      kind: 'question',
      id: 'q',
      prompt: 'Which rail?',
      suggested: 'x',
      alternatives: [
        { id: 'x', name: 'Wood', lines: [line('w', '1', '10')] },
        { id: 'y', name: 'Steel', lines: [deck('inner')] },
      ],
    });
    setQuestion(draft, 'q', { none: '', recommended: 'y', until: '2027-01-31' });
    setQuestion(draft, 'q', { reason: 'No paint.', suggested: 'none' });
  });
  const question = customerView(asked, asSuggested).sections[0]!.entries.find(
    ({ kind }) => kind === 'question',
  );
  expect(question).toMatchObject({ until: '2027-01-31', reason: 'No paint.' });
  expect(
    question?.kind === 'question' &&
      question.alternatives.map(({ name, picked, recommended, difference }) => [
        name,
        picked,
        recommended,
        difference,
      ]),
  ).toEqual([
    ['Wood', false, false, '10.00'],
    ['Steel', false, true, '200.00'],
    ['None of these', true, false, '0.00'],
  ]);
  const must = produce(asked, (draft) => setQuestion(draft, 'q', { none: null }));
  expect(must.sections[0]!.entries.at(-1)).toMatchObject({ suggested: 'x' });
});

test('a line and a bundle have a discount, a bundle markup of its own, a line another quantity we expect', () => {
  const document = plainDocument([
    {
      id: 's',
      title: 'S',
      entries: [
        line('a', '2', '50'),
        bundle('b', { i: item('100') }, [{ id: 'p', name: 'part', item: 'i', quantity: '1' }]),
      ],
    },
  ]);
  const total = () => computeFigures(structuredClone(document)).total;
  setLineDiscount(document, 'a', { percent: '10' });
  expect(total()).toBe(19000n);
  setBundleLoads(document, 'b', [
    { id: 'p', name: 'Profit', kind: 'profit', percent: '20', base: 'running' },
  ]);
  setBundleDiscount(document, 'b', { amount: '5' });
  expect(total()).toBe(9000n + 11500n);
  setBundleLoads(document, 'b', null);
  setBundleDiscount(document, 'b', null);
  setLineDiscount(document, 'a', null);
  setExpected(document, 'a', '1+2');
  expect(document.sections[0]!.entries[0]).toMatchObject({ expected: '3' });
  setExpected(document, 'a', ' ');
  expect(document.sections[0]!.entries[0]).not.toHaveProperty('expected');
  expect(total()).toBe(20000n);
});

describe('whole offers', () => {
  const three: ProposalDocument = plainDocument([
    { id: 's1', title: 'Permits', entries: [line('permit', '1', '100')] },
    { id: 's2', title: 'Porch', entries: [line('porch', '1', '1000')] },
    { id: 's3', title: 'Sunroom', entries: [line('room', '1', '3000')] },
  ]);
  let next = 0;
  let id = '';
  const offered = produce(three, (draft) => {
    id = addOffers(draft, () => `o${(next += 1)}`);
  });
  const [a, b] = offered.tiers![0]!.levels;

  test('alike at first; each then comes to its own sections and those that are shared, as if it stood alone', () => {
    expect(totals(offered, id)).toEqual([410000n, 410000n]);
    const apart = produce(offered, (draft) => {
      setLevel(draft, id, a!.id, { part: { id: 's3', in: false } });
      setLevel(draft, id, b!.id, { part: { id: 's2', in: false } });
      addLevel(draft, id, 'o9');
      setLevel(draft, id, 'o9', { part: { id: 's2', in: true } });
    });
    const alone = (ids: readonly string[]) =>
      computeFigures(
        { ...three, sections: three.sections.filter((section) => ids.includes(section.id)) },
        asSuggested,
      ).total;
    expect(apart.tiers![0]!.levels.map(({ name }) => name)).toEqual(['Offer A', 'Offer B', 'Offer C']);
    expect(totals(apart, id)).toEqual([alone(['s1', 's2']), alone(['s1', 's3']), alone(['s1', 's2', 's3'])]);
    expect(offersWith(apart, 's1')).toBeNull();
    expect(offersWith(apart, 's2')).toEqual(['Offer A', 'Offer C']);
    expect(offersWith(apart, 's3')).toEqual(['Offer B', 'Offer C']);
    expect(checkDocument(apart)).toEqual([]);
  });

  test('without offers, a section is in all there is', () => {
    expect(offersWith(three, 's1')).toBeNull();
    const levels = produce(three, (draft) => {
      const made = addLevels(draft, null, () => `l${(next += 1)}`);
      setLevel(draft, made, draft.tiers![0]!.levels[0]!.id, { part: { id: 's2', in: false } });
    });
    expect(offersWith(levels, 's2')).toBeNull();
  });
});
