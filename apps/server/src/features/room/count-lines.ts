import type { CountedLines, FieldError } from '@druckerei/contract';
import { type Entries, MOST_TOLD } from '../../http/entries.js';
import { invalid } from '../../http/problem.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';
import { type Author, enterEntries } from './enter.js';
import { ListedJobs } from './listed-jobs.js';
import type { CountLine } from './made-entries.js';

/** Entries that go into one transaction of a job. */
const MOST_AT_ONCE = 5_000;
/** Jobs that are entered beside one another: the next is looked through while the book takes what came of the one before. */
const LANES = 2;

/**
 * Enters what a list counted: every line is looked up first, and none is entered where one names a job or a station that
 * there is not. What the book refuses is held for explaining, as entries are that come late. Issues: 422 by line.
 */
export async function enterCounts(
  bench: Bench,
  account: Author,
  device: string,
  lines: Entries<CountLine>,
): Promise<CountedLines> {
  const { timeZone } = await currentWorks(bench.database);
  const listed = new ListedJobs(bench, timeZone);
  const faults: FieldError[] = [];
  for await (const batch of lines.batches()) {
    lines.tell('looking', batch.first);
    faults.push(...(await listed.take(batch)));
    if (faults.length >= MOST_TOLD) break;
  }
  if (faults.length > 0) throw invalid(faults);
  const told = { entered: 0, known: 0, held: 0 };
  const jobs = listed.all();
  let done = 0;
  const lane = async (): Promise<void> => {
    for (let next = jobs.pop(); next; next = jobs.pop()) {
      const made = next.made();
      for (let at = 0; at < made.length; at += MOST_AT_ONCE) {
        const entries = made.slice(at, at + MOST_AT_ONCE);
        lines.tell('entering', done + Math.min(at, next.count));
        for (const { outcome } of await enterEntries(bench, account, next.id, { device, seen: 0, entries }))
          if (outcome !== 'refused') told[outcome]++;
      }
      done += next.count;
    }
  };
  const ends = await Promise.allSettled(
    Array.from({ length: LANES }, () =>
      lane().catch((error: unknown) => {
        // Nothing more is begun; what the other lane has under way comes to its end first.
        jobs.length = 0;
        throw error;
      }),
    ),
  );
  for (const end of ends) if (end.status === 'rejected') throw end.reason;
  return told;
}
