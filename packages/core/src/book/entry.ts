import type { Level } from '../quality/index.js';

/** What a reading at a station is of. */
export const READINGS = ['register', 'density', 'colour', 'length', 'weight'] as const;
export type Reading = (typeof READINGS)[number];

/** What happens at a machine besides its run. */
export const INCIDENTS = ['wash-up', 'jam', 'web break', 'splice', 'carrier change'] as const;
export type StationIncident = (typeof INCIDENTS)[number];

/** Pixels of a photograph's longer side, and its bytes. Source: decided by us. */
export const MOST_PHOTO_SIDE = 1_600;
export const MOST_PHOTO_BYTES = 400_000;

/**
 * What somebody enters at a station. Counts are whole: what is taken in and left over in the units that come there, what is
 * spoiled in process units (what goes through the machine once), good pieces and samples in the units that go out.
 * Source: handbook chapter 9 "Counts".
 */
export type StationEntry =
  | {
      readonly kind: 'taken-in';
      readonly step: string;
      /** Material as the job's flow names it; undefined where only one comes here. */
      readonly material?: string | undefined;
      readonly count: number;
      /** Tag of the pile. */
      readonly pile?: string | undefined;
    }
  | { readonly kind: 'setup-begun'; readonly step: string }
  | { readonly kind: 'setup-done'; readonly step: string }
  | { readonly kind: 'run-begun'; readonly step: string }
  | { readonly kind: 'stopped'; readonly step: string; readonly reason: string }
  | { readonly kind: 'resumed'; readonly step: string }
  | { readonly kind: 'good'; readonly step: string; readonly count: number; readonly pile?: string | undefined }
  | {
      readonly kind: 'spoiled';
      readonly step: string;
      readonly count: number;
      readonly reason: string;
      readonly during: 'set-up' | 'run';
    }
  | { readonly kind: 'samples'; readonly step: string; readonly count: number }
  | {
      readonly kind: 'left-over';
      readonly step: string;
      readonly material?: string | undefined;
      readonly count: number;
    }
  | {
      readonly kind: 'reading';
      readonly step: string;
      readonly of: Reading;
      /** Ink, mark or place that it is of. */
      readonly name?: string | undefined;
      /** mm, density, colour difference, mm, g. */
      readonly value: number;
      /** Sheet on the counter. */
      readonly sheet?: number | undefined;
      /** Instrument that read it; somebody's own where it is not said. */
      readonly source?: string | undefined;
    }
  | {
      readonly kind: 'fault';
      readonly step: string;
      readonly fault: string;
      readonly sheet?: number | undefined;
      readonly note?: string | undefined;
    }
  | {
      readonly kind: 'incident';
      readonly step: string;
      readonly what: StationIncident;
      /** Process units lost by it. */
      readonly lost: number;
      /** Carrier that was changed. */
      readonly carrier?: string | undefined;
    }
  | { readonly kind: 'check'; readonly step: string; readonly check: string; readonly passed: boolean }
  | {
      readonly kind: 'inspected';
      readonly step: string;
      /** Pieces of the lot, and those of the sample. */
      readonly lot: number;
      readonly sample: number;
      /** Faulty ones in the sample. */
      readonly faulty: number;
      /** Limit in per cent, and level, that it was looked at by. */
      readonly aql: number;
      readonly level: Level;
      readonly pile?: string | undefined;
      /** The cause why nothing was accepted any more has been mended before. */
      readonly mended?: boolean | undefined;
    }
  | {
      readonly kind: 'sorted';
      readonly step: string;
      /** Faulty ones that were taken out of a refused lot, piece by piece. */
      readonly faulty: number;
    }
  | { readonly kind: 'handed-on'; readonly step: string; readonly pile: string; readonly count: number }
  | {
      readonly kind: 'difference';
      readonly step: string;
      /** Pieces that are explained by it: more came in than is told where above 0. */
      readonly pieces: number;
      readonly reason: string;
    }
  | { readonly kind: 'step-closed'; readonly step: string }
  | { readonly kind: 'step-opened'; readonly step: string; readonly reason: string }
  | { readonly kind: 'note'; readonly step: string; readonly text: string }
  | {
      readonly kind: 'photo';
      readonly step: string;
      /** SHA-256 of the picture, which is kept under it: the chain of the book holds the picture too. */
      readonly sha256: string;
      readonly note?: string | undefined;
    };

export type StationEntryKind = StationEntry['kind'];

/** Kinds that only add to what a station counts: each may be struck through, whatever came after it. */
export const ADDING: readonly StationEntryKind[] = [
  'taken-in',
  'good',
  'spoiled',
  'samples',
  'left-over',
  'reading',
  'fault',
  'incident',
  'check',
  'inspected',
  'sorted',
  'handed-on',
  'difference',
  'note',
  'photo',
];

/** Kinds of a station's entries. */
export const STATION_KINDS: readonly StationEntryKind[] = [
  ...ADDING,
  'setup-begun',
  'setup-done',
  'run-begun',
  'stopped',
  'resumed',
  'step-closed',
  'step-opened',
];
