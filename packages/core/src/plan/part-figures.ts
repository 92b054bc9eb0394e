import { type FigureBook, GIVEN, table } from '../kernel/index.js';
import { takenBy } from './material/index.js';
import { type Job, partMaterial } from './job.js';

/** How many of each bought part the stations that take it use up. Source: identity. */
export function partFigures(book: FigureBook, job: Job): void {
  for (const { id, name } of job.parts ?? []) {
    const inputs = table<string>();
    const terms: string[] = [];
    let count = 0;
    for (const step of job.route)
      for (const { material, usage } of takenBy(step)) {
        if (material !== partMaterial(id)) continue;
        const n = terms.length + 1;
        inputs[`units${n}`] = `step.${step.id}.processUnits`;
        inputs[`each${n}`] = book.give(`step.${step.id}.takes.${id}`, `${name}, taken for one`, usage, 'pieces', GIVEN);
        count += book.value(`step.${step.id}.processUnits`) * usage;
        terms.push(`units${n} * each${n}`);
      }
    book.reckon(`part.${id}.count`, name, count, 'pieces', terms.join(' + ') || '0', inputs);
  }
}
