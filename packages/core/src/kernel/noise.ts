/** Taken once: it is called millions of times. */
const { imul } = Math;

/** Numbers 0 to below 1 from a seed and a place in the run, the same whatever was asked before. Source: literature (a 32-bit mix). */
export function uniform(seed: number, place: number): number {
  let x = (seed ^ imul(place, 0x9e3779b1)) >>> 0;
  x = imul(x ^ (x >>> 16), 0x85ebca6b);
  x = imul(x ^ (x >>> 13), 0xc2b2ae35);
  return ((x ^ (x >>> 16)) >>> 0) / 2 ** 32;
}

/** A normal number, mean 0 and deviation 1. Source: literature, Box and Muller 1958. */
export function normal(seed: number, place: number): number {
  const u = Math.max(uniform(seed, 2 * place), Number.MIN_VALUE);
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * uniform(seed, 2 * place + 1));
}

/** Deviations beyond which a twentieth of normal numbers lies on either side: nine of ten lie within. Source: identity. */
export const NINE_OF_TEN = 1.644853626951473;
