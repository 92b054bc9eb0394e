import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { carrierWords, entryWords } from '@druckerei/contract';
import { count, timeText } from '../../../ui/format';
import { type EntryPlace, RoomStore, placeOf } from './room.store';

/** The last entry of the press room with its taking back, and why the newest one was not taken. */
@Component({
  selector: 'dk-room-line',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as text) {
      <p class="wrong" role="alert"><mat-icon aria-hidden="true">block</mat-icon>{{ text }}</p>
    }
    @for (entry of waiting(); track entry.key) {
      <p class="waits" [attr.role]="entry.refused ? 'alert' : 'status'">
        <mat-icon aria-hidden="true">{{ entry.refused ? 'block' : 'schedule_send' }}</mat-icon>
        @if (entry.refused) {
          <span i18n>{{ entry.text }}, made {{ entry.time }}, was not taken. {{ entry.refused }}</span>
          <button i18n matButton (click)="room.sendAgain(entry.key)">Send it again</button>
          <button i18n matButton (click)="room.leaveOut(entry.key)">Leave it out</button>
        } @else {
          <span i18n>{{ entry.text }} waits on this computer and is sent by itself once the server answers.</span>
        }
      </p>
    }
    @if (lastText(); as text) {
      <p class="last" aria-live="polite">
        <span i18n class="quiet">Last entry: {{ text }}</span>
        @if (room.mayRecord()) {
          <button i18n matButton (click)="room.takeBack()" [disabled]="room.busy()">Take it back</button>
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
  /** Only what was entered there is shown. */
  readonly at = input.required<EntryPlace>();
  private readonly say = { name: (id: string) => this.nameOf(id), count };
  protected readonly problem = computed(() => (this.room.problemAt() === this.at() ? this.room.problem() : ''));
  protected readonly waiting = computed(() =>
    this.room
      .waiting()
      .filter(({ event }) => placeOf(event) === this.at())
      .map(({ key, event, at, refused }) => ({
        key,
        refused,
        time: timeText(at),
        text: entryWords(event, this.say),
      })),
  );
  protected readonly lastText = computed(() => {
    const last = this.room.state().last;
    if (!last || placeOf(last.event) !== this.at()) return undefined;
    return $localize`${entryWords(last.event, this.say)}, by ${last.by}, ${timeText(last.at)}`;
  });

  private nameOf(id: string): string {
    const context = this.room.context();
    const carrier = this.room.carriers().find((one) => one.id === id);
    return carrier
      ? `${carrier.name}: ${carrierWords(carrier)}`
      : (context?.card.steps.find((step) => step.id === id)?.name ??
          context?.card.components.find((component) => component.id === id)?.name ??
          id);
  }
}
