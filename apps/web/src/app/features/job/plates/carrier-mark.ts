import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import type { CarrierState } from '@druckerei/core';
import { CARRIER_STATE_WORDS } from '@druckerei/contract';

const SHAPES: Readonly<Record<CarrierState, string>> = {
  wanted: 'radio_button_unchecked',
  made: 'build_circle',
  inspected: 'check_circle',
  'on-press': 'play_circle',
  held: 'pause_circle',
  kept: 'inventory_2',
  recycled: 'recycling',
  destroyed: 'cancel',
};

/** Where a carrier is in its life, by word and shape. */
@Component({
  selector: 'dk-carrier-mark',
  imports: [MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<mat-icon aria-hidden="true">{{ shapes[state()] }}</mat-icon
    >{{ words[state()] }}`,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      white-space: nowrap;
    }
    mat-icon {
      font-size: 18px;
      width: 18px;
      height: 18px;
    }
  `,
})
export class CarrierMark {
  readonly state = input.required<CarrierState>();
  protected readonly shapes = SHAPES;
  protected readonly words = CARRIER_STATE_WORDS;
}
