import fs from 'node:fs';
import { OpenTime } from './open-time.js';
import type { Operation, Shop } from './shop.js';

/** A job shop of the literature: per job, machine and minutes one after another; all of them are one order, whose end is the makespan. */
export function jobShop(jobs: readonly string[]): Shop {
  const rows = jobs.map((row) => row.trim().split(/\s+/).map(Number));
  const machines = (rows[0]?.length ?? 0) / 2;
  const operations: Operation[] = rows.flatMap((row, j) =>
    Array.from({ length: machines }, (_, k): Operation => {
      const [machine = 0, run = 0] = [row[2 * k], row[2 * k + 1]];
      return {
        id: `${j}.${k}`,
        order: 0,
        after: k === 0 ? [] : [{ operation: j * machines + k - 1, lag: 0 }],
        modes: [{ machine, beside: [], setUp: 0, run, dress: 0 }],
        release: 0,
      };
    }),
  );
  return {
    resources: Array.from({ length: machines }, (_, i) => ({ id: `m${i}`, kind: 'machine', open: OpenTime.ALWAYS })),
    operations,
    orders: [{ id: 'all', due: 0, weight: 1 }],
    dresses: 1,
    setUp: () => 0,
    weights: { late: 1, setUp: 0, through: 0 },
  };
}

/** Instances of the literature: per job, machine and minutes one after another, and the best makespan that is known. */
export const INSTANCES = JSON.parse(
  fs.readFileSync(new URL('../../../../docs/job-shops.json', import.meta.url), 'utf8'),
) as Readonly<Record<'ft06' | 'ft10' | 'la01' | 'la02' | 'la05', { name: string; best: number; jobs: string[] }>>;

/** A small shop with a choice of machines and set-ups by what was on before, and its least weighted lateness by an outside solver. */
export interface Flexible {
  /** Minutes on each machine, 0 where it cannot be done; dress; minutes that it waits after the one before. */
  readonly jobs: readonly (readonly {
    readonly run: readonly number[];
    readonly dress: number;
    readonly lag: number;
  }[])[];
  /** By the dress before, the first row on an empty machine, and the dress after. */
  readonly setUp: readonly (readonly number[])[];
  readonly due: readonly number[];
  readonly weight: readonly number[];
  readonly best: number;
}
/** Made by `npm run trial -- flexible`. */
export const FLEXIBLE = (
  JSON.parse(fs.readFileSync(new URL('../../../../docs/flexible-shops.json', import.meta.url), 'utf8')) as {
    readonly shops: readonly Flexible[];
  }
).shops;

export function flexibleShop({ jobs, setUp, due, weight }: Flexible): Shop {
  const machines = jobs[0]?.[0]?.run.length ?? 0;
  let count = 0;
  const operations = jobs.flatMap((steps, order) =>
    steps.map(({ run, dress, lag }, step): Operation => {
      const operation = count++;
      return {
        id: `${order}.${step}`,
        order,
        after: step === 0 ? [] : [{ operation: operation - 1, lag }],
        modes: run.flatMap((minutes, machine) =>
          minutes > 0 ? [{ machine, beside: [], setUp: 0, run: minutes, dress }] : [],
        ),
        release: 0,
      };
    }),
  );
  return {
    resources: Array.from({ length: machines }, (_, i) => ({ id: `m${i}`, kind: 'machine', open: OpenTime.ALWAYS })),
    operations,
    orders: due.map((minute, i) => ({ id: `${i}`, due: minute, weight: weight[i] ?? 1 })),
    dresses: setUp[0]?.length ?? 1,
    setUp: (before, after) => setUp[before === undefined ? 0 : before + 1]?.[after] ?? 0,
    weights: { late: 1, setUp: 0, through: 0 },
  };
}
