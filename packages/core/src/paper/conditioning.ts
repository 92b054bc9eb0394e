import type { Hour } from '../kernel/index.js';

/** Least and most hours that a pile wants in the press room before it is opened. */
export interface ConditioningHours {
  readonly from: Hour;
  readonly to: Hour;
}

/** Pile volumes and temperature differences of the table's rows and columns. */
export const CONDITIONING_VOLUMES_M3 = [0.25, 0.5, 1, 2] as const;
/** Differences of pile and room that the table of conditioning knows, K. Source: handbook chapter 3. */
export const CONDITIONING_KELVIN = [5, 10, 15, 20] as const;

/** Longest that practice gives, three days. Source: practice, handbook chapter 3. */
export const MOST_CONDITIONING_HOURS = 72;

/**
 * The anchor points of practice: 0.25 m3 and 5 K about 6 h, 1 m3 and 10 K 20 to 24 h. Hours grow with the temperature
 * difference in proportion and with the volume by the power that joins both points.
 * Source: practice, handbook chapter 3; the power between the points is ours (identity through both points).
 */
export const CONDITIONING_ANCHOR = { volumeM3: 0.25, kelvin: 5, hours: 6 } as const;
/** Powers of the volume through 20 h and through 24 h. */
export const CONDITIONING_POWERS = [20, 24].map(
  (hours) => Math.log(hours / (2 * CONDITIONING_ANCHOR.hours)) / Math.log(1 / CONDITIONING_ANCHOR.volumeM3),
) as unknown as readonly [number, number];

/**
 * Hours that a wrapped pile stands in the press room before it is opened. Paper moves with humidity, across the grain
 * about three times as much as along (practice); cold paper brought into warm air takes the room's moisture at its edges.
 * @param volumeM3 pile volume, above 0; @param kelvin difference of temperature, 0 or more.
 * Source: practice, handbook chapter 3.
 */
export function conditioningHours(volumeM3: number, kelvin: number): ConditioningHours {
  const hours = (power: number): Hour =>
    Math.min(
      MOST_CONDITIONING_HOURS,
      CONDITIONING_ANCHOR.hours *
        (kelvin / CONDITIONING_ANCHOR.kelvin) *
        (volumeM3 / CONDITIONING_ANCHOR.volumeM3) ** power,
    );
  const [a, b] = [hours(CONDITIONING_POWERS[0]), hours(CONDITIONING_POWERS[1])];
  return { from: Math.min(a, b), to: Math.max(a, b) };
}
