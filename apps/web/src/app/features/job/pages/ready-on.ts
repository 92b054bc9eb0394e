import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { FloorPromise } from '@druckerei/contract';
import { catchError, debounceTime, merge, of, switchMap } from 'rxjs';
import { Live } from '../../../platform/live';
import { sureText } from '../../../ui/floor-words';
import { timeText } from '../../../ui/format';
import { JobClock } from '../state/job-clock';
import { StationsDialog } from './stations.dialog';
import { WordPipe } from '../../../ui/word';

/** Milliseconds after a save before the floor is asked. */
const QUIET_MS = 400;

/** When the job as it is saved could be ready at the earliest, in the gaps of the schedule in force. */
@Component({
  selector: 'dk-ready-on',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span i18n class="name">Ready on</span>
    @if (promise(); as one) {
      <button
        matIconButton
        class="clock"
        i18n-aria-label
        aria-label="When each station runs, in the stream"
        [attr.aria-pressed]="clock.inStream()"
        (click)="clock.inStream.set(!clock.inStream())"
      >
        <mat-icon>{{ clock.inStream() ? 'timer_off' : 'timer' }}</mat-icon>
      </button>
      <button
        type="button"
        class="day"
        [class.late]="one.late"
        [matTooltip]="one.inForce ? planned : why"
        (click)="open(one)"
      >
        {{ one.ready ? timeText(one.ready) : ('never' | word) }}
      </button>
      <span class="name">{{ sureText(one) }}</span>
    } @else {
      <b>{{ promise() === null ? ('not known' | word) : '…' }}</b>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      padding: 4px 12px;
      border-left: 1px solid var(--mat-sys-outline-variant);
      min-width: 0;
    }
    .name {
      display: block;
      font-size: 11.5px;
      line-height: 16px;
      min-height: 16px;
      color: var(--mat-sys-on-surface-variant);
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .clock {
      position: absolute;
      top: 0;
      right: 0;
      --mat-icon-button-state-layer-size: 28px;
      --mat-icon-button-icon-size: 18px;
      width: 28px;
      height: 28px;
      padding: 5px;
    }
    .day {
      padding: 0;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      text-decoration: underline dotted;
      cursor: pointer;
    }
    b,
    .day {
      display: block;
      font-size: 14px;
      font-weight: 650;
      min-height: 24px;
      line-height: 24px;
      white-space: nowrap;
    }
    .late {
      color: var(--mat-sys-error);
    }
  `,
})
export class ReadyOn {
  private readonly http = inject(HttpClient);
  readonly job = input.required<number>();
  /** Changes with every save. */
  readonly version = input.required<number>();
  protected readonly clock = inject(JobClock);
  protected readonly promise = this.clock.promise;
  protected readonly timeText = timeText;
  protected readonly sureText = sureText;
  protected readonly why = $localize`The earliest that the job as it is saved can be ready, in the gaps that the schedule in force leaves, nothing of it moved.`;

  protected readonly planned = $localize`As the schedule in force has it. Open it for the clock of each station.`;
  private readonly dialog = inject(MatDialog);
  protected open(promise: FloorPromise): void {
    this.dialog.open<StationsDialog, FloorPromise>(StationsDialog, { data: promise, maxWidth: '90vw' });
  }

  constructor() {
    merge(toObservable(this.version), inject(Live).on(['floor']))
      .pipe(
        debounceTime(QUIET_MS),
        switchMap(() =>
          this.http.get<FloorPromise>(`/api/jobs/${this.job()}/promise`).pipe(catchError(() => of(null))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((promise) => this.promise.set(promise));
  }
}
