import type { Flow, FlowGraph, School } from '../../flow/index.js';
import { type Chance, drawRequired, jointLevel, needsOf, quantileOf } from '../../sure/index.js';
import type { NormLookup } from '../../norms/index.js';

/** How unlike runs are, by the norms of the job. */
export const chanceOf = (norms: NormLookup): Chance => ({
  best: norms('sure.best').value,
  worst: norms('sure.worst').value,
  kappa: norms('sure.kappa').value,
});

/**
 * Process units of every step by the sureness school: all at the one level at which all components together come out with
 * the probability of the norms. The same norms give the same units. Source: handbook chapter 6, school 4.
 */
function sureUnits(graph: FlowGraph, norms: NormLookup): ReadonlyMap<string, number> {
  const required = drawRequired({
    graph,
    chance: chanceOf(norms),
    seed: norms('sure.seed').value,
    draws: norms('sure.draws').value,
  });
  const level = jointLevel(needsOf(required, graph.bought), norms('sure.p').value);
  return new Map(Object.entries(required.steps).map(([id, drawn]) => [id, quantileOf(drawn.slice().sort(), level)]));
}

/** Process units of every step by the school that the job is planned by. */
export const ownUnits = (
  school: School,
  graph: FlowGraph,
  flow: Flow,
  norms: NormLookup,
): ReadonlyMap<string, number> =>
  school === 'sure' ? sureUnits(graph, norms) : new Map(flow.steps.map(({ step, units }) => [step.id, units[school]]));
