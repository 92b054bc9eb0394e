import { computed, signal } from '@angular/core';
import {
  type MovedColour,
  type ShiftColour,
  type ShiftDecision,
  MOVED_COLOURS,
  SHIFT_COLOURS,
  SHIFT_LOSSES,
  SHIFT_SHEET,
  STEP_MM,
  aimDensity,
  bestShift,
  fitRegister,
  lostOf,
  makeShift,
  movesOf,
  own,
  playShift,
  reckonedGood,
  shiftDensities,
  shiftEnd,
  shiftRegister,
  shiftShare,
} from '@druckerei/core';
import type { PlayedShift } from '@druckerei/contract';

const NOTHING: ShiftDecision = { moves: {}, keys: {} };

/** A shift as it is played: what was decided so far, and what is seen of the run behind it. */
export class ShiftRun {
  readonly seed = signal(1);
  private readonly decided = signal<readonly ShiftDecision[]>([]);
  /** What is about to be decided. */
  readonly next = signal<ShiftDecision>(NOTHING);
  /** Copies that were run beyond; undefined until the shift is handed over. */
  readonly extra = signal<number | undefined>(undefined);

  readonly shift = computed(() => makeShift(this.seed()));
  /** The run at every look so far. */
  private readonly states = computed(() =>
    Array.from({ length: this.decided().length + 1 }, (_, n) => playShift(this.shift(), this.decided().slice(0, n))),
  );
  readonly state = computed(() => this.states().at(-1) ?? playShift(this.shift(), []));
  readonly isOver = computed(() => this.state().look >= this.shift().looks);
  readonly reckoned = computed(() => reckonedGood(this.state()));
  /** The web is broken, and somebody has to say what is done. */
  readonly isBroken = computed(() => this.state().look === this.shift().broken.at);
  /** A bundle was found short, and no pile has been counted yet. */
  readonly isInDoubt = computed(() => {
    const { look, counted } = this.state();
    return look >= this.shift().short.at && !counted && !this.isOver();
  });
  readonly register = computed(() => shiftRegister(this.shift(), this.state()));
  /** Every colour as it reads, with the steps that would bring it back. */
  readonly colours = computed(() => {
    const densities = shiftDensities(this.shift(), this.state());
    return SHIFT_COLOURS.map((colour) => ({
      colour,
      ...this.across(colour),
      density: densities[colour],
      aim: aimDensity(colour),
    }));
  });
  readonly offsets = computed(() =>
    MOVED_COLOURS.map((colour) => ({ colour, offsets: own(this.register().colours, colour) ?? [] })),
  );
  /** What register and density did over the run. */
  readonly registerTrend = computed(() =>
    MOVED_COLOURS.map((colour) => ({
      name: colour,
      points: this.states().map((state) => {
        const reading = shiftRegister(this.shift(), state);
        const offsets = own(reading.colours, colour) ?? [];
        return { x: reading.sheet, y: offsets.reduce((sum, { dx }) => sum + dx, 0) / Math.max(1, offsets.length) };
      }),
    })),
  );
  readonly densityTrend = computed(() =>
    SHIFT_COLOURS.map((colour) => ({
      name: colour,
      points: this.states().map((state) => ({
        x: state.look * this.shift().perLook,
        y: shiftDensities(this.shift(), state)[colour] - aimDensity(colour),
      })),
    })),
  );
  readonly best = computed(() => bestShift(this.shift()));
  /** What was lost, reason by reason, beside the best; undefined until the shift is handed over. */
  readonly outcome = computed(() => {
    const extra = this.extra();
    if (extra === undefined) return undefined;
    const end = shiftEnd(this.shift(), this.state(), extra);
    const best = this.best().end;
    return {
      rows: SHIFT_LOSSES.map((reason) => ({ reason, own: end.lost[reason], best: best.lost[reason] })),
      share: shiftShare(this.shift(), end),
      own: lostOf(end),
      best: lostOf(best),
      short: Math.max(0, this.shift().ordered - end.good - extra),
      over: Math.max(0, end.good + extra - this.shift().ordered),
    };
  });

  private across(colour: ShiftColour): { readonly across?: number; readonly advised?: number } {
    const offsets = own(this.register().colours, colour);
    const fit = offsets && fitRegister(SHIFT_SHEET.marks, offsets, colour);
    if (!fit?.ok) return {};
    const moves = movesOf(fit.value, { moveMm: STEP_MM, cockMmPerM: 1 });
    return { across: fit.value.across, advised: moves.steps.across };
  }

  move(colour: MovedColour, steps: number): void {
    this.next.update((next) => ({ ...next, moves: { ...next.moves, [colour]: steps } }));
  }
  keys(colour: ShiftColour, steps: number): void {
    this.next.update((next) => ({ ...next, keys: { ...next.keys, [colour]: steps } }));
  }
  /** Lets the next copies run, with what was decided. */
  run(): void {
    this.decided.update((before) => [...before, this.next()]);
    this.next.set(NOTHING);
  }
  /** The shift as it was played, to be kept. */
  played(extra: number): PlayedShift {
    const decisions = this.decided().map((decision) => ({ ...decision }));
    return { seed: this.seed(), decisions, extra };
  }
  begin(seed: number): void {
    this.seed.set(seed);
    this.decided.set([]);
    this.next.set(NOTHING);
    this.extra.set(undefined);
  }
}
