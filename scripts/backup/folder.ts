import fs from 'node:fs/promises';
import path from 'node:path';
import { CannotGoOn } from './cannotGoOn';
import { makeBackup } from './make';
import type { Retention } from './retention';
import { keptBackups } from './retention';

const FILE = /^impegno-([A-Za-z0-9_]+)-(\d{4})(\d{2})(\d{2})-(\d{2})(\d{2})(\d{2})\.backup$/;

const stamp = (at: Date) =>
  at
    .toISOString()
    .replace(/\.\d+Z$/, '')
    .replace(/[-:]/g, '')
    .replace('T', '-');

/** What the backup of a database is called, by when it was made (UTC). */
export const backupName = (owner: string, at: Date): string =>
  `impegno-${decodeURIComponent(new URL(owner).pathname.slice(1))}-${stamp(at)}.backup`;

/** The backups of a database in a folder, with when each was made. */
export async function backupsIn(folder: string, owner: string) {
  const name = decodeURIComponent(new URL(owner).pathname.slice(1));
  const names = await fs.readdir(folder).catch(() => [] as string[]);
  return names.flatMap((file) => {
    const found = FILE.exec(file);
    if (found?.[1] !== name) return [];
    const [year, month, day, hour, minute, second] = found.slice(2) as [
      string,
      string,
      string,
      string,
      string,
      string,
    ];
    return [
      { file: path.join(folder, file), at: new Date(`${year}-${month}-${day}T${hour}:${minute}:${second}Z`) },
    ];
  });
}

/**
 * Makes a backup in a folder and removes those that need not be kept any more. What a backup that was cut off left there is
 * removed as well; nothing is removed unless the new one is whole.
 * @returns where it is, and how many were removed
 */
export async function backUpInto(
  folder: string,
  owner: string,
  {
    passphrase,
    retention,
    now,
  }: {
    readonly passphrase: string | null;
    /** Null: nothing is removed. */
    readonly retention: Retention | null;
    readonly now: Date;
  },
) {
  const file = path.join(folder, backupName(owner, now));
  if (
    await fs.stat(file).then(
      () => true,
      () => false,
    )
  )
    throw new CannotGoOn(`${file} is there already.`);
  const manifest = await makeBackup(owner, file, passphrase, now);
  let removed = 0;
  if (retention) {
    const made = await backupsIn(folder, owner);
    const kept = keptBackups(made, retention);
    for (const each of made)
      if (!kept.has(each)) {
        await fs.rm(each.file);
        removed += 1;
      }
    for (const name of await fs.readdir(folder))
      if (
        FILE.test(name.replace(/\.part$/, '')) &&
        name.endsWith('.part') &&
        name !== `${path.basename(file)}.part`
      )
        await fs.rm(path.join(folder, name));
  }
  return { file, manifest, removed };
}
