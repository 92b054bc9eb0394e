import { ChangeDetectionStrategy, Component, type OnDestroy, inject, input } from '@angular/core';
import { type Undoable, UndoButtons } from '../ui/undo-buttons';
import { Commands } from './commands';

/** Undo and redo of a page that keeps its own state, by button and by the usual keys. */
@Component({
  selector: 'dk-undo-bar',
  imports: [UndoButtons],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<dk-undo-buttons [of]="of()" />`,
})
export class UndoBar implements OnDestroy {
  readonly of = input.required<Undoable>();
  private readonly takeBack = inject(Commands).offerPage([
    { id: 'undo', name: $localize`Undo`, key: '$mod+z', run: () => this.of().undo() },
    { id: 'redo', name: $localize`Redo`, key: '$mod+Shift+z', run: () => this.of().redo() },
  ]);

  ngOnDestroy(): void {
    this.takeBack();
  }
}
