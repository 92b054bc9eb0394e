import { ChangeDetectionStrategy, Component, effect, inject, input, untracked } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { FieldBox } from '../../../ui/field-box';
import { firstRows } from '../../../ui/first-rows';
import { ItemPage } from '../item-page';
import { NormRows } from '../norm-rows';
import { MachineDrawing } from '../ui/machine-drawing';
import { PROCESS_NAMES } from '../ui/process-names';
import { MachineEdit } from './machine-edit';

/** Groups of fields that the first screen has room for. */
const FIRST_GROUPS = 2;

/** One machine of the works: what it takes and prints, drawn as it is typed, and what it is reckoned with. */
@Component({
  selector: 'dk-machine-page',
  imports: [FieldBox, ItemPage, MachineDrawing, MatCheckboxModule, NormRows, RouterLink],
  providers: [MachineEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './machine.page.html',
  styleUrl: '../works-editor.scss',
})
export class MachinePage {
  readonly id = input.required<string>();
  protected readonly edit = inject(MachineEdit);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly kinds = PROCESS_NAMES;
  /** The groups of the first screen at once, so that it opens fast; a press has more. */
  protected readonly groups = firstRows(this.edit.groups, () => this.id(), FIRST_GROUPS);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }
}
