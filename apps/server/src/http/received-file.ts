import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Transform } from 'node:stream';
import { ProblemError } from './problem.js';

/** Runs `work` with the path of a file in a folder of its own; both are gone afterwards. */
export async function withFile<T>(work: (file: string) => Promise<T>): Promise<T> {
  const folder = await fs.promises.mkdtemp(path.join(os.tmpdir(), 'druckerei-'));
  try {
    return await work(path.join(folder, 'file'));
  } finally {
    await fs.promises.rm(folder, { recursive: true, force: true });
  }
}

/** Lets so many bytes through. Issues: 413 with `why` for more. */
export const upTo = (most: number, why: string): Transform => {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > most) done(new ProblemError(413, why));
      else done(null, chunk);
    },
  });
};
