import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StationDrawing } from '@druckerei/core';
import { Shapes } from './shapes';

/** The product to scale, small, so that a job is known by its look. */
@Component({
  selector: 'dk-product-picture',
  imports: [Shapes],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="viewBox()" role="img" [attr.aria-label]="drawing().title">
      <g [dkShapes]="drawing().shapes"></g>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: var(--dk-picture-width, 46px);
      height: var(--dk-picture, 40px);
    }
  `,
})
export class ProductPicture {
  readonly drawing = input.required<StationDrawing>();
  protected readonly viewBox = computed(() => {
    const { widthMm, heightMm } = this.drawing();
    const edge = Math.max(widthMm, heightMm) * 0.03;
    return `${0 - edge} ${0 - edge} ${widthMm + 2 * edge} ${heightMm + 2 * edge}`;
  });
}
