import type { CarrierState, RoomEvent, RoomRecord } from './record.js';

type Of<Kind extends RoomEvent['kind']> = Extract<RoomEvent, { kind: Kind }>;
/** The event in force, and its record. */
export interface Standing<Kind extends RoomEvent['kind']> {
  readonly record: RoomRecord;
  readonly event: Of<Kind>;
}

/** Where a carrier stands, and what it has been through. */
export interface CarrierLife {
  readonly state: CarrierState;
  readonly place: string | undefined;
  /** Faults of the last inspection; empty where it passed or there was none. */
  readonly faults: readonly string[];
  /** Impressions run for earlier jobs. */
  readonly used: number;
  readonly record: RoomRecord | undefined;
}

/** What the records of a job come to. */
export interface RoomState {
  readonly artwork: ReadonlyMap<string, Standing<'artwork'>>;
  readonly carriers: ReadonlyMap<string, CarrierLife>;
  readonly trials: ReadonlyMap<string, readonly Standing<'trial'>[]>;
  /** Kilograms of each ink issued and not returned. */
  readonly inkOut: ReadonlyMap<string, number>;
  readonly started: ReadonlyMap<string, Standing<'press-start'>>;
  readonly firstSheets: ReadonlyMap<string, Standing<'first-sheet'>>;
  readonly counts: ReadonlyMap<string, Standing<'count'>>;
  /** Stops of the section reader, by step. */
  readonly stops: ReadonlyMap<string, readonly Standing<'reader-stop'>[]>;
  /** Record that a take-back would undo: the last one standing. */
  readonly last: RoomRecord | undefined;
}

/** A carrier that nobody has made yet. */
export const NEW_CARRIER: CarrierLife = {
  state: 'wanted',
  place: undefined,
  faults: [],
  used: 0,
  record: undefined,
};

function lifeAfter(before: CarrierLife, record: RoomRecord, event: Of<'carrier'> | Of<'inspection'>): CarrierLife {
  if (event.kind === 'inspection')
    return { ...before, state: event.faults.length > 0 ? 'wanted' : 'inspected', faults: event.faults, record };
  return {
    ...before,
    state: event.state,
    place: event.place ?? before.place,
    used: event.from?.used ?? before.used,
    faults: [],
    record,
  };
}

/** Records that have not been taken back. */
export function standing(records: readonly RoomRecord[]): readonly RoomRecord[] {
  const back = new Set(records.flatMap(({ event }) => (event.kind === 'take-back' ? [event.record] : [])));
  return records.filter(({ id, event }) => event.kind !== 'take-back' && !back.has(id));
}

/** The state that records come to, oldest first. Pure: the same records give the same state everywhere. */
export function roomState(records: readonly RoomRecord[]): RoomState {
  const artwork = new Map<string, Standing<'artwork'>>();
  const carriers = new Map<string, CarrierLife>();
  const trials = new Map<string, Standing<'trial'>[]>();
  const inkOut = new Map<string, number>();
  const started = new Map<string, Standing<'press-start'>>();
  const firstSheets = new Map<string, Standing<'first-sheet'>>();
  const counts = new Map<string, Standing<'count'>>();
  const stops = new Map<string, Standing<'reader-stop'>[]>();
  const all = standing(records);
  for (const record of all) {
    const { event } = record;
    switch (event.kind) {
      case 'artwork':
        artwork.set(event.component, { record, event });
        break;
      case 'carrier':
      case 'inspection':
        carriers.set(event.carrier, lifeAfter(carriers.get(event.carrier) ?? NEW_CARRIER, record, event));
        break;
      case 'trial':
        trials.set(event.ink, [...(trials.get(event.ink) ?? []), { record, event }]);
        break;
      case 'ink':
        inkOut.set(event.ink, (inkOut.get(event.ink) ?? 0) + (event.move === 'issued' ? event.kg : -event.kg));
        break;
      case 'press-start':
        started.set(event.step, { record, event });
        break;
      case 'first-sheet':
        firstSheets.set(event.step, { record, event });
        break;
      case 'count':
        counts.set(event.step, { record, event });
        break;
      case 'reader-stop':
        stops.set(event.step, [...(stops.get(event.step) ?? []), { record, event }]);
        break;
      case 'take-back':
        break;
    }
  }
  return { artwork, carriers, trials, inkOut, started, firstSheets, counts, stops, last: all.at(-1) };
}

/** Whether an ink's last trial was accepted. */
export const trialAccepted = ({ trials }: RoomState, ink: string): boolean =>
  trials.get(ink)?.at(-1)?.event.accepted === true;
