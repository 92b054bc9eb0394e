import { type CdkDragDrop, CdkDropList } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatMenuModule } from '@angular/material/menu';
import { MatSelectModule } from '@angular/material/select';
import {
  type BlankRequest,
  type Component as JobComponent,
  type SheetPattern,
  CREEP_METHODS,
  CREEP_SHARES,
  ODD_PLACES,
  assemblyOf,
  blankRequest,
  normsOf,
  oddPlaceOf,
  pressArea,
  sharesWith,
  webOf,
} from '@druckerei/core';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { RunBar } from '../../../ui/run-bar';
import { BlanksSearch } from './blanks-search';
import { LayoutProposals } from './layout-proposals';
import { LayoutView } from '../../../ui/layout-view';
import { DieFields } from './die-fields';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';
import { FoldFields } from './fold-fields';
import { FormFields } from './form-fields';
import { WordPipe } from '../../../ui/word';

const CREEP_NAMES = { thumb: $localize`1 caliper`, round: $localize`Round`, square: $localize`Square` } as const;
const SHARE_NAMES = {
  inwards: $localize`Inwards`,
  half: $localize`Half, half`,
  narrowed: $localize`Narrowed`,
} as const;

/** The layout of a component, large: what lies where on either side, how else it could lie, and its files. */
@Component({
  selector: 'dk-layout-bench',
  imports: [
    Choice,
    CdkDropList,
    DieFields,
    Field,
    FoldFields,
    FormFields,
    LayoutProposals,
    LayoutView,
    MatButtonModule,
    MatCheckboxModule,
    RunBar,
    MatFormFieldModule,
    MatIconModule,
    MatMenuModule,
    MatSelectModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './layout-bench.html',
  styleUrl: './layout-bench.scss',
})
export class LayoutBench {
  protected readonly editor = inject(JobEditor);
  protected readonly measures = inject(Measures);
  readonly componentId = input.required<string>();
  protected readonly count = count;
  protected readonly percent = percent;
  protected readonly oddPlaces = ODD_PLACES;
  protected readonly creeps = CREEP_METHODS.map((id) => ({ id, name: CREEP_NAMES[id] }));
  protected readonly shares = CREEP_SHARES.map((id) => ({ id, name: SHARE_NAMES[id] }));
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed((): JobComponent | undefined => this.editor.job()?.components[this.index()]);
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  /** What a search for a better way to lay the blanks is asked. */
  private readonly request = computed((): BlankRequest | undefined => {
    const layout = this.layout();
    if (!layout?.die) return undefined;
    const area = pressArea(layout.component, layout.machine, layout.cutOffs);
    return blankRequest(layout.die.outline, area, layout.gapMm, layout.turns);
  });
  protected readonly search = new BlanksSearch(() => this.request());
  /** The patterns of the plan, and those that a search has found beside them. */
  protected readonly patterns = computed((): readonly SheetPattern[] => {
    const own = this.layout()?.proposals ?? [];
    const found = this.search.patterns();
    const isNew = (one: SheetPattern): boolean =>
      own.every(({ arrangement, count: up }) => arrangement !== one.arrangement || up < one.count);
    return [...own, ...found.filter(isNew)].sort((a, b) => b.count - a.count);
  });
  protected readonly web = computed(() => {
    const layout = this.layout();
    return layout && webOf(layout.machine);
  });
  protected readonly grains = [
    { id: 'any', name: $localize`either side` },
    { id: 'width', name: 'width' },
    { id: 'height', name: 'height' },
  ];
  protected readonly binding = computed(() => {
    const job = this.editor.job();
    return job
      ? {
          assembly: assemblyOf(job),
          odd: oddPlaceOf(job),
          creep: job.binding?.creep ?? 'thumb',
          creepShare: job.binding?.creepShare ?? 'inwards',
          twoUp: job.binding?.twoUp ?? false,
          selfEnds: job.binding?.selfEnds ?? false,
        }
      : undefined;
  });
  /** Sections, covers and endpapers that could lie on one sheet with this one. */
  protected readonly partners = computed(() => {
    const [job, component] = [this.editor.job(), this.component()];
    return job && component ? sharesWith(job, component) : [];
  });
  /** Whether this is a form that components share. */
  protected readonly isShared = computed(() => this.layout()?.form.some(({ component }) => component) ?? false);
  protected readonly gapNorm = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    const gap = job && works ? normsOf(works, job.norms)('layout.strippingGap').value : 0;
    return this.component()?.kind === 'blank' ? count(this.measures.of('mm').show(gap), 3) : '0';
  });
  /** What the works would trim or bleed, shown where the job sets nothing. */
  protected readonly trimNorm = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? count(this.measures.of('mm').show(normsOf(works, job.norms)('layout.bleed').value), 3) : '';
  });
  /** Furthest that creep moves an image of this section. */
  protected readonly mostCreep = computed(() => {
    const section = this.layout()?.section;
    const moves = [...(section?.outer ?? []), ...(section?.inner ?? [])].map(
      ({ towardsSpineMm, narrowerMm }) => Math.abs(towardsSpineMm) + narrowerMm,
    );
    return Math.max(0, ...moves);
  });
  protected readonly files = computed(() => {
    const revision = this.editor.revision();
    const base = `/api/jobs/${revision?.id ?? 0}/revisions/${revision?.revision ?? 1}/layouts/${this.componentId()}`;
    return (['pdf', 'svg', 'dxf'] as const).map((format) => ({ format, url: `${base}.${format}` }));
  });

  protected set(path: readonly (string | number)[], value: unknown): void {
    this.editor.set(['components', this.index(), ...path], value);
  }

  /** Puts a pattern in force. Blanks keep the figures of how they lie, other pieces the name of their arrangement. */
  protected take(pattern: SheetPattern): void {
    if (!this.editor.editable()) return;
    if (pattern.blanks) this.set(['lay', 'blanks'], pattern.blanks);
    else this.set(['lay', 'arrangement'], pattern.arrangement);
  }
  protected drop(event: CdkDragDrop<unknown, unknown, SheetPattern>): void {
    this.take(event.item.data);
  }
  /** The next or the one before among the patterns, by key. */
  protected step(by: number): void {
    const patterns = this.patterns();
    const now = this.layout()?.pattern;
    const at = patterns.findIndex(({ arrangement, count: up }) => arrangement === now?.arrangement && up === now.count);
    const next = patterns[(at + by + patterns.length) % patterns.length];
    if (next) this.take(next);
  }
  protected readonly isChosen = computed(() => {
    const { arrangement, blanks } = this.component()?.lay ?? {};
    return arrangement !== undefined || blanks !== undefined;
  });
  protected takeBest(): void {
    const { arrangement: _arrangement, blanks: _blanks, ...lay } = this.component()?.lay ?? {};
    this.set(['lay'], lay);
  }

  /** Prints the drawing alone; the page around it is left out by the style sheet. */
  protected print(): void {
    window.print();
  }

  protected bind(key: 'assembly' | 'odd' | 'creep' | 'creepShare' | 'twoUp' | 'selfEnds', value: unknown): void {
    const job = this.editor.job();
    const before = job?.binding ?? { assembly: 'nested' as const };
    this.editor.set(['binding'], { ...before, [key]: value });
  }
}
