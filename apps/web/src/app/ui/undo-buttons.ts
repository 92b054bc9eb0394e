import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';

/** Whatever takes back and brings again. */
export interface Undoable {
  canUndo(): boolean;
  canRedo(): boolean;
  undo(): void;
  redo(): void;
}

/** Undo and redo by button. */
@Component({
  selector: 'dk-undo-buttons',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matIconButton
      (click)="of().undo()"
      [disabled]="!of().canUndo()"
      i18n-aria-label
      aria-label="Undo"
      i18n-matTooltip
      matTooltip="Undo (Ctrl + Z)"
    >
      <mat-icon>undo</mat-icon>
    </button>
    <button
      matIconButton
      (click)="of().redo()"
      [disabled]="!of().canRedo()"
      i18n-aria-label
      aria-label="Redo"
      i18n-matTooltip
      matTooltip="Redo (Ctrl + Shift + Z)"
    >
      <mat-icon>redo</mat-icon>
    </button>
  `,
  styles: `
    :host {
      display: inline-flex;
      gap: 16px;
    }
  `,
})
export class UndoButtons {
  readonly of = input.required<Undoable>();
}
