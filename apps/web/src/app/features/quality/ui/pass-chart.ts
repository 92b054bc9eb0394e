import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { OperatingPoint } from '@druckerei/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
import { chartColours, plainChart } from '../../../ui/chart-look';
import { count } from '../../../ui/format';

/** The chance that a lot passes, over the share of it that is faulty; the limit is marked. */
@Component({
  selector: 'dk-pass-chart',
  imports: [ChartComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <apx-chart
      [chart]="options().chart"
      [series]="options().series"
      [xaxis]="options().xaxis"
      [yaxis]="options().yaxis"
      [stroke]="options().stroke"
      [colors]="options().colors"
      [grid]="options().grid"
      [annotations]="options().annotations"
      [tooltip]="options().tooltip"
    />
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
  `,
})
export class PassChart {
  readonly curve = input.required<readonly OperatingPoint[]>();
  /** Per cent. */
  readonly aql = input.required<number>();
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const { grid, limit, series } = chartColours(dark);
    return {
      chart: plainChart('line', 300, dark),
      series: [
        {
          name: $localize`:of lots|:Passes`,
          data: this.curve().map(({ share, pass }) => ({ x: share * 100, y: pass * 100 })),
        },
      ],
      xaxis: {
        type: 'numeric',
        tickAmount: 8,
        title: { text: $localize`Faulty ones in the lot, %` },
        labels: { formatter: (at: string) => count(Number(at), 1) },
      },
      yaxis: { min: 0, max: 100, tickAmount: 5, labels: { formatter: (value: number) => `${count(value)} %` } },
      stroke: { width: 2, curve: 'straight' },
      colors: series,
      grid: { borderColor: grid },
      annotations: {
        xaxis: [
          {
            ...{ x: this.aql(), borderColor: limit, strokeDashArray: 4 },
            label: { text: $localize`limit ${this.aql()} %`, orientation: 'horizontal', borderColor: 'transparent' },
          },
        ],
      },
      tooltip: {
        theme: dark ? 'dark' : 'light',
        x: { formatter: (share: number) => $localize`${count(share, 2)} % faulty` },
        y: { formatter: (value: number) => `${count(value, 1)} %` },
      },
    } satisfies ApexOptions;
  });
}
