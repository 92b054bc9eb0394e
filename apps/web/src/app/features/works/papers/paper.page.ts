import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { STOCK_FIELDS, STOCK_LISTS, idOf } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { UndoBar } from '../../../platform/undo-bar';
import { FieldBox } from '../../../ui/field-box';
import { count } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { ItemHistoryDialog } from '../item-history.dialog';
import { ItemBar } from '../item-bar';
import { copyOf } from '../item-edit';
import { NormRows } from '../norm-rows';
import { WorksStore } from '../works.store';
import { LIST_NAMES, PaperEdit, paperDifferences } from './paper-edit';

/** One paper of the works: what it is, in which sizes it comes, what it costs. */
@Component({
  selector: 'dk-paper-page',
  imports: [
    FieldBox,
    ItemBar,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatProgressBarModule,
    MatSelectModule,
    NormRows,
    NumberBox,
    RouterLink,
    UndoBar,
  ],
  providers: [PaperEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './paper.page.html',
  styleUrl: '../works-editor.scss',
})
export class PaperPage {
  readonly id = input.required<string>();
  protected readonly works = inject(WorksStore);
  protected readonly edit = inject(PaperEdit);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly fields = STOCK_FIELDS;
  protected readonly lists = (Object.keys(STOCK_LISTS) as (keyof typeof STOCK_LISTS)[]).map((path) => ({
    path,
    name: LIST_NAMES[path],
    choices: STOCK_LISTS[path],
  }));
  protected readonly listOf = (path: keyof typeof STOCK_LISTS): readonly string[] =>
    (this.edit.valueAt(path) as readonly string[] | undefined) ?? [];
  protected readonly caliper = computed(() => {
    const { gsm = NaN, bulk = NaN } = this.edit.item() ?? {};
    const um = gsm * bulk;
    return Number.isFinite(um) ? `${count(um)} µm thick: ${count(gsm)} g/m² × ${count(bulk, 3)} cm³/g` : '';
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }

  protected history(): void {
    this.dialog.open(ItemHistoryDialog, {
      data: {
        title: `How ${this.edit.stands()?.name ?? 'it'} changed`,
        kind: 'stock',
        subject: this.id(),
        differences: paperDifferences,
      },
      width: '560px',
    });
  }

  /** Another paper like this one, which is opened. */
  protected copy(): void {
    const [stock, works] = [this.edit.stands(), this.works.works()];
    if (!stock || !works) return;
    const id = idOf(stock.id, new Set(works.stocks.map((one) => one.id)));
    this.works.enter({ stocks: [copyOf(stock, works.stocks, id)] }).subscribe({
      next: () => void this.router.navigate(['/works/papers', id]),
      error: (error: unknown) => this.edit.sending.refuse(failureOf(error).text),
    });
  }
}
