import type { Sequence, Shop } from './shop.js';
import { get } from './tables.js';
import { decoded } from './timetable.js';

/** Minutes of an operation: its whole set-up, and its run. */
export interface Minutes {
  readonly setUp: number;
  readonly run: number;
}

/**
 * When an order is through in each of many runs of the same sequence, every operation with minutes of its own. What has begun stays as it is.
 * @param minutes of an operation in a run, from its usual ones; whole, at least 0. Cost: one reckoning of the whole schedule a run.
 */
export function throughsOf(
  shop: Shop,
  sequence: Sequence,
  order: number,
  runs: number,
  minutes: (run: number, operation: number, usual: Minutes) => Minutes,
): Float64Array {
  const decoder = decoded(shop, sequence);
  const usual = shop.operations.map((_, i) => ({ setUp: get(decoder.setUp, i), run: get(decoder.run, i) }));
  // What depends on what was on before stays where it is; the set-up of the mode takes the difference.
  const before = usual.map(({ setUp }, i) => setUp - get(decoder.base, i));
  return Float64Array.from({ length: runs }, (_, run) => {
    usual.forEach((one, i) => {
      if (shop.operations[i]?.frozen || get(decoder.held, i * decoder.tables.width) < 0) return;
      const drawn = minutes(run, i, one);
      decoder.base[i] = drawn.setUp - (before[i] ?? 0);
      decoder.run[i] = drawn.run;
    });
    decoder.redo();
    return get(decoder.through, order);
  });
}
