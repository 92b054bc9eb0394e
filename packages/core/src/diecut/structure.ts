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
/** Structures that are made from sizes; all others are drawings. */
export type StructureId = (typeof STRUCTURES)[number];

/** A tuck is half as long as the carton is wide, 20 mm at most. Source: practice. */
export const tuckMm = (widthMm: Mm): Mm => Math.min(20, widthMm / 2);

/** What a structure is made from. Inner measures of the product, above 0. */
export interface StructureSize {
  /** Longer and shorter side of the opening (of a wallet and a packet: panel width, and thickness of what goes in). */
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  /** Height between them. */
  readonly depthMm: Mm;
  /** Board caliper, above 0. */
  readonly caliperMm: Mm;
  /** Width of the glue or joint flap; the structure's own where absent. */
  readonly flapMm?: Mm | undefined;
  /** Allowance for each fold of a panel; one caliper where absent. */
  readonly foldMm?: Mm | undefined;
}

/** One blank of a structure. A two-piece box has two. */
export interface StructurePart {
  readonly part: string;
  readonly drawing: DieDrawing;
}

/** A structure made for a size: its outline, lines and glued areas. Millimetres. */
export interface Structure {
  readonly id: StructureId;
  readonly parts: readonly StructurePart[];
  /** Length, width and depth inside, and outside with the board on each side. */
  readonly inner: readonly [Mm, Mm, Mm];
  readonly outer: readonly [Mm, Mm, Mm];
}
