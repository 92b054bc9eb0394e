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

/**
 * What is short of what is wanted, however that is handed out: the most that is wanted by some day above what is there by then.
 * @param there what lies in the store and is free, 0 or more. Source: identity (cumulated supply under cumulated demand).
 */
export function shortOf(
  wanted: readonly Wanted[],
  there: number,
  coming: readonly Pick<OnOrder, 'quantity' | 'day'>[],
): number {
  const days = [...new Set(wanted.map(({ due }) => due ?? NO_DAY))];
  const sum = (of: readonly { readonly quantity: number }[]): number =>
    of.reduce((total, { quantity }) => total + quantity, 0);
  const shortBy = (day: string): number =>
    sum(wanted.filter(({ due }) => (due ?? NO_DAY) <= day)) - there - sum(coming.filter((one) => one.day <= day));
  const short = Math.max(0, ...days.map(shortBy));
  // Sums of kilograms do not come out to the last digit.
  return short < LEAST ? 0 : short;
}

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
