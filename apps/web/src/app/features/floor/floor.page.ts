import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import { type FloorSlot, type Works, crewTimes, openTimes } from '@druckerei/core';
import { type Effort, type Floor, FloorNames, type MoveAsked, type Schedule, changesText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { type Observable, type Subscription, forkJoin, map, switchMap } from 'rxjs';
import { Api } from '../../platform/api';
import { askAgain } from '../../platform/ask-again';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { count, dateText, many, timeText } from '../../ui/format';
import { spanText } from '../../ui/floor-words';
import { FloorApi } from './floor.api';
import { ChainsView } from './chains.view';
import { WorksClock, effectText, helpText, lateText, waitsText } from './floor-words';
import { type DropPlace, drawFloor, layFloor, threadOf } from './floor-drawing';
import type { Zoom } from './folded-time';
import { FeedDialog } from './feed.dialog';
import { HoursPanel } from './hours.panel';
import { PinDialog, type PinData } from './pin.dialog';
import { WordPipe } from '../../ui/word';

interface Loaded {
  readonly floor: Floor;
  readonly works: Works;
}

/** When each step runs: chains on the machines, the same as a shift book, what is late and what helps, hours of the works. */
@Component({
  selector: 'dk-floor-page',
  imports: [
    ChainsView,
    HoursPanel,
    MatButtonModule,
    MatButtonToggleModule,
    MatIconModule,
    MatMenuModule,
    MatProgressBarModule,
    MatTabsModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './floor.page.html',
  styleUrl: './floor.page.scss',
})
export class FloorPage {
  private readonly api = inject(FloorApi);
  private readonly works = inject(Api);
  private readonly dialog = inject(MatDialog);
  protected readonly may = inject(Store).selectSignal(selectMay('schedule'));
  protected readonly loaded = signal<Loaded | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly busy = signal(false);
  protected readonly zoom = signal<Zoom>('week');
  protected readonly chosen = signal<number | undefined>(undefined);
  /** The one in force is looked at although there is a trial. */
  protected readonly back = signal(false);

  protected readonly count = count;
  protected readonly many = many;
  protected readonly spanText = spanText;
  protected readonly timeText = timeText;
  protected readonly dateText = dateText;
  protected readonly changesText = changesText;

  protected readonly floor = computed(() => this.loaded()?.floor);
  protected readonly shown = computed((): Schedule | null => {
    const floor = this.floor();
    return floor ? ((this.back() ? undefined : floor.trial) ?? floor.inForce ?? floor.trial) : null;
  });
  /** The plan that is under way. */
  protected readonly running = computed(() => {
    const run = this.floor()?.run;
    return run && run.state !== 'failed' ? run : undefined;
  });
  protected readonly plan = computed(() => this.shown()?.plan);
  protected readonly names = computed(() => {
    const loaded = this.loaded();
    return loaded && new FloorNames(loaded.floor.jobs, loaded.works.machines);
  });
  protected readonly clock = computed(() => {
    const [plan, loaded] = [this.plan(), this.loaded()];
    return plan && loaded ? new WorksClock(plan.origin, loaded.works.timeZone) : undefined;
  });
  /** When machines and crews are there; reckoned anew where the hours or the plan are others, not for every look. */
  private readonly times = computed(() => {
    const [origin, loaded] = [this.plan()?.origin, this.loaded()];
    if (origin === undefined || !loaded) return undefined;
    const { floor, works } = loaded;
    return {
      machines: openTimes(floor.hours, works.machines, origin, works.timeZone),
      crews: (floor.hours.crews ?? []).map((crew) => ({
        name: crew.name,
        places: crewTimes(crew, floor.hours, origin, works.timeZone),
      })),
    };
  });
  private readonly laid = computed(() => {
    const [plan, times, works] = [this.plan(), this.times(), this.loaded()?.works];
    if (!plan || !times || !works) return undefined;
    const machines = works.machines.map(({ id }) => id);
    return layFloor(plan, machines, times.machines);
  });
  protected readonly drawing = computed(() => {
    const [laid, times] = [this.laid(), this.times()];
    return laid && times && drawFloor(laid, times.crews, this.zoom());
  });
  protected readonly thread = computed(() => {
    const [plan, drawing, job] = [this.plan(), this.drawing(), this.chosen()];
    return plan && drawing && job !== undefined ? threadOf(job, plan, drawing) : [];
  });
  /** The shift book: what runs on each machine, one after another. */
  protected readonly book = computed(() => {
    const names = this.names();
    return (this.laid()?.rows ?? []).map(({ machine, parts }) => ({
      machine,
      name: names?.machine(machine) ?? machine,
      slots: parts.map(({ slot }) => slot),
    }));
  });
  protected readonly late = computed(() => {
    const [plan, names] = [this.plan(), this.names()];
    if (!plan || !names) return [];
    return plan.late.map((late) => ({
      job: late.job,
      minutes: late.minutes,
      why: lateText(late, plan, names),
      helps: late.helps.map((help) => helpText(help, late.job, names)),
    }));
  });
  private readonly pins = computed(() => new Map(this.floor()?.pins.map((pin) => [`${pin.job}/${pin.step}`, pin])));
  protected readonly pinOf = ({ job, step }: Pick<FloorSlot, 'job' | 'step'>) => this.pins().get(`${job}/${step}`);
  protected readonly waitsFor = (slot: FloorSlot): string => {
    const names = this.names();
    return names ? waitsText(slot, names) : '';
  };

  constructor() {
    askAgain(
      () => (this.floor()?.waiting ?? 0) + (this.running() ? 1 : 0),
      () => {
        this.look();
      },
    );
    this.load();
    whenChanged(['floor', 'jobs', 'room', 'works'], () => {
      this.look();
    });
  }

  protected load(): void {
    this.failed.set('');
    this.ask(forkJoin({ floor: this.api.floor(), works: this.works.works() }), (loaded) => {
      this.loaded.set(loaded);
    });
  }
  /** The look that is under way: an older one says nothing any more. */
  private looking: Subscription | undefined;
  private look(): void {
    this.looking?.unsubscribe();
    this.looking = forkJoin({ floor: this.api.floor(), works: this.works.works() }).subscribe({
      next: (loaded) => this.loaded.set(loaded),
      error: () => undefined,
    });
  }
  /** What a change has answered. A look that was asked before may not know of it: it is asked anew. */
  protected took(floor: Floor): void {
    const isLooking = this.looking?.closed === false;
    this.looking?.unsubscribe();
    this.loaded.update((loaded) => loaded && { ...loaded, floor });
    if (isLooking) this.look();
  }
  protected planAnew(effort: Effort): void {
    this.effect.set('');
    this.back.set(false);
    // It is made behind this, and told as it comes.
    this.ask(this.api.plan(effort), () => {
      this.look();
    });
  }
  protected stop(id: number): void {
    this.ask(this.api.stop(id), (floor) => {
      this.took(floor);
    });
  }
  protected take(id: number): void {
    this.ask(this.api.take(id), (floor) => {
      this.took(floor);
    });
  }
  /** The trial before it is looked at again, or what is in force. */
  protected letGo(id: number): void {
    this.ask(this.api.dropTrial(id), (floor) => {
      this.effect.set('');
      this.moved.set(undefined);
      this.took(floor);
    });
  }
  protected pin(slot: FloorSlot): void {
    const names = this.names();
    const data: PinData = {
      slot,
      pin: this.pinOf(slot),
      title: `${names?.number(slot.job) ?? ''}, ${names?.step(slot.job, slot.step) ?? ''}`,
      machines: (names?.machinesOf(slot.job, slot.step) ?? []).map((id) => ({ id, name: names?.machine(id) ?? id })),
      origin: this.plan()?.origin ?? 0,
      timeZone: this.loaded()?.works.timeZone,
    };
    this.dialog
      .open<PinDialog, PinData, Floor>(PinDialog, { data, width: '420px' })
      .afterClosed()
      .subscribe((floor) => {
        if (floor) this.took(floor);
      });
  }
  /** Machines that a station can be moved to by whoever may. */
  protected readonly able = ({ job, step, frozen }: FloorSlot): readonly string[] =>
    this.may() && !frozen ? (this.names()?.machinesOf(job, step) ?? []) : [];
  /** What letting a station go where it is dragged would do, and what the last move did. */
  protected readonly effect = signal('');
  /** The trial that the last move has made, as long as it is the newest. */
  private readonly moved = signal<number | undefined>(undefined);
  protected readonly undoable = computed(() => {
    const trial = this.floor()?.trial;
    return trial && trial.id === this.moved() ? trial.id : undefined;
  });
  private trying: Subscription | undefined;

  private moveOf(slot: FloorSlot, place: Pick<DropPlace, 'machine' | 'before' | 'last'>): MoveAsked {
    const at = ({ job, step }: FloorSlot) => ({ job, step });
    return {
      schedule: this.shown()?.id ?? 0,
      ...at(slot),
      ...(place.machine === slot.machine ? {} : { machine: place.machine }),
      ...(place.before ? { before: at(place.before) } : place.last ? { after: at(place.last) } : {}),
    };
  }
  protected over({ slot, place }: { slot: FloorSlot; place: DropPlace | undefined }): void {
    this.trying?.unsubscribe();
    this.effect.set('');
    if (!place) return;
    this.trying = this.api.tryMove(this.moveOf(slot, place)).subscribe({
      next: (effect) => {
        const [names, jobs] = [this.names(), this.plan()?.through.length ?? 0];
        if (names) this.effect.set(effectText(effect, jobs, names));
      },
      error: (error: unknown) => this.effect.set(failureOf(error).text),
    });
  }
  protected dropped({ slot, place }: { slot: FloorSlot; place: DropPlace | undefined }): void {
    this.trying?.unsubscribe();
    if (place) this.move(slot, place);
  }
  /** Ahead of the one before it on its machine, or behind the one after it. */
  protected shift(slot: FloorSlot, slots: readonly FloorSlot[], by: -1 | 1): void {
    const other = slots[slots.indexOf(slot) + by];
    if (!other || slot.machine === null) return;
    this.move(slot, { machine: slot.machine, before: by < 0 ? other : undefined, last: by > 0 ? other : undefined });
  }
  private move(slot: FloorSlot, place: Pick<DropPlace, 'machine' | 'before' | 'last'>): void {
    const move = this.moveOf(slot, place);
    const [names, jobs] = [this.names(), this.plan()?.through.length ?? 0];
    const moved = this.api
      .tryMove(move)
      .pipe(switchMap((effect) => this.api.move(move).pipe(map((trial) => ({ effect, trial })))));
    this.ask(moved, ({ effect, trial }) => {
      this.back.set(false);
      this.moved.set(trial.id);
      const floor = this.floor();
      if (floor) this.took({ ...floor, trial });
      if (names) this.effect.set($localize`Moved: ${effectText(effect, jobs, names)}`);
    });
  }
  protected feed(): void {
    this.dialog.open(FeedDialog, { width: '560px' });
  }
  protected choose(job: number | undefined): void {
    this.chosen.update((now) => (now === job ? undefined : job));
  }

  private ask<T>(call: Observable<T>, took: (value: T) => void): void {
    this.busy.set(true);
    this.failed.set('');
    call.subscribe({
      next: (value) => {
        this.busy.set(false);
        took(value);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set(failureOf(error).text);
        this.look();
      },
    });
  }
}
