import { type FloorPlan, type FloorSlot, group, schedule } from '@druckerei/core';
import { type CordPart, LEAST_PX } from './cord-paths';
import { type CrewRow, type CrewTimes, crewRows } from './crew-rows';
import { FoldedTime, SEAM_PX, ZOOMS, type Zoom } from './folded-time';

const ROW_PX = 38;
const HEAD_PX = 34;

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
  readonly crews: readonly CrewRow[];
  readonly days: readonly { readonly x: number; readonly minute: number }[];
  readonly seams: readonly number[];
  readonly width: number;
  readonly height: number;
}

/** Thinnest and thickest cord. */
const THIN_PX = 8;
const THICK_PX = 21;
/** Minutes to spare below which an hour is dear where nothing has a price. */
const TIGHT_MIN = 1440;

/** How thick cords are: by what an hour is worth then, or by what is left until it is due where no hour is short. */
function thickness(plan: FloorPlan): (slot: FloorSlot, spare: number) => number {
  const dearest = plan.slots.reduce((most, { dear }) => Math.max(most, dear), 0);
  const px = (share: number): number => THIN_PX + (THICK_PX - THIN_PX) * share;
  return ({ dear }, spare) => {
    if (dearest > 0) return px(Math.sqrt(dear / dearest));
    return px(spare < 0 ? 1 : spare < TIGHT_MIN ? 0.5 : 0);
  };
}
const LABEL_PX = 62;

/** Pixels beside a part that still count as on it. */
const NEAR_PX = 3;

/** The part at a point; undefined where there is none. */
export function partAt({ rows }: Pick<FloorDrawing, 'rows'>, x: number, y: number): CordPart | undefined {
  const parts = rows.find((row) => Math.abs(row.y - y) <= ROW_PX / 2)?.parts ?? [];
  const off = ({ waist, run }: CordPart): number => Math.max(0, waist[0] - x, x - Math.max(run[1], run[0] + LEAST_PX));
  let nearest: CordPart | undefined;
  for (const part of parts) if (off(part) <= NEAR_PX && (!nearest || off(part) < off(nearest))) nearest = part;
  return nearest;
}

/** A plan by machine, whatever is looked at of it. */
export interface LaidFloor {
  readonly plan: FloorPlan;
  readonly rows: readonly { readonly machine: string; readonly parts: readonly LaidPart[] }[];
  /** When any of the machines is open, as far as the plan goes; and the minute that it goes to. */
  readonly spans: readonly schedule.Span[];
  readonly until: number;
}
interface LaidPart extends Pick<CordPart, 'slot' | 'thick' | 'late'> {
  /** Minute by which it is set up. */
  readonly ready: number;
}

/** What runs on each machine that has work, one after another. */
export function layFloor(
  plan: FloorPlan,
  machines: readonly string[],
  open: ReadonlyMap<string, schedule.OpenTime>,
): LaidFloor {
  const own = new Map<string, FloorSlot[]>();
  for (const slot of plan.slots) if (slot.machine !== null && slot.end > slot.start) group(own, slot.machine, slot);
  const spare = new Map(plan.through.map(({ job, spare: left }) => [job, left]));
  const thickOf = thickness(plan);
  const used = machines.filter((machine) => own.has(machine));
  const until = plan.slots.reduce((last, { end }) => Math.max(last, end), 0);
  const rows = used.map((machine) => {
    const hours = open.get(machine) ?? schedule.OpenTime.ALWAYS;
    const slots = (own.get(machine) ?? []).sort((a, b) => a.start - b.start);
    const parts = slots.map((slot): LaidPart => {
      const left = spare.get(slot.job) ?? Infinity;
      const ready = slot.setUp === 0 ? slot.start : hours.endAt(hours.openBefore(slot.start) + slot.setUp);
      return { slot, thick: thickOf(slot, left), late: left < 0, ready };
    });
    return { machine, parts };
  });
  const spans = schedule.joinSpans(
    used.flatMap((machine) => open.get(machine)?.spans ?? []).filter(([from]) => from < until),
  );
  return { plan, rows, spans, until };
}

/**
 * Chains of a schedule: a row for each machine that has work, a cord where it runs, a waist where it is set up.
 */
export function drawFloor(
  { plan, rows: laid, spans, until }: LaidFloor,
  crews: readonly CrewTimes[],
  zoom: Zoom,
): FloorDrawing & { readonly time: FoldedTime } {
  const time = new FoldedTime(spans, ZOOMS[zoom] / 60);
  const rows = laid.map(({ machine, parts }, i): MachineRow => {
    const y = HEAD_PX + i * ROW_PX + ROW_PX / 2;
    return {
      machine,
      y,
      parts: parts.map(({ slot, thick, late, ready }): CordPart => {
        const [x1, x2] = [time.x(slot.start), time.x(slot.end)];
        const middle = ready === slot.start ? x1 : time.x(ready);
        return { slot, waist: [x1, middle], run: [middle, x2], y, thick, late, label: x2 - middle > LABEL_PX };
      }),
    };
  });
  const seams = spans.slice(1).map(([from]) => time.x(from) - SEAM_PX / 2);
  const days = spans.filter(
    ([from], i) => i === 0 || Math.floor(from / 1440) !== Math.floor((spans[i - 1]?.[0] ?? 0) / 1440),
  );
  return {
    rows,
    seams,
    days: days.map(([from]) => ({ x: time.x(from), minute: from })),
    crews: crewRows(plan, crews, time, HEAD_PX + rows.length * ROW_PX, ROW_PX, until),
    width: time.width,
    height: HEAD_PX + (rows.length + crews.length) * ROW_PX + 8,
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
