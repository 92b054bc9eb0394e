import { randomUUID } from 'node:crypto';
import {
  type CardCarrier,
  type Issue,
  type RoomCard,
  type RoomContext,
  type RoomEntry,
  type RoomEvent,
  type RoomRecord,
  NEW_CARRIER,
  RoomFold,
  error,
  heldGate,
  impressionsRun,
  isAccountEntry,
  isOwnStation,
  refuse,
  refuseTime,
  stationsOf,
  subjectOf,
} from '@druckerei/core';
import { type Account, type EntryAnswer, type SentEntries, issueText } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Assessment } from '../../work/tasks.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { type NewEntry, addEntries, readEntries } from './entries.js';
import { type LockedJob, follow, goodOfSteps } from './follow.js';
import { inTurn } from './in-turn.js';
import { keptCarriers } from './kept-carriers.js';
import { type Photo, photoFaults, photoOf } from './photos.js';

/** Who enters something. */
export type Author = Pick<Account, 'id' | 'name' | 'rights' | 'stations'>;

const notHere = (): string => $localize`Your role enters nothing at this station. Ask somebody of the station.`;
const notYours = (): string => $localize`Your role does not keep the book of accountable work. Ask somebody who does.`;
/** Entries of accountable work want a right of their own. */
const mayEnter = ({ rights }: Author, event: RoomEntry): boolean =>
  !isAccountEntry(event) || rights.includes('accountable');

/** Somebody of other stations enters nothing here. */
const mayEnterHere = ({ stations }: Author, { card, state }: RoomContext, event: RoomEntry): boolean =>
  isOwnStation(stations, stationsOf(card, event, state));

/** Why nothing can be entered at a job that cannot be planned. */
const unplanned = ({ problems }: Assessment): ProblemError =>
  new ProblemError(409, $localize`This job cannot be planned as it stands`, { detail: problems.join(' ') });

/** A carrier taken out of the store: what it has run is what the store says. One at a time takes it, of whatever job. */
async function fromStore(queries: Queries, event: RoomEntry, carrier: CardCarrier | undefined): Promise<RoomEntry> {
  if (event.kind !== 'carrier' || !event.from || !carrier) return event;
  const { job } = event.from;
  await queries.one('room/lock-carrier', carrier.key);
  const kept = (await keptCarriers(queries, { keys: [carrier.key] })).find((one) => one.job === job);
  if (!kept) {
    const holder = await queries.one<{ number: string; entered_by: string }>('room/holder', carrier.key);
    throw new ProblemError(409, $localize`The store has no such carrier of job ${job} any more`, {
      detail: holder
        ? $localize`Job ${holder.number} has it, by ${holder.entered_by}.`
        : $localize`Nobody has ever put it away.`,
    });
  }
  return { ...event, from: { job, used: kept.used }, place: event.place ?? kept.place ?? undefined };
}

/** What the store remembers of a carrier after an entry: its impressions with those of this job, once it is through with it. */
function carrierNote({ card, state }: RoomContext, event: RoomEvent): NewEntry['carrier'] {
  const carrier = event.kind === 'carrier' ? card.carriers.find(({ id }) => id === event.carrier) : undefined;
  if (!carrier || event.kind !== 'carrier') return undefined;
  const { id, name, kind, ink, owner, key, life } = carrier;
  const before = state.carriers.get(id) ?? NEW_CARRIER;
  const onPress = event.state === 'kept' && before.state !== 'made' && before.state !== 'inspected';
  const ran = onPress ? impressionsRun(card, state, carrier) : 0;
  const used = (event.from?.used ?? before.used) + ran;
  return { key, note: { id, name, kind, ink: ink ?? null, owner, life, used } };
}

/** Refuses to write over what somebody else recorded of the same thing since. */
function refuseOver(records: readonly RoomRecord[], event: RoomEntry, seen: number): void {
  const about = subjectOf(event, records);
  const later =
    about === undefined ? undefined : records.findLast((record) => subjectOf(record.event, records) === about);
  if (!later || later.id <= seen) return;
  const counted = later.event.kind === 'count' ? $localize`${later.event.good} good are counted now.` : undefined;
  throw new ProblemError(409, $localize`${later.by} has recorded this meanwhile`, {
    detail: counted ?? $localize`Look at what stands, and enter yours again if it still holds.`,
  });
}

async function lockJob(queries: Queries, job: number): Promise<LockedJob> {
  const locked = await queries.one<LockedJob & Record<string, unknown>>('room/lock-job', job);
  if (!locked) throw notFound($localize`This job`);
  return locked;
}

/**
 * Records an event where the gates let it through; one at a time for a job. @param seen last record that its author saw;
 * all of them where absent.
 */
export async function enterEvent(
  bench: Bench,
  account: Author,
  job: number,
  event: RoomEntry,
  seen?: number,
): Promise<void> {
  if (!mayEnter(account, event)) throw new ProblemError(403, notYours());
  const assessment = await assessmentOf(bench.database, bench.workshop, job);
  const { card } = assessment;
  if (!card) throw unplanned(assessment);
  await inTurn(job, () =>
    bench.database.transaction(async (queries) => {
      const locked = await lockJob(queries, job);
      const records = await readEntries(bench.database, job, queries);
      if (seen !== undefined) refuseOver(records, event, seen);
      const fold = new RoomFold(records);
      const before = goodOfSteps(fold.state);
      const context = { card, state: fold.state, by: account.name };
      if (!mayEnterHere(account, context, event)) throw new ProblemError(403, notHere());
      const refused = refuse(context, event);
      if (refused.length > 0)
        throw invalid(refused.map((issue) => ({ path: `event.${issue.path}`, message: issueText(issue) })));
      const entered = await fromStore(
        queries,
        event,
        card.carriers.find((one) => 'carrier' in event && one.id === event.carrier),
      );
      const carrier = carrierNote(context, entered);
      await addEntries(queries, [
        { uid: randomUUID(), job, by: account.id, happened: Date.now(), event: entered, carrier },
      ]);
      fold.add({ id: fold.lastId + 1, at: '', by: '', event: entered });
      await follow(queries, account, locked, assessment, before, fold.state, [entered]);
    }),
  );
}

type Sent = SentEntries['entries'][number];
type Errors = EntryAnswer['errors'];

const worded = (issues: readonly Issue[]): Errors =>
  issues.map((issue) => ({ path: issue.path, message: issueText(issue) }));

/** Entries of one call, one behind another: each is held against what those before it have made of the job. */
class Batch {
  readonly entries: NewEntry[] = [];
  readonly answers: EntryAnswer[] = [];
  readonly photos: Photo[] = [];

  constructor(
    readonly fold: RoomFold,
    private readonly card: RoomCard | undefined,
    private readonly why: Errors,
    private readonly author: Author,
    private readonly from: Pick<NewEntry, 'job' | 'by' | 'device'>,
  ) {}

  known(uid: string, id: number, wasHeld: boolean): void {
    this.answers.push({ uid, outcome: wasHeld ? 'held' : 'known', id, errors: [] });
  }

  take(sent: Sent, now: number): void {
    const { uid, at, late, event } = sent;
    // What is no picture cannot be kept for explaining either.
    const spoiled = photoFaults(sent);
    const happened = Date.parse(at);
    const context = this.card && { card: this.card, state: this.fold.state, by: this.author.name };
    const errors = [
      ...spoiled,
      ...worded(refuseTime(happened, now)),
      ...this.why,
      ...(mayEnter(this.author, event) ? [] : [{ path: 'kind', message: notYours() }]),
      ...(context && !mayEnterHere(this.author, context, event) ? [{ path: 'step', message: notHere() }] : []),
      ...(context ? worded(refuse(context, event)) : []),
      // The store's carriers go from hand to hand: nobody takes one without looking at what is there.
      ...(event.kind === 'carrier' && event.from ? [{ path: 'from', message: takenElsewhere() }] : []),
    ];
    if (spoiled.length > 0 || (errors.length > 0 && !late)) {
      this.answers.push({ uid, outcome: 'refused', id: null, errors });
      return;
    }
    const held = errors.length > 0;
    const entered: RoomEvent = held
      ? { kind: 'held', entry: event, refused: errors.map(({ message }) => message) }
      : event;
    // Also of one that is held: it counts where somebody explains it.
    const carrier = context && carrierNote(context, event);
    const photo = photoOf(sent);
    if (photo) this.photos.push(photo);
    this.entries.push({ uid, ...this.from, happened, event: entered, carrier });
    this.answers.push({ uid, outcome: held ? 'held' : 'entered', id: null, errors });
    this.fold.add({ id: this.fold.lastId + 1, at, by: this.author.name, event: entered });
  }
}
const takenElsewhere = (): string =>
  $localize`A carrier of an earlier job is taken out of the store at the carriers of the job.`;

/**
 * Enters what a device sends, in its order: what the book knows already stays as it is; what a gate refuses is told where
 * it was made just now, and held for explaining where it waited on the device.
 */
export async function enterEntries(
  bench: Bench,
  account: Author,
  job: number,
  { device, entries }: SentEntries,
): Promise<EntryAnswer[]> {
  const assessment = await assessmentOf(bench.database, bench.workshop, job);
  const { card } = assessment;
  return inTurn(job, () =>
    bench.database.transaction(async (queries) => {
      const locked = await lockJob(queries, job);
      const records = await readEntries(bench.database, job, queries);
      const known = new Map(records.map((record) => [record.uid, record]));
      const why = [
        ...(locked.aside ? worded([error('book.aside', 'job', { job: locked.number })]) : []),
        ...assessment.problems.map((message) => ({ path: 'job', message })),
      ];
      const fold = new RoomFold(records);
      const before = goodOfSteps(fold.state);
      const batch = new Batch(fold, card, why, account, { job, by: account.id, device });
      const now = Date.now();
      const taken = new Set<string>();
      for (const entry of entries) {
        const there = known.get(entry.uid);
        if (there) batch.known(entry.uid, there.id, there.event.kind === 'held');
        else if (!taken.has(entry.uid)) batch.take(entry, now);
        taken.add(entry.uid);
      }
      for (const { sha256, data } of batch.photos) await queries.one('room/add-photo', sha256, data);
      const ids = await addEntries(queries, batch.entries);
      const numbers = new Map(batch.entries.map(({ uid }, i) => [uid, ids[i] ?? 0]));
      const events = batch.entries.map(({ event }) => event);
      await follow(queries, account, locked, assessment, before, batch.fold.state, events);
      return batch.answers.map((answer) => ({ ...answer, id: answer.id ?? numbers.get(answer.uid) ?? null }));
    }),
  );
}

/** Decides of an entry that is held: it counts as it was entered, or stays out. */
export async function settleEntry(
  bench: Bench,
  account: Pick<Account, 'id'>,
  job: number,
  event: Extract<RoomEvent, { kind: 'settled' }>,
): Promise<void> {
  const assessment = await assessmentOf(bench.database, bench.workshop, job);
  await inTurn(job, () =>
    bench.database.transaction(async (queries) => {
      const locked = await lockJob(queries, job);
      const fold = new RoomFold(await readEntries(bench.database, job, queries));
      const before = goodOfSteps(fold.state);
      const [gone] = heldGate(fold.state, event.record);
      if (gone) throw new ProblemError(409, issueText(gone));
      await addEntries(queries, [{ uid: randomUUID(), job, by: account.id, happened: Date.now(), event }]);
      fold.add({ id: fold.lastId + 1, at: '', by: '', event });
      await follow(queries, account, locked, assessment, before, fold.state, [event]);
    }),
  );
}
