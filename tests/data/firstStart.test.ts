/* A first start that is killed while the demo is filled in, and two that come after it at one moment. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import { Client } from 'pg';

const admin = new URL(process.env.DATABASE_OWNER_URL!);
const name = `impegno_first_${process.pid}`;
const url = new URL(admin);
url.pathname = `/${name}`;

const prepare = () => {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/prepare.ts'], {
    env: { ...process.env, DATABASE_OWNER_URL: url.href, NODE_OPTIONS: '' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (data) => (said += String(data)));
  return { child, ended: once(child, 'exit').then(([code]) => ({ code: code as number | null, said })) };
};

async function asked<T extends object>(address: URL, question: string): Promise<T[]> {
  const client = new Client({ connectionString: address.href });
  await client.connect();
  try {
    return (await client.query<T>(question)).rows;
  } finally {
    await client.end();
  }
}

afterAll(() => asked(admin, `drop database if exists "${name}" with (force)`));

test('killed in the middle, it is begun anew, by one of two; then the demo is whole', async () => {
  const first = prepare();
  // As soon as a company is there, and before all of it is.
  for (let tries = 0; tries < 600; tries += 1) {
    const rows = await asked(url, 'select 1 from company').catch(() => []);
    if (rows.length > 0) break;
    await pause(50);
  }
  first.child.kill('SIGKILL');
  await first.ended;
  const half = await asked<{ count: string }>(url, 'select count(*) from proposal');

  const two = await Promise.all([prepare(), prepare()].map(({ ended }) => ended));
  expect(two.map(({ code }) => code)).toEqual([0, 0]);
  // One made it anew, the other waited and found it done.
  expect(two.filter(({ said }) => said.includes('made anew'))).toHaveLength(1);
  expect(two.filter(({ said }) => said.includes('Filling'))).toHaveLength(1);
  const whole = await asked<{ count: string }>(url, 'select count(*) from proposal');
  expect(Number(whole[0]!.count)).toBeGreaterThan(Number(half[0]!.count));
  expect(await asked(url, 'select 1 from company')).toHaveLength(1);
  // Begun once more, nothing happens.
  expect((await prepare().ended).said).toBe('');
}, 240_000);
