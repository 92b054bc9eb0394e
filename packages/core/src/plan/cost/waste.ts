import { type Entry, type Group, type Ledger, IDENTITY, rule } from '../../kernel/index.js';
import type { Job } from '../../job/index.js';
import type { JobFlow } from '../counting/build-graph.js';

interface Context {
  readonly job: Job;
  readonly jobFlow: JobFlow;
  readonly ledger: Ledger;
}

const KG = rule('', 'kg', 'count * mass / 1000');

/**
 * Paper, board and film that do not leave as product: bought paper and parts, with what stations put onto them, less what is
 * delivered. Source: identity (balance of mass; `materialBalance` tells where it goes).
 */
export function wasteFigure({ job, jobFlow, ledger }: Context): void {
  const total = ledger.group('total');
  const inputs: Record<string, Entry> = { paper: total.of('paperKg') };
  const terms = ['paper'];
  const add = (name: string, sign: '+' | '-', entry: Entry): void => {
    inputs[name] = entry;
    terms.push(`${sign} ${name}`);
  };
  const kg = (at: Group, field: string, name: string, count: Entry, grams: number): Entry => {
    const mass = at.give(`${field}.mass`, $localize`Mass of one`, grams, 'g', IDENTITY);
    return at.reckon(field, KG, { count, mass }, { name });
  };
  job.parts?.forEach(({ id, name, massG = 0 }, i) => {
    const part = ledger.group(`part.${id}`);
    if (massG > 0) add(`part${i + 1}`, '+', kg(part, 'kg', name, part.of('count'), massG));
  });
  job.route.forEach(({ id }, i) => {
    const gain = jobFlow.gains.get(id) ?? 0;
    const at = ledger.step(id);
    if (gain > 0) add(`put${i + 1}`, '+', kg(at, 'putOnKg', $localize`Put on`, at.of('processUnits'), gain));
  });
  jobFlow.demands.forEach(({ material, figure }, i) => {
    const grams = jobFlow.materials.get(material)?.massG ?? 0;
    add(`product${i + 1}`, '-', kg(ledger.group(`product.${material}`), 'kg', $localize`Delivered`, figure, grams));
  });
  total.reckon('wasteKg', rule($localize`Waste of paper, board and film`, 'kg', terms.join(' ')), inputs);
}
