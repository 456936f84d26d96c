// npm test: everything. npm test:PART: one part of types, lint, format, unit, data, e2e, walk, serve, fuzz.
import { spawn } from 'node:child_process';
import crypto from 'node:crypto';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { root } from './cluster.mjs';
import {
  CannotGoOn,
  addressesOf,
  databaseUrl,
  ensureBuild,
  ensurePackages,
  ensurePostgres,
  ensureTestTools,
  releaseCluster,
  say,
  startCluster,
} from './machine.mjs';

const all = ['types', 'lint', 'format', 'unit', 'data', 'e2e', 'walk', 'serve', 'fuzz'];
const wanted = process.argv.slice(2).length > 0 ? process.argv.slice(2) : all;
const unknown = wanted.filter((part) => !all.includes(part));
const bin = (name) => path.join(root, 'node_modules', '.bin', name);
const run = crypto.randomBytes(4).toString('hex');
const results = path.join(os.tmpdir(), `impegno-tests-${run}`);
let passed = 0;
let failed = 0;

/** Runs a program and gathers what it says; shown when it fails (or always, when `loud`). */
function program(command, args, { env = {}, loud = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', npm_config_loglevel: 'error', ...env },
      stdio: loud ? 'inherit' : ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    child.stdout?.on('data', (data) => (said += data));
    child.stderr?.on('data', (data) => (said += data));
    child.on('error', (error) => resolve({ code: 1, said: String(error) }));
    child.on('exit', (code) => resolve({ code: code ?? 1, said }));
  });
}

const since = (began) => `${Math.round((Date.now() - began) / 1000)} s`;

async function check(name, command, args) {
  const began = Date.now();
  const { code, said } = await program(command, args);
  if (code === 0) passed += 1;
  else failed += 1;
  say(`${code === 0 ? 'ok   ' : 'FAIL '} ${name} (${since(began)})${code === 0 ? '' : `\n${said}`}`);
}

function count(name, file, code, began, read) {
  let good = 0;
  let bad = 0;
  try {
    [good, bad] = read(JSON.parse(fs.readFileSync(file, 'utf8')));
  } catch {
    bad = 1;
  }
  // A runner that fails without naming a test has failed all the same.
  if (code !== 0 && bad === 0) bad = 1;
  if (good + bad === 0) bad = 1;
  passed += good;
  failed += bad;
  say(`${bad === 0 ? 'ok   ' : 'FAIL '} ${name}: ${good} passed, ${bad} failed (${since(began)})`);
}

async function jest(name, patterns, env = {}) {
  const began = Date.now();
  const file = path.join(results, `${name}.json`);
  // On two cores one waits less than it is waited for.
  const workers = Math.max(2, os.availableParallelism() - 1);
  const asked = ['--json', `--outputFile=${file}`, `--maxWorkers=${workers}`, ...patterns];
  const { code, said } = await program(bin('jest'), asked, {
    env: { NODE_OPTIONS: '--experimental-vm-modules --no-warnings', NODE_ENV: 'test', ...env },
  });
  if (code !== 0) say(said);
  count(name, file, code, began, (found) => [
    found.numPassedTests,
    found.numFailedTests + found.numRuntimeErrorTestSuites,
  ]);
}

const freePort = () =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

async function prepare(url, ...how) {
  const { code, said } = await program(process.execPath, ['--import', 'tsx', 'scripts/prepare.ts', ...how], {
    env: addressesOf(url),
  });
  if (code !== 0) throw new CannotGoOn(`The test database could not be prepared:\n${said}`);
}

/** Serves the build on a database while something is done with it. */
async function served(url, work) {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      cwd: root,
      env: {
        ...process.env,
        NODE_ENV: 'production',
        ...addressesOf(url),
        DATABASE_OWNER_URL: undefined,
        IMPEGNO_ADDRESS: address,
        NEXT_TELEMETRY_DISABLED: '1',
        NEXT_MANUAL_SIG_HANDLE: '1',
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  try {
    for (let tries = 0; tries < 120; tries += 1) {
      if (
        await fetch(`${address}/api/v1/health`).then(
          (answer) => answer.ok,
          () => false,
        )
      )
        break;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    const { DATABASE_URL, IMPEGNO_SECRET } = addressesOf(url);
    return await work({ IMPEGNO_ADDRESS: address, DATABASE_URL, IMPEGNO_SECRET });
  } finally {
    server.kill('SIGTERM');
  }
}

/** Browser tests wait more than they work: their files are dealt to two servers with a database each. */
async function browser() {
  const began = Date.now();
  const halves = [];
  for (const half of [1, 2]) halves.push([half, await testDatabase(`e2e${half}`)]);
  const counts = await Promise.all(
    halves.map(([half, url]) => {
      const file = path.join(results, `e2e${half}.json`);
      return served(url, async (env) => {
        const asked = ['test', `--shard=${half}/${halves.length}`, '--reporter=list,json'];
        const { code, said } = await program(bin('playwright'), [...asked, `--output=test-results/${half}`], {
          env: { PLAYWRIGHT_JSON_OUTPUT_FILE: file, ...env },
        });
        if (code !== 0) say(said);
        return { file, code };
      });
    }),
  );
  counts.forEach(({ file, code }, i) =>
    count(`e2e ${i + 1} of ${halves.length}`, file, code, began, ({ stats }) => [
      stats.expected + stats.flaky,
      stats.unexpected,
    ]),
  );
}

/** A new owner from an empty database to a first proposal that is sent. */
const firstDay = (url) =>
  served(url, async (env) => {
    const began = Date.now();
    const { code, said } = await program(
      bin('playwright'),
      ['test', '--config=playwright.walk.config.ts', '--reporter=list', '--output=test-results/walk'],
      { env },
    );
    if (code !== 0 || wanted.length === 1) say(said);
    if (code === 0) passed += 1;
    else failed += 1;
    say(`${code === 0 ? 'ok   ' : 'FAIL '} walk of a first day (${since(began)})`);
  });

/** Mutated requests at every door; `npm run fuzz` sends many more than the tests do. */
const fuzz = (url, requests) =>
  served(url, async (env) => {
    const { code, said } = await program(process.execPath, ['--import', 'tsx', 'scripts/fuzz.ts'], {
      env: { FUZZ_REQUESTS: String(requests), ...env },
    });
    if (code !== 0 || wanted.length === 1) say(said);
    if (code === 0) passed += 1;
    else failed += 1;
    say(`${code === 0 ? 'ok   ' : 'FAIL '} fuzz: ${requests} requests`);
  });

let cluster;
const databases = [];

async function testDatabase(name, ...how) {
  cluster ??= startCluster();
  const url = databaseUrl(cluster.url, `impegno_${name}_${run}`);
  databases.push(url);
  await prepare(url, ...how);
  return url;
}

async function cleanUp() {
  fs.rmSync(results, { recursive: true, force: true });
  if (!cluster) return;
  const { Client } = (await import('pg')).default;
  const client = new Client({ connectionString: cluster.url });
  await client.connect();
  for (const url of databases)
    await client.query(`drop database if exists "${new URL(url).pathname.slice(1)}" with (force)`);
  await client.end();
  releaseCluster();
}

process.on('SIGINT', () => void cleanUp().then(() => process.exit(130)));

try {
  if (unknown.length > 0)
    throw new CannotGoOn(`There is no part “${unknown.join(', ')}”. The parts: ${all.join(', ')}.`);
  const has = (part) => wanted.includes(part);
  ensurePackages();
  fs.mkdirSync(results, { recursive: true });
  if (['data', 'e2e', 'walk', 'serve', 'fuzz'].some(has)) ensurePostgres();
  if (['unit', 'data', 'e2e', 'walk'].some(has)) ensureTestTools();
  const checks = async () => {
    if (has('types')) await check('types', bin('tsc'), ['--noEmit', '-p', '.']);
    if (has('lint')) {
      await check('lint', bin('eslint'), ['--max-warnings=0', '.']);
      await check('theme', bin('tsx'), ['scripts/theme.tsx', '--check']);
      await check('folders', process.execPath, ['scripts/folders.mjs']);
      await check('import rules', bin('depcruise'), [
        '--config',
        '.dependency-cruiser.cjs',
        'app',
        'src',
        'proxy.ts',
      ]);
    }
    if (has('format')) await check('format', bin('prettier'), ['--check', '--log-level=warn', '.']);
  };
  const data = async () => {
    if (has('data')) await jest('data', ['tests/data'], addressesOf(await testDatabase('data')));
  };
  if (has('unit')) await jest('unit', ['src', 'tests/outside']);
  // What is read over needs a processor; what waits for the database leaves one.
  await Promise.all([checks(), data()]);
  if (['e2e', 'walk', 'serve', 'fuzz'].some(has)) ensureBuild();
  if (has('e2e')) await browser();
  if (has('walk')) await firstDay(await testDatabase('walk', '--empty'));
  if (has('serve')) await jest('serve', ['tests/serve'], addressesOf(await testDatabase('serve', '--empty')));
  if (has('fuzz')) await fuzz(await testDatabase('fuzz'), wanted.length === 1 ? 5000 : 500);
} catch (error) {
  failed += 1;
  process.stderr.write(`${error instanceof CannotGoOn ? error.message : error.stack}\n`);
} finally {
  await cleanUp();
}
say(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
