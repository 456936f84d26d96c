import type { Ratio } from '../number';

/** A formula or a quantity cannot be read or computed: a sentence for people, and its place in the text from 0. */
export class FormulaError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
    this.name = 'FormulaError';
  }
}

/** The only functions there are. */
export const functionNames = ['ceil', 'floor', 'round', 'min', 'max', 'if'] as const;
export type FunctionName = (typeof functionNames)[number];

export type Comparison = '<' | '<=' | '>' | '>=' | '=' | '!=';

/** What a text means; `at` is where it stands. */
export type Tree =
  /** `exponent` 1 for a length written with its unit (in feet), 2 an area, 3 a volume, 0 for a bare number. */
  | { readonly kind: 'number'; readonly at: number; readonly value: Ratio; readonly exponent: number }
  | { readonly kind: 'text'; readonly at: number; readonly value: string }
  | { readonly kind: 'name'; readonly at: number; readonly name: string }
  | { readonly kind: 'negative'; readonly at: number; readonly of: Tree }
  | {
      readonly kind: 'arithmetic';
      readonly at: number;
      readonly sign: '+' | '-' | '*' | '/';
      readonly left: Tree;
      readonly right: Tree;
    }
  | {
      readonly kind: 'comparison';
      readonly at: number;
      readonly sign: Comparison;
      readonly left: Tree;
      readonly right: Tree;
    }
  | {
      readonly kind: 'call';
      readonly at: number;
      readonly name: FunctionName;
      readonly args: readonly Tree[];
    };

/** Every name a formula uses, with the first place of each. */
export function namesIn(tree: Tree, found = new Map<string, number>()): ReadonlyMap<string, number> {
  switch (tree.kind) {
    case 'name':
      if (!found.has(tree.name)) found.set(tree.name, tree.at);
      break;
    case 'negative':
      namesIn(tree.of, found);
      break;
    case 'arithmetic':
    case 'comparison':
      namesIn(tree.left, found);
      namesIn(tree.right, found);
      break;
    case 'call':
      for (const arg of tree.args) namesIn(arg, found);
      break;
    default:
  }
  return found;
}
