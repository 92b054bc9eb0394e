import { XmlDocument } from 'libxml2-wasm';
import type { ForeignElement, RoomRecord } from '@druckerei/core';
import { auditPool } from './audits.js';
import { foreignXml } from './kept.js';
import { productList } from './products.js';
import { type Planned, resourceSets } from './resources.js';
import { OWN, VERSION, XJDF } from './subset.js';
import { type Tree, PREFIX, element, fill } from './tree.js';
import { PROCESSES } from './words.js';

/** A planned job, when it was made as it is, and what the floor has entered of it. */
export interface XjdfDocument extends Planned {
  readonly at: Date;
  readonly records: readonly RoomRecord[];
}

/** A comment that stands for the foreign element of a number. */
const place = (nth: number): string => `foreign ${nth}`;
const PLACES = /<!--foreign (\d+)-->/g;

/** Puts the places of foreign elements where these were found, or at the end where there is no such element any more. */
function withPlaces(root: Tree, foreign: readonly ForeignElement[]): Tree {
  const left = new Set(foreign.keys());
  const placed = (tree: Tree, at: string): Tree => {
    const seen = new Map<string, number>();
    const here = [...left].filter((nth) => foreign[nth]?.at === at);
    for (const nth of here) left.delete(nth);
    const children = tree.children.map((child) => {
      const nth = (seen.get(child.name) ?? 0) + 1;
      seen.set(child.name, nth);
      return placed(child, `${at}/${child.name}[${nth}]`);
    });
    return { ...tree, children, ...(here.length > 0 ? { comments: here.map(place) } : {}) };
  };
  const all = placed(root, '');
  return { ...all, comments: [...(all.comments ?? []), ...[...left].map(place)] };
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
  const document = XmlDocument.create();
  try {
    const top = document.createRoot('XJDF', XJDF);
    top.addNsDeclaration(OWN, PREFIX);
    fill(top, withPlaces(root, foreign));
    const text = document.toString({ format: true });
    return text.replace(PLACES, (_, nth: string) => foreignXml(foreign[Number(nth)]?.xml ?? '') ?? '');
  } finally {
    document.dispose();
  }
}
