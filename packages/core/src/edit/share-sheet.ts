import { STYLE_RULES } from '../press/index.js';
import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { layComponent, sectionPositions } from '../press-sheet/index.js';
import { type Component, type InkUse, type Job, type Step, itemMaterial } from '../job/index.js';
import { cutSheetFirst, printSteps } from './edit-job.js';

/** Most of each section that are tried on one form: more never fit a press sheet. */
const MOST_EACH = 32;

const isPressRoom = ({ operation }: Step): boolean => ['print', 'dry', 'cut'].includes(operation);

/** What may lie on a form with others: what is printed flat, cut out and then goes its own way. */
export const SHARING: readonly Component['kind'][] = ['section', 'cover', 'sheet'];

/** Whether a component is printed and cut and goes on as one thing from there: nothing is done to its sheet before it is cut. */
function goesOnFromTheCut({ route }: Job, { id }: Component): boolean {
  const own = route.filter(({ component }) => component === id);
  const printed = new Set(own.filter(isPressRoom).map((step) => step.id));
  const takes = route.filter((step) => !isPressRoom(step) && step.from?.some(({ material }) => printed.has(material)));
  return takes.length === 1;
}

/**
 * What may lie on one form with a section, cover or endpaper: on the same paper and press, printed on as many sides, and
 * on a sheet of its own so far.
 */
export const sharesWith = (job: Job, component: Component): readonly Component[] =>
  !SHARING.includes(component.kind) || !goesOnFromTheCut(job, component)
    ? []
    : job.components.filter(
        (other) =>
          SHARING.includes(other.kind) &&
          other.id !== component.id &&
          other.on === undefined &&
          other.runOf === undefined &&
          other.stock === component.stock &&
          other.press === component.press &&
          other.front.length > 0 &&
          other.back.length > 0 === component.back.length > 0 &&
          goesOnFromTheCut(job, other),
      );

/** Inks of two that are printed together, each once. */
const inksOf = (first: readonly InkUse[], second: readonly InkUse[]): readonly InkUse[] => [
  ...first,
  ...second.filter(({ name }) => first.every((ink) => ink.name !== name)),
];

function formOf(first: Component, second: Component, each: number): Component {
  const { stock, sheet, bought, press, workStyle } = first;
  return {
    id: `form-${first.id}-${second.id}`.slice(0, 40),
    name: $localize`${first.name} and ${second.name}`.slice(0, 60),
    kind: 'gang',
    stock,
    sheet,
    ...(bought ? { bought } : {}),
    press,
    // Unlike sections do not mirror, so one set of plates cannot carry both sides.
    workStyle: STYLE_RULES[workStyle].mirror === 'none' ? workStyle : 'sheetwise',
    front: inksOf(first.front, second.front),
    back: inksOf(first.back, second.back),
    carries: [first, second].map(({ id }) => ({ item: id, count: each })),
  };
}

/** A step that takes other materials in the place of those that are gone. */
const takingInstead = (step: Step, instead: ReadonlyMap<string, string>): Step =>
  step.from?.some(({ material }) => instead.has(material))
    ? { ...step, from: step.from.map((one) => ({ ...one, material: instead.get(one.material) ?? one.material })) }
    : step;

function withForm(job: Job, pair: readonly [Component, Component], each: number): Job {
  const form = formOf(...pair, each);
  const ids = pair.map(({ id }) => id);
  const own = (step: Step): boolean => step.component !== undefined && ids.includes(step.component);
  const printed = printSteps(form.id, form.workStyle);
  const last = printed.at(-1)?.id ?? '';
  const cut: Step = { id: `cut-${form.id}`, operation: 'cut', component: form.id, from: [{ material: last }] };
  const at = job.route.findIndex(own);
  // What took a sheet from the press room takes what is cut out of the form.
  const instead = new Map(
    job.route.flatMap((step) =>
      own(step) && isPressRoom(step) ? [[step.id, itemMaterial(step.component ?? '')] as const] : [],
    ),
  );
  const kept = job.route.filter(({ id }) => !instead.has(id)).map((step) => takingInstead(step, instead));
  const sections = job.components.map((one) => (ids.includes(one.id) ? { ...one, on: form.id } : one));
  return {
    ...job,
    components: [...sections, form],
    route: [...kept.slice(0, at), ...printed, cut, ...kept.slice(at)],
  };
}

/**
 * Puts two sections, or a section and a cover or endpaper, on one press sheet, each as often as both fit: printed and cut
 * together, then apart. The job as it is where not one of each fits. Source: handbook chapter 4 "Folded sections" (mixed
 * sections).
 */
export function shareSheet(job: Job, firstId: string, secondId: string, works: Works): Job {
  const first = job.components.find(({ id }) => id === firstId);
  const second = first && sharesWith(job, first).find(({ id }) => id === secondId);
  if (!first || !second) return job;
  let best = job;
  for (let each = 1; each <= MOST_EACH; each++) {
    const tried = withForm(job, [first, second], each);
    const form = tried.components.at(-1);
    const context = { job: tried, works, norms: normsOf(works, tried.norms), positions: sectionPositions(tried) };
    if (!form || !layComponent(form, '', context).layout) break;
    best = tried;
  }
  return best;
}

/** The sections of a form on sheets of their own, not yet cut where several lie on one. */
function ownSheets(job: Job, formId: string): Job {
  const form = job.components.find(({ id }) => id === formId);
  const sections = job.components.filter(({ on }) => on === formId);
  if (!form || sections.length === 0) return job;
  return {
    ...job,
    components: job.components
      .filter((one) => one !== form)
      .map((one) => {
        if (one.on !== formId) return one;
        const { on: _on, ...section } = one;
        return { ...section, workStyle: form.workStyle };
      }),
    route: job.route.flatMap((step): Step[] => {
      if (step.component === formId) return [];
      const taken = sections.filter(({ id }) => step.from?.some(({ material }) => material === itemMaterial(id)));
      const lanes = taken.map(({ id }) => ({ id, printed: printSteps(id, form.workStyle) }));
      const ends = lanes.map(({ id, printed }) => [itemMaterial(id), printed.at(-1)?.id ?? ''] as const);
      return [...lanes.flatMap(({ printed }) => printed), takingInstead(step, new Map(ends))];
    }),
  };
}

/** Gives what a form carries a press sheet each again, cut first where several lie on one. */
export function withOwnSheets(job: Job, formId: string, works: Works): Job {
  const apart = ownSheets(job, formId);
  const context = { job: apart, works, norms: normsOf(works, apart.norms), positions: sectionPositions(apart) };
  const carried = new Set(job.components.flatMap(({ id, on }) => (on === formId ? [id] : [])));
  return apart.components.reduce((cut, component) => {
    const { layout } = carried.has(component.id) ? layComponent(component, '', context) : {};
    return layout ? cutSheetFirst(cut, component.id, layout.pattern.count > 1) : cut;
  }, apart);
}

/** Everything on a press sheet of its own; the same job where none shares one. */
export const withAllOwnSheets = (job: Job, works: Works): Job =>
  [...new Set(job.components.flatMap(({ on }) => (on === undefined ? [] : [on])))].reduce(
    (apart, form) => withOwnSheets(apart, form, works),
    job,
  );

/**
 * Unlike sections put on forms two by two, each with the next section, cover or endpaper that it fits with; those that fit
 * with none stay alone.
 */
export const shareInPairs = (job: Job, works: Works): Job =>
  job.components
    .filter(({ kind }) => kind === 'section')
    .reduce((paired, { id }) => {
      const section = paired.components.find((one) => one.id === id);
      if (!section || section.on !== undefined) return paired;
      for (const other of sharesWith(paired, section)) {
        const shared = shareSheet(paired, id, other.id, works);
        if (shared !== paired) return shared;
      }
      return paired;
    }, job);
