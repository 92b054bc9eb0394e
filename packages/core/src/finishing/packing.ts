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

/**
 * A box for so many pieces in one or more stacks: as many stacks beside each other as keep it no taller than a stack is
 * high. Source: identity; heights practice.
 */
export function boxFor(piece: PackedPiece, pieces: number, wallMm: Mm): BoxPlan {
  const total = pieces * piece.thicknessMm;
  const stacks = Math.max(1, Math.ceil(total / STACK_MM));
  const perStack = Math.ceil(pieces / stacks);
  const inner: [Mm, Mm, Mm] = [
    stacks * piece.widthMm + ROOM_MM,
    piece.heightMm + ROOM_MM,
    perStack * piece.thicknessMm + ROOM_MM,
  ];
  return {
    pieces,
    innerMm: inner,
    outerMm: [inner[0] + 2 * wallMm, inner[1] + 2 * wallMm, inner[2] + 2 * wallMm],
    kg: (pieces * piece.massG) / GRAMS,
  };
}

export interface PalletLimits {
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  readonly ownHeightMm: Mm;
  readonly heightMm: Mm;
  readonly kg: number;
}

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
const TRUCK_M = 2.4;
const MM = 1000;

/** Metres of loading = pallets x length x width / 2.4. Source: handbook chapter 7 (identity). */
export const loadingMetres = (
  pallets: number,
  { lengthMm, widthMm }: Pick<PalletLimits, 'lengthMm' | 'widthMm'>,
): number => (pallets * (lengthMm / MM) * (widthMm / MM)) / TRUCK_M;

/**
 * Boxes on pallets: a layer by the layout engine, as many layers as height and mass let. Undefined where not one box
 * fits. Source: handbook chapter 7 "Packing".
 */
export function palletFor(
  box: { readonly outerMm: readonly [Mm, Mm, Mm]; readonly kg: number },
  boxes: number,
  limits: PalletLimits,
): PalletPlan | undefined {
  const [widthMm, heightMm, tall] = box.outerMm;
  const [pattern] = layPatterns({
    widthMm: limits.lengthMm,
    heightMm: limits.widthMm,
    pieceWidthMm: widthMm,
    pieceHeightMm: heightMm,
    bleedMm: 0,
    gutterMm: 0,
    turns: 'either',
    mirror: 'none',
  }).proposals;
  const byHeight = Math.floor((limits.heightMm - limits.ownHeightMm) / tall);
  const byMass = box.kg > 0 ? Math.floor(limits.kg / box.kg / Math.max(1, pattern.count)) : byHeight;
  const layers = Math.min(byHeight, byMass);
  if (pattern.count === 0 || layers < 1) return undefined;
  const perPallet = pattern.count * layers;
  const pallets = Math.ceil(boxes / perPallet);
  return {
    layer: pattern.pieces,
    perLayer: pattern.count,
    layers,
    perPallet,
    pallets,
    kg: perPallet * box.kg,
    heightMm: limits.ownHeightMm + layers * tall,
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
