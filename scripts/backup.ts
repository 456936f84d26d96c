// npm run backup: the database and the configuration in one file that checks itself. `npm run backup -- FILE`, or without a
// name into IMPEGNO_BACKUP_FOLDER (else `backups/`), where old ones go by IMPEGNO_BACKUP_KEEP. `-- --check FILE` only reads one.
import path from 'node:path';
import { backUpInto } from './backup/folder';
import { CannotGoOn } from './backup/cannotGoOn';
import type { Manifest } from './backup/archive';
import { unpack } from './backup/archive';
import { inFolder, makeBackup } from './backup/make';
import { readRetention } from './backup/retention';

const passphrase = process.env.IMPEGNO_BACKUP_PASSPHRASE || null;
const given = process.argv.slice(2);

const said = ({ madeAt, application, companies, rows }: Manifest) =>
  `of ${madeAt}, by Impegno ${application}: ${companies.join(', ') || 'no company'}; ${Object.values(rows).reduce((sum, each) => sum + each, 0)} rows in ${Object.keys(rows).length} tables`;

async function run(): Promise<string> {
  if (given[0] === '--check') {
    if (!given[1]) throw new CannotGoOn('Name the file: npm run backup -- --check FILE');
    const file = path.resolve(given[1]);
    return `${file} is whole: ${said(await inFolder((folder) => unpack(file, folder, passphrase)))}`;
  }
  const owner = process.env.DATABASE_OWNER_URL;
  if (!owner) throw new CannotGoOn('DATABASE_OWNER_URL is not set: how whoever keeps the database logs in.');
  const now = new Date();
  const open =
    passphrase === null
      ? '\nWhoever has this file can read all of it. IMPEGNO_BACKUP_PASSPHRASE seals it.'
      : '';
  if (given[0]) {
    const file = path.resolve(given[0]);
    return `${file} is made and whole: ${said(await makeBackup(owner, file, passphrase, now))}${open}`;
  }
  const keep = process.env.IMPEGNO_BACKUP_KEEP;
  const retention = keep ? readRetention(keep) : null;
  if (keep && !retention)
    throw new CannotGoOn(
      'IMPEGNO_BACKUP_KEEP says of how many days, weeks and months one is kept, as “7 4 12”.',
    );
  const folder = path.resolve(process.env.IMPEGNO_BACKUP_FOLDER ?? 'backups');
  const { file, manifest, removed } = await backUpInto(folder, owner, { passphrase, retention, now });
  return `${file} is made and whole: ${said(manifest)}${removed > 0 ? `\n${removed} older removed.` : ''}${open}`;
}

try {
  process.stdout.write(`${await run()}\n`);
} catch (error) {
  const known =
    error instanceof CannotGoOn ||
    ['ECONNREFUSED', 'ENOENT', 'ENOSPC', 'EACCES', '3D000'].includes((error as { code?: string }).code ?? '');
  process.stderr.write(`${known ? (error as Error).message : (error as Error).stack}\n`);
  process.exitCode = 1;
}
