import { type Issue, type Outcome, Ledger } from '../kernel/index.js';
import { type NormLookup, normsOf, setNorms, withStockNorms } from '../norms/index.js';
import type { Works } from '../works/index.js';
import {
  type ComponentLayout,
  sharingLayouts,
  cachedLayout,
  sectionPositions,
  machineOf,
} from '../press-sheet/index.js';
import { adviseInks, adviseRegister } from '../prepress/index.js';
import type { Job } from '../job/index.js';
import { adviseJob } from './advice.js';
import { type Layouts, routeFlow } from './counting/build-graph.js';
import { checkJob } from './check-job.js';
import { prepareCost } from './cost/cost.js';
import { type Times, prepareTimes } from './hours/hours.js';
import { preparePacking } from './uses/packing.js';
import type { Prepared } from './prepared.js';
import { type PressFigures, preparePress } from './press/press-totals.js';
import { prepareUses } from './uses/use-figures.js';

/** A job checked, laid out and strung together, before anything is counted: all that does not change with the quantity. */
export interface Structure extends Prepared {
  /** What works but wants a look. */
  readonly advice: readonly Issue[];
  readonly packing: ReturnType<typeof preparePacking>;
  readonly times: Times;
  readonly press: PressFigures;
  readonly uses: ReturnType<typeof prepareUses>;
  readonly cost: ReturnType<typeof prepareCost>;
}

function layAll(job: Job, works: Works, norms: NormLookup): { layouts: Layouts; issues: Issue[] } {
  const layouts = new Map<string, ComponentLayout>();
  const issues: Issue[] = [];
  const context = { job, works, norms, positions: sectionPositions(job) };
  job.components.forEach((component, i) => {
    // What shares a form is laid with it.
    if (component.on !== undefined) return;
    const laid = cachedLayout(component, `components[${i}]`, context);
    issues.push(...laid.issues);
    if (laid.layout) layouts.set(component.id, laid.layout);
  });
  return { layouts, issues };
}

function build(job: Job, asked: Works): Outcome<Structure> {
  const works = withStockNorms(asked, job.norms);
  const checked = checkJob(job, works);
  const errors = checked.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) return { ok: false, issues: errors };
  const norms = normsOf(works, job.norms);
  const { layouts, issues } = layAll(job, works, norms);
  if (issues.length > 0) return { ok: false, issues };
  const sharing = [...layouts.values()].flatMap(sharingLayouts);
  const lanes: Layouts = new Map([...layouts, ...sharing.map((layout) => [layout.component.id, layout] as const)]);
  const machines = new Map(
    job.route.map((step) => [
      step.id,
      machineOf(step, step.component === undefined ? undefined : lanes.get(step.component), works),
    ]),
  );
  const ledger = new Ledger();
  const graph = { job, works, layouts: lanes, machines, norms };
  const { flow: route, issues: wrong } = routeFlow(graph, ledger, setNorms(works.norms).byRun);
  if (wrong.length > 0) return { ok: false, issues: wrong };
  const advice = [
    ...checked,
    ...adviseJob(job, lanes),
    ...adviseInks(job, works, layouts),
    ...[...layouts.values()].flatMap((layout) => adviseRegister(job, works, layout, norms)),
  ];
  const prepared: Prepared = { job, works, norms, layouts, lanes, machines, route, ledger };
  return {
    ok: true,
    value: {
      ...prepared,
      advice,
      packing: preparePacking(prepared),
      times: prepareTimes(prepared),
      press: preparePress(prepared),
      uses: prepareUses(prepared),
      cost: prepareCost(prepared),
    },
  };
}

/** Structures kept for a works: of the job that somebody works on, and of what it is compared with. */
const MOST_KEPT = 24;
const known = new WeakMap<Works, Map<string, Structure>>();

/** All that a structure reads of a job, in letters: without the quantity. */
const lettersOf = ({ order: _order, ...job }: Job): string => JSON.stringify(job);

/**
 * The structure of a job, kept while only its order changes: while somebody types a quantity, nothing is laid out or strung
 * together again. Issues: every code of the catalogue but those of counting.
 */
export function structureOf(job: Job, works: Works): Outcome<Structure> {
  if (setNorms(works.norms).byRun) return build(job, works);
  const kept = known.get(works) ?? new Map<string, Structure>();
  const letters = lettersOf(job);
  const before = kept.get(letters);
  if (before) return { ok: true, value: before };
  const built = build(job, works);
  if (!built.ok) return built;
  for (const oldest of kept.keys()) if (kept.size >= MOST_KEPT) kept.delete(oldest);
  kept.set(letters, built.value);
  known.set(works, kept);
  return built;
}
