// What the guide shows of the documentation, for those who work with it and not at it: words without code.
import fs from 'node:fs';
import path from 'node:path';

/** Areas that refusals come from, by the first part of their codes, in the order that they are read in. */
const AREAS = [
  ['A job and its parts', ['job', 'order', 'start', 'ways', 'best', 'plan', 'list']],
  ['Counting sheets', ['flow', 'count', 'sure']],
  ['Paper and layout', ['paper', 'layout', 'gang', 'web']],
  ['Folding and binding', ['fold', 'bind']],
  ['Die cutting', ['die']],
  ['Plates, inks and press', ['press', 'ink', 'zones', 'colour', 'register']],
  ['Artwork', ['artwork']],
  ['Numbers', ['number']],
  ['What happens at the stations', ['book', 'room']],
  ['Accountable work', ['account']],
  ['Quality', ['quality']],
  ['The floor and its schedule', ['floor']],
  ['Sums and practice', ['sum', 'practice']],
  ['Works, machines and papers', ['works']],
];

/** A value that stands in a sentence, as a word: `{leastMm}` is *least mm*. */
const worded = (text) =>
  text.replace(/\{(\w+)\}/g, (_, name) => `*${name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()}*`);

/** Refusals by area, each as it is said; the codes are for programs. @throws where an area has no name. */
export function refusals(text) {
  const rows = [...text.matchAll(/^\| `(\w[\w-]*)\.[\w.-]+` \| (\w+) \| (.+) \|$/gm)];
  const known = new Set(AREAS.flatMap(([, prefixes]) => prefixes));
  const strange = rows.find(([, prefix]) => !known.has(prefix));
  if (strange) throw new Error(`scripts/guide-pages.mjs has no area for ${strange[1]}`);
  const sections = AREAS.map(([name, prefixes]) => {
    const said = rows.filter(([, prefix]) => prefixes.includes(prefix));
    return [
      `## ${name}`,
      '',
      ...said.map(([, , weight, words]) => `- ${weight === 'warning' ? 'Warned: ' : ''}${worded(words)}`),
    ];
  });
  return [
    '# What is refused',
    'What a plan, an entry or a list can have wrong with it, as it is said there, with how to mend it. What is slanted is filled in with what it is about.',
    ...sections.map((lines) => lines.join('\n')),
  ].join('\n\n');
}

/** Words and what they are; what they are called in the code is left out. */
export const words = (text) =>
  text.replace(', the code and the handbook', ' and the handbook').replace(/^\|(.+)\|(.+)\|(?:[^|]+)\|$/gm, '|$1|$2|');

/** The pages of the guide, made out of the documentation. */
export function placeGuide(docs, pages) {
  fs.rmSync(pages, { recursive: true, force: true });
  fs.cpSync(path.join(docs, 'guide'), pages, { recursive: true });
  const read = (name) => fs.readFileSync(path.join(docs, name), 'utf8');
  fs.writeFileSync(path.join(pages, 'issues.md'), refusals(read('issues.md')));
  fs.writeFileSync(path.join(pages, 'words.md'), words(read('words.md')));
  fs.copyFileSync(path.join(docs, 'handbook/norms.md'), path.join(pages, 'norms.md'));
}
