import { group, valueAt } from '../kernel/index.js';
import type { Machine, Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { type Job, type Step, bookGlue, figureId } from '../job/index.js';
import { type ComponentLayout, machinesFor } from '../press-sheet/index.js';
import { inkOf, listCarriers, unitsOf } from '../prepress/index.js';
import { type Plan, type PlanStep, adhesiveAt, listPiles, plan } from '../plan/index.js';
import { checkRoute } from '../rules/index.js';
import { type FloorWants, wantsOf } from './wants.js';
import { BINDERS, BINDER_FORMAT, type Dress, type DressInk } from './change-over.js';

/** A station on one of the machines that can do it. Whole minutes. */
export interface FloorWay {
  readonly machine: string;
  readonly setUp: number;
  readonly run: number;
}

/** What a station waits for. */
export interface FloorLink {
  readonly step: string;
  /** Minutes that the material lies between, in closed hours too. */
  readonly lag: number;
  /** Piles that it comes in: the next station can begin with the first. */
  readonly piles: number;
}

/** A station of a released job as the schedule knows it. */
export interface FloorStep {
  readonly id: string;
  readonly name: string;
  readonly component: string;
  readonly after: readonly FloorLink[];
  /** Machines that can do it, the planned one first; none where nothing of the works is held: drying, outside work, what runs in line. */
  readonly ways: readonly FloorWay[];
  /** Minutes that pass where no machine is held. */
  readonly lies: number;
  readonly dress: Dress | undefined;
  /** Share of its run that is spoiled as a rule. */
  readonly spoils: number;
  readonly wants?: FloorWants | undefined;
}

/** What a station is called: with the part of the product that it works on. */
export const stationName = ({ name, component }: Pick<FloorStep, 'name' | 'component'>): string =>
  component === '' ? name : `${name}, ${component}`;

const minutes = (hours: number): number => Math.max(0, Math.ceil(hours * 60 - 1e-6));

/** Stations that hold no machine, or are done in line with another. */
const isHeld = ({ machine, hours }: PlanStep): boolean => machine !== null && hours > 0;

/** Set-up and run of a planned station, minutes; the binder's format is asked for by the schedule where it changes. */
function wayOf(planned: Plan, { id, machine, hours }: PlanStep, works: Works): FloorWay | undefined {
  if (machine === null) return undefined;
  const process = works.machines.find((one) => one.id === machine)?.process;
  const told = valueAt(planned, figureId.step(id, 'setupHours')) ?? 0;
  const format = process && BINDERS.includes(process) ? normsOf(works, {})(BINDER_FORMAT).value : 0;
  const setUp = Math.max(0, Math.min(told, hours) - format);
  return { machine, setUp: minutes(setUp), run: minutes(Math.max(0, hours - told)) };
}

/** Other machines that are tried for a station: each is planned in full. */
const MOST_OTHERS = 4;

/** The other machines of the works that can do a station of the route as well, with their times: what breaks no rule that the plan keeps. */
function otherWays(job: Job, works: Works, planned: Plan, step: Step, machine: string): FloorWay[] {
  const hard = (made: Plan, of: Job): number =>
    checkRoute(of, made, works).filter(({ weight }) => weight === 'hard').length;
  const others = machinesFor(job, works, step).filter(({ id, press, retired }) => id !== machine && !press && !retired);
  if (others.length === 0) return [];
  const broken = hard(planned, job);
  return others.slice(0, MOST_OTHERS).flatMap(({ id }) => {
    const moved: Job = { ...job, route: job.route.map((one) => (one.id === step.id ? { ...one, machine: id } : one)) };
    const made = plan(moved, works);
    const at = made.ok ? made.value.steps.find((one) => one.id === step.id) : undefined;
    return made.ok && at && isHeld(at) && hard(made.value, moved) <= broken ? (wayOf(made.value, at, works) ?? []) : [];
  });
}

/** Inks of a pass in their units. */
function inksOf(job: Job, works: Works, planned: Plan, step: Step): DressInk[] {
  const layout = step.component === undefined ? undefined : planned.layouts[step.component];
  if (step.operation !== 'print' || !layout) return [];
  const pass = unitsOf(job, works, layout.component, layout.machine).find(
    ({ side }) => side === (step.side ?? 'front'),
  );
  return (pass?.inks ?? []).flatMap(({ unit, name, kind }) => {
    const { aim } = inkOf(job, works, name);
    return unit === undefined ? [] : [{ unit, name, kind, ...(aim ? { aim } : {}) }];
  });
}

function dressOf(job: Job, works: Works, planned: Plan, step: Step, machine: Machine, tool: string): Dress {
  const layout = step.component === undefined ? undefined : planned.layouts[step.component];
  const state = planned.edges.find(({ to }) => to === step.id)?.state;
  const size =
    machine.press && layout
      ? [layout.sheet.widthMm, layout.sheet.heightMm]
      : [state?.widthMm ?? 0, state?.heightMm ?? 0];
  const [a = 0, b = 0] = size;
  const { scheme = '', folding } = layout?.component ?? {};
  return {
    process: machine.process,
    inks: inksOf(job, works, planned, step),
    sizeMm: [Math.max(a, b), Math.min(a, b)],
    stock: layout?.stock.id ?? '',
    caliperUm: state?.caliperUm ?? 0,
    fold: machine.process === 'folder' ? `${folding ? JSON.stringify(folding) : scheme}/${step.folds ?? ''}` : '',
    glue: glueOf(job, layout, machine),
    tool,
  };
}

/** Glue that a machine is filled with for a job. */
function glueOf(job: Job, layout: ComponentLayout | undefined, { process }: Machine): string {
  if (process === 'folder-gluer') return adhesiveAt(job, layout).adhesive;
  return BINDERS.includes(process) ? bookGlue(job.finish) : '';
}

/**
 * The stations of a planned job as the schedule knows them: minutes of set-up and run on every machine that can do them, what each waits for,
 * and what its machine is dressed with. Stations that nothing is left to do at are told by `done` and left out later.
 */
export function floorSteps(job: Job, works: Works, planned: Plan): FloorStep[] {
  const machines = new Map(works.machines.map((machine) => [machine.id, machine]));
  const dies = new Map<string, string[]>();
  const carriers = listCarriers(job, planned, works);
  const wants = wantsOf(job, planned, works, carriers);
  for (const { component, kind, key } of carriers) if (kind.endsWith('die')) group(dies, component, key);
  const piles = new Map<string, number>();
  for (const { state, of } of listPiles(job, planned)) piles.set(state, Math.max(piles.get(state) ?? 1, of));
  const feeds = new Map<string, Map<string, number>>();
  for (const { from, to } of planned.edges) {
    if (from === null || to === null) continue;
    const own = feeds.get(to) ?? new Map<string, number>();
    const step = planned.steps.find(({ id }) => id === to);
    own.set(from, minutes(step?.waitHours ?? 0));
    feeds.set(to, own);
  }
  return planned.steps.flatMap((at): FloorStep[] => {
    const step = job.route.find(({ id }) => id === at.id);
    if (!step) return [];
    const machine = at.machine === null ? undefined : machines.get(at.machine);
    const way = isHeld(at) ? wayOf(planned, at, works) : undefined;
    const cuts = machine?.process === 'die-cutter' || machine?.process === 'foil-press';
    const before = [...(feeds.get(at.id)?.keys() ?? [])];
    const isFirst = !before.some((id) => planned.steps.find((one) => one.id === id)?.component === at.component);
    const tool = cuts && step.component !== undefined ? (dies.get(step.component)?.join() ?? '') : '';
    return [
      {
        id: at.id,
        name: at.name,
        component: job.components.find(({ id }) => id === step.component)?.name ?? '',
        after: [...(feeds.get(at.id) ?? [])].map(([from, lag]) => ({
          step: from,
          lag,
          piles: piles.get(planned.steps.find(({ id }) => id === from)?.name ?? '') ?? 1,
        })),
        ways: way ? [way, ...otherWays(job, works, planned, step, way.machine)] : [],
        lies: minutes(at.lagHours),
        dress: way && machine ? dressOf(job, works, planned, step, machine, tool) : undefined,
        spoils: at.running,
        wants: wants(at, isFirst),
      },
    ];
  });
}
