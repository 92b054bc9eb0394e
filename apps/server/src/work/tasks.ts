import {
  type Job,
  type Outcome,
  type Pile,
  type Plan,
  type RoomCard,
  type StationDrawing,
  type Works,
  allPressSheets,
  checkRoute,
  completionOf,
  listPiles,
  mostFinished,
  packedAs,
  plan,
  productPicture,
  purchaseNeeds,
  roomCard,
} from '@druckerei/core';
import { type Needs, type NormEffect, findingText, issueText } from '@druckerei/contract';
import { DESK_TASKS } from './desk-tasks.js';
import { EXCHANGE_TASKS } from './exchange.js';
import { exerciseSheet } from './exercise-sheet.js';
import { FLOOR_TASKS } from './floor-tasks.js';
import {
  destructionPdf,
  floorCalendar,
  joinPdfs,
  letterheadPdf,
  lotLabelPdf,
  offerPdf,
  purchasePdf,
  shiftBookPdf,
} from '@druckerei/formats';
import { describeJob } from './describe-job.js';
import { ProblemError } from '../http/problem.js';
import { type Compared, difference } from './difference.js';
import { DOCUMENTS, stationSheetOf } from './documents.js';
import type { Ongoing } from './ongoing.js';
import { deflated } from './kept-plan.js';

type Need = Needs['jobs'][number]['needs'][number];

/** What others want to know of a revision, reckoned once when it is saved. */
export interface Assessment {
  /** Last stations, and the good pieces that they have to have counted together. */
  readonly finish: { readonly ends: readonly string[]; readonly least: number };
  readonly needs: readonly Need[];
  /** Why it cannot be planned; empty where it can. */
  readonly problems: readonly string[];
  /** Keys that its carriers are kept under. */
  readonly carriers: readonly string[];
  /** What the gates, the book and the forecast ask of it; undefined where it cannot be planned. */
  readonly card?: RoomCard | undefined;
  /** Its piles, as their tags say them. */
  readonly piles?: readonly Pile[] | undefined;
  /** The product, drawn; undefined where it cannot be planned or its family has no picture. */
  readonly picture?: StationDrawing | undefined;
  /** Mass of one piece, and pieces of a full pallet; undefined where it cannot be planned. */
  readonly packed?: { readonly pieceG: number; readonly perPallet?: number | undefined } | undefined;
}

interface JobInWorks {
  readonly job: Job;
  readonly works: Works;
}

function assessed({ job, works }: JobInWorks, outcome: Outcome<Plan>): Assessment {
  const finish = completionOf(job);
  const none = { finish, needs: [], carriers: [] };
  if (!outcome.ok) return { ...none, problems: outcome.issues.map(issueText) };
  const card = roomCard(job, outcome.value, works);
  if (!card.ok) return { ...none, problems: card.issues.map(issueText) };
  return {
    finish,
    needs: purchaseNeeds(job, outcome.value, works),
    problems: [],
    carriers: [...new Set(card.value.carriers.map(({ key }) => key))],
    card: card.value,
    piles: listPiles(job, outcome.value),
    packed: packedAs(job, outcome.value),
    picture: productPicture(job, outcome.value),
  };
}

/** A job in its works as everybody else needs it. */
export const assess = (asked: JobInWorks): Assessment => assessed(asked, plan(asked.job, asked.works));

/** What keeps a job from being released (why it cannot be planned, or the hard rules that it breaks), and what it comes to. */
export function judge(asked: JobInWorks): {
  faults: { path: string; message: string }[];
  assessment: Assessment;
  /** The plan to be kept with the release; undefined where there is none. */
  kept: Uint8Array | undefined;
} {
  const { job, works } = asked;
  const outcome = plan(job, works);
  const faults = outcome.ok
    ? checkRoute(job, outcome.value, works)
        .filter(({ weight }) => weight === 'hard')
        .map((finding) => ({ path: finding.path, message: findingText(finding) }))
    : outcome.issues.map((issue) => ({ path: issue.path, message: issueText(issue) }));
  return { faults, assessment: assessed(asked, outcome), kept: outcome.ok ? deflated(outcome.value) : undefined };
}

/** Jobs in a works as it is and as it would be; both prices are in its currency. */
export interface EffectQuestion {
  readonly jobs: readonly { readonly id: number; readonly job: Job }[];
  readonly before: Works;
  readonly after: Works;
}

function comesTo(job: Job, works: Works): { pressSheets: number; cost: number } | null {
  const outcome = plan(job, works);
  if (!outcome.ok) return null;
  const { totals } = outcome.value;
  return { pressSheets: allPressSheets(totals), cost: totals.cost.total };
}

/** Jobs that come to other sheets or another cost. */
export const normEffect = ({ jobs, before, after }: EffectQuestion): NormEffect['changed'] =>
  jobs.flatMap(({ id, job }) => {
    const both = { before: comesTo(job, before), after: comesTo(job, after) };
    const same = both.before?.cost === both.after?.cost && both.before?.pressSheets === both.after?.pressSheets;
    return same ? [] : [{ job: id, number: job.number, title: job.title, ...both }];
  });

/** What jobs cost in a works; or why one of them cannot be planned. */
export function costs({ jobs, works }: { readonly jobs: readonly Job[]; readonly works: Works }): {
  costs: number[];
  faults: { path: string; message: string }[];
} {
  const outcomes = jobs.map((job) => plan(job, works));
  const faults = outcomes.flatMap((outcome, i) =>
    outcome.ok ? [] : outcome.issues.map((issue) => ({ path: `jobs[${i}].${issue.path}`, message: issueText(issue) })),
  );
  return {
    costs: outcomes.map((outcome) => (outcome.ok ? outcome.value.totals.cost.total : 0)),
    faults,
  };
}

/** What is too heavy for the thread that answers everybody. */
export const TASKS = {
  ...DOCUMENTS,
  ...DESK_TASKS,
  ...EXCHANGE_TASKS,
  ...FLOOR_TASKS,
  stationSheet: stationSheetOf,
  assess,
  judge,
  normEffect,
  costs,
  describeJob,
  letterhead: letterheadPdf,
  lotLabel: lotLabelPdf,
  destruction: destructionPdf,
  offer: offerPdf,
  exerciseSheet,
  purchase: purchasePdf,
  shiftBook: shiftBookPdf,
  floorCalendar,
  /** What a job can give at most, see core. */
  mostFinished: ({ job, works }: JobInWorks) => mostFinished(job, works),
  joined: ({ title, files }: { readonly title: string; readonly files: readonly Uint8Array[] }) =>
    joinPdfs(title, files),
  difference: ({ from, to }: { readonly from: Compared; readonly to: Compared }) => difference(from, to),
} as const;
export type TaskName = keyof typeof TASKS;
export type TaskInput<Name extends TaskName> = Parameters<(typeof TASKS)[Name]>[0];
export type TaskResult<Name extends TaskName> = Awaited<ReturnType<(typeof TASKS)[Name]>>;

/** An answer of a worker: what a task made, or the problem that it told. Errors lose their class between threads. */
export type Done<Name extends TaskName> =
  { readonly value: TaskResult<Name> } | { readonly problem: Pick<ProblemError, 'status' | 'title' | 'details'> };

/** Runs a task. */
export async function perform<Name extends TaskName>(
  name: Name,
  input: TaskInput<Name>,
  ongoing: Ongoing,
): Promise<Done<Name>> {
  try {
    const task = TASKS[name] as (
      input: TaskInput<Name>,
      ongoing: Ongoing,
    ) => TaskResult<Name> | Promise<TaskResult<Name>>;
    return { value: await task(input, ongoing) };
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    const { status, title, details } = error;
    return { problem: { status, title, details } };
  }
}
