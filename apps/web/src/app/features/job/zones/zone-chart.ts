import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
import { chartColours, plainChart } from '../../../ui/chart-look';

/** Bars over a quarter of a plate are rare; the scale is the same for all units of a press, so that they compare. */
const FULL = 100;
const LEGIBLE = 8;

/** The ink zones of one unit as bars, per cent of the zone's strip. */
@Component({
  selector: 'dk-zone-chart',
  imports: [ChartComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <apx-chart
      [chart]="options().chart"
      [series]="options().series"
      [xaxis]="options().xaxis"
      [yaxis]="options().yaxis"
      [dataLabels]="options().dataLabels"
      [plotOptions]="options().plotOptions"
      [grid]="options().grid"
      [colors]="options().colors"
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
export class ZoneChart {
  readonly zones = input.required<readonly number[]>();
  /** Greatest share that the scale has room for. */
  readonly most = input(1);
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const { grid, series } = chartColours(dark);
    const percent = (share: number): number => Math.round(share * FULL * 10) / 10;
    return {
      chart: plainChart('bar', 130, dark),
      series: [{ name: '%', data: this.zones().map(percent) }],
      xaxis: {
        categories: this.zones().map((_, i) => String(i + 1)),
        tickAmount: LEGIBLE,
        labels: { rotate: 0, hideOverlappingLabels: true },
        axisTicks: { show: false },
      },
      yaxis: {
        min: 0,
        max: Math.max(1, percent(this.most())),
        tickAmount: 2,
        labels: { formatter: (v: number) => v.toFixed(0) },
      },
      dataLabels: { enabled: false },
      plotOptions: { bar: { columnWidth: '90%' } },
      grid: { padding: { top: -16, bottom: -8, left: 4, right: 4 }, borderColor: grid },
      colors: series,
      tooltip: { theme: dark ? 'dark' : 'light', x: { formatter: (zone: number) => $localize`Zone ${zone}` } },
    } satisfies ApexOptions;
  });
}
