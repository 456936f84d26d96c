import { findNameOfPerson } from '@/data/accounts/user';
import { inCompany } from '@/data/connection';
import { lockCustomerById } from '@/data/customers/customer';
import { wasSentSince } from '@/data/messages/message';
import { companyOf } from '@/data/settings/company';
import { isBelowZero, isNothing, showDecimal, withoutSign } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { statementLetterSubject, statementLetterText } from '@/core/text/statementLetter';
import type { AccountPaper } from '@/formats/accountPaper';
import { accountPdf } from '@/formats/pdf/accountPdf';
import { StatementsInput } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { postLetter } from '../post';
import { Problem } from '../problem';
import { readAccount } from './account';
import { recipientsOf } from './recipients';

/** What became of the statement of one customer. */
export type StatementSent =
  | { readonly customerId: string; readonly sentTo: string }
  | { readonly customerId: string; readonly refused: string };

/** The same statement is not sent twice within so long: it was asked for again because no answer came. */
const TWICE = 10 * 60_000;

/** @throws Problem `nothing-open` */
function refuseNothing({ rows, opening, closing }: AccountPaper): void {
  if (rows.length === 0 && isNothing(opening) && isNothing(closing))
    throw new Problem('nothing-open', 'Nothing happened in these days, and nothing is owed.');
}

/** @throws Problem `email-missing`, `sent-already` */
async function sendOne(
  actor: Actor,
  customerId: string,
  paper: AccountPaper,
  words: string,
): Promise<string> {
  const bytes = await accountPdf(paper);
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const whom = await recipientsOf(tx, customerId, 'invoices');
    if (!whom.to) throw new Problem('email-missing', 'No email address is known.');
    const [sender] = await findNameOfPerson(tx, actor.userId);
    const { from, to, closing, currency } = paper;
    const subject = statementLetterSubject(from, to);
    const letter = { customerId, kind: 'statement', subject };
    // Held: asked for twice at once, the second sees the first.
    await lockCustomerById(tx, customerId);
    if (await wasSentSince(tx, letter, new Date(actor.now.getTime() - TWICE)))
      throw new Problem('sent-already', 'It was sent a moment ago.');
    const owes = !isNothing(closing) && !isBelowZero(closing);
    await postLetter(tx, actor, {
      ...letter,
      proposalId: null,
      to: whom.to,
      body: statementLetterText({
        name: whom.name,
        ...{ from, to, words },
        owed: owes ? `${showDecimal(closing)} ${currency}` : null,
        credit: isBelowZero(closing) ? `${showDecimal(withoutSign(closing))} ${currency}` : null,
        open: paper.open.map(
          ({ number, title, dueOn, late, open }) =>
            `Invoice ${number}, ${title}: ${showDecimal(open)} ${currency}, ${late ? 'was' : 'is'} due on ${showDate(dueOn)}`,
        ),
        sender: sender?.name ?? null,
        company: ours.name,
        phone: ours.phone,
      }),
      attachments: [{ name: 'statement of account.pdf', mediaType: 'application/pdf', bytes }],
    });
    await recordAudit(tx, actor, 'statement sent', customerId, { from, to, sentTo: whom.to });
    return whom.to;
  });
}

/**
 * Sends statements of account, each by itself: one that cannot be sent is told and keeps none of the others.
 * @throws Problem `dates-reversed`
 */
export async function sendStatements(
  actor: Actor,
  input: unknown,
): Promise<{ readonly sent: readonly StatementSent[] }> {
  allow(actor, 'money');
  const { customerIds, from, to, words } = check(StatementsInput, input, 'The statements');
  if (from > to) throw new Problem('dates-reversed', 'The first day is after the last.');
  const sent: StatementSent[] = [];
  for (const customerId of customerIds) {
    try {
      const paper = await readAccount(actor, customerId, { from, to });
      refuseNothing(paper);
      sent.push({ customerId, sentTo: await sendOne(actor, customerId, paper, words) });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      sent.push({ customerId, refused: error.message });
    }
  }
  return { sent };
}
