import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
import { chartColours, plainChart } from './chart-look';
import { count } from './format';

export interface TrendLine {
  readonly name: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}

/** Readings over the sheets of a run, with the band that they should stay in. */
@Component({
  selector: 'dk-trend-chart',
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
      [legend]="options().legend"
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
export class TrendChart {
  readonly lines = input.required<readonly TrendLine[]>();
  /** Lowest and highest that is in tolerance. */
  readonly band = input.required<readonly [number, number]>();
  /** Ends of the scale; by the readings and the band where absent. */
  readonly range = input<readonly [number, number]>();
  readonly unit = input('');
  readonly xTitle = input($localize`Sheet`);
  readonly digits = input(3);
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const [low, high] = this.band();
    const values = this.lines().flatMap(({ points }) => points.map(({ y }) => y));
    const room = (high - low) / 10;
    const word = (value: number): string => [count(value, this.digits()), this.unit()].join(' ').trim();
    const { grid, limit, series } = chartColours(dark);
    return {
      chart: plainChart('line', 210, dark),
      series: this.lines().map(({ name, points }) => ({ name, data: points.map(({ x, y }) => ({ x, y })) })),
      xaxis: {
        type: 'numeric',
        tickAmount: 6,
        title: { text: this.xTitle() },
        labels: { formatter: (x: string) => count(Number(x)) },
      },
      yaxis: {
        min: this.range()?.[0] ?? Math.min(low, ...values) - room,
        max: this.range()?.[1] ?? Math.max(high, ...values) + room,
        tickAmount: 4,
        labels: { formatter: word },
      },
      stroke: { width: 2, dashArray: [0, 5, 2, 9] },
      colors: series,
      grid: { borderColor: grid },
      legend: { position: 'top', horizontalAlign: 'left' },
      annotations: {
        yaxis: [low, high].map((y) => ({ y, borderColor: limit, strokeDashArray: 4, label: { text: '' } })),
      },
      tooltip: {
        theme: dark ? 'dark' : 'light',
        x: { formatter: (sheet: number) => `${this.xTitle()}: ${count(sheet)}` },
      },
    } satisfies ApexOptions;
  });
}
