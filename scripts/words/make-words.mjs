// What a language is spoken from: words by the ids of what the sources say, for the server and for the pages.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { LANGUAGES, readSources, spoken, standsIn } from './catalogue.mjs';
import { readCode } from './in-code.mjs';

/** Words for the server and what it loads. @param {string} folder */
export function makeServerWords(folder) {
  const said = readSources().said.filter(({ area }) => !['web', 'guide'].includes(area));
  for (const language of LANGUAGES) {
    const words = { language, file: '', words: spoken(language, said) };
    fs.writeFileSync(path.join(folder, `words-${language}.json`), JSON.stringify(words));
  }
}

/** A script that a page loads before all else; its name changes with what is in it. */
function writePageWords(folder, base, language, words) {
  for (const old of fs.readdirSync(folder).filter((name) => name.startsWith(`words-${language}-`)))
    fs.rmSync(path.join(folder, old));
  const hash = createHash('sha256').update(JSON.stringify(words)).digest('hex').slice(0, 8).toUpperCase();
  const file = `words-${language}-${hash}.js`;
  const text = JSON.stringify({ language, file: `${base}${file}`, words });
  fs.writeFileSync(path.join(folder, file), `druckereiWords=${text}`);
}

/** Words for the pages of the web: all of them, and of a page that is an application of its own what it says. @param {string} folder */
export function makePageWords(folder) {
  const said = readSources().said.filter(({ area }) => !['server', 'guide'].includes(area));
  const alone = path.join(folder, 'reckoner');
  const built = fs.readdirSync(alone).filter((name) => name.endsWith('.js') && !name.startsWith('words-'));
  const telling = ({ meaning, text }) => `${meaning}|${text}`;
  const read = built.map((file) => readCode(path.join(alone, file)));
  const its = new Set(read.flatMap((one) => one.said.map(telling)));
  const literals = new Set(read.flatMap((one) => one.literals));
  for (const language of LANGUAGES) {
    writePageWords(folder, '/', language, spoken(language, said));
    const ofIt = said.filter((one) => its.has(telling(one)));
    const itsKept = spoken(language, ofIt, (word) => standsIn(literals, word));
    writePageWords(alone, '/reckoner/', language, itsKept);
  }
}
