import { createHash, randomBytes } from 'node:crypto';

/** 256 bits of chance: too many to guess, so that a plain digest is enough to keep it by. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret: whoever reads the database cannot come in with it. */
export const digestOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();
