import {
  type NumberLine,
  type NumberPlan,
  type Voided,
  numberLines,
  readSkips,
  replaceVoids,
  runNumber,
} from '../finishing/index.js';
import { type Job, figureId } from '../job/index.js';
import type { Plan } from '../plan/index.js';
import { numberPlanOf, numberingOf } from '../prepress/index.js';
import { type Shape, piecesOn } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Most numbers of a list that is made at once. */
const MOST_NUMBERS = 1_000_000;

/** Whether a number is one that the run prints. */
const isInRun = (number: number, count: number, plan: NumberPlan): boolean => {
  const [low, high] = [plan.first, runNumber(count - 1, plan)].sort((a, b) => a - b);
  const steps = (number - plan.first) / plan.step;
  return Number.isInteger(steps) && number >= (low ?? 0) && number <= (high ?? 0) && !plan.skips.includes(number);
};

/**
 * Voided numbers of a run of so many, each with the one from behind the run that takes its place, and those that the run
 * never had; undefined where the list cannot be read.
 */
export function voidsOf(
  job: Job,
  count: number,
): { readonly voids: readonly Voided[]; readonly strange: readonly number[] } | undefined {
  const told = readSkips(numberingOf(job)?.voids ?? '');
  if (!told) return undefined;
  const plan = numberPlanOf(job);
  const own = told.filter((one) => isInRun(one, count, plan));
  return { voids: replaceVoids(own, count, plan), strange: told.filter((one) => !own.includes(one)) };
}

/** Every number of a numbering station, sheet by sheet; undefined where the step numbers nothing or too much for a list. */
export function numberList(job: Job, plan: Plan, stepId: string): readonly NumberLine[] | undefined {
  const step = plan.steps.find(({ id }) => id === stepId);
  const layout = plan.layouts[step?.component ?? ''];
  if (step?.operation !== 'number' || !layout) return undefined;
  const { count } = layout.pattern;
  if (step.needsOut * count > MOST_NUMBERS) return undefined;
  const voids = new Map(
    voidsOf(job, step.needsOut * count)?.voids.map(({ printed, replacedBy }) => [printed, replacedBy]),
  );
  return numberLines(numberPlanOf(job), step.needsOut, count, 0, step.needsOut).map((line) => {
    const replacedBy = voids.get(line.printed);
    return replacedBy === undefined ? line : { ...line, replacedBy };
  });
}

/** Most sheets of the list that a card shows; the whole list is a file. */
const LISTED = 3;

/** Numbering: boxes, order over positions and sheets, check characters. Source: handbook chapter 7 "Numbering". */
export function numberSheet(sheet: SheetBook): void {
  const { layout, planned } = sheet;
  const plan = numberPlanOf(sheet.job);
  const positions = sheet.card(
    sheet.give('positions', $localize`Numbers on the sheet`, layout?.pattern.count ?? 1, 'numbers'),
  );
  const places = numberingOf(sheet.job)?.places ?? 1;
  sheet.show('boxes', $localize`Numbering boxes`, 'boxes', 'positions * places', {
    positions,
    places: sheet.told('places', $localize`Places of a number on one piece`, places, 'places'),
  });
  const sheets = figureId.step(sheet.step.id, 'needsOut');
  sheet.show('numbers', $localize`Numbers of the run`, 'numbers', 'sheets * positions', { sheets, positions });
  sheet.card(sheet.told('first', $localize`First number`, plan.first, ''));
  sheet.card(sheet.told('step', $localize`From number to number`, plan.step, ''));
  const count = planned.needsOut * (layout?.pattern.count ?? 1);
  const voided = voidsOf(sheet.job, count);
  if (!voided) sheet.remark($localize`The voided numbers cannot be read: write them like 7, 100-105.`);
  else {
    const { voids, strange } = voided;
    if (voids.length > 0) {
      sheet.card(sheet.give('voided', $localize`Voided numbers`, voids.length, 'numbers'));
      sheet.list({
        title: $localize`Voided and replaced`,
        heads: [$localize`Void`, $localize`Replaced by`],
        rows: voids.map(({ printed, replacedBy }) => [printed, replacedBy]),
      });
    }
    if (strange.length > 0)
      sheet.remark(
        $localize`Not of this run, so nothing replaces them: ${strange.slice(0, 5).join(', ')}. Look at the list.`,
      );
  }
  if (
    sheet.job.components.every(({ tools = [] }) => tools.every(({ skips }) => readSkips(skips ?? '') !== undefined))
  ) {
    const lines = numberLines(plan, planned.needsOut, layout?.pattern.count ?? 1, 0, LISTED);
    sheet.list({
      title: $localize`First sheets`,
      heads: [$localize`Sheet`, $localize`Position`, $localize`Number`],
      rows: lines.map(({ sheet: at, position, printed }) => [at, position, printed]),
    });
  } else sheet.remark($localize`The numbers left out cannot be read: write them like 7, 100-105.`);
  sheet.remark(
    $localize`Number = first + step x (position x sheets + sheet), counted from 0: each cut pile runs on from the one before, and piles are laid one on another by position. A spoiled sheet is voided with all its numbers, listed and replaced from behind the run.`,
  );
  if (!layout) return;
  const { widthMm, heightMm } = layout.sheet;
  const pieces = piecesOn(layout).map((box, i): Shape => ({
    kind: 'box',
    role: 'piece',
    ...box,
    label: String(i + 1),
  }));
  sheet.draw({
    title: $localize`Positions`,
    widthMm,
    heightMm,
    shapes: [{ kind: 'box', role: 'sheet', x: 0, y: 0, width: widthMm, height: heightMm }, ...pieces],
  });
}
