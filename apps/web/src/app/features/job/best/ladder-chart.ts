import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type Rung, sayQuantity } from '@druckerei/core';
import { type ApexOptions, ChartComponent } from 'ng-apexcharts';
import { chartColours, plainChart } from '../../../ui/chart-look';
import { count } from '../../../ui/format';

/** What one copy costs at each quantity, with plates and digitally. */
@Component({
  selector: 'dk-ladder-chart',
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
      [markers]="options().markers"
      [tooltip]="options().tooltip"
    />
  `,
})
export class LadderChart {
  readonly rungs = input.required<readonly Rung[]>();
  readonly unit = input('');
  readonly dark = input(false);
  protected readonly options = computed(() => {
    const dark = this.dark();
    const { grid, series } = chartColours(dark);
    const unit = this.unit();
    const say = (value: number | null): string => (value === null ? 'none' : sayQuantity(value, unit));
    const line = (name: string, costOf: (rung: Rung) => number | undefined) => ({
      name,
      data: this.rungs().map((rung) => {
        const cost = costOf(rung);
        return cost === undefined ? null : cost / rung.quantity;
      }),
    });
    return {
      chart: plainChart('line', 220, dark),
      series: [
        line($localize`With plates`, ({ withPlates }) => withPlates?.sums.cost),
        line($localize`Digital`, ({ digital }) => digital?.sums.cost),
      ],
      xaxis: {
        categories: this.rungs().map(({ quantity }) => count(quantity)),
        title: { text: $localize`Quantity` },
      },
      yaxis: { min: 0, labels: { formatter: say }, title: { text: $localize`Cost of one, ${unit}` } },
      stroke: { width: 2, dashArray: [0, 5] },
      markers: { size: 4 },
      colors: series,
      grid: { borderColor: grid },
      tooltip: { y: { formatter: say } },
    } satisfies ApexOptions;
  });
}
