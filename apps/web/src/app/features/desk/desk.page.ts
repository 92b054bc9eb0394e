import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { RouterLink } from '@angular/router';
import { dayAfter } from '@druckerei/core';
import type { Desk, DeskLine, DeskNote } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { askAgain } from '../../platform/ask-again';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { many } from '../../ui/format';
import { DeskApi } from './desk.api';
import { besideText, daysOf, matterText, noteText, settledAt } from './desk-words';
import { PutOffDialog } from './put-off.dialog';
import { WordPipe } from '../../ui/word';

const DAYS_PUT_OFF = 7;
/** What wants a decision, in sentences: the most urgent first. Each is done, put off or given to somebody from here. */
@Component({
  selector: 'dk-desk-page',
  imports: [
    MatButtonModule,
    MatIconModule,
    MatMenuModule,
    MatProgressBarModule,
    MatSlideToggleModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './desk.page.html',
  styleUrl: './desk.page.scss',
})
export class DeskPage {
  private readonly api = inject(DeskApi);
  private readonly dialog = inject(MatDialog);
  protected readonly may = inject(Store).selectSignal(selectMay('schedule'));
  protected readonly desk = signal<Desk | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly busy = signal(false);
  /** What is done or put off is shown too. */
  protected readonly all = signal(false);
  protected readonly mine = signal(false);

  protected readonly many = many;
  protected readonly matterText = matterText;
  protected readonly besideText = (line: DeskLine): string =>
    besideText(line, Date.now(), this.desk()?.timeZone ?? undefined);
  protected readonly noteText = noteText;
  protected readonly settledAt = settledAt;

  private readonly isAway = ({ note }: DeskLine): boolean => note !== null && note.state !== 'given';
  protected readonly away = computed(() => this.desk()?.matters.filter(this.isAway).length ?? 0);
  protected readonly open = computed(() => (this.desk()?.matters.length ?? 0) - this.away());
  protected readonly given = computed(() => this.desk()?.matters.some(({ note }) => note?.mine) ?? false);
  protected readonly days = computed(() => {
    const desk = this.desk();
    if (!desk) return [];
    const shown = desk.matters
      .filter((line) => this.all() || !this.isAway(line))
      .filter(({ note }) => !this.mine() || note?.mine);
    return daysOf(shown, {
      today: desk.today,
      tomorrow: dayAfter(desk.today, 1),
      timeZone: desk.timeZone ?? undefined,
    });
  });

  constructor() {
    this.load();
    whenChanged(['floor', 'jobs', 'room', 'stores', 'works'], () => {
      this.look();
    });
    askAgain(
      () => this.desk()?.waiting,
      () => {
        this.look();
      },
    );
  }

  private look(): void {
    this.api.desk().subscribe({ next: (desk) => this.desk.set(desk), error: () => undefined });
  }

  protected load(): void {
    this.ask(this.api.desk());
  }
  protected say(note: DeskNote): void {
    this.ask(this.api.note(note));
  }
  protected putOff(key: string, days: number): void {
    this.say({ key, state: 'put off', until: dayAfter(this.desk()?.today ?? '', days) });
  }
  protected putOffTo(key: string): void {
    const today = this.desk()?.today ?? '';
    this.dialog
      .open<PutOffDialog, unknown, string>(PutOffDialog, { data: { today, until: dayAfter(today, DAYS_PUT_OFF) } })
      .afterClosed()
      .subscribe((until) => {
        if (until) this.say({ key, state: 'put off', until });
      });
  }

  private ask(call: Observable<Desk>): void {
    this.busy.set(true);
    this.failed.set('');
    call.subscribe({
      next: (desk) => {
        this.busy.set(false);
        this.desk.set(desk);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}
