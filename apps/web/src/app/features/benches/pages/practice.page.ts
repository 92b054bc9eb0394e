import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import {
  type ExerciseGrade,
  type Figure,
  type Mark,
  EXERCISES,
  GRADES,
  LESSONS,
  SHIFT_KIND,
  formulaIn,
  own,
  sizeNumber,
  wordOf,
} from '@druckerei/core';
import { LESSON_WORDS, WRONG_WORDS, docketText, exerciseName, issueText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { guideAt } from '../../../platform/guide/guide-place';
import { selectMay } from '../../../platform/session.state';
import { slugOf } from '../../../ui/guide-text';
import { Measures } from '../../../ui/measures';
import { NumberBox } from '../../../ui/number-box';
import { count, percent, readNumber } from '../../../ui/format';
import { Working, formulaWords } from '../../../ui/working';
import { ClassDialog } from '../parts/class.dialog';
import { ChoiceList } from '../ui/choice-list';
import { PracticeStore } from '../state/practice.store';

const GRADE_NAMES: Readonly<Record<ExerciseGrade, string>> = {
  1: $localize`every row of the working`,
  2: $localize`the results`,
  3: $localize`the last result alone`,
};
const MARK_ICONS: Readonly<Record<Mark['kind'], string>> = {
  right: 'check_circle',
  'by-own-rows': 'check_circle',
  'wrong-way': 'cancel',
  wrong: 'cancel',
};
/** Seeds that are drawn when another exercise is asked for. */
const MOST_SEED = 10_000;

/** Exercises by a seed: dockets of the invented works, filled row by row, marked, with the usual wrong way named. */
@Component({
  selector: 'dk-practice-page',
  imports: [
    ChoiceList,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatSelectModule,
    NumberBox,
    RouterLink,
    Working,
  ],
  providers: [PracticeStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './practice.page.html',
  styleUrls: ['./sums-list.scss', './practice.page.scss'],
})
export class PracticePage {
  private readonly router = inject(Router);
  protected readonly measures = inject(Measures);
  protected readonly store = inject(PracticeStore);
  private readonly dialog = inject(MatDialog);
  protected readonly oversees = inject(Store).selectSignal(selectMay('people'));
  /** Exercises by lesson, each with what was reached in it. */
  protected readonly groups = computed(() =>
    LESSONS.map((id) => ({
      name: LESSON_WORDS[id],
      items: EXERCISES.filter(({ lesson }) => lesson === id).map((kind) => ({
        id: kind.id,
        name: exerciseName(kind),
        note: this.reachedText(kind.id),
      })),
    })),
  );
  protected readonly grades = GRADES;
  protected readonly gradeNames = GRADE_NAMES;
  protected readonly icons = MARK_ICONS;
  protected readonly percent = percent;
  protected readonly count = count;
  protected readonly trail = signal<readonly string[]>([]);
  protected readonly figureAt = (id: string): Figure | undefined => own(this.store.exercise()?.figures ?? {}, id);
  protected readonly docket = computed(() => {
    const exercise = this.store.exercise();
    return exercise ? docketText(exercise) : '';
  });
  protected readonly failed = computed(() => {
    const made = this.store.made();
    return made.ok ? '' : made.issues.map(issueText).join(' ');
  });
  /** Exercises from this one on, to be filled by hand. */
  protected readonly sheet = computed(
    () => `/api/practice/${this.store.kind()}/sheet.pdf?seed=${this.store.seed()}&grade=${this.store.grade()}`,
  );
  protected readonly title = computed(() => {
    const exercise = this.store.exercise();
    return exercise ? exerciseName(exercise.kind) : '';
  });

  /** What the exercise is learned under: its name, and its place in the guide. */
  protected readonly lesson = computed(() => {
    const of = this.store.exercise()?.kind.lesson;
    return of && { name: LESSON_WORDS[of], heading: slugOf(LESSON_WORDS[of]) };
  });

  constructor() {
    guideAt(() => {
      const lesson = this.lesson();
      return lesson && { page: 'lessons', heading: lesson.heading };
    });
    const { queryParamMap } = inject(ActivatedRoute).snapshot;
    const grade = GRADES.find((one) => String(one) === queryParamMap.get('grade')) ?? 1;
    const seed = Number(queryParamMap.get('seed') ?? 1);
    this.store.open(
      queryParamMap.get('kind') ?? this.store.kind(),
      Number.isInteger(seed) && seed > 0 && seed <= 1e9 ? seed : 1,
      grade,
    );
    effect(() => {
      const queryParams = { kind: this.store.kind(), seed: this.store.seed(), grade: this.store.grade() };
      untracked(() => {
        this.trail.set([]);
        void this.router.navigate([], { queryParams, replaceUrl: true });
      });
    });
  }

  /** What was reached in shifts. */
  protected readonly shiftReached = computed(() => this.reachedText(SHIFT_KIND));
  private reachedText(kind: string): string | undefined {
    const before = this.store.reached().find((one) => one.kind === kind);
    return before && `${percent(before.best)}, ${count(before.times)} ×`;
  }
  protected openClass(): void {
    this.dialog.open(ClassDialog, { width: '760px', maxWidth: '95vw' });
  }
  protected choose(kind: string): void {
    this.store.open(kind, this.store.seed(), this.store.grade());
  }
  protected harder(grade: ExerciseGrade): void {
    this.store.open(this.store.kind(), this.store.seed(), grade);
  }
  protected seed(seed: number): void {
    if (Number.isInteger(seed) && seed > 0) this.store.open(this.store.kind(), seed, this.store.grade());
  }
  protected another(): void {
    this.seed(1 + Math.floor(Math.random() * MOST_SEED));
  }
  protected fill(row: Figure, text: string): void {
    const typed = readNumber(text);
    this.store.fill(row.id, typed === undefined ? undefined : this.measures.of(row.unit).store(typed));
  }
  /** What stands in a row: what was typed, as it is read here. */
  protected filled(row: Figure): string {
    const value = this.store.answers()[row.id];
    return value === undefined ? '' : sizeNumber(this.measures.of(row.unit).show(value), 6);
  }
  protected said(mark: Mark): string {
    switch (mark.kind) {
      case 'right':
        return $localize`Right.`;
      case 'by-own-rows':
        return $localize`Right by your own rows above: the slip is further up.`;
      case 'wrong-way':
        return WRONG_WORDS[mark.way];
      case 'wrong':
        return $localize`Not right.`;
    }
  }
  /** The formula of a row in words, or that core has found it by looking. */
  protected hintText({ formula, source }: Figure): string {
    if (formula === undefined)
      return $localize`It is looked up or laid out, not reckoned: ${wordOf(source.note ?? source.label)}.`;
    return formulaWords(formulaIn(formula));
  }
}
