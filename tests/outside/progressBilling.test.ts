/*
 * Progress billing as the trade reckons it on an application for payment: for every line of the schedule of values,
 * "work completed from previous applications" + "this period" = "total completed to date", the percentage is that over
 * the scheduled value, and "balance to finish" is the scheduled value less it; the current payment due is the total to
 * date less previous certificates. The columns and their arithmetic are those of AIA G702/G703 (from memory), without
 * retainage. The figures are worked by hand here.
 */
import type { BillableLine, Draw } from '@/core/billing';
import {
  BillingError,
  allocatePayment,
  drawAmount,
  drawRest,
  drawShares,
  drawSums,
  drawnToDate,
  grossOf,
  invoiceStanding,
  nothingSettled,
  leftOf,
  standingOf,
  trackOf,
} from '@/core/billing';
import type { Amount, Fixed } from '@/core/number';
import { parsePercent } from '@/core/number';

const amount = (cents: number) => BigInt(cents) as Amount;
const line = (id: string, net: number, ...taxes: number[]): BillableLine => ({
  id,
  net: amount(net),
  taxes: taxes.map(amount),
});

/** A schedule of values of 105,000.00: demolition, framing, roof, finishes. */
const values = [
  line('demolition', 800_000),
  line('framing', 4_200_000),
  line('roof', 2_500_000),
  line('finishes', 3_000_000),
];
const percents = (shares: Record<string, string>) =>
  new Map<string, Fixed>(Object.entries(shares).map(([id, percent]) => [id, parsePercent(percent)]));
const nets = (draws: readonly Draw[]) => Object.fromEntries(draws.map(({ lineId, net }) => [lineId, net]));

test('three applications: each is the total to date less what was certified before, to 100 % of every line', () => {
  const first = drawShares(
    values,
    drawnToDate(values, []),
    percents({ demolition: '100', framing: '25', roof: '0' }),
  );
  expect(nets(first)).toEqual({ demolition: 800_000n, framing: 1_050_000n });
  expect(drawSums(first, 0).total).toBe(1_850_000n);

  const second = drawShares(
    values,
    drawnToDate(values, first),
    percents({ framing: '90', roof: '40', finishes: '2.5' }),
  );
  // Framing 37,800.00 to date less 10,500.00; roof 10,000.00; finishes 750.00.
  expect(nets(second)).toEqual({ framing: 2_730_000n, roof: 1_000_000n, finishes: 75_000n });

  const before = drawnToDate(values, [...first, ...second]);
  expect(grossOf(before)).toBe(5_655_000n);
  expect(leftOf(values, before).map(({ net }) => net)).toEqual([0n, 420_000n, 1_500_000n, 2_925_000n]);
  const last = drawRest(values, before);
  expect(drawSums(last, 0).total).toBe(4_845_000n);
  expect(grossOf(drawnToDate(values, [...first, ...second, ...last]))).toBe(10_500_000n);
});

test('no line is certified past its scheduled value, below what was certified, or twice for nothing', () => {
  const first = drawShares(values, drawnToDate(values, []), percents({ framing: '50' }));
  const before = drawnToDate(values, first);
  const again = (shares: Record<string, string>) => () => drawShares(values, before, percents(shares));
  expect(again({ framing: '100.01' })).toThrow('from 0 to 100 %');
  expect(again({ framing: '49.99' })).toThrow('More than that is billed already.');
  expect(again({ framing: '50' })).toThrow('nothing to bill');
  expect(again({ attic: '10' })).toThrow('not in the agreement');
  expect(again({ framing: '50.5' })).not.toThrow();
  expect(() => drawAmount(values, before, amount(8_400_001))).toThrow(BillingError);
  expect(() => drawAmount(values, before, amount(0))).toThrow('nothing to bill');
});

test('a stage payment is split over net, each tax and the lines in proportion of what is left', () => {
  // 1,000.00 and 500.00 net; 6 % on the first only: 60.00.
  const taxed = [line('a', 100_000, 6_000), line('b', 50_000, 0)];
  const draws = drawAmount(taxed, drawnToDate(taxed, []), amount(78_000));
  // Half of 1,560.00 is half of everything.
  expect(draws).toEqual([
    { lineId: 'a', net: 50_000n, taxes: [3_000n] },
    { lineId: 'b', net: 25_000n, taxes: [0n] },
  ]);
  const all = [...draws, ...drawRest(taxed, drawnToDate(taxed, draws))];
  expect(drawSums(all, 1)).toEqual({ net: 150_000n, taxes: [6_000n], total: 156_000n });
});

test('an odd cent of a stage goes to the largest remainder and comes back with the rest', () => {
  const thirds = [line('a', 3_334), line('b', 3_333), line('c', 3_333)];
  const stages = [amount(3_333), amount(3_333)];
  const draws: Draw[] = [];
  for (const stage of stages) draws.push(...drawAmount(thirds, drawnToDate(thirds, draws), stage));
  expect(drawSums(draws, 0).total).toBe(6_666n);
  draws.push(...drawRest(thirds, drawnToDate(thirds, draws)));
  expect(drawnToDate(thirds, draws).map(({ net }) => net)).toEqual([3_334n, 3_333n, 3_333n]);
});

// Common practice, no source: money received pays the oldest invoice first, and what is over stays as credit.
test('money in', () => {
  const open = [
    { id: '1001', open: amount(50_000) },
    { id: '1002', open: amount(120_000) },
    { id: '1003', open: amount(0) },
    { id: '1004', open: amount(10_000) },
  ];
  expect(allocatePayment(amount(60_000), open)).toEqual({
    parts: [
      { id: '1001', amount: 50_000n },
      { id: '1002', amount: 10_000n },
    ],
    credit: 0n,
  });
  expect(allocatePayment(amount(200_000), open).credit).toBe(20_000n);
  expect(allocatePayment(amount(60_000), []).credit).toBe(60_000n);
  const state = (received: number) =>
    invoiceStanding({
      kind: 'invoice',
      total: amount(100),
      settled: { ...nothingSettled, received: amount(received) },
      credited: amount(0),
    }).state;
  expect([state(0), state(40), state(100)]).toEqual(['issued', 'part paid', 'paid']);
});

test('the standing of an agreement and its track say the same', () => {
  const invoices = [
    { open: amount(0), paid: amount(10_500) },
    { open: amount(18_000), paid: amount(12_000) },
  ];
  const standing = standingOf({ sumToDate: amount(105_000), billed: amount(40_500) }, invoices);
  expect(standing).toEqual({
    sumToDate: 105_000n,
    billed: 40_500n,
    paid: 22_500n,
    leftToBill: 64_500n,
    billedUnpaid: 18_000n,
  });
  const cuts = trackOf(
    [
      { id: 'deposit', name: 'Deposit', amount: amount(10_500) },
      { id: 'frame', name: 'Frame', amount: amount(40_000) },
      { id: 'final', name: 'Final', amount: amount(54_500) },
    ],
    { earned: 0n as never, billed: standing.billed, paid: standing.paid },
  );
  expect(cuts.map(({ billed, paid }) => [billed, paid])).toEqual([
    [10_500n, 10_500n],
    [30_000n, 12_000n],
    [0n, 0n],
  ]);
});
