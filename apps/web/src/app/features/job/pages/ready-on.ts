import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatDialog } from '@angular/material/dialog';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { FloorPromise } from '@druckerei/contract';
import { catchError, debounceTime, merge, of, switchMap } from 'rxjs';
import { Live } from '../../../platform/live';
import { sureText } from '../../../ui/floor-words';
import { timeText } from '../../../ui/format';
import { StationsDialog } from './stations.dialog';

/** Milliseconds after a save before the floor is asked. */
const QUIET_MS = 400;

/** When the job as it is saved could be ready at the earliest, in the gaps of the schedule in force. */
@Component({
  selector: 'dk-ready-on',
  imports: [MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="name">Ready on</span>
    @if (promise(); as one) {
      <button type="button" [class.late]="one.late" [matTooltip]="one.inForce ? planned : why" (click)="open(one)">
        {{ one.ready ? timeText(one.ready) : 'never' }}
      </button>
      <span class="name">{{ sureText(one) }}</span>
    } @else {
      <b>{{ promise() === null ? 'not known' : '…' }}</b>
    }
  `,
  styles: `
    :host {
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
    }
    button {
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
    button {
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
  protected readonly promise = signal<FloorPromise | null | undefined>(undefined);
  protected readonly timeText = timeText;
  protected readonly sureText = sureText;
  protected readonly why =
    'The earliest that the job as it is saved can be ready, in the gaps that the schedule in force leaves, nothing of it moved.';

  protected readonly planned = 'As the schedule in force has it. Open it for the clock of each station.';
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
