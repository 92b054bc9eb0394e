import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatRadioModule } from '@angular/material/radio';
import { MatSelectModule } from '@angular/material/select';
import {
  type Arrangement,
  type Component as JobComponent,
  CREEP_METHODS,
  CREEP_SHARES,
  ODD_PLACES,
  assemblyOf,
  normsOf,
  oddPlaceOf,
  schemesFor,
  webOf,
} from '@druckerei/core';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { LayoutView } from '../ui/layout-view';
import { Field } from './field';

const ARRANGEMENT_NAMES: Readonly<Record<Arrangement, string>> = {
  upright: 'Upright',
  turned: 'Turned by a quarter',
  mixed: 'Both ways mixed',
};
const CREEP_NAMES = { thumb: '1 caliper', round: 'Round', square: 'Square' } as const;
const SHARE_NAMES = { inwards: 'Inwards', half: 'Half, half', narrowed: 'Narrowed' } as const;

/** The layout of a component, large: what lies where on either side, how else it could lie, and its files. */
@Component({
  selector: 'dk-layout-bench',
  imports: [Field, LayoutView, MatButtonModule, MatFormFieldModule, MatIconModule, MatRadioModule, MatSelectModule],
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
  protected readonly names = ARRANGEMENT_NAMES;
  protected readonly oddPlaces = ODD_PLACES;
  protected readonly creeps = CREEP_METHODS.map((id) => ({ id, name: CREEP_NAMES[id] }));
  protected readonly shares = CREEP_SHARES.map((id) => ({ id, name: SHARE_NAMES[id] }));
  protected readonly index = computed(
    () => this.editor.job()?.components.findIndex(({ id }) => id === this.componentId()) ?? -1,
  );
  protected readonly component = computed((): JobComponent | undefined => this.editor.job()?.components[this.index()]);
  protected readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  protected readonly web = computed(() => {
    const layout = this.layout();
    return layout && webOf(layout.machine);
  });
  protected readonly schemes = computed(() => schemesFor(this.component()?.pages ?? 0, this.web() ? 'web' : 'sheet'));
  protected readonly grains = ['any', 'width', 'height'] as const;
  protected readonly binding = computed(() => {
    const job = this.editor.job();
    return job
      ? {
          assembly: assemblyOf(job),
          odd: oddPlaceOf(job),
          creep: job.binding?.creep ?? 'thumb',
          creepShare: job.binding?.creepShare ?? 'inwards',
        }
      : undefined;
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

  protected bind(key: 'assembly' | 'odd' | 'creep' | 'creepShare', value: unknown): void {
    const job = this.editor.job();
    const before = job?.binding ?? { assembly: 'nested' as const };
    this.editor.set(['binding'], { ...before, [key]: value });
  }
}
