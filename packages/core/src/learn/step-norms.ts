import { figureOf } from '../kernel/index.js';
import type { Plan } from '../plan/index.js';

/** A norm that a plan reckoned a station with. */
export interface NormUse {
  /** Its id, told apart where the works tells it apart. */
  readonly norm: string;
  /** Its value then. */
  readonly value: number;
  /** What the plan made of it and of what is told beside it (colours, folds, plates), in the unit of what is counted. */
  readonly planned: number;
  /** Norm units in one of what is counted: metres of web in a cut-off; 1 elsewhere. */
  readonly each: number;
}

/** The norms that a closed station says something of; undefined where the plan used none. */
export interface StepNorms {
  /** Process units. */
  readonly setUp: NormUse | undefined;
  /** A share of what runs, or of the net where the house tells it so. */
  readonly running: NormUse | undefined;
  readonly ofNet: boolean;
  /** Hours. */
  readonly setUpHours: NormUse | undefined;
  /** Planned: the hours of the run, without set-up. */
  readonly efficiency: NormUse | undefined;
}

const NORM = 'norm.';
/** What formulas call the norm that they build on. */
const NAMES = ['base', 'norm', 'setup', 'efficiency'];

/** The norm that a figure stands on at once. */
function normUnder(plan: Plan, id: string): Omit<NormUse, 'planned' | 'each'> | undefined {
  const inputs = figureOf(plan, id)?.inputs ?? {};
  const under = NAMES.flatMap((name) => inputs[name] ?? []).find((one) => one.startsWith(NORM));
  const norm = under === undefined ? undefined : figureOf(plan, under);
  return norm && { norm: norm.id.slice(NORM.length), value: norm.value };
}

/** The first of several figures that the plan has. */
const first = (plan: Plan, ids: readonly string[]): string | undefined => ids.find((id) => figureOf(plan, id));

/** The norms that a planned station was reckoned with: those of the house, where the job tells its own. */
export function stepNorms(plan: Plan, step: string): StepNorms {
  const valueOf = (id: string | undefined): number => (id === undefined ? 0 : (figureOf(plan, id)?.value ?? 0));
  const at = (field: string): string => `step.${step}.${field}`;
  const use = (from: readonly string[], planned?: number): NormUse | undefined => {
    const id = first(plan, from.map(at));
    const found = id === undefined ? undefined : normUnder(plan, id);
    return found && { ...found, planned: planned ?? valueOf(id), each: 1 };
  };
  const setUp = (): NormUse | undefined => {
    const house = first(plan, ['setup.norm', 'setup.all', 'setup'].map(at));
    // Spoils of an earlier station serve for a part of it: what is good is counted here.
    const spoils = figureOf(plan, at('setup.all')) ? valueOf(at('setup.all')) - valueOf(at('setup')) : 0;
    const planned = valueOf(house) - spoils;
    const metres = ['setup.norm.metres', 'setup.metres'].map(at).find((id) => figureOf(plan, id));
    const found = metres ?? house;
    const under = found === undefined ? undefined : normUnder(plan, found);
    if (!under) return undefined;
    return { ...under, planned, each: metres && planned > 0 ? valueOf(metres) / valueOf(house) : 1 };
  };
  const ofNet = figureOf(plan, at('told')) !== undefined;
  return {
    setUp: setUp(),
    running: use(ofNet ? ['told.norm', 'told'] : ['running.norm', 'running']),
    ofNet,
    setUpHours: use(['setupHours']),
    efficiency: use(['hours'], valueOf(at('hours')) - valueOf(at('setupHours'))),
  };
}
