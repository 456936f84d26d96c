import type { Choices, Menu } from '@/model';
import { allHold, answersOf } from './answers';

/** What choices make of the suggestion, in words, each decision that differs; empty when nothing does. */
export function choicesInWords(menu: Menu, choices: Choices): string[] {
  const answers = answersOf(menu, choices);
  return [
    ...menu.tiers.flatMap(({ id, levels, suggested }) => {
      const picked = answers.tiers(id);
      const level = levels.find((each) => each.id === picked);
      return level && picked !== suggested ? [level.name] : [];
    }),
    ...menu.questions.flatMap(({ id, answers: all, suggested, when }) => {
      const picked = answers.question(id);
      const answer = all.find((each) => each.id === picked);
      return answer && picked !== suggested && allHold(when, answers) ? [answer.name] : [];
    }),
    ...menu.extras.flatMap(({ id, name, extra, when }) => {
      const isIn = answers.extra(id);
      const quantity = choices.extras[id]?.quantity;
      if (!allHold(when, answers) || (isIn === extra.in && (!isIn || quantity === undefined))) return [];
      if (!isIn) return [`without ${name}`];
      return [quantity === undefined ? name : `${quantity} × ${name}`];
    }),
  ];
}
