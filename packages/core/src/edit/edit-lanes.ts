import { OPERATION_RULES } from '../route/index.js';
import { takenBy } from '../material/index.js';
import { type Job, type Step, partMaterial, type FieldPath } from '../job/index.js';
import { freeId, retake } from './edit-route.js';

const PLACES = 1e9;
const madeOf = ({ id, makes }: Step): readonly string[] => makes?.map(({ material }) => material) ?? [id];

/** Whether a station may run on two machines: it makes one thing of what comes, and a machine does it. */
export function maySplit(job: Job, stepId: string): boolean {
  const step = job.route.find(({ id }) => id === stepId);
  if (!step || step.makes || step.operation === 'print' || !step.from?.length) return false;
  const carries = job.components.find(({ id }) => id === step.component)?.carries;
  return carries === undefined && OPERATION_RULES[step.operation].process !== undefined;
}

/**
 * A station on two machines, each with its own set-up and half of the run to begin with: both take what came, and both
 * make one material. Nothing where it may not be split.
 * @param machine of the second; the same as the first's where absent. Source: handbook chapter 6, "a declared split".
 */
export function splitStation(job: Job, stepId: string, machine?: string): Job {
  if (!maySplit(job, stepId)) return job;
  const together = `${stepId}.both`;
  const half = [{ material: together, share: 0.5 }];
  return {
    ...job,
    route: job.route.flatMap((step): Step[] => {
      if (step.id !== stepId) return [retake(step, stepId, together)];
      const second: Step = { ...step, id: freeId(job, step.operation), makes: half };
      return [{ ...step, makes: half }, machine === undefined ? second : { ...second, machine }];
    }),
  };
}

/** Id of the first of two machines that a station runs on; undefined where it runs on one. */
export function splitOf(job: Job, stepId: string): string | undefined {
  const made = job.route.find(({ id }) => id === stepId)?.makes?.[0]?.material;
  return made?.endsWith('.both') ? made.slice(0, -'.both'.length) : undefined;
}

/** Puts a station that runs on two machines back onto one: the second goes. */
export function joinStation(job: Job, stepId: string): Job {
  const first = splitOf(job, stepId);
  if (first === undefined) return job;
  const together = `${first}.both`;
  return {
    ...job,
    route: job.route
      .filter(({ id, makes }) => id === first || makes?.[0]?.material !== together)
      .map((step): Step => {
        if (step.id !== first) return retake(step, together, first);
        const { makes: _makes, ...whole } = step;
        return whole;
      }),
  };
}

/** Where the share of one of two runs was set, the other makes what is left. */
export function wholeShares(job: Job, path: FieldPath): Job {
  const [list, at, makes, , field] = path;
  if (list !== 'route' || makes !== 'makes' || field !== 'share' || typeof at !== 'number') return job;
  const made = job.route[at]?.makes?.[0];
  const others = job.route.filter((step, i) => i !== at && step.makes?.[0]?.material === made?.material);
  if (made?.share === undefined || others.length !== 1 || !(made.share > 0 && made.share < 1)) return job;
  const rest = Math.round((1 - made.share) * PLACES) / PLACES;
  return {
    ...job,
    route: job.route.map((step) =>
      step === others[0] ? { ...step, makes: [{ material: made.material, share: rest }] } : step,
    ),
  };
}

/** What a station could take in: made, or bought, and taken by nobody. */
export function openEnds(job: Job, stepId: string): readonly { readonly material: string; readonly name: string }[] {
  const taken = new Set(job.route.flatMap((step) => takenBy(step).map(({ material }) => material)));
  const later = behind(job, stepId);
  const made = job.route
    .filter(({ id }) => id !== stepId && !later.has(id))
    .flatMap((step) => madeOf(step).map((material) => ({ material, name: nameOf(job, step) })));
  const parts = (job.parts ?? []).map(({ id, name }) => ({ material: partMaterial(id), name }));
  return [...made, ...parts].filter(({ material }) => !taken.has(material));
}

/** A station with its lane, for a menu. */
function nameOf({ components }: Job, { operation, component }: Step): string {
  const lane = components.find(({ id }) => id === component)?.name;
  const { name } = OPERATION_RULES[operation];
  return lane === undefined ? name : `${name}: ${lane}`;
}

/** Stations behind one, along the flow. */
function behind(job: Job, stepId: string): ReadonlySet<string> {
  const found = new Set<string>([stepId]);
  for (let before = -1; before !== found.size;) {
    before = found.size;
    const made = new Set(job.route.filter(({ id }) => found.has(id)).flatMap(madeOf));
    for (const step of job.route) if (takenBy(step).some(({ material }) => made.has(material))) found.add(step.id);
  }
  return found;
}

/** Joins a lane, or a bought part, to a station. Nothing where it could not be taken in there. */
export function takeIn(job: Job, stepId: string, material: string): Job {
  if (!openEnds(job, stepId).some((end) => end.material === material)) return job;
  return withStep(job, stepId, (step) => ({
    ...step,
    from: [
      ...takenBy(step).map(({ material: one, usage }) => (usage === 1 ? { material: one } : { material: one, usage })),
      { material },
    ],
  }));
}

/** What a station takes in, of several, by the names of who makes it. */
export function takings(job: Job, stepId: string): readonly { readonly material: string; readonly name: string }[] {
  const step = job.route.find(({ id }) => id === stepId);
  if (!step || (step.from?.length ?? 0) < 2) return [];
  return takenBy(step).map(({ material }) => {
    const maker = job.route.find((one) => madeOf(one).includes(material));
    const part = job.parts?.find(({ id }) => partMaterial(id) === material);
    return { material, name: maker ? nameOf(job, maker) : (part?.name ?? material) };
  });
}

/** Parts a lane, or a bought part, from a station that takes several. */
export function leaveOut(job: Job, stepId: string, material: string): Job {
  return withStep(job, stepId, (step) =>
    (step.from?.length ?? 0) > 1 ? { ...step, from: step.from?.filter((one) => one.material !== material) } : step,
  );
}

const withStep = (job: Job, stepId: string, change: (step: Step) => Step): Job => ({
  ...job,
  route: job.route.map((step) => (step.id === stepId ? change(step) : step)),
});
