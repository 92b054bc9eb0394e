/** How a picture of red, green and blue is turned into separations, in words. */
export const ESTIMATE_WORDS = $localize`Estimate from RGB: K = 1 - max(R, G, B), C = max - R, M = max - G, Y = max - B; no profile, no paper white.`;

/**
 * Separations of RGBA pixels over white paper as words of C, M, Y, K: all grey goes to black, the rest to the colours.
 * An estimate: no press, paper or profile is in it. @param rgba four bytes a pixel. Source: identity, as stated.
 */
export function estimateSeparations(rgba: Uint8ClampedArray): Uint32Array {
  const bytes = new Uint8Array(rgba.length);
  for (let i = 0; i < rgba.length; i += 4) {
    const alpha = rgba[i + 3] ?? 255;
    const over = (value: number): number => Math.round((value * alpha + 255 * (255 - alpha)) / 255);
    const [r, g, b] = [over(rgba[i] ?? 0), over(rgba[i + 1] ?? 0), over(rgba[i + 2] ?? 0)];
    const most = Math.max(r, g, b);
    bytes[i] = most - r;
    bytes[i + 1] = most - g;
    bytes[i + 2] = most - b;
    bytes[i + 3] = 255 - most;
  }
  return new Uint32Array(bytes.buffer);
}
