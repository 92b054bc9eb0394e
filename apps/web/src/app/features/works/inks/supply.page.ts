import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { CONTACTS, SUPPLIES, SUPPLY_FIELDS } from '@druckerei/core';
import { CONTACT_WORDS } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { FieldBox } from '../../../ui/field-box';
import { SeveralBox } from '../../../ui/several-box';
import { ItemPage } from '../item-page';
import { SupplyEdit } from './supply-edit';

/** One coating, glue or film of the works: what it is, and what it may touch. */
@Component({
  selector: 'dk-supply-page',
  imports: [FieldBox, ItemPage, SeveralBox],
  providers: [SupplyEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './supply.page.html',
  styleUrl: '../works-editor.scss',
})
export class SupplyPage {
  readonly id = input.required<string>();
  protected readonly edit = inject(SupplyEdit);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly fields = SUPPLY_FIELDS;
  protected readonly contacts = CONTACTS;
  protected readonly contactWords = CONTACT_WORDS;
  protected readonly kind = computed(() => {
    const { supply } = this.edit.item() ?? {};
    return supply ? SUPPLIES[supply].name : '';
  });

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }
}
