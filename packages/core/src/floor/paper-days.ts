import { group } from '../kernel/index.js';
import { type OnOrder, daysReady } from '../stores/index.js';
import type { FloorStep } from './steps.js';

/** What lies in the store of a key, and what each job has reserved of it. */
export interface FloorStock {
  readonly key: string;
  readonly quantity: number;
  readonly reserved: readonly { readonly job: number; readonly quantity: number }[];
  /** What jobs have taken in of it on the floor. */
  readonly drawn: readonly { readonly job: number; readonly quantity: number }[];
}
/** What lies in the store, and what is on order. */
export interface FloorPaper {
  readonly stock: readonly FloorStock[];
  readonly coming: readonly OnOrder[];
}

/** Who wants a paper, and by when. */
interface Wanting {
  readonly job: number;
  readonly due: string | undefined;
  readonly quantity: number;
}

/** When jobs have their paper, by job and key: what one has reserved is there for it, the rest goes to those first that are due first. See {@link daysReady}. */
export function paperDays(
  { stock, coming }: FloorPaper,
  jobs: readonly { readonly id: number; readonly due: string | undefined; readonly steps: readonly FloorStep[] }[],
): (job: number, key: string) => string | undefined {
  const wanting = new Map<string, Wanting[]>();
  for (const { id, due, steps } of jobs) {
    const wants = new Map(steps.flatMap(({ wants: of }) => (of?.paper ? [[of.paper.key, of.paper.quantity]] : [])));
    for (const [key, quantity] of wants) group(wanting, key, { job: id, due, quantity });
  }
  const lies = new Map(stock.map((one) => [one.key, one]));
  const days = new Map<string, string>();
  for (const [key, wanted] of wanting) {
    const { quantity = 0, reserved = [], drawn = [] } = lies.get(key) ?? {};
    const own = new Map(reserved.map((one) => [one.job, one.quantity]));
    const had = new Map(drawn.map((one) => [one.job, one.quantity]));
    const free = Math.max(0, quantity - reserved.reduce((sum, one) => sum + one.quantity, 0));
    const open = wanted.flatMap((one) => {
      const left = one.quantity - (own.get(one.job) ?? 0) - (had.get(one.job) ?? 0);
      return left > 0 ? [{ ...one, quantity: left }] : [];
    });
    const ordered = coming.filter((one) => one.key === key);
    for (const [one, day] of daysReady(open, free, ordered)) days.set(`${one.job}/${key}`, day);
  }
  return (job, key) => days.get(`${job}/${key}`);
}
