#!/usr/bin/env node
// npm run words: the catalogue of what is said to people, in every language that is spoken besides English. Adds what the
// sources have come to say, with nothing for it, and takes out what they say no more. With --check it writes nothing and fails
// where anything is missing or unused; "server" and "pages" make what the build needs.
import path from 'node:path';
import { repo } from './build-steps.mjs';
import {
  AREAS,
  LANGUAGES,
  SYMBOL,
  catalogue,
  keptWords,
  readSources,
  standsIn,
  writeWords,
} from './words/catalogue.mjs';
import { makePages, makeServerWords } from './words/make-words.mjs';

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

/** What a language lacks, and what of it nobody says; a word that is kept stands somewhere as it is, or as one of several. */
function wrongIn(language, sources) {
  const [words, kept] = [catalogue(language), keptWords(language)];
  const wanted = new Map(sources.said.map((one) => [one.key, one]));
  const unused = Object.keys(words).filter(
    (key) => !wanted.has(key) && !(Object.hasOwn(kept, key) && standsIn(sources, key)),
  );
  return [
    ...[...wanted.values()].flatMap(({ key, at }) =>
      words[key] ? [] : [`${language} has nothing for “${key}” (${at})`],
    ),
    ...[...sources.symbols].flatMap((name) =>
      words[`${SYMBOL}|${name}`] ? [] : [`${language} has nothing for “${name}”, a name in a formula`],
    ),
    ...unused.map((key) => `${language} has “${key}”, which nobody says`),
  ];
}

const [task] = process.argv.slice(2);
if (task === 'server') makeServerWords(path.join(repo, 'apps/server/dist'));
else if (task === 'pages') makePages(path.join(repo, 'apps/web/dist'));
else {
  const sources = readSources();
  if (task !== '--check') for (const language of LANGUAGES) write(language, sources.said);
  const kept = new Set(LANGUAGES.flatMap((language) => Object.keys(keptWords(language))));
  const wrong = [
    ...sources.unmarked
      .filter(({ text, shown }) => shown || !kept.has(text))
      .map(({ text, at }) => `${at} says “${text}” to everybody in English`),
    ...LANGUAGES.flatMap((language) => wrongIn(language, sources)),
  ];
  for (const line of wrong) process.stderr.write(`${line}\n`);
  if (wrong.length > 0)
    process.stderr.write('npm run words brings the catalogue up to date; what is missing is written by hand.\n');
  process.exitCode = wrong.length > 0 ? 1 : 0;
}
