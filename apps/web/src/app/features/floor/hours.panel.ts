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
import type { Works } from '@druckerei/core';
import type { Floor } from '@druckerei/contract';
import { failureOf } from '../../platform/problem';
import { chosenLocale } from '../../ui/locale';
import { FloorApi } from './floor.api';

type Hours = Floor['hours'];
type Shift = Hours['press'][number];
type Exception = Hours['exceptions'][number];

const NEW_SHIFT: Shift = { days: [1, 2, 3, 4, 5], from: '07:00', until: '16:00' };

/** Shifts of the press room and the finishing room, machines with their own, and what is closed or open beside. */
@Component({
  selector: 'dk-hours',
  imports: [MatButtonModule, MatIconModule],
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
  protected readonly hours = linkedSignal<Hours>(() => this.floor().hours);
  protected readonly dirty = computed(() => this.hours() !== this.floor().hours);
  protected readonly failed = signal('');
  protected readonly days = [1, 2, 3, 4, 5, 6, 7].map((day) => ({
    day,
    name: new Intl.DateTimeFormat(chosenLocale(), { weekday: 'short', timeZone: 'UTC' }).format(
      Date.UTC(2026, 0, 4 + day),
    ),
  }));
  protected readonly groups = computed(() => {
    const { press, finishing, machines } = this.hours();
    const names = new Map(this.works().machines.map(({ id, name }) => [id, name]));
    return [
      { key: 'press', name: 'Press room', shifts: press, own: false },
      { key: 'finishing', name: 'Finishing', shifts: finishing, own: false },
      ...Object.entries(machines).map(([key, shifts]) => ({ key, name: names.get(key) ?? key, shifts, own: true })),
    ];
  });
  /** Machines that keep the shifts of their room. */
  protected readonly others = computed(() =>
    this.works().machines.filter(({ id }) => !Object.hasOwn(this.hours().machines, id)),
  );

  protected setShifts(key: string, own: boolean, shifts: readonly Shift[]): void {
    this.hours.update((hours) =>
      own ? { ...hours, machines: { ...hours.machines, [key]: [...shifts] } } : { ...hours, [key]: [...shifts] },
    );
  }
  protected addShift({ key, own, shifts }: { key: string; own: boolean; shifts: readonly Shift[] }): void {
    this.setShifts(key, own, [...shifts, NEW_SHIFT]);
  }
  protected changeShift(
    group: { key: string; own: boolean; shifts: readonly Shift[] },
    at: number,
    change: Partial<Shift>,
  ): void {
    this.setShifts(
      group.key,
      group.own,
      group.shifts.map((shift, i) => (i === at ? { ...shift, ...change } : shift)),
    );
  }
  protected toggle(group: { key: string; own: boolean; shifts: readonly Shift[] }, at: number, day: number): void {
    const days = group.shifts[at]?.days ?? [];
    this.changeShift(group, at, {
      days: days.includes(day) ? days.filter((one) => one !== day) : [...days, day].sort(),
    });
  }
  protected dropShift(group: { key: string; own: boolean; shifts: readonly Shift[] }, at: number): void {
    this.setShifts(
      group.key,
      group.own,
      group.shifts.filter((_, i) => i !== at),
    );
  }
  protected ownShifts(machine: string): void {
    if (machine === '') return;
    const press = this.works().machines.find(({ id }) => id === machine)?.press;
    this.setShifts(machine, true, press ? this.hours().press : this.hours().finishing);
  }
  protected dropOwn(machine: string): void {
    this.hours.update(({ machines, ...hours }) => ({
      ...hours,
      machines: Object.fromEntries(Object.entries(machines).filter(([id]) => id !== machine)),
    }));
  }
  protected addException(): void {
    const day = new Date().toISOString().slice(0, 10);
    const one: Exception = { from: `${day}T00:00`, until: `${day}T23:59`, opens: false, why: '' };
    this.hours.update((hours) => ({ ...hours, exceptions: [...hours.exceptions, one] }));
  }
  protected changeException(at: number, { machine, ...change }: Partial<Exception>): void {
    this.hours.update((hours) => ({
      ...hours,
      exceptions: hours.exceptions.map((one, i) => {
        if (i !== at) return one;
        const { machine: before, ...rest } = one;
        const kept = machine ?? before;
        return { ...rest, ...change, ...(kept ? { machine: kept } : {}) };
      }),
    }));
  }
  protected dropException(at: number): void {
    this.hours.update((hours) => ({ ...hours, exceptions: hours.exceptions.filter((_, i) => i !== at) }));
  }
  protected undo(): void {
    this.hours.set(this.floor().hours);
    this.failed.set('');
  }
  protected save(): void {
    this.failed.set('');
    this.api.setHours(this.floor().hoursVersion, this.hours()).subscribe({
      next: (floor) => this.changed.emit(floor),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
