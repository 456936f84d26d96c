import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import {
  agreement,
  agreementLine,
  agreementLineTax,
  agreementPayment,
  agreementTax,
  customer,
  decline,
  message,
  proposal,
  revision,
} from '@/data/schema';
import type { FrozenAgreement } from '@/core/agreement';
import { freezeAgreement } from '@/core/agreement';
import { minorDigits, showDecimal, writeAmount, writeFixed } from '@/core/number';
import { compareViews, customerView } from '@/core/offer';
import type { ProposalDocument } from '@/model';
import { AcceptInput, asSuggested, DeclineInput } from '@/model';
import { simulatedPost } from '@/outside/post';
import { newId, note } from '../actor';
import { insertInvoice } from '../agreements/issue';
import { check } from '../check';
import { nextNumber } from '../numbers';
import { Problem } from '../problem';
import { choicesOf, refuseBadChoices, refuseChangedMeanwhile } from './choices';
import type { Visitor } from './open';
import { currentRevision } from './open';

/** The sentence a signer agrees to. Stored with the signature. */
export const consentSentence =
  'I accept this proposal as shown, with my choices, its payment schedule and its terms, and I agree to sign electronically.';

type Current = Awaited<ReturnType<typeof currentRevision>>;

/** Refuses when the one who decides was reading an older revision, and says what changed. */
export async function refuseReplaced(tx: Transaction, current: Current, revisionId: string): Promise<void> {
  if (current.revision.id === revisionId) return;
  const [old] = await tx.select().from(revision).where(eq(revision.id, revisionId));
  if (!old || old.proposalId !== current.proposal.id)
    throw new Problem(404, 'That is not a revision of this proposal.');
  const before = customerView(JSON.parse(old.canonical) as ProposalDocument, asSuggested);
  const after = customerView(current.document, asSuggested);
  const changes = compareViews(before, after);
  throw new Problem(
    409,
    changes.length === 0
      ? 'This proposal was sent to you once more, with nothing changed in it. Open the newest one to decide.'
      : 'This proposal was changed after you opened it. Here is what is different; read the new one before you decide.',
    { context: { changes, revision: current.revision.number } },
  );
}

/** Refuses where there is nothing to decide any more. */
export function refuseClosed(current: Current): void {
  const sentences: Partial<Record<Current['state'], string>> = {
    lapsed: 'The day these prices hold until is over. Ask us for fresh ones.',
    withdrawn: 'This proposal was taken back. Ask us if you did not expect that.',
    declined: 'This proposal was declined. Tell us if you changed your mind.',
    accepted: 'This proposal is accepted already.',
  };
  const sentence = sentences[current.state];
  if (sentence) throw new Problem(409, sentence);
}

async function insertAgreementParts(
  tx: Transaction,
  companyId: string,
  agreementId: string,
  frozen: FrozenAgreement,
) {
  const key = { companyId, agreementId };
  const money = (value: bigint) => writeAmount(value as never, frozen.minorDigits);
  if (frozen.components.length > 0)
    await tx.insert(agreementTax).values(
      frozen.components.map(({ key: name, taxClass, name: title, percent, base, amount }, position) => ({
        ...key,
        position,
        key: name,
        taxClass,
        name: title,
        percent,
        base: money(base),
        amount: money(amount),
      })),
    );
  await tx.insert(agreementLine).values(
    frozen.lines.map((line, position) => ({
      ...key,
      lineId: line.id,
      position,
      sectionTitle: line.sectionTitle,
      bundleId: line.bundle?.id ?? null,
      bundleName: line.bundle?.name ?? null,
      bundleOne: line.bundle?.one ?? false,
      description: line.description,
      unit: line.unit as never,
      quantity: writeFixed(line.quantity),
      unitPrice: writeFixed(line.unitPrice),
      costCode: line.costCode,
      taxClass: line.taxClass,
      net: money(line.net),
      cost: money(line.cost),
    })),
  );
  const taxes = frozen.lines.flatMap((line) =>
    line.taxes.flatMap((tax, position) =>
      tax === 0n ? [] : [{ ...key, lineId: line.id, position, amount: money(tax) }],
    ),
  );
  if (taxes.length > 0) await tx.insert(agreementLineTax).values(taxes);
  await tx.insert(agreementPayment).values(
    frozen.payments.map(({ id, name, kind, due, amount }, position) => ({
      ...key,
      entryId: id,
      position,
      name,
      kind,
      due,
      amount: money(amount),
    })),
  );
}

/**
 * Accepts a proposal: binds revision, choices, signer, time and consent to the revision's hash, freezes the agreement
 * and, where the company works so, issues the deposit invoice, all in one transaction. Whoever comes second (a double
 * tap, another browser, a retry after a lost answer) gets the agreement that is there.
 */
export async function acceptProposal(
  visitor: Visitor,
  input: unknown,
  browser: string,
): Promise<{ agreementId: string; repeated: boolean }> {
  const given = check(AcceptInput, input, 'The signature');
  return inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor, { lock: true });
    const [known] = await tx.select().from(agreement).where(eq(agreement.proposalId, visitor.proposalId));
    if (known) return { agreementId: known.id, repeated: true };
    refuseClosed(current);
    await refuseReplaced(tx, current, given.revisionId);
    const stored = await choicesOf(tx, current.revision.id, current.document);
    refuseBadChoices(current, given.choices, stored.choices);
    refuseChangedMeanwhile(current, given.choices, stored);

    const frozen = freezeAgreement(current.document, given.choices);
    const total = writeAmount(frozen.total, frozen.minorDigits);
    if (total !== given.total)
      throw new Problem(
        409,
        `The total is ${showDecimal(total)}, not ${showDecimal(given.total)}: the choices changed meanwhile. Look at them once more.`,
        {
          context: { total },
        },
      );

    const id = newId(visitor.now);
    const number = await nextNumber(tx, visitor.companyId, 'agreement');
    await tx.insert(agreement).values({
      companyId: visitor.companyId,
      id,
      number,
      proposalId: visitor.proposalId,
      revisionId: current.revision.id,
      customerId: current.proposal.customerId,
      siteId: current.proposal.siteId,
      title: current.document.title,
      currency: current.document.currency,
      choices: given.choices,
      revisionSha256: current.revision.sha256,
      signerName: given.signerName.trim(),
      signature: given.signature,
      consent: consentSentence,
      acceptedAt: visitor.now,
      browser: browser.slice(0, 400),
      idempotencyKey: given.idempotencyKey,
      net: writeAmount(frozen.net, frozen.minorDigits),
      tax: writeAmount(frozen.tax, frozen.minorDigits),
      total,
    });
    await insertAgreementParts(tx, visitor.companyId, id, frozen);
    await tx
      .update(proposal)
      .set({ state: 'accepted', updatedAt: visitor.now })
      .where(eq(proposal.id, visitor.proposalId));
    await note(tx, visitor, 'proposal accepted', visitor.proposalId, {
      agreementId: id,
      sha256: current.revision.sha256,
      signer: given.signerName,
    });

    const deposit = frozen.payments.find(
      ({ kind, due, amount }) => kind === 'deposit' && due.on === 'acceptance' && amount > 0n,
    );
    const issued =
      deposit && current.ours.depositInvoiceOnAcceptance
        ? await insertInvoice(tx, visitor, id, { entryId: deposit.id })
        : null;
    await confirmByPost(tx, visitor, current, total, issued?.number ?? null);
    return { agreementId: id, repeated: false };
  });
}

async function confirmByPost(
  tx: Transaction,
  visitor: Visitor,
  current: Current,
  total: string,
  depositInvoice: number | null,
) {
  const [payer] = await tx.select().from(customer).where(eq(customer.id, current.proposal.customerId));
  if (!payer?.email) return;
  const digits = minorDigits(current.document.currency);
  const letter = {
    to: payer.email,
    subject: `${current.document.title}: accepted`,
    body: [
      `Good day ${payer.contactName || payer.name},`,
      `thank you. You accepted “${current.document.title}” for ${showDecimal(total)} ${current.document.currency}${digits === 0 ? '' : ', tax included'}.`,
      depositInvoice === null
        ? 'We will send the first invoice soon.'
        : `Deposit invoice ${depositInvoice} is waiting under the link you signed at.`,
      `${current.ours.name} · ${current.ours.phone}`,
    ].join('\n\n'),
  };
  await tx.insert(message).values({
    companyId: visitor.companyId,
    id: newId(visitor.now),
    proposalId: visitor.proposalId,
    kind: 'acceptance',
    toAddress: letter.to,
    subject: letter.subject,
    body: letter.body,
    state: simulatedPost.deliver(letter).state,
    at: visitor.now,
  });
}

/** A customer's no, with the reason. A repeat changes nothing. */
export async function declineProposal(visitor: Visitor, input: unknown): Promise<void> {
  const { revisionId, reason } = check(DeclineInput, input, 'The answer');
  await inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor, { lock: true });
    if (current.state === 'declined') return;
    refuseClosed(current);
    await refuseReplaced(tx, current, revisionId);
    await tx.insert(decline).values({
      companyId: visitor.companyId,
      id: newId(visitor.now),
      revisionId,
      reason: reason.trim(),
      at: visitor.now,
    });
    await tx
      .update(proposal)
      .set({ state: 'declined', updatedAt: visitor.now })
      .where(eq(proposal.id, visitor.proposalId));
    await note(tx, visitor, 'proposal declined', visitor.proposalId, { revisionId });
  });
}
