import { Injectable, signal } from '@angular/core';
import type { BestPlan, Job, Rung, Works } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { bestRun } from '../../../platform/best-client';

/** Better plans of the open job and its ladder of quantities: found in workers, kept while the page is open. */
@Injectable()
export class BestStore {
  readonly search = bestRun();
  readonly best = signal<BestPlan | null>(null);
  /** Why there is no best plan. */
  readonly problems = signal<readonly string[]>([]);
  readonly climb = bestRun();
  readonly rungs = signal<readonly Rung[]>([]);
  readonly breakEven = signal<number | undefined>(undefined);
  readonly climbProblems = signal<readonly string[]>([]);

  find(job: Job, works: Works): void {
    this.best.set(null);
    this.problems.set([]);
    this.search.start({ kind: 'best', job, works }, (answer) => {
      if (answer.kind === 'so far') this.best.set(answer.best);
      else if (answer.kind === 'best' && answer.outcome.ok) this.best.set(answer.outcome.value);
      else if (answer.kind === 'best' && !answer.outcome.ok) this.problems.set(answer.outcome.issues.map(issueText));
    });
  }

  climbAll(job: Job, works: Works, quantities: readonly number[]): void {
    this.rungs.set([]);
    this.breakEven.set(undefined);
    this.climbProblems.set([]);
    this.climb.start({ kind: 'ladder', job, works, quantities }, (answer) => {
      if (answer.kind === 'rung') this.rungs.update((rungs) => [...rungs, answer.rung]);
      else if (answer.kind === 'ladder' && answer.outcome.ok) this.breakEven.set(answer.outcome.value.breakEven);
      else if (answer.kind === 'ladder' && !answer.outcome.ok)
        this.climbProblems.set(answer.outcome.issues.map(issueText));
    });
  }
}
