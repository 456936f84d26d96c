import { asc, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { selection } from '../schema';
import { settlement, standings, termsOf } from '@/core/allowance';
import { linesOf } from '@/core/choice';
import type { Amount } from '@/core/number';
import { parseAmount, showAmount, subtractAmounts } from '@/core/number';
import { computeFigures } from '@/core/price';
import type { ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { Problem } from '@/model/problem';
import type { LoadedAgreement } from '@/core/billing';

/** The signed rounds of an agreement, in the order of signature. */
export async function signedRounds(tx: Transaction, loaded: LoadedAgreement) {
  const rows = await tx
    .select()
    .from(selection)
    .where(eq(selection.agreementId, loaded.head.id))
    .orderBy(asc(selection.position));
  return rows.map((row) => ({ ...row, chosen: parseAmount(row.chosen, loaded.digits) }));
}

export type SignedRound = Awaited<ReturnType<typeof signedRounds>>[number];

/**
 * Where an allowance of an agreement stands.
 * @throws Problem `no-such-allowance`
 */
export function standingOfAllowance(loaded: LoadedAgreement, lineId: string, rounds: readonly SignedRound[]) {
  const found = loaded.allowances.find((each) => each.lineId === lineId);
  if (!found) throw new Problem('no-such-allowance', 'There is no such allowance in the agreement.');
  const terms = termsOf(found.terms, found.spend);
  const own = rounds.filter((each) => each.lineId === lineId);
  const amounts = own.map(({ chosen }) => chosen);
  const stands = standings(terms, amounts);
  const adjustments = stands.reduce((sum, { adjustment }) => sum + adjustment, 0n);
  const settled = loaded.lines.find(({ settles }) => settles === lineId) ?? null;
  const chosen = amounts.reduce((sum, each) => sum + each, 0n) as Amount;
  return {
    terms: found.terms,
    spend: found.spend,
    chosen,
    left: subtractAmounts(found.spend, chosen),
    rounds: own.map((round, i) => ({ ...round, ...stands[i]! })),
    /** What settling it now would change of the price. */
    due: (adjustments + settlement(terms, amounts)) as Amount,
    settled,
  };
}

/**
 * Refuses where a change order settles an allowance that is settled already, or whose selections came to something else
 * when it was written.
 * @throws Problem `allowance-changed`, `allowance-settled`
 */
export async function refuseUnsettled(
  tx: Transaction,
  loaded: LoadedAgreement,
  document: ProposalDocument,
): Promise<void> {
  const settling = document.sections.flatMap((section) =>
    [...linesOf(section)].flatMap((line) => (line.settles === undefined ? [] : [line])),
  );
  if (settling.length === 0) return;
  const rounds = await signedRounds(tx, loaded);
  const figures = computeFigures(document, asSuggested);
  const byId = new Map(figures.sections.flatMap(({ lines }) => lines.map((each) => [each.line.id, each])));
  for (const line of settling) {
    const stand = standingOfAllowance(loaded, line.settles!, rounds);
    const name = loaded.lines.find(({ id }) => id === line.settles)!.description;
    if (stand.settled) throw new Problem('allowance-settled', `“${name}” is settled already.`);
    if (byId.get(line.id)!.gross !== stand.due)
      throw new Problem(
        'allowance-changed',
        `“${name}”: what was chosen changed since this was written; the difference is ${showAmount(stand.due, loaded.digits)} now. We will send you a fresh one.`,
      );
  }
}
