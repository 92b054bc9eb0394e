import { type FigureBook, GRAMS, IDENTITY } from '../kernel/index.js';
import type { JobFlow } from './build-graph.js';
import type { Job } from './job.js';

interface Context {
  readonly job: Job;
  readonly jobFlow: JobFlow;
  readonly book: FigureBook;
}

/**
 * Paper, board and film that do not leave as product: bought paper and parts, with what stations put onto them, less what is
 * delivered. Source: identity (balance of mass; `materialBalance` tells where it goes).
 */
export function wasteFigure({ job, jobFlow, book }: Context): void {
  const inputs: Record<string, string> = { paper: 'total.paperKg' };
  const terms = ['paper'];
  let value = book.value('total.paperKg');
  const add = (name: string, sign: '+' | '-', figure: string): void => {
    inputs[name] = figure;
    terms.push(`${sign} ${name}`);
    value += sign === '+' ? book.value(figure) : -book.value(figure);
  };
  const kg = (id: string, name: string, count: string, grams: number): string =>
    book.reckon(id, name, (book.value(count) * grams) / GRAMS, 'kg', 'count * mass / 1000', {
      count,
      mass: book.give(`${id}.mass`, 'Mass of one', grams, 'g', IDENTITY),
    });
  job.parts?.forEach(({ id, name, massG = 0 }, i) => {
    if (massG > 0) add(`part${i + 1}`, '+', kg(`part.${id}.kg`, name, `part.${id}.count`, massG));
  });
  job.route.forEach(({ id }, i) => {
    const gain = jobFlow.gains.get(id) ?? 0;
    if (gain > 0) add(`put${i + 1}`, '+', kg(`step.${id}.putOnKg`, 'Put on', `step.${id}.processUnits`, gain));
  });
  jobFlow.demands.forEach(({ material, figure }, i) => {
    const grams = jobFlow.materials.get(material)?.massG ?? 0;
    add(`product${i + 1}`, '-', kg(`product.${material}.kg`, 'Delivered', figure, grams));
  });
  book.reckon('total.wasteKg', 'Waste of paper, board and film', value, 'kg', terms.join(' '), inputs);
}
