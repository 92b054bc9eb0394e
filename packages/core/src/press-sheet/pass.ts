import { STYLE_RULES } from '../press/index.js';
import { OPERATION_RULES, runsInLine } from '../route/index.js';
import { type Machine, type Works, inUse, printingOf } from '../works/index.js';
import type { NormScope, SpoilageKey } from '../norms/index.js';
import type { Step, Unordered } from '../job/index.js';
import type { ComponentLayout } from './component-layout.js';
import { webOf } from './web-layout.js';

/** Passes through a press: printed, or printed again on another press. */
export const isPass = ({ operation }: Pick<Step, 'operation'>): boolean =>
  operation === 'print' || operation === 'overprint';

/** The layout that a step works by: on the machine of the step where a sheet is printed again on another press. */
export const layoutAt = (
  step: Step,
  layout: ComponentLayout | undefined,
  machine: Machine | undefined,
): ComponentLayout | undefined =>
  layout && machine && step.operation === 'overprint' ? { ...layout, machine } : layout;

/** Colours that a pass lays down; both sides counted where it perfects. */
export function passColours(step: Step, { component }: ComponentLayout): number {
  if (step.operation === 'overprint') return step.inks?.length ?? 1;
  const [front, back] = [component.front.length, component.back.length];
  if (step.side === 'both') return front + back;
  return step.side === 'back' ? back : front;
}

/** Whether a print pass uses the plates of the pass before it. */
export const usesSamePlates = (step: Step, { component }: ComponentLayout): boolean =>
  step.operation === 'print' && step.side === 'back' && STYLE_RULES[component.workStyle].samePlates;

/** Whether a component is printed without plates. */
export const isPlateless = ({ machine }: ComponentLayout): boolean => machine.press?.plateless === true;

/** Whether a press of the works prints without plates. */
export const isPlatelessPress = (works: Works, pressId: string): boolean =>
  works.machines.find(({ id }) => id === pressId)?.press?.plateless === true;

/** Sides that a print pass prints, for presses that are charged and timed by the side. */
export const sidesOf = (step: Step): number => (step.side === 'both' ? 2 : 1);

/** Most small plates locked up in one form. Source: handbook chapter 4 "page-wise forms". */
const MOST_POSITIONS = 64;

/**
 * Carriers that one colour of one side takes: none on digital presses, several where they stand on a web's cylinder, one
 * for each position of a page-wise form. Source: identity, handbook chapter 4 "Image carriers".
 */
export function carriersPerColour(layout: ComponentLayout): number {
  const { machine, pattern, section } = layout;
  const web = webOf(machine);
  const printing = printingOf(machine);
  if (printing === 'digital') return 0;
  if (printing === 'letterpress') return Math.min(MOST_POSITIONS, pattern.count * (section?.outer.length ?? 1));
  return web ? web.platesAcross * web.platesAround : 1;
}

/** Plates hung for a print pass. */
export const platesHung = (step: Step, layout: ComponentLayout): number =>
  usesSamePlates(step, layout) ? 0 : passColours(step, layout) * carriersPerColour(layout);

/** Whether a press's speed is told in metres a minute, and what it loses at a splice in metres. */
export const runsByMetres = ({ machine }: ComponentLayout): boolean =>
  machine.process === 'narrow-web' || machine.process === 'inkjet-web';

/** Whether a step is done by the press of its component in one go with printing: its set-up, speed and spoils are the press's. */
export const isInLine = ({ operation, machine }: Step, layout: ComponentLayout | undefined): boolean =>
  layout !== undefined &&
  (machine === undefined || machine === layout.machine.id) &&
  runsInLine(layout.machine.process, operation);

/** Norms that an operation's spoilage goes by. */
export function spoilageKey(step: Step, layout: ComponentLayout | undefined): SpoilageKey {
  const { operation } = step;
  if (operation !== 'print' && operation !== 'overprint') return operation;
  if (layout && isPlateless(layout)) return 'print-digital';
  const printing = layout && printingOf(layout.machine);
  if (printing === 'gravure' || printing === 'screen' || printing === 'recessed') return `print-${printing}`;
  if (printing === 'flexo') return 'print-narrow';
  if (layout && webOf(layout.machine)) return 'print-web';
  if (step.side === 'both') return 'print-perfect';
  return layout && usesSamePlates(step, layout) ? 'print-second' : 'print-side';
}

/** The machine of a step: its own, the component's press, or the first of the works that can do it. */
export function machineOf(step: Step, layout: ComponentLayout | undefined, works: Works): Machine | undefined {
  if (step.machine) return works.machines.find(({ id }) => id === step.machine);
  if (step.operation === 'print') return layout?.machine;
  if (isInLine(step, layout)) return layout?.machine;
  const { process } = OPERATION_RULES[step.operation];
  // What is laid on a cutter is cut there.
  if (process && layout?.machine.process === process) return layout.machine;
  return process && inUse(works.machines).find((machine) => machine.process === process);
}

/** Machines of a works that may do a step: those of its process, and the press of its component that does it in line. */
export function machinesFor({ components }: Unordered, works: Works, step: Step): readonly Machine[] {
  const { process } = OPERATION_RULES[step.operation];
  const press = components.find(({ id }) => id === step.component)?.press;
  return works.machines.filter(
    (machine) => machine.process === process || (machine.id === press && runsInLine(machine.process, step.operation)),
  );
}

/** What the norms of a step may be told for: its machine and its stock; its run where that is known. */
export const scopeOf = (
  machine: Machine | undefined,
  layout: ComponentLayout | undefined,
  run?: number,
): NormScope => ({
  machine: machine?.id,
  coated: layout?.stock.coated,
  run,
});
