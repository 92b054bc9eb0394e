import { HttpErrorResponse } from '@angular/common/http';
import { type Problem, problemSchema } from '@druckerei/contract';

/** What went wrong with a call, ready to be shown. */
export interface Failure {
  /** 0 where the server was not reached. */
  readonly status: number;
  readonly text: string;
  readonly problem: Problem | undefined;
}

/** Reads the server's problem details; a server that did not answer is a failure too. */
export function failureOf(error: unknown): Failure {
  if (!(error instanceof HttpErrorResponse)) throw error;
  const parsed = problemSchema.safeParse(error.error);
  const problem = parsed.success ? parsed.data : undefined;
  if (error.status === 0)
    return { status: 0, text: 'The server cannot be reached. What you typed is kept on this computer.', problem };
  const fields = problem?.errors?.map(({ message }) => message).join(' ') ?? '';
  return {
    status: error.status,
    text: [problem?.title ?? 'The server could not do this', fields || problem?.detail].filter(Boolean).join('. '),
    problem,
  };
}
