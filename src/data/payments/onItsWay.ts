import { inArray } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { cardCharge, cardEvent } from '../schema';
import type { CardFact, ChargeStanding } from '@/core/billing';
import { chargeStanding } from '@/core/billing';
import type { Amount } from '@/core/number';
import { parseAmount, sumAmounts } from '@/core/number';

/** Where charges stand, by their identity. */
export async function standingsOf(
  tx: Transaction,
  chargeIds: readonly string[],
): Promise<Map<string, ChargeStanding>> {
  if (chargeIds.length === 0) return new Map();
  const events = await tx
    .select()
    .from(cardEvent)
    .where(inArray(cardEvent.chargeId, [...chargeIds]));
  return new Map(
    chargeIds.map((chargeId) => [
      chargeId,
      chargeStanding(
        events
          .filter((event) => event.chargeId === chargeId)
          .map(({ id, kind, at, reason }): CardFact => ({ id, kind, at: at.toISOString(), reason })),
      ),
    ]),
  );
}

/** How long a charge without an answer may be one that is just being made, in milliseconds. */
const JUST_ASKED = 120_000;

/** What is on its way by card for each of some invoices: the bank has not said yet, or it is asked this moment. */
export async function onItsWay(
  tx: Transaction,
  invoiceIds: readonly string[],
  digits: number,
  now: Date,
): Promise<Map<string, Amount>> {
  if (invoiceIds.length === 0) return new Map();
  const charges = await tx
    .select()
    .from(cardCharge)
    .where(inArray(cardCharge.invoiceId, [...invoiceIds]));
  const standings = await standingsOf(
    tx,
    charges.map(({ id }) => id),
  );
  return new Map(
    invoiceIds.map((invoiceId) => [
      invoiceId,
      sumAmounts(
        charges
          .filter(({ invoiceId: of, id, at }) => {
            const { state } = standings.get(id)!;
            const asked = state === 'asked' && now.getTime() - at.getTime() < JUST_ASKED;
            return of === invoiceId && (state === 'delayed' || asked);
          })
          .map(({ amount }) => parseAmount(amount, digits)),
      ),
    ]),
  );
}
