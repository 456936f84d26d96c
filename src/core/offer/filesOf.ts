import type { ProposalDocument, SelectionRound } from '@/model';
import { linesOf, questionsOf } from '../choice';

/** The kept files a round of selections names. */
export const filesOfRound = ({ questions, extras }: SelectionRound): string[] =>
  [...questions.flatMap(({ alternatives }) => alternatives), ...extras].flatMap(({ picture }) =>
    picture === undefined ? [] : [picture],
  );

/** Pictures of lines and of alternatives. */
const picturesOf = ({ sections }: ProposalDocument): string[] =>
  sections
    .flatMap((section) => [
      ...[...questionsOf(section)].flatMap(({ alternatives }) => alternatives),
      ...linesOf(section),
    ])
    .flatMap(({ picture }) => (picture === undefined ? [] : [picture]));

/** The kept files that the customer may see: plans that are shown, and pictures. */
export const shownFilesOf = (document: ProposalDocument): string[] => [
  ...(document.plans ?? []).filter(({ shown }) => shown).map(({ file }) => file),
  ...picturesOf(document),
];

/**
 * The kept files a document names: its plans, pictures of its lines and alternatives, and of the selections of its
 * allowances.
 */
export const filesOf = (document: ProposalDocument): string[] => [
  ...(document.plans ?? []).map(({ file }) => file),
  ...picturesOf(document),
  ...document.sections.flatMap((section) =>
    [...linesOf(section)].flatMap(({ allowance }) => (allowance?.rounds ?? []).flatMap(filesOfRound)),
  ),
];
