/* Waiting has limits, and so has trying: nobody makes everybody wait, and nobody's guessing keeps the real person out. */
import { sql } from 'drizzle-orm';
import { setTimeout as pause } from 'node:timers/promises';
import { addUser } from '@/services/entering/createCompany';

import { signedIn } from '../support/signedIn';
import { issueInvoice } from '@/services/billing/issue';
import { answer } from '@/services/problem';
import { closeConnection, inCompany } from '@/data/connection';
import { newAgreement, newCompany, refusal } from '../support/desk';
import { asOwner } from '../support/owner';

afterAll(closeConnection);

test('an agreement that somebody holds is told about in seconds, and can be billed when it is let go', async () => {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor);
  let letGo = () => undefined as void;
  const held = new Promise<void>((resolve) => (letGo = resolve));
  let taken = () => undefined as void;
  const is = new Promise<void>((resolve) => (taken = resolve));
  const holding = asOwner(async (tx) => {
    await tx.execute(sql`select id from agreement where id = ${agreementId} for update`);
    taken();
    await held;
  });
  await is;
  const began = Date.now();
  const bill = () => issueInvoice(actor, { agreementId, what: { amount: '100' } });
  const said = await answer(bill);
  expect(said).toMatchObject({
    ok: false,
    problem: { status: 503, detail: expect.stringContaining('Someone is working on this') },
  });
  expect(Date.now() - began).toBeLessThan(9000);
  letGo();
  await holding;
  expect((await bill()).number).toMatch(/^\d{4}-/);
}, 30_000);

test('one company at work with all its turns leaves the others theirs, and its own wait', async () => {
  const [busy, other] = [await newCompany(), await newCompany()];
  let end = () => undefined as void;
  const until = new Promise<void>((resolve) => (end = resolve));
  let open = 0;
  let most = 0;
  let done = 0;
  const at = Array.from({ length: 12 }, () =>
    inCompany(busy.companyId, async () => {
      open += 1;
      most = Math.max(most, open);
      await until;
      open -= 1;
      done += 1;
    }),
  );
  await pause(500);
  // Ten connections, three of which are always left for others.
  expect(open).toBe(7);
  const began = Date.now();
  await inCompany(other.companyId, (tx) => tx.execute(sql`select 1`));
  expect(Date.now() - began).toBeLessThan(1000);
  end();
  await Promise.all(at);
  expect([most, open, done]).toEqual([7, 0, 12]);
});

describe('guessing passwords', () => {
  const password = 'gable-otter-91';
  const browser = 'test';
  const person = async () => {
    const actor = await newCompany();
    const email = `guessed-${actor.companyId}@test.example`;
    await addUser(actor, { name: 'Guessed', email, password, role: 'seller' });
    return email;
  };
  const tried = (email: string, given: string, from: string, device?: string) =>
    signedIn({ email, password: given, browser }, new Date(), { from, device }).then(
      ({ token }) => token,
      (error: { details: { status: number } }) => error.details.status,
    );

  test('closes an account to strangers, and not to the device its person signed in on before', async () => {
    const email = await person();
    const device = (await tried(email, password, `home ${email}`)) as string;
    const guesses: (string | number)[] = [];
    for (let i = 0; i < 9; i += 1) guesses.push(await tried(email, `guess ${i}`, `stranger ${i} ${email}`));
    expect(guesses.slice(0, 8)).toEqual(Array(8).fill(401));
    expect(guesses[8]).toBe(429);
    // Nobody new comes in, also with the right word; who was here before does.
    expect(await tried(email, password, `elsewhere ${email}`)).toBe(429);
    expect(typeof (await tried(email, password, `home ${email}`, device))).toBe('string');
    // A device that was another's is none of theirs.
    const theirs = await person();
    const stolen = (await tried(theirs, password, `theirs ${theirs}`)) as string;
    expect(await tried(email, password, `home ${email}`, stolen)).toBe(429);
  });

  test('at many accounts from one network is closed to that network alone', async () => {
    const email = await person();
    const network = `attacker ${email}`;
    let refused = 0;
    for (let i = 0; i < 62; i += 1)
      if ((await tried(`nobody-${i}-${email}`, 'guess', network)) === 429) refused += 1;
    expect(refused).toBe(2);
    expect(await tried(email, password, network)).toBe(429);
    expect(typeof (await tried(email, password, `another ${email}`))).toBe('string');
  }, 60_000);
});

test('a wrong private link is refused in words, and counts against nobody else', async () => {
  const { visitorOf } = await import('@/services/booklet/open');
  const { token } = await newAgreement(await newCompany());
  const from = `wrong links ${process.pid}`;
  for (let i = 0; i < 31; i += 1) await refusal(visitorOf('A'.repeat(43), from, new Date()));
  expect((await refusal(visitorOf('A'.repeat(43), from, new Date()))).status).toBe(429);
  expect((await visitorOf(token, from, new Date())).proposalId).toBeTruthy();
});
