import type { ProposalDocument, Question, Rule, Section, OfferLevel, LevelChoice } from '@/model';
import { NONE, bundlesOf } from '../price/decided';
import { findQuestion } from './find';
import { PartGone, sectionOf } from './partGone';
import { dropRulesOf } from './rules';
import { fitting } from '../text/fitting';

/* Edits of what the customer decides: questions, sections that can be left out, levels, and rules between choices. */

/** What of a question can be changed; null takes an optional part away. */
export interface QuestionChange {
  readonly prompt?: string;
  readonly detail?: string;
  readonly suggested?: string;
  /** The name of the answer “none of them”; null: one has to be picked. */
  readonly none?: string | null;
  readonly recommended?: string | null;
  readonly reason?: string;
  readonly until?: string | null;
}

/**
 * Changes what a question says, suggests, recommends and allows.
 * @throws PartGone when it is not there
 */
export function setQuestion(document: ProposalDocument, questionId: string, change: QuestionChange): void {
  const question = findQuestion(document, questionId)?.question;
  if (!question) throw new PartGone(questionId);
  if (change.prompt !== undefined && change.prompt.trim() !== '')
    question.prompt = fitting(change.prompt, 200);
  if (change.detail !== undefined) {
    if (change.detail.trim() === '') delete question.detail;
    else question.detail = change.detail.trim();
  }
  if (change.suggested !== undefined) question.suggested = change.suggested;
  if (change.none === null) {
    delete question.none;
    if (question.suggested === NONE) question.suggested = question.alternatives[0]!.id;
  } else if (change.none !== undefined) question.none = { name: change.none.trim() || 'None of these' };
  if (change.recommended === null) delete question.recommended;
  else if (change.recommended !== undefined)
    question.recommended = { ...question.recommended, alternative: change.recommended };
  if (change.reason !== undefined && question.recommended) setReason(question.recommended, change.reason);
  setUntil(question, change.until);
}

function setReason(recommended: { reason?: string }, reason: string): void {
  if (reason.trim() === '') delete recommended.reason;
  else recommended.reason = fitting(reason, 500);
}

function setUntil(part: { until?: string }, until: string | null | undefined): void {
  if (until === null) delete part.until;
  else if (until !== undefined) part.until = until;
}

/** Lets the customer leave a whole section out, changes the terms, or (null) makes it plain work again. */
export function setSectionExtra(
  document: ProposalDocument,
  sectionId: string,
  extra: Section['extra'] | null,
): void {
  const section = sectionOf(document, sectionId);
  if (extra === null || extra === undefined) delete section.extra;
  else section.extra = extra;
}

function levelsAt(document: ProposalDocument, id: string): LevelChoice {
  const found = document.tiers?.find((tiers) => tiers.id === id);
  if (!found) throw new PartGone(id);
  return found;
}

/** The grades that bundles of the part of the document have, each with how many bundles have it, most first. */
export function gradesThere(
  document: ProposalDocument,
  sectionId: string | null,
): { id: string; name: string; count: number }[] {
  const grades = new Map<string, { id: string; name: string; count: number }>();
  for (const section of document.sections) {
    if (sectionId !== null && section.id !== sectionId) continue;
    for (const bundle of bundlesOf(section))
      for (const { id, name } of bundle.recipe.grades) {
        const known = grades.get(id);
        if (known) known.count += 1;
        else grades.set(id, { id, name, count: 1 });
      }
  }
  return [...grades.values()].sort((a, b) => b.count - a.count);
}

/** The grade of every bundle that has it, by bundle. */
export function gradedAs(
  document: ProposalDocument,
  sectionId: string | null,
  grade: string,
): Record<string, string> {
  const grades: Record<string, string> = {};
  for (const section of document.sections) {
    if (sectionId !== null && section.id !== sectionId) continue;
    for (const bundle of bundlesOf(section))
      if (bundle.recipe.grades.some(({ id }) => id === grade)) grades[bundle.id] = grade;
  }
  return grades;
}

/**
 * Offers levels of the whole or of a section: one for each grade that the bundles there have (at most four), else two
 * that are alike until something is left out of one of them.
 */
export function addLevels(document: ProposalDocument, sectionId: string | null, newId: () => string): string {
  const grades = gradesThere(document, sectionId).slice(0, 4);
  const levels: OfferLevel[] = (grades.length >= 2 ? grades : [null, null]).map((grade, i) => ({
    id: newId(),
    name: grade?.name ?? (i === 0 ? 'Essential' : 'Complete'),
    grades: grade ? gradedAs(document, sectionId, grade.id) : {},
    without: [],
  }));
  const where = sectionId === null ? null : sectionOf(document, sectionId).title;
  const tiers: LevelChoice = {
    id: newId(),
    prompt: where === null ? 'How would you like it?' : `${where}: how would you like it?`.slice(0, 200),
    ...(sectionId === null ? {} : { section: sectionId }),
    levels,
    suggested: levels[0]!.id,
  };
  document.tiers = [...(document.tiers ?? []), tiers];
  return tiers.id;
}

/** Letters that whole offers begin with; at most four. */
const OFFER_LETTERS = ['A', 'B', 'C', 'D'] as const;

/** Makes two whole offers of the proposal, alike until a section is taken out of one of them. */
export function addOffers(document: ProposalDocument, newId: () => string): string {
  const levels: OfferLevel[] = OFFER_LETTERS.slice(0, 2).map((letter) => ({
    id: newId(),
    name: `Offer ${letter}`,
    grades: {},
    without: [],
  }));
  const tiers: LevelChoice = {
    id: newId(),
    prompt: 'Which offer would you like?',
    levels,
    suggested: levels[0]!.id,
    offers: true,
  };
  document.tiers = [...(document.tiers ?? []), tiers];
  return tiers.id;
}

/**
 * In which of the whole offers a section is, by their names; null where it is in all of them, or there are none.
 */
export function offersWith(
  { tiers = [] }: Pick<ProposalDocument, 'tiers'>,
  sectionId: string,
): string[] | null {
  const offers = tiers.find((each) => each.offers);
  if (!offers || !offers.levels.some(({ without }) => without.includes(sectionId))) return null;
  return offers.levels.filter(({ without }) => !without.includes(sectionId)).map(({ name }) => name);
}

/** Takes levels away; with them the rules that speak of them. */
export function removeLevels(document: ProposalDocument, id: string): void {
  levelsAt(document, id);
  document.tiers = document.tiers!.filter((tiers) => tiers.id !== id);
  if (document.tiers.length === 0) delete document.tiers;
  dropRulesOf(document, new Set([id]));
}

/** Changes what levels say, suggest and recommend. */
export function setLevels(
  document: ProposalDocument,
  id: string,
  change: {
    readonly prompt?: string;
    readonly detail?: string;
    readonly suggested?: string;
    readonly recommended?: string | null;
    readonly reason?: string;
    readonly until?: string | null;
  },
): void {
  const tiers = levelsAt(document, id);
  if (change.prompt !== undefined && change.prompt.trim() !== '') tiers.prompt = fitting(change.prompt, 200);
  if (change.detail !== undefined) {
    if (change.detail.trim() === '') delete tiers.detail;
    else tiers.detail = change.detail.trim();
  }
  if (change.suggested !== undefined) tiers.suggested = change.suggested;
  if (change.recommended === null) delete tiers.recommended;
  else if (change.recommended !== undefined)
    tiers.recommended = { ...tiers.recommended, level: change.recommended };
  if (change.reason !== undefined && tiers.recommended) setReason(tiers.recommended, change.reason);
  setUntil(tiers, change.until);
}

/** Adds a level like the last one; at most four. */
export function addLevel(document: ProposalDocument, levelsId: string, levelId: string): void {
  const tiers = levelsAt(document, levelsId);
  if (tiers.levels.length >= 4) return;
  const last = tiers.levels.at(-1)!;
  tiers.levels.push({
    id: levelId,
    name: tiers.offers ? `Offer ${OFFER_LETTERS[tiers.levels.length]!}` : 'Another level',
    grades: { ...last.grades },
    without: [...last.without],
  });
}

/** Takes a level away; two stay. */
export function removeLevel(document: ProposalDocument, levelsId: string, levelId: string): void {
  const tiers = levelsAt(document, levelsId);
  if (tiers.levels.length <= 2) return;
  tiers.levels = tiers.levels.filter(({ id }) => id !== levelId);
  if (tiers.suggested === levelId) tiers.suggested = tiers.levels[0]!.id;
  if (tiers.recommended?.level === levelId) delete tiers.recommended;
  dropRulesOf(document, new Set([levelId]));
}

/**
 * Changes a level: its name and words, what is in at it, the grade of a bundle at it (null: the bundle's own), or the
 * grade of every bundle that has it.
 * @throws PartGone where there is no such part
 */
export function setLevel(
  document: ProposalDocument,
  levelsId: string,
  levelId: string,
  change: {
    readonly name?: string;
    readonly detail?: string;
    readonly part?: { readonly id: string; readonly in: boolean };
    readonly grade?: { readonly bundle: string; readonly grade: string | null };
    readonly allGraded?: string;
  },
): void {
  const tiers = levelsAt(document, levelsId);
  const level = tiers.levels.find(({ id }) => id === levelId);
  if (!level) throw new PartGone(levelId);
  const { name, detail, part, grade, allGraded } = change;
  if (name !== undefined && name.trim() !== '') level.name = fitting(name, 200);
  if (detail !== undefined) {
    if (detail.trim() === '') delete level.detail;
    else level.detail = detail.trim();
  }
  if (part) {
    level.without = level.without.filter((id) => id !== part.id);
    if (!part.in) level.without.push(part.id);
  }
  if (grade) {
    if (grade.grade === null) delete level.grades[grade.bundle];
    else level.grades[grade.bundle] = grade.grade;
  }
  if (allGraded !== undefined)
    Object.assign(level.grades, gradedAs(document, tiers.section ?? null, allGraded));
}

/** Says what one choice means for another. */
export function addRule(document: ProposalDocument, rule: Rule): void {
  document.rules = [...(document.rules ?? []), rule];
}

/**
 * Changes or (null) takes away a rule.
 * @throws PartGone where there is no such part
 */
export function setRule(document: ProposalDocument, id: string, change: Partial<Rule> | null): void {
  const rules = document.rules ?? [];
  if (!rules.some((rule) => rule.id === id)) throw new PartGone(id);
  const next = rules.flatMap((rule) => {
    if (rule.id !== id) return [rule];
    if (change === null) return [];
    const made = { ...rule, ...change };
    if (made.reason?.trim() === '') delete made.reason;
    return [made];
  });
  if (next.length === 0) delete document.rules;
  else document.rules = next;
}

/**
 * Gives an alternative a picture for the customer, or (null) none.
 * @throws PartGone where there is no such part
 */
export function setAlternativePicture(
  document: ProposalDocument,
  questionId: string,
  alternativeId: string,
  picture: string | null,
): void {
  const alternative = (
    findQuestion(document, questionId)?.question as Question | undefined
  )?.alternatives.find(({ id }) => id === alternativeId);
  if (!alternative) throw new PartGone(alternativeId);
  if (picture === null) delete alternative.picture;
  else alternative.picture = picture;
}
