import { overprintOf } from '../colour/index.js';
import { type Issue, warning } from '../kernel/index.js';
import { orderBreaks } from '../press/index.js';
import { type Works, printingOf } from '../works/index.js';
import type { Job } from '../job/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import { inkOf, notCleared } from './inks.js';

/** Inks and stocks that the product's contact asks to be cleared. Issues: `ink.not-cleared`, `ink.stock-not-cleared`. */
function clearance(job: Job, works: Works): Issue[] {
  const { contact } = job;
  if (!contact) return [];
  const { inks, stocks } = notCleared(job, works, contact);
  return [
    ...inks.map((ink) => warning('ink.not-cleared', 'contact', { ink, contact })),
    ...stocks.map((stock) => warning('ink.stock-not-cleared', 'contact', { stock, contact })),
  ];
}

/** A mixed colour that two of the inks beside it would overprint to. Issue: `ink.overprint`. */
function overprints(job: Job, works: Works): Issue[] {
  return job.components.flatMap((component, i) =>
    (['front', 'back'] as const).flatMap((side) => {
      const names = component[side].map(({ name }) => name);
      return component[side].flatMap(({ name }, at): Issue[] => {
        const ink = inkOf(job, works, name);
        const found = ink.kind === 'mixed' && ink.aim ? overprintOf(ink.aim, names) : undefined;
        if (!found) return [];
        const difference = Math.round(found.difference * 10) / 10;
        const params = { ink: name, inks: found.inks.join(' and '), difference };
        return [warning('ink.overprint', `components[${i}].${side}[${at}]`, params)];
      });
    }),
  );
}

/** Zones that were reckoned for another press. Issue: `press.zones`. */
function zones(layouts: ReadonlyMap<string, ComponentLayout>): Issue[] {
  return [...layouts.values()].flatMap(({ component, machine, path }) => {
    const count = machine.press?.zones?.count ?? 0;
    const stale = [...component.front, ...component.back].find((ink) => ink.zones && ink.zones.length !== count);
    return stale
      ? [
          warning('press.zones', `${path}.press`, {
            component: component.name,
            machine: machine.name,
            count,
            value: stale.zones?.length ?? 0,
          }),
        ]
      : [];
  });
}

/** Orders by hand that break the rules. Issue: `ink.order`. */
function orders(job: Job, works: Works, layouts: ReadonlyMap<string, ComponentLayout>): Issue[] {
  return [...layouts.values()].flatMap(({ component, machine, path }) =>
    (['front', 'back'] as const).flatMap((side) => {
      const byHand = component.inkOrder?.[side] ?? [];
      const printed = byHand.flatMap((name) =>
        component[side].some((ink) => ink.name === name) ? [{ name, kind: inkOf(job, works, name).kind }] : [],
      );
      return orderBreaks(printed, printingOf(machine)).map(({ ink, before }) =>
        warning('ink.order', `${path}.inkOrder.${side}`, { component: component.name, side, ink, before }),
      );
    }),
  );
}

/** What the inks of a job want a look at, all warnings. Source: handbook chapter 5. */
export const adviseInks = (job: Job, works: Works, layouts: ReadonlyMap<string, ComponentLayout>): Issue[] => [
  ...clearance(job, works),
  ...overprints(job, works),
  ...orders(job, works, layouts),
  ...zones(layouts),
];
