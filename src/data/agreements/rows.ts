import { asc, inArray } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';
import type { AgreementRows } from '@/core/billing';
import { groupBy } from '@/core/collections/groupBy';
import type { Transaction } from '../connection';
import { refundedRows, settledRows } from '../billing/settled';
import {
  agreement,
  agreementAllowance,
  agreementLine,
  agreementLineTax,
  agreementPayment,
  agreementPaymentChange,
  agreementStage,
  agreementTax,
  changeOrder,
  changeOrderTax,
  draw,
  drawTax,
  invoice,
  invoiceAdjustment,
  invoiceAdjustmentTax,
  lineStage,
} from '../schema';

/**
 * Every row of some agreements, in the order asked for; agreements that are not there are left out. One query for each
 * table, however many agreements.
 */
export async function agreementRows(
  tx: Transaction,
  ids: readonly string[],
  { lock }: { readonly lock: boolean },
): Promise<AgreementRows[]> {
  if (ids.length === 0) return [];
  const query = tx
    .select()
    .from(agreement)
    .where(inArray(agreement.id, [...ids]));
  const heads = await (lock ? query.for('no key update') : query);
  const ofThese = (table: { readonly agreementId: PgColumn }) => inArray(table.agreementId, [...ids]);
  const byAgreement = <T extends { agreementId: string }>(rows: readonly T[]) => {
    const groups = groupBy(rows, ({ agreementId }) => agreementId);
    return (id: string): readonly T[] => groups.get(id) ?? [];
  };

  const changes = byAgreement(
    await tx
      .select()
      .from(changeOrder)
      .where(ofThese(changeOrder))
      .orderBy(asc(changeOrder.acceptedAt), asc(changeOrder.number)),
  );
  const taxChanges = byAgreement(await tx.select().from(changeOrderTax).where(ofThese(changeOrderTax)));
  const paymentChanges = byAgreement(
    await tx.select().from(agreementPaymentChange).where(ofThese(agreementPaymentChange)),
  );
  const allowances = byAgreement(
    await tx.select().from(agreementAllowance).where(ofThese(agreementAllowance)),
  );
  const components = byAgreement(
    await tx.select().from(agreementTax).where(ofThese(agreementTax)).orderBy(asc(agreementTax.position)),
  );
  const lines = byAgreement(
    await tx.select().from(agreementLine).where(ofThese(agreementLine)).orderBy(asc(agreementLine.position)),
  );
  const lineTaxes = byAgreement(await tx.select().from(agreementLineTax).where(ofThese(agreementLineTax)));
  const payments = byAgreement(
    await tx
      .select()
      .from(agreementPayment)
      .where(ofThese(agreementPayment))
      .orderBy(asc(agreementPayment.position)),
  );
  const papers = byAgreement(
    await tx.select().from(invoice).where(ofThese(invoice)).orderBy(asc(invoice.position)),
  );
  const adjustments = byAgreement(
    await tx
      .select()
      .from(invoiceAdjustment)
      .where(ofThese(invoiceAdjustment))
      .orderBy(asc(invoiceAdjustment.taxClass)),
  );
  const adjustmentTaxes = byAgreement(
    await tx.select().from(invoiceAdjustmentTax).where(ofThese(invoiceAdjustmentTax)),
  );
  const stages = byAgreement(
    await tx
      .select()
      .from(agreementStage)
      .where(ofThese(agreementStage))
      .orderBy(asc(agreementStage.position), asc(agreementStage.name)),
  );
  const lineStages = byAgreement(await tx.select().from(lineStage).where(ofThese(lineStage)));
  const draws = byAgreement(await tx.select().from(draw).where(ofThese(draw)));
  const drawTaxes = byAgreement(await tx.select().from(drawTax).where(ofThese(drawTax)));
  const settled = byAgreement(await settledRows(tx, ofThese(invoice)));
  const refunded = byAgreement(await refundedRows(tx, ofThese(invoice)));

  const headOf = new Map(heads.map((head) => [head.id, head]));
  return ids.flatMap((id) => {
    const head = headOf.get(id);
    return head === undefined
      ? []
      : {
          head,
          changes: changes(id),
          taxChanges: taxChanges(id),
          paymentChanges: paymentChanges(id),
          allowances: allowances(id),
          components: components(id),
          lines: lines(id),
          lineTaxes: lineTaxes(id),
          payments: payments(id),
          papers: papers(id),
          adjustments: adjustments(id),
          adjustmentTaxes: adjustmentTaxes(id),
          stages: stages(id),
          lineStages: lineStages(id),
          draws: draws(id),
          drawTaxes: drawTaxes(id),
          settled: settled(id),
          refunded: refunded(id),
        };
  });
}
