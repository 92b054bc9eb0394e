import type { Source } from '../kernel/index.js';
import type { SpoilageTable } from '../flow/index.js';
import type { Works } from '../works/index.js';
import type { Norm } from './norm.js';
import { listedNorm, normById } from './norm-catalogue.js';
import { type NormScope, ofStock, scopedIds, scopesOf, setNorms } from './norm-scope.js';
import { bandId, TABLE_ROWS } from './shipped-norms.js';

/** A norm's value in force, and what would be in force one level up where somebody overrode it. */
export interface ResolvedNorm {
  readonly norm: Norm;
  readonly value: number;
  readonly source: Source;
  readonly otherwise?: number;
}

/** Looks norms up in the order: job; machine, run length, surface where the works tells them apart; works; shipped. */
export type NormLookup = (id: string, scope?: NormScope) => ResolvedNorm;

const IN_JOB: Source = { label: 'set by user', note: $localize`set in this job` };

/** Norms asked for last in a works, by what the job sets itself. */
const known = new WeakMap<Works, { readonly letters: string; readonly lookup: NormLookup }>();

/**
 * Norms in force for a job. Asking for an id that the catalogue does not have, or one out of its limits, is our own bug
 * once the job has been checked (see `normIssues`).
 */
export function normsOf(works: Works, jobNorms: Readonly<Record<string, number>>): NormLookup {
  const letters = JSON.stringify(jobNorms);
  const before = known.get(works);
  if (before?.letters === letters) return before.lookup;
  const lookup = makeLookup(works, jobNorms);
  known.set(works, { letters, lookup });
  return lookup;
}

function makeLookup(works: Works, jobNorms: Readonly<Record<string, number>>): NormLookup {
  const found = new Map<string, ResolvedNorm>();
  const resolve = (id: string): ResolvedNorm => {
    const norm = listedNorm(works, id);
    if (!norm) throw new Error(`no norm ${id}`);
    const house = works.norms[id] ?? { value: norm.value, source: norm.source };
    const inJob = jobNorms[id];
    if (inJob !== undefined) return { norm, value: inJob, source: IN_JOB, otherwise: house.value };
    return works.norms[id] ? { norm, ...house, otherwise: norm.value } : { norm, ...house };
  };
  const find = (id: string): ResolvedNorm => {
    const before = found.get(id);
    if (before) return before;
    const resolved = resolve(id);
    found.set(id, resolved);
    return resolved;
  };
  const apart = setNorms(works.norms).apart.size > 0;
  return (id, scope) => {
    if (!apart || !scope || jobNorms[id] !== undefined) return find(id);
    const near = scopedIds(id, scope).find((one) => works.norms[one] !== undefined);
    return near === undefined ? find(id) : { ...find(near), otherwise: find(id).value };
  };
}

const atOwn = new WeakMap<Works, Works>();

/**
 * The works with its stocks as their norms say they are: grammage and bulk may be told by the house or in the job. The same
 * works where nobody tells them, and one of each where the job does not.
 */
export function withStockNorms(works: Works, jobNorms: Readonly<Record<string, number>>): Works {
  const inJob = Object.keys(jobNorms).some(ofStock);
  if (!inJob && !setNorms(works.norms).ofStocks) return works;
  const known = inJob ? undefined : atOwn.get(works);
  if (known) return known;
  const value = (id: string, shipped: number): number => jobNorms[id] ?? works.norms[id]?.value ?? shipped;
  const stocks = works.stocks.map((stock) => {
    const gsm = value(`stock.${stock.id}.gsm`, stock.gsm);
    const bulk = value(`stock.${stock.id}.bulk`, stock.bulk);
    return gsm === stock.gsm && bulk === stock.bulk ? stock : { ...stock, gsm, bulk };
  });
  const made = { ...works, stocks };
  if (!inJob) atOwn.set(works, made);
  return made;
}

/** One level at which a norm may be told, and what is told there. */
export interface NormLevel {
  readonly name: string;
  readonly value: number | undefined;
  /** This is the one in force. */
  readonly inForce: boolean;
}

/** Where a norm's value comes from: every level from the job to what was shipped, nearest first. */
export function normLevels(
  works: Works,
  jobNorms: Readonly<Record<string, number>>,
  id: string,
  scope: NormScope,
): NormLevel[] {
  const base = normById(works, id);
  const names = new Map(base ? scopesOf(works, base).map(({ scope: of, name }) => [of, name]) : []);
  const levels = [
    { name: $localize`in this job`, value: jobNorms[id] },
    ...scopedIds(id, scope).flatMap((one) => {
      const name = names.get(one.slice(id.length + 1));
      return name === undefined ? [] : [{ name, value: works.norms[one]?.value }];
    }),
    { name: $localize`in the house`, value: works.norms[id]?.value },
    { name: $localize`as shipped`, value: base?.value },
  ];
  const first = levels.findIndex(({ value }) => value !== undefined);
  return levels.map((level, i) => ({ ...level, inForce: i === first }));
}

/** Tables read, by machine. */
const tables = new WeakMap<NormLookup, Map<string | undefined, SpoilageTable>>();

/** The house's spoilage table out of its norms, as it is told for a machine. */
export function spoilageTable(lookup: NormLookup, scope: NormScope): SpoilageTable {
  const kept = tables.get(lookup) ?? new Map<string | undefined, SpoilageTable>();
  const before = kept.get(scope.machine);
  if (before) return before;
  const table = readTable(lookup, scope);
  kept.set(scope.machine, table);
  tables.set(lookup, kept);
  return table;
}

function readTable(lookup: NormLookup, scope: NormScope): SpoilageTable {
  const value = (id: string) => lookup(id, scope).value;
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
