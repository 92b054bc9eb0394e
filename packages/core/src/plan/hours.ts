import { GIVEN, IDENTITY, ceilRatio, evaluate } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { takenBy } from './build-graph.js';
import type { ComponentLayout } from './component-layout.js';
import { cutWork } from './cutting.js';
import type { Step } from './job.js';
import { beltRate, liftTime, rateTime, sheetsPerLift } from './machine-time.js';
import { washUpsBefore } from './inks.js';
import { leadFigures } from './lead-hours.js';
import { lag } from './lag-hours.js';
import type { Station, StepTime, TimeContext } from './step-time.js';
import { foldsOf } from './material.js';
import { giveNorm, handNorm, isPlateless, platesHung, runsByMetres, sidesOf } from './step-norms.js';

/** Cuts and turns come of the programme that the station shows. */
const PROGRAMME = { label: 'identity', note: 'counted in the cutting programme' } as const;

const units = (id: string) => `${id}.processUnits`;

/** Counts packs: the last one may be part filled. */
function packFigure({ book }: TimeContext, { step, id }: Station): string {
  const perPack = book.give(`${id}.perPack`, 'Pieces in a pack', step.perPack ?? 1, 'pieces', GIVEN);
  const packs = ceilRatio(book.value(`${id}.needsOut`), step.perPack ?? 1);
  return book.reckon(
    `${id}.packs`,
    step.operation === 'box' ? 'Boxes' : 'Packs',
    packs,
    'packs',
    'ceil(pieces / perPack)',
    { pieces: `${id}.needsOut`, perPack },
  );
}

/** Set-up of a station with all that it depends on: the one part of its hours that the run does not change. */
function setUp({ book }: TimeContext, id: string, formula: string, inputs: Readonly<Record<string, string>>): string {
  const value = evaluate(formula, (name) => book.value(inputs[name] ?? ''));
  return book.reckon(`${id}.setupHours`, 'Set-up', value, 'h', formula, inputs);
}

/** A digital press is timed by the side; it hangs no plates. Source: handbook chapter 8. */
function sideHours(context: TimeContext, step: Step, id: string, norm: Station['norm']): number {
  const { book } = context;
  const inputs = {
    setup: setUp(context, id, 'setup', { setup: norm('setup') }),
    speed: norm('speed'),
    efficiency: norm('efficiency'),
    units: units(id),
    sides: book.give(`${id}.sides`, 'Sides of this pass', sidesOf(step), 'sides', IDENTITY),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const hours = rateTime(v('setup'), v('units') * v('sides'), v('speed'), v('efficiency'));
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', 'setup + units * sides / (speed * efficiency)', inputs);
  return hours;
}

/** A narrow web is timed by its speed. Source: handbook chapter 8. */
function webHours(
  context: TimeContext,
  step: Step,
  id: string,
  layout: ComponentLayout,
  norm: Station['norm'],
): number {
  const { book } = context;
  const { heightMm } = layout.component.sheet;
  const plates = platesHung(step, layout);
  const inputs = {
    setup: setUp(context, id, 'setup + each * plates', {
      setup: norm('setup'),
      each: norm('setupPer'),
      plates: book.give(`${id}.platesHung`, 'Plates hung for this pass', plates, 'plates', IDENTITY),
    }),
    speed: norm('speed'),
    efficiency: norm('efficiency'),
    units: units(id),
    repeat: book.give(`component.${layout.component.id}.repeat`, 'Repeat of the cylinder', heightMm, 'mm', IDENTITY),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const metres = (v('units') * heightMm) / 1000;
  const hours = rateTime(v('setup'), metres, 60 * v('speed'), v('efficiency'));
  const formula = 'setup + units * repeat / 1000 / (60 * speed * efficiency)';
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', formula, inputs);
  return hours;
}

function pressHours(context: TimeContext, { step, id, layout, norm }: Station): number {
  const { book } = context;
  if (layout && isPlateless(layout)) return sideHours(context, step, id, norm);
  if (layout && runsByMetres(layout)) return webHours(context, step, id, layout, norm);
  const plates = layout ? platesHung(step, layout) : 0;
  const washes = layout ? washUpsBefore(context.job, context.works, step, layout) : 0;
  const washing =
    washes > 0
      ? {
          washes: book.give(`${id}.washUps`, 'Units washed before this pass', washes, 'wash-ups', IDENTITY),
          wash: giveNorm(book, context.norms, 'press.washUp'),
        }
      : undefined;
  const inputs = {
    setup: setUp(context, id, `setup + each * plates${washing ? ' + washes * wash' : ''}`, {
      setup: norm('setup'),
      each: norm('setupPer'),
      plates: book.give(`${id}.platesHung`, 'Plates hung for this pass', plates, 'plates', IDENTITY),
      ...washing,
    }),
    speed: norm('speed'),
    efficiency: norm('efficiency'),
    units: units(id),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const hours = rateTime(v('setup'), v('units'), v('speed'), v('efficiency'));
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', 'setup + units / (speed * efficiency)', inputs);
  return hours;
}

/** Pieces an hour: told in the job, by the norm of hand work, or by the machine. */
function paceFigure({ book, norms }: TimeContext, { step, id, norm }: Station): string {
  const hand = handNorm(step);
  const pace = hand === undefined ? norm('speed') : giveNorm(book, norms, hand);
  if (step.perHour === undefined) return pace;
  const told = { label: 'set by user', note: 'set in this job' } as const;
  return book.give(`${id}.perHour`, 'Pieces in an hour', step.perHour, 'pieces/h', told, book.value(pace));
}

function rateHours(context: TimeContext, station: Station): number {
  const { book } = context;
  const { step, id, norm } = station;
  const inputs = {
    setup: setUp(context, id, 'setup', { setup: norm('setup') }),
    units: step.perPack === undefined ? units(id) : packFigure(context, station),
    speed: paceFigure(context, station),
    efficiency: norm('efficiency'),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const hours = rateTime(v('setup'), v('units'), v('speed'), v('efficiency'));
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', 'setup + units / (speed * efficiency)', inputs);
  return hours;
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
  const lifts = ceilRatio(book.value(units(id)), perLift);
  const liftsId = book.reckon(`${id}.lifts`, 'Lifts', lifts, 'lifts', 'ceil(units / sheets)', {
    units: units(id),
    sheets,
  });
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
  const hours = liftTime(lift, book.value(units(id)), perLift, work.cuts, work.quarterTurns);
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
function beltHours(context: TimeContext, { step, id, layout, incoming, norm }: Station): number {
  const { book } = context;
  const lengthM = Math.max(incoming?.widthMm ?? 0, incoming?.heightMm ?? 0) / 1000;
  const length = book.give(`${id}.length`, 'Length of the sheet in the folder', lengthM, 'm', IDENTITY);
  const belt = { belt: norm('beltSpeed'), gap: norm('gap'), most: norm('speed'), length };
  const rate = beltRate(book.value(belt.most), book.value(belt.belt), lengthM, book.value(belt.gap));
  const rateId = book.reckon(
    `${id}.rate`,
    'Sheets an hour',
    rate,
    'sheets/h',
    'min(most, 60 * belt / (length + gap))',
    belt,
  );
  const setup =
    step.operation === 'fold'
      ? setUp(context, id, 'setup + each * folds', {
          setup: norm('setup'),
          each: norm('setupPer'),
          folds: book.give(`${id}.foldCount`, 'Folds', foldsOf(step, layout), 'folds', IDENTITY),
        })
      : setUp(context, id, 'setup', { setup: norm('setup') });
  const inputs = { setup, units: units(id), rate: rateId, efficiency: norm('efficiency') };
  const hours = rateTime(book.value(setup), book.value(inputs.units), rate, book.value(inputs.efficiency));
  book.reckon(`${id}.hours`, 'Machine hours', hours, 'h', 'setup + units / (rate * efficiency)', inputs);
  return hours;
}

function stepTime(context: TimeContext, step: Step): StepTime {
  const layout = step.component === undefined ? undefined : context.layouts.get(step.component);
  const machine = context.machines.get(step.id);
  const station: Station = {
    step,
    layout,
    id: `step.${step.id}`,
    incoming: context.materials.get(takenBy(step)[0]?.material ?? ''),
    norm: (key) => giveNorm(context.book, context.norms, `machine.${machine?.id ?? ''}.${key}`),
  };
  const { time } = OPERATION_RULES[step.operation];
  if (time === 'lag') return { hours: 0, lagHours: lag(context, station) };
  if (!machine) return { hours: 0, lagHours: 0 };
  const byModel = { press: pressHours, rate: rateHours, lifts: liftHours, belt: beltHours };
  return { hours: byModel[time](context, station), lagHours: 0 };
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
  const inputs = Object.fromEntries(timed.map(({ id }, i) => [`h${i + 1}`, `step.${id}.hours`]));
  const hours = timed.reduce((sum, { id }) => sum + book.value(`step.${id}.hours`), 0);
  book.reckon('total.hours', 'Machine hours', hours, 'h', Object.keys(inputs).join(' + ') || '0', inputs);
  return { steps, hours, leadHours: leadFigures(context, steps) };
}
