import { type Entry, type Ledger, GIVEN, rule, table } from '../../kernel/index.js';
import { takenBy } from '../../material/index.js';
import { type Job, partMaterial } from '../../job/index.js';

/** How many of each bought part the stations that take it use up. Source: identity. */
export function partFigures(ledger: Ledger, job: Job): void {
  for (const { id, name } of job.parts ?? []) {
    const inputs = table<Entry>();
    const terms: string[] = [];
    for (const step of job.route)
      for (const { material, usage } of takenBy(step)) {
        if (material !== partMaterial(id)) continue;
        const n = terms.length + 1;
        const at = ledger.step(step.id);
        inputs[`units${n}`] = at.of('processUnits');
        inputs[`each${n}`] = at.give(`takes.${id}`, $localize`${name}, taken for one`, usage, 'pieces', GIVEN);
        terms.push(`units${n} * each${n}`);
      }
    ledger.group(`part.${id}`).reckon('count', rule(name, 'pieces', terms.join(' + ') || '0'), inputs);
  }
}
