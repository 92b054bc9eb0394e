import type { ForeignElement, RoomRecord } from '@druckerei/core';
import { auditPool } from './audits.js';
import { foreignXml } from './kept.js';
import { productList } from './products.js';
import { type Planned, resourceSets } from './resources.js';
import { OWN, VERSION, XJDF } from './subset.js';
import { type Tree, PREFIX, element, treeText } from './tree.js';
import { PROCESSES } from './words.js';

/** A planned job, when it was made as it is, and what the floor has entered of it. */
export interface XjdfDocument extends Planned {
  readonly at: Date;
  readonly records: readonly RoomRecord[];
}

/** Puts foreign elements where they were found, or at the end where there is no such element any more. */
function withForeign(root: Tree, foreign: readonly ForeignElement[]): Tree {
  const left = new Map(
    foreign.flatMap(({ at, xml }, nth) => {
      const sound = foreignXml(xml);
      return sound === undefined ? [] : [[nth, { at, xml: sound }] as const];
    }),
  );
  if (left.size === 0) return root;
  const take = (at?: string): string[] => {
    const here = [...left].filter(([, one]) => at === undefined || one.at === at);
    for (const [nth] of here) left.delete(nth);
    return here.map(([, { xml }]) => xml);
  };
  const placed = (tree: Tree, at: string): Tree => {
    const seen = new Map<string, number>();
    const verbatim = take(at);
    const children = tree.children.map((child) => {
      const nth = (seen.get(child.name) ?? 0) + 1;
      seen.set(child.name, nth);
      return placed(child, `${at}/${child.name}[${nth}]`);
    });
    return { ...tree, children, verbatim };
  };
  const all = placed(root, '');
  return { ...all, verbatim: [...(all.verbatim ?? []), ...take()] };
}

/** The job file as text that XML can hold whatever it says. */
const jobText = (job: Planned['job']): string =>
  JSON.stringify(job).replace(/[\uFFFE\uFFFF]/g, (sign) => `\\u${sign.charCodeAt(0).toString(16)}`);

/**
 * A job as XJDF: what is wanted, what it is made with and how, what the floor has counted, the job file itself as an element of ours, and what
 * another program wrote that is not of the subset. Source: from memory ({@link SUBSET}).
 */
export function writeXjdf({ job, plan, works, at, records }: XjdfDocument): string {
  const { foreign = [], ...own } = job;
  const root = element(
    'XJDF',
    {
      xmlns: XJDF,
      [`xmlns:${PREFIX}`]: OWN,
      JobID: job.number,
      Types: plan.steps.map(({ operation }) => PROCESSES[operation]),
      Version: VERSION,
      DescriptiveName: job.title,
    },
    [
      auditPool(at.toISOString(), plan.steps, records),
      productList(job, plan),
      ...resourceSets({ job, plan, works }),
      { ...element(`${PREFIX}:Job`), text: jobText(own) },
    ],
  );
  return `<?xml version="1.0" encoding="utf-8"?>\n${treeText(withForeign(root, foreign))}`;
}
