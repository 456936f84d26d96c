import fc from 'fast-check';
import type { CardFact } from './cards';
import { cardEventKinds, chargeStanding } from './cards';

const fact = (kind: CardFact['kind'], at: string, id = `${kind} ${at}`): CardFact => ({
  id,
  kind,
  at: `2026-05-${at}T10:00:00.000Z`,
  reason: null,
});

test('nothing said yet: asked', () => {
  expect(chargeStanding([])).toEqual({ state: 'asked', taken: false, back: false, reason: null });
});

test.each([
  [['delayed'], 'delayed', false, false],
  [['delayed', 'accepted'], 'accepted', true, false],
  [['delayed', 'refused'], 'refused', false, false],
  [['needs confirmation', 'accepted'], 'accepted', true, false],
  [['needs confirmation', 'refused'], 'refused', false, false],
  [['accepted', 'disputed'], 'disputed', true, true],
  [['accepted', 'disputed', 'dispute won'], 'dispute won', true, false],
  [['accepted', 'disputed', 'dispute lost'], 'dispute lost', true, true],
] as const)('%j: %s', (kinds, state, taken, back) => {
  const facts = kinds.map((kind, i) => fact(kind, `0${i + 1}`));
  expect(chargeStanding(facts)).toMatchObject({ state, taken, back });
});

test('a dispute heard before the acceptance says that money was taken; a refusal heard late changes nothing', () => {
  expect(chargeStanding([fact('disputed', '03')])).toMatchObject({ taken: true, back: true });
  expect(chargeStanding([fact('accepted', '02'), fact('refused', '01')])).toMatchObject({
    state: 'accepted',
  });
});

test('whatever was said: its order and repeats make no difference', () => {
  const facts = fc.array(
    fc.record({
      kind: fc.constantFrom(...cardEventKinds),
      day: fc.constantFrom('01', '02', '03', '04'),
    }),
    { maxLength: 7 },
  );
  fc.assert(
    fc.property(facts, fc.infiniteStream(fc.nat()), (said, order) => {
      const all = said.map(({ kind, day }, i) => fact(kind, day, `${i}`));
      const shuffled = [...all, ...all]
        .map((each) => ({ each, at: order.next().value as number }))
        .sort((a, b) => a.at - b.at)
        .map(({ each }) => each);
      expect(chargeStanding(shuffled)).toEqual(chargeStanding(all));
    }),
  );
});
