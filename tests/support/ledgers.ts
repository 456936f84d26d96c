import fc from 'fast-check';
import type { Issued, Ledger, LedgerLine, InvoiceDraft } from '@/core/billing';
import { BillingError, makeCredit, makeInvoice, positionOf, withPaper } from '@/core/billing';
import type { Amount, Fixed } from '@/core/number';
import { ONE, divideRounded, sumAmounts, writeAmount, writeFixed } from '@/core/number';
import { computeSchedule } from '@/core/schedule';
import type { BillingAsk, BillingTerms, CreditAsk, LineAsk } from '@/model';

/*
 * Random agreements and random ways to bill them, small and quick enough for a hundred thousand.
 */

/** Tax components: two of one class, one of another; a third class has none. */
const rates = [
  { taxClass: 'a', percent: 50_000n },
  { taxClass: 'a', percent: 12_500n },
  { taxClass: 'b', percent: 82_500n },
];

const money = fc.bigInt({ min: 1n, max: 900_000n });
const taxClass = fc.constantFrom('a', 'b', 'none');

interface Raw {
  readonly net: bigint;
  readonly taxClass: string;
  readonly quantity: number;
}

const anyLine = fc.record({ net: money, taxClass, quantity: fc.integer({ min: 1, max: 40_000 }) });

const lineOf = (id: string, { net, taxClass: of, quantity }: Raw, section: string): LedgerLine => ({
  id,
  description: `Line ${id}`,
  sectionTitle: section,
  stage: `stage of ${section}`,
  taxClass: of,
  quantity: ((BigInt(quantity) * ONE) / 100n) as Fixed,
  net: net as Amount,
  taxes: rates.map((rate) =>
    rate.taxClass === of ? (divideRounded(net * rate.percent, 1_000_000n) as Amount) : (0n as Amount),
  ),
});

export type Step =
  | { readonly do: 'entry'; readonly n: number }
  | { readonly do: 'amount'; readonly share: number }
  | {
      readonly do: 'lines';
      readonly picks: readonly { readonly n: number; readonly by: number; readonly share: number }[];
    }
  | { readonly do: 'section'; readonly n: number; readonly share: number }
  | { readonly do: 'rest' }
  | { readonly do: 'release'; readonly share: number }
  | { readonly do: 'credit'; readonly n: number; readonly share: number; readonly by: number }
  | { readonly do: 'change'; readonly line: Raw }
  | { readonly do: 'omit'; readonly n: number; readonly share: number };

const share = fc.integer({ min: 1, max: 1000 });
const anyStep: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ do: fc.constant('entry' as const), n: fc.nat(3) }),
  fc.record({ do: fc.constant('amount' as const), share }),
  fc.record({
    do: fc.constant('lines' as const),
    picks: fc.array(fc.record({ n: fc.nat(11), by: fc.nat(2), share }), { minLength: 1, maxLength: 4 }),
  }),
  fc.record({ do: fc.constant('section' as const), n: fc.nat(1), share }),
  fc.record({ do: fc.constant('release' as const), share }),
  fc.record({ do: fc.constant('credit' as const), n: fc.nat(9), share, by: fc.nat(2) }),
  fc.record({ do: fc.constant('change' as const), line: anyLine }),
  fc.record({ do: fc.constant('omit' as const), n: fc.nat(7), share: fc.integer({ min: 1, max: 600 }) }),
  fc.record({ do: fc.constant('rest' as const) }),
);

const percent = (most: number) => fc.integer({ min: 1, max: most }).map((n) => (n / 10).toString());

export const anyTerms: fc.Arbitrary<BillingTerms> = fc.record(
  {
    retainage: fc.record({ percent: percent(200), limit: percent(100) }, { requiredKeys: ['percent'] }),
    deposit: fc.constant('advance' as const),
  },
  { requiredKeys: [] },
);

/** An agreement: some lines, a deposit, two stages and the rest. */
export const anyLedger: fc.Arbitrary<Ledger> = fc
  .record({
    raw: fc.array(anyLine, { minLength: 1, maxLength: 6 }),
    deposit: fc.integer({ min: 0, max: 40 }),
    terms: anyTerms,
  })
  .map(({ raw, deposit, terms }) => {
    const lines = raw.map((each, i) => lineOf(`l${i}`, each, i % 2 === 0 ? 'First' : 'Second'));
    const total = sumAmounts(lines.flatMap(({ net, taxes }) => [net, ...taxes]));
    const due = { on: 'acceptance' } as const;
    const { payments } = computeSchedule(
      [
        { id: 'd', name: 'Deposit', kind: 'deposit', share: { percent: String(deposit) }, due },
        { id: 's', name: 'Stage', kind: 'stage', share: { percent: '30' }, due },
        { id: 'f', name: 'Final', kind: 'final', share: { rest: true }, due },
      ],
      total,
      2,
    );
    return {
      minorDigits: 2,
      terms,
      lines,
      components: rates.length,
      entries: payments.map(({ entry, amount }) => ({ ...entry, amount })),
      papers: [],
    };
  });

export const anySteps = (most = 12): fc.Arbitrary<Step[]> => fc.array(anyStep, { maxLength: most });

const part = (whole: bigint, of: number): Amount => ((whole * BigInt(of)) / 1000n) as Amount;
const written = (value: bigint) => writeAmount(value as Amount, 2);

const issue = (ledger: Ledger, made: InvoiceDraft, credits: string | null): Ledger =>
  withPaper(ledger, made, `p${ledger.papers.length}`, credits);

function lineAsk(ledger: Ledger, { n, by, share: of }: { n: number; by: number; share: number }): LineAsk {
  const line = ledger.lines[n % ledger.lines.length]!;
  const left = positionOf(ledger).left[n % ledger.lines.length]!;
  if (by === 0) return { line: line.id, to: { percent: String(of / 10) } };
  if (by === 1)
    return { line: line.id, to: { quantity: writeFixed(part(line.quantity, of) as bigint as Fixed) } };
  return { line: line.id, to: { amount: written(part(left.net, of)) } };
}

function askOf(ledger: Ledger, step: Exclude<Step, { do: 'credit' | 'change' | 'omit' }>): BillingAsk {
  switch (step.do) {
    case 'entry':
      return { entryId: ledger.entries[step.n % ledger.entries.length]!.id };
    case 'amount':
      return { amount: written(part(positionOf(ledger).workLeft, step.share)).replace('-', '') };
    case 'lines':
      return { lines: step.picks.map((pick) => lineAsk(ledger, pick)) };
    case 'section':
      return {
        lines: [{ section: step.n === 0 ? 'First' : 'Second', to: { percent: String(step.share / 10) } }],
      };
    case 'rest':
      return { rest: true };
    case 'release':
      return { release: step.share > 800 ? 'all' : written(part(positionOf(ledger).heldGross, step.share)) };
  }
}

function creditAsk(made: Issued, { by, share: of }: { by: number; share: number }): CreditAsk {
  if (by === 0) return { whole: true };
  if (by === 1 || made.draws.length === 0) {
    const gross = sumAmounts(
      [...made.draws, ...made.retainage, ...made.advance].flatMap(({ net, taxes }) => [net, ...taxes]),
    );
    return { amount: written(part(gross < 0n ? -gross : gross, of)) };
  }
  return {
    lines: made.draws
      .slice(0, 2)
      .map(({ lineId, net }) => ({ line: lineId, amount: written(part(net, of)) })),
  };
}

/** One step further; the same ledger, where the step is refused in words. */
export function go(ledger: Ledger, step: Step): Ledger {
  try {
    switch (step.do) {
      case 'credit': {
        const taken = ledger.papers[step.n % Math.max(ledger.papers.length, 1)];
        if (!taken) return ledger;
        return issue(ledger, makeCredit(ledger, taken.id, creditAsk(taken, step)), taken.id);
      }
      case 'change':
        return {
          ...ledger,
          lines: [...ledger.lines, lineOf(`c${ledger.lines.length}`, step.line, 'Change')],
        };
      case 'omit': {
        const line = ledger.lines[step.n % ledger.lines.length]!;
        const left = ledger.lines
          .filter(({ id }) => id === line.id || id.startsWith(`o.${line.id}.`))
          .reduce((sum, { net }) => sum + net, 0n);
        const net = -part(left, step.share);
        if (net >= 0n) return ledger;
        const omitted = lineOf(
          `o.${line.id}.${ledger.lines.length}`,
          { net, taxClass: line.taxClass, quantity: 100 },
          'Change',
        );
        return { ...ledger, lines: [...ledger.lines, { ...omitted, quantity: -ONE as Fixed }] };
      }
      default:
        return issue(ledger, makeInvoice(ledger, askOf(ledger, step)), null);
    }
  } catch (error) {
    if (error instanceof BillingError) return ledger;
    throw error;
  }
}

/** Bills all that is left and releases all that is held, until both are refused. */
export function finish(ledger: Ledger): Ledger {
  for (let i = 0; i < 6; i += 1) {
    const next = go(go(ledger, { do: 'rest' }), { do: 'release', share: 1000 });
    if (next.papers.length === ledger.papers.length) return next;
    ledger = next;
  }
  return ledger;
}

/** What is wrong with a ledger, in words; nothing where it is sound. */
export function unsound(ledger: Ledger): string[] {
  const { before, heldGross, aheadGross, held, ahead } = positionOf(ledger);
  const wrong: string[] = [];
  const inside = (value: bigint, whole: bigint) =>
    whole >= 0n ? value >= 0n && value <= whole : value <= 0n && value >= whole;
  before.forEach((drawn, i) => {
    const line = ledger.lines[i]!;
    if (!inside(drawn.net, line.net)) wrong.push(`${line.id} is billed to ${drawn.net} of ${line.net}`);
    drawn.taxes.forEach((tax, t) => {
      if (!inside(tax, line.taxes[t]!))
        wrong.push(`tax ${t} of ${line.id} is billed to ${tax} of ${line.taxes[t]}`);
    });
  });
  if (heldGross < 0n) wrong.push(`held ${heldGross}`);
  if (aheadGross < 0n) wrong.push(`ahead ${aheadGross}`);
  if (heldGross === 0n && held.length > 0) wrong.push('classes of what is held do not cancel');
  if (aheadGross === 0n && ahead.length > 0) wrong.push('classes of what is ahead do not cancel');
  for (const { id, kind, draws, retainage, advance } of ledger.papers) {
    const total = sumAmounts(
      [...draws, ...retainage, ...advance].flatMap(({ net, taxes }) => [net, ...taxes]),
    );
    if (kind === 'credit note' ? total > 0n : total < 0n) wrong.push(`${kind} ${id} comes to ${total}`);
  }
  return wrong;
}

/** What does not come to the agreement at the end, per line, per component and in total. */
export function unfinished(ledger: Ledger): string[] {
  const { before, leftToBill, heldGross, aheadGross } = positionOf(ledger);
  const wrong: string[] = [];
  before.forEach((drawn, i) => {
    const line = ledger.lines[i]!;
    if (drawn.net !== line.net) wrong.push(`${line.id}: ${drawn.net} of ${line.net}`);
    drawn.taxes.forEach((tax, t) => {
      if (tax !== line.taxes[t]) wrong.push(`tax ${t} of ${line.id}: ${tax} of ${line.taxes[t]}`);
    });
  });
  rates.forEach((_, t) => {
    const billed = sumAmounts(
      ledger.papers.flatMap(({ draws, retainage, advance }) =>
        [...draws, ...retainage, ...advance].map(({ taxes }) => taxes[t]!),
      ),
    );
    const agreed = sumAmounts(ledger.lines.map(({ taxes }) => taxes[t]!));
    if (billed !== agreed) wrong.push(`component ${t}: ${billed} of ${agreed}`);
  });
  if (leftToBill !== 0n || heldGross !== 0n || aheadGross !== 0n)
    wrong.push(`left ${leftToBill}, held ${heldGross}, ahead ${aheadGross}`);
  return wrong;
}
