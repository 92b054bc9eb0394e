import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { GROWTH_ACROSS_PER_RH, fanOut } from '@druckerei/core';
import { count } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { BenchForm } from '../state/bench-form';
import { Bench } from './bench';

const START = { grain: 'width' as 'width' | 'height', deltaRh: 8, perRh: GROWTH_ACROSS_PER_RH * 100 };

/** What a change of humidity does to the sheet of the bench, and to its register. */
@Component({
  selector: 'dk-fan-out-box',
  imports: [Bench, MatButtonToggleModule, NumberBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-bench i18n-name name="Humidity and fan-out" i18n-result result="What the sheet does" [typed]="bench">
      <div inputs class="fields">
        <mat-button-toggle-group
          i18n-aria-label
          aria-label="Grain along"
          hideSingleSelectionIndicator
          [value]="form().grain"
          (change)="set({ grain: $event.value })"
        >
          <mat-button-toggle i18n value="width">Grain across</mat-button-toggle>
          <mat-button-toggle i18n value="height">Grain around</mat-button-toggle>
        </mat-button-toggle-group>
        <dk-number
          i18n-label
          label="Humidity changes by, % RH"
          name="delta-rh"
          [value]="form().deltaRh"
          (valueChange)="set({ deltaRh: $event })"
        />
        <dk-number
          i18n-label
          label="Growth across the grain, % for 1 % RH"
          name="growth"
          [value]="form().perRh"
          (valueChange)="set({ perRh: $event })"
        />
      </div>
      <p i18n aria-live="polite" data-test="fan-out">
        The sheet changes by <b>{{ count(change().widthMm, 3) }} mm</b> across and
        <b>{{ count(change().heightMm, 3) }} mm</b> around: up to {{ count(change().edgeAcrossMm, 3) }} mm at a side
        edge and {{ count(change().edgeAroundMm, 3) }} mm at the tail when laid on the middle. To compensate, make the
        next plates by {{ count(change().acrossPpm) }} µm/m across and {{ count(change().aroundPpm) }} µm/m around.
      </p>
      <p i18n class="quiet">
        Along the grain paper changes about a third as much (practice); the growth is from memory, so measure your own.
      </p>
    </dk-bench>
  `,
  styleUrl: '../pages/bench-page.scss',
})
export class FanOutBox {
  readonly widthMm = input.required<number>();
  readonly heightMm = input.required<number>();
  protected readonly bench = new BenchForm('fan-out', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly change = computed(() => {
    const { grain, deltaRh, perRh } = this.form();
    return fanOut(this.widthMm(), this.heightMm(), grain, deltaRh, perRh / 100);
  });

  protected set(change: Partial<typeof START>): void {
    this.bench.set(change);
  }
}
