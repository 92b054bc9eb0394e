import { type Source, numberText, table } from '../../kernel/index.js';
import { isWithin, listedNorm, normsOf } from '../../norms/index.js';
import { type ComponentLayout, paperNeed, paperOfLayout } from '../../press-sheet/index.js';
import {
  type DayPrice,
  type NormValue,
  type Purchase,
  type SupplyId,
  type Works,
  SUPPLIES,
  dayPrice,
  inkKey,
  paperKey,
  supplyKey,
} from '../../works/index.js';

/** What a plan buys, as far as suppliers are asked for it. */
export interface Bought {
  /** Kilograms of a component's paper. */
  readonly kgOf: (component: string) => number;
  /** Value of a figure: sheets. */
  readonly valueOf: (figure: string) => number;
  readonly layouts: readonly ComponentLayout[];
  /** How much of each supply the stations use up. */
  readonly supplies: ReadonlyMap<SupplyId, number>;
  /** Kilograms of each ink, by its name. */
  readonly inks: Readonly<Record<string, number>>;
}

const noteOf = ({ seller, priced: { price } }: DayPrice, day: string, unit: string): string => {
  const of = price.measure === 'kg' ? 'kg' : unit;
  const from = price.from === undefined ? '' : $localize`, from ${numberText(price.from)} ${of} on`;
  return $localize`${seller.name} asks ${numberText(price.price, 4)} for ${price.per} ${of}${from}, ${day}`;
};
const told = (note: string): Source => ({ label: 'set by user', note });

/** Components whose paper the works buys. */
const ownPaper = ({ layouts }: Bought): ComponentLayout[] =>
  layouts.filter(({ component }) => component.paperOwner !== 'customer');

/** What a kilogram of a paper costs where all of the job is bought at the least that suppliers ask for each size of it. */
function paperPrice(
  works: Works,
  day: string,
  layouts: readonly ComponentLayout[],
  bought: Bought,
): NormValue | undefined {
  const sizes = new Map<string, { readonly one: Purchase; readonly kg: number }>();
  for (const layout of layouts) {
    const paper = paperOfLayout(layout);
    const key = paperKey(paper);
    const { figure, unit } = paperNeed(layout);
    const [kg, before] = [bought.kgOf(layout.component.id), sizes.get(key)];
    // Rolls are weighed.
    const quantity = (unit === 'rolls' ? kg : bought.valueOf(figure)) + (before?.one.quantity ?? 0);
    sizes.set(key, { one: { key, paper, quantity, unit: unit === 'rolls' ? 'kg' : unit }, kg: kg + (before?.kg ?? 0) });
  }
  let [sum, kilos] = [0, 0];
  const notes: string[] = [];
  for (const { one, kg } of sizes.values()) {
    const found = dayPrice(works, one);
    // One price is told of a paper: where a size of it has none, the norm stands for all.
    if (!found || kg <= 0) return undefined;
    const { price } = found.priced;
    sum += (price.price / price.per) * (price.measure === 'kg' ? kg : one.quantity);
    kilos += kg;
    notes.push(noteOf(found, day, one.unit));
  }
  return kilos > 0 ? { value: sum / kilos, source: told([...new Set(notes)].join('; ')) } : undefined;
}

/**
 * What a kilogram of ink costs over all inks of a job: each at the least that is asked for it, the others at their norm.
 * Undefined where nobody asks for any.
 */
function inkPrice(works: Works, day: string, inks: Bought['inks']): NormValue | undefined {
  const norm = normsOf(works, {})('price.ink').value;
  let [sum, kilos] = [0, 0];
  const notes: string[] = [];
  for (const [name, kg] of Object.entries(inks)) {
    const found = kg > 0 ? dayPrice(works, { key: inkKey(name), quantity: kg, unit: 'kg' }) : undefined;
    if (found) notes.push(`${name}: ${noteOf(found, day, 'kg')}`);
    sum += kg * (found ? found.priced.price.price / found.priced.price.per : norm);
    kilos += kg;
  }
  if (notes.length === 0) return undefined;
  const others = Object.values(inks).filter((kg) => kg > 0).length - notes.length;
  const rest = others > 0 ? [$localize`${others} more at ${numberText(norm, 4)}`] : [];
  return { value: sum / kilos, source: told([...notes, ...rest].join('; ')) };
}

/** The same of papers that the job could be run on instead, for as much as it buys now. */
function otherPapers(works: Works, day: string, bought: Bought): [string, NormValue][] {
  const layouts = ownPaper(bought);
  const taken = new Set(layouts.map(({ stock }) => stock.id));
  const kg = layouts.reduce((sum, { component }) => sum + bought.kgOf(component.id), 0);
  return works.stocks.flatMap(({ id }): [string, NormValue][] => {
    if (taken.has(id)) return [];
    const found = dayPrice(works, { key: '', paper: { stock: id, widthMm: 0 }, quantity: kg, unit: 'kg' });
    if (!found) return [];
    const { price } = found.priced;
    return [[`price.stock.${id}`, { value: price.price / price.per, source: told(noteOf(found, day, 'kg')) }]];
  });
}

/**
 * A works whose price norms are what its suppliers ask today for as much as a job buys: of papers by the kilogram, of its
 * inks together, and of what stations use up. Where nobody asks anything, the norm stands. Source: common practice, no source.
 * @param others with papers that the job could be run on instead: a works may have thousands
 */
export function worksAtDayPrices(works: Works, bought: Bought, others: boolean): Works {
  const { supplied } = works;
  if (!supplied) return works;
  const { day } = supplied;
  const layouts = ownPaper(bought);
  const stocks = [...new Set(layouts.map(({ stock }) => stock.id))];
  const papers = stocks.flatMap((id): [string, NormValue][] => {
    const price = paperPrice(
      works,
      day,
      layouts.filter(({ stock }) => stock.id === id),
      bought,
    );
    return price ? [[`price.stock.${id}`, price]] : [];
  });
  const supplies = [...bought.supplies].flatMap(([id, quantity]): [string, NormValue][] => {
    const { unit } = SUPPLIES[id];
    const found = dayPrice(works, { key: supplyKey(id), quantity, unit });
    if (!found) return [];
    const { price } = found.priced;
    return [[`price.supply.${id}`, { value: price.price / price.per, source: told(noteOf(found, day, unit)) }]];
  });
  const ink = inkPrice(works, day, bought.inks);
  const inks: [string, NormValue][] = ink ? [['price.ink', ink]] : [];
  // What no norm may be is no price either.
  const isSound = ([id, { value }]: [string, NormValue]): boolean => {
    const norm = listedNorm(works, id);
    return norm !== undefined && isWithin(norm, value);
  };
  const more = others ? otherPapers(works, day, bought) : [];
  const norms = table([...papers, ...more, ...supplies, ...inks].filter(isSound));
  return kept(others ? madeWithOthers : made, works, JSON.stringify(norms), () => ({
    ...withoutSuppliers(works),
    norms: { ...works.norms, ...norms },
  }));
}

/** Works without what suppliers ask, one of each: a works is known by itself to what is kept of it. */
const plain = new WeakMap<Works, Works>();
export function withoutSuppliers(works: Works): Works {
  const { supplied: _, ...atNorms } = works;
  const known = plain.get(works) ?? atNorms;
  plain.set(works, known);
  return known;
}

/** Works at the prices of the day, by what they come to, likewise; the last one asked for is the last. */
const made = new WeakMap<Works, Map<string, Works>>();
const madeWithOthers: typeof made = new WeakMap();
const MOST_KEPT = 20;
function kept(home: typeof made, works: Works, key: string, make: () => Works): Works {
  const known = home.get(works) ?? new Map<string, Works>();
  home.set(works, known);
  const now = known.get(key) ?? make();
  known.delete(key);
  known.set(key, now);
  const [oldest] = known.keys();
  if (known.size > MOST_KEPT && oldest !== undefined) known.delete(oldest);
  return now;
}

/** The works at the prices that were asked for last, or at its norms. */
export const lastDayPrices = (works: Works): Works =>
  [...(made.get(works)?.values() ?? [])].at(-1) ?? withoutSuppliers(works);
