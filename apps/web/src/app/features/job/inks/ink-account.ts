import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { count } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { RoomStore } from '../record/room.store';

/** An ink of accountable work: weighed out to the press and weighed back. */
@Component({
  selector: 'dk-ink-account',
  imports: [MatButtonModule, NumberBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3 i18n>By weight</h3>
    <p i18n data-test="out">{{ count(out(), 3) }} kg are out.</p>
    @if (room.mayInks()) {
      <div class="row">
        <dk-number i18n-label label="Weighed" unit="kg" name="weighed" [(value)]="kg" />
        <button i18n matButton="outlined" (click)="enter('issued')" [disabled]="kg() <= 0 || room.busy()">Issue</button>
        <button i18n matButton="outlined" (click)="enter('returned')" [disabled]="kg() <= 0 || room.busy()">
          Return
        </button>
      </div>
    }
  `,
  styles: `
    h3 {
      margin: 14px 0 6px;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 8px;
    }
  `,
})
export class InkAccount {
  protected readonly room = inject(RoomStore);
  readonly name = input.required<string>();
  protected readonly count = count;
  protected readonly kg = signal(0);
  protected readonly out = computed(() => this.room.state().inkOut.get(this.name()) ?? 0);

  protected enter(move: 'issued' | 'returned'): void {
    this.room.enter({ kind: 'ink', ink: this.name(), move, kg: this.kg() }, () => this.kg.set(0));
  }
}
