#!/usr/bin/env node
// npm run words: the catalogue of what is said to people, in every language that is spoken besides English. Adds what the
// sources have come to say, with nothing for it, and takes out what they say no more. With --check it writes nothing and fails
// where anything is missing or unused; "server" and "pages" make what the build needs.
import path from 'node:path';
import { repo } from './build-steps.mjs';
import {
  AREAS,
  KEPT,
  LANGUAGES,
  catalogue,
  isKept,
  readWords,
  unmarkedInSources,
  wordsOfSources,
  writeWords,
} from './words/catalogue.mjs';
import { makePageWords, makeServerWords } from './words/make-words.mjs';

/** What a language lacks, and what of it nobody says. @returns {{ missing: { key: string, at: string }[], unused: string[] }} */
function compare(language, said) {
  const words = catalogue(language);
  const wanted = new Map(said.map((one) => [one.key, one]));
  return {
    missing: [...wanted.values()].filter(({ key }) => !words[key]),
    unused: Object.keys(words).filter((key) => !wanted.has(key) && !isKept(key, readWords(language, KEPT))),
  };
}

/** Every word in the catalogue of the first area that says it. */
function write(language, said) {
  const words = catalogue(language);
  const areas = new Map();
  for (const { key, area } of said) if (!areas.has(key)) areas.set(key, area);
  for (const area of Object.keys(AREAS)) {
    const own = [...areas].filter(([, of]) => of === area);
    writeWords(language, area, Object.fromEntries(own.map(([key]) => [key, words[key] ?? ''])));
  }
}

const [task] = process.argv.slice(2);
if (task === 'server') makeServerWords(path.join(repo, 'apps/server/dist'));
else if (task === 'pages') makePageWords(path.join(repo, 'apps/web/dist'));
else {
  const said = wordsOfSources();
  const unmarked = unmarkedInSources(readWords(LANGUAGES[0], KEPT));
  for (const { text, at } of unmarked) process.stderr.write(`${at} says “${text}” to everybody in English\n`);
  let wrong = unmarked.length;
  for (const language of LANGUAGES) {
    if (task !== '--check') write(language, said);
    const { missing, unused } = compare(language, said);
    for (const { key, at } of missing) process.stderr.write(`${language} has nothing for “${key}” (${at})\n`);
    for (const key of unused) process.stderr.write(`${language} has “${key}”, which nobody says\n`);
    wrong += missing.length + unused.length;
  }
  if (wrong > 0)
    process.stderr.write('npm run words brings the catalogue up to date; what is missing is written by hand.\n');
  process.exitCode = wrong > 0 ? 1 : 0;
}
