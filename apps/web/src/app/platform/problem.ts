import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@druckerei/contract';
import { UNDER_WAY } from '@druckerei/contract/plain';

/** What went wrong with a call, ready to be shown. */
export interface Failure {
  /** 0 where the server was not reached. */
  readonly status: number;
  readonly text: string;
  readonly problem: Problem | undefined;
}

const isText = (value: unknown): boolean => value === undefined || typeof value === 'string';
const isField = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'path' in value && 'message' in value && isText(value.message);

/** Whether an answer has the shape of problem details: a proxy before the server may answer with a page of its own. */
function isProblem(body: unknown): body is Problem {
  if (typeof body !== 'object' || body === null) return false;
  const { type, title, status, detail, errors = [] } = body as Partial<Record<keyof Problem, unknown>>;
  return (
    typeof type === 'string' &&
    typeof title === 'string' &&
    typeof status === 'number' &&
    isText(detail) &&
    Array.isArray(errors) &&
    errors.every(isField)
  );
}

/** Lists whose entries have no other name than their place. */
const LISTED: Readonly<Record<string, string>> = {
  lines: $localize`Line`,
  prices: $localize`Price`,
  places: $localize`Place`,
};

/** What is wrong with a field; with the place of its entry where that is in a list. */
function withPlace({ path, message }: { readonly path: string; readonly message: string }): string {
  const [, list = '', place = ''] = /^(\w+)\[(\d+)\]/.exec(path.replace(/^(purchase|supplier|customer)\./, '')) ?? [];
  const word = LISTED[list];
  return word === undefined ? message : `${word} ${Number(place) + 1}: ${message}`;
}

/** Reads the server's problem details; a server that did not answer is a failure too. */
export function failureOf(error: unknown): Failure {
  if (!(error instanceof HttpErrorResponse)) throw error;
  const body: unknown = error.error;
  const problem = isProblem(body) ? body : undefined;
  if (error.status === 0)
    return {
      status: 0,
      text: $localize`The server cannot be reached. What you typed is kept on this computer.`,
      problem,
    };
  const title = problem?.title ?? $localize`The server could not do this`;
  const fields = problem?.errors?.map(withPlace).join(' ') ?? '';
  return {
    status: error.status,
    // A field often says the same again, and what to do.
    text: [fields.startsWith(title) ? '' : title, fields || problem?.detail].filter(Boolean).join('. '),
    problem,
  };
}

/** Whether nothing is known of what the server made of a call: it is away, or somebody has to sign in again. */
export const isUnanswered = ({ status, problem }: Failure): boolean =>
  status === 0 || status === 401 || status >= 500 || problem?.title === UNDER_WAY;

/** Members of a list that are told one by one. */
const TOLD = 20;

/** What is wrong with the members of a list that was sent, each told by its line. @param lineOf line of a member. */
export function refusedLines(problem: Problem | undefined, lineOf: (at: number) => number | undefined): string {
  const errors = problem?.errors ?? [];
  const told = errors.slice(0, TOLD).map(({ path, message }) => {
    const line = lineOf(Number(/^\w+\[(\d+)\]/.exec(path)?.[1] ?? NaN));
    return line === undefined ? message : $localize`Line ${line}\: ${message}`;
  });
  return [...told, ...(errors.length > TOLD ? [$localize`And ${errors.length - TOLD} more.`] : [])].join(' ');
}
