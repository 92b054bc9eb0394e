import type { ExerciseGrade } from '@druckerei/core';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';

/** Exercises of a sheet, where nobody says how many. */
const USUAL = 6;

export const practiceHandlers = ({ database, workshop }: Bench): Pick<Handlers, 'exerciseSheet'> => ({
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
