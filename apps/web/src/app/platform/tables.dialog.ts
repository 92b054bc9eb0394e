import { ApplicationRef, ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog, MatDialogModule } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { type ToldTable, toldCsv, toldWorkbook } from '@druckerei/formats/tables';
import { many } from '../ui/format';
import { saveFile, saveText } from '../ui/save-text';
import { toldTables } from '../ui/told-tables';
import { WholeLists } from '../ui/whole-lists';
import { WordPipe } from '../ui/word';

/** Letters of a file's name. */
const NAME_LETTERS = 60;

/** A name that every system takes. */
const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .slice(0, NAME_LETTERS)
    .replace(/^-|-$/g, '') || 'table';

/** The tables of the page, or of the dialog that is open over it, as files: each as CSV, all of them as one workbook. */
@Component({
  selector: 'dk-tables-dialog',
  imports: [MatButtonModule, MatDialogModule, MatIconModule, MatProgressBarModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Tables of this {{ of }}</h2>
    <mat-dialog-content tabindex="0" role="region" i18n-aria-label aria-label="Tables that can be saved">
      @if (tables(); as found) {
        @if (found.length === 0) {
          <p i18n>There is no table on this {{ of }} that holds anything.</p>
        } @else {
          <p i18n class="quiet">As they are sorted and sifted now, with all their lines.</p>
          <ul>
            @for (table of found; track $index) {
              <li>
                <span
                  ><b>{{ table.name }}</b> {{ many(table.rows.length, 'line') }}</span
                >
                <button matButton (click)="asCsv(table)" [attr.aria-label]="'{0} as CSV' | word: table.name">
                  <mat-icon>download</mat-icon>CSV
                </button>
                <button matButton (click)="asWorkbook([table])" [attr.aria-label]="'{0} as XLSX' | word: table.name">
                  <mat-icon>download</mat-icon>XLSX
                </button>
              </li>
            }
          </ul>
        }
      } @else {
        <p i18n role="status">All lines are fetched.</p>
        <mat-progress-bar mode="indeterminate" i18n-aria-label aria-label="Fetching lines" />
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Close</button>
      @if (tables(); as found) {
        @if (found.length > 1) {
          <button i18n matButton="filled" (click)="asWorkbook(found)">All as one XLSX</button>
        }
      }
    </mat-dialog-actions>
  `,
  styles: `
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      gap: 4px;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    li > span {
      flex: 1;
    }
    .quiet {
      color: var(--mat-sys-on-surface-variant);
    }
  `,
})
export class TablesDialog {
  protected readonly tables = signal<readonly ToldTable[] | undefined>(undefined);
  protected readonly many = many;
  /** The dialog that is open below this one, on top of the page. */
  private readonly below = document.getElementById(inject(MatDialog).openDialogs.at(-1)?.id ?? '');
  protected readonly of = this.below ? 'dialog' : 'page';
  private readonly title = fileName(this.below?.querySelector('h2')?.textContent ?? document.title);

  constructor() {
    const app = inject(ApplicationRef);
    void inject(WholeLists)
      .showAll()
      // What came is drawn before it is read.
      .then(() => app.tick())
      .then(() => this.tables.set(toldTables(this.below ?? document.querySelector('main') ?? document)));
  }
  protected asCsv(table: ToldTable): void {
    saveText(`${fileName(table.name)}.csv`, 'text/csv', toldCsv(table));
  }
  protected asWorkbook(tables: readonly ToldTable[]): void {
    const [first] = tables;
    const name = tables.length === 1 && first ? fileName(first.name) : this.title;
    void toldWorkbook(tables).then((file) => saveFile(`${name}.xlsx`, file));
  }
}
