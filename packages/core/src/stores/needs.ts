import { paperNeed, paperOfLayout } from '../press-sheet/index.js';
import { type Job, figureId } from '../job/index.js';
import type { Plan } from '../plan/index.js';
import { toolSets } from '../prepress/index.js';
import { valueAt, withinSentence } from '../kernel/index.js';
import { CARRIER_OF } from '../press/index.js';
import {
  type PaperItem,
  PACKING,
  SUPPLIES,
  type Works,
  inkKey,
  paperKey,
  printingOf,
  supplyKey,
} from '../works/index.js';
import { normsOf } from '../norms/index.js';

/** What a job needs, in the order in which one buys. */
export const NEED_KINDS = [
  'sheets',
  'rolls',
  'ink',
  'carriers',
  'tools',
  'parts',
  'supplies',
  'packing',
  'outside',
] as const;
/** One of the kinds. */
export type NeedKind = (typeof NEED_KINDS)[number];

/** What a job needs of one thing. */
export interface Need {
  /** The same for the same thing in every job. */
  readonly key: string;
  readonly kind: NeedKind;
  readonly name: string;
  readonly quantity: number;
  readonly unit: string;
  /** Figure of the plan that says the quantity; absent where it is a sum of several. */
  readonly figure?: string | undefined;
  /** Smallest quantity that is sold: a pack, a pail; 1 where it comes by the piece. */
  readonly pack: number;
  readonly paper?: PaperItem | undefined;
  /** Sheets that a pallet of the house's pile height holds. */
  readonly perPallet?: number | undefined;
}

/** A paper item in words, the side along the grain marked. */
export function paperName({ stock, widthMm, heightMm, grain }: PaperItem, works: Works): string {
  const name = works.stocks.find(({ id }) => id === stock)?.name ?? stock;
  if (heightMm === undefined) return $localize`${name}, roll ${widthMm} mm`;
  return $localize`${name}, ${widthMm} × ${heightMm} mm, grain along ${grain === 'width' ? widthMm : heightMm}`;
}

/** The key of a bought part of a job. */
export const partKey = ({ number }: Pick<Job, 'number'>, part: string): string => `parts/${number}/${part}`;

/** Needs of the same thing become one; a sum has no figure of its own. */
function gather(needs: readonly Need[]): Need[] {
  const byKey = new Map<string, Need>();
  for (const need of needs) {
    const before = byKey.get(need.key);
    byKey.set(need.key, before ? { ...before, quantity: before.quantity + need.quantity, figure: undefined } : need);
  }
  return [...byKey.values()].filter(({ quantity }) => quantity > 0);
}

/** What the stations use up, as the plan reckons it; packing apart from what holds the product together. */
function suppliesOf(plan: Plan): Need[] {
  return plan.uses.map(({ supply, figure }): Need => {
    const { name, unit } = SUPPLIES[supply];
    const kind = PACKING.includes(supply) ? 'packing' : 'supplies';
    return { key: supplyKey(supply), kind, name, quantity: valueAt(plan, figure) ?? 0, unit, figure, pack: 1 };
  });
}

/**
 * Everything that a planned job has to have: paper as it is bought, ink to draw, carriers, dies, bands and boxes, outside
 * work. Source: handbook chapter 6 "Buying".
 */
export function purchaseNeeds(job: Job, plan: Plan, works: Works): Need[] {
  const norms = normsOf(works, job.norms);
  const value = (id: string): number => valueAt(plan, id) ?? 0;
  const layouts = Object.values(plan.layouts);
  const bought = layouts.filter(({ component }) => component.paperOwner !== 'customer');
  const paper = bought.map((layout): Need => {
    const item = paperOfLayout(layout);
    const { figure, unit } = paperNeed(layout);
    const quantity = value(figure);
    const named = {
      key: paperKey(item),
      kind: unit,
      name: paperName(item, works),
      quantity,
      unit,
      figure,
      paper: item,
    };
    if (unit === 'rolls') return { ...named, pack: 1 };
    const pile = Math.floor((norms('pile.height').value * 1000) / Math.max(1, layout.caliperUm));
    const pack = layout.stock.sheets.length > 0 ? norms(`stock.${layout.stock.id}.pack`).value : 1;
    return { ...named, pack, perPallet: pile };
  });
  const inks = Object.entries(plan.totals.inkKgByName).map(([name, kg]): Need => ({
    key: inkKey(name),
    kind: 'ink',
    name: $localize`Ink ${name}`,
    quantity: kg,
    unit: 'kg',
    figure: figureId.ink(name, 'kg'),
    pack: norms('ink.pail').value,
  }));
  const carriers = layouts.flatMap(({ component, machine }): Need[] => {
    if (!CARRIER_OF[printingOf(machine)] || component.carriers?.owner === 'customer') return [];
    const figure = figureId.component(component.id, 'plates');
    return [
      {
        key: `carriers/${machine.id}`,
        kind: 'carriers',
        name: $localize`Carriers, ${machine.name}`,
        quantity: value(figure),
        unit: 'pieces',
        figure,
        pack: 1,
      },
    ];
  });
  const tools = toolSets(job, (id) => plan.layouts[id]).flatMap(({ component, tool, count, counters }): Need[] => {
    if (tool.owner === 'customer') return [];
    const one = (what: 'tools' | 'counters', name: string, quantity: number): Need => ({
      key: `tools/${job.number}/${component.id}/${tool.id}/${what}`,
      kind: 'tools',
      name: `${name}, ${job.title}`,
      quantity,
      unit: 'pieces',
      pack: 1,
    });
    return [
      one('tools', tool.name, count),
      one('counters', $localize`Counters, ${withinSentence(tool.name)}`, counters),
    ];
  });
  const ownParts = (job.parts ?? []).filter(({ owner }) => owner !== 'customer');
  const parts = ownParts.map(({ id, name }): Need => ({
    key: partKey(job, id),
    kind: 'parts',
    name: `${name}, ${job.title}`,
    quantity: value(figureId.part(id, 'count')),
    unit: 'pieces',
    figure: figureId.part(id, 'count'),
    pack: 1,
  }));
  const outside = job.route.flatMap((step): Need[] =>
    step.operation === 'outside'
      ? [
          {
            key: `outside/${job.number}/${step.id}`,
            kind: 'outside',
            name: $localize`Outside work, ${step.note ?? step.id}, ${job.title}`,
            quantity: value(figureId.step(step.id, 'processUnits')),
            unit: 'units',
            figure: figureId.step(step.id, 'processUnits'),
            pack: 1,
          },
        ]
      : [],
  );
  const supplies = suppliesOf(plan);
  return gather([...paper, ...inks, ...carriers, ...tools, ...parts, ...supplies, ...outside]);
}
