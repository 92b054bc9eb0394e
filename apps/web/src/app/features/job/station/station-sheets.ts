import { Injectable, inject } from '@angular/core';
import { type Plan, type StationSheet, stationSheet } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';

/** Sheets of the stations that are looked at, reckoned once for each plan. */
@Injectable({ providedIn: 'root' })
export class StationSheets {
  private readonly editor = inject(JobEditor);
  private plan: Plan | null = null;
  private readonly made = new Map<string, StationSheet | undefined>();

  of(step: string): StationSheet | undefined {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    if (plan !== this.plan) {
      this.plan = plan;
      this.made.clear();
    }
    if (!job || !plan || !works) return undefined;
    if (!this.made.has(step)) this.made.set(step, stationSheet(job, plan, works, step));
    return this.made.get(step);
  }
}
