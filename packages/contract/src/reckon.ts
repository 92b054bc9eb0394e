import {
  type Job,
  type Operation,
  type Outcome,
  type Plan,
  type School,
  type StepCounted,
  type WayTarget,
  RANKINGS,
  SCHOOLS,
  SHIPPED_WORKS,
  checkRoute,
  explain,
  findWays,
  listCarriers,
  normsOf,
  plan,
  rankWays,
  reckonForecast,
  reckonSure,
  registerLines,
  registerMarks,
  reportLayout,
  stationSheet,
  unitsOf,
  table,
  figureId,
} from '@druckerei/core';
import { issueText } from './messages.js';
import { findingText } from './rule-words.js';
import { parseJobFile } from './parse-job.js';

export interface ReckonOptions {
  readonly school?: string | undefined;
  readonly explain?: string | undefined;
  /** Prints the ways to run, each printed part by itself and the text as a whole, instead of the plan. */
  readonly ways?: boolean | undefined;
  /** Order of the ways: cost, paper, hours or plates. */
  readonly by?: string | undefined;
  /** School `sure`: probability that the order comes out, seed and number of draws. */
  readonly p?: string | undefined;
  readonly seed?: string | undefined;
  readonly draws?: string | undefined;
  /** Counts while it runs: prints the forecast instead of the plan. */
  readonly counts?: readonly StepCounted[] | undefined;
}

/** What the command line prints: JSON for standard output, or one line an error for standard error. */
export type Reckoned =
  { readonly ok: true; readonly output: unknown } | { readonly ok: false; readonly lines: readonly string[] };

const isSchool = (value: string): value is School => SCHOOLS.some((school) => school === value);

/** What ways are sought for: the text as a whole where it is bound, and every other printed component. */
function targetsOf(job: Job): WayTarget[] {
  const alone = job.components.filter(({ kind }) => kind !== 'section');
  return [
    ...(alone.length < job.components.length ? [{ kind: 'text' } as const] : []),
    ...alone.map(({ id }) => ({ kind: 'component', id }) as const),
  ];
}

function reckonWays(job: Job, by: string): Reckoned {
  const ranking = RANKINGS.find((known) => known === by);
  if (!ranking) return { ok: false, lines: [`--by: ${by} is no order; choose ${RANKINGS.join(', ')}`] };
  const lines: string[] = [];
  const output = targetsOf(job).flatMap((target) => {
    const found = findWays(job, SHIPPED_WORKS, target);
    if (!found.ok) {
      lines.push(...found.issues.map((issue) => `${issue.path}: ${issueText(issue)}`));
      return [];
    }
    const { ways, considered, refusals, current } = found.value;
    return {
      for: target.kind === 'text' ? 'text' : target.id,
      considered,
      current,
      ways: rankWays(ways, ranking),
      fellOut: refusals.map(({ issue, count }) => ({ count, reason: issueText(issue) })),
    };
  });
  return lines.length > 0 ? { ok: false, lines } : { ok: true, output };
}

/** Carriers, inks by unit with what is drawn of each, and register of a planned job. */
function reckonPressRoom(job: Job, { figures, layouts }: Plan) {
  const norms = normsOf(SHIPPED_WORKS, job.norms);
  const all = Object.values(layouts);
  return {
    carriers: listCarriers(job, { figures, layouts }, SHIPPED_WORKS),
    inks: all.flatMap(({ component, machine }) =>
      unitsOf(job, SHIPPED_WORKS, component, machine).flatMap(({ inks }) =>
        inks.map(({ index, unit, ...ink }) => ({
          component: component.id,
          unit: unit === undefined ? null : unit + 1,
          ...ink,
          kg: figures[figureId.component(component.id, `ink.${ink.side}.${index}.drawn`)]?.value ?? 0,
        })),
      ),
    ),
    register: all.map((layout) => ({
      component: layout.component.id,
      lines: registerLines(job, SHIPPED_WORKS, layout, norms),
      marks: registerMarks(layout).places,
    })),
  };
}

/** What finishing stations print under, by operation. */
const STATIONS: readonly (readonly [string, readonly Operation[]])[] = [
  ['cutting', ['cut']],
  ['dieCutting', ['die-cut', 'foil', 'emboss', 'window']],
  ['folding', ['fold', 'score']],
  ['gluing', ['glue', 'envelope', 'gum', 'mount']],
  ['binding', ['stitch', 'gather', 'sew', 'bind', 'trim', 'case', 'case-in']],
  ['numbering', ['number']],
  ['packing', ['band', 'wrap', 'box', 'pallet']],
];

/** The route with what it breaks, and the sheets of its finishing stations, each under its trade where it applies. */
function reckonStations(job: Job, plan: Plan) {
  const findings = checkRoute(job, plan, SHIPPED_WORKS);
  const route = plan.steps.map(({ id, operation, machine }) => ({
    step: id,
    operation,
    machine,
    findings: findings
      .filter(({ step }) => step === id)
      .map((one) => ({ rule: one.rule, weight: one.weight, text: findingText(one) })),
  }));
  const sheets = STATIONS.flatMap(([name, operations]) => {
    const stations = plan.steps
      .filter(({ operation }) => operations.includes(operation))
      .flatMap(({ id }) => {
        const sheet = stationSheet(job, plan, SHIPPED_WORKS, id);
        if (!sheet) return [];
        const figures = { ...plan.figures, ...sheet.figures };
        return [
          {
            step: id,
            figures: sheet.shown.flatMap((figure) => {
              const known = figures[figure];
              return known ? [{ id: known.id, name: known.name, value: known.value, unit: known.unit }] : [];
            }),
            lists: sheet.tables,
            remarks: sheet.remarks,
          },
        ];
      });
    return stations.length > 0 ? [[name, stations] as const] : [];
  });
  return { route, ...table(sheets) };
}

const printed = (found: Outcome<unknown>): Reckoned =>
  found.ok
    ? { ok: true, output: found.value }
    : { ok: false, lines: found.issues.map((issue) => `${issue.path}: ${issueText(issue)}`) };

const DRAWS = 20_000;
const MOST_DRAWS = 1_000_000;

/** The forecast of a running job from its counts. */
function reckonCounts(job: Job, counts: readonly StepCounted[], { seed = '1' }: ReckonOptions): Reckoned {
  if (!Number.isFinite(Number(seed))) return { ok: false, lines: [`--seed: ${seed} is no number`] };
  return printed(reckonForecast(job, SHIPPED_WORKS, counts, { seed: Number(seed), draws: DRAWS }));
}

/** Quantities by component, joint probability and cheapest quantity; the same seed gives the same bytes. */
function reckonSureness(job: Job, { p, seed = '1', draws = String(DRAWS) }: ReckonOptions): Reckoned {
  const lines = Object.entries({ p: p ?? '0.5', seed, draws }).flatMap(([name, text]) =>
    text.trim() === '' || !Number.isFinite(Number(text)) ? [`--${name}: ${text} is no number`] : [],
  );
  const many = Number(draws);
  if (lines.length === 0 && !(Number.isInteger(many) && many >= 1 && many <= MOST_DRAWS))
    lines.push(`--draws: a whole number from 1 to ${MOST_DRAWS}, not ${draws}`);
  if (lines.length > 0) return { ok: false, lines };
  return printed(
    reckonSure(job, SHIPPED_WORKS, {
      p: p === undefined ? undefined : Number(p),
      seed: Number(seed),
      draws: many,
    }),
  );
}

/** Plans a job file headless, for the works as shipped. Never throws for what is in the file. */
export function reckon(text: string, options: ReckonOptions = {}): Reckoned {
  const fail = (...lines: string[]): Reckoned => ({ ok: false, lines });
  const { school } = options;
  if (school !== undefined && !isSchool(school))
    return fail(`--school: ${school} is no school; choose ${SCHOOLS.join(', ')}`);
  const parsed = parseJobFile(text);
  if (!parsed.ok)
    return fail(...parsed.errors.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)));
  if (options.ways) return reckonWays(parsed.job, options.by ?? 'cost');
  if (options.counts) return reckonCounts(parsed.job, options.counts, options);
  if (school === 'sure') return reckonSureness(parsed.job, options);
  const planned = plan(school === undefined ? parsed.job : { ...parsed.job, school }, SHIPPED_WORKS);
  if (!planned.ok) return fail(...planned.issues.map((issue) => `${issue.path}: ${issueText(issue)}`));
  if (options.explain === undefined) {
    const layouts = Object.values(planned.value.layouts).map(reportLayout);
    return {
      ok: true,
      output: {
        ...planned.value,
        layouts,
        ...reckonPressRoom(parsed.job, planned.value),
        ...reckonStations(parsed.job, planned.value),
      },
    };
  }
  const figure = explain(planned.value.figures, options.explain);
  return figure ? { ok: true, output: figure } : fail(`--explain: the plan has no figure ${options.explain}`);
}
