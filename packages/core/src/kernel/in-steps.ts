/** Work on a long list that may be halted: it tells how many rows it is through with, and comes to its result at the end. */
export type InSteps<Result> = Generator<number, Result>;

/** Rows between two halts. */
const HALT = 500;

/** Goes through rows one by one, halting every so many. */
export function* throughRows<Row>(rows: readonly Row[], each: (row: Row, at: number) => void): InSteps<void> {
  for (const [at, row] of rows.entries()) {
    each(row, at);
    if (at % HALT === HALT - 1) yield at + 1;
  }
}

/** The result of work that nobody halts. */
export function toEnd<Result>(steps: InSteps<Result>): Result {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
