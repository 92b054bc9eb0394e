import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Machine, Norm, Stock } from '@druckerei/core';
import { Measures } from '../../ui/measures';
import { normUnit } from '../../ui/norm-text';
import type { ItemEdit } from './item-edit';

/** The norms of a machine or a paper, typed in place. */
@Component({
  selector: 'dk-norm-rows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <tbody>
        @for (norm of edit().norms(); track norm.id) {
          <tr>
            <th scope="row">{{ name(norm) }}</th>
            <td class="number" [class.set]="edit().isSet(norm)">
              @if (norm.choices || !mayEdit()) {
                {{ edit().normText(norm) }}
              } @else {
                <input
                  inputmode="decimal"
                  autocomplete="off"
                  [attr.aria-label]="name(norm)"
                  [attr.aria-invalid]="edit().normWrong(norm) ? true : null"
                  [value]="edit().normText(norm)"
                  (input)="edit().typeNorm(norm.id, $any($event.target).value)"
                />
              }
            </td>
            <td class="quiet">{{ unit(norm) }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline-variant);
    }
    th,
    td {
      text-align: left;
      font-weight: 400;
      padding: 3px 10px;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
    }
    input {
      box-sizing: border-box;
      width: 90px;
      padding: 3px 6px;
      font: inherit;
      text-align: right;
      color: inherit;
      background: var(--mat-sys-surface);
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 3px;
    }
    input[aria-invalid] {
      border-color: var(--mat-sys-error);
    }
    .set {
      font-weight: 650;
    }
  `,
})
export class NormRows {
  private readonly measures = inject(Measures);
  readonly edit = input.required<ItemEdit<Machine> | ItemEdit<Stock>>();
  readonly mayEdit = input.required<boolean>();
  /** A price is called by its paper, which stands above. */
  protected readonly name = ({ group, name }: Norm): string => (group === 'prices' ? $localize`Price` : name);
  protected readonly unit = (norm: Norm): string => normUnit(norm, this.measures.system());
}
