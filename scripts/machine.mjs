// What the two commands need of the machine: the packages of the lock file, PostgreSQL, Chromium.
import { spawnSync } from 'node:child_process';
import crypto from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { postgresBin, root } from './cluster.mjs';

export const say = (text) => process.stdout.write(`${text}\n`);

export class CannotGoOn extends Error {}

function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
}

const hash = (file) => crypto.createHash('sha256').update(fs.readFileSync(file)).digest('hex');

/** Installs what the lock file names, once per lock file. */
export function ensurePackages() {
  const mark = path.join(root, 'node_modules', '.impegno-lock');
  const wanted = hash(path.join(root, 'package-lock.json'));
  if (fs.existsSync(mark) && fs.readFileSync(mark, 'utf8') === wanted) return;
  say('Installing packages (npm ci) …');
  const done = run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: { ...process.env, NODE_ENV: 'development' },
  });
  if (done.status !== 0) throw new CannotGoOn('The packages could not be installed; npm says why above.');
  fs.writeFileSync(mark, wanted);
}

function aptInstall(packages, what) {
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const permitted =
    asRoot.length === 0 || spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0;
  if (!fs.existsSync('/usr/bin/apt-get') || !permitted)
    throw new CannotGoOn(
      `${what} is not installed. Install it once as an administrator: apt-get install ${packages.join(' ')}`,
    );
  say(`Installing ${what} (Debian packages ${packages.join(', ')}) …`);
  const apt = (...args) => {
    const whole = [
      ...asRoot,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-qq',
      '-o',
      'DPkg::Lock::Timeout=300',
      '-o',
      'Dpkg::Options::=--force-confold',
      ...args,
    ];
    return run(whole[0], whole.slice(1), { stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  };
  if (
    !apt('install', '-y', '--no-install-recommends', ...packages) &&
    !(apt('update') && apt('install', '-y', '--no-install-recommends', ...packages))
  )
    throw new CannotGoOn(`${what} could not be installed; apt-get says why above.`);
}

/** Debian's PostgreSQL, without the cluster of its own that the package would start on port 5432. */
export function ensurePostgres() {
  if (postgresBin()) return;
  const settings = '/etc/postgresql-common/createcluster.conf';
  if (process.getuid?.() === 0 && !fs.existsSync(settings)) {
    fs.mkdirSync(path.dirname(settings), { recursive: true });
    fs.writeFileSync(settings, 'create_main_cluster = false\n');
  }
  aptInstall(['postgresql'], 'PostgreSQL');
}

/** Debian's Chromium and the validators of XML, for the tests. */
export function ensureTestTools() {
  const missing = [
    ['/usr/bin/chromium', 'chromium'],
    ['/usr/bin/xmllint', 'libxml2-utils'],
    ['/usr/bin/pdftotext', 'poppler-utils'],
  ].filter(([file]) => !fs.existsSync(file));
  if (missing.length > 0)
    aptInstall(
      missing.map(([, name]) => name),
      'what the tests need',
    );
}

/** Does something with the private cluster under a lock, so that two at once do one after the other. */
function cluster(...what) {
  fs.mkdirSync(path.join(root, '.data'), { recursive: true });
  const done = spawnSync(
    'flock',
    [
      '-w',
      '180',
      path.join(root, '.data', 'lock'),
      process.execPath,
      path.join(root, 'scripts', 'cluster.mjs'),
      ...what,
    ],
    { encoding: 'utf8' },
  );
  if (done.status !== 0) throw new CannotGoOn(done.stderr.trim() || 'The database could not be started.');
  return JSON.parse(done.stdout);
}

/** Starts the private cluster, or uses the one that runs. */
export const startCluster = () => cluster('start', String(process.pid));

/** This process is done with the cluster; the last one stops it. */
export const releaseCluster = () => cluster('release', String(process.pid));

/** The processes that use the cluster. */
export const clusterUsers = () => cluster('users').users;

export const stopCluster = () => cluster('stop');

/** How the server logs in to a database that somebody keeps: a login of its own, its password made from theirs. */
export function serverUrl(ownerUrl) {
  const url = new URL(ownerUrl);
  if (url.password === '')
    throw new CannotGoOn(
      'DATABASE_OWNER_URL has no password to make the server’s from: name the login of the server in DATABASE_URL.',
    );
  const password = crypto.createHmac('sha256', decodeURIComponent(url.password)).update('impegno_server');
  url.username = 'impegno_server';
  url.password = password.digest('hex');
  return url.href;
}

/** What private links are sealed with where nothing else is said: not in the database, and the same at each start. */
const secretOf = (ownerUrl) => {
  // A database that was restored here brought its own along.
  const kept = path.join(root, '.data', `${new URL(ownerUrl).pathname.slice(1)}.secret`);
  if (fs.existsSync(kept)) return fs.readFileSync(kept, 'utf8').trim();
  return crypto
    .createHmac('sha256', decodeURIComponent(new URL(ownerUrl).password))
    .update('impegno secret')
    .digest('hex');
};

/** How the owner of a database and the server log in to it, and the server's secret, as the environment gives them. */
export const addressesOf = (ownerUrl) => ({
  IMPEGNO_SECRET: process.env.IMPEGNO_SECRET ?? secretOf(ownerUrl),
  DATABASE_OWNER_URL: ownerUrl,
  DATABASE_URL:
    process.env.DATABASE_OWNER_URL === ownerUrl && process.env.DATABASE_URL
      ? process.env.DATABASE_URL
      : serverUrl(ownerUrl),
});

/** The address of a database of the cluster. */
export const databaseUrl = (clusterUrl, name) => clusterUrl.replace(/\/[^/]*$/, `/${name}`);

const sources = ['app', 'src', 'public', 'next.config.ts', 'proxy.ts', 'package-lock.json', 'tsconfig.json'];

/** A mark of everything the build is made from. */
export function sourceMark() {
  const sum = crypto.createHash('sha256');
  const visit = (file) => {
    if (!fs.existsSync(file)) return;
    if (fs.statSync(file).isDirectory())
      for (const name of fs.readdirSync(file).sort()) visit(path.join(file, name));
    else if (!/\.test\.tsx?$/.test(file)) sum.update(path.relative(root, file)).update(fs.readFileSync(file));
  };
  for (const name of sources) visit(path.join(root, name));
  return sum.digest('hex');
}

const buildMark = path.join(root, '.next', 'impegno-build');
export const buildIsFresh = () =>
  fs.existsSync(buildMark) && fs.readFileSync(buildMark, 'utf8') === sourceMark();

/** Builds the application unless the build is of these sources. */
export function ensureBuild(options = {}) {
  if (buildIsFresh()) return;
  say('Building …');
  const mark = sourceMark();
  const done = run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'pipe'],
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
    ...options,
  });
  if (done.status !== 0) throw new CannotGoOn(`The build failed:\n${done.stdout}\n${done.stderr}`);
  fs.writeFileSync(buildMark, mark);
}
