import type { AgreementFile } from '@/model';
import { asSuggested } from '@/model';
import { freezeAgreement } from '../agreements';
import { moneyOf, writeFixed } from '../number';
import type { Agreed } from './agreed';
import { openLedger, withChange, withPaper } from './agreed';
import { BillingError } from './draws';
import { positionOf } from './ledger';
import { creditable, makeCredit } from './makeCredit';
import type { InvoiceDraft } from './makeInvoice';
import { makeInvoice } from './makeInvoice';
import type { Portion } from './paper';
import { paperSums } from './paper';

/**
 * An agreement with its billing steps, as plain JSON with decimals as text: every paper with its draws, retainage, tax
 * and balances (docs/formats/figures.md). For integrators and for checking by hand.
 *
 * @throws BillingError naming the step that cannot be done
 */
export function agreementReport({ proposal, choices, steps }: AgreementFile) {
  const frozen = freezeAgreement(proposal, choices ?? asSuggested);
  const money = moneyOf(frozen.minorDigits);
  let agreed = openLedger(frozen);
  const changes: object[] = [];
  const papers: object[] = [];
  steps.forEach((step, i) => {
    try {
      if ('change' in step) {
        const { change } = step.change;
        if (!change) throw new BillingError('This document is not a change order.');
        const signed = freezeAgreement(step.change, step.choices ?? asSuggested);
        agreed = withChange(agreed, signed, change);
        changes.push({
          number: change.number,
          title: step.change.title,
          net: money.write(signed.net),
          tax: money.write(signed.tax),
          total: money.write(signed.total),
          payments: agreed.ledger.entries.map(({ id, name, amount }) => ({
            id,
            name,
            amount: money.write(amount),
          })),
        });
        return;
      }
      const credited = 'credit' in step ? String(step.credit.paper) : null;
      const made =
        'credit' in step
          ? makeCredit(agreed.ledger, credited!, step.credit.what)
          : makeInvoice(agreed.ledger, step.bill);
      const ledger = withPaper(agreed.ledger, made, String(papers.length + 1), credited);
      papers.push(paperReport(agreed, made, { ...agreed, ledger }, papers.length + 1, credited));
      agreed = { ...agreed, ledger };
    } catch (error) {
      if (error instanceof BillingError) throw new BillingError(`Step ${i + 1}: ${error.message}`);
      throw error;
    }
  });
  const { ledger, components } = agreed;
  const position = positionOf(ledger);
  return {
    currency: proposal.currency,
    terms: ledger.terms,
    original: {
      net: money.write(frozen.net),
      tax: money.write(frozen.tax),
      total: money.write(frozen.total),
    },
    changes,
    sumToDate: money.write(position.sumToDate),
    papers,
    lines: ledger.lines.map(({ id, description, sectionTitle, stage, quantity, net, taxes }, l) => ({
      id,
      description,
      section: sectionTitle,
      ...(stage === null ? {} : { stage }),
      quantity: writeFixed(quantity),
      agreed: money.write(net),
      taxes: taxes.map(money.write),
      billed: money.write(position.before[l]!.net),
      left: money.write(position.left[l]!.net),
    })),
    components: components.map(({ taxClass, name, percent }) => ({ taxClass, name, percent })),
    payments: ledger.entries.map(({ id, name, kind, amount }) => ({
      id,
      name,
      kind,
      amount: money.write(amount),
    })),
    position: positionReport(agreed),
  };
}

function positionReport({ ledger }: Agreed) {
  const money = moneyOf(ledger.minorDigits);
  const { workBilled, workLeft, heldGross, aheadGross, billed, leftToBill } = positionOf(ledger);
  return {
    workBilled: money.write(workBilled),
    workLeft: money.write(workLeft),
    held: money.write(heldGross),
    depositNotCountedOff: money.write(aheadGross),
    billed: money.write(billed),
    leftToBill: money.write(leftToBill),
  };
}

function paperReport(
  before: Agreed,
  made: InvoiceDraft,
  after: Agreed,
  number: number,
  credited: string | null,
) {
  const money = moneyOf(before.ledger.minorDigits);
  const sums = paperSums(made, before.components.length);
  const portions = (rows: readonly Portion[]) =>
    rows.map(({ taxClass, net, taxes }) => ({
      taxClass,
      net: money.write(net),
      taxes: taxes.map(money.write),
    }));
  const { before: drawn } = positionOf(after.ledger);
  const place = new Map(after.ledger.lines.map(({ id }, i) => [id, i]));
  return {
    number,
    kind: made.kind,
    title: made.title,
    ...(credited === null
      ? {}
      : { takesBack: Number(credited), leftOfIt: money.write(creditable(after.ledger, credited).total) }),
    draws: made.draws.map(({ lineId, net, taxes }) => ({
      line: lineId,
      net: money.write(net),
      taxes: taxes.map(money.write),
      toDate: money.write(drawn[place.get(lineId)!]!.net),
    })),
    ...(made.advance.length > 0 ? { deposit: portions(made.advance) } : {}),
    ...(made.retainage.length > 0 ? { retainage: portions(made.retainage) } : {}),
    work: money.write(sums.work),
    workWithTax: money.write(sums.workGross),
    depositWithTax: money.write(sums.advance),
    retainageWithTax: money.write(sums.retainage),
    net: money.write(sums.net),
    tax: before.components.map(({ name, percent }, t) => ({
      name,
      percent,
      amount: money.write(sums.taxes[t]!),
    })),
    total: money.write(sums.total),
    after: positionReport(after),
  };
}
