import { GIVEN, IDENTITY, ceilRatio, evaluate, table } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { CARRIER_OF, carrierWords } from '../press/index.js';
import { type Counted, type Machine, MACHINE_COUNTS, printingOf } from '../works/index.js';
import { cutWork } from './cutting.js';
import { batchShare } from './batch.js';
import { washUpsBefore } from './inks.js';
import type { Step } from './job.js';
import { lagFigure, waitFigure } from './lag-hours.js';
import { leadFigures } from './lead-hours.js';
import { beltRate, liftTime, sheetsPerLift } from './machine-time.js';
import { foldsOf, takenBy } from './material/index.js';
import { curveFigures, fluteFigures } from './speed-curve.js';
import { IN_LINE, checkNorm, giveNorm, handNorm, isInLine, isPlateless, layoutAt, platesHung } from './step-norms.js';
import { type Station, type StepTime, type TimeContext, NO_TIME } from './step-time.js';
import { type Count, countThrough, countsOf, hourly, runHours } from './throughput.js';

/** Cuts and turns come of the programme that the station shows. */
const PROGRAMME = { label: 'identity', note: 'counted in the cutting programme' } as const;
const SECONDS = 3600;

const units = (id: string) => `${id}.processUnits`;

/** Set-up of a station with all that it depends on: the one part of its hours that the run does not change. */
function setUp(
  { book, job, norms }: TimeContext,
  id: string,
  formula: string,
  inputs: Readonly<Record<string, string>>,
): string {
  const whole = evaluate(formula, (name) => book.value(inputs[name] ?? ''));
  const batch = batchShare(job, norms, book);
  if (!batch) return book.reckon(`${id}.setupHours`, 'Set-up', whole, 'h', formula, inputs);
  return book.reckon(
    `${id}.setupHours`,
    'Set-up, its part of the batch',
    whole * batch.share,
    'h',
    `(${formula}) * share`,
    {
      ...inputs,
      share: batch.figure,
    },
  );
}

/** How much of what a rate counts runs through a station, as a figure. */
function countFigure(context: TimeContext, { step, id, layout, incoming, machine }: Station, counts: Counted) {
  const { book, norms } = context;
  const packing = context.packings.get(step.id);
  if (counts === 'packs' && packing) return { through: packing.packs as Count<Counted>, figure: `${id}.packs` };
  const counting = countThrough(counts, {
    step,
    layout,
    incoming,
    units: book.value(units(id)),
    wanted: book.value(`${id}.needsOut`),
    yielded: outputYield(context, step),
    perPack: step.perPack ?? 1,
    stackMm: machine?.cutsStacks ? norms('die.stackHeight').value : undefined,
  });
  const inputs: Record<string, string> = { units: units(id), pieces: `${id}.needsOut` };
  for (const [name, given] of Object.entries(counting.values))
    inputs[name] = book.give(`${id}.${name}`, given.name, given.value, given.unit, IDENTITY);
  const used = table(Object.entries(inputs).filter(([name]) => new RegExp(`\\b${name}\\b`).test(counting.formula)));
  const figure = book.reckon(`${id}.through`, counting.name, counting.count, counts, counting.formula, used);
  return { through: counting.through, figure };
}

/** Good outputs of one process unit of a step. */
const outputYield = ({ flow }: TimeContext, step: Step): number => flow.byId.get(step.id)?.downstream.output.yield ?? 1;

/** What runs in an hour by a machine's own speed, slowed where its curve says so. */
function ratedHours(context: TimeContext, station: Station, setup: string, counts: Counted, speed: string): number {
  const { book } = context;
  const { id, machine, norm } = station;
  const { through, figure } = countFigure(context, station, counts);
  const efficiency = norm('efficiency');
  const shares = machine
    ? [...fluteFigures(context, station, machine), ...curveFigures(context, station, machine)]
    : [];
  const slowed = shares.reduce((share, one) => share * book.value(one), book.value(efficiency));
  const run = runHours(through, hourly(counts, book.value(speed)), slowed);
  const hours = book.value(setup) + run;
  const inputs: Record<string, string> = { setup, through: figure, speed, efficiency };
  shares.forEach((one, i) => (inputs[`share${i + 1}`] = one));
  const rate = [counts === 'metres' ? '60 * speed' : 'speed', 'efficiency', ...shares.map((_, i) => `share${i + 1}`)];
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', `setup + through / (${rate.join(' * ')})`, inputs);
  return hours;
}

/** A press: set up by the plates that it hangs and the units that it washes. Source: handbook chapter 8. */
function pressHours(context: TimeContext, station: Station): number {
  const { book, norms, job, works } = context;
  const { step, id, layout, machine, norm } = station;
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'sheets';
  if (!layout || isPlateless(layout))
    return ratedHours(context, station, setUp(context, id, 'setup', { setup: norm('setup') }), counts, norm('speed'));
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, carriers] = carrierWords(kind ? [kind] : ['plate']);
  const washes = step.operation === 'print' ? washUpsBefore(job, works, step, layout) : 0;
  const washing =
    washes > 0
      ? {
          washes: book.give(`${id}.washUps`, 'Units washed before this pass', washes, 'wash-ups', IDENTITY),
          wash: giveNorm(book, norms, 'press.washUp'),
        }
      : undefined;
  const setup = setUp(context, id, `setup + each * plates${washing ? ' + washes * wash' : ''}`, {
    setup: norm('setup'),
    each: norm('setupPer'),
    plates: book.give(
      `${id}.platesHung`,
      `${heading} hung for this pass`,
      platesHung(step, layout),
      carriers,
      IDENTITY,
    ),
    ...washing,
  });
  return ratedHours(context, station, setup, counts, norm('speed'));
}

/** Pieces an hour: told in the job, by the norm of hand work, or by the machine. */
function paceFigure({ book, norms }: TimeContext, { step, id, incoming, norm }: Station): string {
  const [hand, check] = [handNorm(step), checkNorm(step, incoming)];
  const bySeconds = (seconds: string): string =>
    book.reckon(`${id}.pace`, 'Books in an hour', SECONDS / book.value(seconds), 'pieces/h', '3600 / seconds', {
      seconds,
    });
  const pace = check
    ? bySeconds(giveNorm(book, norms, check))
    : hand === undefined
      ? norm('speed')
      : giveNorm(book, norms, hand);
  if (step.perHour === undefined) return pace;
  const told = { label: 'set by user', note: 'set in this job' } as const;
  return book.give(`${id}.perHour`, 'Pieces in an hour', step.perHour, 'pieces/h', told, book.value(pace));
}

function rateHours(context: TimeContext, station: Station): number {
  const { step, id, machine, norm } = station;
  const setup = setUp(context, id, 'setup', { setup: norm('setup') });
  const counts = machine ? countsOf(machine, step) : 'pieces';
  return ratedHours(context, station, setup, counts, paceFigure(context, station));
}

/** Guillotine: piles of a lift's height, cut and turned by the programme of the layout. Source: handbook chapter 7. */
function liftHours(context: TimeContext, { step, id, layout, incoming, norm }: Station): number {
  const { book, norms } = context;
  const caliper = book.give(`${id}.caliper`, 'Caliper of what is cut', incoming?.caliperUm ?? 0, 'um', IDENTITY);
  const height = norm('liftHeight');
  const perLift = sheetsPerLift(book.value(height), book.value(caliper), step.perLift);
  const told =
    step.perLift === undefined
      ? undefined
      : { told: book.give(`${id}.perLift`, 'Sheets in a counted pile', step.perLift, 'sheets', GIVEN) };
  const most = 'max(1, floor(height * 1000 / caliper))';
  const sheets = book.reckon(
    `${id}.sheetsPerLift`,
    'Sheets a lift',
    perLift,
    'sheets',
    told ? `min(told, ${most})` : most,
    { height, caliper, ...told },
  );
  // Books of a batch are cut in one pile, each with its part of it.
  const batch = batchShare(context.job, norms, book);
  const share = batch?.share ?? 1;
  const lifts = share * ceilRatio(book.value(units(id)) / share, perLift);
  const liftsId = batch
    ? book.reckon(
        `${id}.lifts`,
        'Lifts, its part of the batch',
        lifts,
        'lifts',
        'share * ceil(units / share / sheets)',
        {
          units: units(id),
          sheets,
          share: batch.figure,
        },
      )
    : book.reckon(`${id}.lifts`, 'Lifts', lifts, 'lifts', 'ceil(units / sheets)', { units: units(id), sheets });
  const work = cutWork(layout, step, norms('cut.leastStrip').value);
  const cutsId = book.give(`${id}.cuts`, 'Cuts a lift', work.cuts, 'cuts', PROGRAMME);
  const turnsId = book.give(`${id}.turns`, 'Quarter turns a lift', work.quarterTurns, 'turns', PROGRAMME);
  const inputs = {
    setup: setUp(context, id, 'setup', { setup: norm('setup') }),
    lifts: liftsId,
    minutes: norm('minutesPerLift'),
    cuts: cutsId,
    seconds: norm('secondsPerCut'),
    turns: turnsId,
    turn: giveNorm(book, norms, 'cut.turnSeconds'),
    efficiency: norm('efficiency'),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const lift = {
    setupHours: v('setup'),
    minutesPerLift: v('minutes'),
    secondsPerCut: v('seconds'),
    secondsPerTurn: v('turn'),
    efficiency: v('efficiency'),
  };
  const hours = liftTime(lift, lifts, work.cuts, work.quarterTurns);
  book.reckon(
    `${id}.hours`,
    'Machine hours',
    hours,
    'h',
    'setup + lifts * (minutes + (cuts * seconds + turns * turn) / 60) / 60 / efficiency',
    inputs,
  );
  return hours;
}

/** Folder and folder-gluer: pieces an hour by belt speed and sheet length, no more than the machine's limit. Source: handbook chapter 7. */
function beltHours(context: TimeContext, station: Station): number {
  const { book } = context;
  const { step, id, layout, incoming, machine, norm } = station;
  const lengthM = Math.max(incoming?.widthMm ?? 0, incoming?.heightMm ?? 0) / 1000;
  const length = book.give(`${id}.length`, 'Length of the sheet in the folder', lengthM, 'm', IDENTITY);
  const belt = { belt: norm('beltSpeed'), gap: norm('gap'), most: norm('speed'), length };
  const rate = beltRate(book.value(belt.most), book.value(belt.belt), lengthM, book.value(belt.gap));
  const counts = machine ? MACHINE_COUNTS[machine.process] : 'pieces';
  const name = counts === 'blanks' ? 'Blanks an hour' : 'Sheets an hour';
  const rateId = book.reckon(`${id}.rate`, name, rate, `${counts}/h`, 'min(most, 60 * belt / (length + gap))', belt);
  const setup =
    step.operation === 'fold'
      ? setUp(context, id, 'setup + each * folds', {
          setup: norm('setup'),
          each: norm('setupPer'),
          folds: book.give(`${id}.foldCount`, 'Folds', foldsOf(step, layout), 'folds', IDENTITY),
        })
      : setUp(context, id, 'setup', { setup: norm('setup') });
  return ratedHours(context, station, setup, counts, rateId);
}

const BY_MODEL = { press: pressHours, rate: rateHours, lifts: liftHours, belt: beltHours };

function stepTime(context: TimeContext, step: Step): StepTime {
  const machine: Machine | undefined = context.machines.get(step.id);
  const incoming = context.jobFlow.materials.get(takenBy(step)[0]?.material ?? '');
  // What is still one component is laid as that, whoever works on it.
  const layout = context.layouts.get(step.component ?? incoming?.component ?? '');
  const station: Station = {
    step,
    machine,
    layout: layoutAt(step, layout, machine),
    id: `step.${step.id}`,
    incoming,
    norm: (key) => giveNorm(context.book, context.norms, `machine.${machine?.id ?? ''}.${key}`),
  };
  const { time } = OPERATION_RULES[step.operation];
  if (time === 'lag') return { ...NO_TIME, lagHours: lagFigure(context, station) };
  if (isInLine(step, layout)) {
    context.book.give(`${station.id}.hours`, 'Machine hours', 0, 'h', IN_LINE);
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
  const { job, book } = context;
  const steps = new Map(job.route.map((step) => [step.id, stepTime(context, step)]));
  const timed = job.route.filter(({ id }) => book.figures[`step.${id}.hours`]);
  const inputs = table(timed.map(({ id }, i) => [`h${i + 1}`, `step.${id}.hours`]));
  const hours = timed.reduce((sum, { id }) => sum + book.value(`step.${id}.hours`), 0);
  book.reckon('total.hours', 'Machine hours', hours, 'h', Object.keys(inputs).join(' + ') || '0', inputs);
  return { steps, hours, leadHours: leadFigures(context, steps) };
}
