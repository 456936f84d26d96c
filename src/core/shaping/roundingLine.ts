import type { Choices, Line, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import type { Amount } from '../number';
import { writeAmount } from '../number';
import { computeFigures } from '../price';

/**
 * A one-off line that takes the total to a target that no price can meet: by itself, at no cost, in the tax class in
 * which it comes out exactly; null where none does. Negative differences are minus one of a price.
 *
 * @param missing target less the total there is
 * @param id identity of the line
 */
export function roundingLine(
  document: ProposalDocument,
  missing: Amount,
  id: string,
  choices: Choices = asSuggested,
): Line | null {
  const { total, minorDigits } = computeFigures(document, choices);
  const last = document.sections.at(-1);
  if (missing === 0n || !last) return null;
  const size = missing < 0n ? -missing : missing;
  // Tax, a discount or a fee by percent can make a little more or less of what is put in.
  const sizes = Array.from({ length: 41 }, (_, i) => size + BigInt(i % 2 === 0 ? i / 2 : -(i + 1) / 2));
  const untaxedFirst = [...document.taxClasses].sort((a, b) => a.components.length - b.components.length);
  for (const taxClass of untaxedFirst)
    for (const each of sizes) {
      if (each <= 0n) continue;
      const line: Line = {
        kind: 'line',
        id,
        description: 'Rounding',
        unit: 'job',
        quantity: missing < 0n ? '-1' : '1',
        costs: [],
        heldPrice: writeAmount(each as Amount, minorDigits),
        taxClass: taxClass.id,
      };
      const tried = {
        ...document,
        sections: [...document.sections.slice(0, -1), { ...last, entries: [...last.entries, line] }],
      };
      if (computeFigures(tried, choices).total === total + missing) return line;
    }
  return null;
}

/** The document with a line behind all others, in its last section. */
export function withLineAtEnd(document: ProposalDocument, line: Line): ProposalDocument {
  const last = document.sections.at(-1);
  if (!last) return document;
  const sections = [...document.sections.slice(0, -1), { ...last, entries: [...last.entries, line] }];
  return { ...document, sections };
}
