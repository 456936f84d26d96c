import type { Measuring } from '@/model';
import { memoLast } from '../collections/memoByIdentity';
import type {
  Bundle,
  BundleMakeup,
  BundlePart,
  ItemPart,
  Line,
  PartChange,
  PricedItem,
  Recipe,
} from '@/model';
import type { Scope, Value } from '../formula';
import {
  FormulaError,
  evaluate,
  formulaQuantity,
  fromUnit,
  knownFormula,
  numberValue,
  toPlaces,
} from '../formula';
import type { Ratio } from '../number';
import { integer, reduced, times, writeFixed } from '../number';
import type { Surroundings } from '../space';
import type { SizedInput } from './inputs';
import { showValue, sizeInput } from './inputs';
import { jobFields, putJobValues } from './onThisJob';

export interface Trouble {
  readonly message: string;
  /** Where in the formula, from 0. */
  readonly at: number;
}

/** One part as it comes out on this job. */
export interface SizedPart {
  /** Part ids from the outer bundle inwards, with dots between. */
  readonly path: string;
  readonly name: string;
  /** The formula that was computed. */
  readonly formula: string;
  /** What its name stands for in the formulas of others; null where it cannot be computed. */
  readonly value: Value | null;
  /** Null where no item stands: dropped by the grade, or a figure that only others use. */
  readonly line: Line | null;
  /** Why it is not there: dropped by grade or condition, or taken out on this job. */
  readonly absent: 'grade' | 'condition' | 'job' | null;
  readonly change: PartChange | null;
  /** The formula of the recipe, where another was typed over it. */
  readonly replaced: string | null;
  readonly trouble: Trouble | null;
}

export interface SizedBundle {
  readonly inputs: readonly SizedInput[];
  readonly parts: readonly SizedPart[];
  /** Lines that count, in order: parts that are there, then those added on this job. */
  readonly lines: readonly Line[];
  /** What the customer reads, placeholders filled. */
  readonly detail: string;
  readonly name: string;
  /** Everything that cannot be computed, in words. */
  readonly troubles: readonly { readonly place: string; readonly message: string }[];
}

/** Bounds the work whatever the recipe says. */
export const MOST_PARTS = 2000;
const DEEPEST = 6;

interface Run {
  readonly makeup: BundleMakeup;
  readonly changes: Readonly<Record<string, PartChange>>;
  readonly idPrefix: string;
  readonly parts: SizedPart[];
  readonly troubles: { place: string; message: string }[];
  /** Parts looked at so far, those that come to nothing included. */
  looked: number;
}

const asTrouble = (error: unknown): Trouble => {
  if (error instanceof FormulaError) return { message: error.message, at: error.at };
  throw error;
};

const isOne = ({ top, bottom }: Ratio) => top === bottom;
const zero = numberValue(integer(0n), 0, false);

function itemOf(
  run: Run,
  part: ItemPart,
  grade: string | undefined,
  change: PartChange | undefined,
): PricedItem | null {
  if (change?.item) return change.item;
  const swap = grade === undefined ? undefined : part.grades?.[grade];
  const key = swap === undefined ? part.item : swap;
  return key === null ? null : (run.makeup.items[key] ?? null);
}

/** A line with what is said otherwise on this job, and what the item has kept beside it. */
function otherwise(line: Line, change: PartChange): Line {
  const said = jobFields.filter((field) => change[field] !== undefined);
  if (said.length === 0) return line;
  const kept = Object.fromEntries(said.map((field) => [field, line[field] ?? null]));
  return { ...putJobValues(line, change), fromLibrary: kept };
}

function lineOf(id: string, item: PricedItem, quantity: string, change: PartChange | undefined): Line {
  const line: Line = { kind: 'line', ...item, id, quantity };
  if (change === undefined) return line;
  if (change.description !== undefined) line.description = change.description;
  if (change.typedCost !== undefined) line.typedCost = change.typedCost;
  if (change.heldPrice !== undefined) line.heldPrice = change.heldPrice;
  if (change.shapedPrice !== undefined) line.shapedPrice = change.shapedPrice;
  if (change.overtime !== undefined) line.overtime = change.overtime;
  return otherwise(line, change);
}

type Answer = Value | { readonly trouble: string };

/** One recipe while it is sized: what its names stand for so far. */
interface Sizing {
  readonly run: Run;
  readonly grade: string | undefined;
  readonly prefix: string;
  readonly factor: Ratio;
  readonly depth: number;
  readonly parts: ReadonlyMap<string, Recipe['parts'][number]>;
  readonly state: Map<string, Answer | 'computing'>;
  readonly sized: Map<string, SizedPart>;
  /** Inputs, then parts, then what stands outside. */
  readonly scope: Scope;
}

/** What the name of a part stands for: sized when it is first asked for, in whatever order formulas use each other. */
function partValue(sizing: Sizing, name: string): Answer {
  const { state, parts } = sizing;
  const seen = state.get(name);
  if (seen === 'computing') return { trouble: `“${name}” hangs on itself.` };
  if (seen) return seen;
  const part = parts.get(name)!;
  if ('bundle' in part) return { trouble: `“${name}” is a bundle and has no quantity of its own.` };
  state.set(name, 'computing');
  const answer = sizeItem(sizing, part);
  state.set(name, answer);
  return answer;
}

/** Does a condition hold? @throws FormulaError where it cannot be computed or is neither yes nor no */
function met({ scope }: Sizing, condition: string): boolean {
  const value = evaluate(knownFormula(condition), scope);
  if (value.kind === 'truth') return value.truth;
  if (value.kind === 'number') return value.ratio.top !== 0n;
  throw new FormulaError('A condition comes to yes or no.', 0);
}

/** Sizes a part that is an item, or (without one) a figure for the formulas of others. */
function sizeItem(sizing: Sizing, part: ItemPart): Answer {
  const { run, grade, prefix, factor, scope, sized } = sizing;
  const path = prefix + part.id;
  const change = Object.hasOwn(run.changes, path) ? run.changes[path] : undefined;
  const item = itemOf(run, part, grade, change);
  const formula = change?.quantity ?? part.quantity;
  const keep = (
    value: Value | null,
    line: Line | null,
    absent: SizedPart['absent'],
    trouble: Trouble | null = null,
  ) =>
    sized.set(part.name, {
      path,
      name: part.name,
      formula,
      value,
      line,
      absent,
      change: change ?? null,
      replaced: change?.quantity === undefined ? null : part.quantity,
      trouble,
    });
  if (!item && part.grades !== undefined) {
    keep(zero, null, 'grade');
    return zero;
  }
  const line = (quantity: string) => (item ? lineOf(`${run.idPrefix}${path}`, item, quantity, change) : null);
  try {
    if (part.when !== undefined && !met(sizing, part.when)) {
      keep(zero, line('0'), item ? 'condition' : null);
      return zero;
    }
    if (!item) {
      // A figure keeps its dimension and is not rounded.
      const value = evaluate(knownFormula(formula), scope);
      keep(value, null, null);
      return value;
    }
    const each = formulaQuantity(formula, item.unit, scope);
    const quantity = isOne(factor) ? each : toPlaces(times(reduced(each, 1_000_000n), factor), 3);
    const value = fromUnit(reduced(each, 1_000_000n), item.unit);
    keep(value, line(writeFixed(quantity)), change?.out ? 'job' : null);
    return value;
  } catch (error) {
    const trouble = asTrouble(error);
    keep(null, line('0'), change?.out ? 'job' : null, trouble);
    return { trouble: `“${part.name}” cannot be computed: ${trouble.message}` };
  }
}

/** Sizes a bundle within a bundle, with values of its own, as many times as it says. */
function sizeNested(sizing: Sizing, part: BundlePart): void {
  const { run, grade, prefix, factor, depth, scope } = sizing;
  const path = prefix + part.id;
  const nowhere = (message: string, at = 0) => {
    run.troubles.push({ place: part.name, message });
    run.parts.push({
      path,
      name: part.name,
      formula: part.times ?? '1',
      value: null,
      line: null,
      absent: null,
      change: null,
      replaced: null,
      trouble: { message, at },
    });
  };
  const inner = run.makeup.within[part.bundle];
  if (!inner) return nowhere(`The bundle of “${part.name}” is not there.`);
  if (depth >= DEEPEST) return nowhere(`Bundles stand in each other more than ${DEEPEST} deep.`);
  try {
    if (part.when !== undefined && !met(sizing, part.when)) return;
    const count =
      part.times === undefined
        ? integer(1n)
        : reduced(formulaQuantity(part.times, 'each', scope), 1_000_000n);
    const values: SizedInput[] = inner.recipe.inputs.map((input) =>
      sizeInput(input, part.values[input.name], scope, false),
    );
    for (const { trouble, input } of values)
      if (trouble) run.troubles.push({ place: `${part.name}: ${input.label}`, message: trouble.message });
    const named = part.grade ?? grade;
    const known = inner.recipe.grades.some(({ id }) => id === named);
    sizeRecipe(run, inner.recipe, values, {
      grade: known ? named : inner.recipe.grades[0]?.id,
      outside: () => undefined,
      prefix: `${path}.`,
      factor: times(factor, count),
      depth: depth + 1,
    });
  } catch (error) {
    const trouble = asTrouble(error);
    nowhere(trouble.message, trouble.at);
  }
}

/** Sizes one recipe; what its parts come to is written to the run. Answers what its names stand for. */
function sizeRecipe(
  run: Run,
  recipe: Recipe,
  inputs: readonly SizedInput[],
  { outside, ...within }: Pick<Sizing, 'grade' | 'prefix' | 'factor' | 'depth'> & { readonly outside: Scope },
): Scope {
  const given = new Map<string, Answer>();
  for (const { input, value, trouble } of inputs)
    given.set(input.name, value ?? { trouble: trouble ? trouble.message : `“${input.name}” has no value.` });
  const parts = new Map(recipe.parts.map((part) => [part.name, part]));
  const sizing: Sizing = {
    run,
    ...within,
    parts,
    state: new Map(),
    sized: new Map(),
    scope: (name) => given.get(name) ?? (parts.has(name) ? partValue(sizing, name) : outside(name)),
  };
  for (const part of recipe.parts) {
    run.looked += 1;
    if (run.looked > MOST_PARTS) {
      if (run.looked === MOST_PARTS + 1)
        run.troubles.push({ place: part.name, message: `A bundle comes to at most ${MOST_PARTS} parts.` });
      break;
    }
    if ('bundle' in part) {
      sizeNested(sizing, part);
      continue;
    }
    partValue(sizing, part.name);
    const done = sizing.sized.get(part.name);
    if (!done) continue;
    run.parts.push(done);
    if (done.trouble) run.troubles.push({ place: part.name, message: done.trouble.message });
  }
  return sizing.scope;
}

/** Fills `{name}` in a text; a name that is not there stays as it stands and is told. */
function fill(
  text: string,
  { scope, measuring }: { readonly scope: Scope; readonly measuring: Measuring },
  grade: string | null,
  tell: (name: string) => void,
): string {
  return text.replace(/\{\s*([A-Za-z][A-Za-z0-9_]*)\s*\}/g, (whole, name: string) => {
    if (name === 'grade' && grade !== null) return grade;
    const value = scope(name);
    if (value && !('trouble' in value)) return showValue(value, measuring);
    tell(name);
    return whole;
  });
}

/** Sizes a makeup by typed values, as it would stand in these surroundings. */
export function sizeMakeup(
  bundle: Pick<
    Bundle,
    'recipe' | 'within' | 'items' | 'values' | 'changes' | 'added' | 'name' | 'detail' | 'grade'
  >,
  surroundings: Surroundings,
  idPrefix: string,
): SizedBundle {
  const { recipe } = bundle;
  const run: Run = { makeup: bundle, changes: bundle.changes, idPrefix, parts: [], troubles: [], looked: 0 };
  const hasSpace = surroundings.space?.figures != null;
  const inputs = recipe.inputs.map((input) =>
    sizeInput(
      input,
      Object.hasOwn(bundle.values, input.name) ? bundle.values[input.name] : undefined,
      surroundings.scope,
      hasSpace,
      surroundings.measuring,
    ),
  );
  for (const { input, trouble } of inputs)
    if (trouble) run.troubles.push({ place: input.label, message: trouble.message });
  const grade = recipe.grades.find(({ id }) => id === bundle.grade) ?? recipe.grades[0];
  const scope = sizeRecipe(run, recipe, inputs, {
    grade: grade?.id,
    outside: surroundings.scope,
    prefix: '',
    factor: integer(1n),
    depth: 0,
  });

  const added = bundle.added.map((line): Line => {
    if (line.formula === undefined) return line;
    try {
      return { ...line, quantity: writeFixed(formulaQuantity(line.formula, line.unit, scope)) };
    } catch (error) {
      run.troubles.push({ place: line.description, message: asTrouble(error).message });
      return { ...line, quantity: '0' };
    }
  });
  const told = { scope, measuring: surroundings.measuring };
  const tell = (name: string) =>
    run.troubles.push({ place: 'Description', message: `{${name}} has no value to show.` });
  return {
    inputs,
    parts: run.parts,
    lines: [...run.parts.flatMap(({ line, absent }) => (line && absent === null ? [line] : [])), ...added],
    name: fill(bundle.name, told, grade?.name ?? null, tell),
    detail: fill(bundle.detail ?? '', told, grade?.name ?? null, tell),
    troubles: run.troubles,
  };
}

/**
 * Sizes a bundle of a proposal in its section's surroundings: inputs, then parts by their formulas, in whatever order
 * they use each other. What cannot be computed counts as nothing and says why; everything else is computed.
 * Part lines carry the identity `bundle.part`. The last answer is kept by the bundle's identity.
 */
export const sizeBundle = memoLast((bundle: Bundle, surroundings: Surroundings): SizedBundle =>
  sizeMakeup(bundle, surroundings, `${bundle.id}.`),
);
