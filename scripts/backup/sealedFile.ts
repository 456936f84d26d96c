import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { CannotGoOn } from './cannotGoOn';

/* A file sealed with a passphrase: a mark, salt, start value, what is sealed (AES-256-GCM, key by scrypt, RFC 7914), and its tag. */

const MARK = Buffer.from('impegno sealed 1\n');
const SALT = 16;
const START = 12;
const TAG = 16;
const HEAD = MARK.length + SALT + START;

const keyOf = (passphrase: string, salt: Buffer) =>
  scryptSync(passphrase, salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 });

/** Seals a file into another. */
export async function sealFile(from: string, to: string, passphrase: string): Promise<void> {
  const [salt, start] = [randomBytes(SALT), randomBytes(START)];
  const cipher = createCipheriv('aes-256-gcm', keyOf(passphrase, salt), start);
  const into = createWriteStream(to, { mode: 0o600 });
  into.write(Buffer.concat([MARK, salt, start]));
  await pipeline(
    createReadStream(from),
    async function* (parts: AsyncIterable<Buffer>) {
      for await (const part of parts) yield cipher.update(part);
      yield cipher.final();
      yield cipher.getAuthTag();
    },
    into,
  );
}

/** Whether a file is sealed. */
export async function isSealed(file: string): Promise<boolean> {
  const handle = await open(file, 'r');
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(MARK.length), 0, MARK.length, 0);
    return bytesRead === MARK.length && buffer.equals(MARK);
  } finally {
    await handle.close();
  }
}

/** Opens a sealed file into another. @throws CannotGoOn when the passphrase is another, or a byte was changed */
export async function openFile(from: string, to: string, passphrase: string): Promise<void> {
  const wrong = new CannotGoOn('The passphrase does not open this backup, or the file was damaged.');
  const { size } = await stat(from);
  if (size < HEAD + TAG) throw wrong;
  const handle = await open(from, 'r');
  const piece = async (length: number, at: number) =>
    (await handle.read(Buffer.alloc(length), 0, length, at)).buffer;
  const [salt, start, tag] = [
    await piece(SALT, MARK.length),
    await piece(START, MARK.length + SALT),
    await piece(TAG, size - TAG),
  ];
  await handle.close();
  const decipher = createDecipheriv('aes-256-gcm', keyOf(passphrase, salt), start);
  decipher.setAuthTag(tag);
  try {
    await pipeline(
      createReadStream(from, { start: HEAD, end: size - TAG - 1 }),
      decipher,
      createWriteStream(to, { mode: 0o600 }),
    );
  } catch {
    throw wrong;
  }
}
