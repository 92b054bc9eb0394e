import { error } from '../kernel/index.js';
import { type Component, type Item, type Job, itemMaterial } from '../job/index.js';
import { normsOf } from '../norms/index.js';
import { type Plan, plan } from '../plan/index.js';
import { trimmedAreaMm2 } from '../press-sheet/index.js';
import type { Works } from '../works/index.js';
import { type WayTarget, targetComponents, withWay } from './apply-way.js';
import { atQuantity } from './at-quantity.js';
import { isOnWeb } from './candidates.js';
import { LaneReckoner } from './estimate.js';
import { paperFor } from './paper-for.js';
import { RefusalBook } from './refusals.js';
import { type Way, type WayChoice, type Ways, rankWays, wayId } from './way.js';

/** A job run one way and planned in full. */
interface Planned {
  readonly planned: Plan;
  readonly parts: readonly Component[];
}

/** A job run one way at a quantity; undefined with what is wrong told to the book where it cannot be. */
function planAt(
  job: Job,
  works: Works,
  target: WayTarget,
  choice: WayChoice,
  quantity: number,
  refusals: RefusalBook,
): Planned | undefined {
  const made = withWay(job, target, choice, works);
  const outcome = plan({ ...atQuantity(made, quantity), school: 'step' }, works);
  if (outcome.ok) return { planned: outcome.value, parts: targetComponents(made, target) };
  const [issue] = outcome.issues;
  if (issue) refusals.add(issue);
  return undefined;
}

/** Kilograms of trimmed product that leave the parts: each item of a form by its own size. */
function productKg({ planned, parts }: Planned, items: readonly Item[]): number {
  const areas = new Map(items.map(({ id, widthMm, heightMm }) => [itemMaterial(id), widthMm * heightMm]));
  return parts.reduce((sum, { id }) => {
    const layout = planned.layouts[id];
    if (!layout) return sum;
    const own = new Set(planned.steps.filter(({ component }) => component === id).map((step) => step.id));
    const out = planned.edges.filter(({ from, to }) => own.has(from ?? '') && !own.has(to ?? ''));
    const areaMm2 = out.reduce(
      (all, { material, count }) => all + count * (areas.get(material) ?? trimmedAreaMm2(layout)),
      0,
    );
    return sum + (areaMm2 * layout.stock.gsm) / 1e9;
  }, 0);
}

/** Sheets to buy for the parts; 0 from rolls. */
const bought = ({ planned: { layouts, totals }, parts }: Planned): number =>
  parts.reduce((sum, { id }) => {
    const layout = layouts[id];
    return sum + (layout ? paperFor(layout, totals.pressSheets[id] ?? 0).bought : 0);
  }, 0);

/** A way out of its plans at the quantity and at twice it. @param fills units that it fills with ink */
function wayOf(choice: WayChoice, fills: readonly string[], one: Planned, twice: Planned, job: Job): Way {
  const { planned, parts } = one;
  const { totals, layouts } = planned;
  const sum = (of: Readonly<Record<string, number>>): number => parts.reduce((all, { id }) => all + (of[id] ?? 0), 0);
  const steps = planned.steps.filter(({ component }) => parts.some(({ id }) => id === component));
  const cost = totals.cost.total;
  const { quantity } = job.order;
  const unitCost = (twice.planned.totals.cost.total - cost) / quantity;
  const paperKg = sum(totals.paperKgByComponent);
  const { count, arrangement } = layouts[parts[0]?.id ?? '']?.pattern ?? { count: 0, arrangement: 'straight' };
  return {
    ...choice,
    id: wayId(choice),
    up: count,
    arrangement,
    pressSheets: sum(totals.pressSheets),
    boughtSheets: bought(one),
    paperKg,
    wasteShare: 1 - productKg(one, job.items ?? []) / paperKg,
    plates: sum(totals.platesByComponent),
    passes: steps.filter(({ operation }) => operation === 'print').length,
    fills,
    hours: steps.reduce((all, { hours }) => all + hours, 0),
    cost,
    unitCost,
    fixedCost: cost - unitCost * quantity,
  };
}

/**
 * Ways of a part that cannot be reckoned by itself, because it runs on a web, its items part or its lane has splits: each
 * choice is planned in full, at the job's quantity and at twice it.
 * @param progress told the share done, 0..1, before each. Cost: two plans a choice. Source: handbook chapters 4 and 8.
 */
export function plannedWays(
  job: Job,
  works: Works,
  target: WayTarget,
  choices: readonly WayChoice[],
  progress: (share: number) => void,
): Ways {
  const { quantity } = job.order;
  const reckoner = new LaneReckoner(job, works, normsOf(works, job.norms));
  const fillsOf = (components: readonly Component[]): readonly string[] => {
    const fills = components.flatMap((component) => {
      const machine = works.machines.find(({ id }) => id === component.press);
      return machine ? reckoner.fillsOf({ component, machine }) : [];
    });
    return [...new Set(fills)];
  };
  const parts = targetComponents(job, target);
  const [first] = parts;
  const refusals = new RefusalBook();
  const ways = choices.flatMap((choice, i) => {
    progress(i / choices.length);
    const machine = works.machines.find(({ id }) => id === choice.press);
    if (first && isOnWeb(first, works) !== isOnWeb(choice, works)) {
      refusals.add(error('ways.web-apart', 'components', { machine: machine?.name ?? choice.press }));
      return [];
    }
    const one = planAt(job, works, target, choice, quantity, refusals);
    const twice = one && planAt(job, works, target, choice, 2 * quantity, refusals);
    return one && twice ? [wayOf(choice, fillsOf(one.parts), one, twice, job)] : [];
  });
  progress(1);
  const now = first && wayId(first);
  return {
    ways: rankWays(ways, 'cost'),
    considered: choices.length,
    refusals: refusals.list(),
    current: ways.find(({ id }) => id === now)?.id,
    fillCost: reckoner.fillCost(1),
    filledAnyway: fillsOf(job.components.filter((component) => !parts.includes(component))),
    fillsNow: fillsOf(parts),
  };
}
