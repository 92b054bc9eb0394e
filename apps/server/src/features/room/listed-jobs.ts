import { instantOf, refuseTime, stationNamed } from '@druckerei/core';
import { type FieldError, issueText } from '@druckerei/contract';
import type { Batch } from '../../http/entries.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { type CountLine, type Entry, MadeEntries } from './made-entries.js';

type Found = ReturnType<typeof stationNamed>;

/** A job that lines name. */
export class ListedJob {
  /** What was counted at it, as text: so that a long list takes little room. */
  private readonly lines: string[] = [];
  private readonly stations = new Map<string, Found>();

  constructor(
    readonly id: number,
    readonly problems: readonly string[],
    private readonly steps: Parameters<typeof stationNamed>[0],
    private readonly instant: (told: string) => number,
  ) {}

  /** How many lines are of it. */
  get count(): number {
    return this.lines.length;
  }

  station(name: string): Found {
    const found = this.stations.get(name) ?? stationNamed(this.steps, name);
    this.stations.set(name, found);
    return found;
  }

  keep(line: CountLine): void {
    this.lines.push(JSON.stringify(line));
  }

  /** What was counted, as entries of its book: lines that were looked at, and found good. */
  made(): Entry[] {
    const moment = (told: string): string => new Date(this.instant(told)).toISOString();
    const entries = new MadeEntries();
    return this.lines.flatMap((text) => {
      const line = JSON.parse(text) as CountLine;
      const step = this.station(line.station);
      if (typeof step !== 'object') return [];
      const begun = line.begun === undefined ? undefined : moment(line.begun);
      return entries.of(this.id, step.id, moment(line.at), begun, line);
    });
  }
}

/** The jobs that a list names, and what is wrong with its lines. */
export class ListedJobs {
  /** By number in small letters; undefined where there is none. */
  private readonly jobs = new Map<string, ListedJob | undefined>();

  constructor(
    private readonly bench: Bench,
    private readonly timeZone: string | undefined,
  ) {}

  private readonly instant = (told: string): number =>
    /Z|[+-]\d{2}:\d{2}$/.test(told) ? Date.parse(told) : instantOf(told.slice(0, 16), this.timeZone);

  private async look(lines: readonly CountLine[]): Promise<void> {
    const { database, workshop } = this.bench;
    const numbers = [...new Set(lines.map(({ job }) => job.toLowerCase()))].filter((one) => !this.jobs.has(one));
    if (numbers.length === 0) return;
    for (const number of numbers) this.jobs.set(number, undefined);
    const rows = await database.many<{ id: number; number: string }>('room/by-numbers', JSON.stringify(numbers));
    for (const { id, number } of rows) {
      const { card, problems } = await assessmentOf(database, workshop, id);
      this.jobs.set(number, new ListedJob(id, problems, card?.steps ?? [], this.instant));
    }
  }

  /** Takes lines up. @returns what is wrong with them, each by its place */
  async take({ first, entries: lines }: Batch<CountLine>): Promise<FieldError[]> {
    await this.look(lines);
    return lines.flatMap((line, i) => {
      const job = this.jobs.get(line.job.toLowerCase());
      job?.keep(line);
      return this.faults(line, job).map(({ path, message }) => ({ path: `lines[${first + i}].${path}`, message }));
    });
  }

  private faults(line: CountLine, job: ListedJob | undefined): FieldError[] {
    const faults: FieldError[] = [];
    const refuse = (path: string, message: string): void => void faults.push({ path, message });
    const found = job?.station(line.station);
    const wall = this.instant(line.at);
    const [ahead] = refuseTime(wall, Date.now());
    if (!job) refuse('job', $localize`No job has the number ${line.job}. Look at its ticket.`);
    else if (job.problems.length > 0) refuse('job', job.problems.join(' '));
    else if (found === 'none') refuse('station', $localize`Job ${line.job} has no station ${line.station}.`);
    else if (found === 'several')
      refuse('station', $localize`Job ${line.job} has several stations ${line.station}. Name it as the ticket does.`);
    if (ahead) refuse('at', issueText(ahead));
    if (line.begun !== undefined && this.instant(line.begun) > wall)
      refuse('begun', $localize`The run began after it had ended.`);
    if (line.begun === undefined && line.good + line.spoiled === 0) refuse('good', $localize`Nothing was counted.`);
    return faults;
  }

  all(): ListedJob[] {
    return [...this.jobs.values()].filter((job) => job !== undefined);
  }
}
