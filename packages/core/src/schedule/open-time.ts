/** A minute that never comes: where a calendar ends. Sums of a few of them stay within 32 bits. */
export const NEVER = 2 ** 29;

/** Open from the first minute up to, not including, the second. */
export type Span = readonly [number, number];

const BUCKET = 60;

/** In order, put together where they touch or overlap, empty ones left out. */
export function joinSpans(spans: readonly Span[]): Span[] {
  const joined: [number, number][] = [];
  for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
    const last = joined.at(-1);
    if (to <= from) continue;
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  return joined;
}

/** What is open in both. Both in order and apart. */
export function meetSpans(a: readonly Span[], b: readonly Span[]): Span[] {
  const met: Span[] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    const [one, other] = [a[i], b[j]];
    if (!one || !other) break;
    const [from, to] = [Math.max(one[0], other[0]), Math.min(one[1], other[1])];
    if (from < to) met.push([from, to]);
    if (one[1] < other[1]) i++;
    else j++;
  }
  return met;
}

/** What is open of the first and not in the second. Both in order and apart. */
export function withoutSpans(open: readonly Span[], closed: readonly Span[]): Span[] {
  const left: Span[] = [];
  let j = 0;
  for (const [from, to] of open) {
    let at = from;
    while (j < closed.length && (closed[j]?.[1] ?? 0) <= at) j++;
    for (let k = j; k < closed.length; k++) {
      const [shut, again] = closed[k] ?? [to, to];
      if (shut >= to) break;
      if (shut > at) left.push([at, shut]);
      at = Math.max(at, again);
    }
    if (at < to) left.push([at, to]);
  }
  return left;
}

/**
 * When something is open, in whole minutes from the beginning of the schedule. Work is counted in **open minutes**: minute `o` of the open
 * ones begins at {@link startAt}; so many are through at {@link endAt}. Times past the last span are {@link NEVER}.
 */
export class OpenTime {
  static readonly ALWAYS = new OpenTime([[0, NEVER]]);
  readonly spans: readonly Span[];
  /** Open minutes in all. */
  readonly total: number;
  private readonly always: boolean;
  private readonly froms: Int32Array;
  private readonly tos: Int32Array;
  /** Open minutes before each span. */
  private readonly sums: Int32Array;
  /** First span that ends after an hour begins; first span that holds the first open minute of each open hour. */
  private readonly byHour: Int32Array;
  private readonly byOpenHour: Int32Array;

  constructor(spans: readonly Span[]) {
    this.spans = joinSpans(spans);
    const n = this.spans.length;
    this.always = n === 1 && this.spans[0]?.[0] === 0 && this.spans[0][1] >= NEVER;
    this.froms = Int32Array.from(this.spans, ([from]) => from);
    this.tos = Int32Array.from(this.spans, ([, to]) => to);
    this.sums = new Int32Array(n + 1);
    this.spans.forEach(([from, to], i) => (this.sums[i + 1] = (this.sums[i] ?? 0) + to - from));
    this.total = this.sums[n] ?? 0;
    this.byHour = this.always ? new Int32Array(0) : this.indexed(this.tos);
    this.byOpenHour = this.always ? new Int32Array(0) : this.indexed(this.sums.subarray(1));
  }

  private indexed(ends: Int32Array): Int32Array {
    const last = ends.at(-1) ?? 0;
    const index = new Int32Array(Math.floor(last / BUCKET) + 2);
    let i = 0;
    for (let hour = 0; hour < index.length; hour++) {
      while (i < ends.length && (ends[i] ?? 0) <= hour * BUCKET) i++;
      index[hour] = i;
    }
    return index;
  }

  /** Open minutes before a minute. */
  openBefore(minute: number): number {
    if (this.always) return minute;
    let i = this.byHour[Math.floor(minute / BUCKET)] ?? this.tos.length;
    while (i < this.tos.length && (this.tos[i] ?? 0) <= minute) i++;
    if (i >= this.tos.length) return this.total;
    return (this.sums[i] ?? 0) + Math.max(0, minute - (this.froms[i] ?? 0));
  }

  /** The fewest open minutes that are through no earlier than a minute. */
  openUntil(minute: number): number {
    if (this.always) return minute;
    const before = this.openBefore(minute);
    return this.endAt(before) >= minute ? before : before + 1;
  }

  /** When open minute `open` (from 0) begins. */
  startAt(open: number): number {
    if (this.always) return open;
    if (open >= this.total) return NEVER;
    let i = this.byOpenHour[Math.floor(open / BUCKET)] ?? 0;
    while ((this.sums[i + 1] ?? NEVER) <= open) i++;
    return (this.froms[i] ?? 0) + open - (this.sums[i] ?? 0);
  }

  /** When `open` open minutes are through; the first of all for 0. */
  endAt(open: number): number {
    if (this.always) return open;
    if (open <= 0) return this.froms[0] ?? NEVER;
    return open > this.total ? NEVER : this.startAt(open - 1) + 1;
  }

  /** The first open minute at or after a minute. */
  nextOpen(minute: number): number {
    return this.startAt(this.openBefore(minute));
  }
}
