import { type AccountState, AccountLedger, isAccountEntry } from '../accountable/index.js';
import { type StationTally, type Tallied, Tally } from '../book/index.js';
import type { CarrierState, RoomEntry, RoomEvent, RoomRecord } from './record.js';

type Of<Kind extends RoomEvent['kind']> = Extract<RoomEvent, { kind: Kind }>;

/** A record that counts, and what it enters. */
export interface StandingRecord extends RoomRecord {
  readonly event: RoomEntry;
}
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

/** Good pieces that a step has counted so far. */
export interface GoodCount {
  readonly record: RoomRecord;
  readonly good: number;
}

/** What the records of a job come to. */
export interface RoomState {
  readonly artwork: ReadonlyMap<string, Standing<'artwork'>>;
  readonly carriers: ReadonlyMap<string, CarrierLife>;
  readonly trials: ReadonlyMap<string, readonly Standing<'trial'>[]>;
  /** Kilograms of each ink issued and not returned. */
  readonly inkOut: ReadonlyMap<string, number>;
  /** What a step was begun with. */
  readonly started: ReadonlyMap<string, RoomRecord>;
  readonly firstSheets: ReadonlyMap<string, Standing<'first-sheet'>>;
  /** Good pieces of each counted step, and the last record of them. */
  readonly counts: ReadonlyMap<string, GoodCount>;
  /** What is entered at each station comes to. */
  readonly tallies: ReadonlyMap<string, StationTally>;
  /** What is accounted for of accountable work. */
  readonly account: AccountState;
  /** Steps that are closed, and what closed them. */
  readonly closed: ReadonlyMap<string, RoomRecord>;
  /** Entries that are held for explaining. */
  readonly held: readonly Standing<'held'>[];
  /** Stops of the section reader, by step. */
  readonly stops: ReadonlyMap<string, readonly Standing<'reader-stop'>[]>;
  /** What counts, by the number of its record. */
  readonly standing: ReadonlyMap<number, RoomEntry>;
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

/** What takes another entry back, or decides of one that is held. */
const isAboutAnother = ({ kind }: RoomEvent): boolean =>
  kind === 'take-back' || kind === 'strike' || kind === 'settled';

/**
 * Records that count: not taken back or struck through, and what was held as it was entered where somebody has explained
 * it. Oldest first.
 */
export function standing(records: readonly RoomRecord[]): readonly StandingRecord[] {
  const gone = new Set<number>();
  const taken = new Set<number>();
  for (const { event } of records) {
    if (event.kind === 'take-back' || event.kind === 'strike') gone.add(event.record);
    if (event.kind === 'settled' && event.taken) taken.add(event.record);
  }
  // What takes another back was held itself, and somebody has said that it counts.
  for (const { event, id } of records)
    if (event.kind === 'held' && taken.has(id) && (event.entry.kind === 'take-back' || event.entry.kind === 'strike'))
      gone.add(event.entry.record);
  const counting: StandingRecord[] = [];
  for (const record of records) {
    const { event, id } = record;
    if (gone.has(id) || isAboutAnother(event)) continue;
    if (event.kind !== 'held') counting.push(record as StandingRecord);
    else if (taken.has(id) && !isAboutAnother(event.entry)) counting.push({ ...record, event: event.entry });
  }
  return counting;
}

/** Entries that nobody has explained yet. */
function stillHeld(records: readonly RoomRecord[]): Standing<'held'>[] {
  const held = new Map<number, Standing<'held'>>();
  for (const record of records) {
    if (record.event.kind === 'held') held.set(record.id, { record, event: record.event });
    if (record.event.kind === 'settled') held.delete(record.event.record);
  }
  return [...held.values()];
}

/** What begins a step. */
const BEGINS: readonly RoomEvent['kind'][] = ['press-start', 'setup-begun', 'run-begun'];

/** Sorts records into what they are about, oldest first. */
class Sorter {
  readonly artwork = new Map<string, Standing<'artwork'>>();
  readonly carriers = new Map<string, CarrierLife>();
  readonly trials = new Map<string, Standing<'trial'>[]>();
  readonly inkOut = new Map<string, number>();
  readonly started = new Map<string, RoomRecord>();
  readonly firstSheets = new Map<string, Standing<'first-sheet'>>();
  readonly counts = new Map<string, GoodCount>();
  readonly stops = new Map<string, Standing<'reader-stop'>[]>();
  readonly tallies = new Map<string, Tally>();
  readonly closed = new Map<string, RoomRecord>();
  readonly account = new AccountLedger();

  put(record: StandingRecord): void {
    const { event } = record;
    switch (event.kind) {
      case 'artwork':
        this.artwork.set(event.component, { record, event });
        break;
      case 'carrier':
      case 'inspection':
        this.carriers.set(event.carrier, lifeAfter(this.carriers.get(event.carrier) ?? NEW_CARRIER, record, event));
        break;
      case 'trial':
        this.trials.set(event.ink, [...(this.trials.get(event.ink) ?? []), { record, event }]);
        break;
      case 'ink':
        this.inkOut.set(
          event.ink,
          (this.inkOut.get(event.ink) ?? 0) + (event.move === 'issued' ? event.kg : -event.kg),
        );
        break;
      case 'reader-stop':
        this.stops.set(event.step, [...(this.stops.get(event.step) ?? []), { record, event }]);
        break;
      case 'take-back':
      case 'strike':
        break;
      default:
        if (isAccountEntry(event)) this.account.add(event, record);
        else this.atStation(record, event);
    }
  }

  private atStation(record: StandingRecord, event: Tallied): void {
    const { step } = event;
    const tally = this.tallies.get(step) ?? new Tally();
    this.tallies.set(step, tally);
    tally.add(event, record.at);
    if (event.kind === 'press-start' || (BEGINS.includes(event.kind) && !this.started.has(step)))
      this.started.set(step, record);
    if (event.kind === 'step-closed') this.closed.set(step, record);
    if (event.kind === 'step-opened') this.closed.delete(step);
    if (event.kind === 'first-sheet') this.firstSheets.set(step, { record, event });
    if (event.kind === 'count' || event.kind === 'good') this.counts.set(step, { record, good: tally.good });
  }
}

/** The state of a job that entries are added to: at the price of one where it says nothing of an earlier one. */
export class RoomFold {
  private readonly records: RoomRecord[];
  private sorter = new Sorter();
  private standing = new Map<number, RoomEntry>();
  private held: Standing<'held'>[] = [];
  private last: RoomRecord | undefined;

  /** @param records oldest first. */
  constructor(records: readonly RoomRecord[]) {
    this.records = [...records];
    this.sort();
  }

  add(record: RoomRecord): void {
    this.records.push(record);
    const { event } = record;
    if (isAboutAnother(event)) this.sort();
    else if (event.kind === 'held') this.held.push({ record, event });
    else this.put(record as StandingRecord, record);
  }

  /** The number of the last record, 0 where there is none. */
  get lastId(): number {
    return this.records.at(-1)?.id ?? 0;
  }

  get state(): RoomState {
    const { artwork, carriers, trials, inkOut, started, firstSheets, counts, stops, tallies, closed, account } =
      this.sorter;
    const { standing: counting, held, last } = this;
    return {
      ...{ artwork, carriers, trials, inkOut, started, firstSheets, counts, stops, tallies, closed, account },
      ...{ standing: counting, held, last },
    };
  }

  private sort(): void {
    this.sorter = new Sorter();
    this.standing = new Map();
    this.last = undefined;
    this.held = stillHeld(this.records);
    for (const record of standing(this.records)) this.put(record, record);
  }
  private put(counting: StandingRecord, record: RoomRecord): void {
    this.sorter.put(counting);
    this.standing.set(record.id, counting.event);
    this.last = record;
  }
}

/** The state that records come to, oldest first. Pure: the same records give the same state everywhere. */
export const roomState = (records: readonly RoomRecord[]): RoomState => new RoomFold(records).state;

/** Whether an ink's last trial was accepted. */
export const trialAccepted = ({ trials }: RoomState, ink: string): boolean =>
  trials.get(ink)?.at(-1)?.event.accepted === true;

/**
 * How far the stations of a job are: those that are done (closed, or counted in all) and those that have begun and are not,
 * each with the record that says so. What a station adds up while it runs does not end it.
 */
export function progressOf({ closed, counts, started }: Pick<RoomState, 'closed' | 'counts' | 'started'>): {
  readonly done: ReadonlyMap<string, RoomRecord>;
  readonly begun: ReadonlyMap<string, RoomRecord>;
} {
  const counted = [...counts].map(([step, { record }]) => [step, record] as const);
  const done = new Map([...counted.filter(([, { event }]) => event.kind === 'count'), ...closed]);
  const begun = new Map([...counted, ...started].filter(([step]) => !done.has(step)));
  return { done, begun };
}
