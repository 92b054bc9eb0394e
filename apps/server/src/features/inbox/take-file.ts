import path from 'node:path';
import { type OrderedJob, ORDER_COLUMNS, guessDayFirst, guessOrderColumns, startOrders } from '@druckerei/core';
import { type Account, MOST_BEGUN, issueText, parseJobFile, usualText } from '@druckerei/contract';
import { decodeText, readTable } from '@druckerei/formats/tables';
import { problemOf } from '../../http/problem.js';
import { readExchange } from '../exchange/exchange.js';
import type { Bench } from '../jobs/bench.js';
import { nextNumber } from '../jobs/next-number.js';
import { createJob, createJobs } from '../jobs/write-job.js';
import { together } from '../../http/entries.js';
import { enterCounts } from '../room/count-lines.js';
import { currentWorks } from '../works/works.js';

/** What became of a file: all of it was taken in, or nothing. */
export interface TakenFile {
  readonly taken: boolean;
  /** What is said of it, line by line. */
  readonly lines: readonly string[];
  /** What others are told has changed; jobs where absent. */
  readonly topic?: 'room';
}

/** The line of a list that the first order stands in: headings are before it. */
const FIRST_LINE = 2;
/** Columns that have to be understood before a line counts as headings. */
const LEAST_COLUMNS = 2;

/** What entries say that they came by. */
const FOLDER = 'watched folder';

const refused = (...lines: string[]): TakenFile => ({ taken: false, lines });

/** What a refusal of the server says, with the lines that it is about. What is none, or passes by itself, goes on. */
function told(error: unknown): TakenFile {
  const problem = problemOf(error);
  if (!problem || problem.status >= 500) throw error;
  const errors = problem.details?.errors?.map(({ path, message }) => {
    const at = /^jobs\[(\d+)\]/.exec(path)?.[1];
    return at === undefined ? `${path}: ${message}` : $localize`Line ${Number(at) + FIRST_LINE}\: ${message}`;
  });
  return refused(...(errors && errors.length > 0 ? errors : [problem.title]));
}

const begunText = ({ job, left, usual }: OrderedJob, line: number): string =>
  [
    $localize`Line ${line}\: ${job.number} ${job.title}`,
    ...(usual.length > 0 ? [$localize`taken as usual: ${usualText(usual)}`] : []),
    ...(left.length > 0 ? [$localize`not understood: ${left.join(', ')}`] : []),
  ].join('; ');

async function takeOrders(bench: Bench, account: Account, text: string): Promise<TakenFile> {
  const [headings = [], ...rows] = readTable(text).rows;
  const columns = guessOrderColumns(headings);
  if (columns.product === undefined || Object.keys(columns).length < LEAST_COLUMNS)
    return refused(
      $localize`Line 1 has to name the columns, as ${Object.values(ORDER_COLUMNS).join('; ')}. It reads: ${headings.join('; ')}`,
    );
  if (rows.length === 0) return refused($localize`There is no order behind the headings.`);
  if (rows.length > MOST_BEGUN)
    return refused($localize`${rows.length} orders are more than the ${MOST_BEGUN} that go in at once. Part the list.`);
  const { due } = columns;
  const first = guessDayFirst(due === undefined ? [] : rows.map((row) => row[due] ?? ''));
  const works = await currentWorks(bench.database);
  const made = [...startOrders(rows, { columns, first }, works, await nextNumber(bench.database))];
  const wrong = made.flatMap((one, i) =>
    one.ok ? [] : [$localize`Line ${i + FIRST_LINE}\: ${one.issues.map(issueText).join(' ')}`],
  );
  if (wrong.length > 0) return refused(...wrong);
  const orders = made.flatMap((one) => (one.ok ? [one.value] : []));
  await createJobs(
    bench,
    account,
    orders.map(({ job }) => job),
  );
  return { taken: true, lines: orders.map((order, i) => begunText(order, i + FIRST_LINE)) };
}

async function takeJob(bench: Bench, account: Account, text: string): Promise<TakenFile> {
  const read = parseJobFile(text);
  if (!read.ok)
    return refused(...read.errors.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)));
  const { job } = await createJob(bench, account, read.job);
  return { taken: true, lines: [`${job.number} ${job.title}`] };
}

/** What another program counted is entered in the book; where it counted nothing, its job is begun. */
async function takeXjdf(bench: Bench, account: Account, bytes: Uint8Array): Promise<TakenFile> {
  const { job, why, said, counts } = await readExchange(bench, bytes);
  if (counts.length > 0) {
    if (!account.rights.includes('record')) return refused($localize`${account.name} may not enter counts.`);
    const { entered, known, held } = await enterCounts(bench, account, FOLDER, together(counts));
    return {
      taken: true,
      topic: 'room',
      lines: [$localize`Entries: ${entered} new, ${known} known, ${held} held for explaining.`, ...said],
    };
  }
  if (!job) return refused(...why, ...said);
  const begun = await createJob(bench, account, job);
  return { taken: true, lines: [`${begun.job.number} ${begun.job.title}`, ...said] };
}

const takeText =
  (take: (bench: Bench, account: Account, text: string) => Promise<TakenFile>): Take =>
  (bench, account, bytes) =>
    take(bench, account, decodeText(bytes));
type Take = (bench: Bench, account: Account, bytes: Uint8Array) => Promise<TakenFile>;
const TAKES: Readonly<Record<string, Take>> = {
  '.csv': takeText(takeOrders),
  '.json': takeText(takeJob),
  '.xjdf': takeXjdf,
  '.xml': takeXjdf,
};
/** Endings of the files that are taken in. */
export const TAKEN_ENDINGS = Object.keys(TAKES);

/** Takes a list of orders (CSV), a job file (JSON) or an XJDF in as somebody, all of it or nothing. @param name ends as one of {@link TAKEN_ENDINGS} */
export const takeFile = (bench: Bench, account: Account, name: string, bytes: Uint8Array): Promise<TakenFile> =>
  (TAKES[path.extname(name).toLowerCase()] ?? takeText(takeOrders))(bench, account, bytes).catch(told);
