import { memoByIdentity } from '../collections/memoByIdentity';
import type {
  Bundle,
  Choices,
  Extra,
  LevelChoice,
  Line,
  ProposalDocument,
  Question,
  Section,
  SectionEntry,
} from '@/model';
import { parseFixed } from '../number';

/** The lines and bundles of an entry: those of all its alternatives, or itself. */
export const partsOf = (entry: SectionEntry): readonly (Line | Bundle)[] =>
  entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [entry];

/** The answer to a question of which none may be picked. */
export const NONE = 'none';

/** What the choices come to for the parts of a document. */
export interface Decisions {
  readonly choices: Choices;
  /** Parts that are not in at the levels picked. */
  readonly without: ReadonlySet<string>;
  /** Bundle → its grade at the levels picked. */
  readonly grades: ReadonlyMap<string, string>;
}

/** The level that stands; an unknown one falls back to the suggestion. */
export function decidedLevel(tiers: LevelChoice, choices: Choices): string {
  const picked = choices.tiers?.[tiers.id];
  const exists = (id: string | undefined) => tiers.levels.some((level) => level.id === id);
  if (picked !== undefined && exists(picked)) return picked;
  return exists(tiers.suggested) ? tiers.suggested : tiers.levels[0]!.id;
}

/** Whether any level of these leaves a part out or grades it. */
const touches = ({ levels }: LevelChoice, id: string): boolean =>
  levels.some(({ without, grades }) => without.includes(id) || grades[id] !== undefined);

/**
 * The levels that decide whether a part is in: those of a section where they touch it, else those of the whole. Price, table
 * of levels, papers and signed statements all ask here.
 */
export function rulingLevels(tiers: readonly LevelChoice[], id: string): readonly LevelChoice[] {
  const own = tiers.filter((each) => each.section && touches(each, id));
  return own.length > 0 ? own : tiers.filter((each) => !each.section);
}

const nothing: ReadonlySet<string> = new Set();
const asTheyAre: ReadonlyMap<string, string> = new Map();

/**
 * Works out what the levels picked mean for the parts. Levels of a section stand over levels of the whole for every part
 * both touch: what they put in is in, what they leave out is out, and their grades count.
 */
export function decide({ tiers }: Pick<ProposalDocument, 'tiers'>, choices: Choices): Decisions {
  if (!tiers || tiers.length === 0) return { choices, without: nothing, grades: asTheyAre };
  const without = new Set<string>();
  const grades = new Map<string, string>();
  for (const each of [
    ...tiers.filter(({ section }) => !section),
    ...tiers.filter(({ section }) => section),
  ]) {
    const picked = decidedLevel(each, choices);
    const level = each.levels.find(({ id }) => id === picked)!;
    for (const id of level.without) if (rulingLevels(tiers, id).includes(each)) without.add(id);
    for (const [bundle, grade] of Object.entries(level.grades)) grades.set(bundle, grade);
  }
  return { choices, without, grades };
}

const gradesOf = memoByIdentity((_bundle: Bundle) => new Map<string, Bundle>());

/** The bundle at the grade that stands. */
export const decidedBundle = (bundle: Bundle, { grades }: Pick<Decisions, 'grades'>): Bundle =>
  atGrade(bundle, grades.get(bundle.id));

/** The bundle at another grade; the same object for the same grade. Without one it stays as it is. */
export function atGrade(bundle: Bundle, grade: string | undefined): Bundle {
  if (grade === undefined || grade === bundle.grade) return bundle;
  const known = gradesOf(bundle);
  let made = known.get(grade);
  if (!made) known.set(grade, (made = { ...bundle, grade }));
  return made;
}

/** Is the extra in? Lines, bundles and sections that are no extra always are, unless a level leaves them out. */
export function isIn(
  part: { readonly id: string; readonly extra?: { readonly in: boolean } | undefined },
  { choices, without }: Pick<Decisions, 'choices' | 'without'>,
): boolean {
  if (without.has(part.id)) return false;
  return part.extra ? (choices.extras[part.id]?.in ?? part.extra.in) : true;
}

/**
 * The quantity that counts for a line: the customer's where they may set one, else the offered one.
 * @param offered what the line's formula comes to, where it has one
 */
export function decidedQuantity(line: Line, choices: Choices, offered: string = line.quantity): string {
  return (line.extra?.quantity && choices.extras[line.id]?.quantity) ?? offered;
}

/** Does a question have this answer? */
export function isAnswer(question: Question, id: string | undefined): id is string {
  return (
    (id === NONE && question.none !== undefined) ||
    question.alternatives.some((alternative) => alternative.id === id)
  );
}

/** The id of the alternative that stands, or `none`; an unknown one falls back to the suggestion. */
export function decidedAlternative(question: Question, choices: Choices): string {
  const picked = choices.questions[question.id];
  if (isAnswer(question, picked)) return picked;
  return isAnswer(question, question.suggested) ? question.suggested : question.alternatives[0]!.id;
}

/** All lines of a section in order, those inside alternatives and those added to bundles included. */
export function* linesOf(section: Section): Generator<Line> {
  for (const entry of section.entries) {
    if (entry.kind === 'line') yield entry;
    else if (entry.kind === 'bundle') yield* entry.added;
    else
      for (const alternative of entry.alternatives)
        for (const inner of alternative.lines)
          if (inner.kind === 'line') yield inner;
          else yield* inner.added;
  }
}

/** The bundles of a section in order, those inside alternatives included. */
export function* bundlesOf(section: Section): Generator<Bundle> {
  for (const entry of section.entries)
    if (entry.kind === 'bundle') yield entry;
    else if (entry.kind === 'question')
      for (const { lines } of entry.alternatives)
        for (const inner of lines) if (inner.kind === 'bundle') yield inner;
}

/** What the customer may take in or leave out, and how it is called. */
export interface OfferedExtra {
  readonly id: string;
  readonly name: string;
  readonly extra: Extra;
  /** The question and alternative it is an extra of. */
  readonly inside: { readonly question: string; readonly alternative: string } | null;
}

/** What of a section the customer may take in or leave out: itself, its lines (inside alternatives too) and bundles. */
export function* extrasOf(section: Section): Generator<OfferedExtra> {
  if (section.extra) yield { id: section.id, name: section.title, extra: section.extra, inside: null };
  for (const entry of section.entries) {
    if (entry.kind === 'question') {
      for (const alternative of entry.alternatives)
        for (const inner of alternative.lines)
          if (inner.extra)
            yield {
              id: inner.id,
              name: inner.kind === 'line' ? inner.description : inner.name,
              extra: inner.extra,
              inside: { question: entry.id, alternative: alternative.id },
            };
    } else if (entry.extra)
      yield {
        id: entry.id,
        name: entry.kind === 'line' ? entry.description : entry.name,
        extra: entry.extra,
        inside: null,
      };
  }
}

/** The questions of a section in order. */
export function* questionsOf(section: Section): Generator<Question> {
  for (const entry of section.entries) if (entry.kind === 'question') yield entry;
}

/** Is a quantity within the limits of an extra, and on one of its steps? */
export function fits(quantity: string, limits: NonNullable<Extra['quantity']>): boolean {
  const wanted = parseFixed(quantity);
  const least = parseFixed(limits.minimum);
  const step = parseFixed(limits.step);
  return (
    wanted >= least && wanted <= parseFixed(limits.maximum) && (step <= 0n || (wanted - least) % step === 0n)
  );
}
