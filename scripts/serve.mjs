// npm run serve: the application for real work, on a database that somebody keeps, behind a proxy. Checks the configuration,
// brings the database up to date (where DATABASE_OWNER_URL is set), serves by IMPEGNO_PROCESSES processes on one port, begins
// anew what dies, makes backups by the clock, and ends in order. All settings: docs/configuration.md.
import cluster from 'node:cluster';
import { spawn, spawnSync } from 'node:child_process';
import http from 'node:http';
import path from 'node:path';
import { postgresBin, root } from './cluster.mjs';
import { CannotGoOn, addressesOf, ensureBuild, ensurePackages } from './machine.mjs';

const tell = (what, more = {}) =>
  process.stdout.write(
    `${JSON.stringify({ at: new Date().toISOString(), level: 'info', from: 'supervisor', what, ...more })}\n`,
  );

const owner = process.env.DATABASE_OWNER_URL;
const port = process.env.PORT ?? '4310';
const host = process.env.IMPEGNO_HOST ?? '127.0.0.1';
const count = Number(process.env.IMPEGNO_PROCESSES ?? 1);
// What a process is given to end what it is doing; it gives itself twelve.
const PATIENCE = 15_000;

const env = {
  ...process.env,
  ...(owner ? addressesOf(owner) : {}),
  IMPEGNO_PRODUCTION: '1',
  IMPEGNO_SETUP: process.env.IMPEGNO_SETUP ?? 'key',
  NODE_ENV: 'production',
  NEXT_TELEMETRY_DISABLED: '1',
  NEXT_MANUAL_SIG_HANDLE: '1',
  IMPEGNO_PG_BIN: process.env.IMPEGNO_PG_BIN ?? postgresBin() ?? '',
};

/** Runs a script of ours to its end. */
function script(name, ...args) {
  return spawnSync(process.execPath, ['--import', 'tsx', `scripts/${name}.ts`, ...args], {
    cwd: root,
    env,
    stdio: 'inherit',
  }).status;
}

let ending = false;

/** A process that serves; one that dies is begun anew, later each time it does so soon. */
function serveOne(wait = 500) {
  const began = Date.now();
  const worker = cluster.fork();
  worker.once('exit', (code, signal) => {
    if (ending) return;
    const soon = Date.now() - began < 60_000;
    tell('a process ended by itself and is begun anew', { pid: worker.process.pid, code, signal });
    setTimeout(() => !ending && serveOne(soon ? Math.min(wait * 2, 30_000) : 500), wait);
  });
}

/** The next time of day, in milliseconds from now (UTC). */
function untilTime(text) {
  const [hours, minutes] = text.split(':').map(Number);
  const next = new Date();
  next.setUTCHours(hours, minutes, 0, 0);
  if (next.getTime() <= Date.now()) next.setUTCDate(next.getUTCDate() + 1);
  return next.getTime() - Date.now();
}

function backUp() {
  tell('a backup begins');
  const made = spawn(process.execPath, ['--import', 'tsx', 'scripts/backup.ts'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  for (const stream of [made.stdout, made.stderr]) stream.on('data', (part) => (said += part));
  made.once('exit', (code) =>
    tell(code === 0 ? 'a backup is made' : 'A BACKUP FAILED', { said: said.trim() }),
  );
}

function backUpByTheClock() {
  const at = env.IMPEGNO_BACKUP_AT;
  if (!at) return;
  const next = () =>
    setTimeout(() => {
      backUp();
      next();
    }, untilTime(at)).unref();
  next();
}

/** What all processes counted, added up, on a port of this machine alone. */
async function showMetrics() {
  const port = Number(env.IMPEGNO_METRICS_PORT);
  if (!port) return;
  const { AggregatorRegistry } = (await import('prom-client')).default;
  const all = new AggregatorRegistry();
  http
    .createServer((request, response) => {
      if (request.url !== '/metrics') return response.writeHead(404).end();
      all.clusterMetrics().then(
        (text) => response.writeHead(200, { 'content-type': all.contentType }).end(text),
        (error) => response.writeHead(503).end(String(error.message)),
      );
    })
    .listen(port, '127.0.0.1');
}

function end(code) {
  if (ending) return;
  ending = true;
  tell('ending');
  const workers = Object.values(cluster.workers ?? {});
  const left = new Set(workers);
  const finish = () => {
    tell('ended');
    process.exit(code);
  };
  if (left.size === 0) finish();
  for (const worker of workers) {
    worker.once('exit', () => {
      left.delete(worker);
      if (left.size === 0) finish();
    });
    worker.process.kill('SIGTERM');
  }
  setTimeout(() => left.forEach((worker) => worker.process.kill('SIGKILL')), PATIENCE).unref();
}

function main() {
  ensurePackages();
  if (script('configuration') !== 0) throw new CannotGoOn('Nothing is served; see above.');
  if (owner && script('prepare', '--empty') !== 0)
    throw new CannotGoOn('The database could not be brought up to date; see above.');
  ensureBuild();
  // Those that serve never hold what would let them in as the owner.
  const { DATABASE_OWNER_URL: _, ...served } = env;
  for (const name of Object.keys(process.env)) delete process.env[name];
  Object.assign(process.env, served);
  cluster.setupPrimary({
    exec: path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next'),
    args: ['start', '-H', host, '-p', port],
    cwd: root,
  });
  for (let i = 0; i < count; i += 1) serveOne();
  backUpByTheClock();
  void showMetrics();
  tell('serving', { address: `http://${host}:${port}`, processes: count });
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0));

try {
  main();
} catch (error) {
  if (!(error instanceof CannotGoOn)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
