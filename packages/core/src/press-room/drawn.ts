import { type StationTally, NOTHING_YET, allSpoiled, countedOf } from '../book/index.js';
import { inkKey, isPaperKey } from '../works/index.js';
import type { CardCarrier, CardStep, RoomCard } from './card.js';
import type { RoomState } from './state.js';

/** A part of a sheet below this is the rounding of a sum. */
const ROUNDING = 1e-9;

/** What a station has taken in of its material and not left over, in the units that come there; below 0 never. */
function usedUp({ takes }: CardStep, { takenIn, leftOver }: StationTally, material: string): number {
  const only = takes.length === 1;
  return Math.max(0, countedOf(takenIn, material, only) - countedOf(leftOver, material, only));
}

/** What a job has drawn of one thing for one use: a material at a station, an ink. */
export interface Drawn {
  /** The use: it stays the same where a later revision takes another paper for it. */
  readonly of: string;
  /** The store's key by the newest plan, and how much in the store's unit. */
  readonly key: string;
  readonly quantity: number;
}

/** Paper in whole sheets and rolls: one that is begun is taken whole. */
const inStore = (key: string, quantity: number): number =>
  isPaperKey(key) ? Math.ceil(quantity - ROUNDING) : quantity;

/**
 * What a job has drawn from the store by its book: bought material that was taken in and is not left over, ink that was issued and did
 * not come back; 0 where it all came back. Stations that nobody has entered anything at, or that the plan does not have any more, are
 * not told. Source: identity, handbook chapter 9 "Counts".
 */
export function drawnOf(
  { steps }: Pick<RoomCard, 'steps'>,
  { tallies, inkOut }: Pick<RoomState, 'tallies' | 'inkOut'>,
): readonly Drawn[] {
  const materials = steps.flatMap((step): Drawn[] => {
    const tally = tallies.get(step.id);
    if (!tally) return [];
    return step.takes.flatMap(({ material, store }) =>
      store
        ? [
            {
              ...{ of: `${step.id}/${material}`, key: store.key },
              quantity: inStore(store.key, usedUp(step, tally, material) * store.each),
            },
          ]
        : [],
    );
  });
  const inks = [...inkOut].map(([ink, kg]): Drawn => ({
    of: inkKey(ink),
    key: inkKey(ink),
    quantity: Math.max(0, kg),
  }));
  return [...materials, ...inks];
}

/** Process units that went through a station: what was told there, or what is planned where nothing was. */
function ran({ yield: y, processUnits }: CardStep, tally: StationTally): number {
  const told = (tally.good + tally.samples) / y + allSpoiled(tally);
  return told > 0 ? told : processUnits;
}

/**
 * Impressions that a carrier has run for its job: as planned, with more or fewer as its stations have counted more or fewer than was
 * planned. Source: identity; what was spoiled has turned the press too.
 */
export function impressionsRun(
  { steps }: Pick<RoomCard, 'steps'>,
  { tallies }: Pick<RoomState, 'tallies'>,
  { impressions, wornBy }: Pick<CardCarrier, 'impressions' | 'wornBy'>,
): number {
  const at = steps.filter(({ id }) => wornBy.includes(id));
  const planned = at.reduce((sum, { processUnits }) => sum + processUnits, 0);
  if (planned === 0) return impressions;
  const told = at.reduce((sum, step) => sum + ran(step, tallies.get(step.id) ?? NOTHING_YET), 0);
  return Math.ceil((impressions * told) / planned - ROUNDING);
}
