import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { Router } from '@angular/router';
import { type SheetPlace, normsOf, registerLines, registerMarks } from '@druckerei/core';
import { REGISTER_WORDS, issueText } from '@druckerei/contract';
import { count } from '../../../ui/format';
import { keep } from '../../../ui/kept';
import { PRACTICE_SHEETS, type RegisterInput } from '../../../ui/register-input';
import { JobEditor } from '../state/job-editor';
import { LayoutView } from '../../../ui/layout-view';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

const PRACTICE_SEED = 7;
/** Steps of a press that tells none. */
const PLAIN_STEPS = { moveMm: 0.01, cockMmPerM: 0.01 };

/** The register of a component: what has to stand to what and what that bounds, and the marks that it is measured at. */
@Component({
  selector: 'dk-register-plan-bench',
  imports: [Field, LayoutView, MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './register-plan-bench.html',
  styleUrl: './register-plan-bench.scss',
})
export class RegisterPlanBench {
  protected readonly editor = inject(JobEditor);
  private readonly router = inject(Router);
  readonly componentId = input.required<string>();
  protected readonly count = count;
  protected readonly names = REGISTER_WORDS;
  protected readonly issueText = issueText;
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  private readonly norms = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? normsOf(works, job.norms) : undefined;
  });
  protected readonly lines = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    const [layout, norms] = [this.layout(), this.norms()];
    return job && works && layout && norms ? registerLines(job, works, layout, norms) : [];
  });
  protected readonly marks = computed(() => {
    const layout = this.layout();
    return layout && registerMarks(layout);
  });
  /** What the press itself can do, in words. */
  protected readonly pressText = computed(() => {
    const press = this.layout()?.machine.press;
    if (!press) return '';
    const { register, plate } = press;
    const said = [
      ...(plate?.pins === undefined ? [] : [$localize`plates are pinned by ${plate.pins}`]),
      ...(register
        ? [
            $localize`one step moves ${count(register.moveMm, 3)} mm, one step of cock ${count(register.cockMmPerM, 3)} mm/m`,
          ]
        : []),
      ...(register?.packing ? [$localize`packing alters the length around`] : []),
      ...(register?.fanOut ? [$localize`the tail can be fanned`] : []),
    ];
    return said.length > 0 ? $localize`On this press ${said.join('; ')}.` : '';
  });

  private setMarks(marks: readonly SheetPlace[] | undefined): void {
    this.editor.set(['components', this.index(), 'marks'], marks);
  }
  protected byHand(): void {
    this.setMarks(this.marks()?.places ?? []);
  }
  protected usual(): void {
    this.setMarks(undefined);
  }
  /** Another mark, at the middle of the sheet until it is moved. */
  protected add(): void {
    const { widthMm = 0, heightMm = 0 } = this.layout()?.sheet ?? {};
    this.setMarks([...(this.marks()?.places ?? []), { xMm: widthMm / 2, yMm: heightMm / 2 }]);
  }
  protected remove(at: number): void {
    this.setMarks((this.marks()?.places ?? []).filter((_, i) => i !== at));
  }

  /** Sets the register bench up for this component: its sheet, marks, colours, tolerance and the press's steps. */
  protected measure(): void {
    const [job, layout, norms] = [this.editor.job(), this.layout(), this.norms()];
    const marks = this.marks()?.places ?? [];
    if (!job || !layout || !norms) return;
    const { component, sheet, machine } = layout;
    const names = [...new Set([...component.front, ...component.back].map(({ name }) => name))];
    const reference = names.includes('K') ? 'K' : names[0];
    const colours = this.lines().find(({ kind }) => kind === 'colours');
    const steps = machine.press?.register ?? PLAIN_STEPS;
    const input: RegisterInput = {
      widthMm: sheet.widthMm,
      heightMm: sheet.heightMm,
      marks,
      rows: names
        .filter((name) => name !== reference)
        .map((colour) => ({ colour, offsets: marks.map(() => ({ dx: 0, dy: 0 })) })),
      toleranceMm: colours?.toleranceMm ?? norms('register.offset').value,
      leastTrapMm: colours?.bounds.neededMm ?? norms('register.leastTrap').value,
      stepMm: steps.moveMm,
      cockStepMmPerM: steps.cockMmPerM,
      sheets: PRACTICE_SHEETS,
      seed: PRACTICE_SEED,
      packing: machine.press?.register?.packing,
      fanOut: machine.press?.register?.fanOut,
      from: $localize`${job.number} ${job.title}\: ${component.name}, colour minus ${reference ?? $localize`the first`}`,
    };
    keep('register', input);
    void this.router.navigateByUrl('/benches/register');
  }
}
