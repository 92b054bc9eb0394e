import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type OwnStations, idOf } from '@druckerei/core';
import {
  type People,
  type Person,
  type Right,
  type RoleChange,
  type RoleOf,
  MANAGER_ROLE,
  RIGHTS,
  RIGHT_IDS,
  WITH_PRICES,
} from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { Api } from '../../../platform/api';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { many, timeText } from '../../../ui/format';
import { type RoleStations, RoleStationsDialog } from './role-stations.dialog';
import { WorksStore } from '../works.store';
import { PersonDialog, type PersonData } from './person.dialog';

/** Who has an account, and what their roles may do. */
@Component({
  selector: 'dk-people-page',
  imports: [MatButtonModule, MatCheckboxModule, MatIconModule, MatProgressBarModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './people.page.html',
  styleUrl: '../../../ui/list-page.scss',
})
export class PeoplePage {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly works = inject(WorksStore);
  protected readonly may = inject(Store).selectSignal(selectMay('people'));
  protected readonly people = signal<People | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly time = timeText;
  protected readonly rights = RIGHT_IDS.map((id) => ({ id, words: RIGHTS[id] }));
  protected readonly roles = computed(() => this.people()?.roles ?? []);
  /** Whoever works with prices sees them. */
  protected readonly comesWith = ({ rights }: RoleOf, right: Right): boolean =>
    right === 'prices' && rights.some((one) => WITH_PRICES.includes(one));
  protected readonly isFixed = ({ id }: RoleOf): boolean => id === MANAGER_ROLE;

  constructor() {
    this.load();
    whenChanged(['people'], () => this.load());
  }

  protected load(): void {
    if (!this.may()) return;
    this.failed.set('');
    this.api.people().subscribe({
      next: (people) => this.people.set(people),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected stateOf({ disabled, invited, sessions, lastSeen }: Person): string {
    if (disabled) return 'disabled';
    if (invited) return 'invited';
    return sessions > 0
      ? `${sessions} ${sessions === 1 ? 'session' : 'sessions'}${lastSeen ? `, seen ${timeText(lastSeen)}` : ''}`
      : 'not signed in';
  }

  protected open(person?: Person): void {
    this.dialog
      .open<PersonDialog, PersonData, boolean>(PersonDialog, { data: { person, roles: this.roles() }, width: '480px' })
      .afterClosed()
      .subscribe(() => this.load());
  }

  protected tick(role: RoleOf, right: Right, on: boolean): void {
    const rights = on ? [...role.rights, right] : role.rights.filter((one) => one !== right);
    this.put(role.id, { name: role.name, rights });
  }

  protected readonly whereOf = ({ stations }: RoleOf): string =>
    stations === 'all' ? 'at all stations' : `at ${many(stations.length, 'station', 'stations')}`;
  protected chooseStations(role: RoleOf): void {
    this.dialog
      .open<RoleStationsDialog, RoleStations, OwnStations>(RoleStationsDialog, {
        data: { role, machines: this.works.machines() },
        width: '760px',
      })
      .afterClosed()
      .subscribe((stations) => {
        if (stations)
          this.put(role.id, {
            name: role.name,
            rights: role.rights,
            stations: stations === 'all' ? stations : [...stations],
          });
      });
  }

  protected addRole(name: string): void {
    if (name.trim() !== '')
      this.put(idOf(name, new Set(this.roles().map(({ id }) => id))).slice(0, 40), { name, rights: [] });
  }

  private put(id: string, role: RoleChange): void {
    this.failed.set('');
    this.api.putRole(id, role).subscribe({
      next: (people) => this.people.set(people),
      error: (error: unknown) => {
        this.failed.set(failureOf(error).text);
        this.load();
      },
    });
  }
}
