import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type BuyLine, type Holding, paperName } from '@druckerei/core';
import { count, dateText, unitText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { BuyingStore } from './buying.store';
import { JobEditor } from '../state/job-editor';
import { WordPipe } from '../../../ui/word';

/** The purchase list of the job: what it needs, what the store gives, what has to be ordered, and what comes over. */
@Component({
  selector: 'dk-buying',
  imports: [MatButtonModule, WordPipe],
  providers: [BuyingStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>To buy</h2>
    <p i18n class="quiet">What this job needs. The store comes first, less what other jobs have reserved.</p>
    @if (buying.problem(); as text) {
      <p role="alert" class="wrong">{{ text }} <button i18n matButton (click)="buying.load()">Look again</button></p>
    }
    <ul class="list" data-test="buying">
      @for (line of buying.lines(); track line.need.key) {
        <li>
          <div class="head">
            <b>{{ line.need.name }}</b>
            @if (line.need.figure; as figure) {
              <button
                type="button"
                class="figure"
                i18n-title
                title="Show the working"
                (click)="figureOpened.emit(figure)"
              >
                {{ amount(line.need.quantity, line.need.unit) }}
              </button>
            } @else {
              <span>{{ amount(line.need.quantity, line.need.unit) }}</span>
            }
          </div>
          @if (line.onHand > 0) {
            <div class="quiet">
              <ng-container i18n
                >On hand {{ count(line.onHand)
                }}{{ line.reserved > 0 ? ', ' + count(line.reserved) + (' reserved by others' | word) : ''
                }}{{ line.own > 0 ? ', ' + count(line.own) + (' by this job' | word) : '' }}
              </ng-container>
              @if (editor.editable() && line.fromStock > 0) {
                @if (line.own < line.fromStock) {
                  <button
                    i18n
                    matButton
                    [disabled]="buying.busy()"
                    (click)="buying.reserve(line.need.key, line.fromStock)"
                  >
                    Reserve {{ count(line.fromStock) }}
                  </button>
                } @else {
                  <button i18n matButton [disabled]="buying.busy()" (click)="buying.reserve(line.need.key, 0)">
                    Let go
                  </button>
                }
              }
            </div>
          }
          @for (one of line.orders; track $index) {
            <div i18n [class.wrong]="line.late > 0">
              On order for this job: {{ amount(one.quantity, line.need.unit) }}, {{ one.order }}, wanted on
              {{ day(one.day) }}{{ line.late > 0 ? ('; too late for the day it is due' | word) : '' }}
            </div>
          }
          <div>{{ order(line) }}</div>
          @for (other of line.alternatives; track other.holding.id) {
            <div i18n class="quiet">
              Or {{ count(other.wanted) }} of {{ paper(other.holding) }}, {{ other.out }} out of each,
              {{ other.holding.place
              }}{{ other.otherStock ? ('; another stock of the same kind: ask the customer' | word) : '' }}
            </div>
          }
        </li>
      } @empty {
        <li class="quiet">{{ buying.stores() ? ('Nothing to buy.' | word) : ('Looking into the store…' | word) }}</li>
      }
    </ul>
    @if (buying.rests().length > 0) {
      <h3 i18n>Rests worth keeping</h3>
      <ul class="list">
        @for (rest of buying.rests(); track $index) {
          <li>
            {{ rest.component }}:
            @if (rest.kind === 'roll') {
              <ng-container i18n>
                {{ measures.quantity(rest.widthMm, 'mm') }} roll with {{ count(rest.lengthM ?? 0) }} m left
              </ng-container>
            } @else {
              <ng-container i18n>
                {{ count(rest.count) }} strips of {{ measures.size(rest.widthMm, rest.heightMm ?? 0) }}
              </ng-container>
            }
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: block;
      padding-top: 12px;
    }
    .list {
      list-style: none;
      margin: 8px 0;
      padding: 0;
    }
    li {
      padding: 6px 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .head {
      display: flex;
      justify-content: space-between;
      gap: 12px;
    }
    .figure {
      flex: none;
      font: inherit;
      font-weight: 650;
      color: inherit;
      background: none;
      border: 0;
      cursor: pointer;
    }
    .figure:hover {
      text-decoration: underline;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class Buying {
  protected readonly buying = inject(BuyingStore);
  protected readonly editor = inject(JobEditor);
  protected readonly measures = inject(Measures);
  readonly figureOpened = output<string>();
  protected readonly count = count;
  protected readonly day = dateText;
  protected readonly paper = ({ paper }: Holding): string => {
    const works = this.editor.works();
    return works && paper ? paperName(paper, works) : '';
  };
  protected readonly amount = (value: number, unit: string): string =>
    unit === 'kg' ? this.measures.quantity(value, unit) : `${count(value)} ${unitText(unit, value)}`;

  constructor() {
    this.buying.load();
  }

  /** What has to be ordered, in words. */
  protected order({ need, short, coming, packs, ordered, left, pallets }: BuyLine): string {
    if (short === 0)
      return $localize`Nothing to order: ${coming > 0 ? $localize`it is there or on its way` : $localize`the store has it`}.`;
    const over = left > 1e-9 ? $localize`, ${this.amount(left, need.unit)} over` : '';
    const onPallets = pallets === undefined ? '' : $localize`, on ${count(pallets)} ${unitText('pallets', pallets)}`;
    if (need.pack === 1) return $localize`Order ${this.amount(ordered, need.unit)}${over}.`;
    const name = need.kind === 'ink' ? 'pails' : 'packs';
    return $localize`Order ${this.amount(ordered, need.unit)}\: ${count(packs)} ${unitText(name, packs)} of ${this.amount(need.pack, need.unit)}${over}${onPallets}.`;
  }
}
