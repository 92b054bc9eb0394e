import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import {
  type RoomEntry,
  CAUTION_RULE,
  DIFFERENCES,
  OPERATION_RULES,
  STOPS,
  allOf,
  allSpoiled,
  faultsAt,
} from '@druckerei/core';
import { ENTRY_WORDS } from '@druckerei/contract';
import { forecastWords } from '../../ui/forecast-words';
import { count, dateText, hourText, many, unitText } from '../../ui/format';
import { stayAwake } from './awake';
import { type Act, type Counted, COUNTED, PHASES, actsIn, countEntry } from './entry-forms';
import { EntryList } from './entry-list';
import { guideAt, stationPlace } from '../../platform/guide/guide-place';
import { keepOffline } from '../../platform/keep-offline';
import { InstrumentFeed } from './instrument-feed';
import { MoreEntries } from './more-entries';
import { Chips } from './ui/chips';
import { NumberPad } from './ui/number-pad';
import { TallyMarks } from './ui/tally-marks';
import { Scans, hearScanner } from './scans';
import { isQuiet, setQuiet } from './sound';
import { StationSheetView } from './station-sheet';
import { StationStore } from './station.store';
import { WordPipe } from '../../ui/word';

/** A station at the machine: its tally sheet, what it does, its sheet; for gloves, and without the network. */
@Component({
  selector: 'dk-station-page',
  imports: [
    Chips,
    EntryList,
    InstrumentFeed,
    MatButtonModule,
    MatIconModule,
    MatProgressBarModule,
    MoreEntries,
    NumberPad,
    RouterLink,
    StationSheetView,
    TallyMarks,
    WordPipe,
  ],
  providers: [StationStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './station.page.html',
  styleUrl: './station.page.scss',
})
export class StationPage {
  protected readonly store = inject(StationStore);
  private readonly scans = inject(Scans);
  readonly job = input.required<string>();
  readonly step = input.required<string>();
  /** Of a pile that was scanned: its tag, how many it holds, of which material. */
  readonly pile = input<string>();
  readonly pieces = input<string>();
  readonly material = input<string>();

  protected readonly count = count;
  protected readonly dateText = dateText;
  protected readonly many = many;
  protected readonly stops = STOPS;
  protected readonly differences = DIFFERENCES;
  protected readonly cautionRule = CAUTION_RULE;

  /** Line that is being counted, a thing of its own at each opening: an answer closes no pad but the one that was sent. */
  private readonly pad = signal<{ readonly kind: Counted } | undefined>(undefined);
  protected readonly counting = computed(() => this.pad()?.kind);
  /** Act that wants a reason. */
  protected readonly asked = signal<Act | undefined>(undefined);
  protected readonly reason = signal('');
  protected readonly inSetup = signal(false);
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly tag = signal<string | undefined>(undefined);
  protected readonly given = signal<number | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly quiet = signal(isQuiet());

  protected readonly phase = computed(() => PHASES[this.store.tally().phase]);
  protected readonly since = computed(() => {
    const { since } = this.store.tally();
    return since === undefined ? '' : hourText(since);
  });
  protected readonly acts = computed((): Act[] => {
    const { tally, station, state, step } = this.store;
    const pass = station()?.press !== undefined;
    return actsIn(tally().phase, { pass, passed: state().firstSheets.has(step()) });
  });
  protected readonly reasons = computed(() => {
    const operation = this.store.station()?.operation;
    return operation ? faultsAt(operation) : [];
  });
  protected readonly cautions = computed(() => {
    const operation = this.store.station()?.operation;
    return operation ? OPERATION_RULES[operation].cautions : [];
  });
  protected readonly materials = computed(() => {
    const [station, card] = [this.store.station(), this.store.card()];
    return (station?.takes ?? []).map(({ material, from, unit }) => ({
      material,
      text:
        from === null
          ? $localize`bought ${unitText(unit, 2)}`
          : (card?.steps.find(({ id }) => id === from)?.title ?? material),
    }));
  });
  protected readonly materialIds = computed(() => this.materials().map(({ material }) => material));
  protected readonly materialText = (id: string): string =>
    this.materials().find(({ material }) => material === id)?.text ?? id;
  /** Lines of the tally sheet. */
  protected readonly rows = computed(() => {
    const [station, tally] = [this.store.station(), this.store.tally()];
    if (!station) return [];
    const values: Readonly<Record<Counted, number>> = {
      'taken-in': allOf(tally.takenIn),
      good: tally.good,
      spoiled: allSpoiled(tally),
      samples: tally.samples,
      'left-over': allOf(tally.leftOver),
    };
    const came = station.takes[0]?.unit ?? station.unitIn;
    const units: Readonly<Record<Counted, string>> = {
      'taken-in': came,
      good: station.unitOut,
      spoiled: station.unitIn,
      samples: station.unitOut,
      'left-over': came,
    };
    const wanted: Partial<Readonly<Record<Counted, number>>> = {
      'taken-in': station.takes.length === 1 ? station.takes[0]?.count : undefined,
      good: station.needsOut,
      samples: station.samplesWanted || undefined,
    };
    // Struck through, an entry has no stroke any more.
    const { standing } = this.store.state();
    const entries = this.store.lines().flatMap(({ id }) => standing.get(id)?.kind ?? []);
    return COUNTED.map((kind) => ({
      kind,
      word: ENTRY_WORDS[kind],
      value: values[kind],
      unit: unitText(units[kind], values[kind]),
      wanted: wanted[kind],
      entries: entries.filter((one) => one === kind).length,
    }));
  });
  /** Inks that are printed here, by the carriers that run. */
  protected readonly inks = computed(() => {
    const [card, step] = [this.store.card(), this.step()];
    const here = (card?.carriers ?? []).filter(({ wornBy, ink }) => ink !== undefined && wornBy.includes(step));
    return [...new Set(here.flatMap(({ ink }) => ink ?? []))];
  });
  protected readonly lastMeasured = computed(() =>
    Math.max(0, ...this.store.lines().map(({ event }) => (event.kind === 'reading' ? (event.sheet ?? 0) : 0))),
  );
  /** Readings that come by themselves leave what is being typed alone. */
  protected readonly measured = (entry: RoomEntry): Promise<boolean> => this.store.enter(entry);
  protected readonly open = computed(() => this.store.balance().find(({ difference }) => difference !== 0));
  protected readonly forecast = computed(() => forecastWords(this.store.forecast()));
  protected readonly outUnit = computed(() => unitText(this.store.station()?.unitOut ?? '', 2));
  /** A station that works on has not told all yet: nothing of that wants explaining. */
  protected readonly canExplain = computed(() => ['ready', 'stopped'].includes(this.store.tally().phase));
  protected readonly others = computed(
    () => this.store.card()?.steps.filter(({ operation }) => operation !== 'dry') ?? [],
  );

  constructor() {
    stayAwake();
    guideAt(() => {
      const operation = this.store.station()?.operation;
      return operation && stationPlace(OPERATION_RULES[operation].name);
    });
    keepOffline();
    hearScanner((code) => void this.scan(code));
    effect(() => {
      const [job, step, pile] = [Number(this.job()), this.step(), this.pile()];
      untracked(() => {
        this.store.open(job, step);
        this.tag.set(pile);
        this.chosen.set(this.material());
        this.given.set(Number(this.pieces()) || undefined);
        // A pile that was scanned is to be taken in.
        this.pad.set(pile === undefined ? undefined : { kind: 'taken-in' });
      });
    });
  }

  protected choose(kind: Counted): void {
    this.store.forget();
    this.asked.set(undefined);
    this.given.set(undefined);
    this.tag.set(undefined);
    this.reason.set('');
    this.inSetup.set(this.store.tally().phase === 'set-up');
    this.chosen.set(this.materials().length > 1 ? undefined : this.materials()[0]?.material);
    this.pad.set(this.counting() === kind ? undefined : { kind });
  }

  protected async act(act: Act): Promise<void> {
    this.pad.set(undefined);
    if (act.why && this.asked() !== act) {
      this.reason.set('');
      this.asked.set(act);
      return;
    }
    const step = this.step();
    const entry = (act.why ? { kind: act.kind, step, reason: this.reason() } : { kind: act.kind, step }) as RoomEntry;
    if (await this.send(entry)) this.close({ act });
  }

  protected async enterCount(value: number): Promise<void> {
    const pad = this.pad();
    if (!pad) return;
    const during = this.inSetup() ? 'set-up' : 'run';
    const more = { reason: this.reason(), during, material: this.chosen(), pile: this.tag() } as const;
    if (await this.send(countEntry(pad.kind, this.step(), value, more))) this.close({ pad });
  }
  protected leave(): void {
    this.pad.set(undefined);
  }
  /** Closes what was sent, and nothing that was opened while it was on its way. */
  private close({ pad, act }: { readonly pad?: { readonly kind: Counted }; readonly act?: Act }): void {
    if (pad) this.pad.update((now) => (now === pad ? undefined : now));
    if (act) this.asked.update((now) => (now === act ? undefined : now));
  }

  protected async explain(reason: string): Promise<void> {
    const open = this.open();
    if (open) await this.send({ kind: 'difference', step: this.step(), pieces: open.difference, reason });
  }

  protected async send(entry: RoomEntry, picture?: string): Promise<boolean> {
    this.busy.set(true);
    const taken = await this.store.enter(entry, picture);
    this.busy.set(false);
    return taken;
  }

  protected async keep(): Promise<void> {
    const [pad, act] = [this.pad(), this.asked()];
    await this.store.keepForExplaining();
    this.close({ pad, act });
  }
  protected async scan(code: string): Promise<void> {
    const why = await this.scans.open(code);
    if (why !== '') this.store.say(why);
  }
  protected toggleSound(): void {
    setQuiet(!this.quiet());
    this.quiet.set(isQuiet());
  }
  /** Whether the pad may send: what has to be said beside the number is said. */
  protected readonly ready = computed(() => {
    const kind = this.counting();
    if (kind === 'spoiled') return this.reason() !== '';
    return (kind !== 'taken-in' && kind !== 'left-over') || this.materials().length < 2 || this.chosen() !== undefined;
  });
}
