import fs from 'node:fs';
import path from 'node:path';
import { computeMsgId } from '@angular/compiler';
import { repo } from '../build-steps.mjs';
import { readCode } from './in-code.mjs';

const HOME = path.join(repo, 'words');
/** Languages besides English, which the sources speak. */
export const LANGUAGES = fs.readdirSync(HOME);
/** Where words are looked for: folders or files, each with a catalogue of its own; a word of several stands in that of the first. */
export const AREAS = {
  core: 'packages/core/src',
  contract: 'packages/contract/src',
  formats: 'packages/formats/src',
  server: 'apps/server/src',
  web: 'apps/web/src',
  guide: 'scripts/guide',
  commands: ['start', 'demo', 'backup', 'book', 'archive', 'database', 'keep-running'].map(
    (one) => `scripts/${one}.mjs`,
  ),
};
/** Words that are kept as they are and said by `wordOf`, and names in formulas: no place in the sources says them. */
const KEPT = ['kept', 'symbols'];

const spaces = /\s+/g;
/** A text as the catalogue knows it: spaces are one, none at its ends; before a bar, what tells it from its like. */
const keyOf = ({ meaning, text }) => `${meaning ? `${meaning}|` : ''}${text.replace(spaces, ' ').trim()}`;

const filesBelow = (folder) =>
  fs
    .readdirSync(path.join(repo, folder), { recursive: true })
    .filter((file) => /\.(ts|mjs)$/.test(file) && !/\.(spec|fixture|d)\.ts$/.test(file))
    .map((file) => path.join(folder, file))
    .sort();

/**
 * All that the sources say, each file read once: texts with their keys, what is said to everybody in English, and literals.
 * @returns {{ said: { key: string, meaning: string, text: string, area: string, at: string, looked?: boolean }[], unmarked: { text: string, at: string, shown?: boolean }[], literals: Set<string>, names: Set<string>, symbols: Set<string> }}
 */
export function readSources() {
  const all = { said: [], unmarked: [], literals: new Set(), names: new Set(), symbols: new Set() };
  for (const [area, where] of Object.entries(AREAS))
    for (const file of Array.isArray(where) ? where : filesBelow(where)) {
      const read = readCode(path.join(repo, file));
      for (const one of read.said) all.said.push({ ...one, key: keyOf(one), area, at: `${file}:${one.line}` });
      for (const { line, ...one } of read.unmarked) all.unmarked.push({ ...one, at: `${file}:${line}` });
      for (const list of ['literals', 'names', 'symbols']) for (const one of read[list]) all[list].add(one);
    }
  return all;
}

const fileOf = (language, area) => path.join(HOME, language, `${area}.json`);
const readWords = (language, area) => JSON.parse(fs.readFileSync(fileOf(language, area), 'utf8'));
export function writeWords(language, area, words) {
  const sorted = Object.fromEntries(Object.entries(words).sort(([a], [b]) => (a < b ? -1 : 1)));
  fs.writeFileSync(fileOf(language, area), `${JSON.stringify(sorted, null, 2)}\n`);
}

/** Words that are kept, in a language. */
export const keptWords = (language) => Object.assign({}, ...KEPT.map((area) => readWords(language, area)));
/** All words of a language, by key. */
export const catalogue = (language) =>
  Object.assign({}, ...[...KEPT, ...Object.keys(AREAS)].map((area) => readWords(language, area)));

/** Spaces at the ends of a text are those of what is said in its place. */
const between = (text, words) => `${/^\s*/.exec(text)[0]}${words}${/\s*$/.exec(text)[0]}`.replace(spaces, ' ');

/** What such a key begins with. */
export const SYMBOL = 'formula';
/** A key of a name in a formula, taken apart. */
const symbolIn = (key) => (key.startsWith(`${SYMBOL}|`) ? { meaning: SYMBOL, text: key.slice(SYMBOL.length + 1) } : {});

/**
 * Whether a word that is kept stands among literals as it is, or as one of several; a symbol in a formula, by itself, or among the names of what is put into one.
 * @param {{ literals: Set<string>, names: Set<string>, symbols: Set<string> }} read
 */
export const standsIn = ({ literals, names, symbols }, word) =>
  [literals, names, symbols].some((list) => list.has(symbolIn(word).text)) ||
  [word, word.replace(/s$/, ''), word.replace(/es$/, ''), `${word}s`].some((one) => literals.has(one));

/** Words of a language by the ids of messages. @param {{ key: string, meaning: string, text: string }[]} said */
export function wordsById(language, said) {
  const words = catalogue(language);
  const known = said.filter(({ key }) => Object.hasOwn(words, key));
  return Object.fromEntries(
    known.map(({ key, meaning, text }) => [computeMsgId(text, meaning), between(text, words[key])]),
  );
}

/**
 * What is looked up in a language: words that are kept, those that go through the pipe, and those that stand somewhere as they are as
 * well as tagged. @param {Set<string>} literals of all sources @param {(word: string) => boolean} wants which of them
 */
export function wordsLookedUp(language, { said, literals }, wants = () => true) {
  const words = catalogue(language);
  const asked = said.filter(({ key, looked }) => looked && Object.hasOwn(words, key)).map(({ text }) => text);
  const alike = Object.keys(words).filter((key) => literals.has(key));
  const texts = [...new Set([...asked, ...alike, ...Object.keys(keptWords(language))])].filter(wants);
  return Object.fromEntries(texts.map((text) => [text, between(text, words[keyOf({ text })])]));
}

/** What a process speaks a language from. @param said what it may have to say */
export const spoken = (language, said) => ({
  language,
  file: '',
  words: wordsById(language, said),
  looked: keptWords(language),
});
