import { signal } from '@angular/core';
import type { InSteps } from '@druckerei/core';

/** Milliseconds that lines are read before the page does something else. */
const READ_MS = 40;

/** The lines of a list, read a while at a time, so that the page goes on. */
export class LinesInSteps<Line> {
  private readonly all = signal<readonly Line[]>([]);
  private readonly many = signal<number | undefined>(undefined);
  /** None until every one has been read. */
  readonly lines = this.all.asReadonly();
  /** How many have been read, while there are more. */
  readonly soFar = this.many.asReadonly();

  /** Begins. @returns stops it */
  read(read: readonly Line[] | InSteps<readonly Line[]>): () => void {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = (lines: readonly Line[]): void => {
      this.many.set(undefined);
      this.all.set(lines);
    };
    const go = (steps: InSteps<readonly Line[]>): void => {
      const until = performance.now() + READ_MS;
      let step = steps.next();
      while (!step.done && performance.now() < until) step = steps.next();
      if (step.done) {
        end(step.value);
        return;
      }
      this.many.set(step.value);
      timer = setTimeout(() => go(steps));
    };
    this.all.set([]);
    if ('next' in read) go(read);
    else end(read);
    return () => clearTimeout(timer);
  }
}
