import type { Source } from '../kernel/index.js';
import type { Norm } from './norm.js';
import { normCatalogue } from './norm-catalogue.js';
import { bandId, TABLE_ROWS } from './shipped-norms.js';
import type { SpoilageTable } from '../flow/index.js';
import type { Works } from './works.js';

/** A norm's value in force, and what would be in force one level up where somebody overrode it. */
export interface ResolvedNorm {
  readonly norm: Norm;
  readonly value: number;
  readonly source: Source;
  readonly otherwise?: number;
}

/** Looks norms up in the order: job, works, shipped. */
export type NormLookup = (id: string) => ResolvedNorm;

const IN_JOB: Source = { label: 'set by user', note: 'set in this job' };

/**
 * Norms in force for a job. Asking for an id that the catalogue does not have, or one out of its limits, is our own bug
 * once the job has been checked (see `normIssues`).
 */
export function normsOf(works: Works, jobNorms: Readonly<Record<string, number>>): NormLookup {
  const catalogue = normCatalogue(works);
  const known = new Map<string, ResolvedNorm>();
  const resolve = (id: string): ResolvedNorm => {
    const norm = catalogue.get(id);
    if (!norm) throw new Error(`no norm ${id}`);
    const house = works.norms[id] ?? { value: norm.value, source: norm.source };
    const inJob = jobNorms[id];
    if (inJob !== undefined) return { norm, value: inJob, source: IN_JOB, otherwise: house.value };
    return works.norms[id] ? { norm, ...house, otherwise: norm.value } : { norm, ...house };
  };
  return (id) => {
    const before = known.get(id);
    if (before) return before;
    const resolved = resolve(id);
    known.set(id, resolved);
    return resolved;
  };
}

/** The house's spoilage table out of its norms. */
export function spoilageTable(lookup: NormLookup): SpoilageTable {
  const value = (id: string) => lookup(id).value;
  return {
    bands: TABLE_ROWS.map(([upTo]) => {
      const id = bandId(upTo);
      return {
        id,
        upTo,
        shares: { c1: value(`${id}.c1`), c2: value(`${id}.c2`), c3: value(`${id}.c3`), c5: value(`${id}.c5`) },
        finishing: value(`${id}.finishing`),
      };
    }),
    floorBase: value('table.floorBase'),
    floorPerColour: value('table.floorPerColour'),
  };
}
