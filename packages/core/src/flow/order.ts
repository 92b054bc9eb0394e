import { type Issue, error, group } from '../kernel/index.js';
import type { FlowGraph, FlowStep } from './graph.js';

/** Steps by the material that they take in. */
export function consumersOf(graph: FlowGraph): Map<string, FlowStep[]> {
  const consumers = new Map<string, FlowStep[]>();
  for (const step of graph.steps) {
    for (const { material } of step.inputs) {
      group(consumers, material, step);
    }
  }
  return consumers;
}

/**
 * The steps from the end of the job to its beginning: each after all steps that use what it makes.
 * Issues: `flow.cycle` naming a step on the circle; `flow.unused-step` where nobody wants what a step makes.
 */
export function orderSteps(graph: FlowGraph): {
  readonly steps: readonly FlowStep[];
  readonly issues: readonly Issue[];
} {
  const consumers = consumersOf(graph);
  const waiting = new Map<FlowStep, number>();
  const makers = new Map<string, FlowStep[]>();
  for (const step of graph.steps) {
    waiting.set(
      step,
      step.outputs.reduce((n, { material }) => n + (consumers.get(material)?.length ?? 0), 0),
    );
    for (const { material } of step.outputs) makers.set(material, [...(makers.get(material) ?? []), step]);
  }
  const ready = graph.steps.filter((step) => waiting.get(step) === 0);
  const ordered: FlowStep[] = [];
  for (let step = ready.shift(); step; step = ready.shift()) {
    ordered.push(step);
    for (const { material } of step.inputs) {
      for (const maker of makers.get(material) ?? []) {
        const left = (waiting.get(maker) ?? 0) - 1;
        waiting.set(maker, left);
        if (left === 0) ready.push(maker);
      }
    }
  }
  if (ordered.length < graph.steps.length) {
    const stuck = graph.steps.filter((step) => !ordered.includes(step));
    const first = stuck[0];
    return {
      steps: [],
      issues: first
        ? [error('flow.cycle', `${first.path}.from`, { step: first.id, steps: stuck.map((s) => s.id).join(', ') })]
        : [],
    };
  }
  const wanted = new Set(graph.demands.map(({ material }) => material));
  const issues = ordered
    .filter((step) => step.outputs.every(({ material }) => !wanted.has(material) && !consumers.has(material)))
    .map((step) => error('flow.unused-step', `${step.path}.id`, { step: step.id }));
  return { steps: ordered, issues };
}
