import { instantOf, refuseTime, stationNamed } from '@druckerei/core';
import { type CountLines, type CountedLines, type FieldError, type SentEntries, issueText } from '@druckerei/contract';
import { type Batch, type Entries, MOST_TOLD } from '../../http/entries.js';
import { hashOf } from '../../http/hash-of.js';
import { invalid } from '../../http/problem.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';
import { type Author, enterEntries } from './enter.js';

type Line = CountLines['lines'][number];
type Entry = SentEntries['entries'][number];

/** Entries that go into one transaction of a job. */
const MOST_AT_ONCE = 5_000;
/** Jobs that are entered beside one another: the next is looked through while the book takes what came of the one before. */
const LANES = 2;
const NO_REASON = 'not told by the list';
const RUN_ENDED = 'end of a run, told by a list';

/** A name of its own for an entry that is always the same for the same line: a list that is taken twice does no harm. */
function uidOf(...parts: readonly (string | number)[]): string {
  const hex = hashOf(JSON.stringify(parts));
  // A UUID of the version that leaves its content to who makes it (RFC 9562).
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** What a line counted, as entries of its station; of lines that are the same the first, the second, and so on. */
class MadeEntries {
  private readonly seen = new Map<string, number>();

  of(
    job: number,
    step: string,
    at: string,
    begun: string | undefined,
    { good, spoiled, reason = NO_REASON }: Line,
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

type Found = ReturnType<typeof stationNamed>;
/** A job that lines name. */
class ListedJob {
  /** What was counted at it, as text: so that a long list takes little room. */
  readonly lines: string[] = [];
  private readonly stations = new Map<string, Found>();

  constructor(
    readonly id: number,
    readonly problems: readonly string[],
    private readonly steps: Parameters<typeof stationNamed>[0],
  ) {}

  station(name: string): Found {
    const found = this.stations.get(name) ?? stationNamed(this.steps, name);
    this.stations.set(name, found);
    return found;
  }
}

/** The jobs that a list names, and what is wrong with its lines. */
class Listed {
  /** By number in small letters; undefined where there is none. */
  private readonly jobs = new Map<string, ListedJob | undefined>();

  constructor(
    private readonly bench: Bench,
    private readonly timeZone: string | undefined,
  ) {}

  private async look(lines: readonly Line[]): Promise<void> {
    const { database, workshop } = this.bench;
    const numbers = [...new Set(lines.map(({ job }) => job.toLowerCase()))].filter((one) => !this.jobs.has(one));
    if (numbers.length === 0) return;
    for (const number of numbers) this.jobs.set(number, undefined);
    const rows = await database.many<{ id: number; number: string }>('room/by-numbers', JSON.stringify(numbers));
    for (const { id, number } of rows) {
      const { card, problems } = await assessmentOf(database, workshop, id);
      this.jobs.set(number, new ListedJob(id, problems, card?.steps ?? []));
    }
  }

  private readonly instant = (told: string): number =>
    /Z|[+-]\d{2}:\d{2}$/.test(told) ? Date.parse(told) : instantOf(told.slice(0, 16), this.timeZone);

  async refuse({ first, entries: lines }: Batch<Line>): Promise<FieldError[]> {
    await this.look(lines);
    return lines.flatMap((line, i) =>
      this.faults(line).map(({ path, message }) => ({ path: `lines[${first + i}].${path}`, message })),
    );
  }
  private faults(line: Line): FieldError[] {
    const faults: FieldError[] = [];
    const refuse = (path: string, message: string): void => void faults.push({ path, message });
    const job = this.jobs.get(line.job.toLowerCase());
    const found = job?.station(line.station);
    const wall = this.instant(line.at);
    const [ahead] = refuseTime(wall, Date.now());
    if (!job) refuse('job', `No job has the number ${line.job}. Look at its ticket.`);
    else if (job.problems.length > 0) refuse('job', job.problems.join(' '));
    else if (found === 'none') refuse('station', `Job ${line.job} has no station ${line.station}.`);
    else if (found === 'several')
      refuse('station', `Job ${line.job} has several stations ${line.station}. Name it as the ticket does.`);
    if (ahead) refuse('at', issueText(ahead));
    if (line.begun !== undefined && this.instant(line.begun) > wall)
      refuse('begun', 'The run began after it had ended.');
    if (line.begun === undefined && line.good + line.spoiled === 0) refuse('good', 'Nothing was counted.');
    job?.lines.push(JSON.stringify(line));
    return faults;
  }

  /** What was counted at each of the jobs, as entries of its book. */
  entries(): { readonly job: number; readonly lines: number; readonly made: () => Entry[] }[] {
    const moment = (told: string): string => new Date(this.instant(told)).toISOString();
    return [...this.jobs.values()].flatMap((job) => {
      if (!job) return [];
      const made = (): Entry[] => {
        const entries = new MadeEntries();
        return job.lines.flatMap((text) => {
          const line = JSON.parse(text) as Line;
          const step = job.station(line.station);
          if (typeof step !== 'object') return [];
          const begun = line.begun === undefined ? undefined : moment(line.begun);
          return entries.of(job.id, step.id, moment(line.at), begun, line);
        });
      };
      return [{ job: job.id, lines: job.lines.length, made }];
    });
  }
}

/**
 * Enters what a list counted: every line is looked up first, and none is entered where one names a job or a station that
 * there is not. What the book refuses is held for explaining, as entries are that come late. Issues: 422 by line.
 */
export async function enterCounts(
  bench: Bench,
  account: Author,
  device: string,
  lines: Entries<Line>,
): Promise<CountedLines> {
  const { timeZone } = await currentWorks(bench.database);
  const listed = new Listed(bench, timeZone);
  const faults: FieldError[] = [];
  for await (const batch of lines.batches()) {
    lines.tell('looking', batch.first);
    faults.push(...(await listed.refuse(batch)));
    if (faults.length >= MOST_TOLD) break;
  }
  if (faults.length > 0) throw invalid(faults);
  const told = { entered: 0, known: 0, held: 0 };
  const jobs = listed.entries();
  let done = 0;
  const lane = async (): Promise<void> => {
    for (let next = jobs.pop(); next; next = jobs.pop()) {
      const made = next.made();
      for (let at = 0; at < made.length; at += MOST_AT_ONCE) {
        const entries = made.slice(at, at + MOST_AT_ONCE);
        lines.tell('entering', done + at);
        for (const { outcome } of await enterEntries(bench, account, next.job, { device, seen: 0, entries }))
          if (outcome !== 'refused') told[outcome]++;
      }
      done += next.lines;
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
