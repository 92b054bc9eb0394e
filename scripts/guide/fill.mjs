import fs from 'node:fs';
import path from 'node:path';
import { repo } from '../build-steps.mjs';
import { formulas, sheets, sums } from './formulas.mjs';
import { norms } from './norms.mjs';
import { refusals } from './refusals.mjs';
import { rules, station } from './stations.mjs';
import { words } from './words.mjs';

const MADE = { formulas, norms, refusals, rules, sheets, station, sums, words };

/** Fills the pages of a language. @param {boolean} write whether, too, in the files @returns {string[]} files that were not as made */
export function fillGuide(language, write) {
  const folder = path.join(repo, 'docs/guide', language);
  const stale = [];
  for (const name of fs.readdirSync(folder).filter((file) => file.endsWith('.md'))) {
    const file = path.join(folder, name);
    const before = fs.readFileSync(file, 'utf8');
    const after = before.replace(/<!-- made: (\w+) ?(\S*) -->\n[^]*?<!-- end -->/g, (_, what, of) => {
      const made = MADE[what](of).trim();
      return `<!-- made: ${what}${of ? ` ${of}` : ''} -->\n\n${made}\n\n<!-- end -->`;
    });
    if (after === before) continue;
    stale.push(path.relative(repo, file));
    if (write) fs.writeFileSync(file, after);
  }
  return stale;
}
