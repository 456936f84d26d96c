import type { Menu, Question, ProposalDocument, Section, Test } from '@/model';
import type { Piece } from '../choice';
import { NONE, piecesOf } from '../choice';
import { parseFixed, writeFixed } from '../number';
import type { LineFigures } from '../price';

/** What an option brings: net by tax class, and cost; minor units, as numbers, for bounds only. */
export interface Weight {
  readonly net: ReadonlyMap<string, number>;
  readonly cost: number;
}

/** One way to decide something; what is decided next only then hangs below it. */
export interface Option {
  readonly value: string;
  readonly weight: Weight;
  readonly below: readonly Decision[];
}

/** Something to decide, with its options. */
export interface Decision {
  readonly id: string;
  readonly kind: 'extra' | 'question';
  /** Index of the section its amounts count in. */
  readonly section: number;
  readonly options: readonly Option[];
}

export interface Tree {
  /** What is in whatever is decided, by section. */
  readonly fixed: readonly Weight[];
  readonly decisions: readonly Decision[];
}

/** Levels picked, by the id of the levels. */
export type Levels = ReadonlyMap<string, string>;

export const OUT = 'out';
export const IN = 'in';
/** Beyond so many quantities only the ends, the offered one and those around price breaks are tried. */
const MOST_QUANTITIES = 2000;

const nothing: Weight = { net: new Map(), cost: 0 };

function weigh(lines: readonly LineFigures[]): Weight {
  const net = new Map<string, number>();
  let cost = 0;
  for (const line of lines) {
    net.set(line.line.taxClass, (net.get(line.line.taxClass) ?? 0) + Number(line.net));
    cost += Number(line.costAmount);
  }
  return { net, cost };
}

function together(weights: readonly Weight[]): Weight {
  if (weights.length === 1) return weights[0]!;
  const net = new Map<string, number>();
  let cost = 0;
  for (const weight of weights) {
    for (const [taxClass, amount] of weight.net) net.set(taxClass, (net.get(taxClass) ?? 0) + amount);
    cost += weight.cost;
  }
  return { net, cost };
}

/** Do the tests about levels hold? Other tests are the tree's business. */
const atLevels = (tests: readonly Test[], levels: Levels): boolean =>
  tests.every((test) => !('tiers' in test) || test.among.includes(levels.get(test.tiers) ?? ''));

/** The quantities a customer may set that can make a difference. */
function quantitiesOf({ entry, variants }: Piece): string[] {
  if (entry.kind !== 'line' || !entry.extra?.quantity) return [];
  const limits = entry.extra.quantity;
  const [least, most, step] = [limits.minimum, limits.maximum, limits.step].map((text) => parseFixed(text));
  const offered = writeFixed(variants[0]!.lines[0]!.quantity);
  if (step! <= 0n || most! < least!) return [offered];
  const count = (most! - least!) / step!;
  const at = (n: bigint) => writeFixed((least! + n * step!) as typeof least & bigint);
  const all = new Set([offered]);
  if (count <= BigInt(MOST_QUANTITIES)) for (let n = 0n; n <= count; n += 1n) all.add(at(n));
  else {
    const marks = [
      0n,
      count,
      ...(entry.breaks?.steps ?? []).map(({ from }) => (parseFixed(from) - least!) / step!),
    ];
    for (const mark of marks)
      for (let n = mark - 2n; n <= mark + 2n; n += 1n) if (n >= 0n && n <= count) all.add(at(n));
  }
  return [...all];
}

/** Of options that bring the same, one is enough, unless a rule speaks of them. */
function distinct(options: readonly Option[], bound: boolean): Option[] {
  if (bound) return [...options];
  const seen = new Set<string>();
  return options.filter(({ weight, below }) => {
    if (below.length > 0) return true;
    const key = `${weight.cost} ${JSON.stringify([...weight.net].sort())}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/**
 * What is left to decide at given levels: sections that may be left out hold what is in them, answers hold the extras
 * inside them; everything else stands side by side.
 *
 * @param bound ids that rules speak of
 */
export function treeOf(
  document: ProposalDocument,
  menu: Menu,
  levels: Levels,
  bound: ReadonlySet<string>,
): Tree {
  const bySection = new Map<Section, Piece[]>(document.sections.map((section) => [section, []]));
  for (const piece of piecesOf(document)) bySection.get(piece.section)!.push(piece);
  const asked = new Map(menu.questions.map((question) => [question.id, question]));
  const fixed: Weight[] = [];
  const decisions: Decision[] = [];

  for (const [index, section] of document.sections.entries()) {
    const pieces = bySection.get(section)!.filter(({ when }) => atLevels(when, levels));
    const linesAt = (piece: Piece) => piece.variants.find(({ when }) => atLevels(when, levels))?.lines ?? [];
    const extraOf = (piece: Piece): Decision => {
      const quantities = quantitiesOf(piece);
      const isIn: Option[] =
        quantities.length > 0
          ? quantities.map((quantity) => ({
              value: quantity,
              weight: weigh([piece.at!(quantity)]),
              below: [],
            }))
          : [{ value: IN, weight: weigh(linesAt(piece)), below: [] }];
      const options = [{ value: OUT, weight: nothing, below: [] }, ...isIn];
      return {
        id: piece.entry.id,
        kind: 'extra',
        section: index,
        options: distinct(options, bound.has(piece.entry.id)),
      };
    };
    const split = (some: readonly Piece[]) => ({
      weight: together(some.filter(({ entry }) => !entry.extra).map((piece) => weigh(linesAt(piece)))),
      extras: some.filter(({ entry }) => entry.extra).map(extraOf),
    });
    const questionOf = (question: Question): Decision[] => {
      const inside = pieces.filter((piece) => piece.inside?.question === question);
      const menuQuestion = asked.get(question.id)!;
      if (!atLevels(menuQuestion.when, levels)) return [];
      const options = menuQuestion.answers.map(({ id }): Option => {
        const { weight, extras } = split(
          id === NONE ? [] : inside.filter((piece) => piece.inside?.alternative === id),
        );
        return { value: id, weight, below: extras };
      });
      return [
        {
          id: question.id,
          kind: 'question',
          section: index,
          options: distinct(options, bound.has(question.id)),
        },
      ];
    };
    const { weight, extras } = split(pieces.filter(({ inside }) => inside === null));
    const questions = section.entries.flatMap((entry) =>
      entry.kind === 'question' ? questionOf(entry) : [],
    );
    const below = [...extras, ...questions];
    if (!section.extra) {
      fixed.push(weight);
      decisions.push(...below);
      continue;
    }
    fixed.push(nothing);
    const offered = menu.extras.find(({ id }) => id === section.id)!;
    if (atLevels(offered.when, levels))
      decisions.push({
        id: section.id,
        kind: 'extra',
        section: index,
        options: [
          { value: OUT, weight: nothing, below: [] },
          { value: IN, weight, below },
        ],
      });
  }
  return { fixed, decisions };
}
