import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { WordPipe } from './word';

/** Several of some choices. */
@Component({
  selector: 'dk-several',
  imports: [MatFormFieldModule, MatSelectModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <mat-select multiple [value]="value()" [disabled]="disabled()" (selectionChange)="changed.emit($event.value)">
        @for (one of choices(); track one) {
          <mat-option [value]="one">{{ names()[one] ?? (one | word) }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class SeveralBox {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly string[]>();
  /** What a choice is called, where that is not its word. */
  readonly names = input<Readonly<Record<string, string>>>({});
  readonly value = input.required<readonly string[]>();
  readonly disabled = input(false);
  readonly changed = output<string[]>();
}
