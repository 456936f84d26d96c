import { hash, verify } from '@node-rs/argon2';

// Argon2id with 19 MiB, two passes: the minimum of the OWASP password storage guidance (from memory).
const cost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, cost);

const nobody = hash('nobody has this password', cost);

/** Compares; takes as long for a user who is not there. */
export async function passwordMatches(stored: string | null, password: string): Promise<boolean> {
  const matches = await verify(stored ?? (await nobody), password);
  return stored !== null && matches;
}
