import type { ItemKind, Machine, Stock, Works } from '../works/index.js';
import { houseRuleNorm } from './house-rules.js';
import { type ItemNorms, ITEM_GROUPS, commonNorms, machineNorms, paperNorms, stockPrice } from './norm-lists.js';
import { baseId, mayScope, scopedId, scopedNorm, scopesOf, setNorms } from './norm-scope.js';
import type { Norm, NormGroup } from './norm.js';
import { packNorm, stockNorms } from './press-room-norms.js';

/** What is looked up in a works, made as it is asked for: a works may have thousands of stocks, and a job runs on one. */
class Catalogue {
  private readonly common: readonly (Norm | ItemNorms)[];
  private readonly commonById: ReadonlyMap<string, Norm>;
  private readonly machines: ReadonlyMap<string, Machine>;
  private readonly stocks: ReadonlyMap<string, Stock>;
  private readonly ofItem = new Map<Machine | Stock, ReadonlyMap<string, Norm>>();
  private list: ReadonlyMap<string, Norm> | undefined;

  constructor(private readonly works: Works) {
    this.common = commonNorms(works);
    this.commonById = byId(this.common.filter((one) => typeof one !== 'string'));
    this.machines = listById(works.machines);
    this.stocks = listById(works.stocks);
  }

  /** What is told of a norm by itself, for a machine, a run length or a surface. */
  private told(id: string): ReadonlySet<string> | undefined {
    return setNorms(this.works.norms).apart.get(id);
  }

  /** A norm that is listed; undefined where the works has none. */
  find(id: string): Norm | undefined {
    if (this.list) return this.list.get(id);
    const base = baseId(id);
    const norm = this.commonById.get(base) ?? this.ofItems(base);
    if (base === id || !norm) return base === id ? norm : undefined;
    return this.told(base)?.has(id) && mayScope(norm) ? scopedNorm(id, norm, this.works) : undefined;
  }

  /** A norm of a machine or a stock: `machine.<id>.<what>`, `stock.<id>.<what>`, `price.stock.<id>`. */
  private ofItems(id: string): Norm | undefined {
    const price = this.stocks.get(after(id, PRICE_OF));
    if (price) return stockPrice(price, this.works.currency);
    const [machine, stock] = [itemIn(after(id, 'machine.'), this.machines), itemIn(after(id, 'stock.'), this.stocks)];
    const item = machine ?? stock;
    return item && this.normsOf(item, machine).get(id);
  }

  private normsOf(item: Machine | Stock, machine: Machine | undefined): ReadonlyMap<string, Norm> {
    const known = this.ofItem.get(item);
    if (known) return known;
    const made = byId(machine ? machineNorms(machine, this.works.currency) : paperNorms(item as Stock));
    this.ofItem.set(item, made);
    return made;
  }

  /** Norms of one machine or stock. */
  of(kind: ItemKind, id: string): readonly Norm[] {
    const { currency } = this.works;
    const machine = kind === 'machine' ? this.machines.get(id) : undefined;
    if (machine) return [...this.normsOf(machine, machine).values()];
    const stock = kind === 'stock' ? this.stocks.get(id) : undefined;
    return stock ? [...this.normsOf(stock, undefined).values(), stockPrice(stock, currency)] : [];
  }

  /** Every norm, in the order of the list. */
  all(): ReadonlyMap<string, Norm> {
    this.list ??= byId(this.inOrder(this.common));
    return this.list;
  }

  /** Those of a group, without the others being made. */
  group(group: NormGroup): readonly Norm[] {
    return this.inOrder(
      this.common.filter((one) => (typeof one === 'string' ? ITEM_GROUPS[one] : one.group) === group),
    );
  }

  private inOrder(listed: readonly (Norm | ItemNorms)[]): Norm[] {
    const { machines, stocks, currency } = this.works;
    const norms = listed.flatMap((one) => {
      if (typeof one !== 'string') return [one];
      if (one === 'machines') return machines.flatMap((machine) => machineNorms(machine, currency));
      if (one === 'prices') return stocks.map((stock) => stockPrice(stock, currency));
      return [...stocks.flatMap(stockNorms), ...stocks.filter(({ sheets }) => sheets.length > 0).map(packNorm)];
    });
    return norms.flatMap((norm) => [norm, ...this.apart(norm)]);
  }

  /** What is told of a norm by itself, behind the norm. */
  private apart(norm: Norm): Norm[] {
    const told = this.told(norm.id);
    if (!told || !mayScope(norm)) return [];
    return scopesOf(this.works, norm).flatMap(({ scope }) => {
      const id = scopedId(norm.id, scope);
      return told.has(id) ? (scopedNorm(id, norm, this.works) ?? []) : [];
    });
  }
}

const byId = <Item extends { readonly id: string }>(items: readonly Item[]): ReadonlyMap<string, Item> =>
  new Map(items.map((item) => [item.id, item]));
/** The same of a list that is the same in many works, made once. */
const mapsOf = new WeakMap<object, ReadonlyMap<string, unknown>>();
function listById<Item extends { readonly id: string }>(items: readonly Item[]): ReadonlyMap<string, Item> {
  const made = (mapsOf.get(items) as ReadonlyMap<string, Item> | undefined) ?? byId(items);
  mapsOf.set(items, made);
  return made;
}
const PRICE_OF = 'price.stock.';
/** What stands behind the beginning of an id; empty where it begins otherwise. */
const after = (id: string, begin: string): string => (id.startsWith(begin) ? id.slice(begin.length) : '');

/** The item whose id a text begins with, up to one of its points: an id may have points of its own. */
function itemIn<Item>(text: string, items: ReadonlyMap<string, Item>): Item | undefined {
  for (let end = text.lastIndexOf('.'); end > 0; end = text.lastIndexOf('.', end - 1)) {
    const found = items.get(text.slice(0, end));
    if (found) return found;
  }
  return undefined;
}

const catalogues = new WeakMap<Works, Catalogue>();

function catalogueOf(works: Works): Catalogue {
  const known = catalogues.get(works);
  if (known) return known;
  const made = new Catalogue(works);
  catalogues.set(works, made);
  return made;
}

/** Every norm that a works has, by id, with shipped values. Cached by works, which is immutable. */
export const normCatalogue = (works: Works): ReadonlyMap<string, Norm> => catalogueOf(works).all();

/** Norms of one group in the order of the list; without making the others. */
export const normsOfGroup = (works: Works, group: NormGroup): readonly Norm[] => catalogueOf(works).group(group);

/** A norm that a works lists, by its id; without making the list. */
export const listedNorm = (works: Works, id: string): Norm | undefined => catalogueOf(works).find(id);

/** Norms that one machine or stock of a works has of its own; none where there is no such one, and of an ink or a supply. */
export const normsOfItem = (works: Works, kind: ItemKind, id: string): readonly Norm[] =>
  catalogueOf(works).of(kind, id);

/** A norm by its id, told for a machine, a run length or a surface too; undefined where the works has none. */
export function normById(works: Works, id: string): Norm | undefined {
  return listedNorm(works, id) ?? houseRuleNorm(id) ?? scopedNorm(id, listedNorm(works, baseId(id)), works);
}
