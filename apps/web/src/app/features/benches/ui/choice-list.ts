import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** What can be chosen, under the name of its group. */
export interface ChoiceGroup {
  readonly name: string;
  readonly items: readonly { readonly id: string; readonly name: string; readonly note?: string | undefined }[];
}

/** A list of groups of which one thing is chosen. */
@Component({
  selector: 'dk-choice-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav [attr.aria-label]="label()">
      @for (group of groups(); track group.name) {
        <h2>{{ group.name }}</h2>
        <ul>
          @for (item of group.items; track item.id) {
            <li>
              <button
                type="button"
                [class.here]="item.id === chosen()"
                [attr.aria-current]="item.id === chosen() ? 'true' : null"
                (click)="picked.emit(item.id)"
              >
                {{ item.name }}
                @if (item.note) {
                  <small>{{ item.note }}</small>
                }
              </button>
            </li>
          }
        </ul>
      }
    </nav>
  `,
  styles: `
    h2 {
      margin: 10px 0 2px;
      font-size: 14px;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    button {
      width: 100%;
      min-height: 28px;
      padding: 3px 8px;
      font: inherit;
      text-align: left;
      color: inherit;
      background: none;
      border: 0;
      border-left: 3px solid transparent;
      cursor: pointer;
    }
    button:hover {
      background: var(--mat-sys-surface-container);
    }
    button.here {
      font-weight: 650;
      border-color: var(--mat-sys-primary);
      background: var(--mat-sys-surface-container);
    }
    small {
      color: var(--mat-sys-on-surface-variant);
    }
  `,
})
export class ChoiceList {
  readonly label = input.required<string>();
  readonly groups = input.required<readonly ChoiceGroup[]>();
  readonly chosen = input.required<string>();
  readonly picked = output<string>();
}
