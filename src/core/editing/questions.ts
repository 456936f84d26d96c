import type { Alternative, ProposalDocument } from '@/model';
import { fitting } from '../text/fitting';
import { findQuestion } from './find';
import { PartGone, place } from './partGone';
import { taxedHere, bundleTaxedHere } from './taxClasses';

/** Turns a line into a question whose first, suggested alternative it is. */
export function askAbout(
  document: ProposalDocument,
  lineId: string,
  ids: { readonly question: string; readonly alternative: string },
): void {
  const { section, line, index, question, bundle } = place(document, lineId);
  if (question || bundle) return;
  const plain = { ...line };
  delete plain.extra;
  section.entries.splice(index, 1, {
    kind: 'question',
    id: ids.question,
    prompt: `Which ${line.description.charAt(0).toLowerCase()}${line.description.slice(1)}?`.slice(0, 200),
    alternatives: [{ id: ids.alternative, name: line.description, lines: [plain] }],
    suggested: ids.alternative,
  });
}

/**
 * Adds an alternative to a question.
 * @throws PartGone where there is no such part
 */
export function addAlternative(
  document: ProposalDocument,
  questionId: string,
  alternative: Alternative,
): void {
  const found = findQuestion(document, questionId);
  if (!found) throw new PartGone(questionId);
  found.question.alternatives.push({
    ...alternative,
    lines: alternative.lines.map((inner) =>
      inner.kind === 'line' ? taxedHere(document, inner) : bundleTaxedHere(document, inner),
    ),
  });
}

/**
 * Renames an alternative.
 * @throws PartGone where there is no such part
 */
export function setAlternative(
  document: ProposalDocument,
  questionId: string,
  alternativeId: string,
  change: { readonly name?: string; readonly detail?: string },
): void {
  const alternative = findQuestion(document, questionId)?.question.alternatives.find(
    ({ id }) => id === alternativeId,
  );
  if (!alternative) throw new PartGone(alternativeId);
  if (change.name !== undefined && change.name.trim() !== '') alternative.name = fitting(change.name, 200);
  if (change.detail !== undefined) {
    const detail = fitting(change.detail, 2000);
    if (detail === '') delete alternative.detail;
    else alternative.detail = detail;
  }
}
