import { foldUnitsOf } from '../job/index.js';
import { foldsOf } from '../material/index.js';
import { webOf } from '../press-sheet/index.js';
import type { RuleId } from '../route/index.js';
import type { Station } from './facts.js';
import type { Found } from './finding.js';
import { type Predicate, is, set } from './predicate.js';

/** Sections of so many pages or more that their paper is too heavy for, folded. */
const sectionGrammage: Predicate = ({ stations, norms }) =>
  stations.flatMap((station): Found[] => {
    const { step, layout } = station;
    const pages = layout?.section ? (layout.component.pages ?? 0) : 0;
    // A web folds what its folder was built for.
    if (!is(station, 'fold') || !layout || webOf(layout.machine)) return [];
    const limit = norms(pages >= 32 ? 'fold.section32Gsm' : 'fold.section16Gsm').value;
    return pages >= 16 && layout.stock.gsm > limit
      ? [
          {
            step: step.id,
            value: layout.stock.gsm,
            limit,
            unit: 'g/m2',
            mend: { kind: 'split-section', component: layout.component.id },
          },
        ]
      : [];
  });

/** Folds across each other, one after another: the layers no longer lie flat. */
const rightAngles: Predicate = ({ stations, norms, job }) =>
  stations.flatMap((station): Found[] => {
    const { step, index, layout } = station;
    // Parallel folds lie on each other; only those across each other squeeze.
    const kind = job.finish?.fold;
    const parallel = !layout?.section && kind !== undefined && foldUnitsOf(kind)?.length === 1;
    if (!is(station, 'fold') || parallel) return [];
    const limit = norms('fold.mostFolds').value;
    const value = foldsOf(step, layout);
    if (value <= limit) return [];
    const mend = layout?.section
      ? ({ kind: 'split-section', component: layout.component.id } as const)
      : set(['route', index, 'folds'], limit);
    return [{ step: step.id, value, limit, unit: 'folds', mend }];
  });

/** A cover of heavy stock that comes to the stitcher without a score. */
const coverScored: Predicate = ({ stations, norms }) =>
  stations.flatMap((station): Found[] => {
    if (!is(station, 'stitch')) return [];
    const limit = norms('fold.scoreOver').value;
    return station.makers.flatMap((maker): Found[] => {
      const { layout, step } = maker;
      const cover = layout?.component.kind === 'cover' && layout.stock.gsm > limit;
      const scored = [maker, ...maker.before].some((one) => is(one, 'score') && one.step.component === step.component);
      return cover && !scored
        ? [
            {
              step: station.step.id,
              value: layout.stock.gsm,
              limit,
              unit: 'g/m2',
              mend: { kind: 'insert-after', operation: 'score', after: step.id },
            },
          ]
        : [];
    });
  });

/** A box that does not hold whole packs. */
const wholePacks: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const { step, index, before } = station;
    const inner = before.find((one) => is(one, 'band', 'wrap') && (one.step.perPack ?? 1) > 1)?.step.perPack;
    const value = step.perPack ?? 1;
    if (!is(station, 'box') || inner === undefined || value % inner === 0) return [];
    const whole = Math.max(inner, Math.round(value / inner) * inner);
    return [{ step: step.id, value, limit: whole, unit: 'pieces', mend: set(['route', index, 'perPack'], whole) }];
  });

/** Packs of several designs whose form does not give the designs as the pack takes them. */
const equalDesigns: Predicate = ({ stations, job }) =>
  stations.flatMap((station): Found[] => {
    const items = station.step.from?.filter(({ material }) => material.startsWith('item.')) ?? [];
    if (items.length < 2) return [];
    const usage = new Map(items.map(({ material, usage: each = 1 }) => [material.slice('item.'.length), each]));
    return job.components.flatMap(({ carries = [] }, at): Found[] => {
      const packs = carries.map(({ item, count, share = 1 }) => (count * share) / (usage.get(item) ?? Infinity));
      const own = carries.every(({ item }) => usage.has(item));
      const [first = 0] = packs;
      if (!own || carries.length < 2 || packs.every((one) => Math.abs(one - first) < 1e-9)) return [];
      const least = Math.min(...packs);
      const worst = packs.indexOf(Math.max(...packs));
      const count = Math.max(1, Math.floor(least * (usage.get(carries[worst]?.item ?? '') ?? 1)));
      return [
        {
          step: station.step.id,
          value: carries[worst]?.count,
          limit: count,
          unit: 'pieces',
          mend: set(['components', at, 'carries', worst, 'count'], count),
        },
      ];
    });
  });

/** Whether the heads of a section stay closed after its folds: the sheet is folded across its rows. */
const headsClosed = ({ layout }: Station): boolean => (layout?.section?.rows ?? 1) > 1;

/** A web section with closed heads that neither the press nor a trimmer opens. */
const webHeads: Predicate = ({ stations }) =>
  stations.flatMap((station): Found[] => {
    const { layout, step, behind } = station;
    const web = layout && webOf(layout.machine);
    if (!is(station, 'print') || !web || web.trimsInLine || !headsClosed(station)) return [];
    return behind.some((one) => is(one, 'trim', 'cut'))
      ? []
      : [{ step: step.id, mend: { kind: 'insert-after', operation: 'trim', after: step.id } }];
  });

/** Board that is too stiff to be turned over in the press. */
const turning: Predicate = ({ stations, norms }) =>
  stations.flatMap((station): Found[] => {
    const { layout, step, machine } = station;
    const turns = step.side === 'both' && machine?.press?.turnsSheet === true && !machine.press.plateless;
    const limit = norms('press.turnCaliper').value;
    const value = Math.round(station.incoming[0]?.material.caliperUm ?? 0);
    return is(station, 'print') && turns && layout && value > limit
      ? [
          {
            step: step.id,
            value,
            limit,
            unit: 'um',
            mend: { kind: 'style', component: layout.component.id, style: 'sheetwise' },
          },
        ]
      : [];
  });

/** A relief that is struck by a die without its counter. */
const counter: Predicate = ({ stations, job }) =>
  stations.flatMap((station): Found[] => {
    if (!is(station, 'emboss')) return [];
    return job.components.flatMap(({ id, tools = [] }, at) =>
      id === station.step.component
        ? tools.flatMap((tool, i): Found[] =>
            tool.kind === 'embossing-die' && tool.counter !== true
              ? [{ step: station.step.id, mend: set(['components', at, 'tools', i, 'counter'], true) }]
              : [],
          )
        : [],
    );
  });

/** Rules about what a product and its packs have to be. */
export const PRODUCT_PREDICATES = {
  'section-grammage': sectionGrammage,
  'right-angle-folds': rightAngles,
  'cover-scored': coverScored,
  'box-whole-packs': wholePacks,
  'packs-equal-designs': equalDesigns,
  'web-heads-open': webHeads,
  'turning-stiff-board': turning,
  'die-with-counter': counter,
} as const satisfies Partial<Record<RuleId, Predicate>>;
