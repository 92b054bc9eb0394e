import { type Flow, type FlowGraph, type SpoilageTable, reckonFlow } from '../../flow/index.js';
import { type Issue, type Ledger, type Outcome, error } from '../../kernel/index.js';
import type { Machine } from '../../works/index.js';
import { type NormLookup, spoilageTable } from '../../norms/index.js';
import type { ComponentLayout } from '../../press-sheet/index.js';
import type { Job, Step } from '../../job/index.js';
import type { Layouts } from './build-graph.js';
import { ownUnits } from './own-units.js';
import { type RunLosses, NO_LOSSES, lossFigures, lossesAt, lostUnits } from './run-losses.js';

/** A flow reckoned, splices and changes of carriers counted. */
export interface StableFlow {
  readonly graph: FlowGraph;
  readonly flow: Flow;
  /** Process units of every step by the job's own school. */
  readonly units: ReadonlyMap<string, number>;
}

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
}

interface Pass {
  readonly step: Step;
  readonly layout: ComponentLayout;
}

/** Passes that lose the more often the longer they run. */
const pressPasses = ({ job, layouts }: Context): Pass[] =>
  job.route.flatMap((step): Pass[] => {
    const layout = step.component === undefined ? undefined : layouts.get(step.component);
    return step.operation === 'print' && layout ? [{ step, layout }] : [];
  });

/**
 * What later passes lose raises what earlier ones run, so that all are looked at again until none changes: so often, and
 * once more for each pass.
 */
const MOST_ROUNDS = 12;

/**
 * Reckons a graph by all schools, and the splices and changes of carriers of its press passes until they stand.
 * Issues: those of the flow; `web.rolls` and `press.carrier-life` where a run never stands.
 * Source: handbook chapter 6 "Webs and rolls".
 */
export function reckonUntilStable(context: Context, built: FlowGraph): Outcome<StableFlow> {
  const { job, machines, norms, ledger } = context;
  const tableOf = (step: string): SpoilageTable => spoilageTable(norms, { machine: machines.get(step)?.id });
  const passes = pressPasses(context);
  const ready = new Map(built.steps.map(({ id, setup }) => [id, setup]));
  const losses = new Map<string, RunLosses>();
  const lost = ({ step, layout }: Pass): number => lostUnits(step, layout, norms, losses.get(step.id) ?? NO_LOSSES);
  let graph = built;
  for (let round = 0; round < MOST_ROUNDS + passes.length; round++) {
    const flow = reckonFlow(graph, tableOf);
    if (!flow.ok) return flow;
    const units = ownUnits(job.school, graph, flow.value, norms);
    const issues: Issue[] = [];
    const grown = passes.filter((pass) => {
      const { step, layout } = pass;
      const had = losses.get(step.id) ?? NO_LOSSES;
      const before = lost(pass);
      const found = lossesAt(step, layout, norms, (units.get(step.id) ?? 0) - before);
      if (!found.ok) {
        issues.push(...found.issues);
        return false;
      }
      losses.set(step.id, {
        splices: Math.max(had.splices, found.value.splices),
        changes: Math.max(had.changes, found.value.changes),
      });
      return lost(pass) > before;
    });
    if (issues.length > 0) return { ok: false, issues };
    if (grown.length === 0) {
      for (const pass of passes)
        if (lost(pass) > 0) lossFigures(ledger, norms, pass.step, pass.layout, losses.get(pass.step.id) ?? NO_LOSSES);
      return { ok: true, value: { graph, flow: flow.value, units } };
    }
    const more = new Map(passes.map((pass) => [pass.step.id, lost(pass)]));
    graph = {
      ...graph,
      steps: graph.steps.map((step) => ({ ...step, setup: (ready.get(step.id) ?? 0) + (more.get(step.id) ?? 0) })),
    };
  }
  const [first] = passes;
  const params = { component: first?.layout.component.name ?? '' };
  return { ok: false, issues: [error('press.carrier-life', `${first?.layout.path ?? ''}.press`, params)] };
}
