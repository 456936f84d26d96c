import { measuringOf } from '../space';
import type { Bundle, BundleInput, Line, ProposalDocument, Section } from '@/model';
import { sizeInput } from '../bundle/inputs';
import { offeredFormulas } from '../bundle/offeredFormulas';
import { nameFrom } from '../bundle/recipe';
import { withinLevels } from '../choice/pieces';
import type { Scope } from '../formula';
import {
  FormulaError,
  evaluate,
  knownFormula,
  namesIn,
  renamed,
  reservedNames,
  spaceNames,
  toPlaces,
} from '../formula';
import type { Amount } from '../number';
import { parseFixed, sumAmounts, writeFixed } from '../number';
import { measuresOf } from '../plan';
import { followedQuantity } from '../price/follow';
import { surroundingsIn } from '../space';
import { fitting } from '../text/fitting';
import { PartGone } from './partGone';
import { removeEntries } from './spaces';
import { readTyped } from './typedQuantity';

/** The selected lines that can be parts of a bundle, where it comes to stand, and what stays by itself. */
export interface GatheredLines {
  readonly lines: readonly Line[];
  readonly section: Section;
  /** The room, phase and trade of the bundle: those all its lines have. */
  readonly labels: Readonly<Partial<Record<'room' | 'phase' | 'trade', string>>>;
  /** Why what is not taken stays by itself, a sentence for each. */
  readonly stays: readonly string[];
  /** What the lines say apart and a bundle says once, a sentence for each. */
  readonly loses: readonly string[];
}

/** Why a line cannot be a part of a bundle; null where it can. */
function whyNot(document: ProposalDocument, line: Line): string | null {
  if (line.allowance) return `“${line.description}” is an allowance and stands on its own.`;
  if (line.extra) return `“${line.description}” is an extra: the customer takes it or leaves it.`;
  if (line.omits || line.settles) return `“${line.description}” belongs to the agreement.`;
  if (withinLevels(document, line.id).length > 0) return `“${line.description}” is not in every level.`;
  return null;
}

/**
 * The lines of a selection a bundle can be made of.
 * @param ids of entries; bundles, questions and what the customer decides about stay by themselves, and it is said
 * @returns null where none of them can
 */
export function gatherLines(document: ProposalDocument, ids: ReadonlySet<string>): GatheredLines | null {
  const stays: string[] = [];
  const lines: Line[] = [];
  let at: Section | null = null;
  for (const section of document.sections)
    for (const entry of section.entries) {
      if (!ids.has(entry.id)) continue;
      const reason =
        entry.kind === 'line'
          ? whyNot(document, entry)
          : `“${entry.kind === 'bundle' ? entry.name : entry.prompt}” is a ${entry.kind} and stays one.`;
      if (reason !== null) stays.push(reason);
      else if (entry.kind === 'line') {
        lines.push(entry);
        at ??= section;
      }
    }
  if (!at) return null;
  const labels: Partial<Record<'room' | 'phase' | 'trade', string>> = {};
  const loses: string[] = [];
  for (const label of ['room', 'phase', 'trade'] as const) {
    const values = [...new Set(lines.map((line) => line[label]))];
    const [value] = values;
    if (values.length === 1 && value !== undefined) labels[label] = value;
    // The parts of a bundle keep their trades.
    if (values.length > 1 && label !== 'trade')
      loses.push(`The lines are in different ${label}s; the bundle is in none.`);
  }
  return { lines, section: at, labels, stays, loses };
}

/** What a bundle asks for beside the dimensions. */
export interface AskedInput {
  readonly label: string;
  readonly kind: 'number' | 'length' | 'area' | 'count';
  /** As it is typed. */
  readonly value: string;
}

/** Inputs of a bundle for what its formulas take from the space: 240 sq ft of floor here, another floor elsewhere. */
const ofSpace: Readonly<Record<(typeof spaceNames)[number], Pick<BundleInput, 'name' | 'label' | 'kind'>>> = {
  floor: { name: 'floor_area', label: 'Floor', kind: 'area' },
  ceiling: { name: 'ceiling_area', label: 'Ceiling', kind: 'area' },
  walls: { name: 'wall_area', label: 'Walls', kind: 'area' },
  perimeter: { name: 'edge', label: 'Perimeter', kind: 'length' },
  height: { name: 'room_height', label: 'Height', kind: 'length' },
  length: { name: 'room_length', label: 'Length', kind: 'length' },
  width: { name: 'room_width', label: 'Width', kind: 'length' },
};

const asInput: Readonly<Record<string, BundleInput['kind']>> = {
  length: 'length',
  area: 'area',
  count: 'count',
};

/** The asked inputs with names for formulas, those of the space and of measures left free. */
export function namedInputs(document: ProposalDocument, asked: readonly AskedInput[]): BundleInput[] {
  const taken = [
    ...reservedNames,
    ...Object.values(ofSpace).map(({ name }) => name),
    ...measuresOf(document).map(({ name }) => name),
  ];
  return asked.map(({ label, kind, value }) => {
    const name = nameFrom(label, taken);
    taken.push(name);
    return { name, label: fitting(label, 200), kind, default: value.trim() };
  });
}

/** What the formulas of a bundle made here see: what it asks for, then the space and the measures. */
export function scopeOfMaking(
  document: ProposalDocument,
  { section, labels }: Pick<GatheredLines, 'section' | 'labels'>,
  inputs: readonly BundleInput[],
): Scope {
  const { scope } = surroundingsIn(
    { rooms: document.rooms, measures: measuresOf(document), measuring: measuringOf(document) },
    section,
    labels,
  );
  const given = new Map(inputs.map((input) => [input.name, sizeInput(input, undefined, scope, false)]));
  return (name) => {
    const sized = given.get(name);
    if (!sized) return scope(name);
    return sized.value ?? { trouble: `${sized.input.label}: ${sized.trouble!.message}` };
  };
}

/** A line as a part of the bundle to be: what its quantity is, and the formulas that come to the same. */
export interface OfferedPart {
  readonly line: Line;
  /** As it stands now, in the line’s unit. */
  readonly quantity: string;
  /** The formula it has, where that holds in the bundle, or the number. */
  readonly stands: string;
  /** The formula it has, or the first that comes to the same, or the number. */
  readonly first: string;
  readonly offered: readonly string[];
}

/** Gathered lines as they stand, and what each goes by in the bundle where nobody says otherwise. */
function standing(document: ProposalDocument, gathered: GatheredLines, scope: Scope) {
  const sizes = { rooms: document.rooms, measures: measuresOf(document), measuring: measuringOf(document) };
  const sectionOfLine = new Map(
    document.sections.flatMap((section) => section.entries.map(({ id }) => [id, section] as const)),
  );
  return gathered.lines.map((line) => {
    const here = surroundingsIn(sizes, sectionOfLine.get(line.id) ?? gathered.section, line);
    const { quantity } = followedQuantity(line, here);
    // A formula of its own holds where it comes to the same in the bundle, too.
    const own = line.formula !== undefined && comesTo(line.formula, line, scope) === quantity;
    return { line, quantity, own, stands: own ? line.formula! : (line.quantityTyped ?? quantity) };
  });
}

/**
 * The quantities of gathered lines as a bundle would have them: a line’s own formula, else one that comes to the same.
 * @param inputs what the bundle asks for beside the dimensions
 */
export function offerParts(
  document: ProposalDocument,
  gathered: GatheredLines,
  inputs: readonly BundleInput[],
): OfferedPart[] {
  const scope = scopeOfMaking(document, gathered, inputs);
  return standing(document, gathered, scope).map(({ line, quantity, own, stands }) => {
    const found = offeredFormulas(parseFixed(quantity), line.unit, scope, inputs);
    const offered = own ? [...new Set([stands, ...found])] : found;
    return { line, quantity, stands, first: offered[0] ?? stands, offered };
  });
}

function comesTo(text: string, line: Line, scope: Scope): string | null {
  try {
    return readTyped(text, line.unit, scope).quantity;
  } catch (error) {
    if (error instanceof FormulaError) return null;
    throw error;
  }
}

/** Every name the formulas use; none of what cannot be read. */
function namesUsed(texts: readonly string[]): Set<string> {
  return new Set(
    texts.flatMap((text) => {
      try {
        return [...namesIn(knownFormula(text)).keys()];
      } catch {
        return [];
      }
    }),
  );
}

export interface BundleMaking {
  readonly id: string;
  readonly name: string;
  readonly asked: readonly AskedInput[];
  /** What is typed for the quantity of each line, by its id; what is not here stays as it stands. */
  readonly quantities: Readonly<Record<string, string>>;
}

/**
 * The bundle lines would make: its inputs are what is asked for and what their formulas take from the space and the measures;
 * its lines are the lines as they are, so that cost and price come to the same.
 * @throws FormulaError for a quantity or an input that cannot be read
 * @throws Error in words without a name
 */
export function bundleOfLines(
  document: ProposalDocument,
  gathered: GatheredLines,
  { id, name, asked, quantities }: BundleMaking,
): Bundle {
  const called = fitting(name, 200);
  if (called === '') throw new Error('A bundle needs a name.');
  const own = namedInputs(document, asked);
  const scope = scopeOfMaking(document, gathered, own);
  for (const input of own) knownFormula(input.default);
  const parts = standing(document, gathered, scope).map(({ line, stands }) => ({
    line,
    read: readTyped(quantities[line.id]?.trim() || stands, line.unit, scope),
  }));
  const used = namesUsed(parts.flatMap(({ read }) => read.formula ?? []));
  const inputs: BundleInput[] = [...own];
  const values: Record<string, string> = {};
  const instead = new Map<string, string>();
  const valueOf = (from: string): string => {
    const value = evaluate(knownFormula(from), scope);
    return value.kind === 'number' ? writeFixed(toPlaces(value.ratio, 3)) : '0';
  };
  for (const space of spaceNames)
    if (used.has(space)) {
      inputs.push({ ...ofSpace[space], default: valueOf(space), fromSpace: space });
      instead.set(space, ofSpace[space].name);
    }
  for (const { name: measure, kind } of measuresOf(document))
    if (used.has(measure)) {
      inputs.push({
        name: measure,
        label: measure.replace(/_/g, ' '),
        kind: asInput[kind]!,
        default: valueOf(measure),
      });
      values[measure] = measure;
    }
  return {
    kind: 'bundle',
    id,
    name: called,
    recipe: { inputs, grades: [], parts: [] },
    within: {},
    items: {},
    values,
    shows: 'parts',
    changes: {},
    added: parts.map(({ line, read }) => {
      const { formula: _, quantityTyped: __, quantityOpen: ___, room: ____, phase: _____, ...rest } = line;
      const formula =
        read.formula && [...instead].reduce((text, [from, to]) => renamed(text, from, to), read.formula);
      return { ...rest, ...read, ...(formula === undefined ? {} : { formula }) };
    }),
    ...gathered.labels,
  };
}

/**
 * Puts a bundle made of lines where the first of them stands; the lines are in it.
 * @throws PartGone where one of them is gone
 */
export function putInBundle(document: ProposalDocument, bundle: Bundle): void {
  const ids = new Set(bundle.added.map(({ id }) => id));
  const section = document.sections.find(({ entries }) => entries.some(({ id }) => ids.has(id)));
  const there = new Set(document.sections.flatMap(({ entries }) => entries.map(({ id }) => id)));
  for (const id of ids) if (!there.has(id)) throw new PartGone(id);
  if (!section) throw new PartGone(bundle.id);
  const at = section.entries.findIndex(({ id }) => ids.has(id));
  removeEntries(document, [...ids]);
  section.entries.splice(at, 0, bundle);
}

/**
 * What lines come to together as they stand, after their own discounts.
 * @param figures of the proposal’s lines, by their ids
 * @returns minor units
 */
export const netOfLines = (
  lines: readonly Line[],
  figures: ReadonlyMap<string, { readonly net: Amount }>,
): Amount => sumAmounts(lines.flatMap(({ id }) => figures.get(id)?.net ?? []));
