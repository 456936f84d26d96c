import type { Transaction } from '@/data/connection';
import { writeAmount } from '@/core/number';
import { businessDate } from '../actor';
import type { AllowancesShown } from '../agreements/allowances';
import { allowancesOf } from '../agreements/allowances';
import { changesOf } from '../agreements/change';
import { loadAgreement } from '../agreements/money';
import { moneyOf } from '../agreements/read';

/** A signed agreement as the customer sees it: what is agreed, billed and paid, changed and still to be chosen. */
export interface AgreedShown {
  readonly acceptedOn: string;
  readonly signerName: string;
  readonly sha256: string;
  readonly standing: ReturnType<typeof moneyOf>['standing'];
  readonly track: ReturnType<typeof moneyOf>['track'];
  readonly invoices: readonly {
    readonly id: string;
    readonly number: number;
    readonly title: string;
    readonly total: string;
    readonly open: string;
    readonly dueOn: string;
  }[];
  /** A deposit that is not paid yet. */
  readonly depositDue: string | null;
  readonly original: string;
  /** Change orders that were sent; the id leads to them behind the link. */
  readonly changes: readonly {
    readonly id: string;
    readonly number: number;
    readonly title: string;
    readonly total: string;
    readonly state: 'signed' | 'waiting' | 'closed';
  }[];
  readonly allowances: AllowancesShown | null;
}

/** An agreement as the booklet shows it. */
export async function agreementForCustomer(
  tx: Transaction,
  agreementId: string,
  timeZone: string,
  today: string,
): Promise<AgreedShown> {
  const loaded = await loadAgreement(tx, agreementId);
  const changes = await changesOf(tx, agreementId, today);
  const { standing, track } = moneyOf(loaded);
  const deposits = loaded.payments.filter(({ kind, due }) => kind === 'deposit' && due.on === 'acceptance');
  const openDeposit = deposits.find(({ entryId }) => {
    const billed = loaded.invoices.find((each) => each.entryId === entryId);
    return !billed || billed.paid < billed.amount;
  });
  const billedDeposit = openDeposit && loaded.invoices.find((each) => each.entryId === openDeposit.entryId);
  return {
    acceptedOn: businessDate(loaded.head.acceptedAt, timeZone),
    signerName: loaded.head.signerName,
    sha256: loaded.head.revisionSha256,
    standing,
    track,
    original: loaded.head.total,
    changes: changes
      .filter(({ sent }) => sent)
      .map(({ id, number, title, total, state }) => ({
        id,
        number,
        title,
        total,
        state:
          state === 'accepted'
            ? ('signed' as const)
            : state === 'sent'
              ? ('waiting' as const)
              : ('closed' as const),
      })),
    allowances: await allowancesOf(tx, loaded, { timeZone, today, forCustomer: true }),
    invoices: loaded.invoices.map((each) => ({
      id: each.id,
      number: each.number,
      title: each.title,
      total: each.total,
      open: writeAmount((each.amount - each.paid) as never, loaded.digits),
      dueOn: each.dueOn,
    })),
    depositDue: openDeposit
      ? writeAmount(
          (billedDeposit ? billedDeposit.amount - billedDeposit.paid : openDeposit.amount) as never,
          loaded.digits,
        )
      : null,
  };
}
