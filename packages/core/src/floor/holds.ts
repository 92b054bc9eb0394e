import { type RoomState, mayRun, trialAccepted } from '../press-room/index.js';
import type { NormLookup } from '../norms/index.js';
import { hourMinute } from './hours.js';
import type { FloorStep } from './steps.js';

/** Something that a station waits for, and no other station gives it. */
export interface FloorHold {
  readonly step: string;
  readonly what: 'paper' | 'artwork' | 'trial' | 'carriers';
  /** The paper, the component, the inks; how many carriers. */
  readonly of: string;
  /** ISO 8601 date on which it comes; null where nobody knows. */
  readonly day: string | null;
  /** Artwork of which a proof is at the customer: since when, ISO 8601. */
  readonly sent?: string | undefined;
}

/** What a station works on is counted, and still has to lie; `of` the station that it comes from, no day. */
export type FloorLie = Omit<FloorHold, 'what'> & { readonly what: 'drying' };

/**
 * What the stations of a job still wait for. @param paper when the job has all of a paper: a day, `there`, `never` where too little is ordered.
 * Source: handbook chapters 4 and 5: no press start before approved artwork, accepted trials and inspected carriers.
 */
export function holdsOf(
  steps: readonly FloorStep[],
  room: RoomState,
  paper: (key: string) => string | undefined,
): FloorHold[] {
  return steps.flatMap(({ id, component, wants }): FloorHold[] => {
    if (!wants || room.started.has(id) || room.counts.has(id)) return [];
    const holds: FloorHold[] = [];
    const day = wants.paper && paper(wants.paper.key);
    if (wants.paper && day !== undefined && day !== 'there')
      holds.push({ step: id, what: 'paper', of: wants.paper.name, day: day === 'never' ? null : day });
    if (!wants.press) return holds;
    const { press } = wants;
    const inks = press.inks.filter((ink) => !trialAccepted(room, ink));
    const missing = press.carriers.filter((carrier) => !mayRun(room, carrier));
    const artwork = room.artwork.get(press.component);
    if (artwork?.event.approved !== true) {
      const sent = artwork?.event.sent === true ? { sent: artwork.record.at } : {};
      holds.push({ step: id, what: 'artwork', of: component, day: null, ...sent });
    }
    if (inks.length > 0) holds.push({ step: id, what: 'trial', of: inks.join(', '), day: null });
    if (missing.length > 0) holds.push({ step: id, what: 'carriers', of: String(missing.length), day: null });
    return holds;
  });
}

/** Hours that it takes until something is there whose day nobody knows, if it is begun now. */
const HOURS: Readonly<Record<FloorHold['what'], string>> = {
  paper: 'schedule.paperHours',
  artwork: 'schedule.artworkHours',
  trial: 'schedule.trialHours',
  carriers: 'schedule.carrierHours',
};

/** Hours until something is there whose day nobody knows, with what comes first: carriers are made once the artwork is approved. */
export function releaseHours(what: FloorHold['what'], holds: readonly FloorHold[], norms: NormLookup): number {
  const hours = norms(HOURS[what]).value;
  const first = what === 'carriers' && holds.some((one) => one.what === 'artwork');
  return hours + (first ? norms(HOURS.artwork).value : 0);
}

/** The hold of a station that is last to end, and the minute from the origin at which it does. */
export function lastHold(
  holds: readonly FloorHold[],
  norms: NormLookup,
  origin: number,
  zone: string | undefined,
): { readonly hold: FloorHold | undefined; readonly minute: number } {
  const hour = norms('schedule.deliveryHour').value;
  let last: { hold: FloorHold | undefined; minute: number } = { hold: undefined, minute: 0 };
  for (const hold of holds) {
    const minute =
      hold.day === null
        ? Math.ceil(releaseHours(hold.what, holds, norms) * 60)
        : hourMinute(hold.day, hour, origin, zone);
    if (minute > last.minute) last = { hold, minute };
  }
  return last;
}
