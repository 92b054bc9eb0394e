import { type Entry, type Rule, rule, table, group } from '../../kernel/index.js';
import type { Prepared, Run } from '../prepared.js';
import type { StationTime } from './step-time.js';

/** A step on the way: what feeds it, where it runs, and what comes after it. */
interface Stop {
  readonly at: number;
  readonly id: string;
  readonly feeds: readonly string[];
  readonly after: Stop[];
  /** Machine that does one thing after another, and is not a press in line; people at the hand bench are as many as are wanted. */
  readonly machine: string | undefined;
  readonly waitHours: number;
  /** How it is through where its machine was free, and where it had to wait for it. */
  readonly rule: Rule;
  readonly ruleAfter: Rule;
}

const maxOf = (names: readonly string[]): string =>
  names.length === 0 ? '0' : names.length === 1 ? names.join() : `max(${names.join(', ')})`;

/** Done after what feeds it, what it waits for, what its machine does before, and its own time. */
function leadRule(feeds: number, waits: boolean, isBusy: boolean, works: boolean): Rule {
  const names = Array.from({ length: feeds }, (_, i) => `before${i + 1}`);
  const there = `${maxOf(names)}${waits ? ' + wait' : ''}`;
  return rule($localize`Done after`, 'h', `${isBusy ? `max(${there}, free)` : there}${works ? ' + own' : ''}`);
}

/** Steps of a route with what feeds them: what two runs or two machines make together is there when the later one is through. */
function stopsOf({ job, route, machines, ledger }: Prepared, times: ReadonlyMap<string, StationTime>): Stop[] {
  const makers = new Map<string, string[]>();
  for (const { id, outputs } of route.steps)
    for (const { material } of outputs) {
      group(makers, material, id);
    }
  const inputs = new Map(route.steps.map((step) => [step.id, step.inputs]));
  const stops = job.route.map(({ id }, at): Stop => {
    const feeds = [...new Set((inputs.get(id) ?? []).flatMap(({ material }) => makers.get(material) ?? []))];
    const machine = machines.get(id);
    const time = times.get(id);
    const busy = machine && machine.process !== 'hand' && time?.hours !== undefined;
    const own = ledger.step(id);
    const waits = own.find('wait') !== undefined;
    const works = time?.hours !== undefined || own.find('hours') !== undefined || own.find('lag') !== undefined;
    return {
      at,
      id,
      feeds,
      after: [],
      machine: busy ? machine.id : undefined,
      waitHours: time?.waitHours ?? 0,
      rule: leadRule(feeds.length, waits, false, works),
      ruleAfter: leadRule(feeds.length, waits, true, works),
    };
  });
  const byId = new Map(stops.map((stop) => [stop.id, stop]));
  for (const stop of stops) for (const feed of stop.feeds) byId.get(feed)?.after.push(stop);
  return stops;
}

type Done = ReadonlyMap<string, Entry>;

/** When a step could begin. */
function startOf({ feeds, machine, waitHours }: Stop, done: Done, free: Done): number {
  let there = 0;
  for (const feed of feeds) there = Math.max(there, done.get(feed)?.value ?? 0);
  const busy = machine === undefined ? undefined : free.get(machine);
  return Math.max(there + waitHours, busy?.value ?? 0);
}

/** Of what could begin, the step that can begin first, in the order of the route. */
function firstOf(ready: readonly Stop[], done: Done, free: Done): Stop | undefined {
  let next: Stop | undefined;
  let first = Infinity;
  for (const one of ready) {
    const start = startOf(one, done, free);
    if (start > first || (start === first && next && one.at > next.at)) continue;
    [next, first] = [one, start];
  }
  return next;
}

/**
 * Hours of the longest way from paper to the end of each step, as figures; returns the longest of all. A machine does one
 * thing after another, what can begin first goes first. Source: identity.
 */
export function prepareLead(context: Prepared, times: ReadonlyMap<string, StationTime>): (run: Run) => number {
  const stops = stopsOf(context, times);
  const ends = stops.filter(({ after }) => after.length === 0);
  const longest: Rule = rule($localize`First sheet to last box`, 'h', maxOf(ends.map((_, i) => `end${i + 1}`)));
  return (run) => {
    const done = new Map<string, Entry>();
    const free = new Map<string, Entry>();
    const open = new Map(stops.map((stop) => [stop, stop.feeds.length]));
    const ready = stops.filter(({ feeds }) => feeds.length === 0);
    for (let next = firstOf(ready, done, free); next; next = firstOf(ready, done, free)) {
      ready.splice(ready.indexOf(next), 1);
      const { machine } = next;
      const end = writeLead(run, next, done, machine === undefined ? undefined : free.get(machine));
      done.set(next.id, end);
      if (machine !== undefined) free.set(machine, end);
      for (const after of next.after) {
        const left = (open.get(after) ?? 0) - 1;
        open.set(after, left);
        if (left === 0) ready.push(after);
      }
    }
    if (stops.length === 0) return 0;
    const inputs = table(ends.map(({ id }, i) => [`end${i + 1}`, run.ledger.step(id).of('lead')]));
    return run.ledger.group('total').reckon('leadHours', longest, inputs).value;
  };
}

/** When a step is through: after what it takes, what its machine does before, and what it waits for. */
function writeLead({ ledger }: Run, { id, feeds, rule, ruleAfter }: Stop, done: Done, free: Entry | undefined): Entry {
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
  return at.reckon('lead', free ? ruleAfter : rule, inputs);
}
