import {
  AQLS,
  type Level,
  type SamplingPlan,
  type SamplingTable,
  type Severity,
  SAMPLING_TABLE,
  samplingPlan,
} from './sampling.js';

/** A lot that was looked at for the first time. */
export interface InspectedLot {
  readonly lot: number;
  /** Faulty ones in the sample. */
  readonly faulty: number;
  /** Production was irregular: no reduced inspection. */
  readonly irregular?: boolean | undefined;
  /** The cause why nothing was accepted any more has been mended before this lot: it goes on with tightened inspection. */
  readonly mended?: boolean | undefined;
}

/** Where a series of lots stands. */
export interface SamplingState {
  readonly severity: Severity;
  /** Towards reduced inspection; it is reached at 30. */
  readonly score: number;
  /** Five lots were refused on tightened inspection: nothing is accepted until the cause is mended. */
  readonly stopped: boolean;
}

/** What became of a lot. */
export type JudgedLot<Lot extends InspectedLot = InspectedLot> = Lot & {
  readonly plan: SamplingPlan;
  readonly accepted: boolean;
  /** Where the series stood when the next lot came. */
  readonly after: SamplingState;
};

/** Refused lots of the last five that lead to tightened inspection; accepted ones in a row that lead back; refused ones that stop. */
const REFUSED_OF = 5;
const REFUSED = 2;
const BACK = 5;
const STOP = 5;
/** Score at which reduced inspection begins. */
const SCORE = 30;

const START: SamplingState = { severity: 'normal', score: 0, stopped: false };

/** Whether the lot would have passed with the next smaller limit; where there is none, it would not. */
function passesTighter({ lot, faulty }: InspectedLot, plan: SamplingPlan, level: Level, table: SamplingTable): boolean {
  const aql = AQLS[AQLS.indexOf(plan.aql) - 1];
  if (aql === undefined) return false;
  const tighter = samplingPlan({ lot, aql, level, severity: 'normal' }, table);
  return tighter.ok && faulty <= tighter.value.accept;
}

/** Score after a lot on normal inspection. Source: memory, ISO 2859-1:1999 9.3.3. */
function scored(before: number, lot: InspectedLot, plan: SamplingPlan, level: Level, table: SamplingTable): number {
  const accepted = lot.faulty <= plan.accept;
  if (plan.accept <= 1) return accepted ? before + 2 : 0;
  return accepted && passesTighter(lot, plan, level, table) ? before + 3 : 0;
}

/**
 * Judges a series of lots, one after another, with the rules that switch between normal, tightened and reduced inspection. Lots of
 * which no plan can be made are left out. Source: memory, ISO 2859-1:1999; handbook chapter 9 "Sampling".
 */
export function judgeLots<Lot extends InspectedLot>(
  lots: readonly Lot[],
  aql: number,
  level: Level = 'II',
  table: SamplingTable = SAMPLING_TABLE,
): { readonly lots: readonly JudgedLot<Lot>[]; readonly now: SamplingState } {
  const judged: JudgedLot<Lot>[] = [];
  let state = START;
  /** Since the severity changed last. */
  let run: boolean[] = [];
  for (const lot of lots) {
    if (state.stopped && lot.mended) [state, run] = [{ ...START, severity: 'tightened' }, []];
    const made = samplingPlan({ lot: lot.lot, aql, level, severity: state.severity }, table);
    if (!made.ok) continue;
    const plan = made.value;
    const accepted = !state.stopped && lot.faulty <= plan.accept;
    run.push(accepted);
    const score = state.severity === 'normal' ? scored(state.score, lot, plan, level, table) : 0;
    const next = switched({ ...state, score }, run, lot, accepted);
    if (next.severity !== state.severity) run = [];
    state = next;
    judged.push({ ...lot, plan, accepted, after: state });
  }
  return { lots: judged, now: state };
}

function switched(
  state: SamplingState,
  run: readonly boolean[],
  { irregular = false }: InspectedLot,
  accepted: boolean,
): SamplingState {
  const refusedOf = (last: readonly boolean[]): number => last.filter((one) => !one).length;
  switch (state.severity) {
    case 'normal':
      if (refusedOf(run.slice(-REFUSED_OF)) >= REFUSED) return { ...START, severity: 'tightened' };
      return state.score >= SCORE && !irregular ? { ...START, severity: 'reduced' } : state;
    case 'tightened':
      if (state.stopped) return state;
      if (run.length >= BACK && run.slice(-BACK).every(Boolean)) return START;
      return refusedOf(run) >= STOP ? { ...state, stopped: true } : state;
    case 'reduced':
      return !accepted || irregular ? START : state;
  }
}
