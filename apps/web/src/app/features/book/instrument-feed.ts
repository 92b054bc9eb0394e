import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type RoomEntry, standInReadings } from '@druckerei/core';
import { count } from '../../ui/format';

/** Sheets from one measured sheet to the next, and how long the instruments take for one. */
const EVERY = 250;
const TAKES_MS = 4_000;

/** The stand-ins of a densitometer and a register camera at a running press: what they read goes into the book, sheet after sheet. */
@Component({
  selector: 'dk-instrument-feed',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p i18n class="quiet">
      For practice, without a device: stand-ins of a densitometer and a register camera measure every
      {{ count(every) }}th sheet, with a drift to be found. Their readings go into the book under their names.
    </p>
    @if (on()) {
      <p role="status">
        <mat-icon aria-hidden="true">sensors</mat-icon
        ><ng-container i18n>Measuring. Last sheet {{ count(sheet()) }}.</ng-container>
      </p>
      <button i18n matButton="outlined" class="wide" (click)="on.set(false)">Stop measuring</button>
    } @else if (running()) {
      <button i18n matButton="outlined" class="wide" (click)="begin()">Let the stand-ins measure</button>
    } @else {
      <p i18n>They measure while the press runs.</p>
    }
  `,
  styleUrl: './entry-form.scss',
  styles: `
    p[role='status'] {
      display: flex;
      align-items: center;
      gap: 8px;
    }
    mat-icon {
      font-size: 24px;
      width: 24px;
      height: 24px;
    }
  `,
})
export class InstrumentFeed {
  readonly step = input.required<string>();
  readonly inks = input.required<readonly string[]>();
  readonly running = input.required<boolean>();
  /** The same run for the same number. */
  readonly seed = input.required<number>();
  /** Last sheet that was measured here before. */
  readonly last = input.required<number>();
  /** @returns whether it was taken. */
  readonly send = input.required<(entry: RoomEntry) => Promise<boolean>>();
  protected readonly on = signal(false);
  protected readonly sheet = signal(0);
  protected readonly every = EVERY;
  protected readonly count = count;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Which time it was let to measure: what was begun before it was stopped ends. */
  private turn = 0;

  constructor() {
    effect(() => {
      if (!this.running()) this.on.set(false);
    });
    inject(DestroyRef).onDestroy(() => {
      this.on.set(false);
      clearTimeout(this.timer);
    });
  }

  protected begin(): void {
    this.sheet.set(this.last());
    this.on.set(true);
    void this.measure(++this.turn);
  }

  private async measure(turn: number): Promise<void> {
    const sheet = this.sheet() + EVERY;
    for (const { of, name, value, source } of standInReadings(this.seed(), this.inks(), sheet)) {
      if (!this.on() || turn !== this.turn) return;
      const entry = { kind: 'reading', step: this.step(), of, name, value, sheet, source } as const;
      if (!(await this.send()(entry))) this.on.set(false);
    }
    if (!this.on() || turn !== this.turn) return;
    this.sheet.set(sheet);
    this.timer = setTimeout(() => void this.measure(turn), TAKES_MS);
  }
}
