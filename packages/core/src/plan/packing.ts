import { type BoxPlan, type PalletPlan, boxFor, palletFor } from '../finishing/index.js';
import { type FigureBook, GIVEN, GRAMS, IDENTITY, UM, ceilRatio } from '../kernel/index.js';
import { type NormLookup, type SupplyId, SUPPLIES } from '../works/index.js';
import type { JobFlow } from './build-graph.js';
import type { Job, Step } from './job.js';
import { type Material, takenBy } from './material/index.js';
import { giveNorm } from './step-norms.js';
import { type PlannedUse, useId } from './uses/use-figures.js';

/** What is packed at a station: how many in each, and what it is stacked as. */
export interface Packing {
  readonly step: string;
  /** Good pieces that are packed, and pieces in a full pack. */
  readonly pieces: number;
  readonly perPack: number;
  readonly packs: number;
  readonly box?: BoxPlan | undefined;
  /** Pallets of it, where this is the last station that packs. */
  readonly pallet?: PalletPlan | undefined;
  /** A pallet would be built here, but not one box or bundle fits it. */
  readonly noPallet?: boolean | undefined;
}

interface Context {
  readonly job: Job;
  readonly jobFlow: JobFlow;
  readonly norms: NormLookup;
  readonly book: FigureBook;
}

const PACKS: readonly Step['operation'][] = ['band', 'wrap', 'box', 'pallet'];

/** Packing stations before a step along its first material, the nearest first. */
function packedBefore({ route }: Job, step: Step, seen: readonly Step[] = []): Step[] {
  const maker = route.find(({ id }) => id === takenBy(step)[0]?.material);
  if (!maker || seen.includes(maker)) return [];
  const before = packedBefore({ route } as Job, maker, [...seen, maker]);
  return PACKS.includes(maker.operation) ? [maker, ...before] : before;
}

/** Whether another station packs what this one has packed. */
const isPackedAgain = (job: Job, step: Step): boolean =>
  job.route.some((other) => PACKS.includes(other.operation) && packedBefore(job, other).includes(step));

const palletLimits = (norms: NormLookup) => ({
  lengthMm: norms('pallet.length').value,
  widthMm: norms('pallet.width').value,
  ownHeightMm: norms('pallet.ownHeight').value,
  heightMm: norms('pallet.height').value,
  kg: norms('pallet.kg').value,
});

/** Packs of a station: the last one may be part filled. */
function packsFigure(book: FigureBook, step: Step, name: string, perPack: string): number {
  const id = `step.${step.id}`;
  const packs = ceilRatio(book.value(`${id}.needsOut`), book.value(perPack));
  book.reckon(`${id}.packs`, name, packs, 'packs', 'ceil(pieces / perPack)', { pieces: `${id}.needsOut`, perPack });
  return packs;
}

const stackOf = ({ widthMm, heightMm, caliperUm, massG }: Material, pieces: number): BoxPlan => {
  const outerMm = [widthMm, heightMm, (caliperUm / UM) * pieces] as const;
  return { pieces, innerMm: outerMm, outerMm, kg: (massG * pieces) / GRAMS };
};

/** The figures of a box, a bundle or a wrapped pack as it stands. */
function packFigures({ book }: Context, step: Step, box: BoxPlan, massG: number, title: string): void {
  const id = `step.${step.id}`;
  const mass = book.give(`${id}.massG`, 'Mass of one', massG, 'g', IDENTITY);
  const count = book.give(`${id}.perPack`, `In a ${title}`, box.pieces, 'pieces', GIVEN);
  book.reckon(`${id}.packKg`, `Mass of a ${title}`, box.kg, 'kg', 'mass * count / 1000', { mass, count });
  for (const [name, side, mm] of [
    ['packWidth', 'length', box.outerMm[0]],
    ['packHeight', 'width', box.outerMm[1]],
    ['packDepth', 'height', box.outerMm[2]],
  ] as const)
    book.give(`${id}.${name}`, `A ${title} outside, ${side}`, mm, 'mm', IDENTITY);
}

/** Pallets of a station's packs, with their figures. */
function palletFigures(
  { book, norms }: Context,
  step: Step,
  box: BoxPlan,
  packs: number,
  told: number | undefined,
): PalletPlan | undefined {
  const id = `step.${step.id}`;
  const pallet = palletFor(
    box,
    packs,
    palletLimits(norms),
    told === undefined ? Infinity : Math.floor(told / box.pieces),
  );
  if (!pallet) return undefined;
  const boxes = book.give(`${id}.boxes`, 'Boxes or bundles', packs, 'boxes', IDENTITY);
  const perPallet = book.give(
    `${id}.perPallet`,
    'Boxes or bundles on a full pallet',
    pallet.perPallet,
    'boxes',
    IDENTITY,
  );
  book.give(`${id}.perLayer`, 'In a layer', pallet.perLayer, 'boxes', IDENTITY);
  book.give(`${id}.layers`, 'Layers', pallet.layers, 'layers', IDENTITY);
  const pallets = book.reckon(`${id}.pallets`, 'Pallets', pallet.pallets, 'pallets', 'ceil(boxes / perPallet)', {
    boxes,
    perPallet,
  });
  book.reckon(`${id}.fullPallet`, 'On a full pallet', pallet.perPallet * box.pieces, 'pieces', 'perPallet * each', {
    perPallet,
    each: book.give(`${id}.each`, 'Pieces in each', box.pieces, 'pieces', IDENTITY),
  });
  book.give(`${id}.palletKg`, 'Load of a full pallet', pallet.kg, 'kg', IDENTITY);
  book.give(`${id}.palletMm`, 'Height of a full pallet', pallet.heightMm, 'mm', IDENTITY);
  book.reckon(`${id}.loadingM`, 'Loading', pallet.loadingM, 'm', 'pallets * length / 1000 * width / 1000 / 2.4', {
    pallets,
    length: giveNorm(book, norms, 'pallet.length'),
    width: giveNorm(book, norms, 'pallet.width'),
  });
  return pallet;
}

function packAt(context: Context, step: Step): Packing | undefined {
  const { job, jobFlow, book, norms } = context;
  const piece = jobFlow.materials.get(takenBy(step)[0]?.material ?? '');
  if (!piece) return undefined;
  const id = `step.${step.id}`;
  const pieces = book.value(`${id}.needsOut`);
  const last = !isPackedAgain(job, step);
  if (step.operation === 'pallet') {
    const inner = packedBefore(job, step).find(({ operation }) => operation === 'box' || operation === 'band');
    const perInner = inner?.perPack ?? 1;
    const wall = inner?.operation === 'box' ? norms('pack.board').value : undefined;
    const box = wall === undefined ? stackOf(piece, perInner) : boxFor(packedPiece(piece), perInner, wall);
    packFigures(context, step, box, piece.massG, inner?.operation === 'box' ? 'box' : 'bundle');
    const pallet = palletFigures(context, step, box, ceilRatio(pieces, perInner), step.perPack);
    const perPack = (pallet?.perPallet ?? 1) * perInner;
    const each = book.give(`${id}.onPallet`, 'Pieces on a pallet', perPack, 'pieces', IDENTITY);
    return {
      step: step.id,
      pieces,
      perPack,
      packs: packsFigure(book, step, 'Pallets', each),
      box,
      pallet,
      noPallet: !pallet,
    };
  }
  const perPack = step.perPack ?? 1;
  const boxed = step.operation === 'box';
  const box = boxed ? boxFor(packedPiece(piece), perPack, norms('pack.board').value) : stackOf(piece, perPack);
  packFigures(context, step, box, piece.massG, boxed ? 'box' : 'pack');
  const packs = packsFigure(book, step, boxed ? 'Boxes' : 'Packs', `${id}.perPack`);
  // A tote goes on by itself.
  const palletised = last && boxed && job.family !== 'on-demand';
  const pallet = palletised ? palletFigures(context, step, box, packs, undefined) : undefined;
  return { step: step.id, pieces, perPack, packs, box, pallet, noPallet: palletised && !pallet };
}

const packedPiece = ({ widthMm, heightMm, caliperUm, massG }: Material) => ({
  widthMm,
  heightMm,
  thicknessMm: caliperUm / UM,
  massG,
});

/**
 * Packs, boxes and pallets of every packing station, reckoned once: hours, sheets, labels, loading, purchase and cost read
 * them here. Source: handbook chapter 7 "Packing".
 */
export const packingFigures = (context: Context): ReadonlyMap<string, Packing> =>
  new Map(
    context.job.route.flatMap((step) => {
      const packing = PACKS.includes(step.operation) ? packAt(context, step) : undefined;
      return packing ? [[step.id, packing] as const] : [];
    }),
  );

/** What packing uses up: bands, film, boxes, pallets. Source: identity of the packs; film by their surface. */
export function packingUses({ job, book, norms }: Context, packings: ReadonlyMap<string, Packing>): PlannedUse[] {
  return job.route.flatMap((step): PlannedUse[] => {
    const packing = packings.get(step.id);
    if (!packing) return [];
    const id = `step.${step.id}`;
    const use = (supply: SupplyId, formula: string, value: number, inputs: Record<string, string>): PlannedUse => ({
      step: step.id,
      supply,
      figure: book.reckon(useId(step.id, supply), SUPPLIES[supply].name, value, SUPPLIES[supply].unit, formula, inputs),
    });
    const pallets = (): PlannedUse[] => {
      const { pallet } = packing;
      if (!pallet) return [];
      const { lengthMm, widthMm } = palletLimits(norms);
      const around = (2 * (lengthMm + widthMm)) / 1000;
      const turns = norms('pallet.wraps').value;
      return [
        use('pallet', 'pallets', pallet.pallets, { pallets: `${id}.pallets` }),
        use(
          'stretch-film',
          'pallets * around * height / 1000 * turns',
          pallet.pallets * around * (pallet.heightMm / 1000) * turns,
          {
            pallets: `${id}.pallets`,
            around: book.give(`${id}.around`, 'Around a pallet', around, 'm', IDENTITY),
            height: `${id}.palletMm`,
            turns: giveNorm(book, norms, 'pallet.wraps'),
          },
        ),
      ];
    };
    const { packs } = packing;
    switch (step.operation) {
      case 'band':
        return [use('band', 'packs', packs, { packs: `${id}.packs` })];
      case 'wrap': {
        const [a, b, c] = packing.box?.outerMm ?? [0, 0, 0];
        const surface = (2 * (a * b + b * c + a * c)) / 1e6;
        const overlap = norms('pack.overlap').value;
        return [
          use('shrink-film', 'packs * surface * (1 + overlap)', packs * surface * (1 + overlap), {
            packs: `${id}.packs`,
            surface: book.give(`${id}.surface`, 'Surface of a pack', surface, 'm2', IDENTITY),
            overlap: giveNorm(book, norms, 'pack.overlap'),
          }),
        ];
      }
      case 'box':
        return [use('box', 'packs', packs, { packs: `${id}.packs` }), ...pallets()];
      default:
        return pallets();
    }
  });
}
