import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  input,
  output,
  signal,
  viewChildren,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  type FloorHours,
  type Works,
  crewTimes,
  dayAfter,
  instantOf,
  openTimes,
  schedule,
  wallClock,
} from '@druckerei/core';
import { count } from '../../ui/format';
import { chosenLocale } from '../../ui/locale';
import { WordPipe } from '../../ui/word';

/** A stretch by the clock on the wall. */
export interface Stretch {
  readonly from: string;
  readonly until: string;
  readonly why: string;
}

/** A day of the strip. */
export interface StripDay {
  readonly day: string;
  readonly name: string;
  readonly hours: number;
}

const WEEKS = 6;
const HOUR_MIN = 60;

/** When somebody is open: a machine, a crew, or any machine of the works. */
function openOf(hours: FloorHours, works: Works, whose: string, origin: number): schedule.OpenTime {
  const id = whose.slice(whose.indexOf(':') + 1);
  const crew = whose.startsWith('crew:') ? hours.crews?.find(({ name }) => name === id) : undefined;
  const machines = whose.startsWith('machine:') ? works.machines.filter((one) => one.id === id) : works.machines;
  const times = crew
    ? crewTimes(crew, hours, origin, works.timeZone)
    : [...openTimes(hours, machines, origin, works.timeZone).values()];
  return new schedule.OpenTime(schedule.joinSpans(times.flatMap(({ spans }) => spans)));
}

/** The days of some weeks from the Monday of a day on, with the hours that are open on each. */
export function stripDays(hours: FloorHours, works: Works, whose: string, today: string, weeks = WEEKS): StripDay[] {
  const weekday = new Date(`${today}T00:00:00Z`).getUTCDay() || 7;
  const monday = dayAfter(today, 1 - weekday);
  const origin = instantOf(`${monday}T00:00`, works.timeZone);
  const open = openOf(hours, works, whose, origin);
  const names = new Intl.DateTimeFormat(chosenLocale(), { day: 'numeric', month: 'short', timeZone: 'UTC' });
  return Array.from({ length: weeks * 7 }, (_, i): StripDay => {
    const day = dayAfter(monday, i);
    const minute = (of: string): number => Math.round((instantOf(`${of}T00:00`, works.timeZone) - origin) / 60_000);
    const minutes = open.openBefore(minute(dayAfter(day, 1))) - open.openBefore(minute(day));
    return { day, name: names.format(Date.parse(`${day}T00:00Z`)), hours: minutes / HOUR_MIN };
  });
}

const weekdayNames = (): string[] => {
  const names = new Intl.DateTimeFormat(chosenLocale(), { weekday: 'short', timeZone: 'UTC' });
  return Array.from({ length: 7 }, (_, i) => names.format(Date.UTC(2026, 0, 5 + i)));
};

/** Weeks ahead, a cell a day with its open hours: drag over days to close them, or read a calendar. */
@Component({
  selector: 'dk-days',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      <label
        ><ng-container i18n>Whose days </ng-container
        ><select #of [value]="whose()" (change)="whoseChosen.emit(of.value)">
          <option i18n value="">the whole works</option>
          @for (machine of works().machines; track machine.id) {
            <option [value]="'machine:' + machine.id">{{ machine.name }}</option>
          }
          @for (crew of hours().crews ?? []; track crew.name) {
            <option i18n [value]="'crew:' + crew.name">crew {{ crew.name }}</option>
          }
        </select>
      </label>
      <span i18n class="quiet"
        >Drag over days to close them; with keys: arrows, Shift and arrows for more than one, Enter.</span
      >
      <span class="gap"></span>
      <button matButton (click)="file.click()">
        <mat-icon>upload_file</mat-icon><ng-container i18n>From a calendar</ng-container>
      </button>
      <input
        #file
        hidden
        type="file"
        accept=".ics,text/calendar"
        i18n-aria-label
        aria-label="Calendar file"
        (change)="take(file)"
      />
    </div>
    <div class="days" role="group" i18n-aria-label aria-label="Open hours of the coming weeks" (pointerleave)="drop()">
      @for (name of weekdays; track name) {
        <span class="weekday" aria-hidden="true">{{ name }}</span>
      }
      @for (one of days(); track one.day) {
        <button
          #cell
          type="button"
          [class.closed]="one.hours === 0"
          [class.over]="one.day < today()"
          [class.today]="one.day === today()"
          [class.marked]="isMarked(one.day)"
          [attr.tabindex]="$index === focus() ? 0 : -1"
          [attr.aria-label]="
            one.name + ', ' + (one.hours === 0 ? ('closed' | word) : count(one.hours, 1) + (' hours open' | word))
          "
          (pointerdown)="begin($event, one.day)"
          (pointerenter)="reach(one.day)"
          (pointerup)="end()"
          (keydown)="key($event, $index)"
          (focus)="focus.set($index)"
        >
          {{ one.name }}
          <span>{{ one.hours === 0 ? ('closed' | word) : count(one.hours, 1) + ' h' }}</span>
        </button>
      }
    </div>
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 16px;
      margin: 12px 0 8px;
    }
    .gap {
      flex: 1;
    }
    .quiet {
      color: var(--mat-sys-on-surface-variant);
    }
    select {
      font: inherit;
      color: inherit;
      padding: 5px 8px;
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
      background: var(--mat-sys-surface-container-lowest);
    }
    .days {
      display: grid;
      grid-template-columns: repeat(7, minmax(0, 1fr));
      gap: 2px;
      max-width: 760px;
      touch-action: none;
      user-select: none;
    }
    .days button {
      display: flex;
      flex-direction: column;
      padding: 4px 8px;
      font: inherit;
      font-size: 13px;
      text-align: left;
      color: inherit;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 4px;
      cursor: pointer;
    }
    .days span {
      color: var(--mat-sys-on-surface-variant);
    }
    .weekday {
      padding: 0 8px;
      font-size: 13px;
    }
    .days .today {
      border-color: var(--mat-sys-primary);
      border-width: 2px;
      padding: 3px 7px;
    }
    .days .closed {
      background: var(--mat-sys-surface-container-high);
    }
    .days .over {
      border-style: dotted;
      color: var(--mat-sys-on-surface-variant);
    }
    .days .marked {
      background: var(--mat-sys-primary);
      color: var(--mat-sys-on-primary);
    }
    .days .marked span {
      color: inherit;
    }
  `,
})
export class DaysStrip {
  readonly hours = input.required<FloorHours>();
  readonly works = input.required<Works>();
  readonly whose = input('');
  readonly whoseChosen = output<string>();
  /** Days that are to be closed. */
  readonly chosen = output<readonly Stretch[]>();
  readonly calendar = output<File>();
  protected readonly count = count;
  protected readonly focus = signal(0);
  protected readonly weekdays = weekdayNames();
  protected readonly today = computed(() => wallClock(Date.now(), this.works().timeZone).slice(0, 10));
  protected readonly days = computed(() => stripDays(this.hours(), this.works(), this.whose(), this.today()));
  private readonly cells = viewChildren<ElementRef<HTMLButtonElement>>('cell');
  private readonly marked = signal<{ readonly first: string; readonly last: string } | undefined>(undefined);

  protected isMarked(day: string): boolean {
    const marked = this.marked();
    if (!marked) return false;
    const [from, to] = marked.first < marked.last ? [marked.first, marked.last] : [marked.last, marked.first];
    return from <= day && day <= to;
  }
  protected begin(event: PointerEvent, day: string): void {
    // A finger that holds a cell would keep the others from being reached.
    (event.target as Element).releasePointerCapture(event.pointerId);
    this.marked.set({ first: day, last: day });
  }
  protected reach(day: string): void {
    this.marked.update((marked) => marked && { ...marked, last: day });
  }
  protected drop(): void {
    this.marked.set(undefined);
  }
  protected end(): void {
    const days = this.days().filter(({ day }) => this.isMarked(day));
    const [first, last] = [days[0]?.day, days.at(-1)?.day];
    this.drop();
    if (first !== undefined && last !== undefined)
      this.chosen.emit([{ from: `${first}T00:00`, until: `${dayAfter(last, 1)}T00:00`, why: '' }]);
  }
  protected key(event: KeyboardEvent, at: number): void {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key];
    const day = this.days()[at]?.day;
    if (by !== undefined) {
      event.preventDefault();
      const to = Math.min(this.days().length - 1, Math.max(0, at + by));
      this.cells()[to]?.nativeElement.focus();
      const next = this.days()[to]?.day;
      if (event.shiftKey && day !== undefined && next !== undefined)
        this.marked.update((marked) => ({ first: marked?.first ?? day, last: next }));
      else this.drop();
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      if (!this.marked() && day !== undefined) this.marked.set({ first: day, last: day });
      this.end();
    } else if (event.key === 'Escape') this.drop();
  }
  protected take(file: HTMLInputElement): void {
    const [first] = file.files ?? [];
    if (first) this.calendar.emit(first);
    file.value = '';
  }
}
