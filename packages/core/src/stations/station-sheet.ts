import { figureOf } from '../kernel/index.js';
import { figureId, type Job } from '../job/index.js';
import type { Plan } from '../plan/index.js';
import type { Operation } from '../route/index.js';
import type { Works } from '../works/index.js';
import { bindSheet } from './bind-sheet.js';
import { caseInSheet, caseSheet, sewSheet } from './case-sheet.js';
import { gatherSheet, stitchSheet, trimSheet } from './gather-sheet.js';
import { cutSheet } from './cut-sheet.js';
import { dieSheet, filmSheet, foilSheet, windowSheet } from './die-sheet.js';
import { foldSheet, scoreSheet } from './fold-sheet.js';
import { corrugateSheet, envelopeSheet, glueSheet, gumSheet, mountSheet, rewindSheet } from './glue-sheet.js';
import { handSheet, rivetSheet } from './hand-sheet.js';
import { numberSheet } from './number-sheet.js';
import { printSheet } from './print-sheet.js';
import { bandSheet, boxSheet, outsideSheet, palletSheet } from './pack-sheet.js';
import { type StationSheet, SheetBook } from './sheet.js';

/** A station whose counts and hours say all. */
const plain = (): void => undefined;

/** What each station is told beside its counts. Total, so that no operation is forgotten. */
const MAKERS: Readonly<Record<Operation, (sheet: SheetBook) => void>> = {
  print: printSheet,
  corrugate: corrugateSheet,
  laminate: filmSheet,
  foil: foilSheet,
  emboss: foilSheet,
  mount: mountSheet,
  cut: cutSheet,
  'die-cut': dieSheet,
  score: scoreSheet,
  fold: foldSheet,
  window: windowSheet,
  glue: glueSheet,
  envelope: envelopeSheet,
  gum: gumSheet,
  rivet: rivetSheet,
  hand: handSheet,
  inspect: handSheet,
  count: handSheet,
  kit: handSheet,
  gather: gatherSheet,
  sew: sewSheet,
  stitch: stitchSheet,
  bind: bindSheet,
  trim: trimSheet,
  case: caseSheet,
  'case-in': caseInSheet,
  rewind: rewindSheet,
  number: numberSheet,
  band: bandSheet,
  wrap: bandSheet,
  outside: outsideSheet,
  box: boxSheet,
  pallet: palletSheet,
  dry: plain,
  overprint: plain,
  raise: plain,
  coat: plain,
  convert: plain,
  tip: plain,
  spine: plain,
  cool: plain,
  split: plain,
  line: plain,
  press: plain,
};

/** Set-up, run and people of a station. Source: handbook chapter 8. */
function timeFigures(sheet: SheetBook): void {
  const { step, machine, planned } = sheet;
  const hours = figureId.step(step.id, 'hours');
  if (!machine || !figureOf(sheet.plan, hours) || planned.hours === 0) return;
  const crew = sheet.machineNorm('crew');
  const setup = sheet.card(figureId.step(step.id, 'setupHours'));
  sheet.show('runHours', $localize`Run`, 'h', 'hours - setup', { hours, setup });
  sheet.show('peopleHours', $localize`Hours of people`, 'h', 'hours * people', { hours, people: crew });
  const lead = figureOf(sheet.plan, figureId.step(step.id, 'lead'));
  if (lead) sheet.card(lead.id);
  const wait = figureId.step(step.id, 'wait');
  if (planned.waitHours > 0 && figureOf(sheet.plan, wait)) sheet.card(wait);
}

/**
 * What one station of a planned job needs beside its counts: its figures with their working, its drawings to scale and
 * its lists. Pure, and reckoned only when a station is looked at. Undefined where the plan has no such step.
 * Source: handbook chapter 7, figure by figure.
 */
export function stationSheet(job: Job, plan: Plan, works: Works, stepId: string): StationSheet | undefined {
  const step = job.route.find(({ id }) => id === stepId);
  const planned = plan.steps.find(({ id }) => id === stepId);
  if (!step || !planned) return undefined;
  const sheet = new SheetBook(job, plan, works, step, planned);
  MAKERS[step.operation](sheet);
  timeFigures(sheet);
  return sheet.sheet();
}
