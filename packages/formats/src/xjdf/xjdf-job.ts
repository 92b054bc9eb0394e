import { type InkUse, type Job, type Works, beginOrder, isCalendarDay, readProduct } from '@druckerei/core';
import { issueText, parseJobFile, usualText } from '@druckerei/contract';
import type { ToldXjdf } from './read-xjdf.js';
import type { ToldColours, ToldProduct } from './read-product.js';
import { writable } from './tree.js';
import { inkOfSeparation } from './words.js';

/** A job out of an exchange file with what is to be said of it, or why there is none. */
export type XjdfJob =
  | { readonly job: Job; readonly said: readonly string[] }
  | { readonly job: undefined; readonly why: readonly string[] };

/** A field that an XJDF tells beside the job file in it. */
interface Field {
  readonly name: string;
  readonly told: string | undefined;
  readonly was: string;
  readonly set: (job: Job, told: string) => Job;
}

const fieldsOf = (job: Job, { number, title, customer, quantity, due }: ToldXjdf): readonly Field[] => [
  { name: 'JobID', told: number, was: job.number, set: (to, told) => ({ ...to, number: told }) },
  { name: 'DescriptiveName', told: title, was: job.title, set: (to, told) => ({ ...to, title: told }) },
  { name: 'OrganizationName', told: customer, was: job.customer, set: (to, told) => ({ ...to, customer: told }) },
  {
    name: 'Amount',
    told: quantity,
    was: String(job.order.quantity),
    set: (to, told) => ({ ...to, order: { ...to.order, quantity: Number(told) } }),
  },
  // Of what is delivered in parts the file tells the last day, which need not be that of the job.
  ...(job.order.deliveries
    ? []
    : [{ name: 'Required', told: due, was: job.due ?? '', set: (to: Job, told: string) => ({ ...to, due: told }) }]),
];

/** The job that one of ours wrote into the file; what the standard's own elements tell otherwise since goes before it. */
function ownJob(text: string, told: ToldXjdf): XjdfJob {
  const read = parseJobFile(text);
  if (!read.ok)
    return {
      job: undefined,
      why: read.errors.map(
        ({ path, message }) => $localize`The job file in it: ${path === '' ? '' : `${path}: `}${message}`,
      ),
    };
  const said: string[] = [];
  let { job } = read;
  for (const field of fieldsOf(job, told)) {
    if (field.told === undefined || field.told === writable(field.was)) continue;
    said.push(
      $localize`${field.name} is ${field.told}, and the job file in it says ${field.was}\: ${field.told} was taken.`,
    );
    job = field.set(job, field.told);
  }
  return { job, said };
}

/** Pages of a product, sides of a page in millimetres, and inks of a side: what is more is no product. */
const MOST_PAGES = 4_096;
const MOST_MM = 10_000;
const MOST_INKS = 12;

/** What no product has, in words. */
function beyond({ pages = 0, widthMm = 0, heightMm = 0, colours }: ToldProduct): string[] {
  const side = Math.max(widthMm, heightMm);
  const inks = Math.max(colours?.front.length ?? 0, colours?.back.length ?? 0);
  return [
    ...(pages > MOST_PAGES ? [$localize`${pages} pages are more than ${MOST_PAGES}.`] : []),
    ...(side > MOST_MM ? [$localize`A side of ${side} mm is longer than ${MOST_MM} mm.`] : []),
    ...(inks > MOST_INKS ? [$localize`${inks} inks of a side are more than ${MOST_INKS}.`] : []),
  ];
}

/** A job whose components have the inks that the file names, on the sides that carry so many. */
function withNames(job: Job, told: ToldColours): Job {
  const named = (inks: readonly InkUse[], separations: readonly string[]): readonly InkUse[] =>
    inks.length === separations.length
      ? separations.map((one) => ({ name: inkOfSeparation(one) ?? one.replaceAll('_', ' ') }))
      : inks;
  const components = job.components.map((one) => ({
    ...one,
    front: named(one.front, told.front),
    back: named(one.back, told.back),
  }));
  return { ...job, components };
}

/** A job out of what another program asks for. */
function wantedJob(told: ToldXjdf, works: Works, number: string): XjdfJob {
  const { product } = told;
  if (!product)
    return {
      job: undefined,
      why: [$localize`There is no product in it: a ProductList with a Product says what is wanted.`],
    };
  const { colours, ...of } = product;
  const wrong = beyond(product);
  if (wrong.length > 0) return { job: undefined, why: wrong };
  const due = told.due === undefined || isCalendarDay(told.due) ? (told.due ?? '') : '';
  const begun = beginOrder(
    {
      number: told.number === '' ? number : told.number,
      title: told.title ?? '',
      customer: told.customer ?? '',
      quantity: told.quantity ?? '',
      due,
      product: product.words,
    },
    {
      read: readProduct(
        { ...of, colours: colours && { front: colours.front.length, back: colours.back.length } },
        works,
      ),
      first: 'day',
    },
    works,
  );
  if (!begun.ok) return { job: undefined, why: begun.issues.map(issueText) };
  const { job, usual, left } = begun.value;
  return {
    job: colours ? withNames(job, colours) : job,
    said: [
      ...(usual.length > 0 ? [$localize`Taken as usual: ${usualText(usual)}.`] : []),
      ...left.map((one) => $localize`The works has no ${one}; what is usual was taken.`),
    ],
  };
}

/** The job of an exchange file, with what came with it that is not understood. @param number of the next job, where the file tells none. */
export function xjdfJob(told: ToldXjdf, works: Works, number: string): XjdfJob {
  const made = told.jobFile === undefined ? wantedJob(told, works, number) : ownJob(told.jobFile, told);
  if (made.job === undefined) return made;
  const whole = told.foreign.length === 0 ? made.job : { ...made.job, foreign: told.foreign };
  // What another program wrote may be longer than a job holds.
  const checked = parseJobFile(JSON.stringify(whole));
  if (!checked.ok) return { job: undefined, why: checked.errors.map(({ path, message }) => `${path}: ${message}`) };
  return { ...made, job: checked.job };
}
