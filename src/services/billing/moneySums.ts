import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Age, OfAgreement } from '@/data/billing/moneySums';
import { creditByAgreement, heldByAgreement, openByAge, receivedSince } from '@/data/billing/moneySums';
import type { Amount } from '@/core/number';
import { ZERO, minorDigits, moneyOf, sumAmounts, writeAmount } from '@/core/number';
import { toBillBy } from './toBill';
import type { Actor } from '../actor';
import { allow, businessDate } from '../actor';
import { companyOf } from '@/data/settings/company';
import { findTitlesOfAgreements } from '@/data/agreements/agreement';

/** How many agreements a sum is shown by at most; sums are over all. */
const SHOWN = 300;

/** Sums that are made of agreements. */
export type MoneyGroup = 'to-bill' | 'held' | 'credit';

const ages: readonly Age[] = ['not due', '1 to 30', '31 to 60', '61 to 90', 'over 90'];

/** The sums of the money page, and the agreements that one of them is made of. */
export async function loadMoneySums(actor: Actor, group: MoneyGroup | null = null) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const digits = minorDigits(ours.currency);
    const today = businessDate(actor.now, ours.timeZone);
    const month = `${today.slice(0, 7)}-01`;
    const money = moneyOf(digits);
    const write = (value: Amount) => writeAmount(value, digits);
    const sumOf = (rows: readonly { readonly sum: string }[]) =>
      sumAmounts(rows.map(({ sum }) => money.parse(sum)));

    const open = await openByAge(tx, today);
    const byAge = ages.map((age) => {
      const found = open.find((row) => row.age === age);
      return { age, sum: write(found ? money.parse(found.sum) : ZERO), count: found?.count ?? 0 };
    });
    const late = open.filter(({ age }) => age !== 'not due');
    const toBill = await toBillBy(tx, ours, today);
    const held = await heldByAgreement(tx);
    const credit = await creditByAgreement(tx);
    const received = await receivedSince(tx, month);
    const groups: Readonly<Record<MoneyGroup, readonly OfAgreement[]>> = { 'to-bill': toBill, held, credit };
    const listed = group === null ? [] : groups[group];
    return {
      month,
      currency: ours.currency,
      toBill: write(sumOf(toBill)),
      out: write(sumOf(open)),
      overdue: write(sumOf(late)),
      byAge,
      receivedThisMonth: write(money.parse(received)),
      held: write(sumOf(held)),
      credit: write(sumOf(credit)),
      agreements: await agreementRows(tx, listed),
      agreementCount: listed.length,
    };
  });
}

export type MoneySums = Awaited<ReturnType<typeof loadMoneySums>>;

async function agreementRows(tx: Transaction, sums: readonly OfAgreement[]) {
  if (sums.length === 0) return [];
  const largest = [...sums].sort((a, b) => Number(b.sum) - Number(a.sum)).slice(0, SHOWN);
  const rows = await findTitlesOfAgreements(
    tx,
    largest.map(({ agreementId }) => agreementId),
  );
  const byId = new Map(rows.map((row) => [row.id, row]));
  return largest.map(({ agreementId, sum }) => ({ ...byId.get(agreementId)!, sum }));
}
