import { judgeTrial } from '../colour/index.js';
import { type Issue, error, valueAt } from '../kernel/index.js';
import { type Carrier, inkNames, inkOf, TEST_PLATE, listCarriers, wantsTrial } from '../prepress/index.js';
import type { Job } from '../job/index.js';
import type { Plan, PlanStep } from '../plan/index.js';
import type { Works } from '../works/index.js';
import { forecastCount } from './forecast.js';
import { type CarrierState, type RoomEvent, RELEASED } from './record.js';
import { type RoomState, NEW_CARRIER, trialAccepted } from './state.js';

/** A job in the press room: planned, with what has happened to it. */
export interface RoomContext {
  readonly job: Job;
  readonly plan: Plan;
  readonly works: Works;
  readonly state: RoomState;
}

const lifeOf = (state: RoomState, id: string) => state.carriers.get(id) ?? NEW_CARRIER;

/** What a carrier is called where it stands in the way. */
const labelOf = ({ ink, name, side, version }: Carrier): string =>
  [
    ink ?? name,
    ...(ink === undefined || side === undefined ? [] : [side]),
    ...(version === undefined ? [] : [version]),
  ].join(' ');

/** States that a carrier may come from, besides being let go, which it may from any but wanted. */
const BEFORE: Partial<Readonly<Record<CarrierState, readonly CarrierState[]>>> = {
  made: ['wanted'],
  'on-press': ['inspected', 'held'],
  held: ['on-press', 'inspected'],
};

/** A carrier's image comes from the artwork, which has to be approved first; dies and boxes are drawn, not printed. */
const fromArtwork = ({ ink }: Carrier): boolean => ink !== undefined;

function artworkGate({ state, job }: RoomContext, component: string): Issue[] {
  if (state.artwork.get(component)?.event.approved === true) return [];
  const name = job.components.find(({ id }) => id === component)?.name ?? component;
  return [error('room.artwork', 'component', { component: name })];
}

/** Where the works asks for a test plate, no other plate is made before it has been looked at. */
function testPlateGate({ job, plan, works, state }: RoomContext, { kind }: Carrier): Issue[] {
  const wanted = kind === 'plate' && listCarriers(job, plan, works).some(({ id }) => id === TEST_PLATE);
  return wanted && !['inspected', 'on-press', 'held'].includes(lifeOf(state, TEST_PLATE).state)
    ? [error('room.test-plate', 'state', {})]
    : [];
}

function carrierGate(context: RoomContext, event: Extract<RoomEvent, { kind: 'carrier' }>, carrier: Carrier): Issue[] {
  const { job, plan, works, state } = context;
  const now = lifeOf(state, carrier.id).state;
  const wrong = error('room.order', 'state', { carrier: labelOf(carrier), now, wanted: event.state });
  if (RELEASED.includes(event.state)) {
    if (now === 'wanted' || now === 'recycled' || now === 'destroyed' || now === event.state) return [wrong];
    const forecast = forecastCount(job, works, state);
    const run = forecast?.ok ? forecast.value : undefined;
    const reason = event.reason?.trim() ?? '';
    return run?.hold === false || reason !== ''
      ? []
      : [
          error('room.short', 'reason', {
            carrier: labelOf(carrier),
            count: run?.finished ? 'finished short' : 'not finished',
            expected: run?.expected ?? 0,
            wanted: valueAt(plan, 'order.target') ?? job.order.quantity,
          }),
        ];
  }
  if (!BEFORE[event.state]?.includes(now)) return [wrong];
  if (event.state !== 'made' || !fromArtwork(carrier)) return [];
  return [...testPlateGate(context, carrier), ...artworkGate(context, carrier.component)];
}

/** A trial out of tolerance is accepted only with a word on who takes it and why. */
function trialGate({
  ink,
  aim,
  measured,
  tolerance,
  accepted,
  note = '',
}: Extract<RoomEvent, { kind: 'trial' }>): Issue[] {
  const { difference, accepted: within } = judgeTrial(aim, measured, tolerance);
  if (!accepted || within || note.trim() !== '') return [];
  return [error('room.trial-off', 'note', { ink, difference: Math.round(difference * 100) / 100, tolerance })];
}

/** Carriers that a press step runs with. */
const carriersAt = (all: readonly Carrier[], { component, id, operation }: PlanStep, job: Job): Carrier[] => {
  const side = job.route.find((step) => step.id === id)?.side ?? 'front';
  return all.filter(
    (carrier) =>
      carrier.component === component &&
      carrier.step === (operation === 'overprint' ? id : undefined) &&
      carrier.ink !== undefined &&
      carrier.set === 1 &&
      (side === 'both' || carrier.side === 'both' || carrier.side === side),
  );
};

/** Inks of a press step that want an accepted trial. */
function inksAt({ job, works }: Pick<RoomContext, 'job' | 'works'>, { component, id }: PlanStep): string[] {
  const pass = job.route.find((step) => step.id === id);
  const of = job.components.find((one) => one.id === component);
  const side = pass?.side ?? 'front';
  const uses = pass?.inks ?? (side === 'both' ? [...(of?.front ?? []), ...(of?.back ?? [])] : (of?.[side] ?? []));
  return [...new Set(uses.map(({ name }) => name))].filter((name) => wantsTrial(inkOf(job, works, name)));
}

/** Whether a step is a pass through a press, which starts behind its gate: another press's where its inks are told. */
const isPass = (job: Job, { id, operation }: PlanStep): boolean =>
  operation === 'print' || (operation === 'overprint' && job.route.some((step) => step.id === id && step.inks?.length));

/** What a press start asks for: approved artwork of a component, accepted trials of inks, inspected carriers. */
export interface PressWants {
  readonly component: string;
  readonly inks: readonly string[];
  /** Ids. */
  readonly carriers: readonly string[];
}

/** What the gate of a step looks at; undefined where it is no pass through a press. @param all carriers of the job. */
export function pressWants(
  context: Pick<RoomContext, 'job' | 'works'>,
  step: PlanStep,
  all: readonly Carrier[],
): PressWants | undefined {
  if (!isPass(context.job, step)) return undefined;
  const carriers = carriersAt(all, step, context.job).map(({ id }) => id);
  return { component: step.component ?? '', inks: inksAt(context, step), carriers };
}

/** Whether a carrier may run: inspected, or on the press already. */
export const mayRun = (state: RoomState, carrier: string): boolean =>
  ['inspected', 'on-press'].includes(lifeOf(state, carrier).state);

/** What still stands before a press step may start: artwork, trials, inspected carriers. Source: handbook chapters 4 and 5. */
export function pressGate(context: RoomContext, step: PlanStep): Issue[] {
  const { job, plan, works, state } = context;
  const trials = inksAt(context, step)
    .filter((ink) => !trialAccepted(state, ink))
    .map((ink) => error('room.trial', 'step', { ink, step: step.name }));
  const bad = carriersAt(listCarriers(job, plan, works), step, job).filter(({ id }) => !mayRun(state, id));
  const [first] = bad;
  const inspection = first
    ? [error('room.not-inspected', 'step', { step: step.name, count: bad.length, carrier: labelOf(first) })]
    : [];
  return [...artworkGate(context, step.component ?? ''), ...trials, ...inspection];
}

/**
 * What keeps an event from being recorded, worst first. Issues: `room.*`.
 * Source: handbook chapters 4, 5 and 9: no carriers before the artwork is approved, no press start before accepted trials
 * and inspected carriers, no counting before the first good sheet is passed, no release while the count is not safe.
 */
export function refuse(context: RoomContext, event: RoomEvent): Issue[] {
  const { job, plan, works, state } = context;
  const unknown = (what: string, id: string): Issue[] => [error('room.unknown', what, { what, id })];
  switch (event.kind) {
    case 'artwork':
      return job.components.some(({ id }) => id === event.component) ? [] : unknown('component', event.component);
    case 'carrier': {
      const carrier = listCarriers(job, plan, works).find(({ id }) => id === event.carrier);
      return carrier ? carrierGate(context, event, carrier) : unknown('carrier', event.carrier);
    }
    case 'inspection': {
      if (!listCarriers(job, plan, works).some(({ id }) => id === event.carrier))
        return unknown('carrier', event.carrier);
      const now = lifeOf(state, event.carrier).state;
      return now === 'made' || now === 'inspected'
        ? []
        : [error('room.order', 'carrier', { carrier: event.carrier, now, wanted: 'inspected' })];
    }
    case 'trial':
      return inkNames(job).includes(event.ink) ? trialGate(event) : unknown('ink', event.ink);
    case 'ink': {
      if (!inkNames(job).includes(event.ink)) return unknown('ink', event.ink);
      const out = state.inkOut.get(event.ink) ?? 0;
      return event.move === 'returned' && event.kg > out + 1e-9
        ? [error('room.ink-balance', 'kg', { ink: event.ink, value: event.kg, out })]
        : [];
    }
    case 'take-back':
      return state.last?.id === event.record ? [] : [error('room.take-back', 'record', {})];
    default: {
      const step = plan.steps.find(({ id }) => id === event.step);
      if (!step) return unknown('step', event.step);
      if (event.kind === 'press-start')
        return isPass(job, step) ? pressGate(context, step) : unknown('press step', event.step);
      if (event.kind === 'reader-stop' || !isPass(job, step)) return [];
      if (!state.started.has(step.id)) return [error('room.not-started', 'step', { step: step.name })];
      return event.kind === 'count' && !state.firstSheets.has(step.id)
        ? [error('room.first-sheet', 'step', { step: step.name })]
        : [];
    }
  }
}
