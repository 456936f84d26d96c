import { createHash, randomBytes } from 'node:crypto';

/** 256 random bits as text for an address or a cookie. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is stored of a token. Unsalted is enough: the token itself is random and long. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');
