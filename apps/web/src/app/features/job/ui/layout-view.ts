import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type ComponentLayout, drawLayout } from '@druckerei/core';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';

/** The press sheet to scale: gripper, margins, pieces with their trim, pages, grain. Printed side up, gripper at the foot. */
@Component({
  selector: 'dk-layout-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './layout-view.html',
  styleUrl: './layout-view.scss',
})
export class LayoutView {
  protected readonly measures = inject(Measures);
  readonly layout = input.required<ComponentLayout>();
  protected readonly drawing = computed(() => drawLayout(this.layout()));
  protected readonly viewBox = computed(() => {
    const { sheet } = this.drawing();
    return `-46 -34 ${sheet.width + 92} ${sheet.height + 100}`;
  });
  protected readonly caption = computed(() => {
    const { grid, component } = this.layout();
    const { usedShare } = this.drawing();
    return `${count(grid.count)} up, ${grid.columns} across by ${grid.rows}; ${percent(Math.round(usedShare * 1000) / 1000)} of the sheet used${component.pages ? `; ${component.pages} pages each` : ''}`;
  });
}
