import { STYLE_RULES, type WorkStyle } from '../press/index.js';
import type { Stock } from '../works/index.js';
import { type Component, type InkUse, type Job, type Step, isUnprinted } from '../job/index.js';

/** The print passes of a component in a work style, dried in between. Ids are stable: `print-map`, `print-map-2`. */
export function printSteps(component: string, style: WorkStyle): Step[] {
  const steps: Step[] = [];
  STYLE_RULES[style].passes.forEach((side, i) => {
    const before = steps.at(-1);
    steps.push({
      id: i === 0 ? `print-${component}` : `print-${component}-${i + 1}`,
      operation: 'print',
      component,
      side,
      ...(before ? { from: [{ material: before.id }] } : {}),
    });
    steps.push({
      id: i === 0 ? `dry-${component}` : `dry-${component}-${i + 1}`,
      operation: 'dry',
      component,
      from: [{ material: steps.at(-1)?.id ?? '' }],
    });
  });
  return steps;
}

const patch = (job: Job, id: string, change: Partial<Component>): readonly Component[] =>
  job.components.map((component) => (component.id === id ? { ...component, ...change } : component));

/**
 * Changes a component's work style: its passes, and the drying between them, are set anew, and whatever took the last
 * sheet before takes it again. Passes that stay keep what was set for them. A style for one side drops the back.
 */
export function withWorkStyle(job: Job, componentId: string, style: WorkStyle): Job {
  const prints = job.route.filter(({ component, operation }) => component === componentId && operation === 'print');
  const component = job.components.find(({ id }) => id === componentId);
  // Boards and cloth are cut and not printed: a style is nothing to them.
  if (component && isUnprinted(component) && prints.length === 0) return job;
  // Drying that lies behind a pass of this press; what another station wants dry later stays where it is.
  const behind = ({ operation, from = [] }: Step): boolean =>
    operation === 'dry' && from.some(({ material }) => prints.some(({ id }) => id === material));
  const isPress = (step: Step): boolean => prints.includes(step) || behind(step);
  const old = job.route.filter(isPress);
  // A web dries in line: what had no drying before gets none.
  const dries = old.length === 0 || old.some(({ operation }) => operation === 'dry');
  const passes = printSteps(componentId, style).filter(({ operation }) => dries || operation === 'print');
  const anew = passes.map((step) => {
    const before = old.find(({ id }) => id === step.id);
    return before ? { ...before, ...step } : step;
  });
  const [oldLast, newLast] = [old.at(-1)?.id, anew.at(-1)?.id];
  const at = job.route.findIndex(isPress);
  const rest = job.route
    .filter((step) => !isPress(step))
    .map((step) =>
      newLast && step.from
        ? {
            ...step,
            from: step.from.map((from) => (from.material === oldLast ? { ...from, material: newLast } : from)),
          }
        : step,
    );
  const back = style === 'single' ? [] : component?.back.length ? component.back : (component?.front ?? []);
  return {
    ...job,
    components: patch(job, componentId, { workStyle: style, back }),
    route: [...rest.slice(0, Math.max(0, at)), ...anew, ...rest.slice(Math.max(0, at))],
  };
}

/** Prints an ink on sides of a component, or leaves it off them. */
export function withInk(
  job: Job,
  componentId: string,
  sides: readonly ('front' | 'back')[],
  name: string,
  prints: boolean,
): Job {
  const change = (component: Component): Component => {
    const side = (which: 'front' | 'back'): readonly InkUse[] => {
      const uses = component[which];
      if (!sides.includes(which)) return uses;
      if (!prints) return uses.filter((use) => use.name !== name);
      return uses.some((use) => use.name === name) ? uses : [...uses, { name }];
    };
    return { ...component, front: side('front'), back: side('back') };
  };
  return { ...job, components: job.components.map((one) => (one.id === componentId ? change(one) : one)) };
}

/** Gives components another trimmed size. */
export const withTrim = (
  job: Job,
  components: readonly string[],
  { widthMm, heightMm }: Pick<Component, 'widthMm' | 'heightMm'>,
): Job => ({
  ...job,
  components: job.components.map((one) => (components.includes(one.id) ? { ...one, widthMm, heightMm } : one)),
});

/**
 * Changes a component's paper; a sheet size that the new stock does not come in gives way to the first that it does, and
 * what the old one was cut from goes with it.
 */
export function withStock(job: Job, componentId: string, stock: Stock): Job {
  const component = job.components.find(({ id }) => id === componentId);
  const kept = stock.sheets.some(
    ({ widthMm, heightMm, grain }) =>
      widthMm === component?.sheet.widthMm && heightMm === component.sheet.heightMm && grain === component.sheet.grain,
  );
  const [first] = stock.sheets;
  const change = (old: Component): Component => {
    if (kept || !first) return { ...old, stock: stock.id };
    const { bought: _bought, ...rest } = old;
    return { ...rest, stock: stock.id, sheet: first };
  };
  return { ...job, components: job.components.map((other) => (other.id === componentId ? change(other) : other)) };
}

/** A section's way from paper to folded section: printed, cut apart where several lie on a sheet, folded. */
export function sectionLane(component: Component, severalUp: boolean): Step[] {
  const steps = printSteps(component.id, component.workStyle);
  const add = (id: string, operation: Step['operation']) =>
    steps.push({ id, operation, component: component.id, from: [{ material: steps.at(-1)?.id ?? '' }] });
  if (severalUp) add(`cut-${component.id}`, 'cut');
  add(`fold-${component.id}`, 'fold');
  return steps;
}

/**
 * Puts a cut before the fold of a section whose sheet holds several, and takes it out where it holds one. Flat pieces
 * and covers are always cut. The other steps stay as they are.
 */
export function cutSheetFirst(job: Job, componentId: string, severalUp: boolean): Job {
  const component = job.components.find(({ id }) => id === componentId);
  const own = job.route.filter((step) => step.component === componentId);
  const fold = own.find(({ operation }) => operation === 'fold');
  const cut = own.find(({ operation }) => operation === 'cut');
  if (component?.kind !== 'section' || !fold || (cut !== undefined) === severalUp) return job;
  if (cut) {
    const before = cut.from ?? [];
    return {
      ...job,
      route: job.route
        .filter((step) => step !== cut)
        .map((step) => (step.from?.some(({ material }) => material === cut.id) ? { ...step, from: before } : step)),
    };
  }
  const made: Step = {
    id: `cut-${componentId}`,
    operation: 'cut',
    component: componentId,
    ...(fold.from ? { from: fold.from } : {}),
  };
  return {
    ...job,
    route: job.route.flatMap((step) => (step === fold ? [made, { ...fold, from: [{ material: made.id }] }] : [step])),
  };
}
