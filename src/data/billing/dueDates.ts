import { and, asc, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { agreementOf, customerOfAgreement } from '../joins';
import { agreement, agreementPayment, agreementStage, customer, invoice } from '../schema';

/** What each day is about. */
const about = { title: agreement.title, number: agreement.number, customer: customer.name };

/** Some invoices by the day they are due. */
export async function findInvoicesDue(tx: Transaction, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return tx
    .select({
      ...about,
      id: invoice.id,
      kind: invoice.kind,
      label: invoice.label,
      dueOn: invoice.dueOn,
      total: invoice.total,
    })
    .from(invoice)
    .innerJoin(agreement, agreementOf(invoice))
    .innerJoin(customer, customerOfAgreement)
    .where(inArray(invoice.id, [...ids]))
    .orderBy(asc(invoice.dueOn));
}

/** Stages with a planned day that are not done. */
export const findStagesPlanned = async (tx: Transaction, most: number) =>
  tx
    .select({
      ...about,
      agreementId: agreement.id,
      name: agreementStage.name,
      day: agreementStage.plannedOn,
    })
    .from(agreementStage)
    .innerJoin(agreement, agreementOf(agreementStage))
    .innerJoin(customer, customerOfAgreement)
    .where(and(isNotNull(agreementStage.plannedOn), isNull(agreementStage.doneOn)))
    .limit(most);

/** Payments of schedules that name a day, from today on. */
export const findPaymentsDue = async (tx: Transaction, today: string, most: number) =>
  tx
    .select({
      ...about,
      agreementId: agreement.id,
      entryId: agreementPayment.entryId,
      name: agreementPayment.name,
      due: agreementPayment.due,
    })
    .from(agreementPayment)
    .innerJoin(agreement, agreementOf(agreementPayment))
    .innerJoin(customer, customerOfAgreement)
    .where(
      and(sql`${agreementPayment.due}->>'on' = 'date'`, sql`${agreementPayment.due}->>'date' >= ${today}`),
    )
    .limit(most);
