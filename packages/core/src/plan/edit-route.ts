import { OPERATION_RULES, type Operation } from '../route/index.js';
import type { Job, Step } from './job.js';

/** Stations that take one thing and give one, so that they can be put in and taken out of a lane as they are. */
const PLAIN_OPERATIONS: readonly Operation[] = [
  'dry',
  'coat',
  'score',
  'rewind',
  'band',
  'inspect',
  'hand',
  'outside',
  'box',
];

const isPlain = ({ operation, makes, from }: Step): boolean =>
  PLAIN_OPERATIONS.includes(operation) && makes === undefined && (from?.length ?? 0) <= 1;

/** Whether a station may be put behind this one: it makes one thing, no items of a form that is cut apart here. */
export function mayInsertAfter({ components, route }: Job, stepId: string): boolean {
  const step = route.find(({ id }) => id === stepId);
  if (!step) return false;
  if (step.makes) return step.makes.length === 1;
  const carries = components.find(({ id }) => id === step.component)?.carries;
  return carries === undefined || route.some(({ from }) => from?.some(({ material }) => material === stepId));
}

/** Puts a station behind another: what took the other's material takes the new one's. Nothing where none may stand there. */
export function insertAfter(job: Job, stepId: string, operation: Operation): Job {
  const at = job.route.findIndex(({ id }) => id === stepId);
  const before = job.route[at];
  if (!before || !mayInsertAfter(job, stepId) || !PLAIN_OPERATIONS.includes(operation)) return job;
  const material = before.makes?.[0]?.material ?? before.id;
  const taken = new Set(job.route.map(({ id }) => id));
  let id: string = operation;
  for (let n = 2; taken.has(id); n++) id = `${operation}-${n}`;
  const added: Step = {
    id,
    operation,
    ...(before.component === undefined ? {} : { component: before.component }),
    from: [{ material }],
  };
  const rerouted = job.route.map((step) =>
    step.from?.some((input) => input.material === material)
      ? { ...step, from: step.from.map((input) => (input.material === material ? { ...input, material: id } : input)) }
      : step,
  );
  return { ...job, route: [...rerouted.slice(0, at + 1), added, ...rerouted.slice(at + 1)] };
}

/** Whether a station can be taken out without parting the route. */
export function mayRemove(job: Job, stepId: string): boolean {
  const step = job.route.find(({ id }) => id === stepId);
  return step?.from?.length === 1 && isPlain(step);
}

/** Takes a station out: what it took goes on to what followed. Nothing where it cannot be spared. */
export function removeStep(job: Job, stepId: string): Job {
  const step = job.route.find(({ id }) => id === stepId);
  const [input] = step?.from ?? [];
  if (!step || !input || !mayRemove(job, stepId)) return job;
  const usage = (a = 1, b = 1): { usage?: number } => (a * b === 1 ? {} : { usage: a * b });
  return {
    ...job,
    route: job.route
      .filter(({ id }) => id !== stepId)
      .map((other): Step => {
        const { setupFrom, ...rest } = other;
        const kept = setupFrom === undefined || setupFrom === stepId ? rest : other;
        return kept.from?.some(({ material }) => material === stepId)
          ? {
              ...kept,
              from: kept.from.map((from) =>
                from.material === stepId ? { material: input.material, ...usage(from.usage, input.usage) } : from,
              ),
            }
          : kept;
      }),
  };
}

/** Names of the stations that may be put in. */
export const plainOperations = (): readonly { readonly id: Operation; readonly name: string }[] =>
  PLAIN_OPERATIONS.map((id) => ({ id, name: OPERATION_RULES[id].name }));
