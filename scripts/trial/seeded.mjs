/** Draws that are the same for the same seed. Source: literature, mulberry32 (public domain generator). */
export function seeded(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  return {
    below: (n) => Math.floor(next() * n),
    chance: (share) => next() < share,
    of: (list) => list[Math.floor(next() * list.length)],
  };
}
