import { spawn } from 'node:child_process';
import path from 'node:path';
import { CannotGoOn } from './cannotGoOn';

/**
 * Runs a tool of PostgreSQL on a database; its password is not among the arguments, where others could read it.
 * @returns what it wrote
 * @throws CannotGoOn with its own words when it fails
 */
export function pgTool(
  name: 'pg_dump' | 'pg_restore',
  url: string | null,
  args: readonly string[],
): Promise<string> {
  // The newest on the machine, where whoever started this knows it; else the one in the path.
  const bin = process.env.IMPEGNO_PG_BIN;
  const address = url === null ? null : new URL(url);
  const password = address ? decodeURIComponent(address.password) : '';
  if (address) address.password = '';
  const child = spawn(
    bin ? path.join(bin, name) : name,
    [...(address ? [`--dbname=${address.href}`] : []), ...args],
    {
      env: { ...process.env, ...(password === '' ? {} : { PGPASSWORD: password }) },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  let said = '';
  let wrong = '';
  child.stdout.on('data', (part: Buffer) => (said += part.toString()));
  child.stderr.on('data', (part: Buffer) => (wrong += part.toString()));
  return new Promise((resolve, reject) => {
    child.on('error', () => reject(new CannotGoOn(`${name} is not there; it comes with PostgreSQL.`)));
    child.on('exit', (code) =>
      code === 0
        ? resolve(said)
        : reject(new CannotGoOn(`${name} failed:\n${wrong.trim().split('\n').slice(-20).join('\n')}`)),
    );
  });
}
