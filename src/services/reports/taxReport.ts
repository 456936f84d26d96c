import type { TaxReport } from '@/core/billing';
import { addTaxReports, taxReport } from '@/core/billing';
import { isDay, quarterOf } from '@/core/calendar';
import { groupBy } from '@/core/collections/groupBy';
import { minorDigits, moneyOf } from '@/core/number';
import { loadAgreements } from '@/data/agreements/load';
import { agreementsMoved, findSettlements } from '@/data/billing/settlements';
import { inCompany } from '@/data/connection';
import type { FileColumn } from '@/formats/listFile';
import { listCsv, listXlsx } from '@/formats/listFile';
import { companyOf } from '@/data/settings/company';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { chunks } from './chunks';

/** Days from one to another, both of them in it. */
export interface Period {
  readonly from: string;
  readonly to: string;
}

/** The period an address asks for, or the quarter of today where it asks for none that can be. */
export function periodOf(from: unknown, to: unknown, today: string): Period {
  if (isDay(from) && isDay(to) && from <= to) return { from, to };
  return quarterOf(today);
}

/**
 * Sales tax of a period by component, on what was invoiced and in the money that came in; amounts as text in the decimals of
 * the currency. The quarter of today where no period is asked for that can be.
 */
export async function readTaxReport(actor: Actor, asked: { readonly from?: unknown; readonly to?: unknown }) {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const period = periodOf(asked.from, asked.to, today);
    const money = moneyOf(minorDigits(ours.currency));
    const parts: TaxReport[] = [];
    for (const ids of chunks(await agreementsMoved(tx, period.from, period.to, ours.timeZone))) {
      const loaded = await loadAgreements(tx, ids);
      const rows = await findSettlements(tx, ids, ours.timeZone);
      const settlements = groupBy(
        rows.map(({ amount, noteId, ...row }) => ({
          ...row,
          ...(noteId === null ? {} : { noteId }),
          amount: money.parse(amount),
        })),
        ({ agreementId }) => agreementId,
      );
      parts.push(taxReport(loaded, settlements, period.from, period.to));
    }
    const { rows, sales, untaxed, invoiced, collected } = addTaxReports(parts);
    return {
      period,
      today,
      currency: ours.currency,
      rows: rows.map(({ name, percent, ...row }) => ({
        name,
        percent,
        base: money.write(row.base),
        invoiced: money.write(row.invoiced),
        collected: money.write(row.collected),
      })),
      sales: money.write(sales),
      untaxed: money.write(untaxed),
      invoiced: money.write(invoiced),
      collected: money.write(collected),
    };
  });
}

export type TaxReportAtDesk = Awaited<ReturnType<typeof readTaxReport>>;

const columns: readonly FileColumn[] = [
  { key: 'name', title: 'Tax', number: false },
  { key: 'percent', title: 'Percent', number: true },
  { key: 'base', title: 'Net that bears it', number: true },
  { key: 'invoiced', title: 'Tax invoiced', number: true },
  { key: 'collected', title: 'Tax collected', number: true },
];

/** The same as a file: CSV, or an XLSX workbook. */
export async function taxReportFile(
  actor: Actor,
  asked: { readonly from?: unknown; readonly to?: unknown },
  format: 'csv' | 'xlsx',
): Promise<{ readonly body: Buffer; readonly name: string }> {
  allow(actor, 'export');
  const { rows, period } = await readTaxReport(actor, asked);
  const name = `sales-tax-${period.from}-${period.to}.${format}`;
  return {
    body:
      format === 'xlsx' ? await listXlsx('Sales tax', columns, rows) : Buffer.from(listCsv(columns, rows)),
    name,
  };
}
