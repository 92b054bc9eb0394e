import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Machine, MACHINE_TYPES } from '@druckerei/core';
import { Measures } from '../../../ui/measures';
import { byKind, machineWords } from './machine.words';
import { WordPipe } from '../../../ui/word';

/** Described machines to begin from: ticked, several at once. */
@Component({
  selector: 'dk-types-dialog',
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule, MatFormFieldModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Which of these are like yours?</h2>
    <mat-dialog-content>
      <p i18n class="quiet">Limits and speeds are common practice: correct them to your machines afterwards.</p>
      <mat-form-field>
        <mat-label i18n>Search</mat-label>
        <input matInput #search type="search" (input)="this.search.set(search.value)" />
      </mat-form-field>
      @for (kind of kinds(); track kind.name) {
        <h3>{{ kind.name }}</h3>
        @for (type of kind.machines; track type.id) {
          <div>
            <mat-checkbox [checked]="chosen().has(type.id)" (change)="tick(type.id, $event.checked)"
              >{{ type.name }} <span class="quiet">{{ words(type) }}</span></mat-checkbox
            >
          </div>
        }
      } @empty {
        <p i18n>None holds these words. Take one that is nearest, and change it.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Cancel</button>
      <button i18n matButton="filled" [disabled]="chosen().size === 0" (click)="done()">
        Add {{ chosen().size === 0 ? '' : chosen().size }} {{ (chosen().size === 1 ? 'machine' : 'machines') | word }}
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    h3 {
      margin: 12px 0 2px;
      font-size: 14px;
    }
    mat-form-field {
      width: 100%;
    }
  `,
})
export class TypesDialog {
  private readonly ref = inject<MatDialogRef<TypesDialog, readonly Machine[]>>(MatDialogRef);
  private readonly measures = inject(Measures);
  protected readonly search = signal('');
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected readonly words = (machine: Machine): string => machineWords(machine, this.measures);
  protected readonly kinds = computed(() => byKind(MACHINE_TYPES, this.search()));

  protected tick(id: string, on: boolean): void {
    this.chosen.update((before) => {
      const after = new Set(before);
      if (on) after.add(id);
      else after.delete(id);
      return after;
    });
  }
  protected done(): void {
    this.ref.close(MACHINE_TYPES.filter(({ id }) => this.chosen().has(id)));
  }
}
