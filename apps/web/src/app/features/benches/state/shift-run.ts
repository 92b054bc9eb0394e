import { computed } from '@angular/core';
import {
  type MovedColour,
  type ShiftColour,
  type ShiftDecision,
  MOST_STEPS_OFF,
  MOVED_COLOURS,
  SHIFT_AIMS,
  SHIFT_COLOURS,
  SHIFT_LOSSES,
  SHIFT_SHEET,
  SHIPPED_WORKS,
  STEP_MM,
  aimDensity,
  bestShift,
  fitRegister,
  lostOf,
  makeShift,
  movesOf,
  normsOf,
  own,
  playShift,
  reckonedGood,
  shiftDensities,
  shiftEnd,
  shiftPatches,
  shiftRegister,
  shiftShare,
} from '@druckerei/core';
import type { PlayedShift } from '@druckerei/contract';
import type { ColourInput } from '../../../ui/colour-input';
import { kept } from '../../../ui/kept';
import { PRACTICE_SHEETS, type RegisterInput } from '../../../ui/register-input';

const NOTHING: ShiftDecision = { moves: {}, keys: {} };
/** What a press of the run moves by. It lies across alone: there is nothing to cock. */
const STEPS = { moveMm: STEP_MM, cockMmPerM: 1 };
/** Norm of the least trap, as it ships. */
const { value: LEAST_TRAP_MM } = normsOf(SHIPPED_WORKS, {})('register.leastTrap');

interface Played {
  readonly seed: number;
  readonly decided: readonly ShiftDecision[];
  readonly next: ShiftDecision;
  readonly extra?: number;
}

/** A shift as it is played: what was decided so far, and what is seen of the run behind it. To be made where effects may be. */
export class ShiftRun {
  /** Kept on this computer: whoever looks at a bench, or comes back tomorrow, goes on where they were. */
  private readonly kept = kept<Played>('shift', { seed: 1, decided: [], next: NOTHING });
  readonly seed = computed(() => this.kept().seed);
  private readonly decided = computed(() => this.kept().decided);
  /** What is about to be decided. */
  readonly next = computed(() => this.kept().next);
  /** Copies that were run beyond; undefined until the shift is handed over. */
  readonly extra = computed(() => this.kept().extra);

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
    const moves = movesOf(fit.value, STEPS);
    return { across: fit.value.across, advised: moves.steps.across };
  }

  /** What the camera reads now, for the register bench. */
  readonly forRegister = computed((): RegisterInput => ({
    ...{ widthMm: SHIFT_SHEET.widthMm, heightMm: SHIFT_SHEET.heightMm, marks: SHIFT_SHEET.marks },
    rows: this.offsets(),
    toleranceMm: MOST_STEPS_OFF * STEP_MM,
    leastTrapMm: LEAST_TRAP_MM,
    stepMm: STEPS.moveMm,
    cockStepMmPerM: STEPS.cockMmPerM,
    sheets: PRACTICE_SHEETS,
    seed: this.seed(),
    from: $localize`a shift at the press, look ${this.state().look} of ${this.shift().looks}, colour minus black`,
  }));
  /** What the instrument has read so far, for the colour bench. */
  readonly forColour = computed((): ColourInput => ({
    set: SHIFT_AIMS,
    readings: this.states().flatMap((state) => shiftPatches(this.shift(), state)),
    sheets: PRACTICE_SHEETS,
    seed: this.seed(),
  }));

  /** Adds to what is about to be decided. */
  decide(change: Partial<ShiftDecision>): void {
    this.kept.update((played) => ({ ...played, next: { ...played.next, ...change } }));
  }
  move(colour: MovedColour, steps: number): void {
    this.decide({ moves: { ...this.next().moves, [colour]: steps } });
  }
  keys(colour: ShiftColour, steps: number): void {
    this.decide({ keys: { ...this.next().keys, [colour]: steps } });
  }
  /** Lets the next copies run, with what was decided. */
  run(): void {
    this.kept.update(({ seed, decided, next }) => ({ seed, decided: [...decided, next], next: NOTHING }));
  }
  /** The shift as it was played, to be kept. */
  played(extra: number): PlayedShift {
    const decisions = this.decided().map((decision) => ({ ...decision }));
    return { seed: this.seed(), decisions, extra };
  }
  /** Ends it. @param extra copies that are run beyond */
  handOver(extra: number): void {
    this.kept.update((played) => ({ ...played, extra }));
  }
  begin(seed: number): void {
    this.kept.set({ seed, decided: [], next: NOTHING });
  }
}
