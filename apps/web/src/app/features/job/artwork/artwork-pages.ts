import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { ArtworkPages } from '@druckerei/core';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { InkDot } from '../parts/ink-dot';
import { WordPipe } from '../../../ui/word';

/** The pages of a file of artwork, those that are alike in one row. */
@Component({
  selector: 'dk-artwork-pages',
  imports: [InkDot, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table [attr.aria-label]="'Pages of {0}' | word: name()">
      <thead>
        <tr>
          <th i18n scope="col">Pages</th>
          <th i18n scope="col" class="number">Trimmed, {{ mm().unit }}</th>
          <th i18n scope="col" class="number">Bleed, {{ mm().unit }}</th>
          <th i18n scope="col">Inks</th>
          <th i18n scope="col" class="number">Most ink, about</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.first) {
          <tr>
            <th scope="row">{{ row.first === row.last ? row.first : row.first + (' to ' | word) + row.last }}</th>
            <td class="number">{{ measures.size(row.widthMm, row.heightMm) }}</td>
            <td class="number">
              {{ length(row.bleedMm) }}
              @if (row.boundBleedMm > row.bleedMm) {
                <span i18n class="quiet">({{ length(row.boundBleedMm) }} but at the spine)</span>
              }
            </td>
            <td>
              <span class="inks">
                @for (ink of row.inks; track ink) {
                  <span class="ink"><dk-ink-dot [name]="ink" />{{ ink }}</span>
                }
                @if (row.rgb) {
                  <span i18n>red, green, blue</span>
                } @else if (row.inks.length === 0) {
                  <span i18n class="quiet">none: blank</span>
                }
              </span>
            </td>
            <td class="number">{{ row.totalInk === undefined ? '' : percent(row.totalInk) }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: auto;
      min-width: min(640px, 100%);
    }
    th,
    td {
      padding: 3px 14px 3px 0;
      text-align: left;
    }
    .number {
      text-align: right;
    }
    .inks {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 12px;
    }
    .ink {
      display: inline-flex;
      align-items: center;
      gap: 5px;
    }
  `,
})
export class ArtworkPagesTable {
  protected readonly measures = inject(Measures);
  protected readonly percent = percent;
  protected readonly mm = computed(() => this.measures.of('mm'));
  readonly name = input.required<string>();
  readonly pages = input.required<readonly ArtworkPages[]>();
  protected readonly rows = computed(() => {
    let last = 0;
    return this.pages().map((one) => {
      const first = last + 1;
      last += one.count;
      return { ...one, first, last };
    });
  });

  protected length(mm: number): string {
    return count(this.mm().show(mm), 2);
  }
}
