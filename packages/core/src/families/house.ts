import type { Assembly, OddPlace } from '../imposition/index.js';
import { type Issue, error } from '../kernel/index.js';
import { HOUSE_ODD, type NormLookup, normsOf } from '../norms/index.js';
import type { PrintProcess } from '../press/index.js';
import { type MachineProcess, type Operation, OPERATION_RULES } from '../route/index.js';
import {
  type Machine,
  type Stock,
  type Works,
  BOARD_CUTTER,
  SHIPPED_WORKS,
  inUse,
  printingOf,
} from '../works/index.js';
import type { AskedFamily, FamilyAnswers, FamilyRule, PressKind } from './answers.js';
import { FAMILY_RULES } from './family-rules.js';
import { pressesFor, stocksFor } from './offers.js';

/** Where the section of odd size stands in this house. */
export function houseOddPlace(works: Works, assembly: Assembly): OddPlace {
  const norm = assembly === 'nested' ? 'house.oddNested' : 'house.oddGathered';
  return HOUSE_ODD[assembly][normsOf(works, {})(norm).value] ?? HOUSE_ODD[assembly][0];
}

/** Side of a carton's blank that its grain runs along in this house: across the body creases, or along them. */
export const cartonGrainOf = (norms: NormLookup): 'width' | 'height' =>
  norms('house.cartonGrain').value === 0 ? 'width' : 'height';

/** Whether a works does an operation: what wants no machine anybody does. */
export function doneHere(works: Works, operation: Operation): boolean {
  const { process } = OPERATION_RULES[operation];
  return process === undefined || inUse(works.machines).some((machine) => machine.process === process);
}

/** What boards and cloth are laid and cut on; the shipped one's id where the works has none, for the plan to say so. */
export const boardCutter = (works: Works): string =>
  inUse(works.machines).find(({ press }) => press?.units === 0)?.id ?? BOARD_CUTTER.id;

/** A machine of a kind that is as wanted; none where the works has none such, so that any of its kind does. */
export const wantedMachine = (
  works: Works,
  process: MachineProcess,
  isWanted: (machine: Machine) => boolean,
): { readonly machine?: string } => {
  const found = inUse(works.machines).find((machine) => machine.process === process && isWanted(machine));
  return found ? { machine: found.id } : {};
};

/** The first press that prints so; an id that no machine has where there is none, for the plan to say so. */
export const pressPrinting = (works: Works, printing: PrintProcess, isWanted = (_: Machine): boolean => true): string =>
  inUse(works.machines).find((machine) => machine.press && printingOf(machine) === printing && isWanted(machine))?.id ??
  printing;

/** Papers that a family takes beside those that it asks for, as the shipped works has them. Source: common practice, no source. */
export const HOUSE_STOCKS = { board: 'greyboard-1500', cloth: 'cloth-190', endpaper: 'endpaper-140' } as const;

const shipped = (id: string | undefined): Stock | undefined => SHIPPED_WORKS.stocks.find((stock) => stock.id === id);

/** Times that one weighs the other. */
const far = (one: Stock, other: Stock): number => Math.max(one.gsm / other.gsm, other.gsm / one.gsm);

/** What counts as much as weighing twice as much: another surface; corrugated board for paper, or the reverse. Source: common practice, no source. */
const unlike = (one: Stock, other: Stock): number =>
  far(one, other) +
  Number(one.coated !== other.coated) +
  2 * Number((one.flutes === undefined) !== (other.flutes === undefined));

/** The one of some stocks that is most like a shipped one: that itself where it is among them. */
const likest = (offered: readonly Stock[], id: string | undefined): Stock | undefined => {
  const wanted = shipped(id);
  const [best] = wanted ? [...offered].sort((a, b) => unlike(a, wanted) - unlike(b, wanted)) : offered;
  return offered.find((stock) => stock.id === id) ?? best;
};

/** A stock that weighs more times as much, or as little, does not stand for another. Source: common practice, no source. */
const FARTHEST = 1.5;

/** The stock of a works that stands for a shipped one: that itself, or what weighs about the same; none where nothing does. */
export function standIn(works: Works, id: string): Stock | undefined {
  const found = likest(
    inUse(works.stocks).filter(({ sheets }) => sheets.length > 0),
    id,
  );
  const wanted = shipped(id);
  return found && wanted && (found.id === id || far(found, wanted) <= FARTHEST) ? found : undefined;
}

/** Presses in words, as somebody would look for one. */
const PRESS_WORDS: Readonly<Record<PressKind, string>> = {
  sheet: $localize`press for sheets`,
  'cut-off web': $localize`web press with a fixed cut-off`,
  'cylinder web': $localize`web press with changeable cylinders`,
  gravure: $localize`gravure press`,
  case: $localize`flexo press for sheets of board`,
  digital: $localize`press without plates`,
  envelope: $localize`press for sheets or envelopes`,
};

/** Processes that a family prints with, beside those of the press that it is asked for. */
const ALSO_PRINTS: Partial<Readonly<Record<AskedFamily, (answers: FamilyAnswers) => readonly PrintProcess[]>>> = {
  numbered: () => ['screen', 'recessed'],
  stationery: ({ raised }) => [raised === 'powder' ? 'letterpress' : 'recessed'],
};

/** Papers that a family wants whatever it is asked. */
const ALSO_TAKES: Partial<Readonly<Record<AskedFamily, readonly (keyof typeof HOUSE_STOCKS)[]>>> = {
  'case-bound': ['board', 'cloth', 'endpaper'],
};

/**
 * What a works does not have that a family cannot be begun without: a press of its kind, a paper.
 * Issues: `start.no-press`, `start.no-stock`, `job.unknown-machine`, `job.unknown-stock`.
 */
export function missingFor(family: AskedFamily, answers: FamilyAnswers, works: Works): Issue[] {
  const { press: kind, asks, name } = FAMILY_RULES[family];
  const has = (all: readonly { id: string }[], id: string): boolean => all.some((one) => one.id === id);
  const prints = ALSO_PRINTS[family]?.(answers) ?? [];
  const issues: Issue[] = prints
    .filter((printing) => pressPrinting(works, printing) === printing)
    .map((printing) => error('start.no-press', 'press', { press: $localize`press that prints ${printing}` }));
  if (asks.includes('press')) {
    if (pressesFor(kind, works).length === 0)
      issues.push(error('start.no-press', 'press', { press: PRESS_WORDS[kind] }));
    else if (!has(works.machines, answers.press))
      issues.push(error('job.unknown-machine', 'press', { step: name, machine: answers.press }));
  }
  for (const question of ['stock', 'coverStock'] as const) {
    if (!asks.includes(question)) continue;
    const offered = stocksFor(question === 'stock' ? kind : 'sheet', works);
    if (offered.length === 0) issues.push(error('start.no-stock', question, { stock: $localize`paper for it` }));
    else if (!has(works.stocks, answers[question]))
      issues.push(error('job.unknown-stock', question, { component: name, stock: answers[question] }));
  }
  for (const wanted of ALSO_TAKES[family] ?? []) {
    const id = HOUSE_STOCKS[wanted];
    if (!standIn(works, id))
      issues.push(
        error('start.no-stock', 'stock', {
          stock: $localize`${wanted} of about ${shipped(id)?.gsm ?? 0} g/m2 in sheets`,
        }),
      );
  }
  return issues;
}

/** The usual answers of a family, on a press and papers that the works has; an empty id where it has none. */
export function usualIn(family: AskedFamily, works: Works): FamilyRule['usual'] {
  const { usual, press: kind } = FAMILY_RULES[family];
  const presses = pressesFor(kind, works);
  const like = (of: PressKind, id: string | undefined): string => likest(stocksFor(of, works), id)?.id ?? '';
  return {
    ...usual,
    press: (presses.find(({ id }) => id === usual.press) ?? presses[0])?.id ?? '',
    stock: like(kind, usual.stock),
    coverStock: like('sheet', usual.coverStock ?? usual.stock),
  };
}
