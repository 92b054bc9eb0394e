import { type Entry, type Inputs, type Rule, GIVEN, IDENTITY, UM, ceilRatio, rule, table } from '../../kernel/index.js';
import { OPERATION_RULES } from '../../route/index.js';
import { CARRIER_OF, carrierWords } from '../../press/index.js';
import { type Counted, MACHINE_COUNTS, giveNorm } from '../../norms/index.js';
import { printingOf } from '../../works/index.js';
import { washUpsBefore } from '../../prepress/index.js';
import type { Step } from '../../job/index.js';
import { foldsOf } from '../../material/index.js';
import { isInLine, isPlateless, platesHung } from '../../press-sheet/index.js';
import { type Prepared, type Run, type Station, stationOf } from '../prepared.js';
import { IN_LINE, checkNorm, handNorm } from '../step-norms.js';
import { batchShare, runsInBatches } from './batch.js';
import { cutWork } from './cutting.js';
import { lagFigure, waitFigure } from './lag-hours.js';
import { prepareLead } from './lead-hours.js';
import { sheetsPerLift } from './machine-time.js';
import { curveFigures, fluteFigures } from './speed-curve.js';
import type { StationTime, StepTime, Timer } from './step-time.js';
import { type Count, counterOf, countsOf, hourly, runHours } from './throughput.js';

/** Cuts and turns come of the programme that the station shows. */
const PROGRAMME = { label: 'identity', note: $localize`counted in the cutting programme` } as const;

/** Set-up of a station with all that it depends on: the one part of its hours that the run does not change. */
function setUp<Name extends string>(
  { job, norms }: Prepared,
  { step, at }: Station,
  of: Rule<Name>,
  inputs: Inputs<Name>,
): Timer {
  if (!runsInBatches(job)) {
    const entry = at.reckon('setupHours', of, inputs);
    return () => entry;
  }
  const part: Rule = rule($localize`Set-up, its part of the batch`, of.unit, `(${of.formula}) * share`);
  return (run) => run.ledger.step(step.id).reckon('setupHours', part, { ...inputs, share: batchShare(run, norms) });
}

const SET_UP = rule($localize`Set-up`, 'h', 'setup');
const SET_UP_FOLDS = rule($localize`Set-up`, 'h', 'setup + each * folds');
const SET_UP_PRESS = rule($localize`Set-up`, 'h', 'setup + each * plates');
const SET_UP_WASHED = rule($localize`Set-up`, 'h', 'setup + each * plates + washes * wash');

/** How much of what a rate counts runs through a station, as a figure. */
function through(context: Prepared, station: Station, counts: Counted): (run: Run) => Entry {
  const { norms, route } = context;
  const { step, at, layout, incoming, machine } = station;
  const counter = counterOf(counts, {
    step,
    layout,
    incoming,
    yielded: route.steps.find(({ id }) => id === step.id)?.outputs[0]?.yield ?? 1,
    perPack: step.perPack ?? 1,
    stackMm: machine?.cutsStacks ? norms('die.stackHeight').value : undefined,
  });
  const values = table(
    Object.entries(counter.values).map(([name, { name: title, value, unit }]) => [
      name,
      at.give(name, title, value, unit, IDENTITY),
    ]),
  );
  const told = { unit: counts };
  return ({ ledger }) => {
    const own = ledger.step(step.id);
    const packs = counts === 'packs' ? own.find('packs') : undefined;
    if (packs) return packs;
    const [units, wanted] = [own.of('processUnits'), own.of('needsOut')];
    const inputs: Inputs = counter.of === 'wanted' ? { ...values, wanted } : { ...values, units };
    return own.count('through', counter.rule, inputs, counter.count(units.value, wanted.value), told);
  };
}

/** Machine hours at a rate, slowed by so many shares; a rate in metres is told by the minute. */
function ratedRule(metres: boolean, shares: number): Rule {
  const rate = [metres ? '60 * speed' : 'speed', 'efficiency'];
  for (let i = 1; i <= shares; i++) rate.push(`share${i}`);
  return rule($localize`Machine hours`, 'h', `setup + through / (${rate.join(' * ')})`);
}

/** What runs in an hour by a machine's own speed, slowed where its curve says so. */
function rated(context: Prepared, station: Station, setup: Timer, counts: Counted, speed: Entry): Timer {
  const { step, machine, norm } = station;
  const counted = through(context, station, counts);
  const efficiency = norm('efficiency');
  const shares = machine
    ? [...fluteFigures(context, station, machine), ...curveFigures(context, station, machine)]
    : [];
  const fixed: Record<string, Entry> = { speed, efficiency };
  shares.forEach((one, i) => (fixed[`share${i + 1}`] = one));
  const slowed = shares.reduce((share, one) => share * one.value, efficiency.value);
  const rate = hourly(counts, speed.value);
  const of = ratedRule(counts === 'metres', shares.length);
  return (run) => {
    const [ready, runs] = [setup(run), counted(run)];
    const hours = ready.value + runHours(runs.value as Count<Counted>, rate, slowed);
    return run.ledger.step(step.id).count('hours', of, { setup: ready, through: runs, ...fixed }, hours);
  };
}

/** A press: set up by the plates that it hangs and the units that it washes. Source: handbook chapter 8. */
function pressTimer(context: Prepared, station: Station): Timer {
  const { ledger, norms, job, works } = context;
  const { step, at, layout, machine, norm } = station;
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'sheets';
  if (!layout || isPlateless(layout))
    return rated(context, station, setUp(context, station, SET_UP, { setup: norm('setup') }), counts, norm('speed'));
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, carriers] = carrierWords(kind ? [kind] : ['plate']);
  const washes = step.operation === 'print' ? washUpsBefore(job, works, step, layout) : 0;
  const hung = platesHung(step, layout);
  const inputs = {
    setup: norm('setup'),
    each: norm('setupPer'),
    plates: at.give('platesHung', $localize`${heading} hung for this pass`, hung, carriers, IDENTITY),
  };
  const setup =
    washes > 0
      ? setUp(context, station, SET_UP_WASHED, {
          ...inputs,
          washes: at.give('washUps', $localize`Units washed before this pass`, washes, 'wash-ups', IDENTITY),
          wash: giveNorm(ledger, norms, 'press.washUp'),
        })
      : setUp(context, station, SET_UP_PRESS, inputs);
  return rated(context, station, setup, counts, norm('speed'));
}

const BY_SECONDS = rule($localize`Books in an hour`, 'pieces/h', '3600 / seconds');

/** Pieces an hour: told in the job, by the norm of hand work, or by the machine. */
function paceFigure({ ledger, norms }: Prepared, { step, at, incoming, norm }: Station): Entry {
  const [hand, check] = [handNorm(step), checkNorm(step, incoming)];
  const pace = check
    ? at.reckon('pace', BY_SECONDS, { seconds: giveNorm(ledger, norms, check) })
    : hand === undefined
      ? norm('speed')
      : giveNorm(ledger, norms, hand);
  if (step.perHour === undefined) return pace;
  const told = { label: 'set by user', note: $localize`set in this job` } as const;
  return at.give('perHour', $localize`Pieces in an hour`, step.perHour, 'pieces/h', told, pace.value);
}

function rateTimer(context: Prepared, station: Station): Timer {
  const { step, machine, norm } = station;
  const setup = setUp(context, station, SET_UP, { setup: norm('setup') });
  const counts = machine ? countsOf(machine, step) : 'pieces';
  return rated(context, station, setup, counts, paceFigure(context, station));
}

const PER_LIFT = rule($localize`Sheets a lift`, 'sheets', 'max(1, floor(height * 1000 / caliper))');
const PER_LIFT_TOLD = rule($localize`Sheets a lift`, 'sheets', 'min(told, max(1, floor(height * 1000 / caliper)))');
const LIFTS = rule($localize`Lifts`, 'lifts', 'ceil(units / sheets)');
const LIFTS_OF_BATCH = rule($localize`Lifts, its part of the batch`, 'lifts', 'share * ceil(units / share / sheets)');
const LIFT_HOURS = rule(
  $localize`Machine hours`,
  'h',
  'setup + lifts * (minutes + (cuts * seconds + turns * turn) / 60) / 60 / efficiency',
);

/** Sheets in a lift: as high as the machine takes, no more than are told. */
function sheetsFigure({ step, at, incoming, norm }: Station): Entry {
  const caliper = at.give('caliper', $localize`Caliper of what is cut`, incoming?.caliperUm ?? 0, 'um', IDENTITY);
  const height = norm('liftHeight');
  const perLift = sheetsPerLift(height.value, caliper.value, step.perLift);
  if (step.perLift === undefined) return at.count('sheetsPerLift', PER_LIFT, { height, caliper }, perLift);
  const told = at.give('perLift', $localize`Sheets in a counted pile`, step.perLift, 'sheets', GIVEN);
  return at.count('sheetsPerLift', PER_LIFT_TOLD, { height, caliper, told }, perLift);
}

/** Guillotine: piles of a lift's height, cut and turned by the programme of the layout. Source: handbook chapter 7. */
function liftTimer(context: Prepared, station: Station): Timer {
  const { ledger, norms, job } = context;
  const { step, layout, norm, at } = station;
  const sheets = sheetsFigure(station);
  const work = cutWork(layout, step, norms('cut.leastStrip').value);
  const setup = setUp(context, station, SET_UP, { setup: norm('setup') });
  const fixed = {
    minutes: norm('minutesPerLift'),
    cuts: at.give('cuts', $localize`Cuts a lift`, work.cuts, 'cuts', PROGRAMME),
    seconds: norm('secondsPerCut'),
    turns: at.give('turns', $localize`Quarter turns a lift`, work.quarterTurns, 'turns', PROGRAMME),
    turn: giveNorm(ledger, norms, 'cut.turnSeconds'),
    efficiency: norm('efficiency'),
  };
  // Books of a batch are cut in one pile, each with its part of it.
  const inBatches = runsInBatches(job);
  return (run) => {
    const own = run.ledger.step(step.id);
    const units = own.of('processUnits');
    const share = inBatches ? batchShare(run, norms) : undefined;
    const piles = ceilRatio(units.value / (share?.value ?? 1), sheets.value);
    const lifts = share
      ? own.count('lifts', LIFTS_OF_BATCH, { units, sheets, share }, share.value * piles)
      : own.count('lifts', LIFTS, { units, sheets }, piles);
    return own.reckon('hours', LIFT_HOURS, { setup: setup(run), lifts, ...fixed });
  };
}

const BELT = rule($localize`Sheets an hour`, '', 'min(most, 60 * belt / (length + gap))');

/** Folder and folder-gluer: pieces an hour by belt speed and sheet length, no more than the machine's limit. Source: handbook chapter 7. */
function beltTimer(context: Prepared, station: Station): Timer {
  const { step, at, layout, incoming, machine, norm } = station;
  const lengthM = Math.max(incoming?.widthMm ?? 0, incoming?.heightMm ?? 0) / UM;
  const length = at.give('length', $localize`Length of the sheet in the folder`, lengthM, 'm', IDENTITY);
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'pieces';
  const rate = at.reckon(
    'rate',
    BELT,
    { belt: norm('beltSpeed'), gap: norm('gap'), most: norm('speed'), length },
    { name: counts === 'blanks' ? $localize`Blanks an hour` : $localize`Sheets an hour`, unit: `${counts}/h` },
  );
  const setup =
    step.operation === 'fold'
      ? setUp(context, station, SET_UP_FOLDS, {
          setup: norm('setup'),
          each: norm('setupPer'),
          folds: at.give('foldCount', $localize`Folds`, foldsOf(step, layout), 'folds', IDENTITY),
        })
      : setUp(context, station, SET_UP, { setup: norm('setup') });
  return rated(context, station, setup, counts, rate);
}

const BY_MODEL = { press: pressTimer, rate: rateTimer, lifts: liftTimer, belt: beltTimer };

function stationTime(context: Prepared, step: Step): StationTime {
  const station = stationOf(context, step);
  const { time } = OPERATION_RULES[step.operation];
  const nothing: StationTime = { lagHours: 0, waitHours: 0, hours: undefined };
  if (time === 'lag') return { ...nothing, lagHours: lagFigure(context, station) };
  if (isInLine(step, context.lanes.get(step.component ?? station.incoming?.component ?? ''))) {
    station.at.give('hours', $localize`Machine hours`, 0, 'h', IN_LINE);
    return nothing;
  }
  const waitHours = waitFigure(context, station);
  return { ...nothing, waitHours, hours: station.machine ? BY_MODEL[time](context, station) : undefined };
}

/** Hours of every step and of the job for a run, with their working. */
export type Times = (run: Run) => {
  readonly steps: ReadonlyMap<string, StepTime>;
  readonly hours: number;
  readonly leadHours: number;
};

/** Makes ready what does not change with the run. Source: handbook chapters 7 and 8. */
export function prepareTimes(context: Prepared): Times {
  const { job } = context;
  const stations = job.route.map((step) => [step.id, stationTime(context, step)] as const);
  const lead = prepareLead(context, new Map(stations));
  return (run) => {
    const timed: Entry[] = [];
    const steps = new Map<string, StepTime>();
    for (const [id, { lagHours, waitHours, hours }] of stations) {
      const own = hours?.(run) ?? run.ledger.step(id).find('hours');
      if (own) timed.push(own);
      steps.set(id, { lagHours, waitHours, hours: own?.value ?? 0 });
    }
    const hours = run.ledger.group('total').sum('hours', $localize`Machine hours`, 'h', timed);
    return { steps, hours: hours.value, leadHours: lead(run) };
  };
}
