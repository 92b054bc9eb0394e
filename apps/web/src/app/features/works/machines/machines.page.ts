import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type Machine, idOf, inUse } from '@druckerei/core';
import { machinesCsv, readMachines, decodeText } from '@druckerei/formats/tables';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { Measures } from '../../../ui/measures';
import { many } from '../../../ui/format';
import { saveText } from '../../../ui/save-text';
import { WorksStore } from '../works.store';
import { freeName } from '../item-edit';
import { byKind, machineWords } from './machine.words';
import { TypesDialog } from './types.dialog';

/** Wrong cells of a table that are told at once. */
const MOST_TOLD = 12;

/** The presses and finishing machines of the works, by their kind. */
@Component({
  selector: 'dk-machines-page',
  imports: [
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './machines.page.html',
  styleUrl: '../../../ui/list-page.scss',
})
export class MachinesPage {
  protected readonly works = inject(WorksStore);
  private readonly dialog = inject(MatDialog);
  private readonly measures = inject(Measures);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly search = signal('');
  protected readonly withRetired = signal(false);
  /** What came of entering several: how many, or why not. */
  protected readonly said = signal('');
  protected readonly wrong = signal<readonly string[]>([]);
  protected readonly words = (machine: Machine): string => machineWords(machine, this.measures);

  protected readonly retired = computed(() => this.works.machines().filter(({ retired }) => retired).length);
  protected readonly kinds = computed(() => {
    const all = this.works.machines();
    return byKind(this.withRetired() ? all : inUse(all), this.search());
  });

  constructor() {
    this.works.follow();
  }

  protected choose(): void {
    this.dialog
      .open<TypesDialog, undefined, readonly Machine[]>(TypesDialog, { width: '640px' })
      .afterClosed()
      .subscribe((chosen = []) => {
        if (chosen.length > 0) this.enter(chosen);
      });
  }

  /** Enters machines under names and ids that are free. */
  private enter(machines: readonly Machine[]): void {
    const ids = new Set(this.works.machines().map(({ id }) => id));
    const names = new Set(this.works.machines().map(({ name }) => name.toLowerCase()));
    const free = machines.map((machine): Machine => {
      const [name, id] = [freeName(machine.name, names), idOf(machine.id, ids)];
      ids.add(id);
      names.add(name.toLowerCase());
      return { ...machine, id, name };
    });
    this.send(free, $localize`${many(free.length, 'machine')} entered. Correct their limits and speeds to yours.`);
  }

  private send(machines: readonly Machine[], done: string): void {
    this.said.set('');
    this.wrong.set([]);
    this.works.enter({ machines }).subscribe({
      next: () => this.said.set(done),
      error: (error: unknown) => this.wrong.set([failureOf(error).text]),
    });
  }

  protected export(): void {
    saveText('machines.csv', 'text/csv', machinesCsv(this.works.machines()));
  }

  /** Machines of a table: those whose id is known are changed, the others entered; all, or none where a cell is wrong. */
  protected async read(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const text = decodeText(new Uint8Array(await file.arrayBuffer()));
    const { machines, wrong } = readMachines(
      text,
      this.works.machines().map(({ id }) => id),
    );
    if (wrong.length > 0 || machines.length === 0) {
      const told = wrong
        .slice(0, MOST_TOLD)
        .map(({ line, column, message }) => $localize`Line ${line}, ${column}\: ${message}`);
      const more = wrong.length > MOST_TOLD ? [$localize`and ${wrong.length - MOST_TOLD} more.`] : [];
      this.said.set('');
      this.wrong.set(
        wrong.length > 0
          ? [$localize`Nothing was entered. Correct the table and read it again.`, ...told, ...more]
          : [$localize`No machine stands in this table. Its first line names the columns, as the export does.`],
      );
      return;
    }
    this.send(machines, $localize`${many(machines.length, 'machine')} read from ${file.name}.`);
  }
}
