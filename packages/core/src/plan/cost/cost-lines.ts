import type { Works } from '../../works/index.js';
import { figureOf } from '../../kernel/index.js';
import type { Job } from '../../job/index.js';
import { type Plan, plan } from '../plan.js';
import { type CostKind, COST_KINDS } from './cost.js';

/** One line of what a job costs. */
export interface CostLine {
  readonly kind: CostKind;
  readonly name: string;
  /** Component that it is for; undefined where it is for all. */
  readonly component: string | undefined;
  readonly value: number;
  readonly figure: string;
}

/** Component behind a line: its figure ends in a component's or in a step's id. */
function componentOf(job: Job, figure: string): string | undefined {
  const parts = figure.split('.').slice(2);
  return (
    job.components.find(({ id }) => parts.includes(id))?.id ?? job.route.find(({ id }) => parts.includes(id))?.component
  );
}

/** What a job costs, line by line: every line opens to its working, and all of them add to the cost (identity). */
export const costLines = (job: Job, planned: Plan): CostLine[] =>
  COST_KINDS.flatMap((kind): CostLine[] => {
    const sum = figureOf(planned, `cost.${kind}`);
    if (!sum) return [];
    const inputs = Object.entries(sum.inputs);
    const isSum = inputs.length > 0 && inputs.every(([name]) => /^n\d+$/.test(name));
    const lines = isSum ? inputs.flatMap(([, id]) => figureOf(planned, id) ?? []) : [sum];
    return lines
      .filter(({ value }) => value !== 0)
      .map(({ id, name, value }) => ({ kind, name, value, figure: id, component: componentOf(job, id) }));
  });

/** How many more the next quantity is reckoned for. */
export const MORE = 1_000;

/** What a thousand more would cost; undefined where they cannot be planned. */
export function costOfNext(job: Job, works: Works, now: Plan): number | undefined {
  const { quantity, deliveries: _deliveries, ...order } = job.order;
  const outcome = plan({ ...job, order: { ...order, quantity: quantity + MORE } }, works);
  return outcome.ok ? outcome.value.totals.cost.total - now.totals.cost.total : undefined;
}
