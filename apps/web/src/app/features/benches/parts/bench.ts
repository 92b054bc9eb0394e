import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import { UndoBar } from '../../../platform/undo-bar';
import type { Undoable } from '../../../ui/undo-buttons';

/** What a bench keeps of what is typed. */
interface Typed {
  readonly undo: Undoable;
  isTouched(): boolean;
  anew(): void;
}

/** The one way a bench is laid out: what is typed on the left, what comes of it on the right, what can be made of that above it. */
@Component({
  selector: 'dk-bench',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule, UndoBar],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="inputs" [attr.aria-label]="name()">
      <header>
        <h2>{{ name() }}</h2>
        @if (typed(); as form) {
          <dk-undo-bar [of]="form.undo" />
          <button
            matIconButton
            i18n-aria-label
            aria-label="Begin anew"
            i18n-matTooltip
            matTooltip="Begin anew; undo brings it back"
            [disabled]="!form.isTouched()"
            (click)="form.anew()"
          >
            <mat-icon>restart_alt</mat-icon>
          </button>
        }
      </header>
      <ng-content select="[inputs]" />
    </section>
    <section class="result" [attr.aria-label]="result()">
      <header>
        <h2>{{ result() }}</h2>
        <ng-content select="[actions]" />
      </header>
      <ng-content />
    </section>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(320px, 5fr) minmax(0, 6fr);
      gap: 28px;
      align-items: start;
    }
    header {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
      min-height: 48px;
      margin-bottom: 6px;
    }
    h2 {
      flex: 1;
      margin: 0;
    }
    .result {
      position: sticky;
      top: 0;
    }
    @media (max-width: 900px) {
      :host {
        grid-template-columns: minmax(0, 1fr);
      }
      .result {
        position: static;
      }
    }
  `,
})
export class Bench {
  readonly name = input.required<string>();
  readonly result = input($localize`Result`);
  /** Undo and beginning anew, where the bench has its own. */
  readonly typed = input<Typed>();
}
