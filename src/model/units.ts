/**
 * Units a line can be measured in, with the code an e-invoice carries.
 * Codes: UN/ECE Recommendation 20 (common codes), from memory, checked in tests/outside against the list shipped with
 * an e-invoicing library.
 */
export const units = {
  each: { name: 'each', unece: 'C62' },
  ft: { name: 'ft', unece: 'FOT' },
  sqft: { name: 'sq ft', unece: 'FTK' },
  square: { name: 'square', many: 'squares', unece: 'C62' },
  cuyd: { name: 'cu yd', unece: 'YDQ' },
  bdft: { name: 'bd ft', unece: 'BFT' },
  m: { name: 'm', unece: 'MTR' },
  sqm: { name: 'm²', unece: 'MTK' },
  cum: { name: 'm³', unece: 'MTQ' },
  kg: { name: 'kg', unece: 'KGM' },
  liter: { name: 'liter', many: 'liters', unece: 'LTR' },
  lb: { name: 'lb', unece: 'LBR' },
  gal: { name: 'gal', unece: 'GLL' },
  hour: { name: 'hour', many: 'hours', unece: 'HUR' },
  day: { name: 'day', many: 'days', unece: 'DAY' },
  set: { name: 'set', many: 'sets', unece: 'SET' },
  job: { name: 'job', many: 'jobs', unece: 'LS' },
} as const;

type KnownUnit = keyof typeof units;

/** A unit a company counts in that is none of these: a roll, a sheet. Its code says its name, so that it is read anywhere. */
type OwnUnit = `own:${string}`;

export type UnitCode = KnownUnit | OwnUnit;
export const unitCodes = Object.keys(units) as KnownUnit[];

/** What the name of a unit of one’s own may be, as a pattern of its code: 1 to 20 signs. */
export const ownUnitPattern = '^own:[^\\s:;,](?:[^:;,\\r\\n\\t]{0,18}[^\\s:;,])?$';

/** The code of a unit by the name a company gave it. */
export const ownUnit = (name: string): UnitCode => `own:${name.trim()}`;

const ownName = (code: string): string | null => (code.startsWith('own:') ? code.slice(4) : null);

/** The code an e-invoice carries; of a unit of one’s own that of a piece. */
export const uneceOf = (code: string): string =>
  (units as Record<string, { unece: string }>)[code]?.unece ?? units.each.unece;

/** In what lengths and areas are shown, and bare ones typed; a document that does not say is in feet. */
export type Measuring = 'us' | 'metric';

const measuredIn: Readonly<Record<Measuring, readonly UnitCode[]>> = {
  us: ['ft', 'sqft', 'square', 'cuyd', 'bdft', 'lb', 'gal'],
  metric: ['m', 'sqm', 'cum', 'kg', 'liter'],
};

/** All units, those somebody measures in and has of their own before those of others; each can be chosen. */
export const unitsFor = (measuring: Measuring, own: readonly string[] = []): readonly UnitCode[] => {
  const others = measuredIn[measuring === 'us' ? 'metric' : 'us'];
  return [...unitCodes.filter((code) => !others.includes(code)), ...own.map(ownUnit), ...others];
};

/** The names of a company’s own units, and the one that stands there already, where it is none of them (any more). */
export function withOwn(own: readonly string[], standing: string): readonly string[] {
  const name = ownName(standing);
  return name === null || own.includes(name) ? own : [...own, name];
}

/** The unit behind a quantity: 1 hour, 31 hours, 0.5 hour. */
export function unitAfter(quantity: string, code: string): string {
  const unit = (units as Record<string, { name: string; many?: string }>)[code];
  const one = Math.abs(Number(quantity)) <= 1 && Number(quantity) !== 0;
  return unit ? (one ? unit.name : (unit.many ?? unit.name)) : unitName(code);
}

/** One unit, at the beginning of a sentence: “One”, “One sq ft”. */
export const oneUnit = (code: string): string => (code === 'each' ? 'One' : `One ${unitName(code)}`);

/** For each unit, behind an amount: “each”, “per sq ft”. */
export const perUnit = (code: string): string => (code === 'each' ? 'each' : `per ${unitName(code)}`);

/** The unit as a person reads it; an unknown code is shown as it is. */
export function unitName(code: string): string {
  return (units as Record<string, { name: string }>)[code]?.name ?? ownName(code) ?? code;
}
