import { Injectable } from '@angular/core';
import type { Job } from '@druckerei/core';
import { kept } from '../../../ui/kept';

/** Jobs kept as they were beside what is tried now, by the job's id, on this computer. */
@Injectable()
export class Beside {
  private readonly jobs = kept<Record<string, Job>>('beside', {});

  of(id: number | undefined): Job | undefined {
    return id === undefined ? undefined : this.jobs()[String(id)];
  }

  keep(id: number, job: Job): void {
    this.jobs.update((now) => ({ ...now, [String(id)]: job }));
  }

  drop(id: number): void {
    this.jobs.update(({ [String(id)]: _gone, ...others }) => others);
  }
}
