/**
 * All sums a x first + b x second up to `limit`, rising, from 0: the only lengths at which a cut in a pattern of pieces
 * of these two sides needs to lie, since everything can be pushed to the left and down (normal patterns).
 * Source: literature, Herz 1972; Christofides and Whitlock 1977.
 * @param first, @param second whole units above 0; @param limit 0 or more. Cost: the number of sums.
 */
export function normalLengths(first: number, second: number, limit: number): readonly number[] {
  const sums = new Set<number>();
  for (let a = 0; a <= limit; a += first) for (let b = a; b <= limit; b += second) sums.add(b);
  return [...sums].sort((a, b) => a - b);
}

/** Index of the greatest length not above `value`, by halving. @param lengths rising, the first not above `value`. */
export function indexBelow(lengths: readonly number[], value: number): number {
  let [low, high] = [0, lengths.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((lengths[middle] ?? Infinity) <= value) low = middle;
    else high = middle - 1;
  }
  return low;
}
