import { ceil } from '../kernel/index.js';
import type { Downstream } from './downstream.js';
import type { FlowGraph } from './graph.js';

/**
 * Net press sheets by which the table's band is chosen for every step: the step's own where press passes are still to
 * come, else those of the shortest run that feeds it (short runs spoil most).
 */
export function pressNets(graph: FlowGraph, downstream: ReadonlyMap<string, Downstream>): ReadonlyMap<string, number> {
  const makers = new Map(graph.steps.flatMap((step) => step.outputs.map(({ material }) => [material, step] as const)));
  const nets = new Map<string, number>();
  const netOf = (id: string): number => {
    const known = nets.get(id);
    if (known !== undefined) return known;
    const after = downstream.get(id);
    if (!after) return Infinity;
    const own = ceil(after.net);
    const before = after.step.inputs.flatMap(({ material }) => makers.get(material)?.id ?? []);
    const net = after.passes.length > 0 || before.length === 0 ? own : Math.min(...before.map(netOf));
    nets.set(id, net);
    return net;
  };
  for (const { id } of graph.steps) netOf(id);
  return nets;
}
