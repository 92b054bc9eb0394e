import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import {
  type Held,
  type HeldColumn,
  type OtherThing,
  HELD_COLUMNS,
  guessHeldColumns,
  isPaperKey,
  heldLines,
} from '@druckerei/core';
import { type CountedList, MOST_ENTRIES, issueText } from '@druckerei/contract';
import { ListTaking } from '../../platform/list-taking';
import { many } from '../../ui/format';
import { ListFile, type ListKind } from '../../ui/list-file';
import { StoresStore } from './stores.store';

/** What was counted, out of a line of a list. */
interface Listed {
  readonly line: number;
  readonly held: Held;
}

/** What lies in the store out of a file: a first stock, or one that was counted. */
@Component({
  selector: 'dk-count-file',
  imports: [ListFile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-list-file i18n-label label="Stock out of a file" [kind]="kind()" [taking]="taking" (taken)="take($event)">
      <label
        ><ng-container i18n>Why </ng-container
        ><input #reason maxlength="300" [value]="why()" (input)="why.set(reason.value)" />
      </label>
      <span i18n>What a line counts takes the place of what lay there. What no line tells stays as it is.</span>
    </dk-list-file>
  `,
  styleUrl: '../../ui/plain-select.scss',
})
export class CountFile {
  private readonly stores = inject(StoresStore);
  private readonly file = viewChild.required<ListFile<Listed>>(ListFile);
  protected readonly why = signal($localize`Counted by a list`);
  protected readonly taking = new ListTaking<CountedList>({
    taken: ({ added, changed, same }) =>
      $localize`${many(added, 'lot')} came in, ${many(changed, 'count')} changed what stood, ${many(same, 'count')} found it as it stood.`,
    stopped: $localize`Stopped. Nothing was taken, unless it had just come to its end.`,
  });
  /** What is no paper: what jobs need, and what lies there already. */
  private readonly others = computed(() => {
    const found = new Map<string, OtherThing & { readonly key: string }>();
    for (const { key, kind, name, unit } of this.stores.needs()?.jobs.flatMap(({ needs }) => needs) ?? [])
      if (kind !== 'sheets' && kind !== 'rolls') found.set(key, { key, kind, name, unit });
    for (const { key, other } of this.stores.stores()?.holdings ?? [])
      if (other && !isPaperKey(key)) found.set(key, { key, ...other });
    return [...found.values()];
  });
  private readonly papers = computed(() =>
    (this.stores.stores()?.holdings ?? []).flatMap(({ paper }) => (paper ? [paper] : [])),
  );
  private readonly guessed = {
    name: 'holdings',
    columns: HELD_COLUMNS,
    wanted: ['item', 'quantity'] satisfies HeldColumn[],
    figures: ['quantity', 'size', 'grain'] satisfies HeldColumn[],
    dates: [],
    ...{ one: 'count', several: 'counts', most: MOST_ENTRIES },
    guess: guessHeldColumns,
  };
  /** The list stays while the store changes: what guesses its columns is the same. */
  protected readonly kind = computed((): ListKind<Listed> => {
    const [works, papers, others] = [this.stores.works(), this.papers(), this.others()];
    return {
      ...this.guessed,
      *read(rows, key, first) {
        const lines = works ? yield* heldLines(rows, key, { works, papers, others }, first) : [];
        return lines.map((one) =>
          'held' in one ? { line: one.line, item: one } : { line: one.line, why: one.issues.map(issueText).join(' ') },
        );
      },
    };
  });

  protected take(listed: readonly Listed[]): void {
    const lots = listed.map(({ held: { key, paper, other, quantity, place } }) => ({
      ...(paper ? { paper } : {}),
      ...(other ? { other: { key, ...other } } : {}),
      quantity,
      ...(place === undefined ? {} : { place }),
    }));
    const sent = this.stores.count({ lots, reason: this.why().trim() });
    this.taking.take(sent, listed, () => this.file().leave());
  }
}
