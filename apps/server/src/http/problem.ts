import { randomUUID } from 'node:crypto';
import { isNativeError } from 'node:util/types';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { FieldError, Revision } from '@druckerei/contract';
import { inEveryTongue } from '@druckerei/core';
import { endOfTheWay, isOnTheWay } from './on-the-way.js';
import { isAway, isHeld, mayTryAgain, unkeepable, violated } from '../db/errors.js';

interface Details {
  readonly detail?: string;
  readonly errors?: readonly FieldError[];
  /** The version that stands on the server, where a save was refused. */
  readonly current?: Revision;
}

/** Anything wrong with a request, answered as RFC 9457 problem details. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly details: Details = {},
  ) {
    super(title);
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, $localize`${what} does not exist`);
export const invalid = (errors: readonly FieldError[]): ProblemError =>
  new ProblemError(422, $localize`Some values cannot be used`, { errors });

/** Constraints that a user can run into, in words. Every other violation is our own bug. */
const constraints = inEveryTongue(
  (): ReadonlyMap<string, ProblemError> =>
    new Map(
      Object.entries({
        job_number_unique: new ProblemError(409, $localize`This job number is taken`, {
          errors: [{ path: 'number', message: $localize`This job number is taken. Choose another.` }],
        }),
        customer_order_number_unique: new ProblemError(409, $localize`This order number is taken`, {
          errors: [{ path: 'number', message: $localize`This order number is taken. Choose another.` }],
        }),
        offer_number_unique: new ProblemError(409, $localize`This offer number is taken`, {
          errors: [{ path: 'number', message: $localize`This offer number is taken. Choose another.` }],
        }),
        hook_name_unique: new ProblemError(409, $localize`An address is called this already`, {
          detail: $localize`Call it something else, or change the one that is there.`,
        }),
        supplier_name_unique: new ProblemError(409, $localize`The works has a supplier of this name`, {
          errors: [
            {
              path: 'name',
              message: $localize`The works has a supplier of this name. Choose another, or change that one.`,
            },
          ],
        }),
        purchase_number_unique: new ProblemError(409, $localize`This order number is taken`, {
          errors: [{ path: 'number', message: $localize`This order number is taken. Choose another.` }],
        }),
        house_fold_pk: new ProblemError(409, $localize`The works keeps folds of this name`, {
          errors: [{ path: 'name', message: $localize`The works keeps folds of this name. Choose another.` }],
        }),
        revision_one_draft: new ProblemError(409, $localize`Somebody else has just opened a draft of this job`),
        revision_pk: new ProblemError(409, $localize`Somebody else has just opened this revision`),
        book_entry_uid_unique: new ProblemError(
          409,
          $localize`An entry of this name is in the book of another job already`,
        ),
        book_entry_frozen: new ProblemError(409, $localize`A record stays as it is; take it back instead`),
        revision_frozen: new ProblemError(409, $localize`This revision is released and stays as it is`),
      }),
    ),
);

function send(response: Response, { status, title, details }: ProblemError): void {
  const problem = { type: 'about:blank', title, status, ...details };
  if (isOnTheWay(response)) {
    endOfTheWay(response, { problem });
    return;
  }
  if (status === 503) response.setHeader('Retry-After', '2');
  response.status(status).type('application/problem+json').send(JSON.stringify(problem));
}

/** Errors of express's own readers: malformed JSON, too large, wrong encoding, a header that cannot be. */
function readProblem(error: unknown): ProblemError | undefined {
  if (!isNativeError(error)) return undefined;
  const { type, status, code } = error as Error & { type?: unknown; status?: unknown; code?: unknown };
  if (type === 'entity.parse.failed') return new ProblemError(400, $localize`The body is no JSON`);
  if (type === 'entity.too.large') return new ProblemError(413, $localize`The body is larger than 2 MB`);
  if (typeof code === 'string' && code.startsWith('Z_'))
    return new ProblemError(400, $localize`The body is not packed as its Content-Encoding says`);
  return typeof status === 'number' && status >= 400 && status < 500
    ? new ProblemError(status, $localize`The request cannot be read`)
    : undefined;
}

/** What the database says: away or busy, or a value that it cannot keep. */
function databaseProblem(error: unknown): ProblemError | undefined {
  if (isAway(error))
    return new ProblemError(
      503,
      $localize`The database is away for the moment. Nothing was saved; try again in a few seconds.`,
    );
  if (isHeld(error) || mayTryAgain(error))
    return new ProblemError(503, $localize`Others are writing to the same thing. Nothing was saved; try again.`);
  const why = unkeepable(error);
  return why === undefined ? undefined : new ProblemError(400, why);
}

/** What somebody is told of an error of our own or of the database; undefined where it is a bug. */
export const problemOf = (error: unknown): ProblemError | undefined =>
  error instanceof ProblemError ? error : (constraints().get(violated(error) ?? '') ?? databaseProblem(error));

/** A path with a broken percent sign. */
const pathProblem = (error: unknown): ProblemError | undefined =>
  error instanceof URIError ? new ProblemError(400, $localize`The address cannot be read`) : undefined;

export const unknownRoute: RequestHandler = () => {
  throw notFound($localize`This address`);
};

export const answerProblems: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent && !isOnTheWay(response)) {
    next(error);
    return;
  }
  const known = problemOf(error) ?? readProblem(error) ?? pathProblem(error);
  if (known) {
    if (known.status >= 500) request.log.warn({ err: error }, known.title);
    send(response, known);
    return;
  }
  const id = randomUUID();
  request.log.error({ err: error, errorId: id }, 'unexpected error');
  send(
    response,
    new ProblemError(500, $localize`Something went wrong on our side. Nothing was saved.`, {
      detail: $localize`In the log of the server this is error ${id}.`,
    }),
  );
};
