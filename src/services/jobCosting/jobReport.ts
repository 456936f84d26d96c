import { reportOf } from '@/core/billing';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { CostRow, StageRow } from '@/core/insight';
import { cashFromFacts } from '@/core/insight';
import type { Amount } from '@/core/number';
import { moneyOf, showPercent, writeAmount } from '@/core/number';
import type { Actor } from '../actor';
import { allow, businessDate, may } from '../actor';
import { allowancesOf } from '@/data/agreements/allowances';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import type { CostEntry } from '@/data/jobCosting/earned';
import { paymentByAgreementId } from '@/data/payments/payment';
import { findReversalsOfAgreement } from '@/data/payments/paymentReversal';
import { refundByAgreementId } from '@/data/payments/refund';
import { findCostsOfAgreement } from '@/data/jobCosting/costEntry';
const writeRow = (row: CostRow, digits: number) => ({
  name: row.name,
  budget: writeAmount(row.budget, digits),
  cost: writeAmount(row.cost, digits),
  toCome: writeAmount(row.toCome, digits),
  expected: writeAmount(row.expected, digits),
  over: writeAmount(row.over, digits),
});

/** A stage, or the job, as decimal text. */
export const writeStage = (row: StageRow, digits: number) => ({
  ...writeRow(row, digits),
  done: row.done,
  agreed: writeAmount(row.agreed, digits),
  billed: writeAmount(row.billed, digits),
  complete: showPercent(row.complete, 0),
  earned: writeAmount(row.earned, digits),
  overBilled: writeAmount(row.overBilled, digits),
  profit: writeAmount(row.profit, digits),
  expectedProfit: writeAmount(row.expectedProfit, digits),
});

/** Money in and out of a job by day, from payments and costs. */
async function cashOf(tx: Transaction, loaded: LoadedAgreement, entries: readonly CostEntry[]) {
  const money = moneyOf(loaded.digits);
  const minus = (text: string) => -money.parse(text) as Amount;
  const paid = await paymentByAgreementId(tx, loaded.head.id);
  const gone = await findReversalsOfAgreement(tx, loaded.head.id);
  const back = await refundByAgreementId(tx, loaded.head.id);
  const { days, lowest } = cashFromFacts([
    ...paid.map(({ receivedOn, amount }) => ({ day: receivedOn, amount: money.parse(amount) })),
    ...gone.map((row) => ({ day: row.on, amount: minus(row.amount) })),
    ...back.map(({ paidOn, amount }) => ({ day: paidOn, amount: minus(amount) })),
    ...entries.map(({ spentOn, amount }) => ({ day: spentOn, amount: minus(amount) })),
  ]);
  const write = (value: Amount) => writeAmount(value, loaded.digits);
  return {
    days: days.map((each) => ({
      day: each.day,
      in: write(each.in),
      out: write(each.out),
      lowest: write(each.lowest),
      balance: write(each.balance),
    })),
    lowest: lowest && { day: lowest.day, balance: write(lowest.balance) },
  };
}

/** Looks back on one agreement: its costs, budget against cost, what is earned and billed, cash, allowances. For us alone. */
export async function readJob(actor: Actor, agreementId: string) {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, agreementId);
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    const rows = await findCostsOfAgreement(tx, agreementId);
    const entries = rows.map(({ entry }) => entry);
    const report = reportOf(loaded, entries);
    const { digits } = loaded;
    const lines = new Map(loaded.lines.map((line) => [line.id, line]));
    const takenBack = new Set(entries.flatMap(({ takesBack }) => (takesBack === null ? [] : [takesBack])));
    const allowances = await allowancesOf(tx, loaded, { timeZone: ours.timeZone, today, forCustomer: false });
    return {
      id: loaded.head.id,
      number: loaded.head.number,
      title: loaded.head.title,
      currency: loaded.head.currency,
      today,
      stages: report.stages.map((row) => ({
        ...writeStage(row, digits),
        reckoned: loaded.stages.find(({ name }) => name === row.name)?.toCome ?? null,
        named: loaded.stages.some(({ name }) => name === row.name),
      })),
      total: writeStage(report.total, digits),
      byCode: report.byCode.map((row) => writeRow(row, digits)),
      byType: report.byType.map((row) => writeRow(row, digits)),
      byLine: report.byLine.map((row) => ({ ...writeRow(row, digits), lineId: row.lineId })),
      cash: await cashOf(tx, loaded, entries),
      allowances,
      costs: rows.map(({ entry, by, invoiceId }) => ({
        id: entry.id,
        spentOn: entry.spentOn,
        what: entry.what,
        supplier: entry.supplier,
        costType: entry.costType,
        hours: entry.hours,
        rate: entry.rate,
        amount: entry.amount,
        for:
          entry.lineId !== null
            ? (lines.get(entry.lineId)?.description ?? '')
            : (entry.stage ?? entry.costCode ?? ''),
        invoice: loaded.invoices.find(({ id }) => id === invoiceId)?.label ?? null,
        invoiceId,
        takesBack: entry.takesBack !== null,
        takenBack: takenBack.has(entry.id),
        by,
      })),
      /** What a cost can be for. */
      choices: {
        stages: loaded.stages.map(({ name }) => name),
        lines: loaded.lines
          .filter(({ net }) => net >= 0n)
          .map(({ id, description, sectionTitle, stage }) => ({
            id,
            description,
            section: sectionTitle,
            stage,
          })),
        codes: [
          ...new Set(loaded.lines.flatMap(({ costCode }) => (costCode === null ? [] : [costCode]))),
        ].sort(),
        invoices: loaded.invoices.map(({ id, label, title }) => ({ id, number: label, title })),
      },
      mayRecord: may(actor, 'jobs'),
    };
  });
}

export type Job = Awaited<ReturnType<typeof readJob>>;
