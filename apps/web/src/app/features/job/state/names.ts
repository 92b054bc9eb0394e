import { stepNames } from '@druckerei/core';
import { Injectable, computed, inject } from '@angular/core';
import { JobEditor } from './job-editor';

/** What stations, machines and components of the open job are called, by their ids. */
@Injectable()
export class Names {
  private readonly editor = inject(JobEditor);
  readonly steps = computed((): ReadonlyMap<string, string> => {
    const [plan, job] = [this.editor.plan(), this.editor.job()];
    return plan && job ? stepNames(plan, job.components) : new Map<string, string>();
  });
  readonly components = computed(
    () => new Map((this.editor.job()?.components ?? []).map(({ id, name }) => [id, name])),
  );
  /** Stations, machines and components, as findings and mends call them. */
  readonly all = computed(
    () =>
      new Map([
        ...(this.editor.works()?.machines ?? []).map(({ id, name }) => [id, name] as const),
        ...this.components(),
        ...this.steps(),
      ]),
  );
}
