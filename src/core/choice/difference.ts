import type { Bundle, Choices, Line, ProposalDocument } from '@/model';
import type { Amount } from '../number';
import { computeFigures } from '../price';
import { decidedAlternative, isIn } from './decided';

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
  /** A line or a bundle. */
  readonly lineId: string;
  readonly in: boolean;
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

  const weigh = (extra: Pick<Line | Bundle, 'id' | 'extra'>) => {
    if (!extra.extra) return;
    const taken = isIn(extra, choices);
    const other = totalWith(withExtra(choices, extra.id, !taken));
    extras.push({
      lineId: extra.id,
      in: taken,
      difference: (taken ? now - other : other - now) as Amount,
    });
  };

  for (const section of document.sections)
    for (const entry of section.entries) {
      if (entry.kind !== 'question') {
        weigh(entry);
        continue;
      }
      const picked = decidedAlternative(entry, choices);
      for (const alternative of entry.alternatives) {
        if (alternative.id === picked) alternative.lines.forEach(weigh);
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
  return { extras, alternatives };
}
