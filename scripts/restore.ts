// npm run restore -- FILE: a backup takes the place of an empty database; with `--replace` of any, and what was there is kept
// under another name. Cut off in the middle, everything is as it was. With `--settings-only` the configuration alone.
import fs from 'node:fs';
import path from 'node:path';
import { closeConnection } from '@/data/connection';
import { CannotGoOn } from './backup/cannotGoOn';
import { readSettings, restoreBackup } from './backup/restore';

const given = process.argv.slice(2);
const passphrase = process.env.IMPEGNO_BACKUP_PASSPHRASE || null;

/** Keeps the settings of a backup beside the database they belong to. @returns what is to be said of them */
function keepSettings(
  name: string,
  { IMPEGNO_SECRET: secret, ...others }: Readonly<Record<string, string>>,
): string[] {
  const own = (what: string) => path.join(process.cwd(), '.data', `${name}.${what}`);
  fs.mkdirSync(path.join(process.cwd(), '.data'), { recursive: true });
  if (secret) fs.writeFileSync(own('secret'), `${secret}\n`, { mode: 0o600 });
  const lines = Object.entries(others).map(([key, value]) => `${key}=${JSON.stringify(value)}`);
  if (lines.length > 0) fs.writeFileSync(own('restored.env'), `${lines.join('\n')}\n`, { mode: 0o600 });
  return [
    secret
      ? `What links are sealed with is in ${own('secret')}; it is used from here unless IMPEGNO_SECRET says otherwise.`
      : 'The backup has no IMPEGNO_SECRET: private links and authenticators of before do not open.',
    ...(lines.length > 0
      ? [
          `The other settings of then are in ${own('restored.env')}, to be looked over; none is used by itself.`,
        ]
      : []),
  ];
}

async function run(): Promise<string[]> {
  const file = given.find((each) => !each.startsWith('--'));
  if (!file) throw new CannotGoOn('Name the backup: npm run restore -- FILE');
  const owner = process.env.DATABASE_OWNER_URL;
  const server = process.env.DATABASE_URL;
  if (!owner || !server) throw new CannotGoOn('DATABASE_OWNER_URL and DATABASE_URL are not both set.');
  const name = decodeURIComponent(new URL(owner).pathname.slice(1));
  if (given.includes('--settings-only'))
    return keepSettings(name, await readSettings(path.resolve(file), passphrase));
  const { manifest, settings, before } = await restoreBackup(path.resolve(file), {
    ...{ owner, server, passphrase, now: new Date(), replace: given.includes('--replace') },
  });
  return [
    `Restored into ${name}: ${manifest.companies.join(', ') || 'no company'}, as of ${manifest.madeAt}.`,
    ...(before ? [`What was there is kept as the database ${before}.`] : []),
    ...keepSettings(name, settings),
  ];
}

try {
  process.stdout.write(`${(await run()).join('\n')}\n`);
} catch (error) {
  const known =
    error instanceof CannotGoOn ||
    ['ECONNREFUSED', 'ENOENT'].includes((error as { code?: string }).code ?? '');
  process.stderr.write(`${known ? (error as Error).message : (error as Error).stack}\n`);
  process.exitCode = 1;
} finally {
  await closeConnection();
}
