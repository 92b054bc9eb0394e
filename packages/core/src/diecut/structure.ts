import type { Mm } from '../kernel/index.js';
import type { DieDrawing } from './drawing.js';

/** Structures offered. Names are the trade's; handbook chapter 4. */
export const STRUCTURES = [
  'straight-tuck',
  'reverse-tuck',
  'self-locking',
  'sleeve',
  'tray',
  'wallet',
  'packet',
  'two-piece',
  'slotted-case',
] as const;
export type StructureId = (typeof STRUCTURES)[number];

/** Inner size of the product and what the board does to it. */
export interface StructureSize {
  /** Longer and shorter side of the opening, and the height between; inner measures, above 0. */
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  readonly depthMm: Mm;
  /** Board caliper, above 0. */
  readonly caliperMm: Mm;
  /** Width of the glue or joint flap; the structure's own where absent. */
  readonly flapMm?: Mm | undefined;
}

/** One blank of a structure. A two-piece box has two. */
export interface StructurePart {
  readonly part: string;
  readonly drawing: DieDrawing;
}

export interface Structure {
  readonly id: StructureId;
  readonly parts: readonly StructurePart[];
  readonly inner: readonly [Mm, Mm, Mm];
  /** Inner size and one or two calipers of board on each side, as the structure has them. Source: identity. */
  readonly outer: readonly [Mm, Mm, Mm];
}
