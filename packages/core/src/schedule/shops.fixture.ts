import { uniform } from '../kernel/index.js';
import { type Span, OpenTime } from './open-time.js';
import type { Mode, Operation, Resource, Shop } from './shop.js';

export interface ShopSize {
  readonly jobs: number;
  readonly steps: number;
  readonly machines: number;
  /** Kinds of machines: step k of a job wants kind k modulo this. */
  readonly kinds?: number;
  /** How far due dates reach, as a share of the work that the busiest kind has. */
  readonly slack?: number;
  readonly calendars?: boolean;
  readonly crew?: boolean;
  readonly piles?: boolean;
}

const DAY = 1440;
/** Two shifts on five days of the week. */
const WEEKDAYS = new OpenTime(
  Array.from({ length: 400 }, (_, day) => day).flatMap((day): Span[] =>
    day % 7 < 5 ? [[day * DAY + 360, day * DAY + 1320]] : [],
  ),
);
const ONE_SHIFT = new OpenTime(
  Array.from({ length: 400 }, (_, day) => day).flatMap((day): Span[] =>
    day % 7 < 5
      ? [
          [day * DAY + 420, day * DAY + 700],
          [day * DAY + 730, day * DAY + 960],
        ]
      : [],
  ),
);

/** A made-up works, the same for the same seed: jobs through kinds of machines that differ in speed, with set-ups by colour. */
export function madeShop(seed: number, size: ShopSize): Shop {
  const { jobs, steps, machines, kinds = steps, slack = 0.8, calendars = false, crew = false, piles = false } = size;
  let drawn = 0;
  const draw = (): number => uniform(seed, drawn++);
  const whole = (from: number, to: number): number => from + Math.floor(draw() * (to - from + 1));
  const resources: Resource[] = Array.from({ length: machines }, (_, i) => ({
    id: `machine ${i}`,
    kind: 'machine',
    open: calendars ? (i % 2 === 0 ? WEEKDAYS : ONE_SHIFT) : OpenTime.ALWAYS,
  }));
  const places = crew ? Array.from({ length: Math.ceil(machines * 0.7) }, (_, i) => machines + i) : [];
  for (const i of places)
    resources.push({ id: `place ${i}`, kind: 'place', open: calendars ? WEEKDAYS : OpenTime.ALWAYS });
  const speed = Array.from({ length: machines }, () => 0.8 + 0.6 * draw());
  const dressesOf = 8;
  const operations: Operation[] = [];
  const load = new Float64Array(kinds);
  for (let j = 0; j < jobs; j++)
    for (let k = 0; k < steps; k++) {
      const kind = (k + (j % 3 === 0 && k > 1 ? 1 : 0)) % kinds;
      const dress = kind * dressesOf + whole(0, dressesOf - 1);
      const minutes = whole(30, 240);
      const able = resources.flatMap((_, m) => (m < machines && m % kinds === kind ? [m] : []));
      const modes = able.map((machine): Mode => ({
        machine,
        beside: places.length > 0 ? [places] : [],
        setUp: 15,
        run: Math.ceil(minutes / (speed[machine] ?? 1)),
        dress,
      }));
      load[kind] = (load[kind] ?? 0) + minutes / able.length;
      const at = operations.length;
      operations.push({
        id: `${j}.${k}`,
        order: j,
        after:
          k === 0
            ? []
            : [
                {
                  operation: at - 1,
                  lag: draw() < 0.2 ? whole(60, 480) : 0,
                  piles: piles && draw() < 0.5 ? { first: 0.25, last: 0.25 } : undefined,
                },
              ],
        modes,
        release: 0,
      });
    }
  const span = Math.max(...load) * (calendars ? 3 : 1);
  const orders = Array.from({ length: jobs }, (_, j) => ({
    id: `job ${j}`,
    due: Math.round(span * slack * (0.15 + 0.85 * draw())),
    weight: whole(1, 4),
  }));
  return {
    resources,
    operations,
    orders,
    dresses: kinds * dressesOf,
    setUp: (before, after) => (before === undefined || before === after ? 0 : before < after ? 15 : 35),
    weights: { late: 1, setUp: 0.1, through: 0.0001 },
  };
}
