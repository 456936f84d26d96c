import { asc, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { selectionRound, signing } from '../schema';
import { allowanceInWords } from '@/core/allowance';
import { moneyOf, sumAmounts, writeFixed } from '@/core/number';
import type { Allowance, Choices, ProposalDocument, SelectionRound, TaxClass, UnitCode } from '@/model';
import { businessDate } from '@/core/calendar';
import type { LoadedAgreement } from '@/core/billing';
import { signedRounds, standingOfAllowance } from './settling';

/** A round as both sides see it. Amounts as decimal text, in the measure of the allowance's rule. */
export interface RoundShown {
  readonly id: string;
  readonly document: SelectionRound;
  readonly saveNumber: number;
  readonly state: 'prepared' | 'offered' | 'withdrawn' | 'signed';
  /** What is picked so far, or was signed. */
  readonly choices: Choices;
  readonly late: boolean;
  readonly signed: {
    readonly on: string;
    readonly by: string;
    readonly sha256: string;
    readonly chosen: string;
    readonly left: string;
    /** What it changes of the price. */
    readonly adjustment: string;
  } | null;
}

/** What of the terms is the customer's business: a fee only where their selections carry it. */
export type PublicTerms = Pick<Allowance, 'rule' | 'feeOnRest'> & { readonly fee: string };

const publicTerms = ({ rule, fee, feeOnRest }: Omit<Allowance, 'rounds'>): PublicTerms => ({
  rule,
  fee: rule === 'at cost, fee on the excess' ? fee : '0',
  ...(feeOnRest ? { feeOnRest } : {}),
});

/** An allowance of an agreement: what was set aside, what is chosen, what is left or over. Nothing in it is internal. */
export interface AllowanceShown {
  readonly lineId: string;
  readonly description: string;
  readonly section: string;
  readonly unit: UnitCode;
  readonly quantity: string;
  readonly taxClass: string;
  readonly terms: PublicTerms;
  readonly words: string;
  readonly spend: string;
  readonly chosen: string;
  /** Below zero: exceeded. */
  readonly left: string;
  /** What settling it now changes of the price. */
  readonly due: string;
  /** The change order that settled it; then nothing is left of it. */
  readonly settledBy: number | null;
  readonly rounds: readonly RoundShown[];
}

/** How what selections add to the price is taxed: as the document says that was signed. */
export interface AllowanceTaxes {
  readonly taxClasses: readonly TaxClass[];
  readonly tax: ProposalDocument['tax'] | null;
}

export interface AllowancesShown {
  readonly each: readonly AllowanceShown[];
  /** Over all that are not settled. */
  readonly spend: string;
  readonly chosen: string;
  readonly left: string;
  readonly due: string;
}

/** The allowances of an agreement with their rounds; for the customer only those they were asked in. */
export async function allowancesOf(
  tx: Transaction,
  loaded: LoadedAgreement,
  { timeZone, today, forCustomer }: { timeZone: string; today: string; forCustomer: boolean },
): Promise<AllowancesShown | null> {
  if (loaded.allowances.length === 0) return null;
  const { digits } = loaded;
  const money = moneyOf(digits);
  const signed = await signedRounds(tx, loaded);
  const rows = await tx
    .select()
    .from(selectionRound)
    .where(eq(selectionRound.agreementId, loaded.head.id))
    .orderBy(asc(selectionRound.createdAt), asc(selectionRound.id));
  const papers = await tx.select().from(signing).where(eq(signing.agreementId, loaded.head.id));

  const stands = loaded.allowances.map(({ lineId }) => standingOfAllowance(loaded, lineId, signed));
  const each = loaded.allowances.map(({ lineId }, i): AllowanceShown => {
    const line = loaded.lines.find(({ id }) => id === lineId)!;
    const stand = stands[i]!;
    const change = loaded.changes.find(({ id }) => id === stand.settled?.changeOrderId);
    return {
      lineId,
      description: line.description,
      section: line.sectionTitle,
      unit: line.unit,
      quantity: writeFixed(line.quantity),
      taxClass: line.taxClass,
      terms: publicTerms(stand.terms),
      words: allowanceInWords(stand.terms, stand.spend, digits),
      spend: money.write(stand.spend),
      chosen: money.write(stand.chosen),
      left: money.write(stand.settled ? 0n : stand.left),
      due: money.write(stand.settled ? 0n : stand.due),
      settledBy: change?.number ?? null,
      rounds: rows
        .filter((row) => row.lineId === lineId)
        .map((row): RoundShown => {
          const done = stand.rounds.find(({ roundId }) => roundId === row.id);
          const paper =
            done && papers.find(({ kind, subject }) => kind === 'selections' && subject === done.id);
          return {
            id: row.id,
            document: done?.document ?? row.document,
            saveNumber: row.saveNumber,
            state: done ? 'signed' : row.state,
            choices: done?.choices ?? row.choices,
            late: !done && row.state === 'offered' && !!row.document.due && row.document.due < today,
            signed:
              done && paper
                ? {
                    on: businessDate(done.signedAt, timeZone),
                    by: paper.signerName,
                    sha256: paper.sha256,
                    chosen: money.write(done.chosen),
                    left: money.write(done.left),
                    adjustment: money.write(done.adjustment),
                  }
                : null,
          };
        })
        .filter(({ state }) => !forCustomer || state === 'offered' || state === 'signed'),
    };
  });
  const open = stands.filter(({ settled }) => !settled);
  return {
    each,
    spend: money.write(sumAmounts(open.map(({ spend }) => spend))),
    chosen: money.write(sumAmounts(open.map(({ chosen }) => chosen))),
    left: money.write(sumAmounts(open.map(({ left }) => left))),
    due: money.write(sumAmounts(open.map(({ due }) => due))),
  };
}
