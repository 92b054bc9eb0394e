import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { type CostKind, type CostLine, COST_KINDS, MORE, money, numberText } from '@druckerei/core';

const KINDS: Readonly<Record<CostKind, string>> = {
  paper: $localize`Paper`,
  plates: $localize`Carriers, dies and boxes`,
  ink: $localize`Ink`,
  clicks: $localize`Digital sides`,
  supplies: $localize`Coating, film, glue, thread`,
  packing: $localize`Bands, boxes, pallets`,
  parts: $localize`Parts bought ready made`,
  outside: $localize`Outside work`,
  waste: $localize`Waste taken away`,
  carriage: $localize`Carriage`,
  machines: $localize`Machine hours`,
  people: $localize`People`,
};

/** What the job costs, by kind or by component; each line opens to its working. */
@Component({
  selector: 'dk-cost-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Cost</h2>
    <dl>
      <div>
        <dt i18n>All of it</dt>
        <dd>
          <button type="button" (click)="figureOpened.emit('total.cost')">{{ money(total(), 0) }}</button>
        </dd>
      </div>
      <div>
        <dt i18n>One</dt>
        <dd>
          <button type="button" (click)="figureOpened.emit('total.unitCost')">
            {{ money(total() / quantity(), 3) }}
          </button>
        </dd>
      </div>
      @if (next(); as more) {
        <div>
          <dt i18n>The next {{ thousand }}</dt>
          <dd>{{ money(more, 0) }}</dd>
        </div>
      }
    </dl>
    <table>
      <thead>
        <tr>
          <th i18n scope="col">For</th>
          <th i18n scope="col">Part</th>
          <th scope="col" class="number">{{ currency() }}</th>
        </tr>
      </thead>
      @for (group of groups(); track group.kind) {
        <tbody>
          <tr class="sum">
            <th scope="rowgroup" colspan="2">{{ group.name }}</th>
            <td class="number">
              <button type="button" (click)="figureOpened.emit('cost.' + group.kind)">{{ plain(group.sum) }}</button>
            </td>
          </tr>
          @for (line of group.lines; track line.figure) {
            <tr>
              <td>{{ line.name }}</td>
              <td class="quiet">{{ partName(line) }}</td>
              <td class="number">
                <button type="button" (click)="figureOpened.emit(line.figure)">{{ plain(line.value) }}</button>
              </td>
            </tr>
          }
        </tbody>
      }
    </table>
  `,
  styleUrl: '../ui/sheet-table.scss',
})
export class CostTable {
  readonly lines = input.required<readonly CostLine[]>();
  readonly total = input.required<number>();
  readonly quantity = input.required<number>();
  readonly currency = input.required<string>();
  /** Cost of a thousand more; undefined where it is not known. */
  readonly next = input<number>();
  /** Names of the components, by id. */
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly figureOpened = output<string>();
  protected readonly thousand = numberText(MORE);
  protected readonly groups = computed(() =>
    COST_KINDS.flatMap((kind) => {
      const lines = this.lines().filter((line) => line.kind === kind);
      const sum = lines.reduce((total, { value }) => total + value, 0);
      return lines.length > 0 ? [{ kind, name: KINDS[kind], lines, sum }] : [];
    }),
  );
  protected readonly plain = money;
  protected money(value: number, digits: number): string {
    return `${numberText(value, digits, digits)} ${this.currency()}`;
  }
  protected partName({ component }: CostLine): string {
    return component === undefined ? '' : (this.names().get(component) ?? component);
  }
}
