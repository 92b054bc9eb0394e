/** Units that one side of one pass may use: from `first`, so many. */
export interface UnitRange {
  readonly first: number;
  readonly count: number;
}

/**
 * Places inks in their order on the units of a range, so that the fewest units are washed; among equals the first units
 * from the feeder. An empty unit needs no wash. @param before ink now in each unit of the press, '' where clean.
 * @returns undefined where the units are too few. Source: identity (shortest way over order and units).
 */
export function placeInks(
  inks: readonly string[],
  { first, count }: UnitRange,
  before: readonly string[],
): readonly number[] | undefined {
  if (inks.length > count) return undefined;
  const washes = (ink: number, unit: number): number => {
    const now = before[unit] ?? '';
    return now === '' || now === inks[ink] ? 0 : 1;
  };
  // best[i][u]: fewest washes of the inks from i on, the units from u on still free.
  const best = Array.from({ length: inks.length + 1 }, () => new Array<number>(count + 1).fill(Infinity));
  for (let u = 0; u <= count; u++) (best[inks.length] ?? [])[u] = 0;
  const at = (i: number, u: number): number => best[i]?.[u] ?? Infinity;
  for (let i = inks.length - 1; i >= 0; i--)
    for (let u = count - 1; u >= 0; u--)
      (best[i] ?? [])[u] = Math.min(at(i, u + 1), washes(i, first + u) + at(i + 1, u + 1));
  const places: number[] = [];
  for (let u = 0; places.length < inks.length; u++) {
    const i = places.length;
    if (washes(i, first + u) + at(i + 1, u + 1) === at(i, u)) places.push(first + u);
  }
  return places;
}

/** How many inks go into each of the fewest passes that hold them all, in order. @param units above 0. */
export const passesFor = (inks: readonly string[], units: number): (readonly string[])[] =>
  Array.from({ length: Math.ceil(inks.length / units) }, (_, pass) => inks.slice(pass * units, (pass + 1) * units));
