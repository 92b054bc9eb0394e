import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Loss, LossKind } from '@druckerei/core';
import { count, unitText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { WordPipe } from '../../../ui/word';

const KINDS: Readonly<Record<LossKind, string>> = {
  'set-up': $localize`Set-up`,
  running: $localize`Spoiled while running`,
  incidents: $localize`Incidents`,
  samples: $localize`Samples`,
  'cut away': $localize`Cut away`,
  over: $localize`Over, by rounding up`,
};

/** Share of the paper from which a loss has a line of its own, and units below which parts are told. */
const WORTH = 0.0005;
const FEW = 10;

/** Where the paper goes, most first. */
@Component({
  selector: 'dk-losses',
  imports: [WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Where the paper goes</h2>
    <p i18n class="quiet">
      {{ kg(bought()) }} are bought, {{ kg(bought() - lost()) }} reach the customer. What is left on the way, most
      first; each opens to its working.
    </p>
    <ol>
      @for (row of rows(); track row.figure) {
        <li>
          <button type="button" (click)="figureOpened.emit(row.figure)" [title]="'Show the working' | word">
            <span class="what"
              >{{ row.kind }} <span class="quiet">{{ row.where }}</span></span
            >
            <span class="units">{{ row.units }}</span>
            <span class="kg">{{ row.kg }}</span>
            <span class="bar" aria-hidden="true"
              ><span [style.width.%]="row.share * 100" [class]="row.mark"></span
            ></span>
          </button>
        </li>
      }
    </ol>
    @if (smallKg() >= 0.05) {
      <p i18n class="quiet">And {{ kg(smallKg()) }} in smaller parts, mostly rounding up.</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding-top: 12px;
    }
    ol {
      list-style: none;
      margin: 8px 0;
      padding: 0;
    }
    button {
      display: grid;
      grid-template-columns: minmax(0, 1fr) max-content 68px;
      gap: 1px 10px;
      width: 100%;
      padding: 5px 4px;
      font: inherit;
      color: inherit;
      text-align: left;
      background: none;
      border: 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
      cursor: pointer;
    }
    button:hover {
      background: color-mix(in srgb, var(--mat-sys-primary) 8%, transparent);
    }
    .units,
    .kg {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .kg {
      font-weight: 600;
    }
    .bar {
      grid-column: 1 / -1;
      height: 5px;
    }
    .bar span {
      display: block;
      height: 100%;
      min-width: 1px;
      background: var(--dk-spoiled);
    }
    .bar .set-up {
      background: repeating-linear-gradient(45deg, var(--dk-spoiled) 0 2px, var(--mat-sys-surface) 2px 4px);
      outline: 1px solid var(--dk-spoiled);
      outline-offset: -1px;
    }
    .bar .cut-away {
      background: var(--dk-stream);
    }
  `,
})
export class Losses {
  private readonly measures = inject(Measures);
  readonly losses = input.required<readonly Loss[]>();
  /** Kilograms of paper that go into the route. */
  readonly bought = input.required<number>();
  /** Names of the steps, by id. */
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly figureOpened = output<string>();
  protected readonly kg = (value: number): string => this.measures.quantity(Math.round(value * 10) / 10, 'kg');
  protected readonly lost = computed(() => this.losses().reduce((sum, loss) => sum + loss.kg, 0));
  private readonly large = computed(() => this.losses().filter((loss) => loss.kg >= this.bought() * WORTH));
  protected readonly small = computed(() => this.losses().filter((loss) => !this.large().includes(loss)));
  protected readonly smallKg = computed(() => this.small().reduce((sum, loss) => sum + loss.kg, 0));
  protected readonly rows = computed(() => {
    const most = Math.max(...this.losses().map((loss) => loss.kg), 1e-9);
    return this.large().map((loss) => ({
      figure: loss.figure,
      kind: KINDS[loss.kind],
      where: this.names().get(loss.step) ?? loss.step,
      units: `${count(loss.units, loss.units < FEW ? 1 : 0)} ${unitText(loss.unit, loss.units)}`,
      kg: this.measures.quantity(Math.round(loss.kg * 100) / 100, 'kg'),
      share: loss.kg / most,
      mark: loss.kind.replace(' ', '-'),
    }));
  });
}
