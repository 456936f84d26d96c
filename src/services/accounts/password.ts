import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { hash, verify } from '@node-rs/argon2';
import { Problem } from '../problem';

// Argon2id with 19 MiB, two passes: the minimum of the OWASP password storage guidance (from memory).
const cost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, cost);

const nobody = hash('nobody has this password', cost);

/** Compares; takes as long for a user who is not there. */
export async function passwordMatches(stored: string | null, password: string): Promise<boolean> {
  const matches = await verify(stored ?? (await nobody), password);
  return stored !== null && matches;
}

const LEAST = 10;

let meter: ZxcvbnFactory | null = null;

/**
 * Refuses a password that is short or easily guessed: common ones, patterns of keys, the person's own names.
 * @param own what else belongs to the person: name, address, company
 * @throws Problem `password-guessed`, `password-too-long`, `password-too-short`
 */
export function refusePoorPassword(password: string, own: readonly string[]): void {
  if (password.length < LEAST)
    throw new Problem('password-too-short', `A password has at least ${LEAST} characters.`);
  if (password.length > 200) throw new Problem('password-too-long', 'A password has at most 200 characters.');
  meter ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = own
    .flatMap((each) => [each, ...each.split(/[^\p{L}\p{N}]+/u)])
    .filter((each) => each.length > 2);
  if (meter.check(password.slice(0, 100), words).score < 2)
    throw new Problem(
      'password-guessed',
      'This password is easily guessed. Take a longer one, or a few words that do not go together.',
    );
}
