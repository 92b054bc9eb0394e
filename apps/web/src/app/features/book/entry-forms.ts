import type { RoomEntry, StationPhase } from '@druckerei/core';

/** Lines of the tally sheet that take a number. */
export const COUNTED = ['taken-in', 'good', 'spoiled', 'samples', 'left-over'] as const;
export type Counted = (typeof COUNTED)[number];

/** What besides the number an entry says. */
export interface Chosen {
  readonly reason: string;
  readonly during: 'set-up' | 'run';
  readonly material: string | undefined;
  readonly pile: string | undefined;
}

/** The entry of a line. */
export function countEntry(
  kind: Counted,
  step: string,
  count: number,
  { reason, during, material, pile }: Chosen,
): RoomEntry {
  switch (kind) {
    case 'taken-in':
      return {
        kind,
        step,
        count,
        ...(material === undefined ? {} : { material }),
        ...(pile === undefined ? {} : { pile }),
      };
    case 'left-over':
      return { kind, step, count, ...(material === undefined ? {} : { material }) };
    case 'spoiled':
      return { kind, step, count, reason, during };
    default:
      return { kind, step, count };
  }
}

/** What can be done next, the usual thing first. */
export interface Act {
  readonly word: string;
  readonly icon: string;
  readonly kind: RoomEntry['kind'];
  /** It wants a reason. */
  readonly why?: 'stop' | 'open';
}

const BEGIN_SETUP: Act = { word: $localize`Begin set-up`, icon: 'build', kind: 'setup-begun' };
const BEGIN_RUN: Act = { word: $localize`Begin the run`, icon: 'play_arrow', kind: 'run-begun' };
const STOP: Act = { word: $localize`Stop`, icon: 'pause', kind: 'stopped', why: 'stop' };
const CLOSE: Act = { word: $localize`Close the station`, icon: 'task_alt', kind: 'step-closed' };
const FIRST: Act = { word: $localize`Pass the first good sheet`, icon: 'verified', kind: 'first-sheet' };

/** @param pass it is a pass through a press, whose first good sheet is passed before the count. */
export function actsIn(
  phase: StationPhase,
  { pass, passed }: { readonly pass: boolean; readonly passed: boolean },
): Act[] {
  const first = pass && !passed ? [FIRST] : [];
  switch (phase) {
    case 'waiting':
      return [BEGIN_SETUP, BEGIN_RUN];
    case 'set-up':
      return [...first, { word: $localize`Set-up done`, icon: 'done', kind: 'setup-done' }, STOP];
    case 'ready':
      return [...first, BEGIN_RUN, BEGIN_SETUP, CLOSE];
    case 'running':
      return [...first, STOP, CLOSE];
    case 'stopped':
      return [{ word: $localize`Go on`, icon: 'play_arrow', kind: 'resumed' }, CLOSE];
    case 'closed':
      return [{ word: $localize`Open again`, icon: 'lock_open', kind: 'step-opened', why: 'open' }];
  }
}

export const PHASES: Readonly<Record<StationPhase, { readonly word: string; readonly icon: string }>> = {
  waiting: { word: $localize`Not begun`, icon: 'radio_button_unchecked' },
  'set-up': { word: $localize`In set-up`, icon: 'build' },
  ready: { word: $localize`Ready to run`, icon: 'done' },
  running: { word: $localize`Running`, icon: 'play_arrow' },
  stopped: { word: $localize`Stopped`, icon: 'pause' },
  closed: { word: $localize`Closed`, icon: 'task_alt' },
};
