import { NOTHING_YET } from '../book/index.js';
import { type StepOutcome, outcomeOf } from '../learn/index.js';
import type { RoomCard } from './card.js';
import type { RoomRecord } from './record.js';
import { progressOf, roomState } from './state.js';

/** A station of a job that is through. */
export interface ClosedStation {
  /** The entry that closed it first: what it is evidence by, also where it was opened and closed again. */
  readonly entry: number;
  /** When it was closed last, ISO 8601. */
  readonly closed: string;
  readonly outcome: StepOutcome;
}

/** What became of the stations of a job that are closed, or counted in all, by its records; oldest first. */
export function closedStations({ steps }: RoomCard, records: readonly RoomRecord[]): ClosedStation[] {
  const state = roomState(records);
  const { done } = progressOf(state);
  const firsts = new Map<string, number>();
  for (const [id, event] of state.standing)
    if ((event.kind === 'step-closed' || event.kind === 'count') && !firsts.has(event.step)) firsts.set(event.step, id);
  return steps
    .flatMap((step): ClosedStation[] => {
      const last = done.get(step.id);
      const outcome = last && outcomeOf(step, state.tallies.get(step.id) ?? NOTHING_YET);
      return outcome ? [{ entry: firsts.get(step.id) ?? last.id, closed: last.at, outcome }] : [];
    })
    .sort((a, b) => a.entry - b.entry);
}
