import type { Choices, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { roundFigures, roundLimits, settlement, standings, termsOf } from '../allowance';
import { moneyOf, sumAmounts } from '../number';
import { computeFigures, setAside } from '../price';

/**
 * Every allowance that is in under the choices, as plain JSON: what it adds to the price, what may be spent, and its
 * rounds one after the other. What is picked in a round is named by its id in `choices`, beside the choices of the
 * proposal; what is not named stands as suggested.
 */
export function allowancesReport(document: ProposalDocument, choices: Choices = asSuggested) {
  const figures = computeFigures(document, choices);
  const { minorDigits } = figures;
  const money = moneyOf(minorDigits);
  return figures.sections.flatMap(({ lines }) =>
    lines.flatMap((figure) => {
      const { line, included, quantity, net } = figure;
      const { allowance } = line;
      if (!allowance || !included) return [];
      const scale = { quantity, minorDigits };
      const spend = setAside(figure);
      const terms = termsOf(allowance, spend);
      const chosen = allowance.rounds.map((round) => roundFigures(round, choices, scale).chosen);
      const stands = standings(terms, chosen);
      return [
        {
          id: line.id,
          description: line.description,
          rule: allowance.rule,
          price: money.write(net),
          spend: money.write(spend),
          rounds: allowance.rounds.map((round, i) => {
            const { least, most } = roundLimits(round, scale);
            const { toDate, left, adjustment } = stands[i]!;
            return {
              id: round.id,
              name: round.name,
              ...(round.due ? { due: round.due } : {}),
              least: money.write(least),
              most: money.write(most),
              chosen: money.write(chosen[i]!),
              toDate: money.write(toDate),
              left: money.write(left),
              adjustment: money.write(adjustment),
            };
          }),
          chosen: money.write(sumAmounts(chosen)),
          settlement: money.write(settlement(terms, chosen)),
        },
      ];
    }),
  );
}
