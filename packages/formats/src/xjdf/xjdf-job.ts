import { type Job, type Works, beginOrder, isCalendarDay, readProduct } from '@druckerei/core';
import { issueText, parseJobFile, usualText } from '@druckerei/contract';
import type { ToldXjdf } from './read-xjdf.js';
import { writable } from './tree.js';

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
      why: read.errors.map(({ path, message }) => `The job file in it: ${path === '' ? '' : `${path}: `}${message}`),
    };
  const said: string[] = [];
  let { job } = read;
  for (const field of fieldsOf(job, told)) {
    if (field.told === undefined || field.told === writable(field.was)) continue;
    said.push(`${field.name} is ${field.told}, and the job file in it says ${field.was}: ${field.told} was taken.`);
    job = field.set(job, field.told);
  }
  return { job, said };
}

/** A job out of what another program asks for. */
function wantedJob(told: ToldXjdf, works: Works, number: string): XjdfJob {
  const { product } = told;
  if (!product)
    return { job: undefined, why: ['There is no product in it: a ProductList with a Product says what is wanted.'] };
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
    { read: readProduct(product, works), first: 'day' },
    works,
  );
  if (!begun.ok) return { job: undefined, why: begun.issues.map(issueText) };
  const { job, usual, left } = begun.value;
  return {
    job,
    said: [
      ...(usual.length > 0 ? [`Taken as usual: ${usualText(usual)}.`] : []),
      ...left.map((one) => `The works has no ${one}; what is usual was taken.`),
    ],
  };
}

/** The job of an exchange file, with what came with it that is not understood. @param number of the next job, where the file tells none. */
export function xjdfJob(told: ToldXjdf, works: Works, number: string): XjdfJob {
  const made = told.jobFile === undefined ? wantedJob(told, works, number) : ownJob(told.jobFile, told);
  if (made.job === undefined || told.foreign.length === 0) return made;
  return { ...made, job: { ...made.job, foreign: told.foreign } };
}
