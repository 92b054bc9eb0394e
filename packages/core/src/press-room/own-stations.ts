import type { RoomCard } from './card.js';
import type { RoomEntry } from './record.js';
import type { RoomState } from './state.js';

/** Rooms that keep the book of a job and are no station of its route, by their keys. */
export const ROOM_KEYS = { plates: 'room/plates', inks: 'room/inks' } as const;

/** Where somebody may enter what happens: everywhere, or at the stations of these keys. */
export type OwnStations = 'all' | readonly string[];

/** Key of a station: its machine, or what is done by hand. */
export const stationKey = ({ machine, operation }: Pick<RoomCard['steps'][number], 'machine' | 'operation'>): string =>
  machine === null ? `hand/${operation}` : `machine/${machine}`;

/** Whether somebody may enter at one of these stations. @param keys none where what is entered is of no station. */
export const isOwnStation = (own: OwnStations, keys: readonly string[]): boolean =>
  own === 'all' || keys.length === 0 || keys.some((key) => own.includes(key));

/**
 * Keys of the stations that an entry is of: any of them may enter it. A carrier goes from the plate room to the presses
 * that it runs on and back; what takes back or strikes is of the station of what it is about. None where it is of no
 * station: handing things from person to person.
 */
export function stationsOf(
  { steps, carriers }: Pick<RoomCard, 'steps' | 'carriers'>,
  event: RoomEntry,
  { standing }: Pick<RoomState, 'standing'>,
): readonly string[] {
  const keysAt = (ids: readonly string[]): string[] => [
    ...new Set(steps.filter(({ id }) => ids.includes(id)).map(stationKey)),
  ];
  switch (event.kind) {
    case 'artwork':
    case 'inspection':
      return [ROOM_KEYS.plates];
    case 'carrier':
      return [ROOM_KEYS.plates, ...keysAt(carriers.find(({ id }) => id === event.carrier)?.wornBy ?? [])];
    case 'trial':
    case 'ink':
      return [ROOM_KEYS.inks];
    case 'take-back':
    case 'strike': {
      const of = standing.get(event.record);
      return of ? stationsOf({ steps, carriers }, of, { standing }) : [];
    }
    default:
      return 'step' in event && event.step !== undefined ? keysAt([event.step]) : [];
  }
}
