import type { ProposalDocument } from '@/model';
import { questionsOf } from '../choice';

/** The kept files a document names: pictures of its plans and of its alternatives. */
export const filesOf = ({ plans, sections }: ProposalDocument): string[] => [
  ...(plans ?? []).map(({ file }) => file),
  ...sections.flatMap((section) =>
    [...questionsOf(section)].flatMap(({ alternatives }) =>
      alternatives.flatMap(({ picture }) => (picture === undefined ? [] : [picture])),
    ),
  ),
];
