import { type Issue, warning } from '../kernel/index.js';
import { SCORE_OVER_GSM } from '../route/index.js';
import type { NormLookup } from '../works/index.js';
import { type JobFlow, type Layouts, takenBy } from './build-graph.js';
import { type Job, orderLimits } from './job.js';
import { partsSheet } from './material.js';
import { webOf } from './web-layout.js';

function scoreAdvice(job: Job, layouts: Layouts): Issue[] {
  return job.route.flatMap((step, i) => {
    const layout = step.component === undefined ? undefined : layouts.get(step.component);
    const heavy = step.operation === 'fold' && layout && layout.stock.gsm > SCORE_OVER_GSM;
    const scored = job.route.some(({ operation, component }) => operation === 'score' && component === step.component);
    return heavy && !scored
      ? [warning('fold.score-first', `route[${i}]`, { step: step.id, gsm: layout.stock.gsm, limit: SCORE_OVER_GSM })]
      : [];
  });
}

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

/** Paper runs along the web: a section whose spine lies across it opens badly and its leaves wave. */
function spineAdvice(layouts: Layouts): Issue[] {
  return [...layouts.values()].flatMap(({ component, machine, section, path }) => {
    const spine = webOf(machine) && section?.outer[0]?.spine;
    return spine === 'top' || spine === 'bottom'
      ? [warning('web.grain-across-spine', `${path}.scheme`, { component: component.name })]
      : [];
  });
}

/** What is printed and joined works out, but wants a look. Issues: `bind.*`, `fold.*`, `layout.*`, `web.*`, `order.*`, all warnings. */
export function adviseJob(job: Job, layouts: Layouts, { materials }: JobFlow, norms: NormLookup): Issue[] {
  const limit = norms('bind.saddleLimit').value;
  const bound = job.route.flatMap((step, i) => {
    if (step.operation !== 'stitch') return [];
    const thick =
      takenBy(step).reduce((sum, { material, usage }) => sum + (materials.get(material)?.caliperUm ?? 0) * usage, 0) /
      1000;
    return thick > limit
      ? [
          warning('bind.too-thick-for-saddle', `route[${i}]`, {
            step: step.id,
            value: Math.round(thick * 10) / 10,
            limit,
          }),
        ]
      : [];
  });
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
  return [...bound, ...scoreAdvice(job, layouts), ...uncutAdvice(job, layouts), ...spineAdvice(layouts), ...over];
}
