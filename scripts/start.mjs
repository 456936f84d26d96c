// npm start: everything from a fresh clone to a served application with demo data. npm start -- --empty: the same without the
// demo, in a database of its own, to set one's own company up. npm run dev: the same, unbuilt.
import { spawn, spawnSync } from 'node:child_process';
import net from 'node:net';
import path from 'node:path';
import { root } from './cluster.mjs';
import {
  CannotGoOn,
  addressesOf,
  databaseUrl,
  ensureBuild,
  ensurePackages,
  ensurePostgres,
  releaseCluster,
  say,
  startCluster,
} from './machine.mjs';

const dev = process.argv.includes('--dev');
const empty = process.argv.includes('--empty');
const port = Number(process.env.PORT ?? 4310);
const address = `http://127.0.0.1:${port}`;

const isBusy = () =>
  new Promise((resolve) => {
    const socket = net.connect(port, '127.0.0.1');
    socket.once('connect', () => resolve(true)).once('error', () => resolve(false));
    socket.once('connect', () => socket.destroy());
  });

async function isOurs() {
  try {
    const answer = await fetch(`${address}/api/v1/health`, { signal: AbortSignal.timeout(3000) });
    return (await answer.json()).application === 'impegno';
  } catch {
    return false;
  }
}

let server;
let cluster;
let ending = false;

function end(code) {
  if (ending) return;
  ending = true;
  const finish = () => {
    if (cluster) releaseCluster();
    process.exit(code);
  };
  if (!server || server.exitCode !== null || server.signalCode !== null) return finish();
  server.once('exit', finish);
  server.kill('SIGTERM');
  // It gives itself twelve seconds for what is under way.
  setTimeout(() => server.kill('SIGKILL'), 14_000).unref();
}

async function main() {
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new CannotGoOn('PORT must be a number from 1 to 65535.');
  if (await isBusy()) {
    if (await isOurs()) {
      say(`Impegno is already running at ${address}`);
      return;
    }
    throw new CannotGoOn(
      `Port ${port} is in use by another program. Choose another: PORT=${port + 1} npm start`,
    );
  }
  ensurePackages();
  // A database that somebody else makes and keeps is only served.
  let owner = process.env.DATABASE_OWNER_URL;
  if (!owner && !process.env.DATABASE_URL) {
    ensurePostgres();
    say('Starting the database …');
    cluster = startCluster();
    // The demo and one's own company never share a database.
    owner = databaseUrl(cluster.url, empty ? 'impegno_own' : 'impegno');
  }
  const env = {
    ...process.env,
    ...(owner ? addressesOf(owner) : {}),
    IMPEGNO_ADDRESS: process.env.IMPEGNO_ADDRESS ?? address,
    NEXT_TELEMETRY_DISABLED: '1',
    // The server ends in order by itself: it finishes what it is doing.
    ...(dev ? {} : { NEXT_MANUAL_SIG_HANDLE: '1' }),
  };
  if (owner) {
    const prepared = spawnSync(
      process.execPath,
      ['--import', 'tsx', 'scripts/prepare.ts', ...(empty ? ['--empty'] : [])],
      {
        cwd: root,
        env,
        stdio: 'inherit',
      },
    );
    if (prepared.status !== 0) throw new CannotGoOn('The database could not be prepared; see above.');
  }
  // The server never holds what would let it in as the owner.
  delete env.DATABASE_OWNER_URL;
  if (!dev) ensureBuild();
  if (ending) return;

  const next = path.join(root, 'node_modules', 'next', 'dist', 'bin', 'next');
  server = spawn(process.execPath, [next, dev ? 'dev' : 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    env: { ...env, NODE_ENV: dev ? 'development' : 'production' },
    stdio: dev ? 'inherit' : ['ignore', 'ignore', 'inherit'],
    // Its own group, so that Ctrl-C reaches it once, from here.
    detached: true,
  });
  server.once('exit', (code) => end(code ?? 1));
  for (let tries = 0; tries < 240 && !ending; tries += 1) {
    if (await isOurs()) break;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  if (!ending)
    say(
      empty
        ? `\n  Impegno is ready:   ${address}\n  Open it to set up your company, or to sign in.\n\n  Ctrl-C stops it.\n`
        : `\n  Impegno is ready:   ${address}\n  Demo account:       perrin@quillbank.example\n  Password:           porch-swing-42\n\n  Ctrl-C stops it.\n`,
    );
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => end(0));

try {
  await main();
} catch (error) {
  if (!(error instanceof CannotGoOn)) throw error;
  process.stderr.write(`${error.message}\n`);
  end(1);
}
