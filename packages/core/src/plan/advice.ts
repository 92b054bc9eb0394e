import { type Issue, warning } from '../kernel/index.js';
import { type Job, orderLimits } from '../job/index.js';
import { repeatMm } from '../webs/index.js';
import { partsSheet, webOf } from '../press-sheet/index.js';
import type { Layouts } from './counting/build-graph.js';

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

/** Share of a cylinder's circumference from which nothing is said. Source: common practice, no source. */
const WELL_USED = 0.85;

/** A pattern that leaves much of its cylinder unprinted, with the circumference that would do. Issue: `web.repeat-unused`. */
const repeatAdvice = (layouts: Layouts): Issue[] =>
  [...layouts.values()].flatMap(({ component, machine, piece, pattern, path }) => {
    const web = webOf(machine);
    const repeat = component.sheet.heightMm;
    const [first] = pattern.pieces;
    const around = first ? new Set(pattern.pieces.map(({ yMm }) => Math.round(yMm))).size : 0;
    const high = first?.turned ? piece.widthMm : piece.heightMm;
    if (!web || web.cutOffMm !== undefined || around === 0 || (around * high) / repeat >= WELL_USED) return [];
    const wanted = around * high;
    const repeats = (web.cylinderTeeth ?? [])
      .map((teeth) => repeatMm(teeth))
      .filter((mm) => mm >= wanted && mm < repeat);
    const better = web.anyRepeat ? wanted : repeats.length > 0 ? Math.min(...repeats) : undefined;
    return better === undefined
      ? []
      : [
          warning('web.repeat-unused', `${path}.sheet.heightMm`, {
            component: component.name,
            value: Math.round(100 * (1 - wanted / repeat)),
            repeat: Math.round(repeat * 10) / 10,
            better: Math.round(better * 10) / 10,
          }),
        ];
  });

/** What is printed and joined works out, but wants a look. Issues: `layout.*`, warnings. What the route breaks is told by the rules. */
export const adviseJob = (job: Job, layouts: Layouts): Issue[] => [
  ...uncutAdvice(job, layouts),
  ...repeatAdvice(layouts),
];

/** What is ordered beyond what the customer takes. Issue: `order.above-limit`, a warning. */
export function adviseOrder({ order }: Job): Issue[] {
  const { most } = orderLimits(order);
  const value = order.quantity + order.plannedOvers;
  return value > most ? [warning('order.above-limit', 'order.plannedOvers', { value, limit: most })] : [];
}
