/** What is under way for a job last, by job. */
const last = new Map<number, Promise<unknown>>();

/**
 * Does one thing after another for a job, in the order that they came: who waits for the job's lock waits here, and not with a
 * connection of the pool in hand. Another instance still waits for the lock.
 */
export function inTurn<Result>(job: number, work: () => Promise<Result>): Promise<Result> {
  const before = last.get(job);
  const run = before ? before.then(work, work) : work();
  last.set(job, run);
  const done = (): void => {
    if (last.get(job) === run) last.delete(job);
  };
  run.then(done, done);
  return run;
}
