import { type BalancedStep, type StationEntry, type StationTally, allOf } from '../book/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { AccountEntry, AccountRules } from './entry.js';
import { issuesOpen } from './issued.js';
import { type AccountState, agreed, looseAt, outWith } from './ledger.js';
import type { AccountStep } from './worth.js';

/** What the gates of accountable work look at. */
export interface AccountContext {
  readonly rules: AccountRules | undefined;
  readonly state: AccountState;
  readonly steps: readonly AccountStep[];
  readonly tallyOf: (step: string) => StationTally;
  /** Who enters it; nobody is held against another where it is not known. */
  readonly by: string | undefined;
}

type Of<Kind extends AccountEntry['kind']> = Extract<AccountEntry, { kind: Kind }>;

function bagging({ state, steps, tallyOf }: AccountContext, { step, bag, seal, count }: Of<'bagged'>): Issue[] {
  const station = steps.find(({ id }) => id === step);
  if (!station) return [error('room.unknown', 'step', { what: 'step', id: step })];
  const most = looseAt(state, step, tallyOf(step));
  return [
    ...(state.bags.has(bag) ? [error('account.bag-twice', 'bag', { bag })] : []),
    ...([...state.bags.values()].some((one) => one.seal === seal)
      ? [error('account.seal-twice', 'seal', { seal })]
      : []),
    ...(count > most ? [error('account.above-spoiled', 'count', { step: station.name, count, most })] : []),
  ];
}

function recounting({ state, steps, tallyOf, by }: AccountContext, { bag, count }: Of<'recounted'>): Issue[] {
  const found = state.bags.get(bag);
  if (!found) return [error('account.no-bag', 'bag', { bag })];
  if (found.destroyed !== undefined) return [error('account.gone', 'bag', { bag })];
  const last = found.counts.at(-1);
  if (last?.by === by) return [error('account.same-person', 'bag', { by: by ?? '' })];
  const most = (last?.count ?? 0) + looseAt(state, found.step, tallyOf(found.step));
  const step = steps.find(({ id }) => id === found.step)?.name ?? found.step;
  return count > most ? [error('account.above-spoiled', 'count', { step, count, most })] : [];
}

/** A station that does not exist, where one is named. */
const unknownStep = ({ steps }: AccountContext, step: string | undefined): Issue[] =>
  step === undefined || steps.some(({ id }) => id === step)
    ? []
    : [error('room.unknown', 'step', { what: 'step', id: step })];

/** What comes back to no station that it was not issued for. */
function returning(context: AccountContext, { of, item, from, count, step }: Of<'returned'>): Issue[] {
  const { state } = context;
  const most = outWith(state, of, item, from);
  if (count > most) return [error('account.above-out', 'count', { person: from, count, most })];
  const there = step === undefined ? Infinity : (state.atSteps.get(step)?.get(of) ?? 0);
  return count > there ? [error('account.above-out', 'count', { person: step ?? '', count, most: there })] : [];
}

function destroying({ state }: AccountContext, { bags }: Of<'destroyed'>): Issue[] {
  return bags.flatMap((bag, i): Issue[] => {
    const path = `bags[${i}]`;
    const found = state.bags.get(bag);
    if (!found || bags.indexOf(bag) < i) return [error('account.no-bag', path, { bag })];
    if (found.destroyed !== undefined) return [error('account.gone', path, { bag })];
    return agreed(found) === undefined ? [error('account.not-agreed', path, { bag })] : [];
  });
}

function witnessing({ state, by }: AccountContext, { record }: Of<'witnessed'>): Issue[] {
  const found = state.destructions.get(record);
  if (!found) return [error('account.no-destruction', 'record', { record })];
  return found.witnesses.some((one) => one.by === by) ? [error('account.same-person', 'record', { by: by ?? '' })] : [];
}

const twice = (numbers: readonly string[], number: string, i: number): boolean => numbers.indexOf(number) < i;

function remaking({ state, rules }: AccountContext, { numbers, as }: Of<'remade'>): Issue[] {
  const wrong = numbers.flatMap((number, i) => {
    const found = state.voided.get(number);
    return found && found.remade === undefined && !twice(numbers, number, i)
      ? []
      : [error('account.not-voided', `numbers[${i}]`, { number })];
  });
  const wanted = rules?.remake === 'new' ? numbers.length : 0;
  if (as.length !== wanted) return [...wrong, error('account.remake', 'as', { wanted, given: as.length })];
  const used = new Set([...state.voided.values()].flatMap(({ number, remade }) => [number, remade ?? number]));
  return [
    ...wrong,
    ...as.flatMap((number, i) =>
      used.has(number) || twice(as, number, i) ? [error('account.number-used', `as[${i}]`, { number })] : [],
    ),
  ];
}

/** What keeps an entry out of the book of accountable work. Issues: `account.*`. Source: handbook chapter 9 "Accountable work". */
export function refuseAccount(context: AccountContext, entry: AccountEntry): Issue[] {
  const { rules, state } = context;
  if (!rules) return [error('account.not-accountable', 'kind')];
  switch (entry.kind) {
    case 'issued':
      return unknownStep(context, entry.step);
    case 'returned':
      return [...unknownStep(context, entry.step), ...returning(context, entry)];
    case 'bagged':
      return bagging(context, entry);
    case 'recounted':
      return recounting(context, entry);
    case 'destroyed':
      return destroying(context, entry);
    case 'witnessed':
      return witnessing(context, entry);
    case 'voided':
      if (unknownStep(context, entry.step).length > 0) return unknownStep(context, entry.step);
      return entry.numbers.flatMap((number, i) =>
        state.voided.has(number) || twice(entry.numbers, number, i)
          ? [error('account.number-used', `numbers[${i}]`, { number })]
          : [],
      );
    case 'remade':
      return remaking(context, entry);
    default:
      return [];
  }
}

/**
 * What keeps a pile of accountable work from being handed on: it holds exactly what a pile holds, the last one what is left of all that
 * is good. Source: handbook chapter 7 "Guillotine".
 */
export function pileGate(
  { rules, tallyOf }: AccountContext,
  { step, count }: Extract<StationEntry, { kind: 'handed-on' }>,
): Issue[] {
  if (!rules) return [];
  const { good, pilesOut } = tallyOf(step);
  const left = good - allOf(pilesOut);
  if (count > left) return [error('account.pile-above-good', 'count', { count, left })];
  return count === rules.pile || (count < rules.pile && count === left)
    ? []
    : [error('account.pile', 'count', { count, pile: rules.pile, left })];
}

/** Pieces of the next pile: a full one, or what is left of the good ones; 0 where nothing is. @param pile pieces of a full one. */
export const nextPile = (pile: number, { good, pilesOut }: Pick<StationTally, 'good' | 'pilesOut'>): number =>
  Math.max(0, Math.min(pile, good - allOf(pilesOut)));

/** What was not looked at of what a station gives out, where the job wants it looked at. */
function unlooked({ rules, tallyOf }: AccountContext, { id, name }: BalancedStep): Issue[] {
  if (!rules?.inspect) return [];
  const { good, lots } = tallyOf(id);
  const all = rules.inspect === 'all';
  const seen = lots.reduce((sum, { lot, sample }) => sum + (all && sample < lot ? 0 : lot), 0);
  if (seen >= good) return [];
  return [error(all ? 'account.not-all-inspected' : 'account.not-inspected', 'step', { step: name, seen, good })];
}

/**
 * What keeps a station of accountable work open: what came was not counted, a difference was explained away, spoils lie beside no
 * bag, what was issued for it is not accounted for, piles hold less than is good, lots were not looked at, or numbers that were voided
 * are not made again. @param last nothing comes behind it.
 */
export function accountOpen(context: AccountContext, step: AccountStep, last: boolean): Issue[] {
  const { rules, state, tallyOf } = context;
  if (!rules) return [];
  const { id, name } = step;
  const tally = tallyOf(id);
  const loose = looseAt(state, id, tally);
  const missing = last ? [...state.voided.values()].filter(({ remade }) => remade === undefined).length : 0;
  const piled = allOf(tally.pilesOut);
  return [
    ...(tally.takenIn.size === 0 ? [error('account.not-counted', 'step', { step: name })] : []),
    ...(tally.explained !== 0 ? [error('account.difference', 'step', { step: name, pieces: tally.explained })] : []),
    ...(loose !== 0 ? [error('account.unbagged', 'step', { step: name, units: loose })] : []),
    ...issuesOpen(state, step, tally),
    ...(piled > 0 && piled !== tally.good
      ? [error('account.piles', 'step', { step: name, piled, good: tally.good })]
      : []),
    ...unlooked(context, step),
    ...(missing > 0 ? [error('account.not-remade', 'step', { numbers: missing })] : []),
  ];
}
