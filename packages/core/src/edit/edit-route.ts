import { OPERATIONS, OPERATION_RULES, type Operation } from '../route/index.js';
import type { Job, Step } from '../job/index.js';

/** Stations that join, part or print, and so stand where the job's parts put them. */
const FIXED: readonly Operation[] = [
  'print',
  'glue',
  'envelope',
  'fold',
  'gather',
  'stitch',
  'bind',
  'case',
  'case-in',
];

/** Takes one thing and gives one under its own id, so that it can be moved along its lane. */
const isPlain = ({ makes, from }: Step): boolean =>
  makes === undefined && from?.length === 1 && from[0]?.usage === undefined;

/** Stations that can be put in by themselves. */
const INSERTED: readonly Operation[] = OPERATIONS.filter((operation) => !FIXED.includes(operation));

/** Whether a station may be put behind this one: it makes one thing, no items of a form that is cut apart here. */
export function mayInsertAfter({ components, route }: Job, stepId: string): boolean {
  const step = route.find(({ id }) => id === stepId);
  if (!step) return false;
  if (step.makes) return step.makes.length === 1;
  const carries = components.find(({ id }) => id === step.component)?.carries;
  return carries === undefined || route.some(({ from }) => from?.some(({ material }) => material === stepId));
}

/** An id that no step has: the operation's, with a number where it is taken. */
export function freeId({ route }: Job, operation: Operation): string {
  const taken = new Set(route.map(({ id }) => id));
  let id: string = operation;
  for (let n = 2; taken.has(id); n++) id = `${operation}-${n}`;
  return id;
}

/** The step with one of its materials changed for another. */
export const retake = (step: Step, old: string, next: string): Step =>
  step.from?.some(({ material }) => material === old)
    ? { ...step, from: step.from.map((from) => (from.material === old ? { ...from, material: next } : from)) }
    : step;

/** Puts a station behind another: what took the other's material takes the new one's. Nothing where none may stand there. */
export function insertAfter(job: Job, stepId: string, operation: Operation): Job {
  const at = job.route.findIndex(({ id }) => id === stepId);
  const before = job.route[at];
  if (!before || !mayInsertAfter(job, stepId) || !INSERTED.includes(operation)) return job;
  const material = before.makes?.[0]?.material ?? before.id;
  const id = freeId(job, operation);
  const added: Step = {
    id,
    operation,
    ...(before.component === undefined ? {} : { component: before.component }),
    from: [{ material }],
  };
  const rerouted = job.route.map((step) => retake(step, material, id));
  return { ...job, route: [...rerouted.slice(0, at + 1), added, ...rerouted.slice(at + 1)] };
}

/** Puts a station on a step's first way in, in that step's lane; before both machines of a station that runs on two. */
export function insertBefore(job: Job, stepId: string, operation: Operation): Job {
  const at = job.route.findIndex(({ id }) => id === stepId);
  const step = job.route[at];
  if (!step) return job;
  const id = freeId(job, operation);
  const [first, ...others] = step.from ?? [];
  const added: Step = {
    id,
    operation,
    ...(step.component === undefined ? {} : { component: step.component }),
    ...(first ? { from: [{ material: first.material }] } : {}),
  };
  const taking: Step = { ...step, from: [{ ...first, material: id }, ...others] };
  // The other machine of a station that runs on two takes what the first takes.
  const together = step.makes?.[0]?.material;
  const also = (one: Step): Step =>
    first && together !== undefined && one.makes?.[0]?.material === together ? retake(one, first.material, id) : one;
  const [before, behind] = [job.route.slice(0, at), job.route.slice(at + 1)];
  return { ...job, route: [...before.map(also), added, taking, ...behind.map(also)] };
}

/** Whether a station can be taken out without parting the route. */
export function mayRemove(job: Job, stepId: string): boolean {
  const step = job.route.find(({ id }) => id === stepId);
  return step !== undefined && isPlain(step) && INSERTED.includes(step.operation) && !parts(job, step);
}

/** Whether the piece is parted from its sheet here, so that everything behind counts pieces. */
const parts = ({ components }: Job, { operation, component }: Step): boolean => {
  const kind = components.find(({ id }) => id === component)?.kind;
  return operation === (kind === 'blank' ? 'die-cut' : 'cut') && kind !== 'section';
};

/** Takes a station out: what it took goes on to what followed. Nothing where it cannot be spared. */
export function removeStep(job: Job, stepId: string): Job {
  return mayRemove(job, stepId) ? takeOut(job, stepId) : job;
}

function takeOut(job: Job, stepId: string): Job {
  const step = job.route.find(({ id }) => id === stepId);
  const [input] = step?.from ?? [];
  if (!input) return job;
  return {
    ...job,
    route: job.route
      .filter(({ id }) => id !== stepId)
      .map((other): Step => {
        const { setupFrom, ...rest } = other;
        return retake(setupFrom === stepId ? rest : other, stepId, input.material);
      }),
  };
}

/** Whether a station may be moved along its lane to stand before another one. */
export function mayMoveBefore(job: Job, stepId: string, targetId: string): boolean {
  const [step, target] = [stepId, targetId].map((wanted) => job.route.find(({ id }) => id === wanted));
  if (!step || !target || stepId === targetId || step.operation === 'print') return false;
  return (
    isPlain(step) &&
    step.component === target.component &&
    target.from?.some(({ material }) => material !== stepId) === true
  );
}

/** Moves a station along its lane to stand before another one. Nothing where it may not. */
export function moveBefore(job: Job, stepId: string, targetId: string): Job {
  if (!mayMoveBefore(job, stepId, targetId)) return job;
  const step = job.route.find(({ id }) => id === stepId);
  const without = takeOut(job, stepId);
  const at = without.route.findIndex(({ id }) => id === targetId);
  const target = without.route[at];
  const [first, ...others] = target?.from ?? [];
  if (!step || !target || !first) return job;
  const moved: Step = { ...step, from: [{ material: first.material }] };
  const taking: Step = { ...target, from: [{ ...first, material: stepId }, ...others] };
  return { ...without, route: [...without.route.slice(0, at), moved, taking, ...without.route.slice(at + 1)] };
}

/** Where a station stands among those that it can change places with: the next one before, and behind, in its lane. */
export function neighboursOf(job: Job, stepId: string): { readonly before?: string; readonly behind?: string } {
  const step = job.route.find(({ id }) => id === stepId);
  const before = job.route.find(({ id }) => id === step?.from?.[0]?.material);
  const behind = job.route.find(({ from }) => from?.[0]?.material === stepId);
  return {
    ...(before && mayMoveBefore(job, stepId, before.id) ? { before: before.id } : {}),
    ...(behind && mayMoveBefore(job, behind.id, stepId) ? { behind: behind.id } : {}),
  };
}

/** Names of the stations that may be put in. */
export const plainOperations = (): readonly { readonly id: Operation; readonly name: string }[] =>
  INSERTED.map((id) => ({ id, name: OPERATION_RULES[id].name }));
