import type { ProposalDocument, SelectionRound } from '@/model';
import { linesOf, questionsOf } from '../choice';

/** The kept files a round of selections names. */
export const filesOfRound = ({ questions, extras }: SelectionRound): string[] =>
  [...questions.flatMap(({ alternatives }) => alternatives), ...extras].flatMap(({ picture }) =>
    picture === undefined ? [] : [picture],
  );

/** The kept files a document names: pictures of its plans, its alternatives and the selections of its allowances. */
export const filesOf = ({ plans, sections }: ProposalDocument): string[] => [
  ...(plans ?? []).map(({ file }) => file),
  ...sections.flatMap((section) =>
    [...questionsOf(section)].flatMap(({ alternatives }) =>
      alternatives.flatMap(({ picture }) => (picture === undefined ? [] : [picture])),
    ),
  ),
  ...sections.flatMap((section) =>
    [...linesOf(section)].flatMap(({ allowance }) => (allowance?.rounds ?? []).flatMap(filesOfRound)),
  ),
];
