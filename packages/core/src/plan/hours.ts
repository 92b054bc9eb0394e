import {
  type Entry,
  type Group,
  type Inputs,
  type Rule,
  GIVEN,
  IDENTITY,
  UM,
  ceilRatio,
  rule,
  table,
} from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { CARRIER_OF, carrierWords } from '../press/index.js';
import { type Counted, type Machine, MACHINE_COUNTS, printingOf } from '../works/index.js';
import { cutWork } from './cutting.js';
import { batchShare } from './batch.js';
import { washUpsBefore } from './inks.js';
import type { Step } from './job.js';
import { lagFigure, waitFigure } from './lag-hours.js';
import { leadFigures } from './lead-hours.js';
import { sheetsPerLift } from './machine-time.js';
import { foldsOf, takenBy } from './material/index.js';
import { curveFigures, fluteFigures } from './speed-curve.js';
import { IN_LINE, checkNorm, giveNorm, handNorm, isInLine, isPlateless, layoutAt, platesHung } from './step-norms.js';
import { type Station, type StepTime, type TimeContext, NO_TIME } from './step-time.js';
import { type Count, countThrough, countsOf, hourly, runHours } from './throughput.js';

/** Cuts and turns come of the programme that the station shows. */
const PROGRAMME = { label: 'identity', note: 'counted in the cutting programme' } as const;

/** Set-up of a station with all that it depends on: the one part of its hours that the run does not change. */
function setUp<Name extends string>(
  { ledger, job, norms }: TimeContext,
  at: Group,
  of: Rule<Name>,
  inputs: Inputs<Name>,
): Entry {
  const share = batchShare(job, norms, ledger);
  if (!share) return at.reckon('setupHours', of, inputs);
  const part: Rule = rule(of.name, of.unit, `(${of.formula}) * share` as string);
  return at.reckon('setupHours', part, { ...inputs, share }, { name: 'Set-up, its part of the batch' });
}

const SET_UP = rule('Set-up', 'h', 'setup');
const SET_UP_FOLDS = rule('Set-up', 'h', 'setup + each * folds');
const SET_UP_PRESS = rule('Set-up', 'h', 'setup + each * plates');
const SET_UP_WASHED = rule('Set-up', 'h', 'setup + each * plates + washes * wash');

/** How much of what a rate counts runs through a station, as a figure. */
function countFigure(context: TimeContext, { step, at, layout, incoming, machine }: Station, counts: Counted) {
  const { norms } = context;
  const packing = context.packings.get(step.id);
  if (counts === 'packs' && packing) return { through: packing.packs as Count<Counted>, figure: at.of('packs') };
  const [units, pieces] = [at.of('processUnits'), at.of('needsOut')];
  const counting = countThrough(counts, {
    step,
    layout,
    incoming,
    units: units.value,
    wanted: pieces.value,
    yielded: outputYield(context, step),
    perPack: step.perPack ?? 1,
    stackMm: machine?.cutsStacks ? norms('die.stackHeight').value : undefined,
  });
  const inputs: Record<string, Entry> = counting.rule.formula.includes('wanted') ? { wanted: pieces } : { units };
  for (const [name, given] of Object.entries(counting.values))
    inputs[name] = at.give(name, given.name, given.value, given.unit, IDENTITY);
  const figure = at.count('through', counting.rule, inputs, counting.through, { unit: counts });
  return { through: counting.through, figure };
}

/** Good outputs of one process unit of a step. */
const outputYield = ({ flow }: TimeContext, step: Step): number => flow.byId.get(step.id)?.downstream.output.yield ?? 1;

/** Machine hours at a rate, slowed by so many shares; a rate in metres is told by the minute. */
const ratedRule = (metres: boolean, shares: number): Rule => {
  const rate = [metres ? '60 * speed' : 'speed', 'efficiency'];
  for (let i = 1; i <= shares; i++) rate.push(`share${i}`);
  return rule('Machine hours', 'h', `setup + through / (${rate.join(' * ')})` as string);
};
const MOST_SHARES = 8;
const RATED = [false, true].map((metres) =>
  Array.from({ length: MOST_SHARES + 1 }, (_, shares) => ratedRule(metres, shares)),
);

/** What runs in an hour by a machine's own speed, slowed where its curve says so. */
function ratedHours(context: TimeContext, station: Station, setup: Entry, counts: Counted, speed: Entry): number {
  const { at, machine, norm } = station;
  const { through, figure } = countFigure(context, station, counts);
  const efficiency = norm('efficiency');
  const shares = machine
    ? [...fluteFigures(context, station, machine), ...curveFigures(context, station, machine)]
    : [];
  const inputs: Record<string, Entry> = { setup, through: figure, speed, efficiency };
  shares.forEach((one, i) => (inputs[`share${i + 1}`] = one));
  const slowed = shares.reduce((share, one) => share * one.value, efficiency.value);
  const hours = setup.value + runHours(through, hourly(counts, speed.value), slowed);
  const rated = RATED[counts === 'metres' ? 1 : 0]?.[shares.length] ?? ratedRule(counts === 'metres', shares.length);
  return at.count('hours', rated, inputs, hours).value;
}

/** A press: set up by the plates that it hangs and the units that it washes. Source: handbook chapter 8. */
function pressHours(context: TimeContext, station: Station): number {
  const { ledger, norms, job, works } = context;
  const { step, at, layout, machine, norm } = station;
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'sheets';
  if (!layout || isPlateless(layout))
    return ratedHours(context, station, setUp(context, at, SET_UP, { setup: norm('setup') }), counts, norm('speed'));
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, carriers] = carrierWords(kind ? [kind] : ['plate']);
  const washes = step.operation === 'print' ? washUpsBefore(job, works, step, layout) : 0;
  const hung = platesHung(step, layout);
  const inputs = {
    setup: norm('setup'),
    each: norm('setupPer'),
    plates: at.give('platesHung', `${heading} hung for this pass`, hung, carriers, IDENTITY),
  };
  const setup =
    washes > 0
      ? setUp(context, at, SET_UP_WASHED, {
          ...inputs,
          washes: at.give('washUps', 'Units washed before this pass', washes, 'wash-ups', IDENTITY),
          wash: giveNorm(ledger, norms, 'press.washUp'),
        })
      : setUp(context, at, SET_UP_PRESS, inputs);
  return ratedHours(context, station, setup, counts, norm('speed'));
}

const BY_SECONDS = rule('Books in an hour', 'pieces/h', '3600 / seconds');

/** Pieces an hour: told in the job, by the norm of hand work, or by the machine. */
function paceFigure({ ledger, norms }: TimeContext, { step, at, incoming, norm }: Station): Entry {
  const [hand, check] = [handNorm(step), checkNorm(step, incoming)];
  const pace = check
    ? at.reckon('pace', BY_SECONDS, { seconds: giveNorm(ledger, norms, check) })
    : hand === undefined
      ? norm('speed')
      : giveNorm(ledger, norms, hand);
  if (step.perHour === undefined) return pace;
  const told = { label: 'set by user', note: 'set in this job' } as const;
  return at.give('perHour', 'Pieces in an hour', step.perHour, 'pieces/h', told, pace.value);
}

function rateHours(context: TimeContext, station: Station): number {
  const { step, at, machine, norm } = station;
  const setup = setUp(context, at, SET_UP, { setup: norm('setup') });
  const counts = machine ? countsOf(machine, step) : 'pieces';
  return ratedHours(context, station, setup, counts, paceFigure(context, station));
}

const PER_LIFT = rule('Sheets a lift', 'sheets', 'max(1, floor(height * 1000 / caliper))');
const PER_LIFT_TOLD = rule('Sheets a lift', 'sheets', 'min(told, max(1, floor(height * 1000 / caliper)))');
const LIFTS = rule('Lifts', 'lifts', 'ceil(units / sheets)');
const LIFTS_OF_BATCH = rule('Lifts, its part of the batch', 'lifts', 'share * ceil(units / share / sheets)');
const LIFT_HOURS = rule(
  'Machine hours',
  'h',
  'setup + lifts * (minutes + (cuts * seconds + turns * turn) / 60) / 60 / efficiency',
);

/** Guillotine: piles of a lift's height, cut and turned by the programme of the layout. Source: handbook chapter 7. */
function liftHours(context: TimeContext, { step, at, layout, incoming, norm }: Station): number {
  const { ledger, norms } = context;
  const caliper = at.give('caliper', 'Caliper of what is cut', incoming?.caliperUm ?? 0, 'um', IDENTITY);
  const height = norm('liftHeight');
  const perLift = sheetsPerLift(height.value, caliper.value, step.perLift);
  const sheets =
    step.perLift === undefined
      ? at.count('sheetsPerLift', PER_LIFT, { height, caliper }, perLift)
      : at.count(
          'sheetsPerLift',
          PER_LIFT_TOLD,
          { height, caliper, told: at.give('perLift', 'Sheets in a counted pile', step.perLift, 'sheets', GIVEN) },
          perLift,
        );
  // Books of a batch are cut in one pile, each with its part of it.
  const share = batchShare(context.job, norms, ledger);
  const units = at.of('processUnits');
  const lifts = share
    ? at.count(
        'lifts',
        LIFTS_OF_BATCH,
        { units, sheets, share },
        share.value * ceilRatio(units.value / share.value, perLift),
      )
    : at.count('lifts', LIFTS, { units, sheets }, ceilRatio(units.value, perLift));
  const work = cutWork(layout, step, norms('cut.leastStrip').value);
  return at.reckon('hours', LIFT_HOURS, {
    setup: setUp(context, at, SET_UP, { setup: norm('setup') }),
    lifts,
    minutes: norm('minutesPerLift'),
    cuts: at.give('cuts', 'Cuts a lift', work.cuts, 'cuts', PROGRAMME),
    seconds: norm('secondsPerCut'),
    turns: at.give('turns', 'Quarter turns a lift', work.quarterTurns, 'turns', PROGRAMME),
    turn: giveNorm(ledger, norms, 'cut.turnSeconds'),
    efficiency: norm('efficiency'),
  }).value;
}

const BELT = rule('Sheets an hour', '', 'min(most, 60 * belt / (length + gap))');

/** Folder and folder-gluer: pieces an hour by belt speed and sheet length, no more than the machine's limit. Source: handbook chapter 7. */
function beltHours(context: TimeContext, station: Station): number {
  const { step, at, layout, incoming, machine, norm } = station;
  const lengthM = Math.max(incoming?.widthMm ?? 0, incoming?.heightMm ?? 0) / UM;
  const length = at.give('length', 'Length of the sheet in the folder', lengthM, 'm', IDENTITY);
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'pieces';
  const rate = at.reckon(
    'rate',
    BELT,
    { belt: norm('beltSpeed'), gap: norm('gap'), most: norm('speed'), length },
    { name: counts === 'blanks' ? 'Blanks an hour' : 'Sheets an hour', unit: `${counts}/h` },
  );
  const setup =
    step.operation === 'fold'
      ? setUp(context, at, SET_UP_FOLDS, {
          setup: norm('setup'),
          each: norm('setupPer'),
          folds: at.give('foldCount', 'Folds', foldsOf(step, layout), 'folds', IDENTITY),
        })
      : setUp(context, at, SET_UP, { setup: norm('setup') });
  return ratedHours(context, station, setup, counts, rate);
}

const BY_MODEL = { press: pressHours, rate: rateHours, lifts: liftHours, belt: beltHours };

function stepTime(context: TimeContext, step: Step): StepTime {
  const machine: Machine | undefined = context.machines.get(step.id);
  const incoming = context.jobFlow.materials.get(takenBy(step)[0]?.material ?? '');
  // What is still one component is laid as that, whoever works on it.
  const layout = context.layouts.get(step.component ?? incoming?.component ?? '');
  const at = context.ledger.step(step.id);
  const prefix = `machine.${machine?.id ?? ''}`;
  const station: Station = {
    step,
    machine,
    layout: layoutAt(step, layout, machine),
    at,
    incoming,
    norm: (key) => giveNorm(context.ledger, context.norms, `${prefix}.${key}`),
  };
  const { time } = OPERATION_RULES[step.operation];
  if (time === 'lag') return { ...NO_TIME, lagHours: lagFigure(context, station) };
  if (isInLine(step, layout)) {
    at.give('hours', 'Machine hours', 0, 'h', IN_LINE);
    return NO_TIME;
  }
  const waitHours = waitFigure(context, station);
  return { ...NO_TIME, waitHours, hours: machine ? BY_MODEL[time](context, station) : 0 };
}

/** Hours of every step and of the job, with their working. Source: handbook chapters 7 and 8. */
export function timeFigures(context: TimeContext): {
  steps: ReadonlyMap<string, StepTime>;
  hours: number;
  leadHours: number;
} {
  const { job, ledger } = context;
  const steps = new Map(job.route.map((step) => [step.id, stepTime(context, step)]));
  const timed = job.route.flatMap(({ id }) => ledger.step(id).find('hours') ?? []);
  const inputs = table(timed.map((entry, i) => [`h${i + 1}`, entry]));
  const sum = rule('Machine hours', 'h', Object.keys(inputs).join(' + ') || '0');
  const hours = ledger.group('total').reckon('hours', sum, inputs);
  return { steps, hours: hours.value, leadHours: leadFigures(context, steps) };
}
