import fs from 'node:fs';
import path from 'node:path';
import { parseJobFile } from '@druckerei/contract';
import {
  OPERATION_RULES,
  SHIPPED_WORKS,
  SUMS,
  SUM_EXAMPLES,
  formulaIn,
  plan,
  reckonSum,
  sourceInWords,
  stationSheet,
  symbolOf,
  withinSentence,
} from '@druckerei/core';
import { repo } from '../build-steps.mjs';

const EXAMPLES = path.join(repo, 'docs/examples');

/** Areas of figures, by the first part of their ids. */
const AREAS = {
  order: $localize`Order`,
  step: $localize`Stations`,
  component: $localize`Components`,
  part: $localize`Parts that are bought`,
  ink: $localize`Inks`,
  tools: $localize`Dies and tools`,
  product: $localize`The product`,
  cost: $localize`Cost`,
  total: $localize`The whole job`,
};

/** What is named after one of its kind, by its id. */
const KINDS = [
  [/^cost\.machine\./, $localize`A machine`],
  [/^cost\.people\./, $localize`People at a machine`],
  [/^ink\..*\.kg$/, $localize`An ink`],
  [/^ink\..*\.pails$/, $localize`Pails of an ink`],
  [/\.ink\..*\.drawn$/, $localize`Ink to draw`],
  [/\.ink\./, $localize`Ink laid`],
];
const kindOf = (id, name) => KINDS.find(([of]) => of.test(id))?.[1] ?? name.split(', ')[0];

const sumOf = (name) => `“${$localize`sum of ${symbolOf(name)}`}”`;
/** A formula over so many of a kind as one over any number of them, with its names as they are called. */
const general = (formula) =>
  formula
    .replace(/\b([a-z]+)1(?:, \1\d+)+/g, (_, name) => `“${$localize`each ${symbolOf(name)}`}”`)
    .replace(/\b([a-z]+)1(?: \+ \1\d+)+|\b(n)1\b/g, (_, name, lone) =>
      lone || name === 'n' ? `“${$localize`sum of all`}”` : sumOf(name),
    )
    .replace(/ - ([a-z]+)1(?: - \1\d+)*/g, (_, name) => ` - ${sumOf(name)}`)
    .split(/“(.*?)”/)
    .map((part, n) => (n % 2 === 1 ? part : formulaIn(part.replace(/\b([a-z]+)\d+\b/gi, '$1'))))
    .join('');

/** Kinds of figures that are named with one formula. */
const MOST_NAMES = 5;

/** What only takes a number over is no formula. */
const isFormula = (formula) => formula !== undefined && !/^[a-z]*\d*$/i.test(formula);

/** Formulas by area, each once, with the figures that it makes. */
class FormulaList {
  rows = new Map();

  add(area, name, formula, source) {
    const row = [area, general(formula), sourceInWords(source)];
    const known = this.rows.get(row.join('|')) ?? { row, names: new Set() };
    known.names.add(name);
    this.rows.set(row.join('|'), known);
  }

  line({ row: [, formula, source], names }) {
    const told = [...names].slice(0, MOST_NAMES).join(', ');
    return `| ${names.size > MOST_NAMES ? $localize`${told} and others` : told} | \`${formula}\` | ${source} |`;
  }

  get text() {
    const all = [...this.rows.values()];
    return [...new Set(all.map(({ row: [area] }) => area))]
      .map((area) => {
        const lines = all.filter(({ row }) => row[0] === area).map((one) => this.line(one));
        return [
          `## ${area}`,
          '',
          `| ${$localize`figure`} | ${$localize`formula`} | ${$localize`founded on`} |`,
          '|---|---|---|',
          ...lines,
        ].join('\n');
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
export function formulas() {
  const list = new FormulaList();
  const figures = planned().flatMap(({ plan }) =>
    Object.values(plan.figures).filter(({ formula }) => isFormula(formula)),
  );
  const areaOf = ({ id }) => AREAS[id.split('.')[0]] ?? $localize`Other`;
  for (const area of new Set([...Object.values(AREAS), $localize`Other`]))
    for (const figure of figures.filter((one) => areaOf(one) === area))
      list.add(area, kindOf(figure.id, figure.name), figure.formula, figure.source);
  return list.text;
}

/** Operations at which a formula is one of every station's. */
const EVERYWHERE = 10;

/** Formulas of the sheets of all stations of all examples, by what is done there. */
export function sheets() {
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
  for (const one of found.filter(everywhere)) list.add($localize`At every station`, one.name, one.formula, one.source);
  for (const one of found.filter((figure) => !everywhere(figure)))
    list.add(
      $localize`At the station: ${withinSentence(OPERATION_RULES[one.operation].name)}`,
      one.name,
      one.formula,
      one.source,
    );
  return list.text;
}

/** Formulas of the sums of the reckoner. */
export function sums() {
  const list = new FormulaList();
  for (const sum of SUMS)
    for (const { name, formula, source } of Object.values(reckonSum(sum, SUM_EXAMPLES[sum.id] ?? {}).figures))
      if (isFormula(formula)) list.add($localize`Sum: ${withinSentence(sum.name)}`, name, formula, source);
  return list.text;
}
