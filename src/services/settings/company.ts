import Type from 'typebox';
import { inCompany } from '@/data/connection';
import type { company } from '@/data/schema';
import { companyOf, updateCompany } from '@/data/settings/company';
import { companyDetails, reckoning } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { putOver } from '../over';
import { refuseUnknownTime } from './refuseUnknown';

/** What everybody of a company knows of it: what it is called, where it is, its money and its time. */
export const readOwnCompany = (actor: Actor) =>
  inCompany(actor, async (tx) => {
    const { name, address, currency, timeZone, demo } = await companyOf(tx, actor.companyId);
    return { name, address, currency, timeZone, demo };
  });

const { currency: _, ...changeable } = reckoning;
const parts = { ...companyDetails, ...changeable };
const closed = { additionalProperties: false } as const;
const Details = Type.Object(parts, closed);
const Input = Type.Object({ ...parts, over: Type.Optional(Details) }, closed);

/** What a company says of itself, and in what it reckons; its currency stays. */
export type CompanyDetails = Type.Static<typeof Details>;

export const detailsOf = (row: typeof company.$inferSelect): CompanyDetails => {
  const { name, address, email, phone, website, taxNumber, licence, timeZone, units } = row;
  return { name, address, email, phone, website, taxNumber, licence, timeZone, units };
};

/**
 * Changes what the company says of itself. Papers that are out keep what they said. Where it says what it stands over, what
 * others changed since stays.
 * @throws Problem `unknown-time-zone`
 */
export async function saveCompany(actor: Actor, input: unknown): Promise<CompanyDetails> {
  allow(actor, 'settings');
  const { over, ...typed } = check(Input, input, 'The company');
  refuseUnknownTime(typed.timeZone);
  return inCompany(actor, async (tx) => {
    const before = detailsOf(await companyOf(tx, actor.companyId, 'update'));
    const after = putOver<CompanyDetails>(before, typed, over ?? before);
    await updateCompany(tx, actor.companyId, after);
    await recordAudit(tx, actor, 'company changed', actor.companyId, { before, after });
    return after;
  });
}
