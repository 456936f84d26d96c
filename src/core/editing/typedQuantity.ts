import { measuringOf } from '../space';
import type { Draft } from 'immer';
import { current, isDraft } from 'immer';
import type { Line, ProposalDocument, Section, UnitCode } from '@/model';
import type { Scope } from '../formula';
import { formulaQuantity, knownFormula, namesIn } from '../formula';
import { writeFixed } from '../number';
import { measuresOf } from '../plan';
import { parseQuantity } from '../quantity/parseQuantity';
import { surroundingsIn } from '../space';

/** What a typed quantity is: a number, kept with its text where that says more, or a formula to follow. */
export interface TypedQuantity {
  readonly quantity: string;
  readonly quantityTyped?: string;
  readonly formula?: string;
}

/**
 * Reads a typed quantity. Text that uses a name is a formula; its value now is kept beside it.
 * @throws FormulaError for text that is neither, or a formula that comes to nothing here
 */
export function readTyped(typed: string, unit: UnitCode, scope: Scope): TypedQuantity {
  const text = typed.trim();
  const byName = /[A-Za-z_]{2,}/.test(text) && namesIn(knownFormula(text)).size > 0;
  if (byName) return { quantity: writeFixed(formulaQuantity(text, unit, scope)), formula: text };
  // A function without a name is computed once: there is nothing to follow.
  const calls = /[a-z]\s*\(/.test(text);
  const quantity = writeFixed(calls ? formulaQuantity(text, unit, scope) : parseQuantity(text, 3, { unit }));
  return text.replace(/,/g, '') === quantity ? { quantity } : { quantity, quantityTyped: text };
}

/** What the formulas of a section, or of one of its lines, see, also while it is edited. */
export function scopeOf(document: ProposalDocument, section: Section, line?: Line): Scope {
  const plain = <Part extends object>(part: Part): Part =>
    isDraft(part) ? (current(part as Draft<Part>) as Part) : part;
  const { measures, plans, rooms } = document;
  const { space, room } = section;
  return surroundingsIn(
    {
      measuring: measuringOf(document),
      rooms: rooms && plain(rooms),
      measures: measuresOf({
        ...(measures === undefined ? {} : { measures: plain(measures) }),
        ...(plans === undefined ? {} : { plans: plain(plans) }),
      }),
    },
    { ...(space ? { space: plain(space) } : {}), ...(room === undefined ? {} : { room }) },
    line,
  ).scope;
}
