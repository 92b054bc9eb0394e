import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  type Figure,
  type SumField,
  type SumGroup,
  type SumValues,
  type WorksField,
  SUMS,
  SUM_EXAMPLES,
  SUM_GROUPS,
  own,
  reckonSum,
  resultsOf,
  sumOf,
} from '@druckerei/core';
import { sumIssueText } from '@druckerei/contract';
import { FOLLOW } from '../../../platform/follow';
import { keepOffline } from '../../../platform/keep-offline';
import { FigureButton } from '../../../ui/figure-button';
import { Measures } from '../../../ui/measures';
import { ProductPicture } from '../../../ui/product-picture';
import { Working } from '../../../ui/working';
import { type PastSum, ReckonerStore } from '../state/reckoner.store';
import { ChoiceList } from '../ui/choice-list';
import { PlainField } from '../ui/plain-field';
import { WordPipe } from '../../../ui/word';

const GROUP_NAMES: Readonly<Record<SumGroup, string>> = {
  paper: $localize`Paper`,
  rolls: $localize`Rolls`,
  layout: $localize`On the sheet`,
  book: $localize`Books`,
  counts: $localize`Counts`,
  press: $localize`At the press`,
  finishing: $localize`Finishing and packing`,
  quality: $localize`Numbers and samples`,
};
/** Milliseconds that a sum stands before it is remembered. */
const STANDS_MS = 2_000;

/** Sums that planners do on paper all day: typed in words or in fields, with their working, without a job. */
@Component({
  selector: 'dk-reckoner-page',
  imports: [ChoiceList, FigureButton, PlainField, ProductPicture, Working, WordPipe],
  providers: [ReckonerStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './reckoner.page.html',
  styleUrls: ['./sums-list.scss', './reckoner.page.scss'],
})
export class ReckonerPage {
  private readonly follow = inject(FOLLOW);
  private readonly measures = inject(Measures);
  protected readonly store = inject(ReckonerStore);
  protected readonly groups = SUM_GROUPS.map((id) => ({
    name: GROUP_NAMES[id],
    items: SUMS.filter(({ group }) => group === id),
  }));
  protected readonly examples = [
    '74 lb text in gsm',
    $localize`spine 240 pp 110 um`,
    $localize`roll 1000/76 0.1 mm`,
    $localize`2500 x 44pp A4 on B1`,
  ];
  /** Figures opened one out of another. */
  protected readonly trail = signal<readonly string[]>([]);
  protected readonly copied = signal(false);
  protected readonly figureAt = (id: string): Figure | undefined => own(this.store.answer()?.figures ?? {}, id);
  protected readonly fields = computed(() =>
    (this.store.of()?.fields ?? []).map((field) => ({
      key: `${this.store.sum()} ${field.id}`,
      field: shown(field),
      value: this.store.values()[field.id] ?? field.usual,
    })),
  );
  /** What is asked for, in one line: the fields themselves say the rest. */
  protected readonly issues = computed(() => this.store.answer()?.issues ?? []);

  constructor() {
    keepOffline();
    const told = new URLSearchParams(location.search);
    const asked = sumOf(told.get('sum') ?? '');
    if (asked)
      this.store.choose(
        asked.id,
        Object.fromEntries(
          asked.fields.flatMap(({ id, kind }) => {
            const text = told.get(id);
            return text === null ? [] : [[id, kind === 'number' ? Number(text) : text]];
          }),
        ),
      );
    effect((onCleanup) => {
      const [sum, values] = [this.store.sum(), this.store.values()];
      untracked(() => {
        this.trail.set([]);
        this.copied.set(false);
        history.replaceState(history.state, '', `${location.pathname}?${queryOf({ sum, ...values }).toString()}`);
      });
      const timer = setTimeout(() => this.store.keep(), STANDS_MS);
      onCleanup(() => clearTimeout(timer));
    });
  }

  protected errorOf(id: string): string {
    const issue = this.issues().find(({ path, code }) => path === id && code !== 'sum.missing');
    return issue ? sumIssueText(issue) : '';
  }
  /** What is wrong beside single fields, and what is still asked for. */
  protected readonly wanting = computed(() => {
    const missing = this.issues().filter(({ code }) => code === 'sum.missing');
    const names = missing.map(({ params }) => String(params['field']));
    return names.length === 0 ? '' : $localize`Still wanted: ${names.join(', ')}.`;
  });
  protected readonly wrong = computed(() => {
    const ids = new Set(this.store.of()?.fields.map(({ id }) => id));
    return this.issues()
      .filter(({ path }) => !ids.has(path))
      .map(sumIssueText)
      .join(' ');
  });

  /** Whose norms went into the results; empty where none did. */
  protected readonly normsOf = computed(() => {
    const answer = this.store.answer();
    if (!answer?.byNorms || this.store.results().length === 0) return '';
    const works = this.store.works();
    return works
      ? $localize`By the norms of ${works.name}.`
      : $localize`By the norms as they ship: those of your works cannot be read just now.`;
  });

  /** Nothing is typed that an example would write over. */
  protected readonly untouched = computed(() => Object.keys(this.store.values()).length === 0);
  protected example(sum: string): void {
    this.store.choose(sum, SUM_EXAMPLES[sum]);
  }

  protected set(field: string, value: unknown): void {
    this.store.set(field, typeof value === 'number' || typeof value === 'string' ? value : undefined);
  }
  protected jobLink(order: string): string {
    return `/jobs?${queryOf({ order }).toString()}`;
  }
  protected take(event: Event, order: string): void {
    if (this.follow(this.jobLink(order))) event.preventDefault();
  }
  protected open(id: string): void {
    this.trail.set([id]);
  }
  /** A sum of before in a line: what was typed, and what it came to. */
  protected pastText({ sum, values }: PastSum): string {
    const of = sumOf(sum);
    if (!of) return '';
    const [first] = resultsOf(reckonSum(of, values, this.store.works()));
    const typed = of.fields.flatMap(({ id, name, unit }) => {
      const value = values[id];
      if (value === undefined) return [];
      return typeof value === 'number' ? `${name} ${this.measures.quantity(value, unit, 'given').trim()}` : value;
    });
    return `${of.name}: ${typed.join(', ')}${first ? ` = ${this.measures.figure(first)}` : ''}`;
  }
  protected async copy(): Promise<void> {
    // To the page of sums alone: it opens for everybody, and at once.
    await navigator.clipboard.writeText(`${location.origin}/reckoner${location.search}`).then(
      () => this.copied.set(true),
      () => undefined,
    );
  }
}

/** The words of an address; what is not told is left out. */
const queryOf = (values: SumValues): URLSearchParams =>
  new URLSearchParams(
    Object.entries(values).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  );

/** A field of a sum as the box for fields takes it. */
const shown = ({ id, name, kind, unit, min, max, choices }: SumField): WorksField => ({
  ...{ path: id, name, kind, min, max, choices, wanted: true },
  ...(unit === '' ? {} : { unit }),
});
