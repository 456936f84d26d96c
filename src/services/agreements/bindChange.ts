import { contractOf } from '@/core/billing';
import type { Transaction } from '@/data/connection';
import type { FrozenAgreement } from '@/core/agreements';
import { changeEffect, omissionProblems, ownEntryId } from '@/core/agreements';
import { linesOf } from '@/core/choice';
import type { Amount } from '@/core/number';
import { moneyOf, showDecimal, subtractAmounts } from '@/core/number';
import type { Choices, ProposalDocument } from '@/model';
import { newId } from '../actor';
import { Problem } from '../problem';
import { agreedForChange } from '@/data/agreements/contract';
import { insertLines, insertStages } from './insertParts';
import type { LoadedAgreement } from '@/core/billing';
import { loadAgreement } from '@/data/agreements/load';
import { refuseUnsettled } from '@/data/agreements/settling';
import { insertChangeOrder } from '@/data/agreements/changeOrder';
import { insertAgreementTax } from '@/data/agreements/agreementTax';
import { insertChangeOrderTax } from '@/data/agreements/changeOrderTax';
import { insertAgreementPayment } from '@/data/agreements/agreementPayment';
import { insertAgreementPaymentChange } from '@/data/agreements/agreementPaymentChange';
import { updateProposal } from '@/data/proposals/proposal';

interface Change {
  readonly companyId: string;
  readonly now: Date;
  readonly proposalId: string;
  readonly agreementId: string;
  readonly revisionId: string;
  readonly document: ProposalDocument;
  readonly choices: Choices;
  /** The state of the agreement the signer saw; left out, it is not looked at. */
  readonly seen: string | undefined;
}

/**
 * Refuses where what a change order leaves out is not there to be left out any more.
 * @throws Problem `omission-wrong`
 */
export async function refuseOmissions(
  tx: Transaction,
  loaded: LoadedAgreement,
  document: ProposalDocument,
): Promise<void> {
  const lines = document.sections.flatMap((section) => [...linesOf(section)]);
  if (!lines.some(({ omits }) => omits)) return;
  const [problem] = omissionProblems(lines, await agreedForChange(tx, loaded));
  if (problem) throw new Problem('omission-wrong', problem);
}

/**
 * Adds a signed change order to its agreement: its lines, its taxes beside those that are there, and what it does to the
 * payments that are not billed. Locks the agreement.
 * @throws Problem `agreement-changed`
 */
export async function bindChange(tx: Transaction, change: Change, frozen: FrozenAgreement) {
  const { companyId, agreementId, now, document } = change;
  const { number, spread } = document.change!;
  const loaded = await loadAgreement(tx, agreementId, { lock: true });
  const contract = contractOf(loaded);
  if (change.seen !== undefined && change.seen !== contract.mark)
    throw new Problem(
      'agreement-changed',
      `The agreement changed while you were reading: it stands at ${showDecimal(contract.sum)} now. Look at it once more, then sign.`,
      { context: { contract } },
    );
  await refuseOmissions(tx, loaded, document);
  await refuseUnsettled(tx, loaded, document);

  const money = moneyOf(loaded.digits);
  const id = newId(now);
  await insertChangeOrder(tx, {
    companyId,
    id,
    agreementId,
    number,
    proposalId: change.proposalId,
    revisionId: change.revisionId,
    title: document.title,
    choices: change.choices,
    net: money.write(frozen.net),
    tax: money.write(frozen.tax),
    total: money.write(frozen.total),
    acceptedAt: now,
  });

  // A rate that is in the agreement already is the same component; another one comes behind.
  const key = { companyId, agreementId };
  const known = [...loaded.components];
  const places: number[] = [];
  for (const component of frozen.components) {
    const same = known.find((each) => each.key === component.key && each.percent === component.percent);
    const position = same?.position ?? known.length;
    places.push(position);
    if (!same) {
      const zero = money.write(0n as Amount);
      const row = {
        ...key,
        position,
        key: component.key,
        taxClass: component.taxClass,
        name: component.name,
        percent: component.percent,
        base: zero,
        amount: zero,
      };
      await insertAgreementTax(tx, row);
      known.push(row);
    }
    await insertChangeOrderTax(tx, {
      ...key,
      changeOrderId: id,
      position,
      base: money.write(component.base),
      amount: money.write(component.amount),
    });
  }
  const into = { companyId, agreementId, minorDigits: loaded.digits, change: { id, number }, now };
  await insertStages(tx, into, frozen, loaded.stages.length);
  await insertLines(tx, into, frozen.lines, (component) => places[component]!);

  const effect = changeEffect(contract, { total: frozen.total, taxTotal: frozen.tax }, { number, spread });
  for (const { id: entryId, name, before, after } of effect.entries) {
    if (after === before) continue;
    if (entryId === ownEntryId(number))
      await insertAgreementPayment(tx, {
        ...key,
        entryId,
        position: 0,
        name,
        kind: 'stage',
        due: { on: 'stage', stage: name },
        amount: money.write(after),
        changeOrderId: id,
      });
    else
      await insertAgreementPaymentChange(tx, {
        ...key,
        changeOrderId: id,
        entryId,
        amount: money.write(subtractAmounts(after, before)),
      });
  }
  await updateProposal(tx, change.proposalId, { state: 'accepted', updatedAt: now });
  return { id, number, contract };
}
