import fs from 'node:fs';
import path from 'node:path';
import { messages } from '@druckerei/contract';
import { repo } from '../build-steps.mjs';

/** Areas that refusals come from, by the first part of their codes, in the order that they are read in. */
const AREAS = [
  [$localize`A job and its parts`, ['job', 'order', 'start', 'ways', 'best', 'plan', 'list']],
  [$localize`Counting sheets`, ['flow', 'count', 'sure']],
  [$localize`Paper and layout`, ['paper', 'layout', 'gang', 'web']],
  [$localize`Folding and binding`, ['fold', 'bind']],
  [$localize`Die cutting`, ['die']],
  [$localize`Plates, inks and press`, ['press', 'ink', 'zones', 'colour', 'register']],
  [$localize`Artwork`, ['artwork']],
  [$localize`Numbers`, ['number']],
  [$localize`What happens at the stations`, ['book', 'room']],
  [$localize`Accountable work`, ['account']],
  [$localize`Quality`, ['quality']],
  [$localize`The floor and its schedule`, ['floor']],
  [$localize`Sums and practice`, ['sum', 'practice']],
  [$localize`Works, machines and papers`, ['works']],
];

/** A value that stands in a sentence, as a word: `{leastMm}` is *least mm*. */
const worded = (text) =>
  text.replace(/\{(\w+)\}/g, (_, name) => `*${name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()}*`);

/** Codes with their weight, out of the documentation. */
const documented = () =>
  [...fs.readFileSync(path.join(repo, 'docs/issues.md'), 'utf8').matchAll(/^\| `([\w.-]+)` \| (\w+) \|/gm)].map(
    ([, code, weight]) => ({ code, weight, of: code.split('.')[0] }),
  );

/** Refusals by area, each as it is said; the codes are for programs. @throws where an area has no name. */
export function refusals() {
  const all = documented();
  const known = new Set(AREAS.flatMap(([, prefixes]) => prefixes));
  const strange = all.find(({ of }) => !known.has(of));
  if (strange) throw new Error(`scripts/guide/refusals.mjs has no area for ${strange.code}`);
  const said = messages();
  return AREAS.map(([name, prefixes]) => {
    const lines = all
      .filter(({ of }) => prefixes.includes(of))
      .map(({ code, weight }) => ({ weight, words: worded(said[code]) }))
      .map(({ weight, words }) => `- ${weight === 'warning' ? $localize`Warned: ${words}` : words}`);
    return [`## ${name}`, '', ...lines].join('\n');
  }).join('\n\n');
}
