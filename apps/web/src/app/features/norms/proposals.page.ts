import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type Works, normById } from '@druckerei/core';
import type { Learning, NormProposalLine } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { Api } from '../../platform/api';
import { Asked } from '../../platform/asked';
import { askAgain } from '../../platform/ask-again';
import { DraftEffect } from '../../platform/draft-effect';
import { whenChanged } from '../../platform/live';
import { selectMay } from '../../platform/session.state';
import { EffectTable } from '../../ui/effect-table';
import { count, many, timeText } from '../../ui/format';
import { Measures } from '../../ui/measures';
import { normUnit, normValue } from '../../ui/norm-text';
import { LearningApi } from './learning.api';
import { amountText, changeText, weightText } from './learning-words';
import { ProposalStrip } from './ui/proposal-strip';
import { WordPipe } from '../../ui/word';

/** What the log of the floor proposes for norms, with its evidence: taken, refused, or left until it says more. */
@Component({
  selector: 'dk-proposals-page',
  imports: [
    EffectTable,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    ProposalStrip,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './proposals.page.html',
  styleUrl: './proposals.page.scss',
})
export class ProposalsPage {
  private readonly api = inject(LearningApi);
  private readonly platform = inject(Api);
  private readonly measures = inject(Measures);
  protected readonly may = inject(Store).selectSignal(selectMay('norms'));
  protected readonly asked = new Asked<Learning>();
  private readonly works = signal<Works | undefined>(undefined);
  /** Norms that are ticked, and the one whose evidence is open. */
  private readonly ticked = signal<ReadonlySet<string>>(new Set());
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly effect = new DraftEffect();

  protected readonly chosen = computed(() =>
    (this.asked.answer()?.proposals ?? []).filter(({ norm }) => this.ticked().has(norm)),
  );
  protected readonly sections = computed(() => {
    const bySubject = new Map<string, NormProposalLine[]>();
    for (const one of this.asked.answer()?.proposals ?? [])
      bySubject.set(one.subject, [...(bySubject.get(one.subject) ?? []), one]);
    return [...bySubject].map(([subject, proposals]) => ({ subject, proposals }));
  });
  protected readonly currency = computed(() => this.works()?.currency ?? '');

  protected readonly count = count;
  protected readonly many = many;
  protected readonly time = timeText;
  protected readonly weightText = weightText;
  protected readonly amountText = amountText;
  protected readonly changeText = changeText;

  constructor() {
    this.load();
    whenChanged(['works', 'room'], () => this.load());
    askAgain(
      () => this.asked.answer()?.waiting,
      () => this.load(),
    );
  }

  protected load(): void {
    this.platform.works().subscribe((works) => this.works.set(works));
    this.asked.ask(this.api.learning());
  }

  /** A value of a norm as people read it. */
  protected text(id: string, value: number): string {
    const works = this.works();
    const norm = works && normById(works, id);
    if (!norm) return count(value, 4);
    const system = this.measures.system();
    // What is reckoned has more digits than anybody reads.
    return `${normValue(norm, Number(value.toPrecision(3)), system)} ${normUnit(norm, system)}`.trim();
  }

  protected nameOf(id: string): string {
    const works = this.works();
    const norm = works && normById(works, id);
    return norm ? `${norm.subject}: ${norm.name}` : id;
  }

  protected isTicked = (norm: string): boolean => this.ticked().has(norm);
  protected tick(norm: string, on: boolean): void {
    const next = new Set(this.ticked());
    if (on) next.add(norm);
    else next.delete(norm);
    this.ticked.set(next);
    this.effect.forget();
  }
  protected show(norm: string): void {
    this.open.set(this.open() === norm ? undefined : norm);
  }

  protected lookAt(): void {
    const changes = this.chosen().map(({ norm, value }) => ({ norm, value }));
    this.effect.start((skip) => this.platform.normEffect(changes, skip));
  }

  protected decide(taken: boolean, reason: string): void {
    const learning = this.asked.answer();
    if (!learning) return;
    const decisions = this.chosen().map(({ norm, value, upTo }) => ({ norm, taken, value, upTo }));
    this.asked.ask(this.api.decide({ decisions, seen: learning.seen, reason: reason.trim() }), () => {
      this.ticked.set(new Set());
      this.effect.forget();
      this.platform.works().subscribe((works) => this.works.set(works));
    });
  }
}
