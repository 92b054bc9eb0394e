import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import {
  OPERATION_RULES,
  mayInsertAfter,
  mayRemove,
  mayRunTwice,
  maySplit,
  openEnds,
  plainOperations,
  splitOf,
  takings,
  inUse,
} from '@druckerei/core';
import { JobEditor } from '../state/job-editor';
import { ReprintDialog } from './reprint.dialog';

/** Changes the route at one station: another one behind it, this one out, its run in two, its part printed again. */
@Component({
  selector: 'dk-route-menu',
  imports: [MatButtonModule, MatIconModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton [matMenuTriggerFor]="menu">
      <mat-icon>alt_route</mat-icon><ng-container i18n>Route</ng-container>
    </button>
    <mat-menu #menu>
      @if (mayFollow()) {
        <button i18n mat-menu-item [matMenuTriggerFor]="more">Put a station behind</button>
      }
      @if (mayGo()) {
        <button i18n mat-menu-item (click)="editor.removeStep(stepId())">Take this station out</button>
      }
      @if (split()) {
        <button i18n mat-menu-item (click)="editor.joinStation(stepId())">Run it on one machine again</button>
      } @else if (maySplit()) {
        <button i18n mat-menu-item [matMenuTriggerFor]="machines">Run it on two machines</button>
      }
      @if (ends().length > 0) {
        <button i18n mat-menu-item [matMenuTriggerFor]="open">Join to this station</button>
      }
      @if (takings().length > 0) {
        <button i18n mat-menu-item [matMenuTriggerFor]="taken">Part from this station</button>
      }
      @if (component(); as c) {
        @if (c.runs) {
          <button i18n mat-menu-item (click)="editor.joinRuns(c.first)">Print it in one run again</button>
        } @else if (c.twice) {
          <button i18n mat-menu-item (click)="editor.splitRun(c.id, 0.5)">Print it in two runs</button>
        }
        <button i18n mat-menu-item (click)="reprint(c.id)">Plan more of this part</button>
      }
    </mat-menu>
    <mat-menu #machines>
      @for (machine of others(); track machine.id) {
        <button i18n mat-menu-item (click)="editor.splitStation(stepId(), machine.id)">
          and on {{ machine.name }}
        </button>
      }
    </mat-menu>
    <mat-menu #open>
      @for (end of ends(); track end.material) {
        <button mat-menu-item (click)="editor.takeIn(stepId(), end.material)">{{ end.name }}</button>
      }
    </mat-menu>
    <mat-menu #taken>
      @for (one of takings(); track one.material) {
        <button mat-menu-item (click)="editor.leaveOut(stepId(), one.material)">{{ one.name }}</button>
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
  protected readonly split = computed(() => {
    const job = this.editor.job();
    return job !== null && splitOf(job, this.stepId()) !== undefined;
  });
  protected readonly maySplit = computed(() => {
    const job = this.editor.job();
    return job !== null && maySplit(job, this.stepId());
  });
  /** Machines that the second half may run on: the same one another day, or another of its kind. */
  protected readonly others = computed(() => {
    const step = this.editor.job()?.route.find(({ id }) => id === this.stepId());
    const process = step && OPERATION_RULES[step.operation].process;
    return inUse(this.editor.works()?.machines ?? []).filter(
      (machine) => machine.process === process && !machine.press,
    );
  });
  /** What nobody takes yet, and what this station takes. */
  protected readonly ends = computed(() => {
    const job = this.editor.job();
    return job ? openEnds(job, this.stepId()) : [];
  });
  protected readonly takings = computed(() => {
    const job = this.editor.job();
    return job ? takings(job, this.stepId()) : [];
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
