// What another language is spoken from: for the server, words by the ids of what the sources say; for the pages, scripts in which
// it stands in place of what is said, and the words that are looked up.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { repo, run } from '../build-steps.mjs';
import { LANGUAGES, readSources, spoken, standsIn, wordsById, wordsLookedUp } from './catalogue.mjs';
import { readCode } from './in-code.mjs';

const translator = path.join(repo, 'node_modules/@angular/localize/tools/bundles/src/translate/cli.js');
/** Pages of the build by where the browser finds them; those below another are applications of their own. */
const PAGES = { '': '/', reckoner: '/reckoner/' };

/** Words for the server and what it loads. @param {string} folder */
export function makeServerWords(folder) {
  const said = readSources().said.filter(({ area }) => !['web', 'guide', 'commands'].includes(area));
  for (const language of LANGUAGES) {
    fs.writeFileSync(path.join(folder, `words-${language}.json`), JSON.stringify(spoken(language, said)));
  }
}

const isScript = (name) => name.endsWith('.js');
function readScripts(folder) {
  const read = fs
    .readdirSync(folder)
    .filter(isScript)
    .map((name) => readCode(path.join(folder, name)));
  const all = (list) => new Set(read.flatMap((one) => one[list]));
  // A page that is small has every formula in it as it is: of all names of its properties few are in one.
  return { literals: all('literals'), names: new Set(), symbols: all('symbols') };
}

/** The page as it is, with the scripts of another folder and the words before them. */
const pageWith = (html, language, scripts, words) =>
  html
    .replace('<html lang="en"', `<html lang="${language}"`)
    .replace(/(src|href)="([\w-]+\.js)"/g, `$1="${scripts}/$2"`)
    .replace('</head>', `<script src="${words}" defer></script></head>`);

/** Puts a page in a language beside it; its scripts into a folder whose name changes with what is said in them. */
function makePage(folder, base, language, sources) {
  const built = fs.readdirSync(folder).filter(isScript);
  const own = base === '/' ? undefined : readScripts(folder);
  const translations = wordsById(language, sources.said);
  const looked = wordsLookedUp(language, sources, (word) => !own || standsIn(own, word));
  const told = JSON.stringify({ translations, looked, built });
  const hash = createHash('sha256').update(told).digest('hex').slice(0, 8).toUpperCase();
  const scripts = `${language}-${hash}`;
  const into = path.join(folder, scripts);
  const list = path.join(folder, `${language}.json`);
  fs.writeFileSync(list, JSON.stringify({ locale: language, translations }));
  run(process.execPath, [translator, '-r', folder, '-s', '*.js', '-t', list, '-o', into, '-m', 'error']);
  fs.rmSync(list);
  const file = `words-${hash}.js`;
  const words = JSON.stringify({ language, file: `${base}${scripts}/${file}`, words: {}, looked });
  fs.writeFileSync(path.join(into, file), `druckereiWords=${words}`);
  const html = fs.readFileSync(path.join(folder, 'index.html'), 'utf8');
  fs.writeFileSync(
    path.join(folder, `index.${language}.html`),
    pageWith(html, language, scripts, `${scripts}/${file}`),
  );
}

/** Every page of the web in every language. @param {string} folder of the build */
export function makePages(folder) {
  const { said, literals } = readSources();
  const sources = { said: said.filter(({ area }) => !['server', 'guide', 'commands'].includes(area)), literals };
  for (const [page, base] of Object.entries(PAGES))
    for (const language of LANGUAGES) makePage(path.join(folder, page), base, language, sources);
}
