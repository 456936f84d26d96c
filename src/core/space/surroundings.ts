import { memoByIdentity } from '../collections/memoByIdentity';
import type { Measure, Measuring, Room, Section, Space } from '@/model';
import type { Scope, Value } from '../formula';
import { FormulaError, LARGEST_QUANTITY, fromUnit, numberValue, spaceNames, toPlaces } from '../formula';
import type { Fixed, Ratio } from '../number';
import { integer, negative, plus, reduced, times } from '../number';
import { exactFeet as feet } from './exactFeet';
import { outlineFigures, readWalk } from './outline';
import { spaceOf } from './roomSpace';

const noMeasures: readonly Measured[] = [];

/** What a space comes to, each rounded to three places where it becomes visible. */
export interface SpaceFigures {
  readonly length: Fixed;
  readonly width: Fixed;
  readonly perimeter: Fixed;
  readonly floor: Fixed;
  /** Null without a height. */
  readonly height: Fixed | null;
  /** Perimeter × height less the openings; null without a height. */
  readonly walls: Fixed | null;
  readonly openings: Fixed;
}

export interface ReadSpace {
  readonly figures: SpaceFigures | null;
  /** Lengths as they are, for formulas: 10' 8" at 16 in have eight spacings, 10.667 ft a little more. */
  readonly exact:
    | (Readonly<Record<'length' | 'width' | 'perimeter', Ratio>> & {
        readonly height: Ratio | null;
      })
    | null;
  /** Why there are no figures, or what is wrong with them. */
  readonly trouble: string | null;
}

const visible = (ratio: Ratio) => toPlaces(ratio, 3);

/** A quantity by name, typed or traced on a plan. */
export interface Measured {
  readonly name: string;
  readonly kind: Measure['kind'];
  /** Feet, square feet or a count; null where there is trouble. */
  readonly value: Ratio | null;
  readonly trouble: string | null;
  /** What a traced area gives a space that follows it; null for everything else. */
  readonly outline: Readonly<Record<'area' | 'perimeter' | 'length' | 'width', Fixed>> | null;
}

function compute(space: Space, measures: readonly Measured[]): ReadSpace {
  const { shape } = space;
  let outer;
  if (shape.kind === 'rectangle') {
    const length = feet(shape.length);
    const width = feet(shape.width);
    outer = {
      length,
      width,
      area: times(length, width),
      perimeter: times(integer(2n), plus(length, width)),
    };
  } else if (shape.kind === 'traced') {
    const traced = measures.find(({ name }) => name === shape.measure);
    if (!traced?.outline)
      return {
        figures: null,
        exact: null,
        trouble:
          traced?.trouble ??
          `No area called “${shape.measure}” is traced on a plan of this proposal (any more).`,
      };
    const known = (fixed: Fixed) => reduced(fixed, 1_000_000n);
    const { area, perimeter, length, width } = traced.outline;
    outer = {
      area: known(area),
      perimeter: known(perimeter),
      length: known(length),
      width: known(width),
    };
  } else {
    try {
      outer = outlineFigures(readWalk(shape.walk));
    } catch (error) {
      if (error instanceof FormulaError) return { figures: null, exact: null, trouble: error.message };
      throw error;
    }
  }
  if (outer.area.top > LARGEST_QUANTITY * outer.area.bottom)
    return {
      figures: null,
      exact: null,
      trouble: 'This is more than a million square feet. Check the sizes.',
    };
  const openings = space.openings.reduce(
    (sum, { width, height, count }) =>
      plus(sum, times(integer(BigInt(count)), times(feet(width), feet(height)))),
    integer(0n),
  );
  const height = space.height ? feet(space.height) : null;
  const walls = height && plus(times(outer.perimeter, height), negative(openings));
  const figures = {
    length: visible(outer.length),
    width: visible(outer.width),
    perimeter: visible(outer.perimeter),
    floor: visible(outer.area),
    height: height && visible(height),
    walls: walls && visible(walls.top < 0n ? integer(0n) : walls),
    openings: visible(openings),
  };
  const trouble = walls && walls.top < 0n ? 'The openings are larger than the walls.' : null;
  const { length, width, perimeter } = outer;
  return { figures, exact: { length, width, perimeter, height }, trouble };
}

const untraced = memoByIdentity((space: Space) => compute(space, noMeasures));

/**
 * Floor, walls and perimeter of a space; openings are taken off the walls. 15 by 16 ft and 9 ft high: floor 240 sq ft,
 * perimeter 62 ft, walls 558 sq ft. Remembered by the space's identity, but for one that follows a traced area.
 */
export function readSpace(space: Space, measures: readonly Measured[] = noMeasures): ReadSpace {
  return space.shape.kind === 'traced' ? compute(space, measures) : untraced(space);
}

/** What the formulas of a section can see: its space and the proposal's measures. The same object for the same two. */
export interface Surroundings {
  readonly space: ReadSpace | null;
  readonly scope: Scope;
  /** In what sizes are told. */
  readonly measuring: Measuring;
}

function spaceValue(space: ReadSpace | null, name: string): ReturnType<Scope> {
  if (!(spaceNames as readonly string[]).includes(name)) return undefined;
  if (!space) return { trouble: `“${name}” needs the section’s dimensions: give it a length and a width.` };
  const { figures, exact } = space;
  if (!figures || !exact) return { trouble: space.trouble ?? 'The dimensions cannot be computed.' };
  const value = (ratio: Ratio | null, exponent: number): Value | { trouble: string } =>
    ratio === null ? { trouble: `“${name}” needs the section’s height.` } : numberValue(ratio, exponent);
  // Nothing left of the walls is a size, too: zero is not “none”.
  const area = (fixed: Fixed | null) => value(fixed === null ? null : reduced(fixed, 1_000_000n), 2);
  if (name === 'floor' || name === 'ceiling') return area(figures.floor);
  if (name === 'walls') return area(figures.walls);
  return value(exact[name as keyof typeof exact], 1);
}

const measureUnit = { length: 'ft', area: 'sqft', count: 'each' } as const;
/** What can be seen with these measures: without a space, and with each. */
const seenWith = memoByIdentity((measures: readonly Measured[]) => {
  const byName = new Map<string, ReturnType<Scope>>(
    measures.map(({ name, kind, value, trouble }) => [
      name,
      value === null ? { trouble: trouble ?? '' } : fromUnit(value, measureUnit[kind]),
    ]),
  );
  const seenIn = (measuring: Measuring) => {
    const seen = (space: ReadSpace | null): Surroundings => ({
      space,
      scope: (name) => byName.get(name) ?? spaceValue(space, name),
      measuring,
    });
    return { none: seen(null), in: memoByIdentity((space: Space) => seen(readSpace(space, measures))) };
  };
  return { us: seenIn('us'), metric: seenIn('metric') };
});

/** What the formulas of a section with this space can see. A measure of the proposal comes before a name of the space. */
export function surroundingsOf(
  space: Space | undefined,
  measures: readonly Measured[] = noMeasures,
  measuring: Measuring = 'us',
): Surroundings {
  const seen = seenWith(measures)[measuring];
  return space ? seen.in(space) : seen.none;
}

/** What sizes a proposal's sections share: its measures, and its rooms with a size. */
export interface SharedSizes {
  readonly measures: readonly Measured[];
  readonly rooms: readonly Room[] | undefined;
  readonly measuring: Measuring;
}

/** What the formulas of a section, or of one of its entries, can see. */
export const surroundingsIn = (
  { rooms, measures, measuring }: SharedSizes,
  section: Pick<Section, 'space' | 'room'>,
  entry?: { readonly room?: string },
): Surroundings => surroundingsOf(spaceOf(rooms, section, entry), measures, measuring);
