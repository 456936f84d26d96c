import { inCompany } from '@/data/connection';
import type { customer } from '@/data/schema';
import type { CustomerInput as Input, CustomerNotice, CustomerPerson } from '@/model';
import { CustomerInput, SiteInput, isId } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, newId, recordAudit } from '../actor';
import { loadAgreements } from '@/data/agreements/load';
import { standingAndTrack, owedOn } from '@/core/billing';
import { writeAmount } from '@/core/number';
import { companyOf } from '@/data/settings/company';
import { putOver } from '../over';
import { stateToday } from '@/core/offer/stateToday';
import { check, checkId } from '../check';
import type { Asked, Offered } from '../offered';
import { OFFERED, cutOffer } from '../offered';
import { noSuch, Problem } from '../problem';
import { findSitesOfCustomers, findSitesOf, insertSite, lockSiteOf, updateSite } from '@/data/customers/site';
import { countProposals, findProposalsOf } from '@/data/proposals/proposal';
import {
  customerById,
  lockCustomerById,
  updateCustomer,
  insertCustomer,
  findCustomers,
} from '@/data/customers/customer';
import { peopleOf, peopleOfCustomers, putPeople } from '@/data/customers/people';
import { noticesOf } from '@/data/customers/customerNotice';
import { findAgreementIdsOf } from '@/data/agreements/agreement';

export interface CustomerRow extends Input {
  readonly id: string;
  readonly sites: readonly { readonly id: string; readonly line: string }[];
  readonly proposals: number;
  readonly notice: CustomerNotice;
}

const lineOf = (address: { street: string; city: string }) => `${address.street}, ${address.city}`;

/**
 * Customers to pick from: whose name, contact, mail address or site has all the words, by name, and whether there are
 * more than are offered at once; or the one that is asked for by its id.
 */
export async function offerCustomers(
  actor: Actor,
  { words = '', id }: Asked = {},
): Promise<Offered<CustomerRow>> {
  allow(actor, 'prices');
  if (id !== undefined && !isId(id)) return { found: [], more: false };
  return inCompany(actor, async (tx) => {
    const { found: rows, more } = cutOffer(await findCustomers(tx, { words, id, most: OFFERED + 1 }));
    if (rows.length === 0) return { found: [], more };
    const ids = rows.map((row) => row.id);
    const sites = await findSitesOfCustomers(tx, ids);
    const counts = await countProposals(tx, ids);
    const ours = await companyOf(tx, actor.companyId);
    const people = await peopleOfCustomers(tx, ids);
    const notices = await noticesOf(tx, businessDate(actor.now, ours.timeZone), ids);
    const found = rows.map((row) => ({
      id: row.id,
      ...inputOf(row, people.get(row.id) ?? []),
      sites: sites
        .filter(({ customerId }) => customerId === row.id)
        .map(({ id, address }) => ({ id, line: lineOf(address) })),
      proposals: counts.find((count) => count.id === row.id)?.count ?? 0,
      notice: notices.get(row.id)!,
    }));
    return { found, more };
  });
}

/**
 * One customer with sites, proposals and agreements.
 * @throws Problem `no-such-customer`
 */
export async function readCustomer(actor: Actor, customerId: string) {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const [found] = await customerById(tx, customerId);
    if (!found) throw noSuch('customer');
    const sites = await findSitesOf(tx, customerId);
    const proposals = await findProposalsOf(tx, customerId);
    const agreements = await findAgreementIdsOf(tx, customerId);
    const loaded = await loadAgreements(
      tx,
      agreements.map((row) => row.id),
    );
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    return {
      customer: { id: found.id, ...inputOf(found, await peopleOf(tx, customerId)) },
      /** What was known of them as a person was removed. */
      forgotten: found.forgottenAt !== null,
      sites: sites.map((row) => ({
        id: row.id,
        address: row.address,
        line: lineOf(row.address),
        internalNote: row.internalNote,
      })),
      proposals: proposals.map(({ updatedAt, document, state, ...row }) => ({
        ...row,
        state: stateToday(state, document.validUntil, today),
        changedOn: businessDate(updatedAt, ours.timeZone),
      })),
      agreements: loaded.map((each) => ({
        id: each.head.id,
        number: each.head.number,
        title: each.head.title,
        ...standingAndTrack(each),
        /** What is open on it, as it was issued. */
        open: each.invoices
          .filter(({ standing }) => standing.open > 0n)
          .map(({ id, label, title, dueOn, standing }) => ({
            ...{ id, label, title, dueOn },
            open: writeAmount(standing.open, each.digits),
          })),
      })),
      today,
      owed: { currency: ours.currency, ...owedOn(loaded, today) },
    };
  });
}

/** A customer as it is typed. */
const inputOf = (
  { name, contactName, email, phone, billing, internalNote, alert, taxExempt }: typeof customer.$inferSelect,
  people: readonly CustomerPerson[],
): Input => ({
  name,
  contactName,
  email,
  phone,
  billing,
  internalNote,
  alert,
  taxExempt,
  people: [...people],
});

/**
 * Adds a customer, with a first site at the billing address or at one given; or changes one.
 * @param over the customer as it was read, where one is changed: what others changed since stays
 * @throws Problem `customer-forgotten`, `no-such-customer`, `not-well-formed`
 */
export async function saveCustomer(
  actor: Actor,
  input: unknown,
  known?: unknown,
  over?: unknown,
): Promise<{ id: string; siteId: string | null }> {
  allow(actor, 'propose', 'issue', 'money');
  const customerId = known === undefined ? undefined : checkId(known, 'customer');
  const values = check(CustomerInput, input, 'The customer');
  const base = over === undefined ? undefined : check(CustomerInput, over, 'The customer as it was read');
  for (const { people = [] } of [values, base ?? values])
    if (new Set(people.map(({ id }) => id)).size < people.length)
      throw new Problem('not-well-formed', 'The customer: two people have the same identity.');
  return inCompany(actor, async (tx) => {
    if (customerId) {
      const [now] = await lockCustomerById(tx, customerId);
      if (!now) throw noSuch('customer');
      if (now.forgottenAt)
        throw new Problem('customer-forgotten', 'Their data was removed: nothing is written over it.');
      const stored = inputOf(now, await peopleOf(tx, customerId));
      const { people, ...columns } = putOver(stored, { people: [], ...stored, ...values }, base);
      await updateCustomer(tx, customerId, columns);
      await putPeople(tx, { companyId: actor.companyId, customerId }, people ?? []);
      await recordAudit(tx, actor, 'customer changed', customerId);
      return { id: customerId, siteId: null };
    }
    const id = newId(actor.now);
    const siteId = newId(actor.now);
    const { people, ...columns } = values;
    await insertCustomer(tx, { companyId: actor.companyId, id, ...columns, createdAt: actor.now });
    await putPeople(tx, { companyId: actor.companyId, customerId: id }, people ?? []);
    await insertSite(tx, {
      companyId: actor.companyId,
      id: siteId,
      customerId: id,
      address: values.billing,
      createdAt: actor.now,
    });
    await recordAudit(tx, actor, 'customer added', id);
    return { id, siteId };
  });
}

/**
 * Adds a site to a customer, or changes one. @param over the site as it was read: what others changed since stays
 * @throws Problem `no-such-customer`, `no-such-site`
 */
export async function saveSite(
  actor: Actor,
  input: unknown,
  known?: unknown,
  over?: unknown,
): Promise<{ id: string }> {
  allow(actor, 'propose', 'issue', 'money');
  const siteId = known === undefined ? undefined : checkId(known, 'site');
  const values = check(SiteInput, input, 'The site');
  const base = over === undefined ? undefined : check(SiteInput, over, 'The site as it was read');
  return inCompany(actor, async (tx) => {
    const [owner] = await customerById(tx, values.customerId);
    if (!owner) throw noSuch('customer');
    if (siteId) {
      const [now] = await lockSiteOf(tx, siteId, values.customerId);
      if (!now) throw noSuch('site');
      const { customerId, address, internalNote } = now;
      await updateSite(tx, siteId, putOver({ customerId, address, internalNote }, values, base));
      return { id: siteId };
    }
    const id = newId(actor.now);
    await insertSite(tx, { companyId: actor.companyId, id, ...values, createdAt: actor.now });
    await recordAudit(tx, actor, 'site added', id, { customerId: values.customerId });
    return { id };
  });
}
