import type { BundleInput, Measuring } from '@/model';
import type { Scope, Value } from '../formula';
import { FormulaError, dimensionName, evaluate, knownFormula, numberValue, toPlaces } from '../formula';
import type { Fixed, Ratio } from '../number';
import { compared, integer, parseFixed, reduced, showQuantity, times } from '../number';
import { sizeInWords } from '../space';

/** Where the value of an input comes from. */
export type InputSource = 'typed' | 'space' | 'default';

export interface SizedInput {
  readonly input: BundleInput;
  readonly source: InputSource;
  /** The text that was computed. */
  readonly text: string;
  readonly value: Value | null;
  readonly trouble: { readonly message: string; readonly at: number } | null;
}

const exponents = { number: 0, count: 0, length: 1, area: 2 } as const;
const fixedRatio = (fixed: Fixed) => reduced(fixed, 1_000_000n);

function limited(input: BundleInput, value: Ratio, measuring: Measuring): void {
  const exponent = input.kind === 'length' ? 1 : input.kind === 'area' ? 2 : 0;
  const within = (limit: string | undefined, wrong: (order: bigint) => boolean, words: string) => {
    if (limit === undefined) return;
    const bound = fixedRatio(parseFixed(limit));
    if (wrong(compared(value, bound)))
      throw new FormulaError(`${words} ${sizeInWords(bound, exponent, measuring)}.`, 0);
  };
  within(input.minimum, (order) => order < 0n, 'At least');
  within(input.maximum, (order) => order > 0n, 'At most');
}

function choose(input: BundleInput, text: string): Value {
  const wanted = text.trim().toLowerCase();
  if (input.kind === 'yesno') {
    if (['yes', 'y', 'true', '1'].includes(wanted)) return { kind: 'truth', truth: true };
    if (['no', 'n', 'false', '0', ''].includes(wanted)) return { kind: 'truth', truth: false };
    throw new FormulaError('Yes or no.', 0);
  }
  const found = input.options?.find((option) => option.trim().toLowerCase() === wanted);
  if (found === undefined) throw new FormulaError(`One of ${(input.options ?? []).join(', ')}.`, 0);
  return { kind: 'text', text: found };
}

/**
 * Reads an input: a quantity or a formula over the surroundings; whole for a count; within its limits. It stays exact:
 * 16 in is 4/3 ft, so that 16 ft have twelve spacings and not a little more.
 * @throws FormulaError with a sentence
 */
function read(input: BundleInput, text: string, scope: Scope, measuring: Measuring): Value {
  if (input.kind === 'yesno' || input.kind === 'oneof') return choose(input, text);
  const value = evaluate(knownFormula(text), scope);
  if (value.kind !== 'number') throw new FormulaError('A number is wanted here.', 0);
  const exponent = exponents[input.kind];
  if (value.firm && value.exponent !== exponent && !(input.kind === 'number'))
    throw new FormulaError(
      `This comes to ${dimensionName(value.exponent)}, but ${dimensionName(exponent)} is wanted.`,
      0,
    );
  if (input.kind === 'count' && value.ratio.bottom !== 1n) throw new FormulaError('A whole number.', 0);
  limited(input, value.ratio, measuring);
  return numberValue(value.ratio, exponent);
}

/** An input as it stands: typed, else sized by the section's space where that has what it takes, else its default. */
export function sizeInput(
  input: BundleInput,
  typed: string | undefined,
  scope: Scope,
  hasSpace: boolean,
  measuring: Measuring = 'us',
): SizedInput {
  const fromSpace = hasSpace ? input.fromSpace : undefined;
  const source = typed !== undefined ? 'typed' : fromSpace !== undefined ? 'space' : 'default';
  const text = typed ?? fromSpace ?? input.default;
  try {
    return { input, source, text, value: read(input, text, scope, measuring), trouble: null };
  } catch (error) {
    if (!(error instanceof FormulaError)) throw error;
    return { input, source, text, value: null, trouble: { message: error.message, at: error.at } };
  }
}

/**
 * A length as a carpenter says it: “16 in”, “12 ft 6 in”, “2 ft 5 5/8 in”; in decimal feet past sixteenths of an inch.
 * @param feet exact
 */
export function showLength(feet: Ratio): string {
  const sixteenths = times(feet, integer(192n));
  if (sixteenths.bottom !== 1n) return `${showQuantity(toPlaces(feet, 3))} ft`;
  const all = sixteenths.top < 0n ? -sixteenths.top : sixteenths.top;
  const sign = sixteenths.top < 0n ? '−' : '';
  // Up to two feet, inches alone are what is said.
  const whole = all < 384n && all % 192n !== 0n ? 0n : all / 192n;
  const rest = all - whole * 192n;
  const inches = rest / 16n;
  let [top, bottom] = [rest % 16n, 16n];
  while (top !== 0n && top % 2n === 0n) [top, bottom] = [top / 2n, bottom / 2n];
  const parts = [
    whole > 0n ? `${whole} ft` : '',
    inches > 0n || top > 0n
      ? `${inches > 0n ? `${inches}${top > 0n ? ' ' : ''}` : ''}${top > 0n ? `${top}/${bottom}` : ''} in`
      : '',
  ].filter(Boolean);
  return sign + (parts.join(' ') || '0 ft');
}

/** A value in words for the customer: “12 ft 6 in”, “180 sq ft”, “4”, “yes”, “Cedar”; “3.81 m” where that is the measure. */
export function showValue(value: Value, measuring: Measuring): string {
  if (value.kind === 'text') return value.text;
  if (value.kind === 'truth') return value.truth ? 'yes' : 'no';
  if (value.exponent === 1 && measuring === 'us') return showLength(value.ratio);
  return sizeInWords(value.ratio, value.exponent, measuring);
}
