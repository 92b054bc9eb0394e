import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { CONTACTS, DRYINGS, INK_KINDS, inkOf, normsOf, wantsTrial } from '@druckerei/core';
import { CONTACT_WORDS, DRYING_WORDS, INK_KIND_WORDS } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';
import { InkAccount } from './ink-account';
import { InkRecipe } from './ink-recipe';
import { InkTrial } from './ink-trial';
import { WordPipe } from '../../../ui/word';

/** A new aim, to be set from a sample or a standard: mid grey. */
const MID_GREY = { l: 50, a: 0, b: 0 };

/** One ink in hand: what it is for this job, its aim, its recipe and its trial. */
@Component({
  selector: 'dk-ink-card',
  imports: [
    Choice,
    Field,
    InkAccount,
    InkRecipe,
    InkTrial,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatSelectModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink-card.html',
  styleUrl: '../parts/bench.scss',
})
export class InkCard {
  protected readonly editor = inject(JobEditor);
  readonly name = input.required<string>();
  protected readonly contacts = CONTACTS;
  protected readonly words = CONTACT_WORDS;
  protected readonly kinds = INK_KINDS.map((id) => ({ id, name: INK_KIND_WORDS[id] }));
  protected readonly dryings = [
    { id: '', name: $localize`as is usual for the process` },
    ...DRYINGS.map((id) => ({ id, name: DRYING_WORDS[id] })),
  ];
  /** Place in the job's own list; -1 where the job says nothing of this ink. */
  protected readonly at = computed(() => this.editor.job()?.inks?.findIndex(({ name }) => name === this.name()) ?? -1);
  protected readonly own = computed(() => this.editor.job()?.inks?.[this.at()]);
  /** What is known of it: the job's word before the house's. */
  protected readonly ink = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? inkOf(job, works, this.name()) : undefined;
  });
  protected readonly needsTrial = computed(() => {
    const ink = this.ink();
    return ink !== undefined && wantsTrial(ink);
  });
  protected readonly kindText = computed(() => {
    const ink = this.ink();
    return ink ? INK_KIND_WORDS[ink.kind] : '';
  });
  protected readonly clearedText = computed(() =>
    (this.ink()?.cleared ?? []).map((contact) => CONTACT_WORDS[contact]).join(', '),
  );
  protected readonly toleranceNorm = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? normsOf(works, job.norms)('ink.trialTolerance').value : 2;
  });
  protected readonly toleranceText = computed(() => count(this.toleranceNorm(), 2));

  /** Takes the ink into the job's own list, with what the house knows of it. */
  protected specify(): void {
    const ink = this.ink();
    if (ink) this.editor.set(['inks'], [...(this.editor.job()?.inks ?? []), ink]);
  }
  protected set(key: string, value: unknown): void {
    this.editor.set(['inks', this.at(), key], value);
  }
  protected setAim(): void {
    this.set('aim', MID_GREY);
  }
}
