import { numberText } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import type { Norm } from './norm.js';
import { TABLE_ROWS } from './shipped-norms.js';

/** What a norm of an operation may be told for by itself. */
export interface NormScope {
  readonly machine?: string | undefined;
  /** Surface of the stock. */
  readonly coated?: boolean | undefined;
  /** Net process units of the run. */
  readonly run?: number | undefined;
}

/** Upper ends of the bands of run length, the same as the spoilage table's. */
const BANDS = TABLE_ROWS.map(([upTo]) => upTo);
const bandOf = (run: number): string => {
  const upTo = BANDS.find((end) => run <= end) ?? Infinity;
  return upTo === Infinity ? 'over' : String(upTo);
};
const AT = '@';

/** Norms that may be told for a machine, a run length or a surface: set-up and running spoilage of operations. */
const ofOperation = (id: string): boolean =>
  /^spoil\.[a-z-]+\.(setup|setupPer|setupVersion|running|runningPer)$/.test(id);
/** Norms that may be told for a machine: the spoilage table too, so that every process can have its own. */
const ofTable = (id: string): boolean => /^table\.[a-zA-Z0-9.]+$/.test(id);

/** Whether a norm may be told apart. */
export const mayScope = ({ id }: Norm): boolean => ofOperation(id) || ofTable(id);

/** Places where a norm is looked for before the house's own, nearest first: machine, run length, surface. */
export function scopedIds(id: string, { machine, coated, run }: NormScope): string[] {
  return [
    ...(machine === undefined ? [] : [`${id}${AT}machine=${machine}`]),
    ...(run === undefined ? [] : [`${id}${AT}run=${bandOf(run)}`]),
    ...(coated === undefined ? [] : [`${id}${AT}stock=${coated ? 'coated' : 'uncoated'}`]),
  ];
}

/** What norms that a works has set are about; a works may have set thousands. */
export interface SetNorms {
  /** Told for single machines, run lengths or surfaces: ids by the id of the norm itself. */
  readonly apart: ReadonlyMap<string, ReadonlySet<string>>;
  /** Any is told by run length, so that runs have to be known before norms. */
  readonly byRun: boolean;
  /** Any says what a stock weighs or how thick it is. */
  readonly ofStocks: boolean;
}

/** Norms that say what a stock is, beside its entry. */
export const ofStock = (id: string): boolean => id.startsWith('stock.') && /\.(gsm|bulk)$/.test(id);

const looked = new WeakMap<Works['norms'], SetNorms>();

/** What the norms that a works has set are about, looked through once. */
export function setNorms(norms: Works['norms']): SetNorms {
  const known = looked.get(norms);
  if (known) return known;
  const [apart, all] = [new Map<string, Set<string>>(), Object.keys(norms)];
  for (const id of all) {
    const base = baseId(id);
    if (base !== id) apart.set(base, (apart.get(base) ?? new Set()).add(id));
  }
  const byRun = [...apart.values()].some((ids) => [...ids].some((id) => id.includes(`${AT}run=`)));
  const made = { apart, byRun, ofStocks: all.some(ofStock) };
  looked.set(norms, made);
  return made;
}

/** A place that a norm may be told for. */
export interface ScopePlace {
  readonly scope: string;
  readonly name: string;
}

/** Places that a norm of the works may be told for, in words: the table for machines alone, it has run lengths itself. */
export function scopesOf({ machines }: Works, norm: Norm): readonly ScopePlace[] {
  const onMachines = machines.map(({ id, name }) => ({ scope: `machine=${id}`, name: $localize`on ${name}` }));
  if (ofTable(norm.id)) return onMachines;
  return [
    ...onMachines,
    ...BANDS.map((upTo, i) =>
      upTo === Infinity
        ? { scope: 'run=over', name: $localize`runs over ${numberText(BANDS[i - 1] ?? 0)}` }
        : { scope: `run=${upTo}`, name: $localize`runs up to ${numberText(upTo)}` },
    ),
    { scope: 'stock=coated', name: $localize`on coated stock` },
    { scope: 'stock=uncoated', name: $localize`on uncoated stock` },
  ];
}

/** Id of a norm told for a scope. */
export const scopedId = (id: string, scope: string): string => `${id}${AT}${scope}`;
/** The house's norm that a scoped one stands for. */
export function baseId(id: string): string {
  const at = id.indexOf(AT);
  return at < 0 ? id : id.slice(0, at);
}

/** A norm told for a scope; undefined where the works has no such norm, or no such place. */
export function scopedNorm(id: string, base: Norm | undefined, works: Works): Norm | undefined {
  const scope = id.slice(baseId(id).length + AT.length);
  const found = base && scopesOf(works, base).find((one) => one.scope === scope);
  return found && mayScope(base) ? { ...base, id, name: `${base.name}, ${found.name}` } : undefined;
}
