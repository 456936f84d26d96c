import type { Ratio } from '../number';
import {
  compared,
  divideRounded,
  integer,
  negative,
  plus,
  powerOfTen,
  reduced,
  times,
  wholeBelow,
} from '../number';
import type { Comparison, Tree } from './tree';
import { FormulaError } from './tree';
import type { NumberValue, Value } from './value';
import { dimensionName, numberValue } from './value';
import { capital } from '../text/capital';

/**
 * Looks a name up. Undefined: there is no such name. A text: the name is there, but cannot be computed, and why.
 */
export type Scope = (name: string) => Value | { readonly trouble: string } | undefined;

/** Past this an intermediate result is no size of anything that is built. */
const LARGEST = 1n << 4096n;

const bounded = (ratio: Ratio, at: number): Ratio => {
  if (ratio.bottom > LARGEST || ratio.top > LARGEST || ratio.top < -LARGEST)
    throw new FormulaError('That is too large.', at);
  return ratio;
};

function asNumber(value: Value, at: number): NumberValue {
  if (value.kind === 'number') return value;
  throw new FormulaError(
    value.kind === 'text'
      ? `“${value.text}” is a text, but a number is wanted here.`
      : 'This is a yes or no, but a number is wanted here.',
    at,
  );
}

/** Both of one dimension, or one of them a bare number that takes the other's. */
function alike(left: NumberValue, right: NumberValue, at: number, act: string): NumberValue {
  if (left.firm && right.firm && left.exponent !== right.exponent)
    throw new FormulaError(
      `${capital(dimensionName(left.exponent))} and ${dimensionName(right.exponent)} cannot be ${act}.`,
      at,
    );
  return left.firm ? left : right;
}
const holds = (sign: Comparison, order: bigint): boolean => {
  if (sign === '=') return order === 0n;
  if (sign === '!=') return order !== 0n;
  if (sign === '<') return order < 0n;
  if (sign === '<=') return order <= 0n;
  return sign === '>' ? order > 0n : order >= 0n;
};

function compare(tree: Extract<Tree, { kind: 'comparison' }>, scope: Scope): Value {
  const left = evaluate(tree.left, scope);
  const right = evaluate(tree.right, scope);
  const { sign, at } = tree;
  if (left.kind === 'number' && right.kind === 'number') {
    alike(left, right, at, 'compared');
    return { kind: 'truth', truth: holds(sign, compared(left.ratio, right.ratio)) };
  }
  if (left.kind !== right.kind || (sign !== '=' && sign !== '!='))
    throw new FormulaError('These two cannot be compared.', at);
  const same =
    left.kind === 'text' && right.kind === 'text'
      ? left.text.trim().toLowerCase() === right.text.trim().toLowerCase()
      : left.kind === 'truth' && right.kind === 'truth' && left.truth === right.truth;
  return { kind: 'truth', truth: (sign === '=') === same };
}

function rounded(ratio: Ratio, places: number): Ratio {
  return reduced(divideRounded(ratio.top * powerOfTen(places), ratio.bottom), powerOfTen(places));
}

function call(tree: Extract<Tree, { kind: 'call' }>, scope: Scope): Value {
  const { name, args, at } = tree;
  if (name === 'if') {
    const condition = evaluate(args[0]!, scope);
    const met = condition.kind === 'truth' ? condition.truth : asNumber(condition, at).ratio.top !== 0n;
    return evaluate(args[met ? 1 : 2]!, scope);
  }
  const values = args.map((arg) => asNumber(evaluate(arg, scope), arg.at));
  if (name === 'min' || name === 'max')
    return values.reduce((best, next) => {
      const { exponent, firm } = alike(best, next, at, 'set against each other');
      const order = compared(next.ratio, best.ratio);
      return numberValue(
        (name === 'min' ? order < 0n : order > 0n) ? next.ratio : best.ratio,
        exponent,
        firm,
      );
    });
  const { ratio, exponent } = values[0]!;
  // What is rounded to whole pieces is a count, or a length in whole feet: it may be taken as either.
  if (name === 'floor') return numberValue(integer(wholeBelow(ratio)), exponent, false);
  if (name === 'ceil') return numberValue(integer(-wholeBelow(negative(ratio))), exponent, false);
  const places = values[1]?.ratio ?? integer(0n);
  if (places.bottom !== 1n || places.top < 0n || places.top > 6n)
    throw new FormulaError('“round” rounds to 0 to 6 places.', args[1]?.at ?? at);
  return numberValue(rounded(ratio, Number(places.top)), exponent, false);
}

function arithmetic(tree: Extract<Tree, { kind: 'arithmetic' }>, scope: Scope): Value {
  const left = asNumber(evaluate(tree.left, scope), tree.left.at);
  const right = asNumber(evaluate(tree.right, scope), tree.right.at);
  const { sign, at } = tree;
  if (sign === '+' || sign === '-') {
    const { exponent, firm } = alike(left, right, at, sign === '+' ? 'added' : 'subtracted');
    return numberValue(
      bounded(plus(left.ratio, sign === '+' ? right.ratio : negative(right.ratio)), at),
      exponent,
      firm,
    );
  }
  // A bare number scales and leaves the dimension as it is.
  const firm = left.firm || right.firm;
  if (sign === '*')
    return numberValue(bounded(times(left.ratio, right.ratio), at), left.exponent + right.exponent, firm);
  if (right.ratio.top === 0n) throw new FormulaError('Division by zero.', at);
  return numberValue(
    bounded(times(left.ratio, reduced(right.ratio.bottom, right.ratio.top)), at),
    left.exponent - right.exponent,
    firm,
  );
}

/**
 * Computes a formula exactly. It reaches nothing but what the scope answers, and its work is bounded by its length.
 * @throws FormulaError with a sentence and the place: unknown names, dimensions that do not fit, division by zero
 */
export function evaluate(tree: Tree, scope: Scope): Value {
  switch (tree.kind) {
    case 'number':
      return numberValue(tree.value, tree.exponent, tree.exponent !== 0);
    case 'text':
      return { kind: 'text', text: tree.value };
    case 'name': {
      const found = scope(tree.name);
      if (found === undefined) throw new FormulaError(`“${tree.name}” is not known here.`, tree.at);
      if ('trouble' in found) throw new FormulaError(found.trouble, tree.at);
      return found;
    }
    case 'negative': {
      const of = asNumber(evaluate(tree.of, scope), tree.of.at);
      return { ...of, ratio: negative(of.ratio) };
    }
    case 'arithmetic':
      return arithmetic(tree, scope);
    case 'comparison':
      return compare(tree, scope);
    case 'call':
      return call(tree, scope);
  }
}
