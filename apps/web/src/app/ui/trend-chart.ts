import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
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
  readonly unit = input('');
  readonly digits = input(3);
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const [low, high] = this.band();
    const values = this.lines().flatMap(({ points }) => points.map(({ y }) => y));
    const room = (high - low) / 10;
    const word = (value: number): string => [count(value, this.digits()), this.unit()].join(' ').trim();
    const line = dark ? '#9a958a' : '#7a756a';
    return {
      chart: {
        type: 'line',
        height: 210,
        animations: { enabled: false },
        toolbar: { show: false },
        zoom: { enabled: false },
        foreColor: dark ? '#d6d3cc' : '#4a463f',
        fontFamily: 'inherit',
      },
      series: this.lines().map(({ name, points }) => ({ name, data: points.map(({ x, y }) => ({ x, y })) })),
      xaxis: {
        type: 'numeric',
        tickAmount: 6,
        title: { text: 'Sheet' },
        labels: { formatter: (x: string) => count(Number(x)) },
      },
      yaxis: {
        min: Math.min(low, ...values) - room,
        max: Math.max(high, ...values) + room,
        tickAmount: 4,
        labels: { formatter: word },
      },
      // Told apart by dash as well as by colour.
      stroke: { width: 2, dashArray: [0, 5] },
      colors: dark ? ['#ffb68c', '#cfe6f5'] : ['#8f4a10', '#2c5a73'],
      grid: { borderColor: dark ? '#55524b' : '#d8d3c8' },
      legend: { position: 'top', horizontalAlign: 'left' },
      annotations: {
        yaxis: [low, high].map((y) => ({ y, borderColor: line, strokeDashArray: 4, label: { text: '' } })),
      },
      tooltip: { theme: dark ? 'dark' : 'light', x: { formatter: (sheet: number) => `Sheet ${count(sheet)}` } },
    } satisfies ApexOptions;
  });
}
