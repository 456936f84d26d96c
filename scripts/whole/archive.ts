import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import fs from 'node:fs/promises';
import path from 'node:path';
import * as tar from 'tar';
import { CannotGoOn } from '../backup/cannotGoOn';

/** What an archive of a company says of itself. */
export interface Whole {
  readonly format: 'impegno-company';
  readonly version: 1;
  /** The application that made it. */
  readonly application: string;
  readonly madeAt: string;
  /** The number of migrations the database had: the tables are of that state. */
  readonly migrations: number;
  readonly company: { readonly id: string; readonly name: string };
  /** How many rows each table has. */
  readonly rows: Readonly<Record<string, number>>;
  /** Bytes and SHA-256 of each file. */
  readonly parts: Readonly<Record<string, { readonly bytes: number; readonly sha256: string }>>;
}

export const MANIFEST = 'manifest.json';
const ABOUT = 'README.md';
const ALLOWED =
  /^(manifest\.json|README\.md|tables\/[a-z_]{1,60}\.jsonl|files\/[a-z_]{1,60}\/[A-Za-z0-9_-]{1,120}\/[a-z_]{1,60})$/;
/** No archive unpacks to more than this, whatever it says. */
const MOST_BYTES = 40 * 1024 ** 3;

async function sumOf(file: string): Promise<{ bytes: number; sha256: string }> {
  const sum = createHash('sha256');
  let bytes = 0;
  for await (const part of createReadStream(file)) {
    sum.update(part as Buffer);
    bytes += (part as Buffer).length;
  }
  return { bytes, sha256: sum.digest('hex') };
}

/** Every file below a folder, by its path with slashes, in order. */
async function filesIn(folder: string, below = ''): Promise<string[]> {
  const found: string[] = [];
  for (const entry of await fs.readdir(path.join(folder, below), { withFileTypes: true })) {
    const name = below === '' ? entry.name : `${below}/${entry.name}`;
    if (entry.isDirectory()) found.push(...(await filesIn(folder, name)));
    else found.push(name);
  }
  return found.sort();
}

const about = ({
  company,
  madeAt,
  application,
}: Omit<Whole, 'parts' | 'format' | 'version'>) => `# ${company.name}

Everything Impegno ${application} held of this company on ${madeAt}, but passwords and other ways in.

- \`tables/NAME.jsonl\`: one table, a row a line, as JSON (RFC 8259) in UTF-8. Amounts are decimal text in the currency of the company, instants are ISO 8601, days are business dates.
- \`files/TABLE/ROW/COLUMN\`: what a row holds as bytes: pictures, plans, papers that went out.
- \`manifest.json\`: how many rows each table has, and the SHA-256 of every file.

\`npm run import -- FILE\` puts it into an empty installation of the same version.
`;

/** Packs a folder with tables and files into one archive; it has its name only when it is whole. */
export async function packWhole(
  folder: string,
  said: Omit<Whole, 'parts' | 'format' | 'version'>,
  file: string,
): Promise<Whole> {
  await fs.writeFile(path.join(folder, ABOUT), about(said));
  const names = await filesIn(folder);
  const parts: Record<string, { bytes: number; sha256: string }> = {};
  for (const name of names) parts[name] = await sumOf(path.join(folder, name));
  const manifest: Whole = { format: 'impegno-company', version: 1, ...said, parts };
  await fs.writeFile(path.join(folder, MANIFEST), JSON.stringify(manifest, null, 2));
  const unnamed = `${file}.part`;
  await tar.create({ file: unnamed, cwd: folder, portable: true, gzip: true }, [MANIFEST, ...names]);
  await fs.chmod(unnamed, 0o600);
  await fs.rename(unnamed, file);
  return manifest;
}

/**
 * Unpacks an archive into an empty folder and checks every file of it.
 * @throws CannotGoOn when anything of it is not as it was made
 */
export async function unpackWhole(file: string, folder: string): Promise<Whole> {
  let unpacked = 0;
  let tooMuch = false;
  try {
    await tar.extract({
      file,
      cwd: folder,
      strict: true,
      filter: (name, entry) => {
        if (!ALLOWED.test(name) || !('type' in entry) || entry.type !== 'File') return false;
        unpacked += entry.size;
        tooMuch ||= unpacked > MOST_BYTES;
        return !tooMuch;
      },
    });
  } catch {
    throw new CannotGoOn('This file is no archive of a company, or it was damaged.');
  }
  if (tooMuch) throw new CannotGoOn('This archive unpacks to more than an archive of a company does.');
  let manifest: Whole;
  try {
    manifest = JSON.parse(await fs.readFile(path.join(folder, MANIFEST), 'utf8')) as Whole;
  } catch {
    throw new CannotGoOn('This file is no archive of a company of Impegno.');
  }
  if (manifest.format !== 'impegno-company')
    throw new CannotGoOn('This file is no archive of a company of Impegno.');
  if (manifest.version !== 1)
    throw new CannotGoOn('This archive is of a newer kind; bring it in with a newer Impegno.');
  const there = (await filesIn(folder)).filter((name) => name !== MANIFEST);
  for (const name of new Set([...there, ...Object.keys(manifest.parts)])) {
    const said = manifest.parts[name];
    const found = said && there.includes(name) ? await sumOf(path.join(folder, name)) : null;
    if (found?.sha256 !== said?.sha256)
      throw new CannotGoOn(`The archive was damaged: ${name} is not as it was made.`);
  }
  return manifest;
}
