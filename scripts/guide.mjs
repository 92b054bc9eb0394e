#!/usr/bin/env node
// npm run guide: fills what the guide has out of the catalogues (between `<!-- made: ... -->` and `<!-- end -->`); --check tells
// whether that is done.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, installPackages, repo } from './build-steps.mjs';

installPackages();
buildPackages();
const { OPERATION_RULES, ROUTE_RULES, SHIPPED_WORKS, faultsAt, normCatalogue, normInWords, plan } =
  await import('@druckerei/core');
const { parseJobFile } = await import('@druckerei/contract');

const GUIDE = path.join(repo, 'docs/guide');
const EXAMPLES = path.join(repo, 'docs/examples');

const list = (title, lines) =>
  lines.length === 0 ? [] : [`**${title}**`, '', ...lines.map((line) => `- ${line}`), ''];

/** What something wet has to bear at a station. */
const DRY = {
  side: 'the other side of the sheet being printed',
  cut: 'clamp and knife',
  fold: 'folding',
  film: 'film, foil or coating',
  bind: 'the binder',
  handle: 'being handled',
};
/** Norms that are told of a station that runs in several ways. */
const TOLD = ['Set-up', 'Running spoilage'];
const told = (norm) => {
  const [, way] = /, (.+)$/.exec(norm.subject) ?? [];
  return `${norm.name}${way ? `, ${way}` : ''}: ${normInWords(norm, norm.value)}`;
};

/** What is lost, taken care of and assumed at a station. */
function station(operation) {
  const { cautions, dryFor, name } = OPERATION_RULES[operation];
  const norms = [...normCatalogue(SHIPPED_WORKS).values()].filter(
    ({ subject, name: norm, value }) =>
      value !== 0 && (subject === name || (subject.startsWith(`${name}, `) && TOLD.includes(norm))),
  );
  return [
    ...list('Spoils are told by', [faultsAt(operation).join(', ')]),
    ...list('Take care', cautions),
    ...(DRY[dryFor] === undefined
      ? []
      : [`Ink and glue have to lie before it until they bear ${DRY[dryFor]}: see *Lies before it*.`, '']),
    ...list('Norms, as shipped', norms.map(told)),
  ].join('\n');
}

const rules = () =>
  ['| rule | why | as shipped |', '|---|---|---|']
    .concat(Object.values(ROUTE_RULES).map(({ name, reason, weight }) => `| ${name} | ${reason} | ${weight} |`))
    .join('\n');

/** Areas of figures, by the first part of their ids. */
const AREAS = {
  order: 'Order',
  step: 'Stations',
  component: 'Components',
  part: 'Parts that are bought',
  ink: 'Inks',
  tools: 'Dies and tools',
  product: 'The product',
  cost: 'Cost',
  total: 'The whole job',
};

/** What is named after one of its kind, by its id. */
const KINDS = [
  [/^cost\.machine\./, 'A machine'],
  [/^cost\.people\./, 'People at a machine'],
  [/^ink\..*\.kg$/, 'An ink'],
  [/^ink\..*\.pails$/, 'Pails of an ink'],
  [/\.ink\..*\.drawn$/, 'Ink to draw'],
  [/\.ink\./, 'Ink laid'],
];
const kindOf = (id, name) => KINDS.find(([of]) => of.test(id))?.[1] ?? name.split(', ')[0];

/** A formula over so many of a kind as one over any number of them. */
const general = (formula) =>
  formula
    .replace(/\b([a-z]+)1(?:, \1\d+)+/g, 'each $1')
    .replace(/\b([a-z]+)1(?: \+ \1\d+)+|\b(n)1\b/g, (_, name, lone) => `sum of ${lone || name === 'n' ? 'all' : name}`)
    .replace(/ - ([a-z]+)1(?: - \1\d+)*/g, ' - sum of $1')
    .replace(/\b([a-z]+)\d+\b/gi, '$1');

/** Kinds of figures that are named with one formula. */
const MOST_NAMES = 5;

/** Formulas of all examples, each once in its area, with the figures that it makes. */
function formulas() {
  const rows = new Map();
  for (const file of fs.readdirSync(EXAMPLES).filter((name) => name.endsWith('.json'))) {
    const read = parseJobFile(fs.readFileSync(path.join(EXAMPLES, file), 'utf8'));
    const planned = read.ok ? plan(read.job, SHIPPED_WORKS) : read;
    if (!planned.ok) throw new Error(`${file} cannot be planned`);
    for (const { id, name, formula, source } of Object.values(planned.value.figures)) {
      // What only takes a number over is no formula.
      if (formula === undefined || /^[a-z]*\d*$/i.test(formula)) continue;
      const area = AREAS[id.split('.')[0]] ?? 'Other';
      const row = [area, general(formula), source.note ? `${source.label}, ${source.note}` : source.label];
      const known = rows.get(row.join('|')) ?? { row, names: new Set() };
      known.names.add(kindOf(id, name));
      rows.set(row.join('|'), known);
    }
  }
  const line = ({ row: [, formula, source], names }) => {
    const [told, more] = [[...names].slice(0, MOST_NAMES), names.size > MOST_NAMES ? ' and others' : ''];
    return `| ${told.join(', ')}${more} | \`${formula}\` | ${source} |`;
  };
  return [...new Set([...Object.values(AREAS), 'Other'])]
    .map((area) => [area, [...rows.values()].filter(({ row }) => row[0] === area)])
    .filter(([, of]) => of.length > 0)
    .map(([area, of]) =>
      [`## ${area}`, '', '| figure | formula | founded on |', '|---|---|---|', ...of.map(line)].join('\n'),
    )
    .join('\n\n');
}

const MADE = { station, rules, formulas };

let stale = false;
for (const name of fs.readdirSync(GUIDE)) {
  const file = path.join(GUIDE, name);
  const before = fs.readFileSync(file, 'utf8');
  const after = before.replace(/<!-- made: (\w+) ?(\S*) -->\n[^]*?<!-- end -->/g, (_, what, of) => {
    const made = MADE[what](of).trim();
    return `<!-- made: ${what}${of ? ` ${of}` : ''} -->\n\n${made}\n\n<!-- end -->`;
  });
  if (after === before) continue;
  stale = true;
  if (!process.argv.includes('--check')) fs.writeFileSync(file, after);
}
if (stale && process.argv.includes('--check')) {
  process.stderr.write('docs/guide is not made from these catalogues: npm run guide\n');
  process.exitCode = 1;
}
