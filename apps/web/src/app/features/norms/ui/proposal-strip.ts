import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { NormProposalLine } from '@druckerei/contract';
import { stripOf } from '../learning-words';

/** Where a norm stands, where the log would have it, and how sure that is: an open mark, a full one, and a bar. */
@Component({
  selector: 'dk-proposal-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <i class="line"></i>
    <i class="sure" [style.left.%]="at().low" [style.width.%]="at().high - at().low"></i>
    <i class="now" [style.left.%]="at().now"></i>
    <i class="value" [style.left.%]="at().value"></i>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      width: 160px;
      height: 18px;
    }
    i {
      position: absolute;
      display: block;
    }
    .line {
      left: 0;
      right: 0;
      top: 8px;
      height: 1px;
      background: var(--mat-sys-outline-variant);
    }
    .sure {
      top: 6px;
      height: 5px;
      background: var(--mat-sys-secondary-container);
      border: 1px solid var(--mat-sys-secondary);
      border-radius: 3px;
    }
    .now,
    .value {
      top: 3px;
      width: 10px;
      height: 10px;
      margin-left: -6px;
    }
    .now {
      border: 2px solid var(--mat-sys-on-surface);
      background: var(--mat-sys-surface);
      border-radius: 50%;
    }
    .value {
      background: var(--mat-sys-primary);
      border: 1px solid var(--mat-sys-surface);
      transform: rotate(45deg);
    }
  `,
  host: { 'aria-hidden': 'true' },
})
export class ProposalStrip {
  readonly proposal = input.required<NormProposalLine>();
  protected readonly at = computed(() => stripOf(this.proposal()));
}
