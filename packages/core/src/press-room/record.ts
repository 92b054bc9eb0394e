import type { Lab } from '../colour/index.js';
import type { AccountEntry } from '../accountable/index.js';
import type { StationEntry } from '../book/index.js';
import type { ScanFault } from '../finishing/index.js';

/** Where a carrier is in its life. Source: handbook chapter 4, last paragraph. */
export const CARRIER_STATES = [
  'wanted',
  'made',
  'inspected',
  'on-press',
  'held',
  'kept',
  'recycled',
  'destroyed',
] as const;
/** One of the states. */
export type CarrierState = (typeof CARRIER_STATES)[number];

/** States after which a carrier cannot print missing copies at once. */
export const RELEASED: readonly CarrierState[] = ['kept', 'recycled', 'destroyed'];

/** Something that happened to a job in the plate room, the ink room, at the press or at any station. */
export type RoomEntry =
  | StationEntry
  | AccountEntry
  | {
      readonly kind: 'artwork';
      readonly component: string;
      readonly approved: boolean;
      /** Not approved yet: a proof of it is at the customer. */
      readonly sent?: boolean | undefined;
      readonly note?: string | undefined;
    }
  | {
      readonly kind: 'carrier';
      readonly carrier: string;
      readonly state: Exclude<CarrierState, 'inspected' | 'wanted'>;
      /** Where it is put. */
      readonly place?: string | undefined;
      /** Why it is let go before the count is safe. */
      readonly reason?: string | undefined;
      /** Taken out of the store, where an earlier job left it; impressions that it has run. */
      readonly from?: { readonly job: string; readonly used: number } | undefined;
    }
  | {
      readonly kind: 'inspection';
      readonly carrier: string;
      readonly faults: readonly string[];
      readonly note?: string | undefined;
    }
  | {
      readonly kind: 'trial';
      readonly ink: string;
      readonly aim: Lab;
      readonly measured: Lab;
      readonly tolerance: number;
      readonly accepted: boolean;
      readonly note?: string | undefined;
    }
  | { readonly kind: 'ink'; readonly ink: string; readonly move: 'issued' | 'returned'; readonly kg: number }
  | { readonly kind: 'press-start'; readonly step: string }
  | { readonly kind: 'first-sheet'; readonly step: string; readonly kept?: string | undefined }
  | { readonly kind: 'count'; readonly step: string; readonly good: number }
  | {
      readonly kind: 'reader-stop';
      readonly step: string;
      /** Place of the section in the block, from 1, at which the reader stopped. */
      readonly place: number;
      readonly fault: ScanFault;
      /** Code as it was read. */
      readonly read: string;
    }
  | { readonly kind: 'take-back'; readonly record: number }
  | {
      /** Struck through: what only adds to a count, whatever came after it. */
      readonly kind: 'strike';
      readonly record: number;
      readonly why: string;
    };

/** An entry of a job's book; one that came late and that a gate refused is held until somebody explains it. */
export type RoomEvent =
  | RoomEntry
  | { readonly kind: 'held'; readonly entry: RoomEntry; readonly refused: readonly string[] }
  | {
      readonly kind: 'settled';
      /** The entry that is held. */
      readonly record: number;
      /** It counts as if it had been entered, or stays out. */
      readonly taken: boolean;
      readonly why: string;
    };

/** What an event is. */
export type RoomEventKind = RoomEvent['kind'];

/** An event with who entered it and when. Records are only ever added. */
export interface RoomRecord {
  readonly id: number;
  /** When it happened, ISO 8601. */
  readonly at: string;
  readonly by: string;
  /** When it was entered, where that is later. */
  readonly entered?: string | undefined;
  /** What it was entered on. */
  readonly device?: string | undefined;
  readonly event: RoomEvent;
}

/**
 * What an event is about, where a later one of the same takes the place of an earlier: two people who record it without
 * seeing each other contradict each other. Undefined for what only adds up (ink issued, trials, stops). @param records of
 * the job: a taking back is about what it takes back.
 */
export function subjectOf(event: RoomEvent, records: readonly RoomRecord[]): string | undefined {
  switch (event.kind) {
    case 'artwork':
      return $localize`artwork ${event.component}`;
    case 'carrier':
    case 'inspection':
      return $localize`carrier ${event.carrier}`;
    case 'press-start':
    case 'first-sheet':
    case 'count':
      return `${event.kind} ${event.step}`;
    case 'take-back':
    case 'strike':
    case 'settled': {
      const taken = records.find(({ id }) => id === event.record);
      return taken && subjectOf(taken.event, records);
    }
    default:
      return undefined;
  }
}
