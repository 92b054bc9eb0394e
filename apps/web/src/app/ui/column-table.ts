import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { WordPipe } from './word';

/** A column of a table that was pasted or read: its place, its heading, and what is taken out of it; empty where it is left out. */
export interface TableColumn {
  readonly at: number;
  readonly heading: string;
  readonly is: string;
}

/** Lines of a table that was pasted or read, with what stands in each column to be chosen at its head. */
@Component({
  selector: 'dk-column-table',
  imports: [WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table [attr.aria-label]="label()">
      <thead>
        <tr>
          <th i18n scope="col" class="line">Line</th>
          @for (column of columns(); track column.at) {
            <th scope="col">
              <span class="quiet">{{ column.heading }}</span>
              <select
                [attr.aria-label]="
                  ('What stands in ' | word) + (column.heading || ('column ' | word) + (column.at + 1))
                "
                (change)="chosen.emit({ at: column.at, is: picked($event) })"
              >
                <option i18n value="" [selected]="column.is === ''">leave out</option>
                @for (one of names(); track one.id) {
                  <option [value]="one.id" [selected]="column.is === one.id">{{ one.name }}</option>
                }
              </select>
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track $index) {
          <tr>
            <td class="line">{{ firstLine() + $index }}</td>
            @for (column of columns(); track column.at) {
              <td>{{ row[column.at] }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: './plain-select.scss',
  styles: `
    :host {
      display: block;
      overflow: auto;
      max-height: 44vh;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline-variant);
    }
    th,
    td {
      white-space: nowrap;
      text-align: left;
      font-weight: 400;
      padding: 5px 12px;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    th {
      position: sticky;
      top: 0;
      background: var(--mat-sys-surface-container-low);
    }
    th span {
      display: block;
    }
    .line {
      text-align: right;
      color: var(--mat-sys-on-surface-variant);
    }
  `,
  host: { tabindex: '0', role: 'group', '[attr.aria-label]': 'label()' },
})
export class ColumnTable {
  readonly label = input.required<string>();
  readonly columns = input.required<readonly TableColumn[]>();
  /** What a column may be. */
  readonly names = input.required<readonly { readonly id: string; readonly name: string }[]>();
  readonly rows = input.required<readonly (readonly string[])[]>();
  /** Number of the first of the rows, as it is counted where they come from. */
  readonly firstLine = input.required<number>();
  readonly chosen = output<{ readonly at: number; readonly is: string }>();
  protected readonly picked = ({ target }: Event): string => (target as HTMLSelectElement).value;
}

/** Columns of a table as wide as its first lines. @param headings none where the first line is one like the others. */
export function tableColumns(
  rows: readonly (readonly string[])[],
  headings: readonly string[] | undefined,
  chosen: Readonly<Partial<Record<string, number>>>,
): TableColumn[] {
  const wide = rows.reduce((most, row) => Math.max(most, row.length), headings?.length ?? 0);
  const told = new Map(Object.entries(chosen).map(([column, at]) => [at, column]));
  return Array.from({ length: wide }, (_, at) => ({
    at,
    heading: headings ? (headings[at] ?? '') : $localize`Column ${at + 1}`,
    is: told.get(at) ?? '',
  }));
}

/** What stands where, after one column was said to be something; nothing stands twice. @param is empty leaves the column out. */
export function withColumn<T extends string>(
  before: Readonly<Partial<Record<T, number>>>,
  at: number,
  is: T | '',
): Partial<Record<T, number>> {
  const others = Object.entries(before).filter(([known, place]) => known !== is && place !== at);
  return Object.fromEntries(is === '' ? others : [...others, [is, at]]) as Partial<Record<T, number>>;
}
