import {
  type ExerciseGrade,
  SHIFT_KIND,
  makeExercise,
  makeShift,
  marksOf,
  playShift,
  shiftEnd,
  shiftShare,
  table,
} from '@druckerei/core';
import { type FilledExercise, type Reached, issueText } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';

/** Exercises of a sheet, where nobody says how many. */
const USUAL = 6;

const reachedBy = (queries: Queries, { id }: { readonly id: number }): Promise<Reached[]> =>
  queries.many<Reached & Record<string, unknown>>('practice/own', id);

/** Share of the marks of an exercise as it is filled. Issues: 422 where there is no such one, or a row is not its own. */
function marked({ kind, seed, grade, answers }: FilledExercise): number {
  const made = makeExercise(kind, seed, grade);
  if (!made.ok) throw invalid(made.issues.map((issue) => ({ path: 'kind', message: issueText(issue) })));
  const rows = new Set(made.value.rows.map(({ id }) => id));
  const strange = answers.findIndex(({ row }) => !rows.has(row));
  if (strange >= 0)
    throw invalid([
      { path: `answers[${strange}].row`, message: $localize`This exercise has the rows ${[...rows].join(', ')}.` },
    ]);
  const filled = table<number>();
  for (const { row, value } of answers) filled[row] = value;
  return marksOf(made.value, filled);
}

export const practiceHandlers = ({
  database,
  workshop,
}: Bench): Pick<Handlers, 'exerciseSheet' | 'reached' | 'fillExercise' | 'playShift' | 'practiceClass'> => ({
  reached: ({ account }) => reachedBy(database, account),

  fillExercise: async ({ account, body }) => {
    const { kind, seed, grade } = body;
    await database.one('practice/add', account.id, kind, seed, grade, marked(body));
    return reachedBy(database, account);
  },

  playShift: async ({ account, body: { seed, decisions, extra } }) => {
    const shift = makeShift(seed);
    const share = shiftShare(shift, shiftEnd(shift, playShift(shift, decisions), extra));
    await database.one('practice/add', account.id, SHIFT_KIND, seed, 1, share);
    return reachedBy(database, account);
  },

  practiceClass: () => database.many('practice/class'),
  exerciseSheet: async ({ params: { kind }, query, response }) => {
    const { seed = 1, count = USUAL } = query;
    const answers = query.answers === '1';
    const { name: works } = await currentWorks(database);
    const grade = Number(query.grade ?? 1) as ExerciseGrade;
    const asked = { kind, seed, grade, count, answers, works, at: new Date() };
    const made = await workshop.run('exerciseSheet', asked);
    response.setHeader(
      'Content-Disposition',
      `inline; filename="practice-${kind}-${seed}${answers ? '-answers' : ''}.pdf"`,
    );
    return Buffer.from(made);
  },
});
