import { type BoxPlan, type PalletPlan, boxFor, palletFor } from '../../finishing/index.js';
import {
  type Entry,
  type Group,
  type Inputs,
  type Ledger,
  type Rule,
  GIVEN,
  GRAMS,
  IDENTITY,
  UM,
  ceilRatio,
  rule,
  wordOf,
} from '../../kernel/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import { type SupplyId, SUPPLIES } from '../../works/index.js';
import type { Step, Unordered } from '../../job/index.js';
import { type Material, takenBy } from '../../material/index.js';
import type { Prepared, Run } from '../prepared.js';
import { type UsedUp, useField } from './use-figures.js';

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

const PACKS: readonly Step['operation'][] = ['band', 'wrap', 'box', 'pallet'];

/** Packing stations before a step along its first material, the nearest first. */
function packedBefore(stations: ReadonlyMap<string, Step>, step: Step): Step[] {
  const before: Step[] = [];
  const seen = new Set<Step>();
  for (let at: Step | undefined = step; at && !seen.has(at);) {
    seen.add(at);
    at = stations.get(takenBy(at)[0]?.material ?? '');
    if (at && !seen.has(at) && PACKS.includes(at.operation)) before.push(at);
  }
  return before;
}

/** Stations of a route by id, and those of them that another packing station packs again. */
function packingStations({ route }: Unordered): { stations: ReadonlyMap<string, Step>; again: ReadonlySet<Step> } {
  const stations = new Map(route.map((step) => [step.id, step]));
  const packing = route.filter(({ operation }) => PACKS.includes(operation));
  return { stations, again: new Set(packing.flatMap((step) => packedBefore(stations, step))) };
}

const palletLimits = (norms: NormLookup) => ({
  lengthMm: norms('pallet.length').value,
  widthMm: norms('pallet.width').value,
  ownHeightMm: norms('pallet.ownHeight').value,
  heightMm: norms('pallet.height').value,
  kg: norms('pallet.kg').value,
});

const PACKS_OF = rule('', 'packs', 'ceil(pieces / perPack)');

/** Packs of a station: the last one may be part filled. */
function packsFigure(at: Group, name: string, perPack: Entry): number {
  const pieces = at.of('needsOut');
  return at.count('packs', PACKS_OF, { pieces, perPack }, ceilRatio(pieces.value, perPack.value), { name }).value;
}

const stackOf = ({ widthMm, heightMm, caliperUm, massG }: Material, pieces: number): BoxPlan => {
  const outerMm = [widthMm, heightMm, (caliperUm / UM) * pieces] as const;
  return { pieces, innerMm: outerMm, outerMm, kg: (massG * pieces) / GRAMS };
};

const PACK_KG = rule('', 'kg', 'mass * count / 1000');

/** The figures of a box, a bundle or a wrapped pack as it stands; returns how many are in one. */
function packFigures(at: Group, box: BoxPlan, massG: number, title: string): Entry {
  const mass = at.give('massG', $localize`Mass of one`, massG, 'g', IDENTITY);
  const count = at.give('perPack', $localize`In a ${wordOf(title)}`, box.pieces, 'pieces', GIVEN);
  at.reckon('packKg', PACK_KG, { mass, count }, { name: $localize`Mass of a ${wordOf(title)}` });
  for (const [field, side, mm] of [
    ['packWidth', 'length', box.outerMm[0]],
    ['packHeight', 'width', box.outerMm[1]],
    ['packDepth', 'height', box.outerMm[2]],
  ] as const)
    at.give(field, $localize`A ${wordOf(title)} outside, ${wordOf(side)}`, mm, 'mm', IDENTITY);
  return count;
}

const PALLETS = rule($localize`Pallets`, 'pallets', 'ceil(boxes / perPallet)');
const ON_PALLET = rule($localize`On a full pallet`, 'pieces', 'perPallet * each');
/** Width of a lorry's load is 2.4 m. */
const LOADING = rule($localize`Loading`, 'm', 'pallets * length / 1000 * width / 1000 / 2.4');

/** Pallets of a station's packs, with their figures. */
function palletFigures(
  ledger: Ledger,
  norms: NormLookup,
  at: Group,
  box: BoxPlan,
  packs: number,
  told: number | undefined,
): PalletPlan | undefined {
  const most = told === undefined ? Infinity : Math.floor(told / box.pieces);
  const pallet = palletFor(box, packs, palletLimits(norms), most);
  if (!pallet) return undefined;
  const boxes = at.give('boxes', $localize`Boxes or bundles`, packs, 'boxes', IDENTITY);
  const perPallet = at.give(
    'perPallet',
    $localize`Boxes or bundles on a full pallet`,
    pallet.perPallet,
    'boxes',
    IDENTITY,
  );
  at.give('perLayer', $localize`In a layer`, pallet.perLayer, 'boxes', IDENTITY);
  at.give('layers', $localize`Layers`, pallet.layers, 'layers', IDENTITY);
  const pallets = at.count('pallets', PALLETS, { boxes, perPallet }, pallet.pallets);
  const each = at.give('each', $localize`Pieces in each`, box.pieces, 'pieces', IDENTITY);
  at.reckon('fullPallet', ON_PALLET, { perPallet, each });
  at.give('palletKg', $localize`Load of a full pallet`, pallet.kg, 'kg', IDENTITY);
  at.give('palletMm', $localize`Height of a full pallet`, pallet.heightMm, 'mm', IDENTITY);
  const [length, width] = [giveNorm(ledger, norms, 'pallet.length'), giveNorm(ledger, norms, 'pallet.width')];
  at.count('loadingM', LOADING, { pallets, length, width }, pallet.loadingM);
  return pallet;
}

type Stations = ReturnType<typeof packingStations>;
type PackOfRun = (run: Run) => Packing;

/** Boxes, bands or wraps: so many pieces in each, stacked as they come. */
function packOfRun(context: Prepared, { again }: Stations, step: Step, piece: Material): PackOfRun {
  const { job, ledger, norms } = context;
  const perPack = step.perPack ?? 1;
  const boxed = step.operation === 'box';
  const box = boxed ? boxFor(packedPiece(piece), perPack, norms('pack.board').value) : stackOf(piece, perPack);
  const each = packFigures(ledger.step(step.id), box, piece.massG, boxed ? 'box' : 'pack');
  // A tote goes on by itself.
  const palletised = boxed && !again.has(step) && job.family !== 'on-demand';
  return (run) => {
    const at = run.ledger.step(step.id);
    const packs = packsFigure(at, boxed ? $localize`Boxes` : $localize`Packs`, each);
    const pallet = palletised ? palletFigures(run.ledger, context.norms, at, box, packs, undefined) : undefined;
    const pieces = at.of('needsOut').value;
    return { step: step.id, pieces, perPack, packs, box, pallet, noPallet: palletised && !pallet };
  };
}

/** Pallets built of what was packed before, or of the pieces. */
function palletOfRun(context: Prepared, { stations }: Stations, step: Step, piece: Material): PackOfRun {
  const { ledger, norms } = context;
  const inner = packedBefore(stations, step).find(({ operation }) => operation === 'box' || operation === 'band');
  const perInner = inner?.perPack ?? 1;
  const wall = inner?.operation === 'box' ? norms('pack.board').value : undefined;
  const box = wall === undefined ? stackOf(piece, perInner) : boxFor(packedPiece(piece), perInner, wall);
  packFigures(ledger.step(step.id), box, piece.massG, inner?.operation === 'box' ? 'box' : 'bundle');
  return (run) => {
    const at = run.ledger.step(step.id);
    const pieces = at.of('needsOut').value;
    const pallet = palletFigures(run.ledger, context.norms, at, box, ceilRatio(pieces, perInner), step.perPack);
    const perPack = (pallet?.perPallet ?? 1) * perInner;
    const packs = packsFigure(
      at,
      $localize`Pallets`,
      at.give('onPallet', $localize`Pieces on a pallet`, perPack, 'pieces', IDENTITY),
    );
    return { step: step.id, pieces, perPack, packs, box, pallet, noPallet: !pallet };
  };
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
export function preparePacking(context: Prepared): (run: Run) => ReadonlyMap<string, Packing> {
  const stations = packingStations(context.job);
  const packs = context.job.route.flatMap((step): PackOfRun[] => {
    const piece = context.route.materials.get(takenBy(step)[0]?.material ?? '');
    if (!piece || !PACKS.includes(step.operation)) return [];
    return [(step.operation === 'pallet' ? palletOfRun : packOfRun)(context, stations, step, piece)];
  });
  return (run) =>
    new Map(
      packs.map((pack) => {
        const packing = pack(run);
        return [packing.step, packing];
      }),
    );
}

const EACH_PACK = rule('', '', 'packs');
const EACH_PALLET = rule('', '', 'pallets');
const STRETCH = rule('', '', 'pallets * around * height / 1000 * turns');
const SHRINK = rule('', '', 'packs * surface * (1 + overlap)');

/** Metres of loading that all of the job takes. */
export function loadingFigure({ ledger }: Run, packings: ReadonlyMap<string, Packing>): void {
  const loaded = [...packings.keys()].flatMap((step) => ledger.step(step).find('loadingM') ?? []);
  ledger.group('total').sum('loadingM', $localize`Loading`, 'm', loaded);
}

/** What packing uses up: bands, film, boxes, pallets. Source: identity of the packs; film by their surface. */
export const packingUses = (
  { job, ledger }: Run,
  norms: NormLookup,
  packings: ReadonlyMap<string, Packing>,
): UsedUp[] =>
  job.route.flatMap((step) => {
    const packing = packings.get(step.id);
    return packing ? usesOfPacking(ledger, norms, step, packing) : [];
  });

function usesOfPacking(ledger: Ledger, norms: NormLookup, step: Step, { pallet, box }: Packing): UsedUp[] {
  const at = ledger.step(step.id);
  const use = <Name extends string>(supply: SupplyId, of: Rule<Name>, inputs: Inputs<Name>): UsedUp => {
    const { name, unit } = SUPPLIES[supply];
    return { step: step.id, supply, figure: at.reckon(useField(supply), of, inputs, { name, unit }) };
  };
  const pallets = (): UsedUp[] => {
    if (!pallet) return [];
    const { lengthMm, widthMm } = palletLimits(norms);
    const around = at.give('around', $localize`Around a pallet`, (2 * (lengthMm + widthMm)) / UM, 'm', IDENTITY);
    const count = at.of('pallets');
    return [
      use('pallet', EACH_PALLET, { pallets: count }),
      use('stretch-film', STRETCH, {
        pallets: count,
        around,
        height: at.of('palletMm'),
        turns: giveNorm(ledger, norms, 'pallet.wraps'),
      }),
    ];
  };
  const packs = at.of('packs');
  switch (step.operation) {
    case 'band':
      return [use('band', EACH_PACK, { packs })];
    case 'wrap': {
      const [a, b, c] = box?.outerMm ?? [0, 0, 0];
      const surface = at.give(
        'surface',
        $localize`Surface of a pack`,
        (2 * (a * b + b * c + a * c)) / 1e6,
        'm2',
        IDENTITY,
      );
      return [use('shrink-film', SHRINK, { packs, surface, overlap: giveNorm(ledger, norms, 'pack.overlap') })];
    }
    case 'box':
      return [use('box', EACH_PACK, { packs }), ...pallets()];
    default:
      return pallets();
  }
}
