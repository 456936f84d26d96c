import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { freezeAgreement } from '@/core/agreements';
import type { FrozenAgreement } from '@/core/agreements';
import { choicesInWords, menuOf } from '@/core/choice';
import { minorDigits, showDecimal, writeAmount } from '@/core/number';
import { customerView } from '@/core/offer';
import type { Choices } from '@/model';
import { AcceptForInput, AcceptInput } from '@/model';
import type { Actor } from '../actor';
import { allow, newId, recordAudit } from '../actor';
import { bindChange } from '../agreements/bindChange';
import { insertComponents, insertLines, insertPayments, insertStages } from '../agreements/insertParts';
import { insertInvoice } from '../billing/issue';
import type { Signer } from '../agreements/sign';
import { recordSigning } from '../agreements/sign';
import { check } from '../check';
import { makeLink } from '../links';
import { nextNumber } from '../numbers';
import { postLetter } from '../post';
import { Problem } from '../problem';
import { choicesOf, refuseBadChoices, refuseChangedMeanwhile } from '@/data/proposals/choices';
import { consentTo, refuseClosed, refuseReplaced } from './decide';
import type { Visitor } from './open';
import { currentRevision } from './open';
import { agreementByProposalId, insertAgreementRow } from '@/data/agreements/agreement';
import { findSignedChange } from '@/data/agreements/changeOrder';
import { updateProposal } from '@/data/proposals/proposal';
import { recipientsOf } from '../customers/recipients';

type Current = Awaited<ReturnType<typeof currentRevision>>;

/** A yes to a revision: by whom, to which choices, for which total. */
interface AcceptanceInput {
  readonly revisionId: string;
  /** Null: as they stand on the server. */
  readonly choices: Choices | null;
  readonly total: string;
  readonly idempotencyKey: string;
  readonly contract?: string;
}

export interface Accepted {
  readonly agreementId: string;
  readonly repeated: boolean;
  /** Who signed before, and when, where it was not this signature that did; null: this one did. */
  readonly before: { readonly signer: string; readonly at: string } | null;
}

/** What is there already, when someone comes second. */
async function acceptedBefore(
  tx: Transaction,
  { proposal: row }: Current,
  { idempotencyKey }: AcceptanceInput,
  { name }: Signer,
): Promise<Accepted | null> {
  if (!row.agreementId) {
    const [found] = await agreementByProposalId(tx, row.id);
    if (!found) return null;
    const same = found.idempotencyKey === idempotencyKey;
    return {
      agreementId: found.id,
      repeated: true,
      before: same ? null : { signer: found.signerName, at: found.acceptedAt.toISOString() },
    };
  }
  const [found] = await findSignedChange(tx, row.id);
  if (!found) return null;
  // No key is kept of a change order: the same name is the same hand.
  const same = found.signer === name;
  return {
    agreementId: found.change.agreementId,
    repeated: true,
    before: same ? null : { signer: found.signer, at: found.at.toISOString() },
  };
}

/**
 * Binds revision, choices, signer, time and consent to the revision's hash, freezes the agreement (or the change to it)
 * and, where the company works so, issues the deposit invoice, all in one transaction. Whoever comes second (a double tap,
 * another browser, a retry after a lost answer) gets what is there.
 * @throws Problem `total-changed`
 */
async function accept(
  tx: Transaction,
  current: Current,
  yes: AcceptanceInput,
  signer: Signer,
): Promise<Accepted> {
  const before = await acceptedBefore(tx, current, yes, signer);
  if (before) return before;
  refuseClosed(current);
  await refuseReplaced(tx, current, yes.revisionId);
  const stored = await choicesOf(tx, current.revision, current.document);
  const choices = yes.choices ?? stored.choices;
  refuseBadChoices(current, choices, stored.choices);
  refuseChangedMeanwhile(current, choices, stored);

  const { document, proposal: row, revision } = current;
  const frozen = freezeAgreement(document, choices);
  const total = writeAmount(frozen.total, frozen.minorDigits);
  if (total !== yes.total)
    throw new Problem(
      'total-changed',
      `The total is ${showDecimal(total)}, not ${showDecimal(yes.total)}: the choices changed meanwhile. Look at them once more.`,
      { context: { total } },
    );

  const signed = {
    consent: consentTo(document, signer.recordedBy !== null),
    documentSha256: revision.sha256,
    choices: choicesInWords(menuOf(document), choices),
  };
  const view = customerView(document, choices);
  const who = { companyId: signer.companyId, userId: signer.recordedBy?.id ?? null, now: signer.now };
  if (row.agreementId) {
    const change = await bindChange(
      tx,
      {
        companyId: signer.companyId,
        now: signer.now,
        proposalId: row.id,
        agreementId: row.agreementId,
        revisionId: revision.id,
        document,
        choices,
        // Who signs has seen the agreement beside it; who records a yes by phone reads it as it stands.
        seen: signer.recordedBy ? undefined : (yes.contract ?? ''),
      },
      frozen,
    );
    await recordSigning(tx, signer, {
      ...signed,
      agreementId: row.agreementId,
      kind: 'change order',
      subject: change.id,
      shown: { ...view, contract: change.contract },
    });
    await recordAudit(tx, who, 'change order accepted', row.agreementId, {
      changeOrderId: change.id,
      number: change.number,
      total,
    });
    await confirmByPost(tx, signer, current, total, null);
    return { agreementId: row.agreementId, repeated: false, before: null };
  }

  const id = await insertAgreement(tx, current, choices, frozen, yes.idempotencyKey, signer);
  await recordSigning(tx, signer, { ...signed, agreementId: id, kind: 'proposal', subject: id, shown: view });
  await recordAudit(tx, who, 'proposal accepted', row.id, {
    agreementId: id,
    sha256: revision.sha256,
    signer: signer.name,
    ...(signer.signature.kind === 'told' ? { told: signer.signature.how } : {}),
  });
  const deposit = frozen.payments.find(
    ({ kind, due, amount }) => kind === 'deposit' && due.on === 'acceptance' && amount > 0n,
  );
  const issued =
    deposit && current.ours.depositInvoiceOnAcceptance && !current.ours.money.coolingOff?.holdDeposit
      ? await insertInvoice(tx, who, id, { entryId: deposit.id })
      : null;
  await confirmByPost(tx, signer, current, total, issued?.label ?? null);
  return { agreementId: id, repeated: false, before: null };
}

async function insertAgreement(
  tx: Transaction,
  { document, proposal: row, revision }: Current,
  choices: Choices,
  frozen: FrozenAgreement,
  idempotencyKey: string,
  signer: Signer,
): Promise<string> {
  const { companyId, now } = signer;
  const id = newId(now);
  const money = (value: (typeof frozen)['total']) => writeAmount(value, frozen.minorDigits);
  await insertAgreementRow(tx, {
    companyId,
    id,
    number: await nextNumber(tx, companyId, 'agreement'),
    proposalId: row.id,
    revisionId: revision.id,
    customerId: row.customerId,
    siteId: row.siteId,
    title: document.title,
    currency: document.currency,
    choices,
    revisionSha256: revision.sha256,
    signerName: signer.name,
    signature: signer.signature,
    consent: consentTo(document, signer.recordedBy !== null),
    acceptedAt: now,
    browser: signer.browser,
    idempotencyKey,
    net: money(frozen.net),
    tax: money(frozen.tax),
    total: money(frozen.total),
    billing: frozen.billing,
  });
  const into = { companyId, agreementId: id, minorDigits: frozen.minorDigits, change: null, now };
  await insertComponents(tx, into, frozen);
  await insertStages(tx, into, frozen);
  await insertLines(tx, into, frozen.lines, (component) => component);
  await insertPayments(tx, into, frozen);
  await updateProposal(tx, row.id, { state: 'accepted', updatedAt: now });
  return id;
}

async function confirmByPost(
  tx: Transaction,
  signer: Signer,
  current: Current,
  total: string,
  depositInvoice: string | null,
) {
  const { document, proposal: row, ours } = current;
  const payer = await recipientsOf(tx, row.customerId, 'offers');
  if (!payer.to) return;
  const tax = minorDigits(document.currency) === 0 ? '' : ', including tax';
  const said =
    signer.signature.kind === 'told'
      ? `you told us ${signer.signature.how} that you accept`
      : 'thank you. You accepted';
  // What was signed, and its invoices, stay under a link; the one they signed with was never kept in clear.
  const link = document.change ? null : await makeLink(tx, signer, row.id, 'acceptance');
  await postLetter(tx, signer, {
    proposalId: row.id,
    kind: 'acceptance',
    link,
    to: payer.to,
    subject: `${document.title}: accepted`,
    body: [
      `Good day ${payer.name},`,
      `${said} “${document.title}” for ${showDecimal(total)} ${document.currency}${tax}.`,
      ...(document.change
        ? []
        : [
            depositInvoice === null
              ? 'We will send the first invoice soon.'
              : `Deposit invoice ${depositInvoice} is waiting under the link below.`,
          ]),
      ...(link === null ? [] : [`What you signed, to read and keep:\n${link.address}`]),
      `${ours.name} · ${ours.phone}`,
    ].join('\n\n'),
  });
}

/** The customer accepts what they hold the link of, with a signature of their own. */
export async function acceptProposal(visitor: Visitor, input: unknown, browser: string): Promise<Accepted> {
  const given = check(AcceptInput, input, 'The signature');
  return inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor, { lock: true });
    return accept(tx, current, given, {
      companyId: visitor.companyId,
      now: visitor.now,
      name: given.signerName.trim(),
      signature: given.signature,
      browser: browser.slice(0, 400),
      from: visitor.from,
      linkId: visitor.linkId,
      recordedBy: null,
    });
  });
}

/**
 * Records a yes on the customer's behalf: to the newest revision with the choices as they stand, saying how and when they
 * said so. The customer is told by mail.
 * @throws Problem `day-to-come`
 */
export async function acceptForCustomer(actor: Actor, input: unknown): Promise<Accepted> {
  allow(actor, 'propose');
  const given = check(AcceptForInput, input, 'The acceptance');
  return inCompany(actor, async (tx) => {
    const current = await currentRevision(tx, { ...actor, proposalId: given.proposalId }, { lock: true });
    if (given.told.on > current.today)
      throw new Problem('day-to-come', 'They cannot have said yes on a day to come.');
    return accept(
      tx,
      current,
      { ...given, choices: null },
      {
        companyId: actor.companyId,
        now: actor.now,
        name: given.signerName.trim(),
        signature: given.told,
        browser: '',
        from: '',
        linkId: null,
        recordedBy: { id: actor.userId, name: actor.name },
      },
    );
  });
}
