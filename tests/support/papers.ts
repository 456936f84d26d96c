import { freezeAgreement } from '@/core/agreements';
import type { Agreed, InvoiceDraft, Portion } from '@/core/billing';
import { makeCredit, makeInvoice, openLedger, paperSums, positionOf, withPaper } from '@/core/billing';
import type { Amount } from '@/core/number';
import { sumAmounts, writeAmount } from '@/core/number';
import type { InvoicePaper } from '@/formats/invoicePaper';
import { measureOf } from '@/formats/invoicePaper';
import type { BillingAsk, BillingTerms, CreditAsk, ProposalDocument } from '@/model';
import { asSuggested } from '@/model';
import { line, plainDocument } from './documents';

const money = (value: bigint) => writeAmount(value as Amount, 2);

const address = (street: string) => ({
  street,
  city: 'Marrowby',
  region: 'Fenshire',
  postcode: '00417',
  country: 'US',
});

/** Odd amounts, a credit line, two tax components and an untaxed class. */
export const oddDocument = (billing: BillingTerms = {}): ProposalDocument =>
  plainDocument(
    [
      {
        id: 's',
        title: 'Deck & frame <rear>',
        entries: [
          line('a', '12', '37.53'),
          line('b', '196', '6.67'),
          line('c', '1', '333.33', { taxClass: 'none' }),
          line('d', '-1', '45.01'),
        ],
      },
    ],
    {
      discount: { percent: '3.7' },
      taxClasses: [
        {
          id: 'taxed',
          name: 'Taxed',
          components: [
            { id: 'state', name: 'State', percent: '5' },
            { id: 'county', name: 'County', percent: '1.25' },
          ],
        },
        { id: 'none', name: 'Not taxed', components: [] },
      ],
      schedule: [
        { id: 'd', name: 'Deposit', kind: 'deposit', share: { percent: '13.33' }, due: { on: 'acceptance' } },
        { id: 's1', name: 'Stage', kind: 'stage', share: { percent: '31.07' }, due: { on: 'acceptance' } },
        { id: 'f', name: 'Final', kind: 'final', share: { rest: true }, due: { on: 'acceptance' } },
      ],
      billing,
    },
  );

export type PaperStep = { readonly bill: BillingAsk } | { readonly credit: number; readonly what: CreditAsk };

/** The papers of an agreement on the odd document, one for each step, as the formats get them. */
export function papersFor(
  steps: readonly PaperStep[],
  billing: BillingTerms = {},
  creditUsed = '0.00',
): InvoicePaper[] {
  let agreed = openLedger(freezeAgreement(oddDocument(billing), asSuggested));
  return steps.map((step, i) => {
    const made =
      'bill' in step
        ? makeInvoice(agreed.ledger, step.bill)
        : makeCredit(agreed.ledger, String(step.credit), step.what);
    const credits = 'credit' in step ? String(step.credit) : null;
    const paper = paperOf(agreed, made, String(i), credits, creditUsed);
    agreed = { ...agreed, ledger: withPaper(agreed.ledger, made, String(i), credits) };
    return paper;
  });
}

const parts = (kind: 'retainage' | 'advance', portions: readonly Portion[]) =>
  portions.map(({ taxClass, net, taxes }) => ({
    kind,
    name: kind === 'retainage' ? 'Retainage' : 'Deposit',
    taxClass,
    net: money(net),
    gross: money(sumAmounts([net, ...taxes])),
  }));

function paperOf(
  { ledger, components }: Agreed,
  made: InvoiceDraft,
  id: string,
  credits: string | null,
  creditUsed: string,
): InvoicePaper {
  const sums = paperSums(made, components.length);
  const before = positionOf(ledger);
  const after = positionOf(withPaper(ledger, made, id, credits));
  return {
    kind: made.kind,
    number: `2026-${id}`,
    title: made.title,
    issuedOn: '2026-03-02',
    dueOn: '2026-03-16',
    currency: 'USD',
    seller: {
      name: 'Quillbank Porch & Attic Builders',
      address: address('6 Sawpit Yard'),
      email: 'office@quillbank.example',
      taxNumber: 'US-QB-204417',
    },
    buyer: {
      name: 'Odalie Brannock',
      address: address('14 Tern Lane'),
      email: 'brannock@post.example',
      taxNumber: null,
    },
    agreement: { number: 401, title: 'Screened porch' },
    credits: credits === null ? null : { number: `2026-${credits}`, issuedOn: '2026-02-20' },
    remark: credits === null ? '' : 'The boards were short.',
    lines: made.draws.map((draw) => {
      const i = ledger.lines.findIndex((each) => each.id === draw.lineId);
      const agreed = ledger.lines[i]!;
      return {
        id: agreed.id,
        section: agreed.sectionTitle,
        change: null,
        description: agreed.description,
        taxClass: agreed.taxClass,
        agreed: money(agreed.net),
        before: money(before.before[i]!.net),
        net: money(draw.net),
        toDate: money(after.before[i]!.net),
        code: null,
        percent: '',
        left: money(agreed.net - after.before[i]!.net),
        measure: measureOf({
          measure: { quantity: agreed.quantity, unit: 'sqft' },
          agreed: agreed.net,
          net: draw.net,
        }),
      };
    }),
    apart: [],
    layout: { summary: null, groups: [], balance: false },
    parts: [...parts('advance', made.advance), ...parts('retainage', made.retainage)],
    components: components.map(({ key, taxClass, name, percent }, t) => ({
      key,
      taxClass,
      name,
      percent,
      amount: money(sums.taxes[t]!),
    })),
    work: money(sums.work),
    net: money(sums.net),
    tax: money(sums.tax),
    total: money(sums.total),
    creditUsed: made.kind === 'credit note' ? '0.00' : creditUsed,
    paid: '0.00',
    takenBack: '0.00',
    creditApplied: '0.00',
    open: money(sums.total),
    original: money(before.sumToDate),
    changes: [],
    contractSum: money(before.sumToDate),
    workToDate: money(after.workBilled),
    heldToDate: money(after.heldGross),
    aheadToDate: money(after.aheadGross),
    billedBefore: money(before.billed),
    paidBefore: '0.00',
    retainageTerms: null,
    ofAgreement: true,
    lateTerms: null,
    leftAfter: money(after.leftToBill),
  };
}
