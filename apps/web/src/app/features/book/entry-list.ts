import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type RoomEntry, type RoomRecord, ADDING, STATION_KINDS } from '@druckerei/core';
import { entryWords } from '@druckerei/contract';
import { count, many, timeText } from '../../ui/format';
import type { BookWaiting } from '../../platform/book-shelf';
import { pictureUrl } from '../../platform/photograph';
import { ON_THE_WAY, StationStore } from './station.store';
import { WordPipe } from '../../ui/word';

const SHOWN = 12;

/** The last entries of a station: what counts, what is struck through, what is held or on its way, each with what can be done. */
@Component({
  selector: 'dk-entry-list',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Entries</h2>
    @for (entry of refused(); track entry.n) {
      <p class="held" role="alert">
        <mat-icon aria-hidden="true">block</mat-icon>
        <span i18n>{{ words(entry.event) }} was not taken. {{ entry.refused }}</span>
        <button i18n matButton (click)="store.outbox.retry(entry)">Send it again</button>
        <button i18n matButton (click)="store.outbox.drop(entry)">Leave it out</button>
      </p>
    }
    <ol>
      @for (line of lines(); track line.id) {
        <li [class.struck]="line.state === 'struck'" [class.held]="line.state === 'held'">
          <span class="at">{{ line.at }}</span>
          <span class="what">
            @if (line.state === 'struck') {
              <s>{{ line.text }}</s>
            } @else {
              {{ line.text }}
            }
            <small>{{ line.by }}</small>
            @for (why of line.why; track why) {
              <small>{{ why }}</small>
            }
            @if (line.photo; as photo) {
              <a [href]="photo" target="_blank" rel="noopener"
                ><img [src]="photo" loading="lazy" [alt]="line.text"
              /></a>
            }
          </span>
          @if (line.state === 'held' && store.mayExplain()) {
            @if (asked() === line.id) {
              <label><span i18n>What happened</span><input #why maxlength="300" /></label>
              <button i18n matButton="filled" (click)="settle(line.id, true, why)">It counts</button>
              <button i18n matButton="outlined" (click)="settle(line.id, false, why)">It stays out</button>
            } @else {
              <button i18n matButton="outlined" (click)="asked.set(line.id)">Explain</button>
            }
          } @else if (line.canStrike && store.mayRecord()) {
            @if (asked() === line.id) {
              <label><span i18n>Why it is wrong</span><input #why maxlength="200" /></label>
              <button i18n matButton="filled" (click)="strike(line.id, why)">Strike through</button>
            } @else {
              <button
                matIconButton
                (click)="asked.set(line.id)"
                [attr.aria-label]="'Strike through: {0}' | word: line.text"
              >
                <mat-icon aria-hidden="true">strikethrough_s</mat-icon>
              </button>
            }
          }
        </li>
      } @empty {
        <li i18n class="quiet">Nothing entered here yet. Tap a line of the tally sheet, or begin the set-up.</li>
      }
    </ol>
    @if (all().length > shown()) {
      <button i18n matButton (click)="shown.set(shown() + 50)">Show more of {{ number(all().length) }}</button>
    }
    @if (measured() > 0) {
      <button i18n matButton [attr.aria-pressed]="withReadings()" (click)="withReadings.set(!withReadings())">
        {{ withReadings() ? ('Leave out' | word) : ('Show' | word) }} {{ many(measured(), 'reading') }} of instruments
      </button>
    }
  `,
  styles: `
    h2 {
      font-size: 18px;
      margin: 20px 0 6px;
    }
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
      min-height: 52px;
      padding: 4px 10px;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .at {
      width: 104px;
      font-variant-numeric: tabular-nums;
      color: var(--mat-sys-on-surface-variant);
    }
    .what {
      flex: 1;
      min-width: 220px;
    }
    img {
      display: block;
      max-width: 220px;
      max-height: 160px;
      margin: 4px 0;
    }
    small {
      display: block;
      color: var(--mat-sys-on-surface-variant);
    }
    .held {
      border-left: 4px solid var(--mat-sys-error);
    }
    p.held {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
      padding-left: 10px;
    }
    button {
      height: 48px;
      min-width: 48px;
    }
    mat-icon {
      flex: none;
      font-size: 22px;
      width: 22px;
      height: 22px;
    }
    label {
      display: flex;
      flex-direction: column;
      flex: 1;
      min-width: 200px;
    }
    input {
      font: inherit;
      height: 44px;
      padding: 0 10px;
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
      background: var(--mat-sys-surface-container-lowest);
      color: inherit;
    }
  `,
})
export class EntryList {
  protected readonly store = inject(StationStore);
  protected readonly number = count;
  protected readonly many = many;
  protected readonly shown = signal(SHOWN);
  /** Entry that somebody is explaining or striking through. */
  protected readonly asked = signal(0);
  protected readonly refused = computed((): readonly BookWaiting[] =>
    this.store.waiting().filter(({ refused }) => refused !== undefined),
  );
  /** What instruments read by themselves is many lines: shown where it is asked for. */
  protected readonly withReadings = signal(false);
  private readonly typed = computed(() =>
    this.store.lines().filter(({ event }) => event.kind !== 'reading' || event.source === undefined),
  );
  protected readonly measured = computed(() => this.store.lines().length - this.typed().length);
  protected readonly all = computed(() => (this.withReadings() ? this.store.lines() : this.typed()));
  protected readonly lines = computed(() => {
    const { standing, held } = this.store.state();
    const open = new Set(held.map(({ record }) => record.id));
    return this.all()
      .slice(0, this.shown())
      .map((record) => {
        const { id, at, by, device, entered, event } = record;
        const state = open.has(id) ? 'held' : standing.has(id) ? 'counts' : 'struck';
        return {
          id,
          state,
          at: timeText(at),
          by: [by, device, entered === undefined ? undefined : $localize`entered ${timeText(entered)}`]
            .filter(Boolean)
            .join(', '),
          text: this.words(event),
          photo: this.photo(id, event.kind === 'held' ? event.entry : event),
          why: event.kind === 'held' && state === 'held' ? event.refused : [],
          canStrike: state === 'counts' && id < ON_THE_WAY && (ADDING as readonly string[]).includes(event.kind),
        };
      });
  });

  protected words(event: RoomRecord['event'] | RoomEntry): string {
    if (event.kind === 'held') return $localize`Held: ${this.words(event.entry)}`;
    // What is told at its station needs no name.
    const here = (STATION_KINDS as readonly string[]).includes(event.kind);
    return entryWords(event, { name: () => (here ? '' : (this.store.station()?.title ?? '')), count });
  }
  /** Where the picture of an entry is; one on its way is shown as this device has it. */
  private photo(id: number, event: RoomRecord['event']): string | undefined {
    if (event.kind !== 'photo') return undefined;
    const waiting = this.store.waiting().find(({ n }) => ON_THE_WAY + n === id)?.picture;
    return waiting === undefined ? `/api/jobs/${this.store.job()}/photos/${event.sha256}` : pictureUrl(waiting);
  }
  protected async strike(record: number, field: HTMLInputElement): Promise<void> {
    const why = field.value.trim();
    if (why === '') field.focus();
    else if (await this.store.enter({ kind: 'strike', record, why })) this.close(record);
  }
  protected async settle(record: number, taken: boolean, field: HTMLInputElement): Promise<void> {
    const why = field.value.trim();
    if (why === '') field.focus();
    else {
      await this.store.settle(record, taken, why);
      this.close(record);
    }
  }
  /** Closes what was sent, and nothing that was opened while it was on its way. */
  private close(record: number): void {
    this.asked.update((now) => (now === record ? 0 : now));
  }
}
