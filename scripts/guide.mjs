#!/usr/bin/env node
// npm run guide: fills what the guide has out of the catalogues (between `<!-- made: ... -->` and `<!-- end -->`); --check tells
// whether that is done.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, installPackages, repo } from './build-steps.mjs';

installPackages();
buildPackages();
const core = await import('@druckerei/core');
const { OPERATION_RULES, ROUTE_RULES, SHIPPED_WORKS, SUMS, SUM_EXAMPLES } = core;
const { faultsAt, normCatalogue, normInWords, plan, reckonSum, stationSheet } = core;
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

/** What only takes a number over is no formula. */
const isFormula = (formula) => formula !== undefined && !/^[a-z]*\d*$/i.test(formula);
const founded = ({ label, note }) => (note ? `${label}, ${note}` : label);

/** Formulas by area, each once, with the figures that it makes. */
class FormulaList {
  rows = new Map();

  add(area, name, formula, source) {
    const row = [area, general(formula), founded(source)];
    const known = this.rows.get(row.join('|')) ?? { row, names: new Set() };
    known.names.add(name);
    this.rows.set(row.join('|'), known);
  }

  line({ row: [, formula, source], names }) {
    const [told, more] = [[...names].slice(0, MOST_NAMES), names.size > MOST_NAMES ? ' and others' : ''];
    return `| ${told.join(', ')}${more} | \`${formula}\` | ${source} |`;
  }

  get text() {
    const all = [...this.rows.values()];
    return [...new Set(all.map(({ row: [area] }) => area))]
      .map((area) => {
        const lines = all.filter(({ row }) => row[0] === area).map((one) => this.line(one));
        return [`## ${area}`, '', '| figure | formula | founded on |', '|---|---|---|', ...lines].join('\n');
      })
      .join('\n\n');
  }
}

/** The examples with their plans. */
const planned = () =>
  fs
    .readdirSync(EXAMPLES)
    .filter((name) => name.endsWith('.json'))
    .map((file) => {
      const read = parseJobFile(fs.readFileSync(path.join(EXAMPLES, file), 'utf8'));
      const made = read.ok ? plan(read.job, SHIPPED_WORKS) : read;
      if (!made.ok) throw new Error(`${file} cannot be planned`);
      return { job: read.job, plan: made.value };
    });

/** Formulas of the plans of all examples. */
function formulas() {
  const list = new FormulaList();
  const figures = planned().flatMap(({ plan }) =>
    Object.values(plan.figures).filter(({ formula }) => isFormula(formula)),
  );
  const areaOf = ({ id }) => AREAS[id.split('.')[0]] ?? 'Other';
  for (const area of new Set([...Object.values(AREAS), 'Other']))
    for (const figure of figures.filter((one) => areaOf(one) === area))
      list.add(area, kindOf(figure.id, figure.name), figure.formula, figure.source);
  return list.text;
}

/** Operations at which a formula is one of every station's. */
const EVERYWHERE = 10;

/** Formulas of the sheets of all stations of all examples, by what is done there. */
function sheets() {
  const examples = planned();
  const found = Object.keys(OPERATION_RULES).flatMap((operation) =>
    examples.flatMap(({ job, plan }) =>
      plan.steps
        .filter((step) => step.operation === operation)
        .flatMap(({ id }) => Object.values(stationSheet(job, plan, SHIPPED_WORKS, id)?.figures ?? {}))
        .filter(({ id, formula }) => isFormula(formula) && !(id in plan.figures))
        .map((figure) => ({ ...figure, operation })),
    ),
  );
  const at = new Map();
  for (const { name, operation } of found) at.set(name, (at.get(name) ?? new Set()).add(operation));
  const everywhere = ({ name }) => at.get(name).size >= EVERYWHERE;
  const list = new FormulaList();
  for (const one of found.filter(everywhere)) list.add('At every station', one.name, one.formula, one.source);
  for (const one of found.filter((figure) => !everywhere(figure)))
    list.add(`At the station: ${OPERATION_RULES[one.operation].name.toLowerCase()}`, one.name, one.formula, one.source);
  return list.text;
}

/** Formulas of the sums of the reckoner. */
function sums() {
  const list = new FormulaList();
  for (const sum of SUMS)
    for (const { name, formula, source } of Object.values(reckonSum(sum, SUM_EXAMPLES[sum.id] ?? {}).figures))
      if (isFormula(formula)) list.add(`Sum: ${sum.name.toLowerCase()}`, name, formula, source);
  return list.text;
}

const MADE = { station, rules, formulas, sheets, sums };

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
