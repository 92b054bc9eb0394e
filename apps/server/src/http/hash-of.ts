import { createHash } from 'node:crypto';

/** What is kept of a recovery code, a link or a token: drawn at random, so that a plain hash is enough. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
