import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { AIM_FIELDS, CONTACTS, INK_FIELDS } from '@druckerei/core';
import { CONTACT_WORDS, DRYING_WORDS, INK_KIND_WORDS } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { FieldBox } from '../../../ui/field-box';
import { count } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { SeveralBox } from '../../../ui/several-box';
import { ItemPage } from '../item-page';
import { InkEdit } from './ink-edit';
import { WordPipe } from '../../../ui/word';

/** One ink of the works: what it is, its colour, its recipe, and what it may touch. */
@Component({
  selector: 'dk-ink-page',
  imports: [
    FieldBox,
    ItemPage,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    NumberBox,
    SeveralBox,
    WordPipe,
  ],
  providers: [InkEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink.page.html',
  styleUrl: '../works-editor.scss',
})
export class InkPage {
  readonly id = input.required<string>();
  protected readonly edit = inject(InkEdit);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly fields = INK_FIELDS.map((field) => ({ ...field, names: NAMES[field.path] ?? {} }));
  protected readonly aim = AIM_FIELDS;
  protected readonly contacts = CONTACTS;
  protected readonly contactWords = CONTACT_WORDS;
  protected readonly kind = computed(() => {
    const { kind } = this.edit.item() ?? {};
    return kind ? INK_KIND_WORDS[kind] : '';
  });
  protected readonly parts = computed(() =>
    count(
      (this.edit.item()?.recipe ?? []).reduce((sum, { parts }) => sum + parts, 0),
      3,
    ),
  );

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.edit.open(id));
    });
  }
}

/** Words of choices, by the field that offers them. */
const NAMES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  kind: INK_KIND_WORDS,
  drying: DRYING_WORDS,
};
