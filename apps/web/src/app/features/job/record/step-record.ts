import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import type { RoomRecord } from '@druckerei/core';
import { count, readNumber, timeText } from '../../../ui/format';
import { RoomStore } from './room.store';
import { forecastWords } from '../../../ui/forecast-words';
import { RoomLine } from './room-line';
import { WordPipe } from '../../../ui/word';

/** What is recorded at a step: the start of a press pass and its first good sheet, each behind its gate, and the count. */
@Component({
  selector: 'dk-step-record',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RoomLine, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3 i18n>On record</h3>
    @if (isPress()) {
      <div class="gate">
        @if (started(); as s) {
          <mat-icon aria-hidden="true">check_circle</mat-icon>
          <span i18n>Press started by {{ s.by }}, {{ time(s.at) }}</span>
        } @else {
          <mat-icon aria-hidden="true">radio_button_unchecked</mat-icon>
          <span i18n>Press not started</span>
          @if (may()) {
            <button i18n matButton="outlined" (click)="start()" [disabled]="missing().length > 0 || room.busy()">
              Start the press
            </button>
          }
        }
      </div>
      @if (!started() && missing().length > 0) {
        <ul i18n-aria-label aria-label="What keeps the press from starting">
          @for (reason of missing(); track reason) {
            <li>{{ reason }}</li>
          }
        </ul>
      }
      <div class="gate">
        @if (firstSheet(); as sheet) {
          <mat-icon aria-hidden="true">check_circle</mat-icon>
          <span i18n
            >First good sheet passed by {{ sheet.record.by }}, {{ time(sheet.record.at)
            }}{{ sheet.event.kept ? ('; kept: ' | word) + sheet.event.kept : '' }}</span
          >
        } @else {
          <mat-icon aria-hidden="true">radio_button_unchecked</mat-icon>
          <span i18n>No good sheet passed yet</span>
          @if (started() && may()) {
            <mat-form-field subscriptSizing="dynamic">
              <mat-label i18n>Kept where</mat-label>
              <input matInput #kept maxlength="80" />
            </mat-form-field>
            <button i18n matButton="outlined" (click)="pass(kept.value)" [disabled]="room.busy()">
              Pass the first sheet
            </button>
          }
        }
      </div>
    }
    <div class="gate">
      <mat-icon aria-hidden="true">{{ counted() ? 'check_circle' : 'radio_button_unchecked' }}</mat-icon>
      <span>
        @if (counted(); as c) {
          <ng-container i18n>
            {{ number(c.good) }} good counted by {{ c.record.by }}, {{ time(c.record.at) }}
          </ng-container>
        } @else {
          <ng-container i18n> Nothing counted yet </ng-container>
        }
      </span>
      @if (may() && (!isPress() || firstSheet())) {
        <mat-form-field subscriptSizing="dynamic" [class.wrong]="wrong()">
          <mat-label i18n>Good out</mat-label>
          <input matInput #good inputmode="numeric" (keydown.enter)="enter(good)" [attr.aria-invalid]="wrong()" />
        </mat-form-field>
        <button i18n matButton="outlined" (click)="enter(good)" [disabled]="room.busy()">Enter the count</button>
        @if (wrong()) {
          <span i18n class="error" role="alert">A whole number of good pieces is wanted, like 12,500.</span>
        }
      }
    </div>
    @if (forecast(); as text) {
      <p data-test="forecast" aria-live="polite">
        {{ text }}
        @if (more(); as units) {
          <ng-container i18n> Put {{ number(units) }} more through here now, while the carriers are up. </ng-container>
        }
      </p>
    }
    <dk-room-line at="step" />
  `,
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    .gate {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 10px;
      min-height: 40px;
    }
    .gate mat-icon {
      flex: none;
      font-size: 20px;
      width: 20px;
      height: 20px;
    }
    ul {
      margin: 0 0 6px;
      padding-left: 48px;
    }
    .error {
      color: var(--mat-sys-error);
    }
  `,
})
export class StepRecord {
  protected readonly room = inject(RoomStore);
  readonly stepId = input.required<string>();
  readonly isPress = input.required<boolean>();
  protected readonly may = computed(() => this.room.ownSteps().has(this.stepId()));
  protected readonly time = timeText;
  protected readonly number = count;
  protected readonly wrong = signal(false);
  protected readonly started = computed((): RoomRecord | undefined => this.room.state().started.get(this.stepId()));
  protected readonly firstSheet = computed(() => this.room.state().firstSheets.get(this.stepId()));
  protected readonly counted = computed(() => this.room.state().counts.get(this.stepId()));
  protected readonly forecast = computed(() => forecastWords(this.room.forecast()));
  /** Process units to run again at this step, where it is short. */
  protected readonly more = computed(() => {
    const forecast = this.room.forecast();
    return forecast?.ok ? forecast.value.more[this.stepId()] : undefined;
  });
  /** What keeps the press from starting. */
  protected readonly missing = computed(() => this.room.gates({ kind: 'press-start', step: this.stepId() }));

  protected start(): void {
    this.room.enter({ kind: 'press-start', step: this.stepId() });
  }
  protected pass(kept: string): void {
    const where = kept.trim();
    this.room.enter({ kind: 'first-sheet', step: this.stepId(), ...(where === '' ? {} : { kept: where }) });
  }
  /** What is no whole number stays in the field with the reason. */
  protected enter(field: HTMLInputElement): void {
    const good = readNumber(field.value);
    const isCount = good !== undefined && Number.isInteger(good) && good >= 0;
    this.wrong.set(!isCount);
    if (!isCount) return;
    this.room.enter({ kind: 'count', step: this.stepId(), good }, () => (field.value = ''));
  }
}
