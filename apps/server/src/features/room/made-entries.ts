import type { CountLines, SentEntries } from '@druckerei/contract';
import { hashOf } from '../../http/hash-of.js';

export type CountLine = CountLines['lines'][number];
export type Entry = SentEntries['entries'][number];

const NO_REASON = 'not told by the list';
const RUN_ENDED = 'end of a run, told by a list';

/** A name of its own for an entry that is always the same for the same line: a list that is taken twice does no harm. */
function uidOf(...parts: readonly (string | number)[]): string {
  const hex = hashOf(JSON.stringify(parts));
  // A UUID of the version that leaves its content to who makes it (RFC 9562).
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** What a line counted, as entries of its station; of lines that are the same the first, the second, and so on. */
export class MadeEntries {
  private readonly seen = new Map<string, number>();

  of(
    job: number,
    step: string,
    at: string,
    begun: string | undefined,
    { good, spoiled, reason = NO_REASON }: CountLine,
  ): Entry[] {
    const events: readonly (readonly [string, Entry['event']])[] = [
      ...(begun === undefined ? [] : [[begun, { kind: 'run-begun', step }] as const]),
      ...(good > 0 ? [[at, { kind: 'good', step, count: good }] as const] : []),
      ...(spoiled > 0 ? [[at, { kind: 'spoiled', step, count: spoiled, reason, during: 'run' }] as const] : []),
      ...(begun === undefined ? [] : [[at, { kind: 'stopped', step, reason: RUN_ENDED }] as const]),
    ];
    return events.map(([when, event]) => {
      const same = JSON.stringify([job, when, event]);
      const nth = (this.seen.get(same) ?? 0) + 1;
      this.seen.set(same, nth);
      return { uid: uidOf(same, nth), at: when, late: true, event };
    });
  }
}
