import canonicalize from 'canonicalize';
import type { LoadedAgreement } from '@/core/billing';
import { agreementStanding } from '@/core/billing';
import { showAmount } from '@/core/number';
import { isUnderWay } from '@/core/reports';
import type { Transaction } from '@/data/connection';
import { inCompany } from '@/data/connection';
import { creditOf } from '@/data/payments/credit';
import { findRevisionsOfCustomer, findUnsignedOf, forgetCustomerRow } from '@/data/customers/forget';
import { lockCustomerById } from '@/data/customers/customer';
import { findAgreementIdsOf } from '@/data/agreements/agreement';
import { loadAgreements } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import type { ProposalDocument } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import { checkId, checkText } from '../check';
import { noSuch, Problem } from '../problem';
import { sha256 } from '../secrets';

/** What stands in place of words that were removed. */
const TITLE = 'Removed proposal';

/** Words about a customer, wherever they stand in a document; and the plans of their house. */
const WORDS = new Set(['coverNote', 'internalNote', 'crewNote', 'open', 'plans']);

/** A document without words about the customer: its figures stay. */
function withoutWords(document: ProposalDocument): ProposalDocument {
  const bare = JSON.parse(
    JSON.stringify(document, (key, value: unknown) => (WORDS.has(key) ? undefined : value)),
  ) as ProposalDocument;
  return { ...bare, title: TITLE };
}

/**
 * Who is still in business with us is not removed: what is owed either way, and what was agreed and is not billed, is settled
 * first.
 * @throws Problem `customer-owes`, `work-under-way`
 */
async function refuseUnsettledWith(tx: Transaction, agreements: readonly LoadedAgreement[]): Promise<void> {
  for (const loaded of agreements) {
    const { head, invoices, digits } = loaded;
    const credit = await creditOf(tx, loaded);
    if (!isUnderWay({ loaded, credit })) continue;
    if (credit !== 0n || invoices.some(({ standing }) => standing.open !== 0n))
      throw new Problem(
        'customer-owes',
        `With agreement ${head.number} they owe something, or we owe it them: settle that first. Nothing was removed.`,
      );
    const { leftToBill } = agreementStanding(loaded);
    throw new Problem(
      'work-under-way',
      `Of agreement ${head.number}, ${showAmount(leftToBill, digits)} is not billed yet: bill it, or leave it out with a change order. Nothing was removed.`,
    );
  }
}

/**
 * Removes what is known of a customer as a person, for one who asks for it: name, addresses, people, notes, letters, links,
 * what they asked and the words of offers nobody signed. What they signed and every invoice stays as it is, as the law on
 * books wants it; figures of offers stay without a name. Nothing of this comes back.
 *
 * @param typed their name, typed by hand
 * @throws Problem `customer-owes`, `work-under-way`, `customer-forgotten`, `name-other`, `no-such-customer`
 */
export async function forgetCustomer(actor: Actor, id: unknown, typed: unknown): Promise<void> {
  allow(actor, 'settings');
  const customerId = checkId(id, 'customer');
  const name = checkText(typed, 300, 'The name');
  await inCompany(actor, async (tx) => {
    const [found] = await lockCustomerById(tx, customerId);
    if (!found) throw noSuch('customer');
    if (found.forgottenAt) throw new Problem('customer-forgotten', 'Their data was removed already.');
    if (name.trim() !== found.name.trim())
      throw new Problem('name-other', `Type the name of the customer to remove their data: ${found.name}`);
    const agreements = await loadAgreements(
      tx,
      (await findAgreementIdsOf(tx, customerId)).map((row) => row.id),
    );
    await refuseUnsettledWith(tx, agreements);
    const frozen = (await findRevisionsOfCustomer(tx, customerId)).map((row) => {
      const canonical = canonicalize(withoutWords(JSON.parse(row.canonical) as ProposalDocument))!;
      return { id: row.id, canonical, sha256: sha256(canonical) };
    });
    const documents = (await findUnsignedOf(tx, customerId)).map(({ id: proposalId, document }) => ({
      id: proposalId,
      document: withoutWords(document),
    }));
    const { timeZone } = await companyOf(tx, actor.companyId);
    await forgetCustomerRow(tx, {
      id: customerId,
      called: `Removed customer, ${businessDate(actor.now, timeZone)}`,
      title: TITLE,
      documents,
      frozen,
      at: actor.now,
    });
    await recordAudit(tx, actor, 'customer data removed', customerId);
  });
}
