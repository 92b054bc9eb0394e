import { wordOf } from '@druckerei/core/kernel';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ControlChart as Drawn, RunSignal } from '@druckerei/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
import { chartColours, plainChart } from '../../../ui/chart-look';
import { count } from '../../../ui/format';

/** Points with the limits of the process, and the tolerance of the customer in another line; points that complete a signal are squares. */
@Component({
  selector: 'dk-control-chart',
  imports: [ChartComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <apx-chart
      [chart]="options().chart"
      [series]="options().series"
      [xaxis]="options().xaxis"
      [yaxis]="options().yaxis"
      [stroke]="options().stroke"
      [markers]="options().markers"
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
export class ControlChartView {
  readonly drawn = input.required<Drawn>();
  readonly x = input.required<readonly number[]>();
  readonly along = input.required<string>();
  readonly signals = input<readonly RunSignal[]>([]);
  readonly tolerance = input<{ readonly lower: number | null; readonly upper: number | null } | null>(null);
  readonly unit = input('');
  readonly digits = input(3);
  readonly height = input(260);
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const { points, limits } = this.drawn();
    const x = this.x();
    const line = (values: readonly number[]) => values.map((y, i) => ({ x: x[i] ?? i, y }));
    const edges = [this.tolerance()?.lower ?? null, this.tolerance()?.upper ?? null].filter((one) => one !== null);
    const word = (value: number): string => [count(value, this.digits()), this.unit()].join(' ').trim();
    const all = [...points, ...limits.flatMap(({ lower, upper }) => [lower, upper]), ...edges];
    const [low, high] = [Math.min(...all), Math.max(...all)];
    const room = (high - low) / 12 || 1;
    const { grid, limit, series, text } = chartColours(dark);
    const [main = text, other = text] = series;
    const out = new Set(this.signals().map(({ to }) => to));
    return {
      chart: plainChart('line', this.height(), dark),
      series: [
        { name: $localize`Value`, data: line(points) },
        { name: $localize`Mean`, data: line(limits.map(({ centre }) => centre)) },
        { name: $localize`Upper limit`, data: line(limits.map(({ upper }) => upper)) },
        { name: $localize`Lower limit`, data: line(limits.map(({ lower }) => lower)) },
      ],
      xaxis: {
        type: 'numeric',
        tickAmount: Math.min(8, points.length),
        title: { text: wordOf(this.along()) },
        labels: { formatter: (at: string) => count(Number(at)) },
      },
      yaxis: { min: low - room, max: high + room, tickAmount: 5, labels: { formatter: word } },
      stroke: { width: [2, 1, 1.5, 1.5], dashArray: [0, 2, 6, 6], curve: 'straight' },
      markers: {
        size: [3, 0, 0, 0],
        strokeWidth: 0,
        discrete: [...out].map((dataPointIndex) => ({
          ...{ seriesIndex: 0, dataPointIndex, fillColor: other, strokeColor: text, size: 6, shape: 'square' as const },
        })),
      },
      colors: [main, limit, limit, limit],
      grid: { borderColor: grid },
      legend: { show: false },
      annotations: {
        yaxis: edges.map((y) => ({
          ...{ y, borderColor: other, strokeDashArray: 0, borderWidth: 2 },
          label: {
            ...{
              text: $localize`tolerance ${word(y)}`,
              borderColor: 'transparent',
              position: 'left',
              textAnchor: 'start',
            },
            style: { background: 'transparent', color: other, fontSize: '12px' },
          },
        })),
      },
      tooltip: {
        theme: dark ? 'dark' : 'light',
        x: { formatter: (at: number) => `${wordOf(this.along())} ${count(at)}` },
      },
    } satisfies ApexOptions;
  });
}
