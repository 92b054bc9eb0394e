import fs from 'node:fs';
import path from 'node:path';
import { computeMsgId } from '@angular/compiler';
import { repo } from '../build-steps.mjs';
import { wordsOfCode } from './in-code.mjs';
import { unmarkedInCode } from './unmarked.mjs';

/** Languages besides English, which the sources speak. */
export const LANGUAGES = ['de'];
const HOME = path.join(repo, 'words');
/** What words are looked for in, each with a catalogue of its own; a word of several stands in that of the first. */
export const AREAS = {
  core: 'packages/core/src',
  contract: 'packages/contract/src',
  formats: 'packages/formats/src',
  server: 'apps/server/src',
  web: 'apps/web/src',
};
/** Catalogue of words that are kept as they are and said by `wordOf`: no place in the sources says them. */
export const KEPT = 'kept';

const spaces = /\s+/g;
/** A text as the catalogue knows it: spaces are one, none at its ends; before a bar, what tells it from its like. */
const keyOf = ({ meaning, text }) => `${meaning ? `${meaning}|` : ''}${text.replace(spaces, ' ').trim()}`;

const sources = (folder, kind = /\.ts$/) =>
  fs
    .readdirSync(path.join(repo, folder), { recursive: true })
    .filter((file) => kind.test(file) && !/\.(spec|fixture|d)\.ts$/.test(file))
    .map((file) => path.join(folder, file))
    .sort();

/** Every text for people in the sources: `{ key, meaning, text, area, at }`. */
export function wordsOfSources() {
  const all = [];
  for (const [area, folder] of Object.entries(AREAS))
    for (const file of sources(folder))
      wordsOfCode(path.join(repo, file), (said, line) =>
        all.push({ ...said, key: keyOf(said), area, at: `${file}:${line}` }),
      );
  return all;
}

/** Sentences for people that are not marked, and so are said in English to everybody: `{ text, at }`. @param kept words that are kept */
export function unmarkedInSources(kept) {
  const all = [];
  for (const folder of Object.values(AREAS))
    for (const file of sources(folder)) {
      const code = fs.readFileSync(path.join(repo, file), 'utf8');
      unmarkedInCode(path.join(repo, file), code, (text, line) => {
        if (!Object.hasOwn(kept, text)) all.push({ text, at: `${file}:${line}` });
      });
    }
  return all;
}

const fileOf = (language, area) => path.join(HOME, language, `${area}.json`);
export const readWords = (language, area) => {
  const file = fileOf(language, area);
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : {};
};
export function writeWords(language, area, words) {
  const sorted = Object.fromEntries(Object.entries(words).sort(([a], [b]) => (a < b ? -1 : 1)));
  fs.mkdirSync(path.join(HOME, language), { recursive: true });
  fs.writeFileSync(fileOf(language, area), `${JSON.stringify(sorted, null, 2)}\n`);
}

/** All words of a language, by key. */
export const catalogue = (language) =>
  Object.assign({}, ...[KEPT, ...Object.keys(AREAS)].map((area) => readWords(language, area)));

/** Spaces at the ends of a text are those of what is said in its place. */
const between = (text, words) => `${/^\s*/.exec(text)[0]}${words}${/\s*$/.exec(text)[0]}`.replace(spaces, ' ');

/** Words by the ids of messages, as a page or the server loads them. @param said the texts that are wanted @param words by key */
export function spoken(said, words) {
  const byId = {};
  for (const { key, meaning, text } of said)
    if (Object.hasOwn(words, key)) byId[computeMsgId(text, meaning)] = between(text, words[key]);
  return byId;
}

/** What is said of words that are kept. @param words of the catalogue of them */
export const keptWords = (words) => Object.keys(words).map((text) => ({ key: text, text }));

const literals = () => {
  const all = new Set();
  for (const folder of Object.values(AREAS))
    for (const file of sources(folder, /\.(ts|html)$/))
      for (const [, text] of fs.readFileSync(path.join(repo, file), 'utf8').matchAll(/'((?:[^'\\\n]|\\.)*)'/g))
        all.add(text);
  return all;
};
let known;
/** Whether a word is kept, and stands somewhere in the sources as it is, or as one of several. */
export function isKept(key, words) {
  known ??= literals();
  if (!Object.hasOwn(words, key)) return false;
  return [key, key.replace(/s$/, ''), key.replace(/es$/, ''), `${key}s`].some((text) => known.has(text));
}
