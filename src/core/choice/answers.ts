import { memoByIdentity } from '../collections/memoByIdentity';
import type { Choices, Menu, MenuExtra, MenuQuestion, MenuLevels, Test } from '@/model';

/** What stands for every decision: the customer's where they made one that is on offer, else the suggestion. */
export interface Answers {
  readonly extra: (id: string) => boolean;
  readonly question: (id: string) => string | undefined;
  readonly tiers: (id: string) => string | undefined;
}

interface Index {
  readonly extras: ReadonlyMap<string, MenuExtra>;
  readonly questions: ReadonlyMap<string, MenuQuestion>;
  readonly tiers: ReadonlyMap<string, MenuLevels>;
}
/** The decisions of a menu by id. */
export const indexOf = memoByIdentity((menu: Menu): Index => {
  const byId = <T extends { readonly id: string }>(all: readonly T[]) =>
    new Map(all.map((each) => [each.id, each]));
  return { extras: byId(menu.extras), questions: byId(menu.questions), tiers: byId(menu.tiers) };
});

const among = (all: readonly { readonly id: string }[], id: string | undefined): id is string =>
  all.some((each) => each.id === id);

function standing(
  all: readonly { readonly id: string }[],
  picked: string | undefined,
  suggested: string,
): string | undefined {
  if (among(all, picked)) return picked;
  return among(all, suggested) ? suggested : all[0]?.id;
}

/** Reads choices against a menu. */
export function answersOf(menu: Menu, choices: Choices): Answers {
  const { extras, questions, tiers } = indexOf(menu);
  return {
    extra: (id) => choices.extras[id]?.in ?? extras.get(id)?.extra.in ?? true,
    question: (id) => {
      const question = questions.get(id);
      return question && standing(question.answers, choices.questions[id], question.suggested);
    },
    tiers: (id) => {
      const each = tiers.get(id);
      return each && standing(each.levels, choices.tiers?.[id], each.suggested);
    },
  };
}

/** Does a test hold of the answers? */
export function holds(test: Test, answers: Answers): boolean {
  if ('extra' in test) return answers.extra(test.extra);
  if ('question' in test) return answers.question(test.question) === test.answer;
  return test.among.includes(answers.tiers(test.tiers) ?? '');
}

/** Do all tests hold? */
export const allHold = (tests: readonly Test[], answers: Answers): boolean =>
  tests.every((test) => holds(test, answers));
