import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { ladderQuantities } from '@druckerei/core';
import { changesWords } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { Theme } from '../../../platform/theme';
import { count, readNumber } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { RunBar } from '../../../ui/run-bar';
import { JobEditor } from '../state/job-editor';
import { BestStore } from './best.store';
import { LadderChart } from './ladder-chart';
import { OfferDialog, type OfferData } from './offer.dialog';
import { WordPipe } from '../../../ui/word';

/** Most quantities of a ladder: each is planned anew, the best way. */
const MOST_RUNGS = 12;
const MOST = 100_000_000;

/** A job at several quantities, each the best way for it, with plates and digitally beside each other. */
@Component({
  selector: 'dk-ladder-room',
  imports: [LadderChart, MatButtonModule, MatFormFieldModule, MatInputModule, RunBar, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ladder-room.html',
  styleUrl: './best-room.scss',
})
export class LadderRoom {
  protected readonly editor = inject(JobEditor);
  protected readonly store = inject(BestStore);
  protected readonly measures = inject(Measures);
  protected readonly theme = inject(Theme);
  private readonly dialog = inject(MatDialog);
  protected readonly mayOffer = inject(Store).selectSignal(selectMay('customers'));
  protected readonly count = count;
  private readonly ordered = computed(() => this.editor.job()?.order.quantity ?? 1);
  protected readonly quantities = linkedSignal<readonly number[]>(() => ladderQuantities(this.ordered()));
  protected readonly text = computed(() =>
    this.quantities()
      .map((one) => count(one))
      .join('; '),
  );
  protected readonly wrong = signal<string | undefined>(undefined);
  protected readonly currency = computed(() => this.editor.works()?.currency ?? '');
  protected readonly canClimb = computed(() => this.editor.outcome()?.ok === true && this.wrong() === undefined);
  protected readonly rows = computed(() => {
    const works = this.editor.works();
    if (!works) return [];
    return this.store.rungs().map(({ quantity, best, withPlates, digital }) => ({
      quantity,
      sums: best.sums,
      job: best.job,
      changes: changesWords(best, works) || $localize`as it is now`,
      plates: withPlates ? this.money(withPlates.sums.cost) : 'none',
      digital: digital ? this.money(digital.sums.cost) : 'none',
      isOrder: quantity === this.ordered(),
    }));
  });
  protected readonly breakEven = computed(() => {
    const from = this.store.breakEven();
    if (from !== undefined) return $localize`From ${count(from)} on plates cost less than digital sides.`;
    return this.store.climb.state().kind === 'idle'
      ? $localize`Within these quantities one of plates and digital sides is always the cheaper, or there is only one of them.`
      : '';
  });

  protected money(value: number): string {
    return this.measures.quantity(value, this.currency());
  }

  /** Takes the quantities typed; what cannot be used is said, and what stood before stays. */
  protected read(text: string): void {
    const words = text.split(';').filter((word) => word.trim() !== '');
    const numbers = words.map(readNumber);
    const bad = words.find((_, i) => {
      const value = numbers[i];
      return value === undefined || !Number.isInteger(value) || value < 1 || value > MOST;
    });
    if (bad !== undefined)
      this.wrong.set($localize`“${bad.trim()}” is no quantity; write whole numbers like 500; 1,000; 2,500`);
    else if (words.length === 0 || words.length > MOST_RUNGS)
      this.wrong.set($localize`From one to ${MOST_RUNGS} quantities`);
    else {
      this.wrong.set(undefined);
      this.quantities.set([...new Set(numbers.flatMap((one) => one ?? []))].sort((a, b) => a - b));
    }
  }

  protected climb(): void {
    const [job, works] = [this.editor.job(), this.editor.works()];
    if (job && works) this.store.climbAll(job, works, this.quantities());
  }

  protected offer(): void {
    const data: OfferData = {
      currency: this.currency(),
      rungs: this.rows().map(({ job, quantity, sums }) => ({ job, quantity, cost: sums.cost })),
    };
    this.dialog.open(OfferDialog, { data, width: '560px' });
  }
}
