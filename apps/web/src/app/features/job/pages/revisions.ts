import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type Difference, changeInWords } from '@druckerei/contract';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { timeText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { WordPipe } from '../../../ui/word';

/** Revisions of the job, and what differs between one and the one before. */
@Component({
  selector: 'dk-revisions',
  imports: [RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Revisions</h2>
    <ul class="list">
      @for (row of editor.revision()?.revisions; track row.revision) {
        <li>
          <a
            i18n
            [routerLink]="['/jobs', editor.revision()?.id]"
            [queryParams]="$first ? {} : { revision: row.revision }"
            >Revision {{ row.revision }}</a
          >
          {{
            row.releasedAt
              ? ('released ' | word) + time(row.releasedAt) + ', ' + row.releasedBy
              : ('draft, ' | word) + time(row.changedAt) + ', ' + row.changedBy
          }}
          @if (row.revision > 1) {
            <button i18n type="button" class="link" (click)="compare(row.revision - 1, row.revision)">
              What changed
            </button>
          }
          @if (row.releasedAt) {
            <button i18n type="button" class="link" (click)="compare(row.revision, row.revision)">
              As reckoned today
            </button>
          }
        </li>
      }
    </ul>
    @if (failed(); as message) {
      <p role="alert">{{ message }}</p>
    }
    @if (difference(); as d) {
      @if (isDrift()) {
        <h3 i18n>Revision {{ d.to }} as released, and as reckoned today</h3>
        <p i18n class="quiet">Its documents keep the figures that it was released with.</p>
      } @else {
        <h3 i18n>From revision {{ d.from }} to {{ d.to }}</h3>
      }
      @for (part of parts(); track part.name) {
        <table>
          <caption>
            {{
              part.name
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ part.name }}</th>
              <th scope="col" class="number">{{ isDrift() ? ('As released' | word) : ('Before' | word) }}</th>
              <th scope="col" class="number">{{ isDrift() ? ('Today' | word) : ('After' | word) }}</th>
            </tr>
          </thead>
          <tbody>
            @for (change of part.changes; track $index) {
              <tr>
                <th scope="row">{{ change.name }}</th>
                <td class="number">{{ change.before }}</td>
                <td class="number">{{ change.after }}</td>
              </tr>
            } @empty {
              <tr>
                <td i18n colspan="3" class="quiet">no difference</td>
              </tr>
            }
          </tbody>
        </table>
      }
    }
  `,
  styles: `
    .list {
      list-style: none;
      margin: 8px 0 12px;
      padding: 0;
    }
    .link {
      font: inherit;
      color: var(--mat-sys-primary);
      background: none;
      border: 0;
      padding: 0 4px;
      min-height: 24px;
      text-decoration: underline;
      cursor: pointer;
    }
    li {
      padding: 4px 0;
    }
    a {
      color: var(--mat-sys-primary);
      font-weight: 650;
      margin-right: 6px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 8px 0 14px;
    }
    caption {
      display: none;
    }
    th,
    td {
      text-align: left;
      font-weight: 400;
      padding: 4px 8px 4px 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
      overflow-wrap: anywhere;
    }
    thead th {
      font-weight: 650;
    }
    .number {
      text-align: right;
    }
  `,
})
export class Revisions {
  private readonly api = inject(Api);
  protected readonly editor = inject(JobEditor);
  protected readonly time = timeText;
  private readonly measures = inject(Measures);
  protected readonly difference = signal<Difference | undefined>(undefined);
  protected readonly failed = signal<string | undefined>(undefined);
  /** A released revision beside itself as today's engine reckons it. */
  protected readonly isDrift = computed(() => this.difference()?.from === this.difference()?.to);
  protected readonly parts = computed(() => {
    const [difference, works] = [this.difference(), this.editor.works()];
    if (!difference || !works) return [];
    const text = (value: number | undefined, unit: string): string =>
      value === undefined ? 'none' : this.measures.quantity(value, unit);
    return [
      ...(this.isDrift()
        ? []
        : [{ name: $localize`Fields`, changes: difference.fields.map((change) => changeInWords(change, works)) }]),
      {
        name: $localize`Figures`,
        changes: difference.figures.map(({ name, unit, before, after }) => ({
          name,
          before: text(before, unit),
          after: text(after, unit),
        })),
      },
    ];
  });

  constructor() {
    // A newer version makes the comparison on show out of date: it is asked for again.
    effect(() => {
      this.editor.revision();
      const shown = untracked(this.difference);
      if (shown) this.compare(shown.from, shown.to);
    });
  }

  protected compare(from: number, to: number): void {
    const id = this.editor.revision()?.id;
    if (id === undefined) return;
    this.api.difference(id, from, to).subscribe({
      next: (difference) => this.difference.set(difference),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
