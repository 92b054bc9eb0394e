import { ChangeDetectionStrategy, Component, booleanAttribute, computed, inject, input, output } from '@angular/core';
import { type Figure, kindOf, sayNumber } from '@druckerei/core/kernel';
import { Measures } from './measures';

/** A figure that opens to its working. One that somebody has overridden is underlined in dots and says what it would be. */
@Component({
  selector: 'dk-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (figure(); as f) {
      <button type="button" [class.set]="f.otherwise !== undefined" [title]="hint()" (click)="opened.emit(f.id)">
        {{ text() }}
      </button>
    } @else {
      <span i18n class="quiet">none</span>
    }
  `,
  styles: `
    button {
      font: inherit;
      font-variant-numeric: tabular-nums;
      color: inherit;
      background: none;
      border: 0;
      padding: 2px 3px;
      margin: 0 -3px;
      min-height: 24px;
      cursor: pointer;
      border-radius: 3px;
    }
    button:hover {
      background: color-mix(in srgb, var(--mat-sys-primary) 12%, transparent);
    }
    .set {
      text-decoration: underline dotted;
      text-underline-offset: 3px;
    }
  `,
})
export class FigureButton {
  private readonly measures = inject(Measures);
  readonly figure = input.required<Figure | undefined>();
  /** The number alone, where its column says the unit. */
  readonly bare = input(false, { transform: booleanAttribute });
  readonly opened = output<string>();
  protected readonly text = computed(() => {
    const figure = this.figure();
    if (!figure) return '';
    return this.bare() ? sayNumber(figure.value, figure.unit, kindOf(figure)) : this.measures.figure(figure);
  });
  protected readonly hint = computed(() => {
    const figure = this.figure();
    if (!figure) return '';
    return figure.otherwise === undefined
      ? $localize`${figure.name}\: show the working`
      : $localize`${figure.name}\: set by hand, would be ${this.measures.quantity(figure.otherwise, figure.unit)}`;
  });
}
