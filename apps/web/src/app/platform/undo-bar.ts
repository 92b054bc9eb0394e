import { ChangeDetectionStrategy, Component, type OnDestroy, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Commands } from './commands';
import type { Undo } from '../ui/undo';

/** Undo and redo of a page that keeps its own state, by button and by the usual keys. */
@Component({
  selector: 'dk-undo-bar',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matIconButton
      (click)="of().undo()"
      [disabled]="!of().canUndo()"
      aria-label="Undo"
      matTooltip="Undo (Ctrl + Z)"
    >
      <mat-icon>undo</mat-icon>
    </button>
    <button
      matIconButton
      (click)="of().redo()"
      [disabled]="!of().canRedo()"
      aria-label="Redo"
      matTooltip="Redo (Ctrl + Shift + Z)"
    >
      <mat-icon>redo</mat-icon>
    </button>
  `,
  styles: `
    :host {
      display: flex;
    }
  `,
})
export class UndoBar implements OnDestroy {
  readonly of = input.required<Undo<unknown>>();
  private readonly takeBack = inject(Commands).offerPage([
    { id: 'undo', name: 'Undo', key: '$mod+z', run: () => this.of().undo() },
    { id: 'redo', name: 'Redo', key: '$mod+Shift+z', run: () => this.of().redo() },
  ]);

  ngOnDestroy(): void {
    this.takeBack();
  }
}
