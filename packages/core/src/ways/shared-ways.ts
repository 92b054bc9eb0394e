import { type Job, figureId } from '../job/index.js';
import { type Plan, plan } from '../plan/index.js';
import { sharingLayouts, trimmedAreaMm2 } from '../press-sheet/index.js';
import { valueAt } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import { withWay } from './apply-way.js';
import { type Way, type WayChoice, rankWays, wayId } from './way.js';

/** Ways whose sections are also tried on common forms: the cheapest, since each is planned in full. */
const TRIED = 8;

const TEXT = { kind: 'text' } as const;

/** A text run another way at two quantities, in full. */
interface Planned {
  readonly one: Plan;
  readonly two: Plan;
}

/** Printed things of a text: its sections on sheets of their own, and the forms that carry sections. */
const formsOf = ({ components }: Job): ReadonlySet<string> =>
  new Set(components.flatMap(({ id, kind, on }) => (kind === 'section' ? [on ?? id] : [])));

function wayOf(base: Way, job: Job, { one, two }: Planned): Way {
  const forms = formsOf(job);
  const lane = new Set([...forms, ...job.components.flatMap(({ id, kind }) => (kind === 'section' ? [id] : []))]);
  const steps = one.steps.filter(({ component }) => lane.has(component ?? ''));
  const sum = (of: (form: string) => number | undefined): number =>
    [...forms].reduce((total, form) => total + (of(form) ?? 0), 0);
  // A cover or endpaper on a form of the text is product of it as well.
  const beside = job.components.flatMap(({ id, kind, on }) => {
    const layout = on === undefined || kind === 'section' ? undefined : one.layouts[on];
    return layout ? sharingLayouts(layout).filter(({ component }) => component.id === id) : [];
  });
  const besideKg = beside.reduce(
    (kg, layout) => kg + (job.order.quantity * trimmedAreaMm2(layout) * layout.stock.gsm) / 1e9,
    0,
  );
  const paperKg = sum((form) => one.totals.paperKgByComponent[form]);
  const [cost, costOfTwo] = [one.totals.cost.total, two.totals.cost.total];
  const unitCost = (costOfTwo - cost) / job.order.quantity;
  const [first = ''] = forms;
  const pattern = one.layouts[first]?.pattern;
  const choice: WayChoice = { ...base, shared: true };
  return {
    ...base,
    shared: true,
    id: wayId(choice),
    up: pattern?.count ?? base.up,
    arrangement: pattern?.arrangement ?? base.arrangement,
    pressSheets: sum((form) => one.totals.pressSheets[form]),
    boughtSheets: sum((form) =>
      one.layouts[form]?.supply.kind === 'roll'
        ? 0
        : (valueAt(one, figureId.component(form, 'boughtSheets')) ?? one.totals.pressSheets[form]),
    ),
    paperKg,
    wasteShare: 1 - ((1 - base.wasteShare) * base.paperKg + besideKg) / paperKg,
    plates: sum((form) => one.totals.platesByComponent[form]),
    passes: steps.filter(({ operation }) => operation === 'print').length,
    hours: steps.reduce((total, { hours }) => total + hours, 0),
    cost,
    unitCost,
    fixedCost: cost - unitCost * job.order.quantity,
  };
}

/**
 * Ways in which unlike sections of a text, or a section and a cover or endpaper, share forms two by two: half the plates, and one set-up for both. Tried for the
 * cheapest ways and for the one that the job is in now, each planned in full at both quantities.
 * @param job with every section on a sheet of its own; @param ways of its text; @param current id of the present one.
 * Source: handbook chapter 4 "Folded sections" (mixed sections).
 */
export function sharedWays(job: Job, works: Works, ways: readonly Way[], current: string | undefined): Way[] {
  const able = rankWays(ways, 'cost').filter(({ up }) => up > 1);
  const tried = able.filter(({ id }, i) => i < TRIED || id === current);
  return tried.flatMap((way): Way[] => {
    const shared = withWay(job, TEXT, { ...way, shared: true }, works);
    if (!shared.components.some(({ on }) => on !== undefined)) return [];
    const { order } = shared;
    const at = (quantity: number) => plan({ ...shared, school: 'step', order: { ...order, quantity } }, works);
    const [one, two] = [at(order.quantity), at(2 * order.quantity)];
    return one.ok && two.ok ? [wayOf(way, shared, { one: one.value, two: two.value })] : [];
  });
}
