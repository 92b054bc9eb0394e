import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';

/** A button that chooses a file, and what is told beside it: the file's name, or what may be chosen. */
@Component({
  selector: 'dk-file-chooser',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input
      #chooser
      type="file"
      [attr.aria-label]="label()"
      [accept]="accept()"
      (change)="choose(chooser.files); chooser.value = ''"
    />
    <button matButton="outlined" (click)="chooser.click()"><mat-icon>upload_file</mat-icon>{{ words() }}</button>
    <span class="quiet">{{ told() }}</span>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 12px;
      margin: 12px 0;
    }
    input {
      position: absolute;
      width: 1px;
      height: 1px;
      opacity: 0;
    }
  `,
})
export class FileChooser {
  /** What the field is called by readers of the screen. */
  readonly label = input.required<string>();
  readonly words = input.required<string>();
  readonly accept = input.required<string>();
  readonly told = input('');
  readonly chosen = output<File>();

  protected choose(files: FileList | null): void {
    const file = files?.[0];
    if (file) this.chosen.emit(file);
  }
}
