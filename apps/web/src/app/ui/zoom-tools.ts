import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatTooltipModule } from '@angular/material/tooltip';
import type { DrawingZoom } from './drawing-zoom';

/** The buttons to look closer at a drawing and to measure on it. */
@Component({
  selector: 'dk-zoom-tools',
  imports: [MatButtonModule, MatIconModule, MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      i18n
      matButton
      [class.on]="of().measuring()"
      [attr.aria-pressed]="of().measuring()"
      (click)="of().measure()"
      i18n-matTooltip
      matTooltip="Click two places to measure between them (M)"
    >
      Measure
    </button>
    <button
      matIconButton
      (click)="of().larger()"
      i18n-aria-label
      aria-label="Larger"
      i18n-matTooltip
      matTooltip="Larger (+)"
    >
      <mat-icon>zoom_in</mat-icon>
    </button>
    <button
      matIconButton
      (click)="of().smaller()"
      i18n-aria-label
      aria-label="Smaller"
      i18n-matTooltip
      matTooltip="Smaller (-)"
    >
      <mat-icon>zoom_out</mat-icon>
    </button>
    <button
      matIconButton
      (click)="of().fit()"
      i18n-aria-label
      aria-label="Whole drawing"
      i18n-matTooltip
      matTooltip="Whole drawing (0)"
    >
      <mat-icon>fit_screen</mat-icon>
    </button>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
    }
    .on {
      background: var(--mat-sys-secondary-container);
    }
  `,
})
export class ZoomTools {
  readonly of = input.required<DrawingZoom>();
}
