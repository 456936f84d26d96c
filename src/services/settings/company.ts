import Type from 'typebox';
import { inCompany } from '@/data/connection';
import type { company } from '@/data/schema';
import { companyOf, updateCompany } from '@/data/settings/company';
import { isLegible } from '@/core/text/contrast';
import { companyDetails, companyLook, reckoning } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { refuseUnknownFile } from '../files/keep';
import { putOver } from '../over';
import { Problem } from '../problem';
import { refuseUnknownTime } from './refuseUnknown';

/** What everybody of a company knows of it: what it is called, where it is, its money, its time and its measures. */
export const readOwnCompany = (actor: Actor) =>
  inCompany(actor, async (tx) => {
    const { name, address, currency, timeZone, units, ownUnits, demo } = await companyOf(tx, actor.companyId);
    return { name, address, currency, timeZone, units, ownUnits, demo };
  });

const { currency: _, ...changeable } = reckoning;
const parts = { ...companyDetails, ...changeable, ...companyLook };
const closed = { additionalProperties: false } as const;
const Details = Type.Object(parts, closed);
const Input = Type.Object({ ...parts, over: Type.Optional(Details) }, closed);

/** What a company says of itself, how it looks, and in what it reckons; its currency stays. */
export type CompanyDetails = Type.Static<typeof Details>;

export const detailsOf = (row: typeof company.$inferSelect): CompanyDetails => {
  const { name, address, email, phone, website, taxNumber, licence, timeZone, units, logo, color } = row;
  return { name, address, email, phone, website, taxNumber, licence, timeZone, units, logo, color };
};

/**
 * Changes what the company says of itself. Papers that are out keep what they said. Where it says what it stands over, what
 * others changed since stays.
 * @throws Problem `color-too-light`, `unknown-time-zone`
 */
export async function saveCompany(actor: Actor, input: unknown): Promise<CompanyDetails> {
  allow(actor, 'settings');
  const { over, ...typed } = check(Input, input, 'The company');
  refuseUnknownTime(typed.timeZone);
  if (typed.color && !isLegible(typed.color))
    throw new Problem(
      'color-too-light',
      'This color is too light to be read on paper (contrast below 4.5 to 1). Take a darker one.',
      { errors: [{ pointer: '/color', detail: 'too light' }] },
    );
  return inCompany(actor, async (tx) => {
    const before = detailsOf(await companyOf(tx, actor.companyId, 'update'));
    if (typed.logo && typed.logo !== before.logo) await refuseUnknownFile(tx, [typed.logo]);
    const after = putOver<CompanyDetails>(before, typed, over ?? before);
    await updateCompany(tx, actor.companyId, after);
    await recordAudit(tx, actor, 'company changed', actor.companyId, { before, after });
    return after;
  });
}
