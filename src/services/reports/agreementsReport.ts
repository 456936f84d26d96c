import { inCompany } from '@/data/connection';
import { minorDigits, parseAmount, sumAmounts, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { loadAgreements } from '@/data/agreements/load';
import { reportOf, standingAndTrack } from '@/core/billing';
import { groupBy } from '@/core/collections/groupBy';
import { companyOf } from '@/data/settings/company';
import { writeStage } from '../jobCosting/jobReport';
import { chunks } from './chunks';
import { findAgreementsSigned } from '@/data/agreements/agreement';
import { findCostsOfAgreements } from '@/data/jobCosting/costEntry';

interface Row extends Standing {
  readonly id: string;
  readonly number: number;
  readonly title: string;
  readonly customer: string;
  readonly signedOn: string;
  readonly job: ReturnType<typeof writeStage>;
}
type Standing = ReturnType<typeof standingAndTrack>['standing'];

/**
 * Agreements signed in a year, newest first: agreed, billed and paid; budget, cost and what is left over.
 *
 * @param year of the signature where the company works; `all`, or null for the last year in which something was signed
 */
export async function readAgreementsReport(actor: Actor, year: number | 'all' | null = null) {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const signed = await findAgreementsSigned(tx);
    const dated = signed.map(({ acceptedAt, ...row }) => {
      const signedOn = businessDate(acceptedAt, ours.timeZone);
      return { ...row, signedOn, year: Number(signedOn.slice(0, 4)) };
    });
    const years = [...new Set(dated.map((row) => row.year))].sort((a, b) => b - a);
    const shown = year ?? years[0] ?? 'all';
    const rows: Row[] = [];
    for (const heads of chunks(dated.filter((row) => shown === 'all' || row.year === shown))) {
      const ids = heads.map(({ id }) => id);
      const entries = groupBy(await findCostsOfAgreements(tx, ids), ({ agreementId }) => agreementId);
      for (const [i, each] of (await loadAgreements(tx, ids)).entries()) {
        const { id, number, title } = each.head;
        const { customer: payer, signedOn } = heads[i]!;
        rows.push({
          ...{ id, number, title, customer: payer, signedOn },
          ...standingAndTrack(each).standing,
          job: writeStage(reportOf(each, entries.get(id) ?? []).total, digits),
        });
      }
    }
    const sum = (of: (row: Row) => string) =>
      writeAmount(sumAmounts(rows.map((row) => parseAmount(of(row), digits))), digits);
    return {
      currency: ours.currency,
      years,
      year: shown,
      rows,
      all:
        rows.length === 0
          ? null
          : {
              sumToDate: sum((row) => row.sumToDate),
              billed: sum((row) => row.billed),
              paid: sum((row) => row.paid),
              leftToBill: sum((row) => row.leftToBill),
              cost: sum((row) => row.job.cost),
              expected: sum((row) => row.job.expected),
              overBilled: sum((row) => row.job.overBilled),
              expectedProfit: sum((row) => row.job.expectedProfit),
            },
    };
  });
}

export type AgreementsReport = Awaited<ReturnType<typeof readAgreementsReport>>;
