import { type Component, type Job, type Step, paperOf } from '../job/index.js';
import { printSteps } from './edit-job.js';

const isPress = ({ operation }: Step): boolean => operation === 'print' || operation === 'dry';
const PLACES = 1e9;

/** Whether a component may be printed in two runs: one that stands alone on its sheet, and is no second run itself. */
export const mayRunTwice = ({ on, runOf, carries }: Component): boolean =>
  on === undefined && runOf === undefined && carries === undefined;

/**
 * Prints a component in two runs, on two presses or two days: a component of its own for the second, with its own set-ups;
 * both make one material, in the shares given. Nothing where the component does not run plainly from paper through the press.
 * @param share of the first run, above 0 and below 1. Source: handbook chapter 6, "a declared split".
 */
export function splitRun(job: Job, componentId: string, share: number): Job {
  const at = job.components.findIndex(({ id }) => id === componentId);
  const component = job.components[at];
  const passes = job.route.filter((step) => step.component === componentId && isPress(step));
  const last = passes.at(-1);
  const again = `${componentId}-run2`;
  if (!component || !last || !mayRunTwice(component)) return job;
  if (passes.some(({ makes }) => makes) || job.components.some(({ id }) => id === again)) return job;
  const together = `${componentId}.runs`;
  const second: Component = {
    ...component,
    id: again,
    name: $localize`${component.name}, second run`,
    runOf: componentId,
  };
  const rest = Math.round((1 - share) * PLACES) / PLACES;
  // Set for the first run, set for the second: the station is the same.
  const named = printSteps(again, component.workStyle).filter((step) =>
    passes.some(({ operation }) => operation === step.operation),
  );
  const own = named.map((step, i): Step => {
    const { from: _from, ...set } = passes[i] ?? step;
    return { ...set, ...step };
  });
  const ownLast = own.at(-1);
  const route = job.route.flatMap((step): Step[] => {
    const from = step.from?.map((input) => (input.material === last.id ? { ...input, material: together } : input));
    const moved = from ? { ...step, from } : step;
    if (step !== last) return [moved];
    return [
      { ...moved, makes: [{ material: together, share }] },
      ...own.map((run) => (run === ownLast ? { ...run, makes: [{ material: together, share: rest }] } : run)),
    ];
  });
  return { ...job, components: [...job.components.slice(0, at + 1), second, ...job.components.slice(at + 1)], route };
}

/** Puts a split run back together: the second run goes, the first makes all. */
export function joinRuns(job: Job, componentId: string): Job {
  const second = job.components.find(({ runOf }) => runOf === componentId);
  if (!second) return job;
  const together = `${componentId}.runs`;
  const last = job.route.find(
    ({ component, makes }) => component === componentId && makes?.some(({ material }) => material === together),
  );
  if (!last) return job;
  const route = job.route
    .filter(({ component }) => component !== second.id)
    .map((step): Step => {
      const { makes: _makes, ...whole } = step;
      if (step === last) return whole;
      return step.from
        ? { ...step, from: step.from.map((i) => (i.material === together ? { ...i, material: last.id } : i)) }
        : step;
    });
  return { ...job, components: job.components.filter((component) => component !== second), route };
}

/**
 * A job for more of one component, when its run came out short: its own lane from paper to where it joins the others.
 * @param quantity pieces wanted, 1 or more.
 */
export function reprintOf(job: Job, componentId: string, quantity: number): Job {
  const component = job.components.find(({ id }) => id === componentId);
  if (!component) return job;
  const { pages: _pages, items: _items, due: _due, ...rest } = job;
  const { runOf: _runOf, ...own } = component;
  const inLane = new Set([paperOf(componentId)]);
  const route = job.route.filter((step) => {
    const inputs = step.from ?? [{ material: paperOf(componentId) }];
    const plain = step.component === componentId && inputs.every(({ material }) => inLane.has(material));
    if (plain) for (const { material } of step.makes ?? [{ material: step.id }]) inLane.add(material);
    return plain;
  });
  return {
    ...rest,
    title: $localize`${component.name} again, ${job.title}`,
    order: { quantity, plannedOvers: 0, policy: job.order.policy },
    components: [own],
    route: route.map(({ makes: _makes, ...step }) => step),
  };
}
