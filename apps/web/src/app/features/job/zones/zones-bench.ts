import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type ComponentLayout, type SheetSide, plateZones, unitsOf } from '@druckerei/core';
import { Theme } from '../../../platform/theme';
import { percent } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { LayoutView } from '../../../ui/layout-view';
import { ZoneChart } from './zone-chart';
import { ZoneArt } from './zone-art';
import { saveText } from '../../../ui/save-text';

/** Ink zones of one ink on one plate. */
interface ZoneRow {
  readonly unit: string;
  readonly side: SheetSide;
  readonly ink: string;
  readonly zones: readonly number[];
}

/** The ink zones of a component: from an artwork to the coverage of every zone and unit, over the sheet, as bars and in a table. */
@Component({
  selector: 'dk-zones-bench',
  imports: [LayoutView, MatButtonModule, MatIconModule, ZoneArt, ZoneChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './zones-bench.html',
  styleUrl: './zones-bench.scss',
})
export class ZonesBench {
  protected readonly editor = inject(JobEditor);
  protected readonly theme = inject(Theme);
  readonly componentId = input.required<string>();
  protected readonly percent = percent;
  private readonly picked = signal(0);
  protected readonly layout = computed(
    (): ComponentLayout | undefined => this.editor.plan()?.layouts[this.componentId()],
  );
  protected readonly zoneRow = computed(() => this.layout()?.machine.press?.zones);
  protected readonly rows = computed((): readonly ZoneRow[] => {
    const [job, works, layout] = [this.editor.job(), this.editor.works(), this.layout()];
    if (!job || !works || !layout) return [];
    return unitsOf(job, works, layout.component, layout.machine).flatMap(({ inks, side: pass }) =>
      inks.map(({ name, side, index, unit }) => {
        const zones = plateZones(layout, side, index);
        const where = unit === undefined ? $localize`no unit` : $localize`Unit ${unit + 1}`;
        return { unit: where, side: pass === 'both' ? side : pass, ink: name, zones };
      }),
    );
  });
  protected readonly known = computed(() => this.rows().filter(({ zones }) => zones.length > 0));
  protected readonly most = computed(() => Math.max(0.01, ...this.known().flatMap(({ zones }) => zones)));
  protected readonly chosen = computed(() => this.known()[this.picked()] ?? this.known()[0]);
  protected readonly overlay = computed(() => {
    const [row, zones] = [this.chosen(), this.zoneRow()];
    return row && zones ? { shares: row.zones, widthMm: zones.widthMm } : undefined;
  });
  protected readonly numbers = computed(() => Array.from({ length: this.known()[0]?.zones.length ?? 0 }, (_, i) => i));

  protected pick(at: number): void {
    this.picked.set(at);
  }
  /** Prints the table alone. */
  protected print(): void {
    window.print();
  }
  protected async saveCsv(): Promise<void> {
    const { zonesCsv } = await import('@druckerei/formats/artwork');
    const name = `${this.editor.job()?.number ?? 'job'}-${this.componentId()}-zones.csv`;
    saveText(name, 'text/csv', zonesCsv(this.known()));
  }
}
