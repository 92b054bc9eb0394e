import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type PaperItem, paperKey, paperName, inUse } from '@druckerei/core';
import type { HoldingHistoryEntry, Lot, NewHolding } from '@druckerei/contract';
import { EMPTY, type Observable } from 'rxjs';
import { Contested } from '../../platform/contested';
import { count, readNumber, timeText } from '../../ui/format';
import { Standing, type StandingRow } from '../../ui/standing';
import type { StoresStore } from './stores.store';
import { WordPipe } from '../../ui/word';

export interface LotData {
  readonly stores: InstanceType<typeof StoresStore>;
  /** The lot to count, move or use; a new one where absent. */
  readonly lot?: Lot;
}

/** Puts a lot into the store, or counts, moves and uses one, with the reason that goes into its history. */
@Component({
  selector: 'dk-lot-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule, Standing, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.lot ? data.lot.name : ('Into the store' | word) }}</h2>
    <form (submit)="$event.preventDefault(); keep(quantity.value, place.value, reason.value)">
      <mat-dialog-content>
        @if (!data.lot) {
          <mat-form-field>
            <mat-label i18n>What comes in</mat-label>
            <mat-select [value]="stock()" (selectionChange)="stock.set($event.value)" cdkFocusInitial>
              <mat-optgroup i18n-label label="Papers">
                @for (one of stocks; track one.id) {
                  <mat-option [value]="one.id">{{ one.name }}</mat-option>
                }
              </mat-optgroup>
              <mat-optgroup i18n-label label="What else jobs need">
                @for (one of others(); track one.key) {
                  <mat-option [value]="one.key">{{ one.name }}</mat-option>
                }
              </mat-optgroup>
            </mat-select>
          </mat-form-field>
        }
        @if (!data.lot && !other()) {
          <mat-form-field>
            <mat-label i18n>Sheet or roll</mat-label>
            <mat-select [value]="key()" (selectionChange)="chosen.set($event.value)">
              @for (one of items(); track one.key) {
                <mat-option [value]="one.key">{{ one.name }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        }
        <mat-form-field>
          <mat-label i18n>{{ unit() }} on hand</mat-label>
          <input matInput #quantity inputmode="numeric" [value]="data.lot ? count(data.lot.quantity, 3) : ''" />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Where it lies</mat-label
          ><input matInput #place maxlength="80" [value]="data.lot?.place ?? ''" />
        </mat-form-field>
        <mat-form-field><mat-label i18n>Why</mat-label><input matInput #reason maxlength="300" /></mat-form-field>
        @if (sending.changed(); as why) {
          <dk-standing [why]="why" [rows]="standing(quantity.value, place.value)" />
        }
        @if (sending.failed(); as message) {
          <p role="alert" class="wrong">{{ message }}</p>
        }
        @if (history()?.length) {
          <h3 i18n>How it changed</h3>
          <ul>
            @for (entry of history(); track $index) {
              <li i18n>
                {{ count(entry.before, 3) }} to {{ count(entry.after, 3) }}{{ moved(entry) }}
                <span class="quiet"
                  >({{ entry.reason ? entry.reason + ', ' : '' }}{{ entry.by }}, {{ time(entry.at) }})</span
                >
              </li>
            }
          </ul>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Keep</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0;
    }
    ul {
      margin: 4px 0;
      padding-left: 20px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class LotDialog {
  protected readonly data = inject<LotData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<LotDialog>>(MatDialogRef);
  private readonly works = this.data.stores.works();
  protected readonly stocks = inUse(this.works?.stocks ?? []);
  protected readonly stock = signal(this.stocks[0]?.id ?? '');
  protected readonly chosen = signal('');
  /** The lot as it was seen last. */
  private readonly seen = computed(
    () => this.data.stores.stores()?.holdings.find(({ id }) => id === this.data.lot?.id) ?? this.data.lot,
  );
  protected readonly sending = new Contested(() => this.data.stores.refresh());
  protected readonly count = count;
  protected readonly time = timeText;
  protected readonly history = toSignal(this.data.lot ? this.data.stores.history(this.data.lot.id) : EMPTY);
  /** Sizes and rolls that the chosen stock comes in. */
  protected readonly items = computed(() => {
    const works = this.works;
    const stock = this.stocks.find(({ id }) => id === this.stock());
    if (!works || !stock) return [];
    const papers: PaperItem[] = [
      ...stock.sheets.map((sheet) => ({ stock: stock.id, ...sheet })),
      ...(stock.rollWidthsMm ?? []).map((widthMm) => ({ stock: stock.id, widthMm })),
    ];
    return papers.map((paper) => ({
      key: paperKey(paper),
      paper,
      name: paperName(paper, works).replace(`${stock.name}, `, ''),
    }));
  });
  protected readonly key = computed(
    () => this.items().find(({ key }) => key === this.chosen())?.key ?? this.items()[0]?.key,
  );
  private readonly paper = computed(() =>
    this.data.lot ? this.data.lot.paper : this.items().find(({ key }) => key === this.key())?.paper,
  );
  /** What jobs need beside paper, and what is chosen of it. */
  protected readonly others = computed(() => {
    const needs = this.data.stores.needs()?.jobs.flatMap((job) => job.needs) ?? [];
    const byKey = new Map(needs.filter(({ paper }) => !paper).map((need) => [need.key, need]));
    return [...byKey.values()].sort((a, b) => a.name.localeCompare(b.name, 'en'));
  });
  protected readonly other = computed(() => this.others().find(({ key }) => key === this.stock()));
  protected readonly unit = computed(() => {
    const unit =
      this.data.lot?.unit ?? this.other()?.unit ?? (this.paper()?.heightMm === undefined ? 'rolls' : 'sheets');
    return `${unit.charAt(0).toUpperCase()}${unit.slice(1)}`;
  });
  /** What comes in, as it is entered. */
  private readonly thing = computed((): Pick<NewHolding, 'paper' | 'other'> | undefined => {
    const [other, paper] = [this.other(), this.paper()];
    if (!other) return paper && { paper };
    const { key, kind, name, unit } = other;
    return kind === 'sheets' || kind === 'rolls' ? undefined : { other: { key, kind, name, unit } };
  });

  protected keep(text: string, place: string, reason: string): void {
    const quantity = readNumber(text);
    const [lot, thing, { stores }] = [this.seen(), this.thing(), this.data];
    const isWhole = this.paper() !== undefined;
    if (quantity === undefined || quantity < 0 || (isWhole && !Number.isInteger(quantity))) {
      this.sending.refuse(
        isWhole ? $localize`A whole number is wanted, like 2,500.` : $localize`A number is wanted, like 12.5.`,
      );
      return;
    }
    const call: Observable<void> | undefined = lot
      ? stores.change(lot.id, { quantity, expected: lot.quantity, version: lot.version, place, reason })
      : thing && stores.add({ ...thing, quantity, place, reason });
    if (call) this.sending.send(call, () => this.dialog.close());
  }

  protected standing(quantity: string, place: string): StandingRow[] {
    const now = this.seen();
    return now
      ? [
          { what: $localize`${this.unit()} on hand`, now: count(now.quantity, 3), yours: quantity },
          { what: $localize`Where it lies`, now: now.place, yours: place },
        ]
      : [];
  }

  /** Where a lot went with a change, if it did. */
  protected moved({ placeBefore, placeAfter }: HoldingHistoryEntry): string {
    return placeBefore === placeAfter || !placeAfter
      ? ''
      : `, ${placeBefore ? $localize`${placeBefore} to ` : ''}${placeAfter}`;
  }
}
