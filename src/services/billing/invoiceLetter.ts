import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import type { Amount } from '@/core/number';
import { showAmount, showDecimal } from '@/core/number';
import { lateInWords } from '@/core/text/billingInWords';
import { showDate } from '@/core/text/dates';
import type { ReminderStep } from '@/model';
import { EntityId } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import type { Issuer } from './insertPaper';
import type { LoadedAgreement } from '@/core/billing';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { check } from '../check';
import { companyOf } from '@/data/settings/company';
import { postLetter } from '../post';
import { noSuch, Problem } from '../problem';
import { makeLink } from '../links';
import { lateOn } from './late';
import { customerById } from '@/data/customers/customer';
import { findNameOfPerson } from '@/data/accounts/user';

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
): Promise<{ to: string }> {
  const { head, digits } = loaded;
  const ours = await companyOf(tx, who.companyId);
  const [payer] = await customerById(tx, head.customerId);
  if (!payer!.email) throw new Problem('email-missing', `${payer!.name} has no email address.`);
  const [sender] = who.userId ? await findNameOfPerson(tx, who.userId) : [];
  const late = await lateOn(tx, loaded, bill, ours.timeZone, businessDate(who.now, ours.timeZone));
  const link = await makeLink(tx, who, head.proposalId, 'invoice', '#pay');
  const money = (value: bigint) => `${showAmount(value as Amount, digits)} ${head.currency}`;
  const { open } = bill.standing;
  const partly = open < bill.amount ? `, of which ${money(open)} is open` : '';
  await postLetter(tx, who, {
    proposalId: head.proposalId,
    kind: step ? 'reminder' : 'invoice',
    link,
    to: payer!.email,
    subject: step ? `${step.subject}: invoice ${bill.label}` : `Invoice ${bill.label}: ${head.title}`,
    body: [
      `Good day ${payer!.contactName || payer!.name},`,
      ...(step?.words.trim() ? [step.words.trim()] : []),
      `Invoice ${bill.label} of ${showDate(bill.issuedOn)} for “${bill.title}” comes to ${showDecimal(bill.total)} ${head.currency}${partly}. It ${
        bill.dueOn < businessDate(who.now, ours.timeZone) ? 'was' : 'is'
      } due on ${showDate(bill.dueOn)}.`,
      ...(late
        ? [`Because it is late, ${money(late.amount)} is owed beside it by today.`]
        : bill.lateTerms
          ? [lateInWords(bill.lateTerms, head.currency)]
          : []),
      `Read it and pay here:\n${link.address}`,
      `${sender ? `${sender.name}\n` : ''}${ours.name} · ${ours.phone}`,
    ].join('\n\n'),
  });
  return { to: payer!.email };
}

const MailInput = Type.Object({ invoiceId: EntityId }, { additionalProperties: false });

/**
 * Sends an invoice to the customer, with a link to read and pay it.
 * @throws Problem `no-such-invoice`
 */
export async function mailInvoice(actor: Actor, input: unknown): Promise<{ to: string }> {
  allow(actor, 'owner', 'office', 'seller');
  const { invoiceId } = check(MailInput, input, 'The letter');
  return inCompany(actor.companyId, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId), { lock: true });
    const bill = loaded.invoices.find(({ id }) => id === invoiceId);
    if (!bill) throw noSuch('invoice');
    const sent = await sendInvoiceLetter(tx, actor, loaded, bill, null);
    await recordAudit(tx, actor, 'invoice sent', invoiceId, sent);
    return sent;
  });
}
