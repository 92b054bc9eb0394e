import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import {
  type GangAnswer,
  type GangForm,
  type GangItem,
  type GangRequest,
  type Issue,
  type Item,
  checkGang,
  gangJob,
  sayQuantity,
  withGang,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { EMPTY, catchError } from 'rxjs';
import { Api } from '../../../platform/api';
import { count, percent } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { BenchForm } from '../state/bench-form';
import { MakeJob } from '../state/make-job';
import { benchRun } from '../state/run';
import { RunBar } from '../../../ui/run-bar';
import { Bench } from '../parts/bench';
import { WordPipe } from '../../../ui/word';

interface Row {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly quantity: number;
  readonly mayTurn: boolean;
}

interface GangInput {
  readonly rows: readonly Row[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly bleedMm: number;
  readonly mostForms: number;
  readonly formCost: number;
  readonly sheetCost: number;
}

const row = (name: string, widthMm: number, heightMm: number, quantity: number): Row => ({
  name,
  widthMm,
  heightMm,
  quantity,
  mayTurn: true,
});

/** Made-up items of the demo works; costs are examples, the works enters its own. */
const START: GangInput = {
  rows: [
    row($localize`Orchid card`, 148, 105, 2000),
    row($localize`Lantern card`, 148, 105, 500),
    row($localize`Ferry ticket`, 210, 99, 4000),
    row($localize`Tea label`, 70, 50, 6000),
  ],
  widthMm: 1010,
  // What a B1 press leaves that grips the sheet at both edges.
  heightMm: 696,
  bleedMm: 3,
  mostForms: 2,
  formCost: 190,
  sheetCost: 0.14,
};

/** The gang bench: items of several jobs on shared sheets at least cost. */
@Component({
  selector: 'dk-gang-page',
  imports: [
    Bench,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    NumberBox,
    RunBar,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gang.page.html',
  styleUrl: './bench-page.scss',
})
export class GangPage {
  protected readonly bench = new BenchForm('gang', START);
  protected readonly form = this.bench.value;
  private readonly jobs = inject(MakeJob);
  /** Costs are in the currency of the works; nameless while the server is away. */
  private readonly works = toSignal(
    inject(Api)
      .works()
      .pipe(catchError(() => EMPTY)),
  );
  protected readonly currency = computed(() => this.works()?.currency ?? '');
  protected readonly run = benchRun();
  protected readonly answer = signal<GangAnswer | null>(null);
  /** What the answer was found for; another form makes it old. */
  private readonly answered = signal<GangRequest | null>(null);
  private readonly refused = signal<readonly Issue[]>([]);
  protected readonly count = count;
  protected readonly percent = percent;

  protected readonly request = computed((): GangRequest => {
    const { rows, bleedMm, widthMm, heightMm, mostForms, formCost, sheetCost } = this.form();
    const items = rows.map((item): GangItem => ({
      id: item.name,
      widthMm: item.widthMm + 2 * bleedMm,
      heightMm: item.heightMm + 2 * bleedMm,
      quantity: item.quantity,
      mayTurn: item.mayTurn,
    }));
    return { items, widthMm, heightMm, mostForms, formCost, sheetCost };
  });
  protected readonly problems = computed(() =>
    [...checkGang(this.request(), 'gang'), ...this.refused()]
      .map(issueText)
      .filter((text, i, all) => all.indexOf(text) === i),
  );
  protected readonly isOld = computed(
    () => this.answered() !== null && JSON.stringify(this.answered()) !== JSON.stringify(this.request()),
  );
  protected readonly gap = computed(() => {
    const found = this.answer();
    return found ? percent(Math.round(found.gap * 1000) / 1000) : '';
  });

  protected money(value: number): string {
    return sayQuantity(value, this.currency());
  }

  protected set(change: Partial<GangInput>): void {
    this.bench.set(change);
  }
  protected setRow(at: number, change: Partial<Row>): void {
    this.set({ rows: this.form().rows.map((one, i) => (i === at ? { ...one, ...change } : one)) });
  }
  protected addRow(): void {
    this.set({ rows: [...this.form().rows, row($localize`Item ${this.form().rows.length + 1}`, 148, 105, 1000)] });
  }
  protected removeRow(at: number): void {
    this.set({ rows: this.form().rows.filter((_, i) => i !== at) });
  }

  protected find(): void {
    const request = this.request();
    this.refused.set([]);
    this.answer.set(null);
    this.answered.set(request);
    const wasm = new URL('highs.wasm', document.baseURI).href;
    this.run.start({ kind: 'gang', request, wasm }, (answer) => {
      if (answer.kind !== 'gang') return;
      if (answer.answer) this.answer.set(answer.answer);
      this.refused.set(answer.issues);
    });
  }

  /** The items as a job has them. */
  private items(): Item[] {
    return this.form().rows.map(({ name, ...size }, i) => ({
      id: `item-${i + 1}`,
      name: name.trim() || $localize`Item ${i + 1}`,
      ...size,
    }));
  }

  /** Puts the items on these forms into a gang that is there. */
  protected takeInto(): void {
    const answer = this.answer();
    if (!answer) return;
    const { bleedMm } = this.form();
    const items = this.items();
    this.jobs.takeInto({
      what: $localize`these forms`,
      family: 'gang',
      parts: ({ number }) => [{ id: number, name: $localize`all of it, in place of its items and forms` }],
      take: (job) => withGang(job, bleedMm, items, answer),
    });
  }

  /** Makes a job of the answer; its items keep the sizes that stand at the bench, the bleed is the job's. */
  protected makeJob(): void {
    const answer = this.answer();
    if (!answer) return;
    const { bleedMm } = this.form();
    const items = this.items();
    this.jobs.start({
      asksQuantity: false,
      make: (answers, works) => {
        const perfects = works.machines.find(({ id }) => id === answers.press)?.press?.perfects;
        const workStyle = perfects ? 'perfecting' : 'sheetwise';
        return gangJob({ ...answers, workStyle, bleedMm }, items, answer);
      },
    });
  }

  protected label(form: GangForm): string {
    return form.counts.flatMap((n, i) => (n > 0 ? [`${n} × ${this.form().rows[i]?.name ?? ''}`] : [])).join(', ');
  }
  protected nameOf(item: number): string {
    return this.form().rows[item]?.name ?? '';
  }
}
