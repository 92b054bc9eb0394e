import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { STOCK_FIELDS, STOCK_LISTS, caliperUm } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { FieldBox } from '../../../ui/field-box';
import { count } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { SeveralBox } from '../../../ui/several-box';
import { ItemPage } from '../item-page';
import { NormRows } from '../norm-rows';
import { LIST_NAMES, PaperEdit } from './paper-edit';
import { WordPipe } from '../../../ui/word';

/** One paper of the works: what it is, in which sizes it comes, what it costs. */
@Component({
  selector: 'dk-paper-page',
  imports: [
    FieldBox,
    ItemPage,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatSelectModule,
    NormRows,
    NumberBox,
    SeveralBox,
    WordPipe,
  ],
  providers: [PaperEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './paper.page.html',
  styleUrl: '../works-editor.scss',
})
export class PaperPage {
  readonly id = input.required<string>();
  protected readonly edit = inject(PaperEdit);
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
    const um = caliperUm(gsm, bulk);
    return Number.isFinite(um) ? $localize`${count(um)} µm thick: ${count(gsm)} g/m² × ${count(bulk, 3)} cm³/g` : '';
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }
}
