import { type Entry, type Rule, rule, table } from '../kernel/index.js';
import { type StepTime, type TimeContext, NO_TIME } from './step-time.js';

/** When a step or its machine is done: the figure that says so. */
type Done = Entry;

/** A step on the way: what feeds it, where it runs, and how many of its makers are not through yet. */
interface Waiting {
  readonly at: number;
  readonly id: string;
  readonly feeds: readonly string[];
  /** Machine that does one thing after another; people at the hand bench are as many as are wanted. */
  readonly machine: string | undefined;
  readonly time: StepTime;
  open: number;
}

/** Steps of a route with what feeds them: what two runs or two machines make together is there when the later one is through. */
function waitingSteps({ job, flow, machines }: TimeContext, times: ReadonlyMap<string, StepTime>): Waiting[] {
  const makers = new Map<string, string[]>();
  for (const { step } of flow.steps)
    for (const { material } of step.outputs) {
      const before = makers.get(material);
      if (before) before.push(step.id);
      else makers.set(material, [step.id]);
    }
  return job.route.map(({ id }, at) => {
    const inputs = flow.byId.get(id)?.step.inputs ?? [];
    const feeds = [...new Set(inputs.flatMap(({ material }) => makers.get(material) ?? []))];
    const machine = machines.get(id);
    const time = times.get(id) ?? NO_TIME;
    const busy = machine && machine.process !== 'hand' && time.hours > 0;
    return { at, id, feeds, machine: busy ? machine.id : undefined, time, open: feeds.length };
  });
}

/** When a step could begin. */
function startOf({ feeds, machine, time }: Waiting, done: ReadonlyMap<string, Done>, free: ReadonlyMap<string, Done>) {
  let there = 0;
  for (const feed of feeds) there = Math.max(there, done.get(feed)?.value ?? 0);
  const busy = machine === undefined ? undefined : free.get(machine);
  return Math.max(there + time.waitHours, busy?.value ?? 0);
}

/**
 * Hours of the longest way from paper to the end of each step, as figures; returns the longest of all. A machine does one
 * thing after another: of what could begin, the step goes first that can begin first, in the order of the route.
 * Source: identity.
 */
export function leadFigures(context: TimeContext, times: ReadonlyMap<string, StepTime>): number {
  const { ledger, job, flow } = context;
  const done = new Map<string, Done>();
  const free = new Map<string, Done>();
  const steps = waitingSteps(context, times);
  const behind = new Map<string, Waiting[]>();
  for (const step of steps)
    for (const feed of step.feeds) {
      const before = behind.get(feed);
      if (before) before.push(step);
      else behind.set(feed, [step]);
    }
  const ready = steps.filter(({ open }) => open === 0);
  while (ready.length > 0) {
    let next: Waiting | undefined;
    let first = Infinity;
    for (const one of ready) {
      const start = startOf(one, done, free);
      if (start > first || (start === first && next && one.at > next.at)) continue;
      [next, first] = [one, start];
    }
    if (!next) break;
    ready.splice(ready.indexOf(next), 1);
    const end = writeLead(context, next, done, next.machine === undefined ? undefined : free.get(next.machine));
    done.set(next.id, end);
    if (next.machine !== undefined) free.set(next.machine, end);
    for (const after of behind.get(next.id) ?? []) if (--after.open === 0) ready.push(after);
  }
  if (job.route.length === 0) return 0;
  const ends = flow.steps
    .filter(({ downstream }) => downstream.consumers.length === 0)
    .map(({ step }) => ledger.step(step.id).of('lead'));
  const inputs = table(ends.map((end, i) => [`end${i + 1}`, end]));
  const longest = rule('First sheet to last box', 'h', maxOf(Object.keys(inputs)));
  return ledger.group('total').reckon('leadHours', longest, inputs).value;
}

const maxOf = (names: readonly string[]): string =>
  names.length === 0 ? '0' : names.length === 1 ? names.join() : `max(${names.join(', ')})`;

/** Done after what feeds it, what it waits for, what its machine does before, and its own time. */
function leadRule(feeds: number, waits: boolean, isBusy: boolean, works: boolean): Rule {
  const names = Array.from({ length: feeds }, (_, i) => `before${i + 1}`);
  const there = `${maxOf(names)}${waits ? ' + wait' : ''}`;
  return rule('Done after', 'h', `${isBusy ? `max(${there}, free)` : there}${works ? ' + own' : ''}` as string);
}

/** When a step is through: after what it takes, what its machine does before, and what it waits for. */
function writeLead(
  { ledger }: TimeContext,
  { id, feeds }: Waiting,
  done: ReadonlyMap<string, Done>,
  free: Done | undefined,
): Done {
  const at = ledger.step(id);
  const inputs = table<Entry>();
  let n = 0;
  for (const feed of feeds) {
    const before = done.get(feed);
    if (before) inputs[`before${++n}`] = before;
  }
  const wait = at.find('wait');
  const own = at.find('hours') ?? at.find('lag');
  if (wait) inputs['wait'] = wait;
  if (free) inputs['free'] = free;
  if (own) inputs['own'] = own;
  return at.reckon('lead', leadRule(n, wait !== undefined, free !== undefined, own !== undefined), inputs);
}
