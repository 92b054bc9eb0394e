import type { BalancedStep, StationTally } from '../book/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { AccountEntry, Accountable } from './entry.js';
import { type AccountState, agreed, looseAt, outWith } from './ledger.js';

/** What the gates of accountable work look at. */
export interface AccountContext {
  readonly rules: Accountable | undefined;
  readonly state: AccountState;
  readonly steps: readonly BalancedStep[];
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

function recounting({ state, by }: AccountContext, { bag }: Of<'recounted'>): Issue[] {
  const found = state.bags.get(bag);
  if (!found) return [error('account.no-bag', 'bag', { bag })];
  if (found.destroyed !== undefined) return [error('account.gone', 'bag', { bag })];
  return found.counts.at(-1)?.by === by ? [error('account.same-person', 'bag', { by: by ?? '' })] : [];
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
  const { rules, state, steps } = context;
  if (!rules) return [error('account.not-accountable', 'kind')];
  switch (entry.kind) {
    case 'returned': {
      const most = outWith(state, entry.of, entry.item, entry.from);
      return entry.count > most
        ? [error('account.above-out', 'count', { person: entry.from, count: entry.count, most })]
        : [];
    }
    case 'bagged':
      return bagging(context, entry);
    case 'recounted':
      return recounting(context, entry);
    case 'destroyed':
      return destroying(context, entry);
    case 'witnessed':
      return witnessing(context, entry);
    case 'voided':
      if (!steps.some(({ id }) => id === entry.step))
        return [error('room.unknown', 'step', { what: 'step', id: entry.step })];
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
 * What keeps a station of accountable work open: what came was not counted, a difference was explained away, spoils lie beside no
 * bag, or numbers that were voided are not made again. @param last nothing comes behind it.
 */
export function accountOpen(
  { rules, state, tallyOf }: AccountContext,
  { id, name }: BalancedStep,
  last: boolean,
): Issue[] {
  if (!rules) return [];
  const tally = tallyOf(id);
  const loose = looseAt(state, id, tally);
  const missing = last ? [...state.voided.values()].filter(({ remade }) => remade === undefined).length : 0;
  return [
    ...(tally.takenIn.size === 0 ? [error('account.not-counted', 'step', { step: name })] : []),
    ...(tally.explained !== 0 ? [error('account.difference', 'step', { step: name, pieces: tally.explained })] : []),
    ...(loose !== 0 ? [error('account.unbagged', 'step', { step: name, units: loose })] : []),
    ...(missing > 0 ? [error('account.not-remade', 'step', { numbers: missing })] : []),
  ];
}
