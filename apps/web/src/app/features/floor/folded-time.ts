import type { schedule } from '@druckerei/core';

/** How far a screen looks: pixels of an open hour. */
export const ZOOMS = { shift: 90, week: 22, month: 6 } as const;
export type Zoom = keyof typeof ZOOMS;

/** Width of what is closed: a seam, however long it is. */
export const SEAM_PX = 14;
/** Pixels to a tenth: what is drawn needs no more. */
export const round = (value: number): number => Math.round(value * 10) / 10;

/** Places of minutes on the drawing: open hours to scale, closed ones folded into a seam. */
export class FoldedTime {
  private readonly starts: number[] = [];
  readonly width: number;
  constructor(
    readonly spans: readonly schedule.Span[],
    private readonly pxPerMinute: number,
  ) {
    let x = 0;
    for (const [from, to] of spans) {
      this.starts.push(x);
      x += (to - from) * pxPerMinute + SEAM_PX;
    }
    this.width = Math.max(0, x - SEAM_PX);
  }
  x(minute: number): number {
    let [low, high] = [0, this.spans.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if ((this.spans[middle]?.[0] ?? 0) <= minute) low = middle;
      else high = middle - 1;
    }
    const [from, to] = this.spans[low] ?? [0, 0];
    const within = Math.max(0, Math.min(minute, to) - from);
    return (this.starts[low] ?? 0) + within * this.pxPerMinute + (minute > to ? SEAM_PX / 2 : 0);
  }
}
