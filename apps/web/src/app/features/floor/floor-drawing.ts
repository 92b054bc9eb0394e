import { type FloorPlan, type FloorSlot, group, schedule } from '@druckerei/core';
import { inkColour } from '../../ui/ink-colour';

type Span = schedule.Span;

const round = (value: number): number => Math.round(value * 10) / 10;

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
  /** Inks before and after of the units that are washed, one under the other; none where there is no room. */
  readonly chips: readonly InkChip[];
}

/** What many parts look like together: a path for each look, so that however many they are there is little to draw. */
export interface Cords {
  readonly waists: string;
  readonly cords: string;
  readonly late: string;
  /** Where something is changed, and no inks tell it. */
  readonly marks: string;
}

/** An ink of a unit that is washed: two side by side, before and after. */
export interface InkChip {
  readonly x: number;
  readonly y: number;
  readonly colour: string;
}

/** People of a crew over time: how many it has, and how many its machines want. */
export interface CrewRow {
  readonly name: string;
  readonly y: number;
  /** Lines of steps, from left to right. */
  readonly present: string;
  readonly wanted: string;
}

export interface MachineRow {
  readonly machine: string;
  readonly y: number;
  readonly parts: readonly CordPart[];
  readonly cords: Cords;
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
  /** Chips of all rows, by their colour. */
  readonly chips: readonly { readonly colour: string; readonly path: string }[];
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

/** Side of a chip, most of them one under the other, and the least length of a station that has room for them. */
export const CHIP_PX = 6;
const MOST_CHIPS = 4;
const CHIPS_PX = 3 * CHIP_PX;

function chipsOf({ washes }: FloorSlot, x: number, y: number): InkChip[] {
  const shown = washes.slice(0, MOST_CHIPS);
  const top = y - ((shown.length - 1) * (CHIP_PX + 1) + CHIP_PX) / 2;
  return shown.flatMap(({ from, to }, i) =>
    [from, to].map(({ name, aim }, k) => ({
      x: x + k * CHIP_PX,
      y: top + i * (CHIP_PX + 1),
      colour: inkColour(name, aim),
    })),
  );
}

function chipPaths(chips: readonly InkChip[]): FloorDrawing['chips'] {
  const paths = new Map<string, string[]>();
  for (const { x, y, colour } of chips)
    group(paths, colour, `M ${round(x)} ${round(y)} h ${CHIP_PX} v ${CHIP_PX} h -${CHIP_PX} z`);
  return [...paths].map(([colour, all]) => ({ colour, path: all.join('') }));
}

/** A run of a moment is seen too. */
const LEAST_PX = 2;

const ROUND_PX = 4;

/** A box with round corners, as a path. */
function roundedBox(x: number, y: number, wide: number, high: number): string {
  const r = Math.min(ROUND_PX, wide / 2, high / 2);
  const corner = (dx: number, dy: number): string => `a ${round(r)} ${round(r)} 0 0 1 ${round(dx)} ${round(dy)}`;
  const [across, down] = [round(wide - 2 * r), round(high - 2 * r)];
  return `M ${round(x + r)} ${round(y)} h ${across} ${corner(r, r)} v ${down} ${corner(-r, r)} h ${-across} ${corner(-r, -r)} v ${-down} ${corner(r, -r)} z`;
}

/** Parts as paths, a look each. */
export function cordsOf(parts: readonly CordPart[]): Cords {
  const [waists, cords, late, marks]: [string[], string[], string[], string[]] = [[], [], [], []];
  for (const part of parts) {
    const { waist, run, y, thick, chips, slot } = part;
    waists.push(`M ${round(waist[0])} ${y} H ${round(waist[1])}`);
    const wide = Math.max(LEAST_PX, run[1] - run[0]);
    (part.late ? late : cords).push(roundedBox(run[0], y - thick / 2, wide, thick));
    if (chips.length === 0 && slot.changes.length > 0) marks.push(`M ${round(waist[0])} ${y} l 5 -5 l 5 5 l -5 5 z`);
  }
  return { waists: waists.join(''), cords: cords.join(''), late: late.join(''), marks: marks.join('') };
}

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

/** Height of a crew's line, for as many as it has places. */
const CREW_PX = 24;

/** A line of steps through so many at each minute. @param levels by minute, in order. */
function stepped(levels: readonly (readonly [number, number])[], time: FoldedTime, y: number, most: number): string {
  const height = (level: number): number => y + CREW_PX / 2 - (CREW_PX * Math.min(level, most)) / Math.max(1, most);
  return levels
    .map(([minute, level], i) => `${i === 0 ? 'M 0' : `H ${round(time.x(minute))} V`} ${round(height(level))}`)
    .concat(`H ${round(time.width)}`)
    .join(' ');
}

/** How many are there at each minute, out of stretches that each hold one. */
function levelsOf(stretches: readonly Span[], until: number): [number, number][] {
  const changes = new Map<number, number>([[0, 0]]);
  const add = (minute: number, by: number): Map<number, number> => changes.set(minute, (changes.get(minute) ?? 0) + by);
  for (const [from, to] of stretches) {
    if (from >= until) continue;
    add(Math.max(0, from), 1);
    add(Math.min(until, to), -1);
  }
  let level = 0;
  return [...changes].sort(([a], [b]) => a - b).map(([minute, by]) => [minute, (level += by)]);
}

/** Crews below the machines: people present, and wanted at once. */
function crewRows(
  plan: FloorPlan,
  crews: readonly CrewTimes[],
  time: FoldedTime,
  top: number,
  until: number,
): CrewRow[] {
  return crews.map(({ name, places }, i): CrewRow => {
    const y = top + i * ROW_PX + ROW_PX / 2;
    const spans = places.flatMap((open) => open.spans);
    const own = new Set(places.map((_, k) => `${name} ${k + 1}`));
    const held = plan.slots.flatMap(({ place, start, end }): Span[] =>
      place !== null && own.has(place) ? [[start, end]] : [],
    );
    return {
      name,
      y,
      present: stepped(levelsOf(spans, until), time, y, places.length),
      wanted: stepped(levelsOf(held, until), time, y, places.length),
    };
  });
}

/** A crew, and when each of its places is there. */
export interface CrewTimes {
  readonly name: string;
  readonly places: readonly schedule.OpenTime[];
}

/**
 * Chains of a schedule: a row for each machine that has work, a cord where it runs, a waist where it is set up.
 */
export function drawFloor(
  plan: FloorPlan,
  machines: readonly string[],
  open: ReadonlyMap<string, schedule.OpenTime>,
  crews: readonly CrewTimes[],
  zoom: Zoom,
): FloorDrawing & { readonly time: FoldedTime } {
  const own = new Map<string, FloorSlot[]>();
  for (const slot of plan.slots) if (slot.machine !== null && slot.end > slot.start) group(own, slot.machine, slot);
  const spare = new Map(plan.through.map(({ job, spare: left }) => [job, left]));
  const thickOf = thickness(plan);
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
      const thick = thickOf(slot, left);
      const chips = x2 - x1 >= CHIPS_PX ? chipsOf(slot, x1, y) : [];
      return { slot, waist: [x1, middle], run: [middle, x2], y, thick, late, label: x2 - middle > LABEL_PX, chips };
    });
    return { machine, y, parts, cords: cordsOf(parts) };
  });
  const seams = spans.slice(1).map(([from]) => time.x(from) - SEAM_PX / 2);
  const days = spans.filter(
    ([from], i) => i === 0 || Math.floor(from / 1440) !== Math.floor((spans[i - 1]?.[0] ?? 0) / 1440),
  );
  return {
    rows,
    chips: chipPaths(rows.flatMap(({ parts }) => parts.flatMap(({ chips }) => chips))),
    seams,
    days: days.map(([from]) => ({ x: time.x(from), minute: from })),
    crews: crewRows(plan, crews, time, HEAD_PX + used.length * ROW_PX, until),
    width: time.width,
    height: HEAD_PX + (used.length + crews.length) * ROW_PX + 8,
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
