import fc from 'fast-check';
import type { Amount } from '../number';
import type { InvoiceFacts } from '.';
import { invoiceStanding, isOverdue } from '.';

interface On {
  readonly received?: number;
  readonly takenBack?: number;
  readonly creditApplied?: number;
  readonly credited?: number;
  readonly kind?: InvoiceFacts['kind'];
}

const facts = (
  total: number,
  { received = 0, takenBack = 0, creditApplied = 0, credited, kind = 'invoice' }: On = {},
): InvoiceFacts => ({
  kind,
  total: BigInt(total) as Amount,
  settled: {
    received: BigInt(received) as Amount,
    takenBack: BigInt(takenBack) as Amount,
    creditApplied: BigInt(creditApplied) as Amount,
  },
  credited: BigInt(credited ?? takenBack) as Amount,
});

test.each([
  ['nothing on it', facts(100), 'issued', 100, 0],
  ['money on it', facts(100, { received: 40 }), 'part paid', 60, 40],
  ['all of it', facts(100, { received: 100 }), 'paid', 0, 100],
  ['a cent on it', facts(100, { received: 1 }), 'part paid', 99, 1],
  ['all but a cent', facts(100, { received: 99 }), 'part paid', 1, 99],
  // Credit is no money.
  ['the customer’s credit', facts(100, { creditApplied: 40 }), 'part paid', 60, 0],
  ['all of it by credit', facts(100, { creditApplied: 100 }), 'paid', 0, 0],
  ['taken back in part', facts(100, { takenBack: 30 }), 'part credited', 70, 0],
  ['taken back in part, the rest paid', facts(100, { takenBack: 30, received: 70 }), 'paid', 0, 70],
  ['taken back in whole', facts(100, { takenBack: 100 }), 'credited', 0, 0],
  // It was paid before: the money stays on it, and the credit note is the customer's credit.
  ['paid, then taken back', facts(100, { received: 100, credited: 100 }), 'credited', 0, 100],
  ['a credit note', facts(-100, { kind: 'credit note' }), 'issued', 0, 0],
] as const)('%s', (_, given, state, open, paid) =>
  expect(invoiceStanding(given)).toMatchObject({ state, open: BigInt(open), paid: BigInt(paid) }),
);

test('what is on an invoice and what is open are its total, and only open money is late', () =>
  fc.assert(
    fc.property(
      fc.nat(999),
      fc.nat(999),
      fc.nat(999),
      fc.nat(999),
      (total, received, takenBack, creditApplied) => {
        const standing = invoiceStanding(facts(total, { received, takenBack, creditApplied }));
        expect(standing.open + standing.paid + standing.takenBack + standing.creditApplied).toBe(
          BigInt(total),
        );
        expect(isOverdue(standing, '2026-05-01', '2026-05-02')).toBe(standing.open > 0n);
        expect(isOverdue(standing, '2026-05-02', '2026-05-02')).toBe(false);
      },
    ),
  ));
