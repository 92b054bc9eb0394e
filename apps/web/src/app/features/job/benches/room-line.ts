import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { carrierWords } from '@druckerei/contract';
import { timeText } from '../../../ui/format';
import { RoomStore } from '../state/room.store';
import { recordWords } from '../ui/record-words';

/** The last entry of the press room with its taking back, and why the newest one was not taken. */
@Component({
  selector: 'dk-room-line',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (room.problem(); as problem) {
      <p class="wrong" role="alert"><mat-icon aria-hidden="true">block</mat-icon>{{ problem }}</p>
    }
    @if (lastText(); as text) {
      <p class="last" aria-live="polite">
        <span class="quiet">Last entry: {{ text }}</span>
        @if (room.mayRecord()) {
          <button matButton (click)="room.takeBack()" [disabled]="room.busy()">Take it back</button>
        }
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      align-items: center;
      gap: 8px;
      margin: 6px 0;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
    mat-icon {
      flex: none;
      font-size: 20px;
      width: 20px;
      height: 20px;
    }
  `,
})
export class RoomLine {
  protected readonly room = inject(RoomStore);
  protected readonly lastText = computed(() => {
    const last = this.room.state().last;
    return last && `${recordWords(last.event, (id) => this.nameOf(id))}, by ${last.by}, ${timeText(last.at)}`;
  });

  private nameOf(id: string): string {
    const context = this.room.context();
    const carrier = this.room.carriers().find((one) => one.id === id);
    return carrier
      ? `${carrier.name}: ${carrierWords(carrier)}`
      : (context?.plan.steps.find((step) => step.id === id)?.name ??
          context?.job.components.find((component) => component.id === id)?.name ??
          id);
  }
}
