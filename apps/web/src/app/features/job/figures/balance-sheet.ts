import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type BalanceLine, type BalanceWay, BALANCE_WAYS, type MaterialBalance, numberText } from '@druckerei/core';
import { WAY_NAMES } from '@druckerei/contract';
import { Measures } from '../../../ui/measures';

/** What comes in, and where it goes: kilograms and shares, each line open to its working. */
@Component({
  selector: 'dk-balance-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Material balance</h2>
    <dl>
      <div>
        <dt i18n>Comes in</dt>
        <dd>{{ kg(balance().inKg) }}</dd>
      </div>
      <div>
        <dt i18n>Leaves as product</dt>
        <dd>{{ kg(balance().productKg) }}, {{ share(balance().productKg / all()) }}</dd>
      </div>
      <div>
        <dt i18n>Waste</dt>
        <dd>{{ kg(balance().wasteKg) }}, {{ share(balance().wasteKg / all()) }}</dd>
      </div>
      @if (balance().co2Kg; as co2) {
        <div>
          <dt i18n>CO₂ equivalent, by the works’ factors</dt>
          <dd>{{ kg(co2) }}</dd>
        </div>
      }
    </dl>
    <table>
      <thead>
        <tr>
          <th i18n scope="col">What</th>
          <th scope="col" class="number">kg</th>
          <th i18n scope="col" class="number">Share</th>
        </tr>
      </thead>
      @for (group of groups(); track group.name) {
        <tbody>
          <tr class="sum">
            <th scope="rowgroup">{{ group.name }}</th>
            <td class="number">{{ plain(group.sum) }}</td>
            <td class="number">{{ share(group.sum / all()) }}</td>
          </tr>
          @for (line of group.lines; track line.figure) {
            <tr>
              <td>{{ line.name }}</td>
              <td class="number">
                <button type="button" (click)="figureOpened.emit(line.figure)">{{ plain(line.kg) }}</button>
              </td>
              <td class="number">{{ share(line.share) }}</td>
            </tr>
          }
        </tbody>
      }
    </table>
    <p i18n class="quiet">
      Ink, varnish and glue are weighed here; the mass of one piece is that of its paper, board and film. Factors for
      CO₂ equivalent are norms: none is shipped.
    </p>
  `,
  styleUrl: '../ui/sheet-table.scss',
})
export class BalanceSheet {
  private readonly measures = inject(Measures);
  readonly balance = input.required<MaterialBalance>();
  readonly figureOpened = output<string>();
  protected readonly all = computed(() => Math.max(this.balance().inKg, Number.MIN_VALUE));
  protected readonly groups = computed(() => {
    const { lines } = this.balance();
    const group = (name: string, own: readonly BalanceLine[]) => ({
      name,
      lines: [...own].sort((a, b) => b.kg - a.kg),
      sum: own.reduce((sum, { kg }) => sum + kg, 0),
    });
    const ways = BALANCE_WAYS.map((way: BalanceWay) =>
      group(
        WAY_NAMES[way],
        lines.filter((line) => line.way === way),
      ),
    );
    return [
      group(
        $localize`Comes in`,
        lines.filter(({ side }) => side === 'in'),
      ),
      ...ways.filter((one) => one.lines.length > 0),
    ];
  });
  protected readonly kg = (value: number): string => this.measures.quantity(Math.round(value * 10) / 10, 'kg');
  protected readonly plain = (value: number): string => numberText(value, 2, 2);
  protected readonly share = (value: number): string => `${numberText(value * 100, 1, 1)} %`;
}
