import type { BlankChoice, DieDrawing, StructureId } from '../diecut/index.js';
import type { Mm } from '../kernel/index.js';
import type { OwnFolding } from '../imposition/index.js';
import type { Arrangement, Grain } from '../layout/index.js';
import type { WorkStyle } from '../press/index.js';
import type { SheetSize } from '../works/index.js';
import type { InkUse, Versions } from './ink.js';
import type { CarrierSpec, Tool } from './carrier-spec.js';

/** A place on the sheet, from its left and gripper edge, printed side up. */
export interface SheetPlace {
  readonly xMm: Mm;
  readonly yMm: Mm;
}

/** What a component is: a flat sheet, a section, a cover, a blank, or a form of a gang. */
export const COMPONENT_KINDS = ['sheet', 'section', 'cover', 'blank', 'gang'] as const;

/** Trims of a section's pages; the house's trim where absent, nothing at the spine. */
export interface SectionTrims {
  readonly headMm?: Mm | undefined;
  readonly footMm?: Mm | undefined;
  readonly foreMm?: Mm | undefined;
  /** Milled off each page at the spine of glued work. */
  readonly spineMm?: Mm | undefined;
}

/** How the pieces lie on the sheet, where the planner wants it otherwise than best. */
export interface Lay {
  readonly arrangement?: Arrangement | undefined;
  /** Bleed of flat work, or trim of a section; the house's norm where absent. 0 with no gutter: one-knife butts. */
  readonly bleedMm?: Mm | undefined;
  /** Least distance between trimmed pieces; between blanks the house's stripping gap where absent, else 0. */
  readonly gutterMm?: Mm | undefined;
  /** How blanks lie: what a search found, kept in figures; the better of straight rows and head to tail where absent. */
  readonly blanks?: BlankChoice | undefined;
}

/** The shape of a die-cut blank: a structure made for the component's inner size and board, or a drawing of its own. */
export type Die =
  | {
      readonly kind: 'structure';
      readonly structure: StructureId;
      /** Inner height between length and width. */
      readonly depthMm: Mm;
      readonly flapMm?: Mm | undefined;
      /** Allowance for each fold; one caliper where absent. */
      readonly foldMm?: Mm | undefined;
      /** Which of the structure's parts, from 0. */
      readonly part?: number | undefined;
    }
  | ({ readonly kind: 'drawing' } & DieDrawing);

/** How often an item, or a section, lies on one form. */
export interface Carried {
  readonly item: string;
  readonly count: number;
  /** Share 0..1 of the item's quantity that this form prints, where several forms carry it. */
  readonly share?: number | undefined;
}

/** What is bought and cut to the press sheet: a larger sheet, or a roll for the sheeter. */
export type Bought =
  | { readonly kind: 'sheet'; readonly widthMm: Mm; readonly heightMm: Mm; readonly grain: Grain }
  | { readonly kind: 'roll'; readonly widthMm: Mm }
  /** Corrugated: width of the corrugator's web that the sheets are slit from. */
  | { readonly kind: 'deckle'; readonly widthMm: Mm };

/** Choices of how a component runs that can be fixed. */
export const LOCKED_CHOICES = ['press', 'stock', 'sheet', 'workStyle', 'sections'] as const;
/** One of them. */
export type LockedChoice = (typeof LOCKED_CHOICES)[number];

/** A part of the product that is printed on its own. */
export interface Component {
  readonly id: string;
  readonly name: string;
  readonly kind: (typeof COMPONENT_KINDS)[number];
  /**
   * Trimmed size: of the flat piece for sheets, of one page for sections and covers, length and width of the opening
   * inside for blanks of a structure, of the drawing for others. Absent for the forms of a gang, whose items have sizes.
   */
  readonly widthMm?: Mm | undefined;
  readonly heightMm?: Mm | undefined;
  /** Pages of a section (a multiple of 4) or of a cover (4); absent for sheets. */
  readonly pages?: number | undefined;
  /** Side of a flat piece that must lie along the grain; sections and covers always take the spine. */
  readonly grain?: Grain | 'any' | undefined;
  readonly stock: string;
  /** Whose paper it is: the customer's own is not bought nor charged. */
  readonly paperOwner?: 'house' | 'customer' | undefined;
  /** Sheet as it goes through the press. */
  readonly sheet: SheetSize;
  /** Bought larger and cut to the press sheet; absent: the press sheet is bought. */
  readonly bought?: Bought | undefined;
  readonly press: string;
  readonly workStyle: WorkStyle;
  /** Choices that the planner has fixed: a search for a better way keeps them. */
  readonly locked?: readonly LockedChoice[] | undefined;
  readonly front: readonly InkUse[];
  readonly back: readonly InkUse[];
  readonly lay?: Lay | undefined;
  /** Fold scheme of a section; the usual one for its pages where absent. */
  readonly scheme?: string | undefined;
  /** Folds of the house's own in place of a scheme that ships. */
  readonly folding?: OwnFolding | undefined;
  readonly trims?: SectionTrims | undefined;
  /** Shape of a blank. */
  readonly die?: Die | undefined;
  /** The form that a section shares with others: it is printed there, with that form's paper and press. */
  readonly on?: string | undefined;
  /** What a form carries: items of a gang, or sections that share it. */
  readonly carries?: readonly Carried[] | undefined;
  /** A second run of another component: the same part, printed on another press or another day. */
  readonly runOf?: string | undefined;
  readonly versions?: Versions | undefined;
  readonly carriers?: CarrierSpec | undefined;
  readonly tools?: readonly Tool[] | undefined;
  /** Order of the inks by hand; by the press's school and the rules where absent. */
  readonly inkOrder?:
    { readonly front?: readonly string[] | undefined; readonly back?: readonly string[] | undefined } | undefined;
  /** Ink now in each unit of the press, '' where clean; nothing is washed where absent. */
  readonly unitsBefore?: readonly string[] | undefined;
  /** Register marks where the planner wants them otherwise than usual. */
  readonly marks?: readonly SheetPlace[] | undefined;
}

/** Whether nobody prints a component: boards, cloth, plain trays. */
export const isUnprinted = ({ front, back }: Component): boolean => front.length === 0 && back.length === 0;

/** Material id of a component's paper. */
export const paperOf = (component: string): string => `paper.${component}`;
