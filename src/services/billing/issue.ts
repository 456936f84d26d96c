import { refuseEarlyDeposit } from './earlyDeposit';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { InvoiceDraft, LoadedAgreement } from '@/core/billing';
import { BillingError, NothingToBill, makeCredit, makeInvoice } from '@/core/billing';
import { NotADecimal } from '@/core/number';
import type { BillingAsk, CreditAsk } from '@/model';
import { CreditInput, DraftInput, EntityId, IssueInput } from '@/model';
import Type from 'typebox';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { Problem } from '../problem';
import type { Issuer, PaperOptions } from './insertPaper';
import { insertPaper } from './insertPaper';
import type { OwnLetter } from './invoiceLetter';
import { sendInvoiceLetter } from './invoiceLetter';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { deleteInvoiceDraftByAgreementId, putInvoiceDraft } from '@/data/billing/invoiceDraft';

export type { Issuer } from './insertPaper';

/**
 * What the core says cannot be billed, as a refusal.
 * @throws Problem `cannot-be-billed`, `too-many-decimals`
 */
function refusing<T>(make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof BillingError)
      throw new Problem(
        error instanceof NothingToBill ? 'nothing-to-bill' : 'cannot-be-billed',
        error.message,
      );
    if (error instanceof NotADecimal)
      throw new Problem('too-many-decimals', 'The currency has fewer decimals than that amount.');
    throw error;
  }
}

/**
 * The invoice that is asked for, not issued.
 * @throws Problem `billed-already`, `no-such-scheduled-payment`
 */
export function madeFor(loaded: LoadedAgreement, what: BillingAsk): InvoiceDraft {
  if ('entryId' in what) {
    const entry = loaded.payments.find(({ entryId }) => entryId === what.entryId);
    if (!entry) throw new Problem('no-such-scheduled-payment', 'There is no such payment in the schedule.');
    if (entry.billed === entry.amount && entry.amount !== 0n) {
      const bill = loaded.invoices.filter(({ entryId }) => entryId === what.entryId).at(-1);
      throw new Problem('billed-already', `“${entry.name}” is billed already, with invoice ${bill?.label}.`, {
        context: { invoiceId: bill?.id },
      });
    }
  }
  return refusing(() => makeInvoice(loaded.ledger, what));
}

/**
 * Refuses where papers were issued since the person looked.
 * @throws Problem `invoiced-meanwhile`
 */
function refuseMoved(loaded: LoadedAgreement, seen: number | undefined): void {
  if (seen === undefined || seen === loaded.papers.length) return;
  const last = loaded.papers.at(-1);
  throw new Problem(
    'invoiced-meanwhile',
    `${last?.kind === 'credit note' ? 'Credit note' : 'Invoice'} ${last?.label} was issued while you were looking. Look at the figures once more.`,
  );
}

/** Stores an invoice with its draws inside a transaction. Locks the agreement, then the series. */
export async function insertInvoice(
  tx: Transaction,
  issuer: Issuer,
  agreementId: string,
  what: BillingAsk,
  options: PaperOptions & { readonly seen?: number | undefined } = {},
) {
  const loaded = await loadAgreement(tx, agreementId, { lock: true });
  refuseMoved(loaded, options.seen);
  if ('entryId' in what)
    refuseEarlyDeposit(loaded, what.entryId, await companyOf(tx, issuer.companyId), issuer.now);
  return insertPaper(tx, issuer, loaded, madeFor(loaded, what), options);
}

/** Writes to the customer about what was issued a moment ago; nothing is written about a credit note. */
async function mailIssued(
  tx: Transaction,
  actor: Actor,
  agreementId: string,
  invoiceId: string,
  own: OwnLetter,
): Promise<string | null> {
  const loaded = await loadAgreement(tx, agreementId, { lock: true });
  const bill = loaded.invoices.find(({ id }) => id === invoiceId);
  if (!bill) return null;
  const { to } = await sendInvoiceLetter(tx, actor, loaded, bill, null, own);
  await recordAudit(tx, actor, 'invoice sent', invoiceId, { to });
  return to;
}

/**
 * Issues an invoice on an agreement, by any path. From then on it never changes. All or nothing: the number is taken in
 * the same transaction. What comes to less than nothing is a credit note. A draft that was kept is done with. Where it is to
 * be sent, it is issued and sent, or neither.
 */
export async function issueInvoice(
  actor: Actor,
  input: unknown,
): Promise<{ id: string; number: string; sentTo: string | null }> {
  allow(actor, 'issue');
  const { agreementId, what, send, ...options } = check(IssueInput, input, 'The invoice');
  return inCompany(actor, async (tx) => {
    const { id, label } = await insertInvoice(tx, actor, agreementId, what, options);
    await deleteInvoiceDraftByAgreementId(tx, agreementId);
    const sent = send ? await mailIssued(tx, actor, agreementId, id, send) : null;
    return { id, number: label, sentTo: sent };
  });
}

/**
 * Takes an issued invoice back, in whole or in part, with a credit note. What it drew can be billed again.
 * @throws Problem `late-charge-partly-credited`
 */
export async function creditInvoice(actor: Actor, input: unknown): Promise<{ id: string; number: string }> {
  allow(actor, 'money');
  const { invoiceId, what, remark, seen } = check(CreditInput, input, 'The credit note');
  return inCompany(actor, async (tx) => {
    const agreementId = await agreementOfInvoice(tx, invoiceId);
    const loaded = await loadAgreement(tx, agreementId, { lock: true });
    refuseMoved(loaded, seen);
    if (!loaded.ofAgreement.some(({ id }) => id === invoiceId))
      throw new Problem('late-charge-partly-credited', 'A late charge is waived as a whole.');
    const made = refusing(() => makeCredit(loaded.ledger, invoiceId, what as CreditAsk));
    const { id, label } = await insertPaper(tx, actor, loaded, made, { remark, credits: invoiceId });
    return { id, number: label };
  });
}

/** Keeps an invoice in work, to go on with it later; there is one to an agreement. */
export async function saveDraft(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'issue');
  const { agreementId, what, title, shows, remark } = check(DraftInput, input, 'The draft');
  await inCompany(actor, async (tx) => {
    await loadAgreement(tx, agreementId);
    const values = { what, title, shows, remark, savedBy: actor.userId, savedAt: actor.now };
    await putInvoiceDraft(tx, actor, agreementId, values);
  });
}

const DropInput = Type.Object({ agreementId: EntityId }, { additionalProperties: false });

/** Throws a draft away. */
export async function dropDraft(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'issue');
  const { agreementId } = check(DropInput, input, 'The draft');
  await inCompany(actor, async (tx) => {
    await deleteInvoiceDraftByAgreementId(tx, agreementId);
    await recordAudit(tx, actor, 'draft invoice deleted', agreementId);
  });
}
