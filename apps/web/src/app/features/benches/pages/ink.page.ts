import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { type Lab, type RecipePart, type Rest, judgeTrial, mixInk, mixedInks, withMix } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { NumberBox } from '../../../ui/number-box';
import { BenchForm } from '../state/bench-form';
import { MakeJob } from '../state/make-job';
import { Bench } from '../parts/bench';
import { WordPipe } from '../../../ui/word';

interface InkInput {
  readonly recipe: readonly RecipePart[];
  readonly wantedKg: number;
  readonly rests: readonly Rest[];
  readonly aim: Lab;
  readonly trial: Lab;
  /** Largest difference, CIEDE2000, at which a trial is accepted. */
  readonly tolerance: number;
}

/** A copper of the demo works. The tolerance is practice. */
const START: InkInput = {
  recipe: [
    { ink: $localize`Warm red`, parts: 42 },
    { ink: $localize`Yellow`, parts: 40 },
    { ink: $localize`Black`, parts: 8 },
    { ink: $localize`Transparent white`, parts: 10 },
  ],
  wantedKg: 6.5,
  rests: [{ name: $localize`Tea caddy, last run`, kg: 1.2 }],
  aim: { l: 46, a: 32, b: 38 },
  trial: { l: 45.2, a: 31.4, b: 39.6 },
  tolerance: 2,
};
const CHANNELS = [
  { key: 'l', name: 'L*' },
  { key: 'a', name: 'a*' },
  { key: 'b', name: 'b*' },
] as const;

/** The bench of a mixed colour: its recipe weighed out, rests used up first, and the trial against the aim. */
@Component({
  selector: 'dk-ink-page',
  imports: [Bench, MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, NumberBox, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ink.page.html',
  styleUrl: './bench-page.scss',
})
export class InkPage {
  protected readonly measures = inject(Measures);
  private readonly jobs = inject(MakeJob);
  protected readonly bench = new BenchForm('ink', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly channels = CHANNELS;

  private readonly mixed = computed(() => {
    const { recipe, wantedKg, rests } = this.form();
    return mixInk(recipe, wantedKg, rests, 'colour');
  });
  protected readonly mixing = computed(() => {
    const mixed = this.mixed();
    return mixed.ok ? mixed.value : undefined;
  });
  protected readonly problems = computed(() => {
    const mixed = this.mixed();
    return mixed.ok ? [] : mixed.issues.map(issueText);
  });
  protected readonly sum = computed(() => this.form().recipe.reduce((total, { parts }) => total + parts, 0));
  protected readonly verdict = computed(() => {
    const { aim, trial, tolerance } = this.form();
    return judgeTrial(aim, trial, tolerance);
  });

  protected set(change: Partial<InkInput>): void {
    this.bench.set(change);
  }
  /** Puts the recipe with its rests, aim and tolerance into an ink of a job. */
  protected takeInto(): void {
    const { recipe, rests, aim, tolerance } = this.form();
    this.jobs.takeInto({
      what: $localize`this recipe`,
      parts: mixedInks,
      take: (job, ink) => withMix(job, ink, { recipe, rests, aim, tolerance }),
    });
  }
  protected setPart(at: number, change: Partial<RecipePart>): void {
    this.set({ recipe: this.form().recipe.map((part, i) => (i === at ? { ...part, ...change } : part)) });
  }
  protected addPart(): void {
    this.set({ recipe: [...this.form().recipe, { ink: $localize`Base ${this.form().recipe.length + 1}`, parts: 1 }] });
  }
  protected removePart(at: number): void {
    this.set({ recipe: this.form().recipe.filter((_, i) => i !== at) });
  }
  protected setRest(at: number, change: Partial<Rest>): void {
    this.set({ rests: this.form().rests.map((rest, i) => (i === at ? { ...rest, ...change } : rest)) });
  }
  protected addRest(): void {
    this.set({ rests: [...this.form().rests, { name: $localize`Rest ${this.form().rests.length + 1}`, kg: 0 }] });
  }
  protected removeRest(at: number): void {
    this.set({ rests: this.form().rests.filter((_, i) => i !== at) });
  }
  protected setLab(which: 'aim' | 'trial', channel: keyof Lab, value: number): void {
    this.set({ [which]: { ...this.form()[which], [channel]: value } });
  }
}
