import { type RoomCard, type RoomRecord, NOTHING_YET, allSpoiled, openLine, roomState } from '@druckerei/core';
import type { Account, BookCheck, JobBook, Scanned, SentAnswer, StationLine } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import type { Handlers } from '../../http/register.js';
import { ProblemError, notFound } from '../../http/problem.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { enterCounts } from './count-lines.js';
import { enterEntries, settleEntry } from './enter.js';
import { readEntries, told } from './entries.js';

type JobLine = JobBook['job'];

type Viewer = Pick<Account, 'rights'>;
/** The card as somebody may see it: gates of accountable work are held by the server for those who do not keep its book. */
function cardFor({ rights }: Viewer, card: RoomCard | undefined): RoomCard | null {
  if (!card) return null;
  const { accountable, ...rest } = card;
  return accountable && rights.includes('accountable') ? card : rest;
}

async function bookOf(bench: Bench, account: Viewer, job: number): Promise<JobBook> {
  const { database, workshop } = bench;
  const line = await database.one<JobLine & Record<string, unknown>>('room/job', job);
  if (!line) throw notFound($localize`This job`);
  const { card } = await assessmentOf(database, workshop, job);
  const records = told(await readEntries(database, job), account) as JobBook['records'];
  return { job: line, card: cardFor(account, card) as JobBook['card'], records };
}

interface StretchRow {
  readonly entries: number;
  readonly faults: BookCheck['faults'];
  readonly last: number | null;
  readonly sha256: string | null;
}
/** Entries that are walked in one question, and faults that are told. */
const STRETCH = 50_000;
const MOST_FAULTS = 100;

const EMPTY: StretchRow = { entries: 0, faults: [], last: null, sha256: null };
/** Walks the stretch behind an entry. */
async function stretchBehind(database: Pick<Queries, 'one'>, head: BookCheck['head']): Promise<StretchRow> {
  const [last, hash] = [head?.id ?? 0, head?.sha256 ?? ''];
  return (await database.one<StretchRow & Record<string, unknown>>('room/check', last, hash, STRETCH)) ?? EMPTY;
}

/** Walks the chain of the book from its first entry to its last. @param hash that somebody has on paper. */
export async function checkBook(database: Pick<Queries, 'one'>, hash?: string): Promise<BookCheck> {
  const start = performance.now();
  const faults: BookCheck['faults'] = [];
  let [entries, head]: [number, BookCheck['head']] = [0, null];
  let stretch: StretchRow | undefined;
  do {
    stretch = await stretchBehind(database, head);
    entries += stretch.entries;
    faults.push(...stretch.faults);
    if (stretch.last !== null && stretch.sha256 !== null) head = { id: stretch.last, sha256: stretch.sha256 };
  } while (stretch.entries === STRETCH);
  const entry = hash === undefined ? undefined : await database.one<{ id: number; at: string }>('room/by-hash', hash);
  return {
    entries,
    head,
    faults: faults.slice(0, MOST_FAULTS),
    milliseconds: Math.round(performance.now() - start),
    asked: hash === undefined ? null : { sha256: hash, entry: entry ?? null },
  };
}

/** A tag says job, station that made the pile, and pile: D-1001/print/3; a ticket says the job, or job and station. */
const CODE = /^(.+?)\/([a-z0-9][a-z0-9-]{0,39})(?:\/(\d{1,5}))?$/;

async function scanned(bench: Bench, code: string): Promise<Scanned> {
  const [, number = code, from, pile] = CODE.exec(code) ?? [];
  const found = await bench.database.one<Scanned['job'] & Record<string, unknown>>('room/scan', number.trim());
  if (!found)
    throw new ProblemError(404, $localize`No job has the number ${number}`, {
      detail: $localize`Look at the tag: it says the number of the job, the station and the pile, like D-1001/print/3.`,
    });
  const job = { id: found.id, number: found.number, title: found.title };
  const none = { pile: null, count: null, material: null };
  if (from === undefined) return { job, step: null, ...none };
  const { piles = [], card } = await assessmentOf(bench.database, bench.workshop, found.id);
  if (pile === undefined) {
    if (card?.steps.some(({ id }) => id === from)) return { job, step: from, ...none };
    throw new ProblemError(404, $localize`Job ${number} has no station ${from}`, {
      detail: $localize`Look at the ticket: its stations are those of the newest revision.`,
    });
  }
  const tag = piles.find((one) => one.tag === `${from}/${Number(pile)}`);
  if (!tag) {
    const of = piles.filter((one) => one.from === from).length;
    const station = card?.steps.find(({ id }) => id === from);
    throw new ProblemError(404, $localize`Job ${number} has no pile ${pile} from ${station?.name ?? from}`, {
      detail:
        of > 0
          ? $localize`That station makes piles 1 to ${of}.`
          : $localize`No station of this job makes piles under that name.`,
    });
  }
  return { job, step: tag.to ?? null, pile: code, count: tag.count, material: tag.material };
}

interface AtWork {
  id: number;
  number: string;
  title: string;
  card: RoomCard | null;
  records: RoomRecord[];
  [column: string]: unknown;
}

/** Days back that a station counts as at work. */
const DAYS = 14;

function linesOf({ id, number, title, card, records }: AtWork): StationLine[] {
  const { tallies, held } = roomState(records);
  return (card?.steps ?? []).flatMap((step): StationLine[] => {
    const tally = tallies.get(step.id) ?? NOTHING_YET;
    const own = records.filter(({ event }) => 'step' in event && event.step === step.id);
    const waits = held.filter(({ event: { entry } }) => 'step' in entry && entry.step === step.id);
    const last = own.at(-1) ?? waits.at(-1)?.record;
    if (!last || (tally.phase === 'closed' && waits.length === 0)) return [];
    return [
      {
        job: { id, number, title },
        step: step.id,
        name: step.title,
        machine: step.machine,
        phase: tally.phase,
        since: tally.since ?? null,
        good: tally.good,
        wanted: step.needsOut,
        unit: step.unitOut,
        spoiled: allSpoiled(tally),
        difference: openLine(step, tally)?.difference ?? 0,
        held: waits.length,
        by: last.by,
        last: last.at,
      },
    ];
  });
}

type Served = 'jobBook' | 'enterBook' | 'enterCounts' | 'settleEntry' | 'stationsNow' | 'scan' | 'checkBook';
export const bookHandlers = (bench: Bench): Pick<Handlers, Served> => ({
  jobBook: ({ account, params }) => bookOf(bench, account, params.id),
  enterCounts: ({ account, body, entries }) => enterCounts(bench, account, body.device, entries),
  enterBook: async ({ account, params, body }) => {
    const entries = await enterEntries(bench, account, params.id, body);
    // Whoever looks at nothing of the job is told nothing of it.
    const asked = entries.some(({ id }) => (id ?? 0) > body.seen);
    const records = asked ? await readEntries(bench.database, params.id) : [];
    return {
      entries,
      records: told(
        records.filter(({ id }) => id > body.seen),
        account,
      ) as SentAnswer['records'],
    };
  },
  settleEntry: async ({ account, params, body }) => {
    await settleEntry(bench, account, params.id, { kind: 'settled', record: params.record, ...body });
    return bookOf(bench, account, params.id);
  },
  stationsNow: async () => {
    const since = new Date(Date.now() - DAYS * 86_400_000).toISOString();
    return (await bench.database.many<AtWork>('room/at-work', since)).flatMap(linesOf);
  },
  scan: ({ query }) => scanned(bench, query.code),
  checkBook: ({ query }) => checkBook(bench.database, query.hash),
});
