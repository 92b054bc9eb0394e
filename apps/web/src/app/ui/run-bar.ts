import { ChangeDetectionStrategy, Component, booleanAttribute, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';

/** Starts, shows and stops a piece of work. */
@Component({
  selector: 'dk-run-bar',
  imports: [MatButtonModule, MatIconModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      @if (!live() || state().kind === 'stopped' || state().kind === 'failed') {
        <button matButton="filled" (click)="started.emit()" [disabled]="disabled()">{{ label() }}</button>
      }
      @switch (state().kind) {
        @case ('running') {
          <button matButton (click)="stopped.emit()">
            <mat-icon>stop_circle</mat-icon><ng-container i18n>Stop</ng-container>
          </button>
        }
        @case ('stopped') {
          <span i18n class="quiet" role="status">Stopped. What stands here is the best found until then.</span>
        }
        @case ('failed') {
          <span i18n role="alert" class="wrong">This could not be worked out. Start it again.</span>
        }
      }
    </div>
    @if (state().kind === 'running') {
      @if (state().share !== undefined) {
        <mat-progress-bar mode="determinate" [value]="(state().share ?? 0) * 100" [attr.aria-label]="label()" />
      } @else {
        <mat-progress-bar mode="indeterminate" [attr.aria-label]="label()" />
      }
    }
  `,
  styles: `
    .bar {
      display: flex;
      align-items: center;
      gap: 12px;
      margin: 12px 0 8px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class RunBar {
  readonly label = input.required<string>();
  readonly state = input.required<{ readonly kind: string; readonly share?: number | undefined }>();
  readonly disabled = input(false);
  /** Begins by itself: the button only brings back what was stopped. */
  readonly live = input(false, { transform: booleanAttribute });
  readonly started = output();
  readonly stopped = output();
}
