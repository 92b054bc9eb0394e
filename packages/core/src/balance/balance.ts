import {
  type Figures,
  type Source,
  FigureBook,
  GRAMS,
  IDENTITY,
  evaluate,
  table,
  figureOf,
  valueAt,
  withinSentence,
} from '../kernel/index.js';
import { type Loss, paperLosses } from '../outlook/index.js';
import { type Job, figureId } from '../job/index.js';
import type { Plan, PlanStep } from '../plan/index.js';
import { listCarriers } from '../prepress/index.js';
import type { CarrierKind } from '../press/index.js';
import { type NormLookup, normsOf, titleOf } from '../norms/index.js';
import { type SupplyId, SUPPLIES, type Works } from '../works/index.js';

/** What comes in, by kind: each has a factor of its own for what it stands for in CO2. */
export const BALANCE_KINDS = ['paper', 'board', 'part', 'ink', 'coating', 'film', 'foil', 'glue', 'metal'] as const;
/** What is weighed: paper, ink, or anything else that a station puts on. */
export type BalanceKind = (typeof BALANCE_KINDS)[number];

/** Where it goes: with the product, up in the air as it dries, kept for a reorder, or as waste on one of its ways. */
export const BALANCE_WAYS = [
  'product',
  'air',
  'kept',
  'mill',
  'coated apart',
  'board',
  'film',
  'ink',
  'aluminium',
  'other metal',
  'witness',
] as const;
/** One of the ways that material goes. */
export type BalanceWay = (typeof BALANCE_WAYS)[number];
/** Whether a way out of the job is waste: neither product, nor dried away, nor kept. */
export const isWaste = (way: BalanceWay): boolean => !['product', 'air', 'kept'].includes(way);

/** One line of the balance: so many kilograms that come in, or that go one way. */
export interface BalanceLine {
  readonly side: 'in' | 'out';
  readonly kind: BalanceKind;
  readonly name: string;
  readonly way?: BalanceWay | undefined;
  /** Station at which it arises. */
  readonly step?: string | undefined;
  readonly kg: number;
  /** Share of all that comes in. */
  readonly share: number;
  readonly figure: string;
}

/** Material of a job in kilograms, in and out, by kind and by station; the two sums are equal. */
export interface MaterialBalance {
  readonly lines: readonly BalanceLine[];
  readonly inKg: number;
  readonly productKg: number;
  readonly wasteKg: number;
  /** Kilograms of CO2 equivalent by the factors of the works; undefined where it has entered none. */
  readonly co2Kg: number | undefined;
  readonly figures: Figures;
}

/** Less than a gram is not told. */
const WORTH_KG = 1e-3;
/** Grammage from which a stock is board. Source: common practice, no source. */
const BOARD_GSM = 200;

/** Densities, g/cm3. Source: physical constants (aluminium, copper); polymer common practice, no source. */
const METALS: Partial<
  Readonly<Record<CarrierKind, { readonly name: string; readonly density: number; readonly way: BalanceWay }>>
> = {
  plate: { name: $localize`Aluminium of plates`, density: 2.7, way: 'aluminium' },
  'recessed-plate': { name: $localize`Copper of recessed plates`, density: 8.96, way: 'kept' },
  cylinder: { name: $localize`Copper of cylinders`, density: 8.96, way: 'kept' },
  'flexo-plate': { name: $localize`Polymer of flexo plates`, density: 1.1, way: 'other metal' },
};

/** Supplies that weigh, by the norm of their grammage where they are told by area; the share of them that dries away. */
const WEIGHED: Partial<
  Readonly<Record<SupplyId, { readonly kind: BalanceKind; readonly gsm?: string; readonly dries?: string }>>
> = {
  coating: { kind: 'coating', dries: 'ink.solids.coating' },
  film: { kind: 'film', gsm: 'film.gsm' },
  'window-film': { kind: 'film', gsm: 'window.filmGsm' },
  foil: { kind: 'foil', gsm: 'foil.gsm' },
  glue: { kind: 'glue', dries: 'glue.solids' },
  paste: { kind: 'glue', dries: 'glue.solids' },
  gum: { kind: 'glue', dries: 'glue.solids' },
  'hot-melt': { kind: 'glue' },
  pur: { kind: 'glue' },
  powder: { kind: 'coating' },
  'raise-powder': { kind: 'coating' },
};

/** Collects the lines with their figures. */
class BalanceBook {
  private readonly book = new FigureBook();
  readonly lines: Omit<BalanceLine, 'share'>[] = [];

  constructor(
    private readonly plan: Plan,
    private readonly norms: NormLookup,
    private readonly extra: Figures,
  ) {}

  get figures(): Figures {
    return this.book.figures;
  }

  value(id: string): number {
    const figure = this.book.figures[id] ?? this.extra[id] ?? figureOf(this.plan, id);
    return figure?.value ?? 0;
  }

  norm(id: string): string {
    const planned = `norm.${id}`;
    if (figureOf(this.plan, planned)) return planned;
    const { norm, value, source, otherwise } = this.norms(id);
    return this.book.give(planned, titleOf(norm), value, norm.unit, source, otherwise);
  }

  give(id: string, name: string, value: number, unit: string, source: Source = IDENTITY): string {
    return this.book.give(`balance.${id}`, name, value, unit, source);
  }

  /** A line worked out of figures. */
  add(
    line: Omit<BalanceLine, 'kg' | 'figure' | 'share'>,
    id: string,
    formula: string,
    inputs: Readonly<Record<string, string>>,
  ): number {
    const kg = evaluate(formula, (name) => this.value(inputs[name] ?? name));
    const figure = this.book.reckon(`balance.${id}`, line.name, kg, 'kg', formula, inputs);
    if (Math.abs(kg) > WORTH_KG) this.lines.push({ ...line, kg, figure });
    return kg;
  }
}

const kindOfStock = (gsm: number): BalanceKind => (gsm >= BOARD_GSM ? 'board' : 'paper');

/** Where what is lost of paper at a station goes. */
function wayOf(job: Job, plan: Plan, works: Works, { step }: Loss): BalanceWay {
  // Every scrap of numbered work is destroyed under witness.
  if (job.route.some(({ operation }) => operation === 'number')) return 'witness';
  const into = plan.edges.filter(({ to }) => to === step).map(({ state }) => state);
  const component = job.components.find(
    ({ id }) => id === (into[0]?.component ?? job.route.find((s) => s.id === step)?.component),
  );
  const stock = works.stocks.find(({ id }) => id === component?.stock);
  const own = new Set(job.route.filter((one) => one.component === component?.id).map(({ operation }) => operation));
  if (own.has('laminate')) return 'film';
  if (own.has('mount') || (stock?.gsm ?? 0) >= BOARD_GSM) return 'board';
  return stock?.coated ? 'coated apart' : 'mill';
}

/** Share of what runs through a station that reaches the product. */
const goodShare = ({ net, processUnits }: PlanStep): number => (processUnits > 0 ? Math.min(1, net / processUnits) : 0);

function paperLines(balance: BalanceBook, job: Job, plan: Plan, works: Works, losses: readonly Loss[]): void {
  for (const [id, { stock, component }] of Object.entries(plan.layouts)) {
    const kind = kindOfStock(stock.gsm);
    const paper = figureId.component(id, 'paperKg');
    balance.add({ side: 'in', kind, name: `${stock.name}, ${component.name}` }, `in.paper.${id}`, 'paper', { paper });
    const edges = plan.edges.filter(({ material }) => material === `paper.${id}`);
    const used = edges.reduce((sum, { count, state }) => sum + (count * state.massG) / GRAMS, 0);
    balance.add(
      {
        side: 'out',
        kind,
        name: $localize`Cut from ${withinSentence(component.name)} as it is bought`,
        way: stock.coated ? 'coated apart' : 'mill',
      },
      `out.bought.${id}`,
      'paper - used',
      { paper, used: balance.give(`used.${id}`, $localize`Into the route`, used, 'kg') },
    );
  }
  for (const { id, name, massG = 0 } of job.parts ?? [])
    if (massG > 0)
      balance.add({ side: 'in', kind: 'part', name }, `in.part.${id}`, 'count * mass / 1000', {
        count: figureId.part(id, 'count'),
        mass: balance.give(`part.${id}`, $localize`Mass of one`, massG, 'g'),
      });
  const first = plan.layouts[Object.keys(plan.layouts)[0] ?? '']?.stock.gsm ?? 0;
  losses.forEach((loss, i) => {
    const name = plan.steps.find(({ id }) => id === loss.step)?.name ?? loss.step;
    const gsm = plan.layouts[job.route.find(({ id }) => id === loss.step)?.component ?? '']?.stock.gsm ?? first;
    balance.add(
      {
        side: 'out',
        kind: kindOfStock(gsm),
        name: `${name}: ${loss.kind}`,
        way: wayOf(job, plan, works, loss),
        step: loss.step,
      },
      `out.loss.${i}`,
      'lost',
      { lost: loss.figure },
    );
  });
  for (const { material, to, count, state, figure } of plan.edges)
    if (to === null)
      balance.add(
        { side: 'out', kind: kindOfStock(first), name: $localize`Delivered, ${state.unit}`, way: 'product' },
        `out.product.${material}`,
        'count * mass / 1000',
        {
          count:
            valueAt(plan, figure) === count
              ? figure
              : balance.give(`count.${material}`, $localize`Delivered`, count, 'pieces'),
          mass: balance.give(`mass.${material}`, $localize`Mass of one`, state.massG, 'g'),
        },
      );
}

/** Ink drawn: laid on the product and on what is spoiled, dried away, left in units and wash-ups. */
function inkLines(balance: BalanceBook, plan: Plan): void {
  balance.add({ side: 'in', kind: 'ink', name: $localize`Ink drawn` }, 'in.ink', 'ink', { ink: 'total.inkKg' });
  const laid = Object.entries(plan.layouts).flatMap(([id, { component }]) =>
    (['front', 'back'] as const).flatMap((side) =>
      component[side].flatMap((_, index) => figureOf(plan, figureId.component(id, `ink.${side}.${index}`)) ?? []),
    ),
  );
  const passes = plan.steps.filter(({ operation }) => operation === 'print');
  const good = passes.length > 0 ? Math.min(...passes.map(goodShare)) : 1;
  const inputs = table(laid.map(({ id }, i) => [`l${i + 1}`, id]));
  const sum = Object.keys(inputs).join(' + ') || '0';
  const share = balance.give('goodShare', $localize`Share of the sheets that reach the product`, good, 'share');
  balance.add(
    { side: 'out', kind: 'ink', name: $localize`On the product`, way: 'product' },
    'out.ink.product',
    `(${sum}) * good`,
    { ...inputs, good: share },
  );
  balance.add(
    { side: 'out', kind: 'ink', name: $localize`On spoiled sheets`, way: 'ink' },
    'out.ink.spoiled',
    `(${sum}) * (1 - good)`,
    { ...inputs, good: share },
  );
  const wet = laid.flatMap(({ id }, i) =>
    figureOf(plan, `${id}.drawn`) ? [{ i: i + 1, solids: figureOf(plan, `${id}.drawn`)?.inputs['solids'] ?? '' }] : [],
  );
  const dried = wet.map(({ i }) => `l${i} / s${i} - l${i}`).join(' + ') || '0';
  const solids = table(wet.map(({ i, solids: id }) => [`s${i}`, id]));
  balance.add(
    { side: 'out', kind: 'ink', name: $localize`Solvent and water of the ink`, way: 'air' },
    'out.ink.air',
    dried,
    {
      ...inputs,
      ...solids,
    },
  );
  balance.add(
    { side: 'out', kind: 'ink', name: $localize`Left in units and wash-ups`, way: 'ink' },
    'out.ink.left',
    `drawn - (${sum}) - (${dried})`,
    {
      ...inputs,
      ...solids,
      drawn: 'total.inkKg',
    },
  );
}

/** Film, foil, glue, coating: onto the product, onto what is spoiled, dried away. */
function supplyLines(balance: BalanceBook, plan: Plan): void {
  for (const { step: id, supply, figure } of plan.uses) {
    const weighed = WEIGHED[supply];
    const step = plan.steps.find((one) => one.id === id);
    if (!weighed || !step) continue;
    const { kind, gsm, dries } = weighed;
    const name = `${SUPPLIES[supply].name}, ${step.name}`;
    const key = `${id}.${supply}`;
    const inputs = { used: figure, ...(gsm === undefined ? {} : { gsm: balance.norm(gsm) }) };
    const all = gsm === undefined ? 'used' : 'used * gsm / 1000';
    balance.add({ side: 'in', kind, name, step: id }, `in.${key}`, all, inputs);
    if (step.gainG > 0 && kind === 'film') {
      // What is put on weighs with the sheets from here on; the rest is cut off.
      balance.add(
        { side: 'out', kind, name: $localize`${name}\: cut off`, way: 'film', step: id },
        `out.${key}.cut`,
        `${all} - units * gain / 1000`,
        {
          ...inputs,
          units: figureId.step(id, 'processUnits'),
          gain: balance.give(`gain.${id}`, $localize`Put on one`, step.gainG, 'g'),
        },
      );
      continue;
    }
    const dry = dries === undefined ? '1' : 'solids';
    const dried: Readonly<Record<string, string>> = dries === undefined ? {} : { solids: balance.norm(dries) };
    // Foil is drawn on its carrier, which is thrown away with what the dies leave.
    if (kind === 'foil') {
      balance.add(
        { side: 'out', kind, name: $localize`${name}\: carrier`, way: 'film', step: id },
        `out.${key}`,
        all,
        inputs,
      );
      continue;
    }
    const good = balance.give(`good.${id}`, $localize`Share that reaches the product`, goodShare(step), 'share');
    balance.add({ side: 'out', kind, name, way: 'product', step: id }, `out.${key}.product`, `${all} * ${dry} * good`, {
      ...inputs,
      ...dried,
      good,
    });
    balance.add(
      { side: 'out', kind, name: $localize`${name}\: on what is spoiled`, way: 'board', step: id },
      `out.${key}.spoiled`,
      `${all} * ${dry} * (1 - good)`,
      { ...inputs, ...dried, good },
    );
    if (dries !== undefined)
      balance.add(
        { side: 'out', kind, name: $localize`${name}\: dried away`, way: 'air', step: id },
        `out.${key}.air`,
        `${all} * (1 - solids)`,
        { ...inputs, ...dried },
      );
  }
}

/** Metal and polymer of the carriers that the house makes. */
function metalLines(balance: BalanceBook, job: Job, plan: Plan, works: Works): void {
  const carriers = listCarriers(job, plan, works).filter(({ owner }) => owner === 'house');
  for (const [kind, metal] of Object.entries(METALS)) {
    const own = carriers.filter((carrier) => carrier.kind === kind);
    const mm3 = own.reduce((sum, { widthMm = 0, heightMm = 0, gaugeMm = 0 }) => sum + widthMm * heightMm * gaugeMm, 0);
    if (mm3 === 0) continue;
    const inputs = {
      volume: balance.give(`volume.${kind}`, $localize`Volume of all of them`, mm3 / 1000, 'cm3'),
      density: balance.give(`density.${kind}`, $localize`Density`, metal.density, 'g/cm3', {
        label: 'memory',
        note: 'physical constant',
      }),
    };
    const line = { kind: 'metal', name: metal.name } as const;
    balance.add({ ...line, side: 'in' }, `in.${kind}`, 'volume * density / 1000', inputs);
    balance.add({ ...line, side: 'out', way: metal.way }, `out.${kind}`, 'volume * density / 1000', inputs);
  }
}

/**
 * The material balance of a planned job: what comes in is product, dried away, kept or waste by its way, to the gram
 * (identity; a test holds it over all families). Source: identity; densities and solids as labelled.
 */
export function materialBalance(job: Job, plan: Plan, works: Works): MaterialBalance {
  const norms = normsOf(works, job.norms);
  const { losses, figures } = paperLosses(plan);
  const balance = new BalanceBook(plan, norms, figures);
  paperLines(balance, job, plan, works, losses);
  inkLines(balance, plan);
  supplyLines(balance, plan);
  metalLines(balance, job, plan, works);
  const sum = (of: (line: Omit<BalanceLine, 'share'>) => boolean): number =>
    balance.lines.reduce((total, line) => total + (of(line) ? line.kg : 0), 0);
  const inKg = sum(({ side }) => side === 'in');
  const factors = BALANCE_KINDS.map((kind) => [kind, norms(`co2.${kind}`).value] as const);
  const co2Kg = factors.reduce(
    (total, [kind, factor]) => total + factor * sum((line) => line.side === 'in' && line.kind === kind),
    0,
  );
  return {
    lines: balance.lines.map((line) => ({ ...line, share: inKg > 0 ? line.kg / inKg : 0 })),
    inKg,
    productKg: sum(({ way }) => way === 'product'),
    wasteKg: sum(({ way }) => way !== undefined && isWaste(way)),
    co2Kg: factors.some(([, factor]) => factor > 0) ? co2Kg : undefined,
    figures: { ...figures, ...balance.figures },
  };
}
