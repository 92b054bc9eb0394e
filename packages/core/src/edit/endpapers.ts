import { orderSections } from '../imposition/index.js';
import type { Job, Step } from '../job/index.js';
import { oddPlaceOf } from '../press-sheet/index.js';
import { freeId, retake } from './edit-route.js';

/** Sections that lie outermost at front and back of a gathered book. */
export function outermostSections(job: Job): readonly string[] {
  const sections = job.components.filter(({ kind, runOf }) => kind === 'section' && runOf === undefined);
  const order = orderSections(
    sections.map(({ pages = 0 }) => pages),
    oddPlaceOf(job),
  ).flatMap((i) => sections[i]?.id ?? []);
  return [...new Set([order[0], order.at(-1)].flatMap((id) => id ?? []))];
}

/** The route without its tipping stations: what took a section with its endpaper takes the section. */
function withoutTips(route: readonly Step[]): readonly Step[] {
  return route
    .filter(({ operation }) => operation === 'tip')
    .reduce<readonly Step[]>((left, tip) => {
      const section = tip.from?.[0]?.material;
      return section === undefined
        ? left
        : left.filter(({ id }) => id !== tip.id).map((step) => retake(step, tip.id, section));
    }, route);
}

/**
 * The job with its endpapers tipped to the sections that lie outermost at front and back, whatever its text is split into.
 * A single section takes both. @param endpaper what is tipped on. Source: handbook chapter 2, family 5.
 */
export function withEndpapers(job: Job, endpaper: string): Job {
  const tips = job.route.filter(({ operation }) => operation === 'tip');
  const bare: Job = { ...job, route: withoutTips(job.route) };
  const outer = outermostSections(job);
  const wanted = outer.length === 1 ? [...outer, ...outer] : outer;
  return wanted.reduce<Job>((made, component) => {
    const lane = made.route.filter((step) => step.component === component);
    const last = lane.at(-1);
    if (!last) return made;
    const like = tips.find((tip) => tip.component === component) ?? tips[0];
    const usual = `tip-${component}`;
    const id = made.route.some((step) => step.id === usual) ? freeId(made, 'tip') : usual;
    const tip: Step = {
      note: $localize`Endpaper to the fold.`,
      ...like,
      id,
      operation: 'tip',
      component,
      from: [{ material: last.id }, { material: endpaper }],
    };
    return {
      ...made,
      route: made.route.flatMap((step) => (step === last ? [step, tip] : [retake(step, last.id, id)])),
    };
  }, bare);
}

/** What a job tips to its sections; undefined where nothing is. */
export const endpaperOf = ({ route }: Job): string | undefined =>
  route.find(({ operation }) => operation === 'tip')?.from?.[1]?.material;
