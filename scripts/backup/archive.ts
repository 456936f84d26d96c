import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import fs from 'node:fs/promises';
import path from 'node:path';
import * as tar from 'tar';
import { CannotGoOn } from './cannotGoOn';
import { pgTool } from './pgTools';
import { isSealed, openFile, sealFile } from './sealedFile';

/** What a backup says of itself. */
export interface Manifest {
  readonly format: 'impegno-backup';
  /** Of this format. */
  readonly version: 1;
  /** The application that made it. */
  readonly application: string;
  /** An instant as ISO 8601 text. */
  readonly madeAt: string;
  readonly postgres: string;
  /** The number of migrations the database had. */
  readonly migrations: number;
  /** How many rows each table had. */
  readonly rows: Readonly<Record<string, number>>;
  readonly companies: readonly string[];
  /** Bytes and SHA-256 of each other part. */
  readonly parts: Readonly<Record<string, { readonly bytes: number; readonly sha256: string }>>;
}

export const DUMP = 'database.dump';
export const SETTINGS = 'settings.json';
const MANIFEST = 'manifest.json';

async function sha256Of(file: string): Promise<string> {
  const sum = createHash('sha256');
  for await (const part of createReadStream(file)) sum.update(part as Buffer);
  return sum.digest('hex');
}

/**
 * Packs a folder with the parts of a backup into one file. The file has its name only when it is whole.
 * @param about what the backup says of itself, besides its parts
 * @param passphrase seals the whole; null: whoever has the file reads it
 */
export async function pack(
  folder: string,
  about: Omit<Manifest, 'parts' | 'format' | 'version'>,
  file: string,
  passphrase: string | null,
): Promise<Manifest> {
  const parts: Record<string, { bytes: number; sha256: string }> = {};
  for (const name of [DUMP, SETTINGS]) {
    const part = path.join(folder, name);
    parts[name] = { bytes: (await fs.stat(part)).size, sha256: await sha256Of(part) };
  }
  const manifest: Manifest = { format: 'impegno-backup', version: 1, ...about, parts };
  await fs.writeFile(path.join(folder, MANIFEST), JSON.stringify(manifest, null, 2), { mode: 0o600 });
  const unsealed = path.join(folder, 'all.tar');
  await tar.create({ file: unsealed, cwd: folder, portable: true }, [MANIFEST, DUMP, SETTINGS]);
  const unnamed = `${file}.part`;
  if (passphrase === null) {
    await fs.copyFile(unsealed, unnamed);
    await fs.chmod(unnamed, 0o600);
  } else await sealFile(unsealed, unnamed, passphrase);
  await fs.rename(unnamed, file);
  return manifest;
}

function manifestOf(text: string): Manifest {
  let read: Partial<Manifest>;
  try {
    read = JSON.parse(text) as Partial<Manifest>;
  } catch {
    throw new CannotGoOn('What the backup says of itself cannot be read.');
  }
  if (read.format !== 'impegno-backup') throw new CannotGoOn('This file is no backup of Impegno.');
  if (read.version !== 1)
    throw new CannotGoOn('This backup is of a newer kind; restore it with a newer Impegno.');
  return read as Manifest;
}

/**
 * Unpacks a backup into an empty folder and checks every part of it.
 * @throws CannotGoOn when anything of it is not as it was made
 */
export async function unpack(file: string, folder: string, passphrase: string | null): Promise<Manifest> {
  let archive = file;
  if (await isSealed(file)) {
    if (passphrase === null)
      throw new CannotGoOn('This backup is sealed: name its passphrase in IMPEGNO_BACKUP_PASSPHRASE.');
    archive = path.join(folder, 'all.tar');
    await openFile(file, archive, passphrase);
  }
  const wanted = new Set([MANIFEST, DUMP, SETTINGS]);
  try {
    await tar.extract({
      file: archive,
      cwd: folder,
      strict: true,
      filter: (name, entry) => wanted.has(name) && 'type' in entry && entry.type === 'File',
    });
  } catch {
    throw new CannotGoOn('This file is no backup of Impegno, or it was damaged.');
  }
  const text = await fs.readFile(path.join(folder, MANIFEST), 'utf8').catch(() => {
    throw new CannotGoOn('This file is no backup of Impegno.');
  });
  const manifest = manifestOf(text);
  for (const name of [DUMP, SETTINGS]) {
    const said = manifest.parts[name];
    const there = await sha256Of(path.join(folder, name)).catch(() => null);
    if (!said || there !== said.sha256)
      throw new CannotGoOn(`The backup was damaged: ${name} is not as it was made.`);
  }
  // The dump's own list of contents is readable.
  await pgTool('pg_restore', null, ['--list', path.join(folder, DUMP)]);
  return manifest;
}
