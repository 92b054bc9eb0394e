import { type PlacedPiece, layPatterns } from '../layout/index.js';
import { GRAMS, type Mm } from '../kernel/index.js';
import { checkCharacters } from './check-characters.js';

/** A piece that is packed, as it lies. */
export interface PackedPiece {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly thicknessMm: Mm;
  readonly massG: number;
}

/** A box: how its packs lie, its sizes outside in mm, and its kilograms. */
export interface BoxPlan {
  readonly pieces: number;
  readonly innerMm: readonly [Mm, Mm, Mm];
  readonly outerMm: readonly [Mm, Mm, Mm];
  readonly kg: number;
}

/** Room around a stack in its box. Source: common practice, no source. */
const ROOM_MM = 5;
/** Tallest stack in a box. Source: common practice, no source. */
const STACK_MM = 250;
/** More stacks than any box holds. */
const MOST_STACKS = 500;

/** Ways to stand so many stacks beside each other in rows, none left empty. */
function standings(stacks: number): (readonly [number, number])[] {
  return Array.from({ length: stacks }, (_, i) => i + 1).flatMap((across) =>
    stacks % across === 0 || across * Math.ceil(stacks / across) - stacks < across
      ? [[across, Math.ceil(stacks / across)] as const]
      : [],
  );
}

const surface = ([a, b, c]: readonly [Mm, Mm, Mm]): number => a * b + b * c + a * c;

/**
 * A box for so many pieces in one or more stacks: as few stacks as keep it no taller than a stack is high, standing beside
 * each other so that the box is made of least board. Source: identity; heights practice.
 */
export function boxFor(piece: PackedPiece, pieces: number, wallMm: Mm): BoxPlan {
  const perStackMost = Math.max(1, Math.floor(STACK_MM / Math.max(piece.thicknessMm, Number.MIN_VALUE) + 1e-9));
  const stacks = Math.min(MOST_STACKS, Math.max(1, Math.ceil(pieces / perStackMost)));
  const [inner = [0, 0, 0]] = standings(stacks)
    .sort(([a, b], [c, d]) => a * b - c * d)
    .map(([across, along]): [Mm, Mm, Mm] => [
      across * piece.widthMm + ROOM_MM,
      along * piece.heightMm + ROOM_MM,
      Math.ceil(pieces / (across * along)) * piece.thicknessMm + ROOM_MM,
    ])
    .sort((one, other) => Math.round(surface(one) - surface(other)));
  return {
    pieces,
    innerMm: inner,
    outerMm: [inner[0] + 2 * wallMm, inner[1] + 2 * wallMm, inner[2] + 2 * wallMm],
    kg: (pieces * piece.massG) / GRAMS,
  };
}

/** What a pallet may be at most: millimetres and kilograms. */
export interface PalletLimits {
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  readonly ownHeightMm: Mm;
  readonly heightMm: Mm;
  readonly kg: number;
}

/** A pallet: boxes in a layer, layers, and where each box of a layer stands. Millimetres. */
export interface PalletPlan {
  /** Boxes of one layer as they lie on the pallet. */
  readonly layer: readonly PlacedPiece[];
  readonly perLayer: number;
  readonly layers: number;
  readonly perPallet: number;
  readonly pallets: number;
  /** Of a full one, with its boxes. */
  readonly kg: number;
  readonly heightMm: Mm;
  readonly loadingM: number;
}

/** Inner width of a truck's loading space: handbook chapter 7 (m). */
export const TRUCK_M = 2.4;
const MM = 1000;

/** Metres of loading = pallets x length x width / 2.4. Source: handbook chapter 7 (identity). */
export const loadingMetres = (
  pallets: number,
  { lengthMm, widthMm }: Pick<PalletLimits, 'lengthMm' | 'widthMm'>,
): number => (pallets * (lengthMm / MM) * (widthMm / MM)) / TRUCK_M;

interface Outside {
  readonly outerMm: readonly [Mm, Mm, Mm];
  readonly kg: number;
}
const layers = new WeakMap<Outside, { readonly limits: string; readonly pieces: readonly PlacedPiece[] }>();

/** As many pieces as lie edge to edge in a space, turned or not, by the layout engine. Millimetres. */
export function edgeToEdge(
  space: Readonly<{ lengthMm: Mm; widthMm: Mm }>,
  piece: Readonly<{ lengthMm: Mm; widthMm: Mm }>,
): readonly PlacedPiece[] {
  const [pattern] = layPatterns({
    ...{ widthMm: space.lengthMm, heightMm: space.widthMm },
    ...{ pieceWidthMm: piece.lengthMm, pieceHeightMm: piece.widthMm },
    ...{ bleedMm: 0, gutterMm: 0, turns: 'either', mirror: 'none' },
  }).proposals;
  return pattern.pieces;
}

/** Boxes of one layer as they lie on a pallet; remembered by the box. */
function layerOf(box: Outside, { lengthMm, widthMm }: PalletLimits): readonly PlacedPiece[] {
  const limits = `${lengthMm} ${widthMm}`;
  const before = layers.get(box);
  if (before?.limits === limits) return before.pieces;
  const pieces = edgeToEdge({ lengthMm, widthMm }, { lengthMm: box.outerMm[0], widthMm: box.outerMm[1] });
  layers.set(box, { limits, pieces });
  return pieces;
}

/**
 * Boxes on pallets: a layer by the layout engine, as many layers as height and mass let, and no more boxes than are told.
 * Undefined where not one box fits. Source: handbook chapter 7 "Packing".
 */
export function palletFor(box: Outside, boxes: number, limits: PalletLimits, most = Infinity): PalletPlan | undefined {
  const tall = box.outerMm[2];
  const layer = layerOf(box, limits);
  const perLayer = layer.length;
  const byHeight = Math.floor((limits.heightMm - limits.ownHeightMm) / tall);
  const byMass = box.kg > 0 ? Math.floor(limits.kg / box.kg / Math.max(1, perLayer)) : byHeight;
  const high = Math.min(byHeight, byMass);
  if (perLayer === 0 || high < 1) return undefined;
  const perPallet = Math.max(1, Math.min(most, perLayer * high));
  const pallets = Math.ceil(boxes / perPallet);
  return {
    layer,
    perLayer,
    layers: Math.ceil(perPallet / perLayer),
    perPallet,
    pallets,
    kg: perPallet * box.kg,
    heightMm: limits.ownHeightMm + Math.ceil(perPallet / perLayer) * tall,
    loadingM: loadingMetres(pallets, limits),
  };
}

/** Digits of a serial shipping code before its check digit. */
const SERIAL = 17;

/** A serial number of a unit of transport: 17 digits and the GS1 check digit. Source: GS1 General Specifications (mod 10). */
export function transportCode(prefix: string, serial: number): string {
  const body = `${prefix}${String(serial).padStart(SERIAL - prefix.length, '0')}`.slice(0, SERIAL);
  return `${body}${checkCharacters(body, 'GS1 mod 10')}`;
}

/** Labels of one job: six digits behind ten of its number. */
const LABEL_DIGITS = 6;
const JOB_DIGITS = 10;

/** Ten digits that stand for a job number: its own, the last of them, else a hash of its letters. */
function jobDigits(number: string): string {
  const digits = number.replace(/\D/g, '').slice(-JOB_DIGITS);
  if (digits !== '') return digits.padStart(JOB_DIGITS, '0');
  let hash = 7;
  for (let i = 0; i < number.length; i++) hash = (hash * 31 + number.charCodeAt(i)) % 10 ** JOB_DIGITS;
  return String(hash).padStart(JOB_DIGITS, '0');
}

/** Code of the n-th transport label of a job, from 1: each label of a job has its own. @param n 1 to 999,999. */
export const labelCode = (jobNumber: string, n: number): string =>
  transportCode(`0${jobDigits(jobNumber)}${String(n).padStart(LABEL_DIGITS, '0')}`, 0);
