import type { Component, Job, Step } from '../job/index.js';
import { cutSheetFirst, sectionLane, shareInPairs, withAllOwnSheets, withWorkStyle } from '../edit/index.js';
import { layComponent, sectionPositions } from '../press-sheet/index.js';
import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { type WayChoice, wayId } from './way.js';

/** The part of a job that ways are sought for: one component, or the whole text of a bound product. */
export type WayTarget = { readonly kind: 'component'; readonly id: string } | { readonly kind: 'text' };

/** The components of a target. */
export const targetComponents = (job: Job, target: WayTarget): readonly Component[] =>
  job.components.filter((component) =>
    target.kind === 'text' ? component.kind === 'section' : component.id === target.id,
  );

/** Zones belong to the press and sheet that they were reckoned for. */
const withoutZones = (inks: Component['front']): Component['front'] => inks.map(({ zones: _zones, ...ink }) => ink);

/**
 * A component as a choice has it. An arrangement chosen for another sheet falls away; a choice that is how the component
 * runs already leaves it alone.
 */
export function choose(component: Component, choice: WayChoice): Component {
  if (wayId(component) === wayId({ ...choice, sections: undefined, shared: undefined })) return component;
  const { press, stock, sheet, bought, workStyle } = choice;
  const { bought: _bought, unitsBefore: _before, marks: _marks, lay, ...kept } = component;
  const { arrangement: _arrangement, ...gaps } = lay ?? {};
  return {
    ...kept,
    front: withoutZones(kept.front),
    back: withoutZones(kept.back),
    press,
    stock,
    sheet,
    workStyle,
    ...(bought ? { bought } : {}),
    ...(Object.keys(gaps).length > 0 ? { lay: gaps } : {}),
  };
}

/** Sections of a text that is split anew, made after its first section. */
export function splitText(job: Job, choice: WayChoice): readonly Component[] {
  const [template] = targetComponents(job, { kind: 'text' });
  if (!template || !choice.sections) return [];
  const { scheme: _scheme, folding: _folding, ...like } = template;
  return choice.sections.map((pages, i) => ({
    ...choose(like, choice),
    id: `section-${i + 1}`,
    name: $localize`Section of ${pages} pages`,
    pages,
  }));
}

/** Steps that belong to the sections, and what takes the last of each. */
function withSections(job: Job, choice: WayChoice, up: ReadonlyMap<string, number>): Job {
  const old = targetComponents(job, { kind: 'text' });
  const isOld = (step: Step): boolean => old.some(({ id }) => id === step.component);
  const made = splitText(job, choice);
  const lanes = made.map((component) => sectionLane(component, (up.get(component.id) ?? 1) > 1));
  const oldIds = new Set(job.route.filter(isOld).map(({ id }) => id));
  let placed = false;
  const route = job.route
    .filter((step) => !isOld(step))
    .map((step): Step => {
      if (!step.from?.some(({ material }) => oldIds.has(material))) return step;
      const kept = step.from.filter(({ material }) => !oldIds.has(material));
      placed = true;
      return { ...step, from: [...lanes.map((lane) => ({ material: lane.at(-1)?.id ?? '' })), ...kept] };
    });
  if (!placed) return job;
  const at = job.components.findIndex(({ kind }) => kind === 'section');
  const others = job.components.filter(({ kind }) => kind !== 'section');
  return {
    ...job,
    components: [...others.slice(0, at), ...made, ...others.slice(at)],
    route: [...lanes.flat(), ...route],
  };
}

/**
 * The job's components and route for a way: press, paper, sheet and work style of the target, its passes set anew, sections split anew
 * where the choice says so, and a cut before the fold where several sections lie on a sheet.
 * @param up pieces on the press sheet by component id, as the way found them.
 */
function withLanes(job: Job, target: WayTarget, choice: WayChoice, up: ReadonlyMap<string, number>): Job {
  if (target.kind === 'text' && choice.sections) return withSections(job, choice, up);
  return targetComponents(job, target).reduce((changed, component) => {
    const styled = withWorkStyle(changed, component.id, choice.workStyle);
    const components = styled.components.map((other) =>
      other.id === component.id ? { ...choose(other, choice), back: other.back } : other,
    );
    return cutSheetFirst({ ...styled, components }, component.id, (up.get(component.id) ?? 1) > 1);
  }, job);
}

/**
 * The job run another way, laid out anew: what lies on each press sheet decides whether a cut stands before a fold.
 * Sections that share forms get sheets of their own first, and share them again where the choice says so. Undone like any edit, since it is a new job. Issues are those of planning it.
 */
export function withWay(told: Job, target: WayTarget, choice: WayChoice, works: Works): Job {
  const job = target.kind === 'text' ? withAllOwnSheets(told, works) : told;
  const plain = withLanes(job, target, choice, new Map());
  const context = { job: plain, works, norms: normsOf(works, plain.norms), positions: sectionPositions(plain) };
  const up = new Map(
    plain.components.map((component) => {
      const { layout } = layComponent(component, '', context);
      return [component.id, layout?.pattern.count ?? 1] as const;
    }),
  );
  const laid = withLanes(job, target, choice, up);
  return choice.shared ? shareInPairs(laid, works) : laid;
}
