import { instantOf, refuseTime, stationNamed } from '@druckerei/core';
import { type CountLines, type CountedLines, type SentEntries, issueText } from '@druckerei/contract';
import { hashOf } from '../../http/hash-of.js';
import { invalid } from '../../http/problem.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';
import { type Author, enterEntries } from './enter.js';

type Entry = SentEntries['entries'][number];
interface Fault {
  readonly path: string;
  readonly message: string;
}

/** Entries that go into one transaction of a job. */
const MOST_AT_ONCE = 500;
const NO_REASON = 'not told by the list';
const RUN_ENDED = 'end of a run, told by a list';

/** A name of its own for an entry that is always the same for the same line: a list that is taken twice does no harm. */
function uidOf(...parts: readonly (string | number)[]): string {
  const hex = hashOf(JSON.stringify(parts));
  // A UUID of the version that leaves its content to who makes it (RFC 9562).
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** What a line counted, as entries of its station; of lines that are the same the first, the second, and so on. */
class Entries {
  private readonly seen = new Map<string, number>();

  of(
    job: number,
    step: string,
    at: string,
    begun: string | undefined,
    { good, spoiled, reason = NO_REASON }: CountLines['lines'][number],
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

/**
 * Enters what a list counted: every line is looked up first, and none is entered where one names a job or a station that
 * there is not. What the book refuses is held for explaining, as entries are that come late. Issues: 422 by line.
 */
export async function enterCounts(bench: Bench, account: Author, { device, lines }: CountLines): Promise<CountedLines> {
  const { database, workshop } = bench;
  const { timeZone } = await currentWorks(database);
  const numbers = JSON.stringify([...new Set(lines.map(({ job }) => job.toLowerCase()))]);
  const rows = await database.many<{ id: number; number: string }>('room/by-numbers', numbers);
  const jobs = new Map<
    string,
    { id: number; steps: Parameters<typeof stationNamed>[0]; problems: readonly string[] }
  >();
  for (const { id, number } of rows) {
    const { card, problems } = await assessmentOf(database, workshop, id);
    jobs.set(number, { id, steps: card?.steps ?? [], problems });
  }
  const entries = new Entries();
  const faults: Fault[] = [];
  const byJob = new Map<number, Entry[]>();
  for (const [i, line] of lines.entries()) {
    const job = jobs.get(line.job.toLowerCase());
    const found = job && stationNamed(job.steps, line.station);
    const instant = (told: string): number =>
      /Z|[+-]\d{2}:\d{2}$/.test(told) ? Date.parse(told) : instantOf(told.slice(0, 16), timeZone);
    const wall = instant(line.at);
    const begun = line.begun === undefined ? undefined : instant(line.begun);
    const [ahead] = refuseTime(wall, Date.now());
    const refuse = (path: string, message: string): void => void faults.push({ path: `lines[${i}].${path}`, message });
    if (!job) refuse('job', `No job has the number ${line.job}. Look at its ticket.`);
    else if (job.problems.length > 0) refuse('job', job.problems.join(' '));
    else if (found === 'none') refuse('station', `Job ${line.job} has no station ${line.station}.`);
    else if (found === 'several')
      refuse('station', `Job ${line.job} has several stations ${line.station}. Name it as the ticket does.`);
    if (ahead) refuse('at', issueText(ahead));
    if (begun !== undefined && begun > wall) refuse('begun', 'The run began after it had ended.');
    if (begun === undefined && line.good + line.spoiled === 0) refuse('good', 'Nothing was counted.');
    if (!job || typeof found !== 'object') continue;
    const own = byJob.get(job.id) ?? [];
    const from = begun === undefined ? undefined : new Date(begun).toISOString();
    own.push(...entries.of(job.id, found.id, new Date(wall).toISOString(), from, line));
    byJob.set(job.id, own);
  }
  if (faults.length > 0) throw invalid(faults);
  const told = { entered: 0, known: 0, held: 0 };
  for (const [job, own] of byJob)
    for (let at = 0; at < own.length; at += MOST_AT_ONCE) {
      const some = own.slice(at, at + MOST_AT_ONCE);
      for (const { outcome } of await enterEntries(bench, account, job, { device, seen: 0, entries: some }))
        if (outcome !== 'refused') told[outcome]++;
    }
  return told;
}
