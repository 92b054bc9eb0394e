import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { NgTemplateOutlet } from '@angular/common';
import { type Works, dayAfter, wallClock } from '@druckerei/core';
import type { Floor } from '@druckerei/contract';
import { failureOf } from '../../platform/problem';
import { many } from '../../ui/format';
import { chosenLocale } from '../../ui/locale';
import { DaysStrip, type Stretch } from './days.strip';
import { FloorApi } from './floor.api';
import { WordPipe } from '../../ui/word';

type Hours = Floor['hours'];
type Shift = Hours['press'][number];
type Exception = Hours['exceptions'][number];
type Crew = NonNullable<Hours['crews']>[number];

/** Shifts that belong together: of a room, of a machine with its own, of a crew. */
interface Group {
  readonly key: string;
  readonly name: string;
  readonly kind: 'room' | 'machine' | 'crew';
  readonly shifts: readonly Shift[];
  readonly crew?: Crew;
}

/** Hours as they are edited, and as they stood when that began. */
interface Editing {
  readonly before: Hours;
  readonly hours: Hours;
  readonly version: number;
}
const editingOf = ({ hours, hoursVersion: version }: Floor): Editing => ({ before: hours, hours, version });
const isDirty = ({ before, hours }: Editing): boolean => JSON.stringify(before) !== JSON.stringify(hours);

/** A machine or a crew as a choice tells it; neither is the whole works. */
function whoseField(whose: string): Pick<Exception, 'machine' | 'crew'> {
  const [kind, id] = [whose.slice(0, whose.indexOf(':')), whose.slice(whose.indexOf(':') + 1)];
  return kind === 'crew' ? { crew: id } : kind === 'machine' ? { machine: id } : {};
}

/** What two exceptions are the same by. */
const inOrder = ({ machine, crew, places, from, until, opens }: Exception): unknown => [
  machine,
  crew,
  places,
  from,
  until,
  opens,
];

const NEW_SHIFT: Shift = { days: [1, 2, 3, 4, 5], from: '07:00', until: '16:00' };

/** Shifts of the press room and the finishing room, machines with their own, and what is closed or open beside. */
@Component({
  selector: 'dk-hours',
  imports: [DaysStrip, MatButtonModule, MatIconModule, MatSelectModule, NgTemplateOutlet, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './hours.panel.html',
  styleUrl: './hours.panel.scss',
})
export class HoursPanel {
  readonly floor = input.required<Floor>();
  readonly works = input.required<Works>();
  readonly may = input(false);
  readonly changed = output<Floor>();
  private readonly api = inject(FloorApi);
  /** What is edited stays as it is while others plan; where they change the hours themselves it is kept, and refused on saving. */
  private readonly editing = linkedSignal<Floor, Editing>({
    source: this.floor,
    computation: (floor, before) => {
      const kept = before && (before.value.version === floor.hoursVersion || isDirty(before.value));
      return kept ? before.value : editingOf(floor);
    },
  });
  protected readonly hours = computed(() => this.editing().hours);
  protected readonly dirty = computed(() => isDirty(this.editing()));
  /** Somebody else has changed the hours since. */
  protected readonly older = computed(() => this.editing().version !== this.floor().hoursVersion);
  private edit(change: (hours: Hours) => Hours): void {
    this.editing.update((editing) => ({ ...editing, hours: change(editing.hours) }));
  }
  protected readonly failed = signal('');
  protected readonly days = [1, 2, 3, 4, 5, 6, 7].map((day) => ({
    day,
    name: new Intl.DateTimeFormat(chosenLocale(), { weekday: 'short', timeZone: 'UTC' }).format(
      Date.UTC(2026, 0, 4 + day),
    ),
  }));
  protected readonly groups = computed((): Group[] => {
    const { press, finishing, machines } = this.hours();
    const names = new Map(this.works().machines.map(({ id, name }) => [id, name]));
    return [
      { key: 'press', name: $localize`Press room`, kind: 'room', shifts: press },
      { key: 'finishing', name: $localize`Finishing`, kind: 'room', shifts: finishing },
      ...Object.entries(machines).map(([key, shifts]): Group => ({
        key,
        name: names.get(key) ?? key,
        kind: 'machine',
        shifts,
      })),
    ];
  });
  protected readonly crews = computed((): Group[] =>
    (this.hours().crews ?? []).map((crew, i) => ({
      key: String(i),
      name: crew.name === '' ? $localize`Crew ${i + 1}` : crew.name,
      kind: 'crew',
      shifts: crew.shifts,
      crew,
    })),
  );
  /** Machines that keep the shifts of their room. */
  protected readonly others = computed(() =>
    this.works().machines.filter(({ id }) => !Object.hasOwn(this.hours().machines, id)),
  );

  private setShifts({ key, kind }: Pick<Group, 'key' | 'kind'>, shifts: readonly Shift[]): void {
    if (kind === 'crew') this.changeCrew(Number(key), { shifts: [...shifts] });
    else
      this.edit((hours) =>
        kind === 'machine'
          ? { ...hours, machines: { ...hours.machines, [key]: [...shifts] } }
          : { ...hours, [key]: [...shifts] },
      );
  }
  protected addShift(group: Group): void {
    this.setShifts(group, [...group.shifts, NEW_SHIFT]);
  }
  protected changeShift(group: Group, at: number, change: Partial<Shift>): void {
    this.setShifts(
      group,
      group.shifts.map((shift, i) => (i === at ? { ...shift, ...change } : shift)),
    );
  }
  protected toggle(group: Group, at: number, day: number): void {
    const days = group.shifts[at]?.days ?? [];
    this.changeShift(group, at, {
      days: days.includes(day) ? days.filter((one) => one !== day) : [...days, day].sort(),
    });
  }
  protected dropShift(group: Group, at: number): void {
    this.setShifts(
      group,
      group.shifts.filter((_, i) => i !== at),
    );
  }
  protected addCrew(): void {
    const crew: Crew = { name: '', places: 1, machines: [], shifts: [...this.hours().finishing] };
    this.edit((hours) => ({ ...hours, crews: [...(hours.crews ?? []), crew] }));
  }
  protected changeCrew(at: number, change: Partial<Crew>): void {
    this.edit((hours) => ({
      ...hours,
      crews: (hours.crews ?? []).map((crew, i) => (i === at ? { ...crew, ...change } : crew)),
    }));
  }
  protected dropCrew(at: number): void {
    this.edit((hours) => ({ ...hours, crews: (hours.crews ?? []).filter((_, i) => i !== at) }));
  }
  protected ownShifts(machine: string): void {
    if (machine === '') return;
    const press = this.works().machines.find(({ id }) => id === machine)?.press;
    this.setShifts({ key: machine, kind: 'machine' }, press ? this.hours().press : this.hours().finishing);
  }
  protected dropOwn(machine: string): void {
    this.edit(({ machines, ...hours }) => ({
      ...hours,
      machines: Object.fromEntries(Object.entries(machines).filter(([id]) => id !== machine)),
    }));
  }
  protected addException(): void {
    const day = new Date().toISOString().slice(0, 10);
    const one: Exception = { from: `${day}T00:00`, until: `${day}T23:59`, opens: false, why: '' };
    this.edit((hours) => ({ ...hours, exceptions: [...hours.exceptions, one] }));
  }
  /** Of whom the days are that are chosen, or read of a calendar. */
  protected readonly whose = signal('');
  /** What came of the last calendar. */
  protected readonly read = signal('');
  /** Closes days, or what a calendar says. */
  protected close(stretches: readonly Stretch[]): void {
    const of = whoseField(this.whose());
    const added = stretches.map(({ from, until, why }): Exception => ({ from, until, opens: false, why, ...of }));
    const known = new Set(this.hours().exceptions.map((one) => JSON.stringify(inOrder(one))));
    const fresh = added.filter((one) => !known.has(JSON.stringify(inOrder(one))));
    this.edit((hours) => ({ ...hours, exceptions: [...hours.exceptions, ...fresh] }));
  }
  protected async readFile(file: File): Promise<void> {
    const { MOST_CALENDAR_BYTES, readCalendar } = await import('@druckerei/formats/calendar');
    if (file.size > MOST_CALENDAR_BYTES) {
      this.read.set(
        $localize`${file.name} is larger than ${MOST_CALENDAR_BYTES / 1e6} MB. Export fewer days or fewer calendars.`,
      );
      return;
    }
    const { timeZone } = this.works();
    const from = wallClock(Date.now(), timeZone);
    const until = `${dayAfter(from.slice(0, 10), 366)}${from.slice(10)}`;
    const made = readCalendar(await file.text(), { timeZone, from, until });
    if (!made.ok) {
      this.read.set(`${file.name}: ${made.problem}`);
      return;
    }
    const before = this.hours().exceptions.length;
    this.close(made.stretches);
    const added = this.hours().exceptions.length - before;
    const known = made.stretches.length - added;
    const told = [
      $localize`${many(added, 'stretch', 'stretches')} of ${file.name} put in below; nothing is kept before you save.`,
      ...(known > 0 ? [$localize`${many(known, 'was', 'were')} there already.`] : []),
      ...made.left,
    ];
    this.read.set(told.join(' '));
  }
  protected changeException(at: number, change: Partial<Exception>): void {
    this.edit((hours) => ({
      ...hours,
      exceptions: hours.exceptions.map((one, i) => (i === at ? { ...one, ...change } : one)),
    }));
  }
  /** What an exception is of, as the choice says it. */
  protected whoseOf({ machine, crew }: Exception): string {
    return machine === undefined ? (crew === undefined ? '' : `crew:${crew}`) : `machine:${machine}`;
  }
  protected setWhose(at: number, whose: string): void {
    this.edit((hours) => ({
      ...hours,
      exceptions: hours.exceptions.map((one, i) => {
        if (i !== at) return one;
        const { machine: _, crew: __, places = 1, ...rest } = one;
        const of = whoseField(whose);
        return 'crew' in of ? { ...rest, ...of, places } : { ...rest, ...of };
      }),
    }));
  }
  protected dropException(at: number): void {
    this.edit((hours) => ({ ...hours, exceptions: hours.exceptions.filter((_, i) => i !== at) }));
  }
  protected undo(): void {
    this.editing.set(editingOf(this.floor()));
    this.failed.set('');
  }
  protected save(): void {
    this.failed.set('');
    const sent = this.hours();
    this.api.setHours(this.editing().version, sent).subscribe({
      next: (floor) => {
        // What was edited while it was under way stays, on top of what is saved now.
        this.editing.update(({ hours }) => ({ ...editingOf(floor), ...(hours === sent ? {} : { hours }) }));
        this.changed.emit(floor);
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
