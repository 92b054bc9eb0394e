import { type School, SCHOOLS, SHIPPED_WORKS, explain, plan } from '@druckerei/core';
import { issueText } from './messages.js';
import { parseJobFile } from './parse-job.js';

export interface ReckonOptions {
  readonly school?: string | undefined;
  readonly explain?: string | undefined;
}

/** What the command line prints: JSON for standard output, or one line an error for standard error. */
export type Reckoned =
  { readonly ok: true; readonly output: unknown } | { readonly ok: false; readonly lines: readonly string[] };

const isSchool = (value: string): value is School => SCHOOLS.some((school) => school === value);

/** Plans a job file headless, for the works as shipped. Never throws for what is in the file. */
export function reckon(text: string, options: ReckonOptions = {}): Reckoned {
  const fail = (...lines: string[]): Reckoned => ({ ok: false, lines });
  const { school } = options;
  if (school !== undefined && !isSchool(school))
    return fail(`--school: ${school} is no school; choose ${SCHOOLS.join(', ')}`);
  const parsed = parseJobFile(text);
  if (!parsed.ok)
    return fail(...parsed.errors.map(({ path, message }) => (path === '' ? message : `${path}: ${message}`)));
  const planned = plan(school === undefined ? parsed.job : { ...parsed.job, school }, SHIPPED_WORKS);
  if (!planned.ok) return fail(...planned.issues.map((issue) => `${issue.path}: ${issueText(issue)}`));
  if (options.explain === undefined) return { ok: true, output: planned.plan };
  const figure = explain(planned.plan.figures, options.explain);
  return figure ? { ok: true, output: figure } : fail(`--explain: the plan has no figure ${options.explain}`);
}
