import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Aim, Job, Sums } from '@druckerei/core';
import { bestWords, changesWords } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { RunBar } from '../../../ui/run-bar';
import { JobEditor } from '../state/job-editor';
import { BestStore } from './best.store';
import { WordPipe } from '../../../ui/word';

const NAMES: Readonly<Record<Aim, string>> = {
  cost: $localize`Cheapest`,
  paper: $localize`Least paper`,
  hours: $localize`Least time`,
  plates: $localize`Fewest plates`,
  'one press': $localize`One press only`,
};

interface Row {
  readonly name: string;
  readonly sums: Sums;
  /** Cost over the plan as it is now. */
  readonly cost: string;
  readonly changes: string;
  readonly isBest: boolean;
  /** Absent for the plan as it is. */
  readonly job: Job | undefined;
}

/** The cheapest way to run the whole job, why it is so, and others that are better in something else. */
@Component({
  selector: 'dk-best-room',
  imports: [MatButtonModule, RunBar, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './best-room.html',
  styleUrl: './best-room.scss',
})
export class BestRoom {
  protected readonly editor = inject(JobEditor);
  protected readonly store = inject(BestStore);
  protected readonly measures = inject(Measures);
  protected readonly count = count;
  protected readonly currency = computed(() => this.editor.works()?.currency ?? '');
  protected readonly canSearch = computed(() => this.editor.outcome()?.ok === true);
  /** The whole answer is there. */
  protected readonly found = computed(() => this.store.best() !== null && this.store.search.state().kind !== 'running');
  protected readonly why = computed(() => {
    const [best, works] = [this.store.best(), this.editor.works()];
    return best && works ? bestWords(best, works) : '';
  });
  protected readonly left = computed(() => {
    const names = new Map(this.editor.job()?.components.map(({ id, name }) => [id, name]));
    return (this.store.best()?.left ?? []).map((id) => names.get(id) ?? id).join(', ');
  });
  protected readonly rows = computed((): readonly Row[] => {
    const [found, works] = [this.store.best(), this.editor.works()];
    if (!found || !works) return [];
    const over = ({ cost }: Sums): string => {
      const by = cost - found.now.cost;
      return Math.abs(by) < 0.005 ? '' : `${by < 0 ? '−' : '+'}${this.measures.quantity(Math.abs(by), works.currency)}`;
    };
    const asIs: Row = {
      name: $localize`As it is now`,
      sums: found.now,
      cost: '',
      changes: '',
      isBest: false,
      job: undefined,
    };
    const proposals = found.best.changes.length > 0 ? [found.best, ...found.others] : found.others;
    return [
      ...proposals.map((one): Row => ({
        name: NAMES[one.aim],
        sums: one.sums,
        cost: over(one.sums),
        changes: changesWords(one, works),
        isBest: one === found.best,
        job: one.job,
      })),
      asIs,
    ];
  });

  protected find(): void {
    const [job, works] = [this.editor.job(), this.editor.works()];
    if (job && works) this.store.find(job, works);
  }
}
