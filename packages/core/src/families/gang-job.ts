import type { GangAnswer } from '../gang/index.js';
import { type Component, type Item, type Job, type Step, itemMaterial } from '../job/index.js';
import { printSteps } from '../edit/index.js';
import { PROCESS } from './lane.js';

/** What all items of a gang share. */
export interface GangJobLike {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly stock: string;
  readonly sheet: Component['sheet'];
  readonly press: string;
  readonly workStyle: 'single' | 'sheetwise' | 'perfecting';
  readonly bleedMm: number;
}

/** Decimal places that a share keeps. */
const PLACES = 1e6;

/** Shares of an item over the forms that carry it, by the sheets that each form runs; they add up to 1 to the letter. */
function sharesOf(forms: GangAnswer['forms'], item: number): Map<number, number> {
  const on = forms.flatMap(({ counts, sheets }, form) => {
    const pieces = (counts[item] ?? 0) * sheets;
    return pieces > 0 ? [{ form, pieces }] : [];
  });
  const total = on.reduce((sum, { pieces }) => sum + pieces, 0);
  let left = PLACES;
  return new Map(
    on.map(({ form, pieces }, i) => {
      const share = i === on.length - 1 ? left : Math.round((pieces / total) * PLACES);
      left -= share;
      return [form, share / PLACES];
    }),
  );
}

/**
 * A job out of a gang's answer: one component a form, cut apart into the items, each boxed by itself. Where several forms
 * carry an item each prints a declared share. Source: handbook chapter 4 "Gang sheets", chapter 6 (splits).
 */
export function gangJob(like: GangJobLike, items: readonly Item[], { forms }: GangAnswer): Job {
  const shares = items.map((_, i) => sharesOf(forms, i));
  const components = forms.map(({ counts }, form): Component => ({
    id: `form-${form + 1}`,
    name: $localize`Form ${form + 1}`,
    kind: 'gang',
    stock: like.stock,
    sheet: like.sheet,
    press: like.press,
    workStyle: like.workStyle,
    front: PROCESS,
    back: like.workStyle === 'single' ? [] : PROCESS,
    lay: { bleedMm: like.bleedMm },
    carries: items.flatMap(({ id }, i) => {
      const share = shares[i]?.get(form);
      if (share === undefined) return [];
      return [{ item: id, count: counts[i] ?? 0, ...(share < 1 ? { share } : {}) }];
    }),
  }));
  const lanes = components.flatMap(({ id, workStyle }): Step[] => {
    const steps = printSteps(id, workStyle);
    return [
      ...steps,
      { id: `cut-${id}`, operation: 'cut', component: id, from: [{ material: steps.at(-1)?.id ?? '' }] },
    ];
  });
  const boxes = items.map(({ id }): Step => ({
    id: `box-${id}`,
    operation: 'box',
    perPack: 500,
    from: [{ material: itemMaterial(id) }],
  }));
  return {
    format: 'druckerei-job',
    version: 1,
    number: like.number,
    title: like.title,
    customer: like.customer,
    family: 'gang',
    order: {
      quantity: items.reduce((sum, { quantity }) => sum + quantity, 0),
      plannedOvers: 0,
      policy: { kind: 'percent', under: 0, over: 10 },
    },
    school: 'step',
    components,
    items,
    route: [...lanes, ...boxes],
    norms: {},
  };
}

/** A gang with other items on other forms: paper, press and style of its first form, its order otherwise as it was. */
export function withGang(job: Job, bleedMm: number, items: readonly Item[], answer: GangAnswer): Job {
  const [first] = job.components;
  if (!first) return job;
  const { stock, sheet, press } = first;
  const workStyle = first.workStyle === 'perfecting' || first.workStyle === 'single' ? first.workStyle : 'sheetwise';
  const made = gangJob({ ...job, stock, sheet, press, workStyle, bleedMm }, items, answer);
  const { components, route } = made;
  return { ...job, order: { ...job.order, quantity: made.order.quantity }, components, items, route };
}
