import { useState } from 'react';
import type { ProgressBilling } from '@/services/billing/progressBilling';
import { isNothing } from '@/core/number';
import { readPartOf } from '@/core/quantity';
import type { AttachInput, BillingAsk, DraftInput, InvoiceShows, IssueInput } from '@/model';
import { useKeptDraft } from '@/ui/kept/useKeptDraft';
import type { Path } from './useBill';
import { pathOf, useBill } from './useBill';

/** How an invoice is sent as it is issued, and when it is due. */
export interface TypedLetter {
  readonly send: boolean;
  readonly to: string;
  readonly words: string;
  /** Null: on the usual day. */
  readonly dueOn: string | null;
  /** What goes with it; what was kept before this was asked has nothing. */
  readonly attach?: AttachInput;
}

/** What is typed on an invoice in work, beside what is asked for. */
interface Typed {
  readonly letter: TypedLetter;
  readonly path: Path;
  readonly amount: string;
  readonly title: string;
  readonly remark: string;
  readonly shows: InvoiceShows;
}

/**
 * An invoice in work: by which path it is billed, what is asked for and what the core makes of it, and the words on the
 * paper. Kept in the browser until it is issued or kept as a draft.
 * @param start what a link asks to bill; it stands over what was begun before
 */
export function useBillDraft(work: ProgressBilling, start: BillingAsk | null) {
  const digits = work.ledger.minorDigits;
  const first = start ?? work.draft?.what ?? null;
  const { bill, position, setAsk, askLines } = useBill(work, first);
  const [typed, setTyped] = useState<Typed>({
    path: first ? pathOf(first) : 'work',
    amount: first && 'amount' in first ? first.amount : '',
    title: work.draft?.title ?? '',
    remark: work.draft?.remark ?? '',
    shows: work.draft?.shows ?? work.layout,
    letter: { send: work.letter.to !== '', to: work.letter.to, words: work.letter.words, dueOn: null },
  });
  const [amountWrong, setAmountWrong] = useState<string | null>(null);
  const [back, setBack] = useState(false);
  const type = (patch: Partial<Typed>) => setTyped((before) => ({ ...before, ...patch }));
  const done = useKeptDraft(`bill ${work.id}`, { ask: bill.ask, ...typed }, ({ ask, ...kept }) => {
    if (start) return;
    // What was kept before letters were sent with it has none.
    setTyped((before) => ({ ...before, ...kept }));
    setAsk(ask);
    setBack(true);
  });

  /** Bills by another path. By work one goes on from what stands there: the figures of another path can be changed. */
  const take = (path: Path) => {
    // The words of a draft are about what it billed.
    type({ path, ...(path !== typed.path && typed.title === work.draft?.title ? { title: '' } : {}) });
    if (path === 'rest') setAsk({ rest: true });
    else if (path === 'release') setAsk({ release: 'all' });
    else if (path === 'entry') setAsk(work.entriesLeft[0] ? { entryId: work.entriesLeft[0].id } : null);
    else if (path === 'amount') setAsk(typed.amount ? { amount: typed.amount } : null);
  };
  const typeAmount = (text: string) => {
    type({ amount: text });
    try {
      const value = readPartOf(
        text.trim() || '0',
        typed.path === 'release' ? position.heldGross : position.sumToDate,
        digits,
      );
      setAmountWrong(null);
      const ask = typed.path === 'release' ? { release: value } : { amount: value };
      setAsk(isNothing(value) ? null : ask);
    } catch (error) {
      setAmountWrong((error as Error).message);
      setAsk(null);
    }
  };
  const { title, shows, remark } = typed;
  return {
    bill,
    position,
    setAsk,
    askLines,
    typed,
    type,
    take,
    typeAmount,
    amountWrong,
    back,
    done,
    /** As it is issued or kept. */
    asInput: (): DraftInput => ({
      agreementId: work.id,
      what: bill.ask!,
      title: title.trim(),
      shows,
      remark,
    }),
    /** What is said of it besides, as it is issued: the day it is due, and the letter. A credit note has neither. */
    asSent: (): Pick<IssueInput, 'dueOn' | 'send'> => {
      if (bill.made?.kind === 'credit note') return {};
      const { send, to, words, dueOn, attach = {} } = typed.letter;
      return {
        ...(dueOn === null ? {} : { dueOn }),
        ...(send ? { send: { to: to.trim(), words: words.trim(), attach } } : {}),
      };
    },
  };
}

export type BillDraft = ReturnType<typeof useBillDraft>;
