import fc from 'fast-check';
import { anyChoices, anyDocument, line, plainDocument, runs } from '../../../tests/support/documents';
import type { Choices, Picked, ProposalDocument, Rule } from '@/model';
import { asSuggested } from '@/model';
import { checkDocument, pastDays } from '../offer';
import {
  answersOf,
  brokenRules,
  checkChoices,
  menuOf,
  neverInWords,
  neverPicked,
  picksOf,
  wayTo,
  withAlternative,
  withExtra,
} from '.';

const rule = (id: string, when: Picked, says: Rule['says'], other: Picked): Rule => ({
  id,
  when,
  says,
  other,
});
const lamp: Picked = { extra: 'lamp' };
const fan: Picked = { extra: 'fan' };
const boards = (alternative: string): Picked => ({ question: 'boards', alternative });

const withRules = (...rules: Rule[]): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'S',
        entries: [
          line('lamp', '1', '58', { extra: { in: false } }),
          line('fan', '1', '80', { extra: { in: false } }),
          {
            kind: 'question',
            id: 'boards',
            prompt: 'Which boards?',
            suggested: 'pine',
            alternatives: ['pine', 'ash', 'oak'].map((id) => ({
              id,
              name: id,
              lines: [line(`l${id}`, '1', '5')],
            })),
          },
        ],
      },
      {
        id: 't',
        title: 'Screens',
        extra: { in: false },
        entries: [line('door', '1', '9', { extra: { in: false } })],
      },
    ],
    { rules },
  );
const never = (...rules: Rule[]) => {
  const menu = menuOf(withRules(...rules));
  return neverPicked(menu).map((each) => [each.name, each.rules.map(({ id }) => id)]);
};

describe('what can never be picked', () => {
  test('A needs B while B rules out A', () => {
    const contradiction = [rule('a', lamp, 'needs', fan), rule('b', fan, 'rules out', lamp)];
    expect(never(...contradiction)).toEqual([['Line lamp', ['a', 'b']]]);
    const document = withRules(...contradiction);
    const menu = menuOf(document);
    expect(neverInWords(neverPicked(menu)[0]!, menu)).toBe(
      '“Line lamp” can never be chosen. “Line lamp” needs “Line fan”. “Line fan” does not go with “Line lamp”.',
    );
    expect(checkDocument(document)).toContainEqual(
      expect.objectContaining({ partId: 'a', weight: 'open', message: expect.stringContaining('never') }),
    );
  });

  test('an extra that every alternative rules out; an alternative that needs two that do not go together', () => {
    expect(never(...['pine', 'ash', 'oak'].map((id) => rule(id, boards(id), 'rules out', lamp)))).toEqual([
      ['Line lamp', ['pine', 'ash', 'oak']],
    ]);
    expect(
      never(
        rule('1', boards('oak'), 'needs', lamp),
        rule('2', boards('oak'), 'needs', fan),
        rule('3', lamp, 'rules out', fan),
      ),
    ).toEqual([['oak', ['1', '2', '3']]]);
  });

  test('needing what stands in a section that may be left out is no contradiction', () => {
    expect(never(rule('a', lamp, 'needs', { extra: 'door' }))).toEqual([]);
    // But what rules out the section it stands in is.
    expect(
      never(rule('a', lamp, 'needs', { extra: 'door' }), rule('b', lamp, 'rules out', { extra: 't' })),
    ).toEqual([['Line lamp', ['a', 'b']]]);
  });

  test('is found just where trying everything finds it', () => {
    const anyPick = fc.constantFrom<Picked>(
      lamp,
      fan,
      { extra: 'door' },
      { extra: 't' },
      boards('pine'),
      boards('ash'),
      boards('oak'),
    );
    const anyRule = fc.record({
      when: anyPick,
      says: fc.constantFrom('needs' as const, 'rules out' as const),
      other: anyPick,
    });
    fc.assert(
      fc.property(fc.array(anyRule, { maxLength: 6 }), (drawn) => {
        const document = withRules(...drawn.map((each, i) => ({ id: `r${i}`, ...each })));
        const menu = menuOf(document);
        const all: Choices[] = [];
        for (const l of [true, false])
          for (const f of [true, false])
            for (const d of [true, false])
              for (const t of [true, false])
                for (const b of ['pine', 'ash', 'oak']) {
                  const choices = [
                    ['lamp', l],
                    ['fan', f],
                    ['door', d],
                    ['t', t],
                  ] as const;
                  all.push(
                    withAlternative(
                      choices.reduce<Choices>((made, [id, is]) => withExtra(made, id, is), asSuggested),
                      'boards',
                      b,
                    ),
                  );
                }
        const sound = all.filter((choices) => brokenRules(menu, choices).length === 0);
        const takes = (pick: Picked, choices: Choices) => {
          const answers = answersOf(menu, choices);
          if ('question' in pick) return answers.question(pick.question) === pick.alternative;
          return (
            'extra' in pick && answers.extra(pick.extra) && (pick.extra !== 'door' || answers.extra('t'))
          );
        };
        const spoken = JSON.stringify(drawn);
        const expected = picksOf(menu)
          .filter((pick) =>
            spoken.includes('extra' in pick ? `"extra":"${pick.extra}"` : '"question":"boards"'),
          )
          .filter((pick) => !sound.some((choices) => takes(pick, choices)));
        expect(neverPicked(menu).map(({ pick }) => pick)).toEqual(expected);
      }),
      { numRuns: runs(200) },
    );
  });
});

describe('the way to what a rule is against', () => {
  test('takes what is needed, also the section it stands in, and gives up what does not go', () => {
    const menu = menuOf(
      withRules(rule('a', lamp, 'needs', { extra: 'door' }), rule('b', lamp, 'rules out', boards('pine'))),
    );
    const way = wayTo(menu, asSuggested, lamp, null)!;
    expect(brokenRules(menu, way.choices)).toEqual([]);
    expect([...way.words].sort()).toEqual(['with “Line door”', 'with “Screens”', 'with “ash”']);
    // Leaving out what another needs leaves that out, too.
    const back = wayTo(menu, way.choices, { extra: 'door' }, null, true)!;
    expect(back.words).toEqual(['without “Line lamp”']);
  });

  test('is none where there is none, and changes nothing whose day is over', () => {
    const contradiction = menuOf(withRules(rule('a', lamp, 'needs', fan), rule('b', fan, 'rules out', lamp)));
    expect(wayTo(contradiction, asSuggested, lamp, null)).toBeNull();
    const document = withRules(rule('a', lamp, 'needs', fan));
    const [section] = document.sections;
    const late: ProposalDocument = {
      ...document,
      sections: [
        {
          ...section!,
          entries: section!.entries.map((entry) =>
            entry.kind === 'line' && entry.id === 'fan'
              ? { ...entry, extra: { in: false, until: '2026-03-01' } }
              : entry,
          ),
        },
        ...document.sections.slice(1),
      ],
    };
    expect(wayTo(menuOf(late), asSuggested, lamp, '2026-02-01')?.words).toEqual(['with “Line fan”']);
    expect(wayTo(menuOf(late), asSuggested, lamp, '2026-04-01')).toBeNull();
    expect(pastDays(late, '2026-04-01')).toMatchObject([
      { partId: 'fan', message: expect.stringContaining('which is over') },
    ]);
    expect(pastDays(late, '2026-03-01')).toEqual([]);
  });

  test('leads to choices that can be made, with the pick in them', () => {
    const anyCase = anyDocument().chain((document) =>
      anyChoices(document).map((choices) => ({ document, choices })),
    );
    fc.assert(
      fc.property(anyCase, fc.nat(), ({ document, choices }, n) => {
        const menu = menuOf(document);
        const picks = picksOf(menu);
        const pick = picks[n % Math.max(1, picks.length)];
        const way = pick && wayTo(menu, choices, pick, null);
        if (way) expect(brokenRules(menu, way.choices)).toEqual([]);
      }),
      { numRuns: runs(200) },
    );
  });
});

test('what is not on offer cannot be changed by asking for it all the same', () => {
  const menu = menuOf(withRules());
  const forged = withExtra(asSuggested, 'door', true);
  const since = { before: asSuggested, today: '2026-01-01' };
  expect(checkChoices(menu, forged, since)).toMatchObject([
    { id: 'door', message: '“Line door” is not on offer with what is chosen.' },
  ]);
  // What is on offer can be, one thing and the other.
  const ash = withAlternative(withExtra(asSuggested, 'lamp', true), 'boards', 'ash');
  expect(checkChoices(menu, ash, since)).toEqual([]);
  const together = withExtra(forged, 't', true);
  expect(checkChoices(menu, together, since)).toEqual([]);
  // Left out with its section, what was chosen in it waits, and binds nobody.
  expect(checkChoices(menu, withExtra(together, 't', false), { ...since, before: together })).toEqual([]);
});
