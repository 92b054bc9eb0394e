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
      matButton
      [class.on]="of().measuring()"
      [attr.aria-pressed]="of().measuring()"
      (click)="of().measure()"
      matTooltip="Click two places to measure between them (M)"
    >
      Measure
    </button>
    <button matIconButton (click)="of().larger()" aria-label="Larger" matTooltip="Larger (+)">
      <mat-icon>zoom_in</mat-icon>
    </button>
    <button matIconButton (click)="of().smaller()" aria-label="Smaller" matTooltip="Smaller (-)">
      <mat-icon>zoom_out</mat-icon>
    </button>
    <button matIconButton (click)="of().fit()" aria-label="Whole drawing" matTooltip="Whole drawing (0)">
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
