import { MINUTE_MS } from '../kernel/index.js';
import type { InspectedLot, Level } from '../quality/index.js';
import { type StationEntry, STATION_KINDS } from './entry.js';

/** Where a station stands with a job. */
export type StationPhase = 'waiting' | 'set-up' | 'ready' | 'running' | 'stopped' | 'closed';

/** A lot as it was looked at. */
export interface SeenLot extends InspectedLot {
  readonly sample: number;
  readonly aql: number;
  readonly level: Level;
  readonly pile: string | undefined;
  /** ISO 8601. */
  readonly at: string;
}

/** What the entries of a station come to. */
export interface StationTally {
  readonly phase: StationPhase;
  /** Since when, ISO 8601; undefined before anything has begun. */
  readonly since: string | undefined;
  /** By material; under the empty name where nobody said which. */
  readonly takenIn: ReadonlyMap<string, number>;
  readonly leftOver: ReadonlyMap<string, number>;
  /** Good pieces out. */
  readonly good: number;
  readonly samples: number;
  /** Process units. */
  readonly spoiled: { readonly 'set-up': number; readonly run: number };
  readonly reasons: { readonly 'set-up': ReadonlyMap<string, number>; readonly run: ReadonlyMap<string, number> };
  /** Lots that were looked at, in their order, and how many refused ones were sorted. */
  readonly lots: readonly SeenLot[];
  readonly sorted: number;
  /** Pieces by which the balance is explained. */
  readonly explained: number;
  /** Tags of piles that were taken in, and handed on with their counts. */
  readonly pilesIn: ReadonlySet<string>;
  readonly pilesOut: ReadonlyMap<string, number>;
  /** Minutes of set-up and of running, and of stops by reason; what still lasts is not in them. */
  readonly minutes: { readonly setUp: number; readonly run: number; readonly stops: ReadonlyMap<string, number> };
}

/** What is entered of a job that a station counts by: its own entries, and the kinds that older records have. */
export type Tallied =
  | StationEntry
  | { readonly kind: 'press-start'; readonly step: string }
  | { readonly kind: 'first-sheet'; readonly step: string }
  | { readonly kind: 'count'; readonly step: string; readonly good: number };

const TALLIED: readonly string[] = [...STATION_KINDS, 'press-start', 'first-sheet', 'count'];
/** Whether a station counts by an entry. */
export const isTallied = (event: { readonly kind: string }): event is Tallied => TALLIED.includes(event.kind);

const add = (to: Map<string, number>, name: string, count: number): void => {
  to.set(name, (to.get(name) ?? 0) + count);
};

/** The phase that an entry leads to; undefined where it stays. */
const PHASES: Partial<Readonly<Record<Tallied['kind'], StationPhase>>> = {
  'setup-begun': 'set-up',
  'press-start': 'set-up',
  'setup-done': 'ready',
  'run-begun': 'running',
  'first-sheet': 'running',
  stopped: 'stopped',
  resumed: 'running',
  'step-closed': 'closed',
  'step-opened': 'ready',
};

/** Adds up what is entered at a station, one after another. */
export class Tally implements StationTally {
  phase: StationPhase = 'waiting';
  since: string | undefined;
  readonly takenIn = new Map<string, number>();
  readonly leftOver = new Map<string, number>();
  good = 0;
  samples = 0;
  readonly spoiled = { 'set-up': 0, run: 0 };
  readonly reasons = { 'set-up': new Map<string, number>(), run: new Map<string, number>() };
  readonly lots: SeenLot[] = [];
  sorted = 0;
  explained = 0;
  readonly pilesIn = new Set<string>();
  readonly pilesOut = new Map<string, number>();
  readonly minutes = { setUp: 0, run: 0, stops: new Map<string, number>() };
  private stop = '';

  /** @param at when it happened, ISO 8601. */
  add(entry: Tallied, at: string): void {
    this.count(entry);
    this.look(entry, at);
    const next = PHASES[entry.kind];
    if (next) this.enter(next, at);
    if (entry.kind === 'stopped') this.stop = entry.reason;
  }

  private count(entry: Tallied): void {
    switch (entry.kind) {
      case 'taken-in':
        add(this.takenIn, entry.material ?? '', entry.count);
        if (entry.pile !== undefined) this.pilesIn.add(entry.pile);
        break;
      case 'left-over':
        add(this.leftOver, entry.material ?? '', entry.count);
        break;
      case 'good':
        this.good += entry.count;
        break;
      case 'count':
        this.good = entry.good;
        break;
      case 'samples':
        this.samples += entry.count;
        break;
      case 'spoiled':
        this.spoil(entry.during, entry.reason, entry.count);
        break;
      case 'incident':
        if (entry.lost > 0) this.spoil('run', entry.what, entry.lost);
        break;
      case 'handed-on':
        add(this.pilesOut, entry.pile, entry.count);
        break;
      case 'difference':
        this.explained += entry.pieces;
        break;
      default:
    }
  }

  private look(entry: Tallied, at: string): void {
    if (entry.kind === 'sorted') this.sorted++;
    if (entry.kind !== 'inspected') return;
    const { lot, sample, faulty, aql, level, pile, mended } = entry;
    this.lots.push({ lot, sample, faulty, aql, level, pile, at, mended });
  }

  private spoil(during: 'set-up' | 'run', reason: string, count: number): void {
    this.spoiled[during] += count;
    add(this.reasons[during], reason, count);
  }

  private enter(next: StationPhase, at: string): void {
    // Entered later than what came after it, time would run backwards: it lasts no minute then.
    const lasted = this.since === undefined ? 0 : Math.max(0, (Date.parse(at) - Date.parse(this.since)) / MINUTE_MS);
    if (this.phase === 'set-up') this.minutes.setUp += lasted;
    if (this.phase === 'running') this.minutes.run += lasted;
    if (this.phase === 'stopped') add(this.minutes.stops, this.stop, lasted);
    this.phase = next;
    this.since = at;
  }
}

/** All that a station has spoiled, set-up and run, process units. */
export const allSpoiled = ({ spoiled }: Pick<StationTally, 'spoiled'>): number => spoiled['set-up'] + spoiled.run;

/** All of what came, or of what is left over, whatever it is. */
export const allOf = (counts: ReadonlyMap<string, number>): number => {
  let all = 0;
  for (const one of counts.values()) all += one;
  return all;
};

/** A station that nobody has entered anything at. */
export const NOTHING_YET: StationTally = new Tally();
