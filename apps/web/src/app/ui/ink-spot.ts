import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { InkSpec } from '@druckerei/core';
import { inkColour } from './ink-colour';

/** The colour of an ink as a screen can show it; a broken ring where none is known. */
@Component({
  selector: 'dk-ink-spot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  host: { 'aria-hidden': 'true', '[style.background]': 'colour()', '[class.unknown]': 'colour() === "transparent"' },
  styles: `
    :host {
      flex: none;
      display: inline-block;
      box-sizing: border-box;
      width: 14px;
      height: 14px;
      border-radius: 50%;
      border: 1px solid var(--mat-sys-outline);
      vertical-align: -2px;
    }
    :host(.unknown) {
      border-style: dashed;
    }
  `,
})
export class InkSpot {
  readonly name = input.required<string>();
  readonly aim = input<InkSpec['aim']>();
  protected readonly colour = computed(() => inkColour(this.name(), this.aim()));
}
