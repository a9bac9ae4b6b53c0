import { createHash, randomBytes } from 'node:crypto';

/** A secret that nobody guesses: 256 bits, as text for an address. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What of a secret is kept: whoever reads the database can't use it. */
export const digestOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
