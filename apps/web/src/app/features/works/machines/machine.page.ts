import { ChangeDetectionStrategy, Component, effect, inject, input, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Router, RouterLink } from '@angular/router';
import { idOf } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { UndoBar } from '../../../platform/undo-bar';
import { FieldBox } from '../../../ui/field-box';
import { ItemBar } from '../item-bar';
import { copyOf } from '../item-edit';
import { ItemHistoryDialog } from '../item-history.dialog';
import { NormRows } from '../norm-rows';
import { MachineDrawing } from '../ui/machine-drawing';
import { PROCESS_NAMES } from '../ui/process-names';
import { WorksStore } from '../works.store';
import { MachineEdit, machineDifferences } from './machine-edit';

/** One machine of the works: what it takes and prints, drawn as it is typed, and what it is reckoned with. */
@Component({
  selector: 'dk-machine-page',
  imports: [
    FieldBox,
    ItemBar,
    MachineDrawing,
    MatButtonModule,
    MatCheckboxModule,
    MatIconModule,
    MatProgressBarModule,
    NormRows,
    RouterLink,
    UndoBar,
  ],
  providers: [MachineEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './machine.page.html',
  styleUrl: '../works-editor.scss',
})
export class MachinePage {
  readonly id = input.required<string>();
  protected readonly works = inject(WorksStore);
  protected readonly edit = inject(MachineEdit);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly kinds = PROCESS_NAMES;

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }

  protected history(): void {
    this.dialog.open(ItemHistoryDialog, {
      data: {
        title: `How ${this.edit.stands()?.name ?? 'it'} changed`,
        kind: 'machine',
        subject: this.id(),
        differences: machineDifferences,
      },
      width: '560px',
    });
  }

  /** Another machine like this one, which is opened. */
  protected copy(): void {
    const [machine, works] = [this.edit.stands(), this.works.works()];
    if (!machine || !works) return;
    const id = idOf(machine.id, new Set(works.machines.map((one) => one.id)));
    this.works.enter({ machines: [copyOf(machine, works.machines, id)] }).subscribe({
      next: () => void this.router.navigate(['/works/machines', id]),
      error: (error: unknown) => this.edit.sending.refuse(failureOf(error).text),
    });
  }
}
