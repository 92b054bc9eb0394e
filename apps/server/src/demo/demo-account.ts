import { type RoomCard, type RoomEntry, samplingPlan } from '@druckerei/core';
import type { LogEntry } from './demo-log.js';

/** Who of the demo enters something: two people look at each other. */
export interface AccountLogEntry extends LogEntry {
  readonly who: 'operator' | 'manager';
}

const BAGS_AT = 'Strong room, shelf 2';

/** Spoils of each station in a log. */
function spoiledIn(log: readonly LogEntry[]): ReadonlyMap<string, number> {
  const spoiled = new Map<string, number>();
  for (const { event } of log)
    if (event.kind === 'spoiled') spoiled.set(event.step, (spoiled.get(event.step) ?? 0) + event.count);
  return spoiled;
}

/** Lots that were looked at by their plan before each station was closed, and the piles of documents behind the guillotine. */
function looksAndPiles(log: readonly LogEntry[], { accountable, sampling, steps }: RoomCard): LogEntry[] {
  const cut = steps.find(({ operation }) => operation === 'cut')?.id;
  return log.flatMap(({ minute, event }): LogEntry[] => {
    if (event.kind !== 'good') return [];
    const { step, count } = event;
    const { aql, level } = sampling;
    const plan = samplingPlan({ lot: count, aql, level }, sampling.table);
    const looked = { kind: 'inspected', step, lot: count, faulty: 0, aql, level } as const;
    const pile = accountable?.pile ?? count;
    const piles = step === cut ? Math.ceil(count / pile) : 0;
    return [
      ...(plan.ok ? [{ minute, event: { ...looked, sample: plan.value.n } }] : []),
      ...Array.from({ length: piles }, (_, i) => ({
        minute,
        event: {
          ...({ kind: 'handed-on', step, pile: `${step}/${i + 1}` } as const),
          count: Math.min(pile, count - i * pile),
        },
      })),
    ];
  });
}

/**
 * What the demo's people entered of accountable work beside a log of its stations: paper issued and given back, every spoil in a
 * bag that two counted, lots looked at, documents in piles, numbers voided and made again, the bags destroyed. The second witness signs
 * behind it. Invented.
 */
export function accountLogOf(log: readonly LogEntry[], card: RoomCard): AccountLogEntry[] {
  const end = log.at(-1)?.minute ?? 0;
  const paper = { of: 'paper', item: 'Document paper, 100 sheets a pack' } as const;
  const entries: AccountLogEntry[] = [];
  const put = (who: AccountLogEntry['who'], minute: number, event: RoomEntry): void => {
    entries.push({ who, minute, event });
  };
  for (const { minute, event } of looksAndPiles(log, card)) put('operator', minute, event);
  const first = log.find(({ event }) => event.kind === 'taken-in')?.event;
  const [step, sheets] = first?.kind === 'taken-in' ? [first.step, first.count] : [undefined, 0];
  put('manager', 0, { kind: 'issued', ...paper, step, count: sheets + 12, to: 'Press hall', place: 'Press hall' });
  put('operator', 1, { kind: 'issued', of: 'numbers', item: '100001 to 112000', count: 12_000, to: 'Numbering' });
  let n = 0;
  for (const [at, count] of spoiledIn(log)) {
    n++;
    put('operator', end + n, { kind: 'bagged', step: at, bag: `B-${n}`, count, seal: `S-44${n}`, place: BAGS_AT });
    put('manager', end + n + 20, { kind: 'recounted', bag: `B-${n}`, count });
  }
  put('operator', end + 45, { kind: 'voided', step: 'number', numbers: ['100417', '101208'], reason: 'smudged' });
  put('operator', end + 60, { kind: 'remade', numbers: ['100417', '101208'], as: [] });
  put('operator', end + 70, {
    kind: 'returned',
    of: 'numbers',
    item: '100001 to 112000',
    count: 12_000,
    from: 'Numbering',
  });
  put('manager', end + 75, { kind: 'returned', ...paper, step, count: 12, from: 'Press hall', place: 'Paper vault' });
  put('manager', end + 80, { kind: 'carried', what: 'Bags B-1 and on', from: BAGS_AT, to: 'Yard' });
  const bags = Array.from({ length: n }, (_, i) => `B-${i + 1}`);
  put('manager', end + 90, { kind: 'destroyed', bags, how: 'shredded', place: 'Yard' });
  return entries;
}
