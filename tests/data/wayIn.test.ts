import { closeConnection, inCompany } from '@/data/connection';
import { audit } from '@/data/schema';
import { sql } from 'drizzle-orm';
import { companiesOf } from '@/services/entering/openSession';
import { listOwnCompanies, switchCompany } from '@/services/entering/companies';
import { readPasswordLink, sendPasswordLink, setPasswordByLink } from '@/services/entering/forgotten';
import { joinAsKnown } from '@/services/entering/join';
import { askForEmail, readEmailLink, takeEmailByLink } from '@/services/entering/ownEmail';
import { changePassword } from '@/services/accounts/ownPassword';
import {
  beginSecondStep,
  codeAt,
  confirmSecondStep,
  endSecondStep,
  readOwnSignIn,
  renewRecoveryCodes,
} from '@/services/accounts/secondStep';
import { actorOf, listSessions } from '@/services/accounts/session';
import { signIn, signInWithCode } from '@/services/entering/signIn';
import { invite, showInvitation } from '@/services/people/invite';
import { readPeople } from '@/services/people/people';
import { unseal } from '@/services/seal';
import { newCompany, refusal } from '../support/desk';
import { asOwner } from '../support/owner';
import { signedIn } from '../support/signedIn';

afterAll(closeConnection);

const browser = 'test';
const password = 'gable-otter-91';
const where = { browser, from: 'test' };
// Tries are counted by where they come from.
const place = { from: `way in ${process.pid} ${Date.now()}`, device: undefined };

const emailOf = async (personId: string) =>
  (await asOwner((tx) => tx.execute<{ email: string }>(sql`select email from person where id = ${personId}`)))
    .rows[0]!.email;

/** An owner who is signed in: how they act, what their browser holds, and what they sign in with. */
async function signedInOwner() {
  const made = await newCompany();
  const email = await emailOf(made.personId);
  const { token } = await signedIn({ email, password, browser }, new Date(), place);
  return { actor: (await actorOf(token, new Date()))!, token, email };
}

/** The link in the last letter about somebody's way in, as whoever runs the machine reads it. */
async function linkSent(to: string, door = 'password'): Promise<string> {
  const { rows } = await asOwner((tx) =>
    tx.execute<{ id: string; sealed: string }>(
      sql`select id, sealed from account_letter where to_address = ${to} order by at desc, id desc limit 1`,
    ),
  );
  const body = unseal(rows[0]!.sealed, rows[0]!.id)!;
  return new RegExp(`/${door}/([\\w-]+)`).exec(body)?.[1] ?? body;
}

describe('one’s own password', () => {
  test('is changed with the one it was; all other sessions end', async () => {
    const { actor, token, email } = await signedInOwner();
    const other = await signedIn({ email, password, browser: 'elsewhere' }, new Date(), place);
    const next = 'walnut-harbor-skein';
    expect(await refusal(changePassword(actor, { now: 'wrong', next }, token))).toMatchObject({
      code: 'password-wrong',
    });
    expect(await refusal(changePassword(actor, { now: password, next: 'short' }, token))).toMatchObject({
      code: 'password-too-short',
    });
    await changePassword(actor, { now: password, next }, token);
    expect(await actorOf(token, new Date())).not.toBeNull();
    expect(await actorOf(other.token, new Date())).toBeNull();
    expect(await refusal(signIn({ email, password, browser }, new Date(), place))).toMatchObject({
      code: 'sign-in-refused',
    });
    await signedIn({ email, password: next, browser }, new Date(), place);
  });

  test('forgotten: a mailed link sets another, once, and nobody is told who signs in here', async () => {
    const { token, email } = await signedInOwner();
    const now = new Date();
    // The same answer for an address nobody has.
    expect(await sendPasswordLink({ email: 'nobody@test.example' }, email, now)).toBeUndefined();
    expect(await sendPasswordLink({ email }, email, now)).toBeUndefined();
    const first = await linkSent(email);
    await sendPasswordLink({ email: email.toUpperCase() }, email, new Date(now.getTime() + 1000));
    const second = await linkSent(email);
    // A newer link ends the older, an hour ends both.
    expect(await readPasswordLink(first, now)).toBeNull();
    expect(await readPasswordLink(second, new Date(now.getTime() + 2 * 3600_000))).toBeNull();
    expect(await readPasswordLink(second, now)).toMatchObject({ email });
    const next = 'walnut-harbor-skein';
    expect(await refusal(setPasswordByLink(second, 'short', now))).toMatchObject({
      code: 'password-too-short',
    });
    const both = await Promise.all([
      refusal(setPasswordByLink(second, next, now)).catch(() => null),
      refusal(setPasswordByLink(second, 'another-good-pebble', now)).catch(() => null),
    ]);
    expect(both.filter((each) => each?.code === 'password-link-over')).toHaveLength(1);
    expect(await actorOf(token, new Date())).toBeNull();
  });
});

describe('another address to sign in with', () => {
  const other = () => `other-${process.pid}-${Date.now()}-${Math.floor(Math.random() * 1e6)}@test.example`;

  test('counts once its letter was opened, once; sessions stay, the old address is told and opens nothing more', async () => {
    const { actor, token, email } = await signedInOwner();
    const wanted = other();
    expect(await refusal(askForEmail(actor, { email: wanted, password: 'wrong' }))).toMatchObject({
      code: 'password-wrong',
    });
    expect(await refusal(askForEmail(actor, { email: email.toUpperCase(), password }))).toMatchObject({
      code: 'address-same',
    });
    expect(await refusal(askForEmail(actor, { email: 'nowhere', password }))).toMatchObject({
      code: 'not-well-formed',
    });
    await askForEmail(actor, { email: other(), password });
    await askForEmail(actor, { email: ` ${wanted} `, password });
    const link = await linkSent(wanted, 'email');
    const now = actor.now;
    expect(await readEmailLink(link, now)).toMatchObject({ email: wanted, was: email });
    expect(await readEmailLink(link, new Date(now.getTime() + 2 * 3600_000))).toBeNull();
    expect(await readEmailLink('x'.repeat(5000), now)).toBeNull();
    // Reading it changes nothing.
    await signedIn({ email, password, browser }, new Date(), place);
    await sendPasswordLink({ email }, email, now);
    const left = await linkSent(email);
    expect(await readPasswordLink(left, now)).not.toBeNull();
    const both = await Promise.allSettled([takeEmailByLink(link, now), takeEmailByLink(link, now)]);
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    await signedIn({ email: wanted, password, browser }, new Date(), place);
    expect(await refusal(signIn({ email, password, browser }, new Date(), place))).toMatchObject({
      code: 'sign-in-refused',
    });
    expect(await actorOf(token, new Date())).not.toBeNull();
    expect(await linkSent(email)).toContain(wanted);
    expect(await readPasswordLink(left, now)).toBeNull();
    expect((await readPeople(actor)).people.map((each) => each.email)).toContain(wanted);
    const acts = await inCompany(actor, (tx) => tx.select().from(audit));
    expect(acts.find(({ act }) => act === 'sign-in address changed')).toMatchObject({
      userId: actor.userId,
      detail: { before: email, after: wanted },
    });
  });

  test('that somebody has is told there alone; one that was taken meanwhile is refused, and nothing is changed', async () => {
    const { actor, email } = await signedInOwner();
    const { email: theirs } = await signedInOwner();
    await askForEmail(actor, { email: theirs, password });
    expect(await linkSent(theirs, 'email')).toContain('Somebody signs in with it already');
    const wanted = other();
    await askForEmail(actor, { email: wanted, password });
    const link = await linkSent(wanted, 'email');
    const second = await signedInOwner();
    await askForEmail(second.actor, { email: wanted, password });
    await takeEmailByLink(await linkSent(wanted, 'email'), second.actor.now);
    expect(await refusal(takeEmailByLink(link, actor.now))).toMatchObject({ code: 'address-taken' });
    await signedIn({ email, password, browser }, new Date(), place);
  });
});

describe('the second step', () => {
  test('is asked for once a code was shown; each code opens once, a recovery code as well', async () => {
    const { actor, token, email } = await signedInOwner();
    const { secret, address } = await beginSecondStep(actor, password);
    expect(address).toContain(`secret=${secret}`);
    // Not confirmed: signing in is as before.
    await signedIn({ email, password, browser }, new Date(), place);
    const start = Date.now();
    const at = (steps: number) => new Date(start + steps * 30_000);
    const later = { ...actor, now: at(0) };
    expect(await refusal(confirmSecondStep(later, '000000', token))).toMatchObject({ code: 'code-refused' });
    const codes = await confirmSecondStep(later, codeAt(secret, at(0)), token);
    expect(codes).toHaveLength(10);
    expect(new Set(codes).size).toBe(10);

    const ticketOf = async () => {
      const given = await signIn({ email, password, browser }, at(2), place);
      return 'ticket' in given ? given.ticket : '';
    };
    const ticket = await ticketOf();
    expect(ticket).not.toBe('');
    // The code it was confirmed with is used up; that of another moment is wrong.
    for (const code of [codeAt(secret, at(0)), codeAt(secret, at(9)), '', 'aaaaa-aaaaa'].filter(Boolean))
      expect(await refusal(signInWithCode({ ticket, code, browser }, at(2), place))).toMatchObject({
        code: 'code-refused',
      });
    const code = codeAt(secret, at(2));
    // Two at the same moment with one code: one comes in.
    const two = await Promise.allSettled([
      signInWithCode({ ticket, code, browser }, at(2), place),
      signInWithCode({ ticket, code, browser }, at(2), place),
    ]);
    expect(two.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    // A recovery code as people write it.
    await signInWithCode({ ticket, code: ` ${codes[0]!.toUpperCase()} `, browser }, at(2), place);
    expect(await refusal(signInWithCode({ ticket, code: codes[0]!, browser }, at(2), place))).toMatchObject({
      code: 'code-refused',
    });
    expect(await readOwnSignIn(actor)).toMatchObject({ email, codesLeft: 9 });
    // A ticket is over after ten minutes, and is nobody else's.
    expect(await refusal(signInWithCode({ ticket, code: codes[1]!, browser }, at(40), place))).toMatchObject({
      code: 'sign-in-again',
    });
    expect(
      await refusal(
        signInWithCode({ ticket: `${ticket.slice(0, -2)}AA`, code: codes[1]!, browser }, at(2), place),
      ),
    ).toMatchObject({ code: 'sign-in-again' });

    expect(await refusal(endSecondStep(later, 'wrong'))).toMatchObject({ code: 'password-wrong' });
    const renewed = await renewRecoveryCodes(later, password);
    expect(renewed).not.toContain(codes[1]);
    await endSecondStep(later, password);
    await signedIn({ email, password, browser }, new Date(), place);
  });

  test('guessing it is closed after eight tries', async () => {
    const { actor, token, email } = await signedInOwner();
    const { secret } = await beginSecondStep(actor, password);
    await confirmSecondStep(actor, codeAt(secret, actor.now), token);
    const given = await signIn({ email, password, browser }, new Date(), place);
    const ticket = 'ticket' in given ? given.ticket : '';
    const tries = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        refusal(signInWithCode({ ticket, code: String(100000 + i), browser }, new Date(), place)),
      ),
    );
    expect(tries.filter(({ code }) => code === 'code-refused').length).toBeLessThanOrEqual(8);
    expect(tries.some(({ code }) => code === 'too-many-tries')).toBe(true);
  });
});

test('what is secret of a person is read neither by their company nor by others', async () => {
  const { actor } = await signedInOwner();
  const { inCompany, asPerson } = await import('@/data/connection');
  for (const what of ['password_hash', 'totp'])
    await expect(
      inCompany(actor, (tx) => tx.execute(sql.raw(`select ${what} from person`))),
    ).rejects.toMatchObject({ cause: { message: expect.stringMatching(/permission denied/) as string } });
  const stranger = await newCompany();
  const seen = await inCompany(stranger, (tx) =>
    tx.execute(sql`select id from person where id = ${actor.personId}`),
  );
  expect(seen.rows).toEqual([]);
  const changed = await asPerson(stranger.personId, (tx) =>
    tx.execute(sql`update person set password_hash = 'x' where id = ${actor.personId} returning id`),
  );
  expect(changed.rows).toEqual([]);
  await expect(
    inCompany(actor, (tx) => tx.execute(sql`select sealed from account_letter`)),
  ).rejects.toThrow();
});

describe('a person of several companies', () => {
  test('is invited into another, goes to and fro, and signs in where they were last', async () => {
    const first = await signedInOwner();
    const second = await newCompany();
    const { roles } = await readPeople(second);
    const seller = roles.find(({ kind }) => kind === 'seller')!;
    const { id } = await invite(second, { email: first.email, name: 'Known', roleId: seller.id });
    const { address } = await showInvitation(second, id);
    const token = address.split('/join/')[1]!;
    // Who is signed in as somebody else, or not at all, is told so.
    expect(await refusal(joinAsKnown(token, null, where, new Date()))).toMatchObject({
      code: 'somebody-else',
    });
    expect(await refusal(joinAsKnown(token, second, where, new Date()))).toMatchObject({
      code: 'somebody-else',
    });
    const opened = await joinAsKnown(token, first.actor, where, new Date());
    const there = (await actorOf(opened.token, new Date()))!;
    expect(there).toMatchObject({ companyId: second.companyId, role: 'Seller', isOwner: false });
    expect((await listOwnCompanies(there)).map(({ here }) => here).sort()).toEqual([false, true]);
    expect(await refusal(joinAsKnown(token, first.actor, where, new Date()))).toMatchObject({
      code: 'invitation-over',
    });

    const back = await switchCompany(there, first.actor.companyId, opened.token, where);
    expect(await actorOf(opened.token, new Date())).toBeNull();
    const here = (await actorOf(back.token, new Date()))!;
    expect(here).toMatchObject({ companyId: first.actor.companyId, isOwner: true });
    const [last] = await companiesOf(here.personId);
    expect(last!.companyId).toBe(first.actor.companyId);
    // A company they do not belong to is none of theirs.
    const third = await newCompany();
    expect(await refusal(switchCompany(here, third.companyId, back.token, where))).toMatchObject({
      code: 'no-such-company',
    });
    // Sessions of one company are told there only.
    expect((await listSessions(here, back.token)).length).toBeGreaterThan(0);
  });
});
