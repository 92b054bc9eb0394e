import { type Issue, warning } from '../kernel/index.js';
import type { Layouts } from './build-graph.js';
import { type Job, orderLimits } from './job.js';
import { partsSheet } from './material/index.js';

function uncutAdvice(job: Job, layouts: Layouts): Issue[] {
  return [...layouts.values()].flatMap((layout) => {
    const { component, pattern, path } = layout;
    const cut = job.route.some((step) => step.component === component.id && partsSheet(step, layout));
    // A second run is cut with the first.
    return pattern.count > 1 && !cut && component.on === undefined && component.runOf === undefined
      ? [warning('layout.several-up-not-cut', path, { component: component.name, count: pattern.count })]
      : [];
  });
}

/** What is printed and joined works out, but wants a look. Issues: `layout.*`, `order.*`, all warnings. What the route breaks is told by the rules. */
export function adviseJob(job: Job, layouts: Layouts): Issue[] {
  const { quantity, plannedOvers } = job.order;
  const { most } = orderLimits(job.order);
  const over =
    quantity + plannedOvers > most
      ? [
          warning('order.above-limit', 'order.plannedOvers', {
            value: quantity + plannedOvers,
            limit: most,
          }),
        ]
      : [];
  return [...uncutAdvice(job, layouts), ...over];
}
