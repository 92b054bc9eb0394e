import { STYLE_RULES } from '../press/index.js';
import { type Works, normsOf } from '../works/index.js';
import { layComponent } from './component-layout.js';
import { cutSheetFirst, printSteps } from './edit-job.js';
import { type Component, type Job, type Step, itemMaterial } from './job.js';
import { sectionPositions } from './section-layout.js';

/** Most of each section that are tried on one form: more never fit a press sheet. */
const MOST_EACH = 32;

/** Sections that may lie on one form with this one: alike in size, paper and press, and on a sheet of their own. */
export const sharesWith = (job: Job, component: Component): readonly Component[] =>
  job.components.filter(
    (other) =>
      other.kind === 'section' &&
      other.id !== component.id &&
      other.on === undefined &&
      other.stock === component.stock &&
      other.press === component.press &&
      other.widthMm === component.widthMm &&
      other.heightMm === component.heightMm,
  );

function formOf(first: Component, second: Component, each: number): Component {
  const { front, back, stock, sheet, bought, press, workStyle } = first;
  return {
    id: `form-${first.id}-${second.id}`.slice(0, 40),
    name: `${first.name} and ${second.name}`.slice(0, 60),
    kind: 'gang',
    stock,
    sheet,
    ...(bought ? { bought } : {}),
    press,
    // Unlike sections do not mirror, so one set of plates cannot carry both sides.
    workStyle: STYLE_RULES[workStyle].mirror === 'none' ? workStyle : 'sheetwise',
    front,
    back,
    carries: [first, second].map(({ id }) => ({ item: id, count: each })),
  };
}

const isPressRoom = ({ operation }: Step): boolean => ['print', 'dry', 'cut'].includes(operation);

function withForm(job: Job, pair: readonly [Component, Component], each: number): Job {
  const form = formOf(...pair, each);
  const ids = pair.map(({ id }) => id);
  const own = (step: Step): boolean => step.component !== undefined && ids.includes(step.component);
  const printed = printSteps(form.id, form.workStyle);
  const last = printed.at(-1)?.id ?? '';
  const cut: Step = { id: `cut-${form.id}`, operation: 'cut', component: form.id, from: [{ material: last }] };
  const at = job.route.findIndex(own);
  const gone = new Set(job.route.filter((step) => own(step) && isPressRoom(step)).map(({ id }) => id));
  const kept = job.route.flatMap((step): Step[] => {
    if (gone.has(step.id)) return [];
    const begins = own(step) && (step.from ?? []).every(({ material }) => gone.has(material));
    return [begins ? { ...step, from: [{ material: itemMaterial(step.component ?? '') }] } : step];
  });
  const sections = job.components.map((one) => (ids.includes(one.id) ? { ...one, on: form.id } : one));
  return {
    ...job,
    components: [...sections, form],
    route: [...kept.slice(0, at), ...printed, cut, ...kept.slice(at)],
  };
}

/**
 * Puts two sections on one press sheet, each as often as both fit: printed and cut together, folded apart. The job as it
 * is where not one of each fits. Source: handbook chapter 4 "Folded sections" (mixed sections).
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
      const section = sections.find(({ id }) => step.from?.some(({ material }) => material === itemMaterial(id)));
      if (!section) return [step];
      const printed = printSteps(section.id, form.workStyle);
      return [...printed, { ...step, from: [{ material: printed.at(-1)?.id ?? '' }] }];
    }),
  };
}

/** Gives the sections of a form a press sheet each again, cut before the fold where several lie on one. */
export function withOwnSheets(job: Job, formId: string, works: Works): Job {
  const apart = ownSheets(job, formId);
  const context = { job: apart, works, norms: normsOf(works, apart.norms), positions: sectionPositions(apart) };
  return apart.components.reduce((cut, component) => {
    const { layout } =
      component.kind === 'section' && component.on === undefined ? layComponent(component, '', context) : {};
    return layout ? cutSheetFirst(cut, component.id, layout.pattern.count > 1) : cut;
  }, apart);
}

/** Every section on a press sheet of its own; the same job where none shares one. */
export const withAllOwnSheets = (job: Job, works: Works): Job =>
  [...new Set(job.components.flatMap(({ on }) => (on === undefined ? [] : [on])))].reduce(
    (apart, form) => withOwnSheets(apart, form, works),
    job,
  );

/** Unlike sections put on forms two by two, each with the next that it fits with; those that fit with none stay alone. */
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
