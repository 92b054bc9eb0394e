import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { Commands, keyText } from './commands';

@Component({
  selector: 'dk-keys-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Keys</h2>
    <mat-dialog-content tabindex="0" role="region" i18n-aria-label aria-label="List of keys">
      <dl>
        @for (command of commands; track command.id) {
          <dt>{{ text(command.key ?? '') }}</dt>
          <dd>{{ command.name }}</dd>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button i18n matButton mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 20px;
      margin: 0;
    }
    dt {
      font-weight: 650;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeysDialog {
  protected readonly commands = inject(Commands)
    .all()
    .filter(({ key }) => key !== undefined);
  protected readonly text = keyText;
}
