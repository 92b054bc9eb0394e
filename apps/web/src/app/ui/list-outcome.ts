import { ChangeDetectionStrategy, Component, type Signal, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { count } from './format';

/** How far a list is that was taken. */
export interface ListWay {
  readonly doing: 'sending' | 'looking' | 'entering';
  readonly done: number;
  readonly of: number;
}

/** A list that is being taken, or was. */
export interface Taking {
  /** How far it is; undefined where nothing is under way. */
  readonly way: Signal<ListWay | undefined>;
  /** What came of it. */
  readonly said: Signal<string>;
  /** Why none of it was taken. */
  readonly failed: Signal<string>;
  stop(): void;
}

const DOING: Readonly<Record<ListWay['doing'], string>> = {
  sending: $localize`Sending the list.`,
  looking: $localize`Looking through the list:`,
  entering: $localize`Entering the list:`,
};

/** How far a list is, with a way to stop it, and what came of it. */
@Component({
  selector: 'dk-list-outcome',
  imports: [MatButtonModule, MatIconModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (taking().way(); as way) {
      <div class="way">
        <p>
          {{ DOING[way.doing] }}
          @if (way.doing !== 'sending') {
            <ng-container i18n> {{ count(way.done) }} of {{ count(way.of) }} </ng-container>
          }
        </p>
        <mat-progress-bar
          [mode]="way.doing === 'sending' ? 'indeterminate' : 'determinate'"
          [value]="(way.done / way.of) * 100"
          [attr.aria-label]="label()"
        />
        <button matButton type="button" (click)="taking().stop()">
          <mat-icon>stop_circle</mat-icon><ng-container i18n>Stop</ng-container>
        </button>
      </div>
    }
    @if (taking().said(); as text) {
      <p role="status">{{ text }}</p>
    }
    @if (taking().failed(); as text) {
      <p role="alert">{{ text }}</p>
    }
  `,
  styles: `
    .way {
      max-width: 480px;
      /* A list that goes in at once shows none of it. */
      animation: 0.3s step-end appear;
    }
    @keyframes appear {
      from {
        opacity: 0;
      }
    }
    p {
      margin: 6px 0;
    }
  `,
})
export class ListOutcome {
  readonly taking = input.required<Taking>();
  readonly label = input.required<string>();
  protected readonly DOING = DOING;
  protected readonly count = count;
}
