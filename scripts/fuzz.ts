// npm run fuzz: sends mutated requests to every door of a running application and counts what it answers. Bounded in number
// and time; only to this machine. An answer of 500 and above is a fault, and so is none.
import fs from 'node:fs';
import path from 'node:path';
import { actorOf } from '@/services/accounts/session';

import { signedIn } from '../tests/support/signedIn';
import { showLink } from '@/services/links';
import { readWholeList } from '@/services/lists/deskList';
import { messageList } from '@/services/messages/messageList';
import { closeConnection } from '@/data/connection';
import { demoAccount } from '@/services/entering/demoAccount';

const address = process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310';
const most = Number(process.env.FUZZ_REQUESTS ?? 3000);
const until = Date.now() + Number(process.env.FUZZ_SECONDS ?? 240) * 1000;
if (new URL(address).hostname !== '127.0.0.1') throw new Error('Only this machine is asked.');

// A small generator with a seed, so that what was found can be found again (mulberry32, public domain).
let seed = Number(process.env.FUZZ_SEED ?? 20260501);
const random = (): number => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
};
const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;

const oddTexts = [
  '',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '😀'.repeat(50),
  'x'.repeat(5000),
  '../../etc/passwd',
  "' or 1=1 --",
  '%',
  '_',
  '{{7*7}}',
  '<script>',
  '12,5',
  '-0',
  '1e308',
  '9'.repeat(60),
  '0x10',
  'NaN',
  'null',
  '2026-02-30',
  '9999-99-99',
  '00000000-0000-0000-0000-000000000000',
  '\u202e',
  ' ',
];
const oddValues: readonly unknown[] = [
  ...oddTexts,
  null,
  true,
  0,
  -1,
  1e308,
  -1e308,
  2 ** 53,
  0.1,
  [],
  {},
  [[[[[]]]]],
  { __proto__: 1 },
  { length: 5 },
  Array.from({ length: 500 }, () => 'x'),
];

const deep = (): unknown => {
  let value: unknown = 'x';
  for (let i = 0; i < 3000; i += 1) value = [value];
  return value;
};

/** A value of the shape of another, with one place changed. */
function mutated(value: unknown): unknown {
  if (random() < 0.3 || typeof value !== 'object' || value === null)
    return random() < 0.03 ? deep() : pick(oddValues);
  if (Array.isArray(value)) {
    const at = Math.floor(random() * (value.length + 1));
    return [...value.slice(0, at), mutated(value[at]), ...value.slice(at + 1)];
  }
  const keys = Object.keys(value);
  const key = random() < 0.1 || keys.length === 0 ? pick(oddTexts) : pick(keys);
  return { ...value, [key]: mutated((value as Record<string, unknown>)[key]) };
}

/** Addresses of all pages and routes, with their places in brackets. */
function addresses(folder = 'app', at = ''): { route: string; page: boolean }[] {
  return fs.readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory())
      return addresses(
        path.join(folder, entry.name),
        /^\(.*\)$/.test(entry.name) ? at : `${at}/${entry.name}`,
      );
    if (entry.name === 'page.tsx') return [{ route: at || '/', page: true }];
    return entry.name === 'route.ts' ? [{ route: at, page: false }] : [];
  });
}

interface Reference {
  readonly node: Record<string, { readonly workers: Record<string, unknown> }>;
}
const manifest = path.join('.next', 'server', 'server-reference-manifest.json');
const actions = fs.existsSync(manifest)
  ? Object.entries((JSON.parse(fs.readFileSync(manifest, 'utf8')) as Reference).node)
  : [];

const cookies = new Map<string, string>();
async function ask(where: string, init: RequestInit = {}): Promise<Response> {
  const answer = await fetch(address + where, {
    redirect: 'manual',
    signal: AbortSignal.timeout(30_000),
    ...init,
    headers: {
      cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '),
      ...(init.headers as Record<string, string>),
    },
  });
  return answer;
}

// The demo's owner signs in straight at the database that the server serves.
const { token } = await signedIn({ ...demoAccount, browser: 'fuzz' }, new Date());
const owner = (await actorOf(token, new Date()))!;
const shown: string[] = [];
for (const { link } of (await readWholeList(owner, messageList, {})).rows)
  if (link?.open) shown.push((await showLink(owner, { linkId: link.id })).address);
await closeConnection();
cookies.set('impegno-session', token);

const text = async (where: string) => (await ask(where)).text();
const ids = [
  ...new Set(
    [
      ...`${await text('/proposals')}${await text('/agreements')}${await text('/money')}${await text('/library')}`.matchAll(
        /[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g,
      ),
    ].map(([id]) => id),
  ),
];
const tokens = shown.map((link) => /\/b\/([A-Za-z0-9_-]{43})/.exec(link)![1]!);
if (tokens.length === 0 || ids.length === 0) throw new Error('There is nothing to ask about.');

const filled = (route: string): string =>
  route.replace(/\[(\w+)\]/g, (_, name: string) => {
    if (random() < 0.25) return encodeURIComponent(pick(oddTexts).toWellFormed()) || 'x';
    if (random() < 0.03) return '%ff';
    return name === 'token' ? (pick(tokens) ?? 'x'.repeat(43)) : (pick(ids) ?? 'x');
  });
const query = (): string =>
  random() < 0.5
    ? ''
    : `?${new URLSearchParams([
        [
          pick([
            'search',
            'show',
            'list',
            'since',
            'from',
            'to',
            'step',
            'page',
            'section',
            'by',
            'year',
            pick(oddTexts).toWellFormed(),
          ]),
          pick(oddTexts).toWellFormed(),
        ],
      ])}`;

const samples: readonly unknown[] = [
  { choices: { extras: {}, questions: {}, tiers: {} }, number: 1 },
  { number: '4242424242424242', expiry: '12/30', idempotencyKey: 'fuzz-key-1234' },
  { words: 'a question' },
  { reason: 'too dear' },
  {
    revisionId: ids[0],
    total: '1.00',
    signerName: 'X',
    signature: { kind: 'typed' },
    consent: true,
    idempotencyKey: 'fuzz-sign-1',
  },
  { lines: ['joist', 'door'], section: 'Porch' },
  { sha256: 'a'.repeat(64) },
  { proposalId: ids[0], saveNumber: 1, patches: [{ op: 'replace', path: '/title', value: 'x' }] },
  { agreementId: ids[0], what: { amount: '1' } },
  {
    agreementId: ids[0],
    method: 'cheque',
    amount: '1',
    receivedOn: '2026-01-01',
    reference: '',
    idempotencyKey: 'fuzz-pay-1',
  },
  { from: '2026-01-01', to: '2026-02-01' },
];

const counts = new Map<number, number>();
const faults: string[] = [];
const doors = addresses();
let sent = 0;
for (; sent < most && Date.now() < until; sent += 1) {
  const { route } = pick(doors);
  let where = filled(route) + query();
  let init: RequestInit = {};
  const kind = random();
  if (kind < 0.35 && actions.length > 0) {
    // A server action, as the browser sends one.
    const [id] = pick(actions);
    where = pick(['/today', '/proposals', '/money', '/library', '/sign-in']);
    const args = [mutated(pick(samples)), ...(random() < 0.3 ? [pick(oddValues)] : [])];
    init = {
      method: 'POST',
      headers: {
        'next-action': random() < 0.05 ? pick(['', 'x', '0'.repeat(42)]) : id,
        'content-type': 'text/plain;charset=UTF-8',
      },
      body: random() < 0.08 ? pick(['', '[', '\u0000', '["$F1"]', '["$@1"]']) : JSON.stringify(args),
    };
  } else if (kind < 0.75) {
    const body =
      random() < 0.1 ? new Uint8Array([0xff, 0xfe, 0, 0xc3, 0x28]) : JSON.stringify(mutated(pick(samples)));
    init = {
      method: pick(['POST', 'POST', 'POST', 'PUT', 'DELETE', 'PATCH']),
      headers: {
        'content-type': pick([
          'application/json',
          'application/json',
          'text/plain',
          'multipart/form-data',
          '',
        ]),
        ...(random() < 0.15 ? { origin: pick(['null', 'http://elsewhere.example', 'x', address]) } : {}),
        ...(random() < 0.1 ? { 'x-forwarded-for': pick(['x', '1.1.1.1, 2.2.2.2', '']) } : {}),
      },
      body,
    };
  } else if (random() < 0.1)
    init = { headers: { cookie: `impegno-session=${encodeURIComponent(pick(oddTexts).toWellFormed())}` } };
  let status = 0;
  try {
    const answer = await ask(where, init);
    status = answer.status;
    await answer.arrayBuffer();
  } catch (error) {
    if (String(error).includes('Invalid')) continue;
  }
  counts.set(status, (counts.get(status) ?? 0) + 1);
  if (status === 0 || status >= 500)
    faults.push(`${status} ${init.method ?? 'GET'} ${where} ${String(init.body ?? '').slice(0, 160)}`);
}
console.log(`${sent} requests to ${doors.length} addresses and ${actions.length} actions`);
for (const [status, count] of [...counts].sort(([a], [b]) => a - b)) console.log(`  ${status}: ${count}`);
for (const fault of faults.slice(0, 40)) console.log(fault);
const alive = await ask('/api/v1/health').then(
  (answer) => answer.ok,
  () => false,
);
console.log(alive ? 'The server lives.' : 'THE SERVER IS GONE.');
console.log(
  `${counts.size > 0 ? sent - faults.length : 0} passed, ${faults.length + (alive ? 0 : 1)} failed`,
);
process.exitCode = faults.length === 0 && alive ? 0 : 1;
