import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { mayInsertAfter, mayRemove, mayRunTwice, plainOperations } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';
import { ReprintDialog } from './reprint.dialog';

/** Changes the route at one station: another one behind it, this one out, its run in two, its part printed again. */
@Component({
  selector: 'dk-route-menu',
  imports: [MatButtonModule, MatIconModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton [matMenuTriggerFor]="menu"><mat-icon>alt_route</mat-icon>Route</button>
    <mat-menu #menu>
      @if (mayFollow()) {
        <button mat-menu-item [matMenuTriggerFor]="more">Put a station behind</button>
      }
      @if (mayGo()) {
        <button mat-menu-item (click)="editor.removeStep(stepId())">Take this station out</button>
      }
      @if (component(); as c) {
        @if (c.runs) {
          <button mat-menu-item (click)="editor.joinRuns(c.first)">Print it in one run again</button>
        } @else if (c.twice) {
          <button mat-menu-item (click)="editor.splitRun(c.id, 0.5)">Print it in two runs</button>
        }
        <button mat-menu-item (click)="reprint(c.id)">Plan more of this part</button>
      }
    </mat-menu>
    <mat-menu #more>
      @for (operation of operations; track operation.id) {
        <button mat-menu-item (click)="editor.insertAfter(stepId(), operation.id)">{{ operation.name }}</button>
      }
    </mat-menu>
  `,
})
export class RouteMenu {
  protected readonly editor = inject(JobEditor);
  private readonly dialog = inject(MatDialog);
  readonly stepId = input.required<string>();
  protected readonly operations = plainOperations();
  protected readonly mayFollow = computed(() => {
    const job = this.editor.job();
    return job !== null && mayInsertAfter(job, this.stepId());
  });
  protected readonly mayGo = computed(() => {
    const job = this.editor.job();
    return job !== null && mayRemove(job, this.stepId());
  });
  /** The component printed at this station, and whether it runs in two. */
  protected readonly component = computed(() => {
    const job = this.editor.job();
    const step = job?.route.find(({ id }) => id === this.stepId());
    const component = job?.components.find(({ id }) => id === step?.component);
    if (!job || !component || step?.operation !== 'print' || component.on !== undefined) return undefined;
    const first = component.runOf ?? component.id;
    return {
      id: component.id,
      first,
      twice: mayRunTwice(component),
      runs: job.components.some(({ runOf }) => runOf === first),
    };
  });

  protected reprint(component: string): void {
    this.dialog.open(ReprintDialog, { data: { job: this.editor.job(), component }, width: '440px' });
  }
}
