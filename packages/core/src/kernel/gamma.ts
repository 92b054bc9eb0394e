/** Taken once: it is called millions of times. */
const { log } = Math;

const LANCZOS = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
  -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** Logarithm of the gamma function. @param x above 0. Source: literature, Lanczos 1964. */
export function lnGamma(x: number): number {
  const z = x - 1;
  let sum = 0.99999999999980993;
  LANCZOS.forEach((value, i) => (sum += value / (z + i + 1)));
  const t = z + LANCZOS.length - 0.5;
  return 0.5 * log(2 * Math.PI) + (z + 0.5) * log(t) - t + log(sum);
}
