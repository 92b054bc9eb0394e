import { table } from '../kernel/index.js';
import { type StepTime, type TimeContext, NO_TIME } from './step-time.js';

/** A step whose material is there: when it could begin, and what it would begin after. */
interface Ready {
  readonly id: string;
  readonly start: number;
  readonly before: readonly Done[];
  readonly free: Done | undefined;
}
interface Done {
  readonly hours: number;
  readonly id: string;
}

/**
 * Hours of the longest way from paper to the end of each step, as figures; returns the longest of all. A machine does one
 * thing after another: of what could begin, the step goes first that can begin first, in the order of the route. People at
 * the hand bench are as many as are wanted. Source: identity.
 */
export function leadFigures({ book, job, flow, machines }: TimeContext, steps: ReadonlyMap<string, StepTime>): number {
  const done = new Map<string, Done>();
  const free = new Map<string, Done>();
  // What two runs or two machines make together is there when the later one is through.
  const makers = new Map<string, string[]>();
  for (const { step } of flow.steps)
    for (const { material } of step.outputs) makers.set(material, [...(makers.get(material) ?? []), step.id]);
  const feeds = new Map(
    flow.steps.map(({ step }) => [
      step.id,
      [...new Set(step.inputs.flatMap(({ material }) => makers.get(material) ?? []))],
    ]),
  );
  const timeOf = (id: string): StepTime => steps.get(id) ?? NO_TIME;
  const benchOf = (id: string): string | undefined => {
    const machine = machines.get(id);
    return machine && machine.process !== 'hand' && timeOf(id).hours > 0 ? machine.id : undefined;
  };
  const readyNow = (id: string): Ready | undefined => {
    const before = (feeds.get(id) ?? []).map((maker) => done.get(maker));
    if (before.includes(undefined)) return undefined;
    const made = before.filter((one): one is Done => one !== undefined);
    const bench = benchOf(id);
    const busy = bench === undefined ? undefined : free.get(bench);
    const there = Math.max(0, ...made.map(({ hours }) => hours)) + timeOf(id).waitHours;
    return { id, start: Math.max(there, busy?.hours ?? 0), before: made, free: busy };
  };
  let open = job.route.map(({ id }) => id);
  while (open.length > 0) {
    const ready = open.flatMap((id) => readyNow(id) ?? []);
    const next = ready.reduce<Ready | undefined>(
      (first, one) => (!first || one.start < first.start ? one : first),
      undefined,
    );
    if (!next) break;
    const end = writeLead(book, next, timeOf(next.id));
    done.set(next.id, end);
    const bench = benchOf(next.id);
    if (bench !== undefined) free.set(bench, end);
    open = open.filter((id) => id !== next.id);
  }
  const ends = flow.steps
    .filter(({ downstream }) => downstream.consumers.length === 0)
    .map(({ step }) => `step.${step.id}.lead`);
  const inputs = table(ends.map((id, i) => [`end${i + 1}`, id]));
  const hours = Math.max(0, ...ends.map((id) => book.value(id)));
  if (job.route.length > 0)
    book.reckon(
      'total.leadHours',
      'First sheet to last box',
      hours,
      'h',
      ends.length === 1 ? 'end1' : `max(${Object.keys(inputs).join(', ')})`,
      inputs,
    );
  return hours;
}

/** When a step is through: after what it takes, what its machine does before, and what it waits for. */
function writeLead(book: TimeContext['book'], { id, start, before, free }: Ready, time: StepTime): Done {
  const step = `step.${id}`;
  const inputs = table<string>();
  before.forEach((one, i) => (inputs[`before${i + 1}`] = one.id));
  const names = Object.keys(inputs);
  const longest = names.length === 0 ? '0' : names.length === 1 ? names.join() : `max(${names.join(', ')})`;
  let formula = longest;
  if (book.figures[`${step}.wait`]) {
    inputs['wait'] = `${step}.wait`;
    formula = `${formula} + wait`;
  }
  if (free) {
    inputs['free'] = free.id;
    formula = `max(${formula}, free)`;
  }
  const own = book.figures[`${step}.hours`] ? `${step}.hours` : `${step}.lag`;
  if (book.figures[own]) {
    inputs['own'] = own;
    formula = `${formula} + own`;
  }
  const hours = start + time.hours + time.lagHours;
  return { hours, id: book.reckon(`${step}.lead`, 'Done after', hours, 'h', formula, inputs) };
}
