import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal, viewChild } from '@angular/core';
import { MatAutocompleteModule, MatAutocompleteTrigger } from '@angular/material/autocomplete';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Command, keyText } from './commands';
import type { Offer } from './commands';

/** Finds a command by a few letters of its name. */
@Component({
  selector: 'dk-palette-dialog',
  imports: [MatAutocompleteModule, MatDialogModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-dialog-content>
      <mat-form-field>
        <mat-label>{{ offer.label }}</mat-label>
        <input
          matInput
          #field
          cdkFocusInitial
          [matAutocomplete]="list"
          (input)="typed.set(field.value)"
          (keydown.escape)="dialog.close()"
        />
        <mat-autocomplete #list autoActiveFirstOption (optionSelected)="run($event.option.value)">
          @for (command of found(); track command.id) {
            <mat-option [value]="command">
              {{ command.name }}
              @if (command.key; as key) {
                <span class="quiet">&nbsp; {{ text(key) }}</span>
              }
            </mat-option>
          } @empty {
            <mat-option i18n disabled>Nothing of that name</mat-option>
          }
        </mat-autocomplete>
      </mat-form-field>
    </mat-dialog-content>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin-top: 6px;
    }
  `,
})
export class PaletteDialog {
  protected readonly dialog = inject<MatDialogRef<PaletteDialog, Command>>(MatDialogRef);
  protected readonly offer = inject<Offer>(MAT_DIALOG_DATA);
  protected readonly typed = signal('');
  protected readonly text = keyText;
  protected readonly found = computed(() => {
    const words = this.typed().toLowerCase().split(/\s+/);
    return this.offer.commands.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
  });

  private readonly trigger = viewChild.required(MatAutocompleteTrigger);

  constructor() {
    // Before the list sees the key: one that has just been drawn anew takes it and does nothing.
    const palette = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const take = (key: KeyboardEvent): void => {
      if (key.key !== 'Enter' || key.isComposing) return;
      key.preventDefault();
      key.stopPropagation();
      this.run(this.trigger().activeOption?.value as Command | undefined);
    };
    palette.addEventListener('keydown', take, { capture: true });
  }

  /** Who types faster than the list is drawn means the first that is found, not what the list still shows. */
  protected run(shown: Command | undefined): void {
    const found = this.found();
    const meant = shown && found.includes(shown) ? shown : found[0];
    if (meant) this.dialog.close(meant);
  }
}
