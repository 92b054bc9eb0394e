import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { type OwnStations, idOf, wordOf } from '@druckerei/core';
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
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { EMPTY, Subject, catchError, concatMap, finalize } from 'rxjs';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { dateText, many, timeText } from '../../../ui/format';
import { type RoleStations, RoleStationsDialog } from './role-stations.dialog';
import { WorksStore } from '../works.store';
import { PersonDialog, type PersonData } from './person.dialog';
import { type ProgramData, ProgramDialog } from './program.dialog';
import { Hooks } from './hooks';
import { PeopleApi } from './people.api';
import { WordPipe } from '../../../ui/word';

/** Who has an account, and what their roles may do. */
@Component({
  selector: 'dk-people-page',
  imports: [Hooks, MatButtonModule, MatCheckboxModule, MatIconModule, MatProgressBarModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './people.page.html',
  styleUrl: '../../../ui/list-page.scss',
})
export class PeoplePage {
  private readonly api = inject(PeopleApi);
  private readonly dialog = inject(MatDialog);
  private readonly works = inject(WorksStore);
  protected readonly may = inject(Store).selectSignal(selectMay('people'));
  protected readonly people = signal<People | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly time = timeText;
  protected readonly rights = RIGHT_IDS.map((id) => ({ id, words: wordOf(RIGHTS[id]) }));
  protected readonly persons = computed(() => this.people()?.people.filter(({ program }) => program === null) ?? []);
  protected readonly programs = computed(() => this.people()?.people.filter(({ program }) => program !== null) ?? []);
  protected readonly roles = computed(() => this.people()?.roles ?? []);
  /** Whoever works with prices sees them. */
  protected readonly comesWith = ({ rights }: RoleOf, right: Right): boolean =>
    right === 'prices' && rights.some((one) => WITH_PRICES.includes(one));
  protected readonly isFixed = ({ id }: RoleOf): boolean => id === MANAGER_ROLE;

  private readonly changes = new Subject<{ readonly id: string; readonly role: RoleChange }>();
  /** Changes of roles that were not answered yet. */
  private unsent = 0;

  constructor() {
    this.load();
    this.changes
      .pipe(
        concatMap(({ id, role }) =>
          this.api.putRole(id, role).pipe(
            catchError((error: unknown) => {
              this.failed.set(failureOf(error).text);
              return this.api.people().pipe(catchError(() => EMPTY));
            }),
            finalize(() => this.unsent--),
          ),
        ),
        takeUntilDestroyed(),
      )
      // An answer that later changes are under way behind does not know of them.
      .subscribe((people) => {
        if (this.unsent <= 1) this.people.set(people);
      });
    whenChanged(['people'], () => this.load());
  }

  protected load(): void {
    if (!this.may()) return;
    this.failed.set('');
    this.api.people().subscribe({
      // What is under way comes with its own answer.
      next: (people) => this.unsent === 0 && this.people.set(people),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected tokenOf({ disabled, program }: Person): string {
    if (disabled) return $localize`disabled`;
    if (!program?.holds) return $localize`no token that holds`;
    const until = program.until ? $localize`until ${dateText(program.until)}` : $localize`until it is withdrawn`;
    return `${until}, ${program.used ? $localize`used ${timeText(program.used)}` : $localize`not used yet`}`;
  }

  protected stateOf({ disabled, invited, sessions, lastSeen }: Person): string {
    if (disabled) return $localize`disabled`;
    if (invited) return $localize`invited`;
    return sessions > 0
      ? `${many(sessions, 'session')}${lastSeen ? $localize`, seen ${timeText(lastSeen)}` : ''}`
      : $localize`not signed in`;
  }

  protected openProgram(program?: Person): void {
    this.dialog
      .open<ProgramDialog, ProgramData>(ProgramDialog, { data: { program, roles: this.roles() }, width: '480px' })
      .afterClosed()
      .subscribe(() => this.load());
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
    stations === 'all' ? $localize`at all stations` : $localize`at ${many(stations.length, 'station', 'stations')}`;
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

  /** Shows a change of a role at once, so that the next one builds on it, and sends one behind the other. */
  private put(id: string, role: RoleChange): void {
    this.failed.set('');
    this.people.update(
      (now) => now && { ...now, roles: now.roles.map((one) => (one.id === id ? { ...one, ...changed(role) } : one)) },
    );
    this.unsent++;
    this.changes.next({ id, role });
  }
}

/** A change of a role as the role has it: stations that it does not tell stay. */
const changed = ({ name, rights, stations }: RoleChange): Partial<RoleOf> => ({
  name,
  rights,
  ...(stations === undefined ? {} : { stations }),
});
