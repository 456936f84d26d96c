'use client';

import { useMemo, useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import type { InvoiceDraft, WorkRow } from '@/core/billing';
import { BillingError, makeInvoice, NothingToBill, positionOf, workRows } from '@/core/billing';
import { isNothing, writeAmount } from '@/core/number';
import type { BillingAsk } from '@/model';
import type { ByLine } from './BillRows';

/** The ways to bill; each says what it needs. */
export type Path = 'entry' | 'work' | 'amount' | 'rest' | 'release';

export const pathOf = (ask: BillingAsk): Path =>
  'entryId' in ask
    ? 'entry'
    : 'lines' in ask
      ? 'work'
      : 'amount' in ask
        ? 'amount'
        : 'release' in ask
          ? 'release'
          : 'rest';

/** What the invoice would be, or why it cannot be made; nothing asked for yet is neither. */
export interface Bill {
  readonly ask: BillingAsk | null;
  readonly made: InvoiceDraft | null;
  readonly refused: string | null;
  readonly rows: readonly WorkRow[];
}

/** An invoice in work: what is asked for, and what the core makes of it at every key. */
export function useBill({ ledger }: ProgressBilling, first: BillingAsk | null) {
  const [ask, setAsk] = useState<BillingAsk | null>(first);
  const position = useMemo(() => positionOf(ledger), [ledger]);
  const bill = useMemo((): Bill => {
    let made: InvoiceDraft | null = null;
    let refused: string | null = null;
    if (ask)
      try {
        made = makeInvoice(ledger, ask);
      } catch (error) {
        if (!(error instanceof BillingError)) throw error;
        refused = error.message;
      }
    return { ask, made, refused, rows: workRows(ledger, position, made?.draws ?? []) };
  }, [ledger, position, ask]);

  /** Asks for lines beside what is billed of the others now. @throws BillingError where that cannot be */
  const askLines = (asks: readonly ByLine[]) => {
    const named = new Set(asks.map(({ line }) => line));
    const others: ByLine[] =
      ask && 'lines' in ask
        ? ask.lines.filter((each): each is ByLine => 'line' in each && !named.has(each.line))
        : bill.rows
            .filter(({ line, now }) => now !== 0n && !named.has(line.id))
            .map(({ line, now }) => ({
              line: line.id,
              to: { amount: writeAmount(now, ledger.minorDigits) },
            }));
    // Nothing this time is not asked for: asked, a line would come with the cent its tax is to date.
    const wanted = asks.filter(({ to }) => !('amount' in to && isNothing(to.amount)));
    const lines = [...others, ...wanted];
    if (lines.length === 0) setAsk(null);
    else {
      // What cannot be is refused where it was typed, and the table stays as it is.
      try {
        makeInvoice(ledger, { lines });
      } catch (error) {
        if (!(error instanceof NothingToBill)) throw error;
      }
      setAsk({ lines });
    }
  };
  return { bill, position, setAsk, askLines };
}
