import { createHmac, timingSafeEqual } from 'node:crypto';
import { insertPerson, personById } from '@/data/accounts/person';
import { hasDemo, hasNoCompany } from '@/data/before';
import { asNewcomer, asPerson } from '@/data/connection';
import { isFirstCompany } from '@/data/settings/company';
import type { NewCompanyInput } from '@/model';
import { SetUpInput, NewCompanyInput as NewCompanySchema } from '@/model';
import type { Actor } from '../actor';
import { newId, recordAudit } from '../actor';
import { check } from '../check';
import { takeTry } from '../limit';
import { Problem } from '../problem';
import { refuseUnknownCurrency, refuseUnknownTime } from '../settings/refuseUnknown';
import type { Browser, Opened } from './openSession';
import { openSession } from './openSession';
import type { NewCompany } from './createCompany';
import { insertNewCompany } from './createCompany';
import { hashPassword, refusePoorPassword } from '../accounts/password';
import { takenOr } from './taken';

export { hasDemo };

const TRIES_FROM = 30;

/** Whether a set-up from elsewhere needs the key; a server for one machine alone does not ask. */
const asksForKey = (): boolean => process.env.IMPEGNO_SETUP === 'key';

/**
 * The key of the first set-up, where strangers could come by before the owner does. It is made from the server's secret:
 * every process of an installation has the same, and none is kept.
 */
export function setUpKey(): string | null {
  const secret = process.env.IMPEGNO_SECRET;
  if (!asksForKey() || !secret) return null;
  return createHmac('sha256', secret).update('impegno set-up').digest('hex').slice(0, 16);
}

/** Whether a company can be set up here for the first time, and whether a key is asked for. */
export const readSetUp = async (): Promise<{ readonly open: boolean; readonly asksForKey: boolean }> => ({
  open: await hasNoCompany(),
  asksForKey: asksForKey(),
});

/** @throws Problem `set-up-key-wrong` */
function refuseWrongKey(given: string): void {
  const key = setUpKey();
  if (key === null) return;
  const typed = Buffer.from(given.trim().padEnd(key.length).slice(0, key.length));
  if (given.trim().length !== key.length || !timingSafeEqual(typed, Buffer.from(key)))
    throw new Problem('set-up-key-wrong', 'That is not the key the server said when it started.');
}

/** A company as it is kept at first, from what is said of it. */
function asKept(said: NewCompanyInput): NewCompany {
  refuseUnknownCurrency(said.currency);
  refuseUnknownTime(said.timeZone);
  return said;
}

/** @throws Problem `set-up-already` where it is thrown */
const already = () =>
  new Problem('set-up-already', 'A company is set up here already. Sign in, or ask its owner to invite you.');

/**
 * The first company of an empty database, with its owner, who is signed in then. All of it or nothing; of two at once one.
 * @throws Problem `set-up-already`
 */
export async function setUp(input: unknown, where: Browser, now: Date): Promise<Opened> {
  await takeTry(`set-up from ${where.from.slice(0, 60)}`, TRIES_FROM, now);
  const { company, owner, key } = check(SetUpInput, input, 'The set-up');
  if (!(await hasNoCompany())) throw already();
  refuseWrongKey(key);
  const values = asKept(company);
  refusePoorPassword(owner.password, [owner.name, owner.email, company.name]);
  const passwordHash = await hashPassword(owner.password);
  const companyId = newId(now);
  const personId = newId(now);
  const actor = await takenOr(() =>
    asNewcomer(personId, companyId, async (tx) => {
      if (!(await isFirstCompany(tx))) throw already();
      const name = owner.name.trim();
      await insertPerson(tx, { id: personId, email: owner.email, name, passwordHash, createdAt: now });
      const made = await insertNewCompany(tx, { companyId, personId, name }, values, now);
      await recordAudit(tx, made, 'company set up', companyId, { name: company.name });
      return made;
    }),
  );
  return openSession(actor, where, now);
}

/**
 * One more company, of an owner who is signed in; they are its owner too, and go on in it. In a demo it is made-up as well.
 * @throws Problem `owner-only`
 */
export async function setUpAnother(actor: Actor, input: unknown, where: Browser): Promise<Opened> {
  if (!actor.isOwner) throw new Problem('owner-only', 'Another company is set up by an owner of one.');
  const company = check(NewCompanySchema, input, 'The company');
  const values = { ...asKept(company), demo: await hasDemo() };
  const { personId, now } = actor;
  const companyId = newId(now);
  const [known] = await asPerson(personId, (tx) => personById(tx, personId));
  const made = await asNewcomer(personId, companyId, async (tx) => {
    const owner = await insertNewCompany(tx, { companyId, personId, name: known!.name }, values, now);
    await recordAudit(tx, owner, 'company set up', companyId, { name: company.name });
    return owner;
  });
  return openSession(made, where, now);
}
