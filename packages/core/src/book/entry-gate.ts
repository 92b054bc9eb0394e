import { type Issue, MINUTE_MS, error } from '../kernel/index.js';
import { SAMPLING_TABLE } from '../quality/index.js';
import { type BalancedStep, openLine, stillToCome } from './balance.js';
import type { StationEntry, StationEntryKind } from './entry.js';
import { type SamplingRules, lotsOf, refuseLot } from './lots.js';
import type { StationPhase, StationTally } from './tally.js';

/** Where a card is older than sampling. */
const USUAL_SAMPLING: SamplingRules = { aql: 1, level: 'II', table: SAMPLING_TABLE };

/** Phases that an entry may be made in; any where it is not named. */
const WHEN: Partial<Readonly<Record<StationEntryKind, readonly StationPhase[]>>> = {
  'setup-begun': ['waiting', 'ready'],
  'setup-done': ['set-up'],
  'run-begun': ['waiting', 'set-up', 'ready'],
  stopped: ['set-up', 'running'],
  resumed: ['stopped'],
  'step-opened': ['closed'],
};

/** Pieces that an entry takes from what was taken in. */
function piecesOf(entry: StationEntry, y: number): number {
  switch (entry.kind) {
    case 'good':
    case 'samples':
      return entry.count;
    case 'spoiled':
      return entry.count * y;
    case 'incident':
      return entry.lost * y;
    default:
      return 0;
  }
}

/** Refuses more out than came in, or than the plan puts through where nobody counted in. */
function aboveIn(entry: StationEntry, step: BalancedStep, tally: StationTally): Issue[] {
  const pieces = piecesOf(entry, step.yield);
  const left = stillToCome(step, tally);
  if (pieces === 0 || pieces <= left + 1e-6) return [];
  const each = entry.kind === 'spoiled' || entry.kind === 'incident' ? step.yield : 1;
  const value = 'count' in entry ? entry.count : pieces;
  const most = Math.max(0, Math.floor(left / each + 1e-6));
  const code = tally.takenIn.size === 0 ? 'book.above-plan' : 'book.above-in';
  return [error(code, entry.kind === 'incident' ? 'lost' : 'count', { step: step.name, value, most })];
}

/** A material that does not come here, or one of several that nobody named. */
function wrongMaterial(
  { material }: { readonly material?: string | undefined },
  { name, takes }: BalancedStep,
): Issue[] {
  const known = takes.map((one) => one.material);
  if (material === undefined ? known.length < 2 : known.includes(material)) return [];
  return [error('book.material', 'material', { step: name, material: material ?? '', known: known.join(', ') })];
}

/**
 * What keeps an entry out of a station's book. Issues: `book.*`.
 * Source: handbook chapter 9: more cannot go out than came in; a station is closed when its balance is nil or explained.
 */
export function refuseEntry(
  entry: StationEntry,
  step: BalancedStep,
  tally: StationTally,
  rules: SamplingRules = USUAL_SAMPLING,
): Issue[] {
  const { name } = step;
  if (tally.phase === 'closed' && entry.kind !== 'step-opened') return [error('book.closed', 'step', { step: name })];
  if (WHEN[entry.kind]?.includes(tally.phase) === false)
    return [error('book.sequence', 'kind', { step: name, now: tally.phase, entry: entry.kind })];
  switch (entry.kind) {
    case 'taken-in': {
      const twice = entry.pile !== undefined && tally.pilesIn.has(entry.pile);
      return twice ? [error('book.pile-twice', 'pile', { step: name, pile: entry.pile })] : wrongMaterial(entry, step);
    }
    case 'left-over':
      return wrongMaterial(entry, step);
    case 'handed-on':
      return tally.pilesOut.has(entry.pile) ? [error('book.pile-twice', 'pile', { step: name, pile: entry.pile })] : [];
    case 'inspected':
    case 'sorted':
      return refuseLot(entry, tally, rules);
    case 'step-closed': {
      const { unsorted } = lotsOf(tally, rules);
      if (unsorted > 0) return [error('quality.unsorted', 'step', { step: name, lots: unsorted })];
      const open = openLine(step, tally);
      return open ? [error('book.balance', 'step', { step: name, difference: open.difference })] : [];
    }
    default:
      return aboveIn(entry, step, tally);
  }
}

/** Minutes that a clock may go ahead of the server's. Source: decided by us. */
const AHEAD_MINUTES = 2;

/** Refuses what has not happened yet. @param at when it happened, @param now both ms since 1970 UTC. */
export const refuseTime = (at: number, now: number): Issue[] =>
  at > now + AHEAD_MINUTES * MINUTE_MS
    ? [error('book.future', 'at', { minutes: Math.round((at - now) / MINUTE_MS) })]
    : [];
