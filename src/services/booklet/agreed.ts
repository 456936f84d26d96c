import { changesOf } from '@/data/agreements/changes';
import type { Transaction } from '@/data/connection';
import { writeAmount } from '@/core/number';
import type { CompanyMoney } from '@/model';
import { businessDate } from '../actor';
import type { AllowancesShown } from '@/data/agreements/allowances';
import { depositHeldUntil, mayCancelUntil } from '@/core/billing/cancelling';
import { allowancesOf } from '@/data/agreements/allowances';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { standingAndTrack } from '@/core/billing';
import { onItsWay } from '@/data/payments/onItsWay';

/** A signed agreement as the customer sees it: what is agreed, billed and paid, changed and still to be chosen. */
export interface AgreedShown {
  readonly acceptedOn: string;
  readonly signerName: string;
  readonly sha256: string;
  readonly standing: ReturnType<typeof standingAndTrack>['standing'];
  readonly track: ReturnType<typeof standingAndTrack>['track'];
  readonly invoices: readonly {
    readonly id: string;
    readonly kind: LoadedAgreement['papers'][number]['kind'];
    readonly number: string;
    readonly title: string;
    readonly total: string;
    readonly open: string;
    /** Paid by card, not answered by the bank yet. */
    readonly waits: string;
    readonly dueOn: string;
  }[];
  /** Until the end of this day the customer may cancel; null: no more, or not at all. */
  readonly cancelUntil: string | null;
  /** A deposit that is not paid yet and can be. */
  readonly depositDue: string | null;
  /** The invoice of the deposit that is open; null: none, or it is not billed yet. */
  readonly depositInvoice: string | null;
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
  ours: { readonly timeZone: string; readonly money: CompanyMoney },
  today: string,
  now: Date,
): Promise<AgreedShown> {
  const loaded = await loadAgreement(tx, agreementId);
  const changes = await changesOf(tx, agreementId, today);
  const { standing, track } = standingAndTrack(loaded);
  const { timeZone } = ours;
  const deposit = openDeposit(loaded);
  const until = mayCancelUntil(loaded, ours);
  const held = depositHeldUntil(loaded, ours);
  const waits = await onItsWay(
    tx,
    loaded.papers.map(({ id }) => id),
    loaded.digits,
    now,
  );
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
    invoices: loaded.papers.map((each) => ({
      id: each.id,
      kind: each.kind,
      number: each.label,
      title: each.title,
      total: each.total,
      open: writeAmount(each.standing.open, loaded.digits),
      waits: writeAmount(waits.get(each.id)!, loaded.digits),
      dueOn: each.dueOn,
    })),
    cancelUntil: until !== null && today <= until ? until : null,
    depositDue: deposit && (held === null || today > held) ? writeAmount(deposit.due, loaded.digits) : null,
    depositInvoice: deposit?.bill?.id ?? null,
  };
}

/** The deposit that was due on acceptance and is not paid, with its invoice where there is one. */
export function openDeposit({ payments, invoices }: LoadedAgreement) {
  for (const { entryId, kind, due, amount, billed } of payments) {
    if (kind !== 'deposit' || due.on !== 'acceptance' || amount <= 0n) continue;
    const bill = billed === 0n ? null : (invoices.filter((each) => each.entryId === entryId).at(-1) ?? null);
    const open = bill ? bill.standing.open : amount;
    if (open > 0n) return { entryId, bill, due: open };
  }
  return null;
}
