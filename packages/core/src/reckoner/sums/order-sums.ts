import { type Issue, type Source, error, table } from '../../kernel/index.js';
import { type Sum, type SumBook, textField } from '../sum.js';
import { readNamed } from './named-list.js';

/** A job as it is typed: its name and two figures. */
export interface TypedJob {
  readonly name: string;
  readonly figures: readonly [number, number];
}

/** Jobs that one sum takes. */
const MOST_JOBS = 10;

/** Jobs as they are typed, with two figures each. Issues: `sum.jobs`. */
export function readJobs(text: string): { readonly jobs: readonly TypedJob[]; readonly issues: readonly Issue[] } {
  const { items, wrong } = readNamed(text, 2);
  return wrong !== undefined || items.length === 0 || items.length > MOST_JOBS
    ? { jobs: [], issues: [error('sum.jobs', 'jobs', { job: wrong ?? '', most: MOST_JOBS })] }
    : { jobs: items.map(({ name, figures: [a = 0, b = 0] }) => ({ name, figures: [a, b] })), issues: [] };
}

/**
 * Jobs that all go through a first station, then a second, in the order in which both are through soonest: those that are
 * shorter at the first in front, the shortest of them first, the others behind, the shortest at the second last.
 * Source: literature, Johnson 1954, optimal two-stage schedules; ties as they were told.
 */
export function soonestThrough(jobs: readonly TypedJob[]): TypedJob[] {
  const front = jobs.filter(({ figures: [a, b] }) => a < b).sort((one, other) => one.figures[0] - other.figures[0]);
  const behind = jobs.filter(({ figures: [a, b] }) => a >= b).sort((one, other) => other.figures[1] - one.figures[1]);
  return [...front, ...behind];
}

/**
 * Jobs of a time and a weight on one machine in the order in which the least weighted time is waited: by time over weight.
 * Those that nobody waits for come last. Source: literature, Smith 1956, optimizers for single-stage production.
 */
export const leastWaited = (jobs: readonly TypedJob[]): TypedJob[] =>
  [...jobs].sort(({ figures: [a, w] }, { figures: [b, v] }) =>
    (w === 0) === (v === 0) ? a * v - b * w : Number(w === 0) - Number(v === 0),
  );

/** When both stations are through with jobs in an order, minutes. */
export function throughBoth(jobs: readonly TypedJob[]): number {
  let [first, second] = [0, 0];
  for (const { figures } of jobs) {
    first += figures[0];
    second = Math.max(first, second) + figures[1];
  }
  return second;
}

/** What is waited for jobs on one machine in an order, minutes times weight. */
export function weightedWait(jobs: readonly TypedJob[]): number {
  let [now, waited] = [0, 0];
  for (const { figures } of jobs) {
    now += figures[0];
    waited += figures[1] * now;
  }
  return waited;
}

const JOHNSON: Source = {
  label: 'literature',
  note: $localize`Johnson 1954: shorter at the first station in front, shorter at the second behind`,
};
const SMITH: Source = { label: 'literature', note: $localize`Smith 1956: by time over weight` };
const name = (jobs: readonly TypedJob[]): string => jobs.map((job) => job.name).join(', ');

/** Jobs of a sum, told; nothing where they cannot be read. */
function typedJobs(book: SumBook): readonly TypedJob[] {
  const { jobs, issues } = readJobs(book.text('jobs'));
  book.refuse(...issues);
  return jobs;
}

/** In which order jobs are run. */
export const ORDER_SUMS: readonly Sum[] = [
  {
    ...{ id: 'two-stations', group: 'press', name: $localize`Order at two stations` },
    words: ['two stations', 'order at two', 'soonest through'],
    fields: [
      textField(
        'jobs',
        $localize`Jobs, minutes at the first and the second`,
        $localize`Map 90 40, Card 30 60, Book 70 80`,
      ),
    ],
    reckon(book) {
      const told = typedJobs(book);
      if (told.length === 0) return;
      const jobs = soonestThrough(told);
      for (const [i, job] of jobs.entries()) {
        const [own, at] = [
          book.known(`first${i}`, $localize`At the first station, ${job.name}`, job.figures[0], 'min'),
          `${i + 1}`,
        ];
        const second = book.known(`second${i}`, $localize`At the second station, ${job.name}`, job.figures[1], 'min');
        if (i === 0) {
          book.say('left0', $localize`First station through with number 1`, 'min', 'own', { own });
          book.say('through0', $localize`Second station through with number 1`, 'min', 'ready + own', {
            ready: 'left0',
            own: second,
          });
          continue;
        }
        const left = `left${i}`;
        book.say(left, $localize`First station through with number ${at}`, 'min', 'before + own', {
          before: `left${i - 1}`,
          own,
        });
        book.say(
          `through${i}`,
          $localize`Second station through with number ${at}`,
          'min',
          'max(ready, before) + own',
          {
            ...{ ready: left, before: `through${i - 1}`, own: second },
          },
        );
      }
      book.tell($localize`Order`, name(jobs));
      book.show(
        'through',
        $localize`Both are through after`,
        'min',
        'last',
        { last: `through${jobs.length - 1}` },
        JOHNSON,
      );
      book.showKnown('asTold', $localize`In the order as typed`, throughBoth(told), 'min');
    },
  },
  {
    ...{ id: 'one-machine', group: 'press', name: $localize`Order at one machine` },
    words: ['one machine', 'order at one', 'weights of jobs'],
    fields: [
      textField(
        'jobs',
        $localize`Jobs, minutes and weight of a minute late`,
        $localize`Map 90 1, Card 30 1, Book 60 3`,
      ),
    ],
    reckon(book) {
      const told = typedJobs(book);
      if (told.length === 0) return;
      const jobs = leastWaited(told);
      for (const [i, { name: of, figures }] of jobs.entries()) {
        const own = book.known(`minutes${i}`, $localize`Takes, ${of}`, figures[0], 'min');
        book.known(`weight${i}`, $localize`Weight, ${of}`, figures[1], '');
        const title = $localize`Through with number ${i + 1}`;
        if (i === 0) book.say('through0', title, 'min', 'own', { own });
        else book.say(`through${i}`, title, 'min', 'before + own', { before: `through${i - 1}`, own });
      }
      const inputs = table(
        jobs.flatMap((_, i) => [
          [`t${i}`, `through${i}`],
          [`w${i}`, `weight${i}`],
        ]),
      );
      book.tell($localize`Order`, name(jobs));
      const sum = jobs.map((_, i) => `w${i} * t${i}`).join(' + ');
      book.show('waited', $localize`Waited for all, weighted`, 'min', sum, inputs, SMITH);
      book.showKnown('asTold', $localize`In the order as typed`, weightedWait(told), 'min');
    },
  },
];
