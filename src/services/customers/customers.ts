import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { agreement, customer, proposal, site } from '@/data/schema';
import { addressText, hasWords } from '@/data/words';
import type { CustomerInput as Input } from '@/model';
import { CustomerInput, SiteInput } from '@/model';
import type { Actor } from '../actor';
import { businessDate, newId, recordAudit } from '../actor';
import { loadAgreements } from '@/data/agreements/load';
import { standingAndTrack, owedOn } from '@/core/billing';
import { companyOf } from '@/data/settings/company';
import { putOver } from '../over';
import { stateToday } from '@/core/offer/stateToday';
import { check, checkId } from '../check';
import { Problem } from '../problem';

export interface CustomerRow extends Input {
  readonly id: string;
  readonly sites: readonly { readonly id: string; readonly line: string }[];
  readonly proposals: number;
}

const lineOf = (address: { street: string; city: string }) => `${address.street}, ${address.city}`;

/** Customers whose name, contact, mail address or site has all the words, by name. */
export async function listCustomers(actor: Actor, search = ''): Promise<CustomerRow[]> {
  return inCompany(actor.companyId, async (tx) => {
    // Named in full: within the sub-select a bare column would be the site's.
    const addresses = sql`(select string_agg(${addressText(sql`s.address`)}, ' ') from ${site} s
      where s.company_id = ${customer}.company_id and s.customer_id = ${customer}.id)`;
    const rows = await tx
      .select()
      .from(customer)
      .where(hasWords(search, customer.name, customer.contactName, customer.email, addresses))
      .orderBy(asc(customer.name))
      .limit(200);
    if (rows.length === 0) return [];
    const ids = rows.map(({ id }) => id);
    const sites = await tx
      .select()
      .from(site)
      .where(inArray(site.customerId, ids))
      .orderBy(asc(site.createdAt));
    const counts = await tx
      .select({ id: proposal.customerId, count: sql<number>`count(*)::int` })
      .from(proposal)
      .where(and(inArray(proposal.customerId, ids), isNull(proposal.agreementId)))
      .groupBy(proposal.customerId);
    return rows.map((row) => ({
      id: row.id,
      ...inputOf(row),
      sites: sites
        .filter(({ customerId }) => customerId === row.id)
        .map(({ id, address }) => ({ id, line: lineOf(address) })),
      proposals: counts.find((count) => count.id === row.id)?.count ?? 0,
    }));
  });
}

/** One customer with sites, proposals and agreements. */
export async function readCustomer(actor: Actor, customerId: string) {
  return inCompany(actor.companyId, async (tx) => {
    const [found] = await tx.select().from(customer).where(eq(customer.id, customerId));
    if (!found) throw new Problem(404, 'There is no such customer.');
    const sites = await tx
      .select()
      .from(site)
      .where(eq(site.customerId, customerId))
      .orderBy(asc(site.createdAt));
    const proposals = await tx
      .select({
        id: proposal.id,
        number: proposal.number,
        title: proposal.title,
        state: proposal.state,
        total: proposal.total,
        updatedAt: proposal.updatedAt,
        document: proposal.document,
      })
      .from(proposal)
      .where(and(eq(proposal.customerId, customerId), isNull(proposal.agreementId)))
      .orderBy(desc(proposal.updatedAt));
    const agreements = await tx
      .select({ id: agreement.id })
      .from(agreement)
      .where(eq(agreement.customerId, customerId))
      .orderBy(desc(agreement.number));
    const loaded = await loadAgreements(
      tx,
      agreements.map((row) => row.id),
    );
    const ours = await companyOf(tx, actor.companyId);
    const today = businessDate(actor.now, ours.timeZone);
    return {
      customer: { id: found.id, ...inputOf(found) },
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
      })),
      owed: { currency: ours.currency, ...owedOn(loaded, today) },
    };
  });
}

/** A customer as it is typed. */
const inputOf = ({
  name,
  contactName,
  email,
  phone,
  billing,
  internalNote,
  taxExempt,
}: typeof customer.$inferSelect): Input => ({
  name,
  contactName,
  email,
  phone,
  billing,
  internalNote,
  taxExempt,
});

/**
 * Adds a customer, with a first site at the billing address or at one given; or changes one.
 * @param over the customer as it was read, where one is changed: what others changed since stays
 */
export async function saveCustomer(
  actor: Actor,
  input: unknown,
  known?: unknown,
  over?: unknown,
): Promise<{ id: string; siteId: string | null }> {
  const customerId = known === undefined ? undefined : checkId(known, 'There is no such customer.');
  const values = check(CustomerInput, input, 'The customer');
  const base = over === undefined ? undefined : check(CustomerInput, over, 'The customer as it was read');
  return inCompany(actor.companyId, async (tx) => {
    if (customerId) {
      const [now] = await tx.select().from(customer).where(eq(customer.id, customerId)).for('update');
      if (!now) throw new Problem(404, 'There is no such customer.');
      await tx
        .update(customer)
        .set(putOver(inputOf(now), values, base))
        .where(eq(customer.id, customerId));
      await recordAudit(tx, actor, 'customer changed', customerId);
      return { id: customerId, siteId: null };
    }
    const id = newId(actor.now);
    const siteId = newId(actor.now);
    await tx.insert(customer).values({ companyId: actor.companyId, id, ...values, createdAt: actor.now });
    await tx.insert(site).values({
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

/** Adds a site to a customer, or changes one. @param over the site as it was read: what others changed since stays */
export async function saveSite(
  actor: Actor,
  input: unknown,
  known?: unknown,
  over?: unknown,
): Promise<{ id: string }> {
  const siteId = known === undefined ? undefined : checkId(known, 'There is no such site.');
  const values = check(SiteInput, input, 'The site');
  const base = over === undefined ? undefined : check(SiteInput, over, 'The site as it was read');
  return inCompany(actor.companyId, async (tx) => {
    const [owner] = await tx
      .select({ id: customer.id })
      .from(customer)
      .where(eq(customer.id, values.customerId));
    if (!owner) throw new Problem(404, 'There is no such customer.');
    if (siteId) {
      const ours = and(eq(site.id, siteId), eq(site.customerId, values.customerId));
      const [now] = await tx.select().from(site).where(ours).for('update');
      if (!now) throw new Problem(404, 'There is no such site.');
      const { customerId, address, internalNote } = now;
      await tx
        .update(site)
        .set(putOver({ customerId, address, internalNote }, values, base))
        .where(ours);
      return { id: siteId };
    }
    const id = newId(actor.now);
    await tx.insert(site).values({ companyId: actor.companyId, id, ...values, createdAt: actor.now });
    await recordAudit(tx, actor, 'site added', id, { customerId: values.customerId });
    return { id };
  });
}
