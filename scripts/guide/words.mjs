import fs from 'node:fs';
import path from 'node:path';
import { repo } from '../build-steps.mjs';

/** Words and what they are, out of those of the documentation; what they are called in the code is left out. */
export function words() {
  const text = fs.readFileSync(path.join(repo, 'docs/words.md'), 'utf8');
  const rows = [...text.matchAll(/^\|(.+)\|(.+)\|(?:[^|]+)\|$/gm)].map(([, word, what]) => `|${word}|${what}|`);
  return rows.join('\n');
}
