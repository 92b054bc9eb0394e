import { type Issue, add, compare, error, fraction, ONE, ZERO } from '../kernel/index.js';
import type { FlowGraph, FlowStep } from './graph.js';
import { lossShare } from './loss.js';

/** Largest quantity that may be asked for. Source: practice, no run is longer. */
export const MAX_QUANTITY = 1_000_000_000;

/** Everything that makes a step's own numbers unusable, each naming the step and the field. */
function stepIssues(step: FlowStep): Issue[] {
  const issues: Issue[] = [];
  const say = (code: Issue['code'], field: string, params: Issue['params'] = {}) =>
    issues.push(error(code, `${step.path}.${field}`, { step: step.id, ...params }));
  const notNegative = (field: string, value: number) => {
    if (!Number.isFinite(value)) say('flow.not-a-number', field);
    else if (value < 0) say('flow.negative', field, { value });
  };
  notNegative('setup', step.setup);
  notNegative('running', step.running);
  step.incidents.forEach((incident, i) => {
    notNegative(`incidents[${i}].rate`, incident.rate);
    notNegative(`incidents[${i}].loss`, incident.loss);
  });
  for (const { material, usage } of step.inputs) {
    if (!Number.isFinite(usage)) say('flow.not-a-number', 'from', { material });
    else if (!(usage > 0)) say('flow.usage-not-positive', 'from', { material, value: usage });
  }
  for (const output of step.outputs) {
    if (!Number.isFinite(output.yield)) say('flow.not-a-number', 'yield');
    else if (!(output.yield > 0)) say('flow.yield-not-positive', 'yield', { value: output.yield });
    notNegative('samples', output.samples);
  }
  if (issues.length === 0 && compare(lossShare(step), ONE) >= 0) {
    say('flow.spoilage-too-high', 'running', { value: step.running });
  }
  return issues;
}

/** Materials without a maker, made twice without a split, or with shares that do not add to one. */
function makerIssues(graph: FlowGraph): Issue[] {
  const issues: Issue[] = [];
  const makers = new Map<string, { step: FlowStep; share: number | undefined }[]>();
  for (const step of graph.steps) {
    for (const { material, share } of step.outputs)
      makers.set(material, [...(makers.get(material) ?? []), { step, share }]);
  }
  for (const [material, made] of makers) {
    const first = made[0]?.step;
    if (!first || (made.length === 1 && made[0]?.share === undefined)) continue;
    const open = made.find(({ share }) => share === undefined || !(share >= 0));
    if (open) {
      issues.push(error('flow.split-not-declared', `${open.step.path}.share`, { material, step: open.step.id }));
    } else if (
      compare(
        made.reduce((sum, { share }) => add(sum, fraction(share ?? 0)), ZERO),
        ONE,
      ) !== 0
    ) {
      issues.push(error('flow.split-not-whole', `${first.path}.share`, { material, step: first.id }));
    }
  }
  for (const step of graph.steps) {
    for (const { material } of step.inputs) {
      if (!makers.has(material) && !graph.bought.includes(material)) {
        issues.push(error('flow.missing-input', `${step.path}.from`, { material, step: step.id }));
      }
    }
  }
  return issues;
}

function demandIssues(graph: FlowGraph): Issue[] {
  if (graph.demands.length === 0) return [error('flow.no-demand', 'order.quantity')];
  return graph.demands.flatMap(({ material, quantity }) => {
    if (!Number.isFinite(quantity)) return [error('flow.not-a-number', 'order.quantity', { step: material })];
    if (!(quantity > 0)) return [error('flow.no-demand', 'order.quantity', { value: quantity })];
    if (quantity > MAX_QUANTITY)
      return [error('flow.too-large', 'order.quantity', { value: quantity, limit: MAX_QUANTITY })];
    return [];
  });
}

/**
 * Everything that keeps a graph from being reckoned, apart from cycles (see {@link orderSteps}); empty where it is sound.
 * Issues: every `flow.*` code.
 */
export function checkGraph(graph: FlowGraph): Issue[] {
  const seen = new Set<string>();
  const doubled = graph.steps.flatMap((step) => {
    if (seen.has(step.id)) return [error('flow.duplicate-step', `${step.path}.id`, { step: step.id })];
    seen.add(step.id);
    return [];
  });
  return [...doubled, ...graph.steps.flatMap(stepIssues), ...makerIssues(graph), ...demandIssues(graph)];
}
