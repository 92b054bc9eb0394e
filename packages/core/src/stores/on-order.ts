/** What has been ordered of one thing and is still to come. */
export interface OnOrder {
  readonly key: string;
  /** In the need's unit: sheets, rolls, kg, pieces. */
  readonly quantity: number;
  /** ISO 8601 date on which it is to come. */
  readonly day: string;
  /** Number of the order to the supplier. */
  readonly order: string;
  /** What of it each job is to have, as it was ordered. */
  readonly jobs: readonly { readonly job: number; readonly quantity: number }[];
}

/** Jobs that a line of an order is kept for; what it holds beyond them is for whoever takes it first. */
export const MOST_JOBS_OF_LINE = 500;

/** So much, wanted by a day: by any day where nobody says one. */
export interface Wanted {
  readonly quantity: number;
  /** ISO 8601 date. */
  readonly due?: string | null | undefined;
}

/** Less than this of anything is nothing. */
const LEAST = 1e-9;
/** Behind every day. */
const NO_DAY = '9999-12-31';

const dayOf = ({ due }: Wanted): string => due ?? NO_DAY;

/**
 * What is short for each of those who want something, when what there is goes to those first who want it first: how much more is short
 * with each than with those before. In that order, those alone for whom something is short.
 * @param there what lies in the store and is free, 0 or more. Source: identity (cumulated supply under cumulated demand).
 */
export function shortShares<One extends Wanted>(
  wanted: readonly One[],
  there: number,
  coming: readonly Pick<OnOrder, 'quantity' | 'day'>[],
): { readonly of: One; readonly short: number }[] {
  const inTurn = [...wanted].sort((a, b) => dayOf(a).localeCompare(dayOf(b)));
  const arrivals = [...coming].sort((a, b) => a.day.localeCompare(b.day));
  let [asked, come, next, short] = [0, there, 0, 0];
  return inTurn.flatMap((of) => {
    for (let one = arrivals[next]; one && one.day <= dayOf(of); one = arrivals[++next]) come += one.quantity;
    asked += of.quantity;
    const before = short;
    short = Math.max(short, asked - come);
    // Sums of kilograms do not come out to the last digit.
    return short - before > LEAST ? [{ of, short: short - before }] : [];
  });
}

/**
 * When each of those who want something has all of it, when those come first who want it first: the day of the order that it comes with, `there` where it
 * lies in the store, `never` where too little is ordered. @param there what is free in the store. Source: identity, as {@link shortShares}.
 */
export function daysReady<One extends Wanted>(
  wanted: readonly One[],
  there: number,
  coming: readonly Pick<OnOrder, 'quantity' | 'day'>[],
): Map<One, string> {
  const arrivals = [...coming].sort((a, b) => a.day.localeCompare(b.day));
  const ready = new Map<One, string>();
  let [asked, come, next, day] = [0, there, 0, 'there'];
  for (const of of [...wanted].sort((a, b) => dayOf(a).localeCompare(dayOf(b)))) {
    asked += of.quantity;
    for (let one = arrivals[next]; one && come < asked - LEAST; one = arrivals[++next]) {
      come += one.quantity;
      day = one.day;
    }
    ready.set(of, come < asked - LEAST ? 'never' : day);
  }
  return ready;
}

/** What is short of what is wanted, however that is handed out: the most that is wanted by some day above what is there by then. */
export const shortOf = (...asked: Parameters<typeof shortShares>): number =>
  shortShares(...asked).reduce((sum, { short }) => sum + short, 0);

/** What a job is to have of all that is on order, in place of what all jobs are to have of it. */
export const onOrderFor = (all: readonly OnOrder[], job: number): OnOrder[] =>
  all.flatMap((one) => {
    const own = one.jobs.find((of) => of.job === job);
    return own ? [{ ...one, quantity: Math.min(one.quantity, own.quantity) }] : [];
  });

/** A line of an order, and what has come of it so far. */
export interface OrderedLine {
  readonly quantity: number;
  readonly received: number;
}
/** What is still to come of a line: nothing where more came than was ordered. */
export const openOf = ({ quantity, received }: OrderedLine): number => Math.max(0, quantity - received);

/**
 * What of a delivery goes to each job that it was ordered for, in their order, so that nobody else takes it: what a job has had
 * of earlier deliveries counts. @param received what came before. Source: practice, handbook chapter 6 "Buying".
 */
export function sharesOf(
  jobs: OnOrder['jobs'],
  received: number,
  came: number,
): { readonly job: number; readonly quantity: number }[] {
  let begun = 0;
  return jobs.flatMap(({ job, quantity }) => {
    const [from, to] = [begun, begun + quantity];
    begun = to;
    const share = Math.min(to, received + came) - Math.max(from, received);
    return share > 0 ? [{ job, quantity: share }] : [];
  });
}
