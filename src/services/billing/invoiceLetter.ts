import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';
import type { InvoiceLetter } from '@/core/text/invoiceLetter';
import { invoiceLetterSubject, invoiceLetterText } from '@/core/text/invoiceLetter';
import { joinAddresses, splitAddresses } from '@/core/text/recipients';
import type { AttachInput, ReminderStep } from '@/model';
import { MailInput } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import type { Issuer } from './insertPaper';
import type { LoadedAgreement } from '@/core/billing';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { attachmentsOf } from './attachments';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { postLetter } from '../post';
import { noSuch, Problem } from '../problem';
import { makeLink } from '../links';
import { lateOn } from './late';
import { recipientsOf } from '../customers/recipients';
import { findNameOfPerson } from '@/data/accounts/user';

/** What a letter with an invoice may say otherwise: to whom, and in our own words before all else. */
export interface OwnLetter {
  readonly to?: string | undefined;
  readonly words?: string | undefined;
  /** What goes with it. */
  readonly attach?: AttachInput | undefined;
}

/** What a letter with an invoice says of it today, whoever it goes to and whatever we say before it. */
export async function letterFacts(
  tx: Transaction,
  who: Issuer,
  loaded: LoadedAgreement,
  bill: LoadedAgreement['invoices'][number],
): Promise<Omit<InvoiceLetter, 'words' | 'attached' | 'link'>> {
  const { head, digits } = loaded;
  const ours = await companyOf(tx, who.companyId);
  const whom = await recipientsOf(tx, head.customerId, 'invoices');
  const [sender] = who.userId ? await findNameOfPerson(tx, who.userId) : [];
  const today = businessDate(who.now, ours.timeZone);
  const late = await lateOn(tx, loaded, bill, ours.timeZone, today);
  const money = (value: bigint) => `${showAmount(value as Amount, digits)} ${head.currency}`;
  const { open } = bill.standing;
  return {
    name: whom.name,
    label: bill.label,
    title: bill.title,
    issuedOn: bill.issuedOn,
    dueOn: bill.dueOn,
    today,
    total: `${showDecimal(bill.total)} ${head.currency}`,
    open: open < bill.amount ? money(open) : null,
    currency: head.currency,
    late: late ? money(late.amount) : null,
    lateTerms: bill.lateTerms,
    sender: sender?.name ?? null,
    company: ours.name,
    phone: ours.phone,
  };
}

/**
 * Writes to the customer about an invoice: what it is for, what is open, by when, what paying late costs, and a link to
 * read and pay it; with the words of a reminder, or as it is issued. Inside a transaction with the agreement locked.
 * @throws Problem `email-missing`
 */
export async function sendInvoiceLetter(
  tx: Transaction,
  who: Issuer,
  loaded: LoadedAgreement,
  bill: LoadedAgreement['invoices'][number],
  step: Pick<ReminderStep, 'subject' | 'words'> | null,
  own: OwnLetter = {},
): Promise<{ to: string }> {
  const { head } = loaded;
  const ours = await companyOf(tx, who.companyId);
  const whom = await recipientsOf(tx, head.customerId, 'invoices');
  const to = own.to === undefined ? whom.to : joinAddresses(splitAddresses(own.to));
  if (!to) throw new Problem('email-missing', `${whom.customer} has no email address.`);
  const link = await makeLink(tx, who, head.proposalId, 'invoice', '#pay');
  const attachments = await attachmentsOf(tx, loaded, bill, own.attach ?? {}, ours);
  await postLetter(tx, who, {
    proposalId: head.proposalId,
    kind: step ? 'reminder' : 'invoice',
    link,
    to,
    attachments,
    subject: step ? `${step.subject}: invoice ${bill.label}` : invoiceLetterSubject(bill.label, head.title),
    body: invoiceLetterText({
      ...(await letterFacts(tx, who, loaded, bill)),
      words: step?.words ?? own.words ?? '',
      link: link.address,
      attached: attachments.map(({ name }) => name),
    }),
  });
  return { to };
}

/**
 * Sends an invoice to the customer, with a link to read and pay it: to those who get invoices, or to whom it is said, with our
 * words before it and what goes with it.
 * @throws Problem `no-such-invoice`
 */
export async function mailInvoice(actor: Actor, input: unknown): Promise<{ to: string }> {
  allow(actor, 'issue');
  const { invoiceId, send } = check(MailInput, input, 'The letter');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId), { lock: true });
    const bill = loaded.invoices.find(({ id }) => id === invoiceId);
    if (!bill) throw noSuch('invoice');
    const sent = await sendInvoiceLetter(tx, actor, loaded, bill, null, send);
    await recordAudit(tx, actor, 'invoice sent', invoiceId, sent);
    return sent;
  });
}
