import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { wordOf } from '@druckerei/core/kernel';

/** A few things of which one is chosen, as keys that a glove hits. */
@Component({
  selector: 'dk-chips',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of of(); track one) {
      <button
        type="button"
        [matButton]="chosen() === one ? 'filled' : 'outlined'"
        [attr.aria-pressed]="chosen() === one"
        (click)="chosen.set(one)"
      >
        {{ named()(one) }}
      </button>
    }
    <ng-content />
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 0 0 12px;
    }
    button {
      height: 52px;
      font-size: 17px;
    }
  `,
  host: { role: 'group' },
})
export class Chips {
  readonly of = input.required<readonly string[]>();
  readonly chosen = model.required<string>();
  /** What each is called. */
  readonly named = input<(one: string) => string>(wordOf);
}
