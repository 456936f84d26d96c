import type { Choices, ProposalDocument } from '@/model';
import type { Amount } from '../number';
import { computeFigures } from '../price';
import { decidedAlternative, decidedQuantity, isIn, linesOf } from './decided';

/** The same choices with an extra in or out. */
export function withExtra(choices: Choices, lineId: string, taken: boolean, quantity?: string): Choices {
  const before = choices.extras[lineId];
  const kept = quantity ?? before?.quantity;
  return {
    ...choices,
    extras: {
      ...choices.extras,
      [lineId]: kept === undefined ? { in: taken } : { in: taken, quantity: kept },
    },
  };
}

/** The same choices with another alternative picked. */
export function withAlternative(choices: Choices, questionId: string, alternativeId: string): Choices {
  return { ...choices, questions: { ...choices.questions, [questionId]: alternativeId } };
}

export interface ExtraDifference {
  readonly lineId: string;
  readonly in: boolean;
  readonly quantity: string;
  /** Total with it less total without it, tax, discounts and percent fees included. */
  readonly difference: Amount;
}

export interface AlternativeDifference {
  readonly questionId: string;
  readonly alternativeId: string;
  readonly picked: boolean;
  /** Total with it less total now: picking it changes the total by exactly this. */
  readonly difference: Amount;
}

export interface Differences {
  readonly extras: readonly ExtraDifference[];
  readonly alternatives: readonly AlternativeDifference[];
}

/**
 * What each decision would change, each by computing the whole afresh. An extra inside an alternative that is not
 * picked makes no difference now and is left out.
 */
export function differences(document: ProposalDocument, choices: Choices): Differences {
  const now = computeFigures(document, choices).total;
  const totalWith = (other: Choices) => computeFigures(document, other).total;
  const extras: ExtraDifference[] = [];
  const alternatives: AlternativeDifference[] = [];

  for (const section of document.sections) {
    const live = new Set<string>();
    for (const entry of section.entries) {
      if (entry.kind === 'line') live.add(entry.id);
      else {
        const picked = decidedAlternative(entry, choices);
        for (const alternative of entry.alternatives) {
          if (alternative.id === picked) for (const line of alternative.lines) live.add(line.id);
          alternatives.push({
            questionId: entry.id,
            alternativeId: alternative.id,
            picked: alternative.id === picked,
            difference: (alternative.id === picked
              ? 0n
              : totalWith(withAlternative(choices, entry.id, alternative.id)) - now) as Amount,
          });
        }
      }
    }
    for (const line of linesOf(section)) {
      if (!line.extra || !live.has(line.id)) continue;
      const taken = isIn(line, choices);
      const other = totalWith(withExtra(choices, line.id, !taken));
      extras.push({
        lineId: line.id,
        in: taken,
        quantity: decidedQuantity(line, choices),
        difference: (taken ? now - other : other - now) as Amount,
      });
    }
  }
  return { extras, alternatives };
}
