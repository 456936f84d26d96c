import fc from 'fast-check';
import { anyChoices, anyDocument, runs } from '../../../tests/support/documents';
import { freezeAgreement } from '../agreements';
import type { Amount, Fixed } from '../number';
import { ONE, parseFixed, sumAmounts } from '../number';
import type { BillableLine, Draw } from '.';
import {
  BillingError,
  allocatePayment,
  drawAmount,
  drawRest,
  drawShares,
  drawSums,
  drawnToDate,
  grossOf,
  leftOf,
  standingOf,
  trackOf,
} from '.';

const anyAgreement = anyDocument()
  .chain((document) => anyChoices(document).map((choices) => freezeAgreement(document, choices)))
  .filter(
    (agreement) =>
      agreement.total > 100n &&
      agreement.net > 0n &&
      agreement.components.every(({ amount }) => amount >= 0n),
  );

describe('the agreement', () => {
  test('lines, taxes and payments sum to the total', () => {
    fc.assert(
      fc.property(anyAgreement, (agreement) => {
        expect(grossOf(agreement.lines)).toBe(agreement.total);
        expect(sumAmounts(agreement.payments.map(({ amount }) => amount))).toBe(agreement.total);
        agreement.components.forEach((component, t) =>
          expect(sumAmounts(agreement.lines.map((line) => line.taxes[t]!))).toBe(component.amount),
        );
      }),
    );
  });
});

type Step =
  | { readonly by: 'amount'; readonly share: number }
  | { readonly by: 'shares'; readonly share: number; readonly lines: readonly number[] }
  | { readonly by: 'credit'; readonly invoice: number };

const steps = fc.array(
  fc.oneof(
    fc.record({ by: fc.constant('amount' as const), share: fc.integer({ min: 1, max: 999 }) }),
    fc.record({
      by: fc.constant('shares' as const),
      share: fc.integer({ min: 0, max: 1000 }),
      lines: fc.array(fc.nat(20), { maxLength: 6 }),
    }),
    fc.record({ by: fc.constant('credit' as const), invoice: fc.nat(9) }),
  ),
  { maxLength: 9 },
);

function bill(
  lines: readonly BillableLine[],
  before: readonly BillableLine[],
  step: Exclude<Step, { by: 'credit' }>,
): Draw[] {
  const left = grossOf(leftOf(lines, before));
  if (step.by === 'amount') return drawAmount(lines, before, ((left * BigInt(step.share)) / 1000n) as Amount);
  const wanted = step.lines.map((n) => lines[n % lines.length]!.id);
  return drawShares(
    lines,
    before,
    new Map(wanted.map((id) => [id, ((ONE * BigInt(step.share)) / 1000n) as Fixed])),
  );
}

test('any path of invoices and credit notes, then the rest: sums to the agreement per line and per tax, never past 100 %', () => {
  fc.assert(
    fc.property(anyAgreement, steps, (agreement, path) => {
      const { lines } = agreement;
      const invoices: Draw[][] = [];
      const credited = new Set<number>();
      for (const step of path as Step[]) {
        const before = drawnToDate(lines, invoices.flat());
        if (step.by === 'credit') {
          const taken = invoices[step.invoice];
          if (!taken || credited.has(step.invoice)) continue;
          credited.add(step.invoice).add(invoices.length);
          invoices.push(
            taken.map((draw) => ({
              lineId: draw.lineId,
              net: -draw.net as Amount,
              taxes: draw.taxes.map((tax) => -tax as Amount),
            })),
          );
          continue;
        }
        try {
          invoices.push(bill(lines, before, step));
        } catch (error) {
          expect(error).toBeInstanceOf(BillingError);
        }
        drawnToDate(lines, invoices.flat()).forEach((drawn, i) => {
          const inside = (part: bigint, whole: bigint) =>
            whole >= 0n ? part >= 0n && part <= whole : part <= 0n && part >= whole;
          expect(inside(drawn.net, lines[i]!.net)).toBe(true);
          drawn.taxes.forEach((tax, t) => expect(inside(tax, lines[i]!.taxes[t]!)).toBe(true));
        });
      }
      const before = drawnToDate(lines, invoices.flat());
      if (grossOf(before) !== agreement.total) invoices.push(drawRest(lines, before));
      const done = drawnToDate(lines, invoices.flat());
      done.forEach((drawn, i) => {
        expect(drawn.net).toBe(lines[i]!.net);
        expect(drawn.taxes).toEqual(lines[i]!.taxes);
      });
      const totals = invoices.map((draws) => drawSums(draws, agreement.components.length).total);
      expect(sumAmounts(totals)).toBe(agreement.total);
    }),
    { numRuns: runs(400) },
  );
});

test('by schedule entries alone: every invoice is its entry to the cent, and the last leaves nothing', () => {
  fc.assert(
    fc.property(anyAgreement, (agreement) => {
      const draws: Draw[] = [];
      for (const { amount } of agreement.payments) {
        if (amount <= 0n) continue;
        const invoice = drawAmount(agreement.lines, drawnToDate(agreement.lines, draws), amount);
        expect(drawSums(invoice, agreement.components.length).total).toBe(amount);
        draws.push(...invoice);
      }
      expect(grossOf(drawnToDate(agreement.lines, draws))).toBe(agreement.total > 0n ? agreement.total : 0n);
    }),
  );
});

describe('what cannot be billed is refused in words', () => {
  const lines: BillableLine[] = [{ id: 'a', net: 10000n as Amount, taxes: [800n as Amount] }];
  const half = drawnToDate(
    lines,
    drawShares(lines, drawnToDate(lines, []), new Map([['a', parseFixed('0.5')]])),
  );
  test.each([
    ['more than is left', () => drawAmount(lines, half, 5401n as Amount), 'more than what is left'],
    [
      'less than is billed',
      () => drawShares(lines, half, new Map([['a', parseFixed('0.4')]])),
      'billed already',
    ],
    ['past 100 %', () => drawShares(lines, half, new Map([['a', parseFixed('1.01')]])), 'from 0 to 100'],
    ['nothing', () => drawAmount(lines, half, 0n as Amount), 'nothing to bill'],
    ['an unknown line', () => drawShares(lines, half, new Map([['x', ONE]])), 'not in the agreement'],
    ['the rest twice', () => drawRest(lines, lines), 'billed already'],
  ])('%s', (_, act, words) => expect(act).toThrow(words));
});

describe('money in', () => {
  test('oldest first, what is over is credit', () => {
    const open = [
      { id: '1', open: 3000n as Amount },
      { id: '2', open: 0n as Amount },
      { id: '3', open: 5000n as Amount },
    ];
    expect(allocatePayment(4000n as Amount, open)).toEqual({
      parts: [
        { id: '1', amount: 3000n },
        { id: '3', amount: 1000n },
      ],
      credit: 0n,
    });
    expect(allocatePayment(9000n as Amount, open).credit).toBe(1000n);
  });
  test('standing and track say the same', () => {
    const standing = standingOf({ sumToDate: 10000n as Amount, billed: 6000n as Amount }, [
      { open: 3500n as Amount, paid: 2500n as Amount },
    ]);
    expect(standing).toMatchObject({ billed: 6000n, paid: 2500n, leftToBill: 4000n, billedUnpaid: 3500n });
    const cuts = trackOf(
      [
        { id: 'd', name: 'Deposit', amount: 2000n as Amount },
        { id: 's', name: 'Stage', amount: 8000n as Amount },
      ],
      { earned: 0n as never, billed: standing.billed, paid: standing.paid },
    );
    expect(cuts.map(({ billed, paid }) => [billed, paid])).toEqual([
      [2000n, 2000n],
      [4000n, 500n],
    ]);
    const earned = trackOf(cuts, { earned: 2500n as Amount, billed: 0n as Amount, paid: 0n as Amount });
    expect(earned.map((cut) => cut.earned)).toEqual([2000n, 500n]);
  });
});
