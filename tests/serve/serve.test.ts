import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs/promises';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { closeConnection, inCompany } from '@/data/connection';
import type { Actor } from '@/services/actor';
import { postLetter } from '@/services/post';
import { signedIn } from '../support/signedIn';
import { newCompany } from '../support/desk';
import type { MailServer } from '../support/mailServer';
import { mailServer } from '../support/mailServer';
import { asOwner } from '../support/owner';

/* The application as it is run for real: by the supervisor, two processes on one port, with a mail server and a folder for
   backups. */

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });

interface Line {
  readonly level: string;
  readonly what: string;
  readonly [key: string]: unknown;
}

let mail: MailServer;
let folder: string;
let port: number;
let metrics: number;
let serving: ChildProcess;
let said = '';
let actor: Actor;

const lines = (): Line[] =>
  said.split('\n').flatMap((line) => (line.startsWith('{') ? [JSON.parse(line) as Line] : []));

async function until<T>(what: () => Promise<T> | T, seconds = 40): Promise<T> {
  for (let tries = 0; tries < seconds * 10; tries += 1) {
    const found = await what();
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`It did not come about in ${seconds} seconds. The log:\n${said.slice(-3000)}`);
}

/** Each request over a connection of its own, so that all processes are asked. */
const ask = (way: string, more: RequestInit = {}) =>
  fetch(`http://127.0.0.1:${port}${way}`, {
    redirect: 'manual',
    ...more,
    headers: { connection: 'close', ...(more.headers as Record<string, string>) },
  });

const serve = (env: Record<string, string | undefined>) =>
  spawn(process.execPath, ['scripts/serve.mjs'], {
    env: { ...process.env, NODE_OPTIONS: '', NODE_ENV: 'production', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });

const nextMinute = () => {
  const at = new Date(Date.now() + 75_000);
  return `${String(at.getUTCHours()).padStart(2, '0')}:${String(at.getUTCMinutes()).padStart(2, '0')}`;
};

beforeAll(async () => {
  folder = await fs.mkdtemp(path.join(os.tmpdir(), 'impegno-serve-'));
  mail = await mailServer({ slow: 200 });
  [port, metrics] = [await freePort(), await freePort()];
  Object.assign(process.env, {
    IMPEGNO_SMTP_URL: `smtp://127.0.0.1:${mail.port}`,
    IMPEGNO_MAIL_FROM: 'offers@builders.test.example',
    IMPEGNO_ADDRESS: 'https://offers.builders.test.example',
  });
  serving = serve({
    ...{ PORT: String(port), IMPEGNO_PROCESSES: '2', IMPEGNO_METRICS_PORT: String(metrics) },
    ...{ IMPEGNO_BACKUP_AT: nextMinute(), IMPEGNO_BACKUP_FOLDER: folder, IMPEGNO_BACKUP_KEEP: '7 4 12' },
  });
  for (const stream of [serving.stdout!, serving.stderr!])
    stream.on('data', (part: Buffer) => (said += part.toString()));
  await until(() => said.includes('The key of the set-up:'));
  await until(() =>
    ask('/api/v1/health').then(
      (answer) => answer.ok,
      () => false,
    ),
  );
  actor = await newCompany();
}, 120_000);

afterAll(async () => {
  if (serving.exitCode === null) serving.kill('SIGKILL');
  await mail.close();
  await closeConnection();
  await fs.rm(folder, { recursive: true, force: true });
});

const processes = () => new Set(lines().flatMap(({ process: id, what }) => (what === 'request' ? [id] : [])));

test('a wrong configuration is told in sentences, and nothing is served', async () => {
  const child = serve({
    IMPEGNO_ADDRESS: 'http://offers.firm.example',
    IMPEGNO_PROCESSES: '0',
    IMPEGNO_SMTP_URL: 'x',
  });
  let words = '';
  child.stderr!.on('data', (part: Buffer) => (words += part.toString()));
  const [code] = (await once(child, 'exit')) as [number];
  expect(code).toBe(1);
  for (const sentence of [/IMPEGNO_ADDRESS begins with https/, /IMPEGNO_PROCESSES is/, /IMPEGNO_SMTP_URL is/])
    expect(words).toMatch(sentence);
});

test('two processes answer on one port, from one truth', async () => {
  const { token } = await signedIn(
    { email: await emailOf(actor), password: 'gable-otter-91', browser: 'test' },
    new Date(),
    { from: 'serve', device: undefined },
  );
  const cookie = `impegno-session=${token}`;
  for (let i = 0; i < 12; i += 1) {
    const answer = await ask('/today', { headers: { cookie } });
    expect(answer.status).toBe(200);
    expect(await answer.text()).toContain('Test Builders');
  }
  await until(() => processes().size >= 2);
});

const emailOf = async ({ personId }: Actor) =>
  (await asOwner((tx) => tx.execute<{ email: string }>(sql`select email from person where id = ${personId}`)))
    .rows[0]!.email;

test('every answer has the name it has in the log; no door and no word of anybody is in it', async () => {
  const token = 'Q2hpY2tlbi1jb29wLWxhbnRlcm4tcG9yY2gtc3dpbmc';
  const answer = await ask(`/b/${token}?for=anna@post.example`, {
    headers: { 'x-request-id': 'from-the-proxy-1' },
  });
  expect(answer.headers.get('x-request-id')).toBe('from-the-proxy-1');
  expect(answer.headers.get('strict-transport-security')).toBe('max-age=31536000');
  const line = await until(() => lines().find(({ request }) => request === 'from-the-proxy-1'));
  expect(line).toMatchObject({ level: 'info', what: 'request', method: 'GET', path: '/b/:token' });
  const bad = await ask('/api/v1/health', { headers: { 'x-request-id': 'no\tname "here' } });
  expect(bad.headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/);
  expect(said).not.toContain(token);
  expect(said).not.toContain('anna@');
});

test('letters go out once, whichever process takes them', async () => {
  const to = Array.from({ length: 12 }, (_, i) => `c${i}@c.test.example`);
  for (const each of to)
    await inCompany(actor, (tx) =>
      postLetter(tx, actor, { proposalId: null, kind: 'trial', to: each, subject: 'Once', body: 'Hello.' }),
    );
  await until(() => mail.received.length >= to.length);
  await new Promise((resolve) => setTimeout(resolve, 2500));
  expect(mail.received.map((each) => each.to[0]).sort()).toEqual([...to].sort());
});

test('a process that dies is begun anew; meanwhile the other answers', async () => {
  const [victim] = [...processes()] as [number];
  process.kill(victim, 'SIGKILL');
  await until(() => lines().find(({ what, pid }) => /begun anew/.test(what) && pid === victim));
  let refused = 0;
  for (let i = 0; i < 20; i += 1)
    await ask('/api/v1/health').then(
      (answer) => (answer.ok ? undefined : (refused += 1)),
      () => (refused += 1),
    );
  expect(refused).toBe(0);
  await until(async () => {
    await ask('/api/v1/health').catch(() => undefined);
    return processes().size >= 3;
  });
});

test('what is counted is told on a port of the machine alone, added up over the processes', async () => {
  const text = await (await fetch(`http://127.0.0.1:${metrics}/metrics`)).text();
  expect(text).toMatch(/^# HELP impegno_http_requests_total /m);
  const page = /^impegno_http_requests_total\{kind="page",method="GET",status="2xx"\} (\d+)$/m.exec(text);
  expect(Number(page?.[1])).toBeGreaterThan(0);
  expect(text).toMatch(/^impegno_queue_jobs\{queue="letter",state="completed"\} 12$/m);
  expect(text).toMatch(/^process_resident_memory_bytes \d/m);
  expect((await fetch(`http://127.0.0.1:${metrics}/`)).status).toBe(404);
});

test('a backup is made by the clock', async () => {
  const line = await until(() => lines().find(({ what }) => /backup (is made|failed)/i.test(what)), 120);
  expect(line).toMatchObject({ what: 'a backup is made', said: expect.stringContaining('Test Builders') });
  expect((await fs.readdir(folder)).filter((name) => name.endsWith('.backup'))).toHaveLength(1);
});

test('asked to end, it finishes what is under way and ends well', async () => {
  const before = mail.received.length;
  await inCompany(actor, (tx) =>
    postLetter(tx, actor, {
      proposalId: null,
      kind: 'trial',
      to: 'last@c.test.example',
      subject: 'Last',
      body: '.',
    }),
  );
  await until(async () => {
    const { rows } = await asOwner((tx) =>
      tx.execute(sql`select 1 from pgboss.job where name = 'letter' and state = 'active'`),
    );
    return rows.length > 0 || mail.received.length > before;
  });
  serving.kill('SIGTERM');
  const [code] = (await once(serving, 'exit')) as [number];
  expect(code).toBe(0);
  expect(mail.received.length).toBe(before + 1);
  await expect(ask('/api/v1/health')).rejects.toThrow();
  const { rows } = await asOwner((tx) => tx.execute(sql`select distinct state from message`));
  expect(rows).toEqual([{ state: 'delivered' }]);
});
