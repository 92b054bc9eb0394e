import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { type CheckSystem, type Tool, ADHESIVES, CHECK_SYSTEMS, FOLD_KINDS } from '@druckerei/core';
import { FOLD_NAMES } from '../../../ui/fold-names';
import { JobEditor } from '../state/job-editor';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';

const ADHESIVE_NAMES = { cold: $localize`cold glue`, 'hot-melt': $localize`hot melt`, pur: 'PUR' } as const;

/** A tool with its way in the job file. */
interface FoundTool {
  readonly path: (string | number)[];
  readonly of: Tool;
}

/** What a finishing station is told beside its counts: the fold, the film, the glue, the window, the numbers. */
@Component({
  selector: 'dk-finish-fields',
  imports: [Choice, Field, MatCheckboxModule, MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './finish-fields.html',
  styleUrl: '../parts/bench.scss',
})
export class FinishFields {
  protected readonly editor = inject(JobEditor);
  readonly stepId = input.required<string>();
  protected readonly folds = FOLD_KINDS.map((id) => ({ id, name: FOLD_NAMES[id] }));
  protected readonly adhesives = [
    { id: '', name: $localize`by what comes` },
    ...ADHESIVES.map((id) => ({ id, name: ADHESIVE_NAMES[id] })),
  ];
  protected readonly films = [
    { id: 'matt', name: 'matt' },
    { id: 'gloss', name: 'gloss' },
  ];
  protected readonly filmBonds = [
    { id: 'dispersion', name: $localize`dispersion, lies before it is cut` },
    { id: 'thermal', name: $localize`heat, cut at once` },
  ];
  protected readonly spines = [
    { id: 'milled', name: 'milled' },
    { id: 'notched', name: $localize`notched at the fold` },
  ];
  private readonly step = computed(() => this.editor.job()?.route.find(({ id }) => id === this.stepId()));
  protected readonly operation = computed(() => this.step()?.operation);
  protected readonly finish = computed(() => this.editor.job()?.finish);
  /** Sections are folded by their scheme, flat pieces by a kind of fold. */
  protected readonly isFlat = computed(
    () => this.editor.job()?.components.find(({ id }) => id === this.step()?.component)?.kind === 'sheet',
  );
  protected readonly glues = computed(() => ['glue', 'envelope', 'bind'].includes(this.operation() ?? ''));
  protected readonly window = computed(() => this.finish()?.windowMm !== undefined);
  protected readonly contact = computed(() => this.editor.job()?.contact);
  /** Where the numbering boxes of the job stand. */
  protected readonly boxes = computed(() => this.tool('numbering-box'));
  protected readonly checkSystems = CHECK_SYSTEMS;
  protected readonly checkSystem = computed((): CheckSystem => {
    const { check = false, checkSystem = 'MOD 97-10' } = this.boxes()?.of ?? {};
    return check ? checkSystem : 'none';
  });
  /** The die that this station strikes with. */
  protected readonly dies = computed(() => {
    const operation = this.operation();
    const kind = operation === 'foil' ? 'foil-die' : operation === 'emboss' ? 'embossing-die' : undefined;
    return kind && this.tool(kind);
  });

  /** The first tool of a kind with its way in the job file: of the station's own component, else of any. */
  private tool(kind: Tool['kind']): FoundTool | undefined {
    const components = [...(this.editor.job()?.components.entries() ?? [])];
    const own = components.filter(([, { id }]) => id === this.step()?.component);
    for (const [component, { tools = [] }] of [...own, ...components])
      for (const [at, of] of tools.entries())
        if (of.kind === kind) return { path: ['components', component, 'tools', at], of };
    return undefined;
  }

  protected setCheck({ path, of }: FoundTool, system: CheckSystem): void {
    const { check: _, checkSystem: __, ...rest } = of;
    this.editor.set(path, system === 'none' ? rest : { ...rest, check: true, checkSystem: system });
  }
  protected tell(field: string, value: unknown): void {
    this.editor.set(['finish', field], value);
  }
}
