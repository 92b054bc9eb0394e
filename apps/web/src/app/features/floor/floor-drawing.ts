import { type FloorPlan, type FloorSlot, group, schedule } from '@druckerei/core';

type Span = schedule.Span;

/** How far a screen looks: pixels of an open hour. */
export const ZOOMS = { shift: 90, week: 22, month: 6 } as const;
export type Zoom = keyof typeof ZOOMS;

/** Width of what is closed: a seam, however long it is. */
const SEAM_PX = 14;
const ROW_PX = 38;
const HEAD_PX = 34;

/** Places of minutes on the drawing: open hours to scale, closed ones folded into a seam. */
export class FoldedTime {
  private readonly starts: number[] = [];
  readonly width: number;
  constructor(
    readonly spans: readonly Span[],
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

/** A stretch of work on a machine's cord, and the waist before it. */
export interface CordPart {
  readonly slot: FloorSlot;
  /** Waist while it is set up, cord while it runs: lines from left to right. */
  readonly waist: readonly [number, number];
  readonly run: readonly [number, number];
  readonly y: number;
  /** Thick where an hour is dear: for what is late or soon would be. */
  readonly thick: number;
  readonly late: boolean;
  /** Room for its number. */
  readonly label: boolean;
}

export interface MachineRow {
  readonly machine: string;
  readonly y: number;
  readonly parts: readonly CordPart[];
}

/** From a station of a job to the next. */
export interface ThreadPart {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  /** Dashed while it lies and dries, dotted while it waits. */
  readonly kind: 'lies' | 'waits';
}

export interface FloorDrawing {
  readonly rows: readonly MachineRow[];
  readonly days: readonly { readonly x: number; readonly minute: number }[];
  readonly seams: readonly number[];
  readonly width: number;
  readonly height: number;
}

const THICK = { late: 20, tight: 14, easy: 9 } as const;
/** Minutes to spare below which an hour is dear. */
const TIGHT_MIN = 1440;
const LABEL_PX = 62;

/**
 * Chains of a schedule: a row for each machine that has work, a cord where it runs, a waist where it is set up.
 */
export function drawFloor(
  plan: FloorPlan,
  machines: readonly string[],
  open: ReadonlyMap<string, schedule.OpenTime>,
  zoom: Zoom,
): FloorDrawing & { readonly time: FoldedTime } {
  const own = new Map<string, FloorSlot[]>();
  for (const slot of plan.slots) if (slot.machine !== null && slot.end > slot.start) group(own, slot.machine, slot);
  const spare = new Map(plan.through.map(({ job, spare: left }) => [job, left]));
  const used = machines.filter((machine) => own.has(machine));
  const until = plan.slots.reduce((last, { end }) => Math.max(last, end), 0);
  // Open where any of them is, as far as the schedule goes.
  const spans = schedule.joinSpans(
    used.flatMap((machine) => open.get(machine)?.spans ?? []).filter(([from]) => from < until),
  );
  const time = new FoldedTime(spans, ZOOMS[zoom] / 60);
  const rows = used.map((machine, i): MachineRow => {
    const y = HEAD_PX + i * ROW_PX + ROW_PX / 2;
    const slots = (own.get(machine) ?? []).sort((a, b) => a.start - b.start);
    const parts = slots.map((slot): CordPart => {
      const left = spare.get(slot.job) ?? Infinity;
      const late = left < 0;
      const hours = open.get(machine) ?? schedule.OpenTime.ALWAYS;
      const [x1, x2] = [time.x(slot.start), time.x(slot.end)];
      const middle = slot.setUp === 0 ? x1 : time.x(hours.endAt(hours.openBefore(slot.start) + slot.setUp));
      const thick = late ? THICK.late : left < TIGHT_MIN ? THICK.tight : THICK.easy;
      return { slot, waist: [x1, middle], run: [middle, x2], y, thick, late, label: x2 - middle > LABEL_PX };
    });
    return { machine, y, parts };
  });
  const seams = spans.slice(1).map(([from]) => time.x(from) - SEAM_PX / 2);
  const days = spans.filter(
    ([from], i) => i === 0 || Math.floor(from / 1440) !== Math.floor((spans[i - 1]?.[0] ?? 0) / 1440),
  );
  return {
    rows,
    seams,
    days: days.map(([from]) => ({ x: time.x(from), minute: from })),
    width: time.width,
    height: HEAD_PX + used.length * ROW_PX + 8,
    time,
  };
}

/** The thread of one job from row to row, in the order of time. */
export function threadOf(
  job: number,
  plan: FloorPlan,
  drawing: FloorDrawing & { readonly time: FoldedTime },
): ThreadPart[] {
  const rows = new Map(drawing.rows.map(({ machine, y }) => [machine, y]));
  const slots = plan.slots
    .filter((slot) => slot.job === job && slot.machine !== null)
    .sort((a, b) => a.start - b.start);
  return slots.slice(1).flatMap((slot, i): ThreadPart[] => {
    const before = slots[i];
    const [y1, y2] = [rows.get(before?.machine ?? ''), rows.get(slot.machine ?? '')];
    if (!before || y1 === undefined || y2 === undefined) return [];
    const { time } = drawing;
    return [
      {
        from: [time.x(Math.min(before.end, slot.start)), y1],
        to: [time.x(slot.start), y2],
        kind: slot.cause.kind === 'link' ? 'lies' : 'waits',
      },
    ];
  });
}

/** Where a part that is dragged would go: into the waist nearest to the pointer, of a machine that can do it. */
export interface DropPlace {
  readonly machine: string;
  /** The slot that it would go ahead of; behind the last where there is none. */
  readonly before: FloorSlot | undefined;
  readonly last: FloorSlot | undefined;
  readonly x: number;
  readonly y: number;
}

/** The waist at a point; undefined off the rows, on a machine that cannot do it, or where it stands already. */
export function dropAt(
  drawing: FloorDrawing,
  dragged: FloorSlot,
  able: readonly string[],
  x: number,
  y: number,
): DropPlace | undefined {
  const row = drawing.rows.find((one) => Math.abs(one.y - y) <= ROW_PX / 2);
  if (!row || !able.includes(row.machine)) return undefined;
  const parts = row.parts.filter(({ slot }) => !slot.frozen);
  const at = parts.findIndex(({ waist: [left], run: [, right] }) => x < (left + right) / 2);
  const [next, previous] = at < 0 ? [undefined, parts.at(-1)] : [parts[at], parts[at - 1]];
  if (next?.slot === dragged || (previous?.slot === dragged && row.machine === dragged.machine)) return undefined;
  return {
    machine: row.machine,
    before: next?.slot,
    last: previous?.slot,
    x: next?.waist[0] ?? previous?.run[1] ?? 0,
    y: row.y,
  };
}
