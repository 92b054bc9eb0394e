import { type AccountContext, accountOpen, isAccountEntry, pileGate, refuseAccount } from '../accountable/index.js';
import { judgeTrial } from '../colour/index.js';
import { ADDING, type StationEntry, NOTHING_YET, refuseEntry } from '../book/index.js';
import { type Issue, error } from '../kernel/index.js';
import { TEST_PLATE } from '../prepress/index.js';
import type { CardCarrier, CardStep, RoomCard } from './card.js';
import { forecastCounts } from './forecast.js';
import { type CarrierState, type RoomEntry, type RoomEvent, RELEASED } from './record.js';
import { type RoomState, NEW_CARRIER, trialAccepted } from './state.js';

/** A planned job in the press room, with what has happened to it. */
export interface RoomContext {
  readonly card: RoomCard;
  readonly state: RoomState;
  /** Who enters it, where two people are wanted. */
  readonly by?: string | undefined;
}

const lifeOf = (state: RoomState, id: string) => state.carriers.get(id) ?? NEW_CARRIER;

/** What a carrier is called where it stands in the way. */
const labelOf = ({ ink, name, side, version }: CardCarrier): string =>
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
const fromArtwork = ({ ink }: CardCarrier): boolean => ink !== undefined;

function artworkGate({ state, card }: RoomContext, component: string): Issue[] {
  if (state.artwork.get(component)?.event.approved === true) return [];
  const name = card.components.find(({ id }) => id === component)?.name ?? component;
  return [error('room.artwork', 'component', { component: name })];
}

/** Where the works asks for a test plate, no other plate is made before it has been looked at. */
function testPlateGate({ card, state }: RoomContext, { kind }: CardCarrier): Issue[] {
  const wanted = kind === 'plate' && card.carriers.some(({ id }) => id === TEST_PLATE);
  return wanted && !['inspected', 'on-press', 'held'].includes(lifeOf(state, TEST_PLATE).state)
    ? [error('room.test-plate', 'state', {})]
    : [];
}

function carrierGate(
  context: RoomContext,
  event: Extract<RoomEvent, { kind: 'carrier' }>,
  carrier: CardCarrier,
): Issue[] {
  const { card, state } = context;
  const now = lifeOf(state, carrier.id).state;
  const wrong = error('room.order', 'state', { carrier: labelOf(carrier), now, wanted: event.state });
  if (RELEASED.includes(event.state)) {
    if (now === 'wanted' || now === 'recycled' || now === 'destroyed' || now === event.state) return [wrong];
    const forecast = forecastCounts(card.forecast, state);
    const run = forecast?.ok ? forecast.value : undefined;
    const reason = event.reason?.trim() ?? '';
    return run?.hold === false || reason !== ''
      ? []
      : [
          error('room.short', 'reason', {
            carrier: labelOf(carrier),
            count: run?.finished ? $localize`finished short` : $localize`not finished`,
            expected: run?.expected ?? 0,
            wanted: card.target,
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

/** Whether a carrier may run: inspected, or on the press already. */
export const mayRun = (state: RoomState, carrier: string): boolean =>
  ['inspected', 'on-press'].includes(lifeOf(state, carrier).state);

/** What still stands before a press step may start: artwork, trials, inspected carriers. Source: handbook chapters 4 and 5. */
export function pressGate(context: RoomContext, { name, press }: CardStep): Issue[] {
  if (!press) return [];
  const { card, state } = context;
  const trials = press.inks
    .filter((ink) => !trialAccepted(state, ink))
    .map((ink) => error('room.trial', 'step', { ink, step: name }));
  const bad = press.carriers.filter((id) => !mayRun(state, id));
  const first = card.carriers.find(({ id }) => id === bad[0]);
  const inspection = first
    ? [error('room.not-inspected', 'step', { step: name, count: bad.length, carrier: labelOf(first) })]
    : [];
  return [...artworkGate(context, press.component), ...trials, ...inspection];
}

const unknown = (what: string, id: string): Issue[] => [error('room.unknown', what, { what, id })];

/** Events of a press step: behind its gate until it has begun, and no counting before the first good sheet. */
function passGate(context: RoomContext, step: CardStep, kind: RoomEntry['kind']): Issue[] {
  const { started, firstSheets } = context.state;
  switch (kind) {
    case 'press-start':
    case 'setup-begun':
    case 'run-begun':
      return started.has(step.id) && kind !== 'press-start' ? [] : pressGate(context, step);
    case 'first-sheet':
    case 'count':
    case 'good':
      if (!started.has(step.id)) return [error('room.not-started', 'step', { step: step.name })];
      return kind !== 'first-sheet' && !firstSheets.has(step.id)
        ? [error('room.first-sheet', 'step', { step: step.name })]
        : [];
    default:
      return [];
  }
}

/** What the gates of accountable work look at. */
const accountOf = ({ card, state, by }: RoomContext): AccountContext => ({
  rules: card.accountable,
  state: state.account,
  steps: card.steps,
  tallyOf: (step) => state.tallies.get(step) ?? NOTHING_YET,
  by,
});

/** Whether nothing comes behind a station. */
export const isLastStation = ({ steps }: Pick<RoomCard, 'steps'>, id: string): boolean =>
  !steps.some(({ takes }) => takes.some(({ from }) => from === id));

/** A station of accountable work is closed when everything is accounted for; nothing of it is explained away. */
function accountGate(context: RoomContext, event: StationEntry, step: CardStep): Issue[] {
  if (!context.card.accountable) return [];
  if (event.kind === 'difference')
    return [error('account.difference', 'kind', { step: step.name, pieces: event.pieces })];
  if (event.kind === 'handed-on') return pileGate(accountOf(context), event);
  if (event.kind !== 'step-closed') return [];
  return accountOpen(accountOf(context), step, isLastStation(context.card, step.id));
}

type AtStep = StationEntry | Extract<RoomEntry, { kind: 'press-start' | 'first-sheet' | 'count' | 'reader-stop' }>;

function stationGate(context: RoomContext, event: AtStep): Issue[] {
  const step = context.card.steps.find(({ id }) => id === event.step);
  if (!step) return unknown('step', event.step);
  if (event.kind === 'press-start' && !step.press) return unknown('press step', event.step);
  const gate = step.press ? passGate(context, step, event.kind) : [];
  if (gate.length > 0) return gate;
  const tally = context.state.tallies.get(step.id) ?? NOTHING_YET;
  switch (event.kind) {
    case 'press-start':
    case 'first-sheet':
    case 'reader-stop':
    case 'count':
      return tally.phase === 'closed' ? [error('book.closed', 'step', { step: step.name })] : [];
    default:
      return [...accountGate(context, event, step), ...refuseEntry(event, step, tally, context.card.sampling)];
  }
}

/** Only what adds up may be struck through, and only while it counts. */
function strikeGate({ state }: RoomContext, { record }: { readonly record: number }): Issue[] {
  const entry = state.standing.get(record);
  return entry && (entry.kind === 'count' || (ADDING as readonly string[]).includes(entry.kind))
    ? []
    : [error('book.strike', 'record', { record })];
}

/** Only what is still held can be decided of. @param record its number. */
export const heldGate = ({ held }: Pick<RoomState, 'held'>, record: number): Issue[] =>
  held.some((one) => one.record.id === record) ? [] : [error('book.not-held', 'record', { record })];

/**
 * What keeps an event from being recorded, worst first. Issues: `room.*`, `book.*`.
 * Source: handbook chapters 4, 5 and 9: no carriers before the artwork is approved, no press start before accepted trials
 * and inspected carriers, no counting before the first good sheet is passed, no release while the count is not safe, no
 * more out of a station than came in.
 */
export function refuse(context: RoomContext, event: RoomEvent): Issue[] {
  const { card, state } = context;
  switch (event.kind) {
    case 'artwork':
      return card.components.some(({ id }) => id === event.component) ? [] : unknown('component', event.component);
    case 'carrier': {
      const carrier = card.carriers.find(({ id }) => id === event.carrier);
      return carrier ? carrierGate(context, event, carrier) : unknown('carrier', event.carrier);
    }
    case 'inspection': {
      if (!card.carriers.some(({ id }) => id === event.carrier)) return unknown('carrier', event.carrier);
      const now = lifeOf(state, event.carrier).state;
      return now === 'made' || now === 'inspected'
        ? []
        : [error('room.order', 'carrier', { carrier: event.carrier, now, wanted: 'inspected' })];
    }
    case 'trial':
      return card.inks.includes(event.ink) ? trialGate(event) : unknown('ink', event.ink);
    case 'ink': {
      if (!card.inks.includes(event.ink)) return unknown('ink', event.ink);
      const out = state.inkOut.get(event.ink) ?? 0;
      return event.move === 'returned' && event.kg > out + 1e-9
        ? [error('room.ink-balance', 'kg', { ink: event.ink, value: event.kg, out })]
        : [];
    }
    case 'take-back':
      return state.last?.id === event.record ? [] : [error('room.take-back', 'record', {})];
    case 'strike':
      return strikeGate(context, event);
    case 'settled':
      return heldGate(state, event.record);
    case 'held':
      return [];
    default:
      return isAccountEntry(event) ? refuseAccount(accountOf(context), event) : stationGate(context, event);
  }
}
