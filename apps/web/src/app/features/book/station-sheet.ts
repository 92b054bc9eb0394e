import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { StationSheetAnswer } from '@druckerei/contract';
import { BookApi } from '../../platform/book-api';
import { failureOf } from '../../platform/problem';
import { count } from '../../ui/format';
import { WordPipe } from '../../ui/word';

/** Rows of a list that are shown at first. */
const SHOWN = 12;

/** What a station looks at beside its tally: figures, remarks, drawings, lists. */
@Component({
  selector: 'dk-station-sheet',
  imports: [MatButtonModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Station sheet</h2>
    @if (sheet(); as shown) {
      <dl>
        @for (figure of shown.figures; track $index) {
          <div>
            <dt>{{ figure.name }}</dt>
            <dd>{{ figure.text }}</dd>
          </div>
        }
      </dl>
      @for (remark of shown.remarks; track $index) {
        <p class="remark">{{ remark }}</p>
      }
      @for (title of shown.drawings; track $index) {
        <figure>
          <img [src]="address() + '.svg?drawing=' + $index" [alt]="title" loading="lazy" />
          <figcaption i18n>{{ title }}, millimetres</figcaption>
        </figure>
      }
      @for (list of shown.tables; track $index) {
        <div class="list" tabindex="0" role="region" [attr.aria-label]="list.title">
          <table>
            <caption>
              {{
                list.title
              }}
            </caption>
            <thead>
              <tr>
                @for (head of list.heads; track $index) {
                  <th scope="col">{{ head }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of list.rows.slice(0, most()); track $index) {
                <tr>
                  @for (cell of row; track $index) {
                    <td>{{ cell }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
        @if (list.rows.length > most()) {
          <button i18n matButton="outlined" (click)="most.set(list.rows.length)">
            All {{ count(list.rows.length) }} rows
          </button>
        } @else if (list.more > 0) {
          <p i18n>And {{ count(list.more) }} more, in the station’s document.</p>
        }
      }
      <p><a i18n [href]="address() + '.pdf'" target="_blank" rel="noopener">The same as a document (PDF)</a></p>
    } @else {
      <p role="status">{{ failed() || ('The sheet is on its way.' | word) }}</p>
    }
  `,
  styles: `
    h2 {
      font-size: 18px;
      margin: 20px 0 6px;
    }
    dl {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
      gap: 6px 20px;
      margin: 0;
      font-size: 17px;
    }
    dt {
      color: var(--mat-sys-on-surface-variant);
      font-size: 15px;
    }
    dd {
      margin: 0;
      font-variant-numeric: tabular-nums;
    }
    .remark {
      font-style: italic;
    }
    figure {
      margin: 16px 0;
    }
    img {
      display: block;
      max-width: 100%;
      max-height: 420px;
      margin: 0 auto;
      padding: 8px;
      background: #fff;
      border: 1px solid var(--mat-sys-outline-variant);
    }
    .list {
      margin: 12px 0 4px;
      overflow-x: auto;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 17px;
    }
    caption {
      text-align: left;
      font-weight: 650;
    }
    td,
    th {
      padding: 6px 14px 6px 0;
      text-align: left;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
      font-variant-numeric: tabular-nums;
    }
    button {
      height: 48px;
    }
    a {
      color: var(--mat-sys-primary);
    }
  `,
})
export class StationSheetView {
  readonly job = input.required<number>();
  readonly revision = input.required<number>();
  readonly step = input.required<string>();
  private readonly api = inject(BookApi);
  protected readonly sheet = signal<StationSheetAnswer | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly most = signal(SHOWN);
  protected readonly count = count;
  protected readonly address = computed(
    () => `/api/jobs/${this.job()}/revisions/${this.revision()}/stations/${this.step()}`,
  );

  constructor() {
    effect((onCleanup) => {
      this.sheet.set(undefined);
      this.failed.set('');
      this.most.set(SHOWN);
      const asked = this.api.sheet(this.job(), this.revision(), this.step()).subscribe({
        next: (sheet) => this.sheet.set(sheet),
        error: (error: unknown) => {
          const { status, text } = failureOf(error);
          this.failed.set(status === 0 ? $localize`Without network, and the sheet is not kept on this device.` : text);
        },
      });
      onCleanup(() => asked.unsubscribe());
    });
  }
}
