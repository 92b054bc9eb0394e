import type { Job } from '../job/index.js';
import { planned } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { type RoomCard, roomCard } from './card.js';
import type { RoomEvent, RoomRecord } from './record.js';

const known = new WeakMap<Job, Map<Works, RoomCard>>();

/** The card of a job that can be planned, made once. */
export function cardOf(job: Job, works: Works = SHIPPED_WORKS): RoomCard {
  const of = known.get(job) ?? new Map<Works, RoomCard>();
  known.set(job, of);
  const before = of.get(works);
  if (before) return before;
  const card = roomCard(job, planned(job, works), works);
  if (!card.ok) throw new Error(card.issues.map(({ code }) => code).join());
  of.set(works, card.value);
  return card.value;
}

/** Events as records, one a minute from eight o'clock on. */
export const recorded = (events: readonly RoomEvent[]): RoomRecord[] =>
  events.map((event, i) => ({
    id: i + 1,
    at: new Date(Date.UTC(2026, 0, 1, 8, i)).toISOString(),
    by: 'Test',
    event,
  }));
