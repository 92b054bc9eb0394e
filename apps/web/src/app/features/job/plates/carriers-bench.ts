import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { type Carrier, CHECKLISTS, NEW_CARRIER, type RoomEntry } from '@druckerei/core';
import { CARRIER_NAMES, carrierWords, makingWords } from '@druckerei/contract';
import { count, timeText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { RoomStore } from '../record/room.store';
import { CarrierMark } from './carrier-mark';
import { forecastWords } from '../../../ui/forecast-words';
import { InkDot } from '../parts/ink-dot';
import { RoomLine } from '../record/room-line';
import { CarrierCard } from './carrier-card';
import { CarrierFields } from './carrier-fields';
import { WordPipe } from '../../../ui/word';

/** Dies and boxes stand behind all units. */
const NO_UNIT = 1000;

/** The carriers of a component: what is wanted, made, inspected and let go, with the artwork and the count that decide it. */
@Component({
  selector: 'dk-carriers-bench',
  imports: [
    CarrierCard,
    CarrierFields,
    CarrierMark,
    InkDot,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    RoomLine,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './carriers-bench.html',
  styleUrl: './carriers-bench.scss',
})
export class CarriersBench {
  protected readonly room = inject(RoomStore);
  readonly componentId = input.required<string>();
  protected readonly names = CARRIER_NAMES;
  protected readonly words = carrierWords;
  private readonly measures = inject(Measures);
  protected readonly making = (carrier: Carrier): string => makingWords(carrier, this.measures.system());
  protected readonly time = timeText;
  protected readonly count = count;
  private readonly chosenId = signal('');
  /** Faults ticked for the carrier in hand. */
  protected readonly faults = signal<readonly string[]>([]);

  protected readonly rows = computed(() =>
    this.room
      .carriers()
      .filter(({ component }) => component === this.componentId())
      .map((carrier) => ({ carrier, life: this.room.state().carriers.get(carrier.id) ?? NEW_CARRIER }))
      .sort((one, other) => (one.carrier.unit ?? NO_UNIT) - (other.carrier.unit ?? NO_UNIT)),
  );
  protected readonly chosen = computed(
    () => this.rows().find(({ carrier }) => carrier.id === this.chosenId()) ?? this.rows()[0],
  );
  protected readonly artwork = computed(() => this.room.state().artwork.get(this.componentId()));
  protected readonly fromArtwork = computed(() => this.rows().some(({ carrier }) => carrier.ink !== undefined));
  protected readonly inState = (state: string): readonly Carrier[] =>
    this.rows().flatMap(({ carrier, life }) => (life.state === state ? [carrier] : []));
  protected readonly isSafe = this.room.countIsSafe;
  protected readonly forecastText = computed(() => {
    if (this.isSafe()) return $localize`The count is complete: carriers may be let go.`;
    const told = forecastWords(this.room.forecast());
    return told === ''
      ? $localize`Nothing is counted yet: hold the carriers until the count is safe.`
      : $localize`${told} Hold the carriers until it is safe.`;
  });

  protected choose(id: string): void {
    if (id === this.chosen()?.carrier.id) return;
    this.chosenId.set(id);
    this.faults.set([]);
  }

  /** A proof goes to the customer: nothing is approved by it. */
  protected sendProof(note: string): void {
    this.enterArtwork({ approved: false, sent: true }, note);
  }

  protected approve(approved: boolean, note: string): void {
    this.enterArtwork({ approved }, note);
  }

  private enterArtwork(said: { readonly approved: boolean; readonly sent?: boolean }, note: string): void {
    const text = note.trim();
    this.room.enter({
      kind: 'artwork',
      component: this.componentId(),
      ...said,
      ...(text === '' ? {} : { note: text }),
    });
  }

  protected allTo(from: string, state: 'made' | 'on-press' | 'held'): void {
    this.room.enterAll(this.inState(from).map(({ id }): RoomEntry => ({ kind: 'carrier', carrier: id, state })));
  }

  /** Digits tick the faults of the carrier in hand, Enter records what is ticked and goes on to the next; arrows walk. */
  protected key(event: KeyboardEvent): void {
    const chosen = this.chosen();
    if (!chosen || event.ctrlKey || event.metaKey || event.altKey) return;
    const rows = this.rows();
    const at = rows.indexOf(chosen);
    const walk = (by: number): void => {
      const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
      if (next) this.focus(next.carrier.id);
    };
    const fault = CHECKLISTS[chosen.carrier.kind][Number(event.key) - 1];
    const actions: Readonly<Record<string, (() => void) | undefined>> = {
      ArrowDown: () => walk(1),
      ArrowUp: () => walk(-1),
      Enter: () => {
        if (chosen.life.state !== 'made' || !this.room.mayPlates()) return;
        this.inspect();
        walk(1);
      },
    };
    const action = actions[event.key] ?? (fault === undefined ? undefined : () => this.tick(fault));
    if (!action) return;
    event.preventDefault();
    event.stopPropagation();
    action();
  }

  private focus(id: string): void {
    this.choose(id);
    document.getElementById(`carrier-${id}`)?.focus();
  }

  protected tick(fault: string): void {
    const faults = this.faults();
    this.faults.set(faults.includes(fault) ? faults.filter((one) => one !== fault) : [...faults, fault]);
  }

  protected inspect(note = ''): void {
    const carrier = this.chosen()?.carrier.id;
    if (carrier === undefined) return;
    const text = note.trim();
    const event: RoomEntry = { kind: 'inspection', carrier, faults: this.faults() };
    this.room.enter(text === '' ? event : { ...event, note: text }, () => this.faults.set([]));
  }
}
