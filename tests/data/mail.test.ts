import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { sql } from 'drizzle-orm';
import { closeConnection, inCompany } from '@/data/connection';
import { sendPasswordLink } from '@/services/entering/forgotten';
import { takeDeliveryReport } from '@/services/messages/deliver';
import { sendFailedLettersAgain, sendLetterAgain } from '@/services/messages/sendAgain';
import { postLetter } from '@/services/post';
import { readConnections, sendTrialLetter } from '@/services/settings/connections';
import { newCompany, refusal } from '../support/desk';
import { inRole } from '../support/inRole';
import { listMessages } from '../support/lists';
import type { MailServer } from '../support/mailServer';
import { deliveryReport, mailServer } from '../support/mailServer';
import { asOwner } from '../support/owner';
import { messageIdOf } from '@/gateways/mail/smtpPost';
import type { Actor } from '@/services/actor';

const started: ChildProcess[] = [];
let server: MailServer;

const connect = (port: number) =>
  Object.assign(process.env, {
    IMPEGNO_SMTP_URL: `smtp://127.0.0.1:${port}`,
    IMPEGNO_MAIL_FROM: 'offers@builders.test.example',
    IMPEGNO_ADDRESS: 'https://offers.test.example',
  });

beforeEach(async () => {
  server = await mailServer();
  connect(server.port);
});

afterEach(async () => {
  for (const child of started.splice(0)) if (child.exitCode === null) child.kill('SIGKILL');
  await server.close();
  for (const key of ['IMPEGNO_SMTP_URL', 'IMPEGNO_MAIL_FROM', 'IMPEGNO_ADDRESS']) delete process.env[key];
});

afterAll(closeConnection);

/** A process of its own that works on the queue. */
async function worker(): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'tests/support/queueWorker.ts'], {
    env: { ...process.env, NODE_ENV: 'production', NODE_OPTIONS: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  started.push(child);
  const [said] = (await once(child.stdout!, 'data')) as [Buffer];
  expect(said.toString()).toMatch(/^at work/);
  return child;
}

async function until(what: () => Promise<boolean> | boolean): Promise<void> {
  for (let tries = 0; tries < 200; tries += 1) {
    if (await what()) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('It did not come about in twenty seconds.');
}

const post = (actor: Actor, to: string, words = 'Hello.') =>
  inCompany(actor, (tx) =>
    postLetter(tx, actor, { ...{ proposalId: null, kind: 'trial', to, subject: `For ${to}` }, body: words }),
  );

/** A company whose letters leave the house: what is set up beside the demo is made up too, and its letters do not. */
async function firm(): Promise<Actor> {
  const actor = await newCompany();
  await asOwner((tx) => tx.execute(sql`update company set demo = false where id = ${actor.companyId}`));
  return actor;
}

const stateOf = async (actor: Actor) => (await listMessages(actor)).map(({ state }) => state);
const jobs = async (state: string) =>
  (
    await asOwner((tx) =>
      tx.execute<{ n: number }>(
        sql`select count(*)::int as n from pgboss.job where name = 'letter' and state::text = ${state}`,
      ),
    )
  ).rows[0]!.n;

/** What a first wait of the queue would take is over. */
const hurry = () =>
  asOwner((tx) => tx.execute(sql`update pgboss.job set start_after = now() where state = 'retry'`));

test('a letter waits whole but sealed, and leaves only when its cause is stored', async () => {
  const actor = await firm();
  const address = 'https://offers.test.example/b/secret-way-in';
  await inCompany(actor, (tx) =>
    postLetter(tx, actor, {
      ...{ proposalId: null, kind: 'trial', to: 'anna@c.test.example', subject: 'One' },
      ...{ body: `Open ${address}`, hidden: address },
    }),
  );
  const gone = inCompany(actor, async (tx) => {
    await postLetter(tx, actor, {
      ...{ proposalId: null, kind: 'trial', to: 'ben@c.test.example', subject: 'Two', body: 'No.' },
    });
    throw new Error('Its cause fails.');
  });
  await expect(gone).rejects.toThrow('Its cause fails.');
  expect(await listMessages(actor)).toMatchObject([{ state: 'waiting', body: 'Open [private link]' }]);
  const { rows } = await asOwner((tx) =>
    tx.execute(sql`select * from pgboss.job union all select * from pgboss.job where false`),
  );
  expect(JSON.stringify(rows)).not.toMatch(/secret-way-in|anna@c/);
  await worker();
  await until(() => server.received.length > 0);
  await until(async () => (await stateOf(actor))[0] === 'delivered');
  expect(server.received.map(({ to, letter }) => [to, letter.text?.trim()])).toEqual([
    [['anna@c.test.example'], `Open ${address}`],
  ]);
  const kept = await asOwner((tx) =>
    tx.execute(sql`select sealed, tries from message where company_id = ${actor.companyId}`),
  );
  expect(kept.rows).toEqual([{ sealed: null, tries: 1 }]);
});

test('two processes over one queue: each letter once', async () => {
  const actor = await firm();
  const to = Array.from({ length: 30 }, (_, i) => `c${i}@c.test.example`);
  for (const each of to) await post(actor, each);
  await Promise.all([worker(), worker()]);
  await until(async () => (await stateOf(actor)).every((state) => state === 'delivered'));
  expect(server.received.map((each) => each.to[0]).sort()).toEqual([...to].sort());
  expect(server.received).toHaveLength(30);
});

test('killed while a letter is on its way: it is not lost, and whoever gets it twice can tell', async () => {
  await server.close();
  server = await mailServer({ slow: 1500 });
  connect(server.port);
  const actor = await firm();
  await post(actor, 'anna@c.test.example');
  const first = await worker();
  await until(async () => (await jobs('active')) > 0);
  first.kill('SIGKILL');
  await once(first, 'exit');
  expect(await stateOf(actor)).toEqual(['waiting']);
  // What a process held for longer than it may is given to another.
  await asOwner((tx) =>
    tx.execute(sql`update pgboss.job set started_on = now() - interval '1 hour' where state = 'active'`),
  );
  await asOwner((tx) => tx.execute(sql`update pgboss.version set maintained_on = null`));
  await worker();
  await until(async () => {
    await hurry();
    return (await stateOf(actor))[0] === 'delivered';
  });
  expect(new Set(server.received.map(({ letter }) => letter.messageId)).size).toBe(1);
});

test('no mail server: it waits and is tried again; given up, it says why and is sent again by hand', async () => {
  const actor = await firm();
  await post(actor, 'full@c.test.example');
  await worker();
  await until(async () => (await listMessages(actor))[0]!.note !== '');
  const [waiting] = await listMessages(actor);
  expect(waiting).toMatchObject({ state: 'waiting', note: expect.stringContaining('the mailbox is full') });
  expect((await readConnections(actor)).mail).toMatchObject({
    ...{ carrier: 'SMTP by 127.0.0.1', waiting: 1, failed: 0 },
    lastTrouble: expect.stringContaining('the mailbox is full'),
  });
  expect(await refusal(sendLetterAgain(actor, waiting!.id))).toMatchObject({ code: 'letter-not-failed' });
  await asOwner((tx) =>
    tx.execute(sql`update pgboss.job set retry_limit = retry_count where state = 'retry'`),
  );
  await until(async () => {
    await hurry();
    return (await stateOf(actor))[0] === 'failed';
  });
  expect((await readConnections(actor)).mail).toMatchObject({ waiting: 0, failed: 1 });
  // Another company does not reach it, nor does who may neither offer nor ask for money.
  const other = await firm();
  expect(await refusal(sendLetterAgain(other, waiting!.id))).toMatchObject({ code: 'letter-not-failed' });
  expect(await refusal(sendLetterAgain(inRole(actor, 'field'), waiting!.id))).toMatchObject({
    code: 'role-not-allowed',
  });
  await asOwner((tx) =>
    tx.execute(sql`update message set to_address = 'now-empty@c.test.example' where id = ${waiting!.id}`),
  );
  expect(await sendFailedLettersAgain(actor)).toEqual({ sent: 1 });
  await until(async () => (await stateOf(actor))[0] === 'delivered');
  expect(server.received.map(({ to }) => to)).toEqual([['now-empty@c.test.example']]);
});

test('refused, and bounced after it was taken: both come back with the reason, once', async () => {
  const actor = await firm();
  await post(actor, 'nobody@c.test.example');
  await post(actor, 'anna@c.test.example');
  await worker();
  await until(async () => (await stateOf(actor)).every((state) => state !== 'waiting'));
  const [taken, refused] = await listMessages(actor);
  expect(refused).toMatchObject({
    ...{ state: 'returned', note: 'The mail server refused: 550 5.1.1 no such mailbox' },
  });
  expect(taken!.state).toBe('delivered');
  const [{ letter, raw }] = server.received as [(typeof server.received)[number]];
  expect(letter.messageId).toBe(messageIdOf(taken!.id, 'offers@builders.test.example'));
  const report = deliveryReport(raw, 'anna@c.test.example');
  expect(await takeDeliveryReport(report, new Date())).toBe(1);
  expect(await takeDeliveryReport(report, new Date())).toBe(0);
  expect((await listMessages(actor))[0]).toMatchObject({
    state: 'returned',
    note: 'It came back from anna@c.test.example: 552 5.2.2 the mailbox is over its quota',
  });
  const foreign = Buffer.from(
    raw.toString('latin1').replace(taken!.id, '01990000-0000-7000-8000-000000000009'),
    'latin1',
  );
  expect(await takeDeliveryReport(deliveryReport(foreign, 'x@y.example'), new Date())).toBe(0);
});

test('a letter about a way in goes out too, and is not kept once it did', async () => {
  const actor = await firm();
  const { to } = await sendTrialLetter(actor);
  await sendPasswordLink({ email: to }, `mail ${process.pid} ${Date.now()}`, new Date());
  const { rows: before } = await asOwner((tx) =>
    tx.execute<{ state: string }>(sql`select state from account_letter where to_address = ${to}`),
  );
  expect(before).toEqual([{ state: 'waiting' }]);
  await worker();
  await until(() => server.received.length === 2);
  const byOne = server.received.find(({ letter }) => letter.subject === 'Set a new password')!;
  expect(byOne.letter.from).toMatchObject({ name: 'Impegno' });
  expect(byOne.letter.text).toMatch(/https:\/\/offers\.test\.example\/password\/[\w-]{43}/);
  await until(
    async () =>
      (
        await asOwner((tx) =>
          tx.execute(sql`select sealed, state from account_letter where to_address = ${to}`),
        )
      ).rows[0]!.state === 'delivered',
  );
  const { rows } = await asOwner((tx) =>
    tx.execute(sql`select sealed, note from account_letter where to_address = ${to}`),
  );
  expect(rows).toEqual([{ sealed: '', note: '' }]);
});

test('a demo’s letters never leave', async () => {
  const actor = await newCompany();
  await post(actor, 'anna@c.test.example');
  expect(await stateOf(actor)).toEqual(['delivered']);
  expect((await readConnections(actor)).mail).toMatchObject({ carrier: null, waiting: 0 });
});
