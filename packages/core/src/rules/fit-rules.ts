import { tenth } from '../kernel/index.js';
import { wantedSizes } from '../families/index.js';
import type { RuleId } from '../route/index.js';
import type { RouteFacts } from './facts.js';
import type { Found } from './finding.js';
import type { Predicate } from './predicate.js';

/** Less than this is within what a knife and a folder hold. Source: common practice, no source. */
const SLACK_MM = 0.5;

/** Parts of the stations of an operation that are laid otherwise than their block wants, each mended by that size. */
const fits =
  (...operations: readonly string[]): Predicate =>
  ({ job, norms, stations }: RouteFacts) => {
    const byId = new Map(stations.map((station) => [station.step.id, station]));
    const wanted = wantedSizes(job, ({ id }) => byId.get(id)?.incoming ?? [], norms);
    return wanted.flatMap(({ step, component: id, ...size }): Found[] => {
      if (!operations.includes(byId.get(step)?.step.operation ?? '')) return [];
      const at = job.components.findIndex((component) => component.id === id);
      const component = job.components[at];
      for (const side of ['widthMm', 'heightMm'] as const) {
        const laid = component?.[side];
        if (laid === undefined || Math.abs(laid - size[side]) <= SLACK_MM) continue;
        const mend = { kind: 'set', path: ['components', at, side], value: tenth(size[side]) } as const;
        return [{ step, value: tenth(laid), limit: tenth(size[side]), unit: 'mm', mend }];
      }
      return [];
    });
  };

/** Rules about parts that follow the block that they go around. */
export const FIT_PREDICATES = {
  'cover-fits-block': fits('bind'),
  'case-fits-block': fits('case', 'tip'),
} as const satisfies Partial<Record<RuleId, Predicate>>;
