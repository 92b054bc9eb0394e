import type { BlankChoice, DieDrawing, StructureId } from '../diecut/index.js';
import type { Incident, School } from '../flow/index.js';
import type { Mm } from '../kernel/index.js';
import type { Assembly, CreepMethod, CreepShare, OddPlace, OwnFolding } from '../imposition/index.js';
import type { CheckSystem } from '../finishing/index.js';
import type { Arrangement, Grain } from '../layout/index.js';
import type { Lab, RecipePart, Rest } from '../colour/index.js';
import type { CarrierKind, Drying, Engraving, InkKind, Motif, PrintSide, WorkStyle } from '../press/index.js';
import type { Operation } from '../route/index.js';
import type { Contact, SheetSize } from '../works/index.js';
import type { Finish, Part } from './finish.js';

export * from './finish.js';

export const FAMILIES = [
  'flat',
  'folded',
  'web-leaflet',
  'saddle-stitched',
  'perfect-bound',
  'case-bound',
  'carton',
  'wallet',
  'laminated-box',
  'corrugated-case',
  'envelope',
  'paper-roll',
  'labels',
  'numbered',
  'stationery',
  'on-demand',
  'gang',
] as const;
export type Family = (typeof FAMILIES)[number];

/** What the order lets us deliver. Percents of the quantity. */
export type OversPolicy =
  | { readonly kind: 'exact' }
  | { readonly kind: 'percent'; readonly under: number; readonly over: number }
  | { readonly kind: 'all-overs' };

/** Part of an order that is delivered by itself. */
export interface Delivery {
  readonly quantity: number;
  /** ISO 8601 date. */
  readonly due?: string | undefined;
}

export interface Order {
  readonly quantity: number;
  /** What is counted, many of them: sets, pads, packs; what leaves the last station where absent. */
  readonly unit?: string | undefined;
  /** Pieces planned beyond the order. */
  readonly plannedOvers: number;
  readonly policy: OversPolicy;
  /** Partial deliveries, which add to the quantity; one of all where absent. */
  readonly deliveries?: readonly Delivery[] | undefined;
  /** Single books: how many of the same format, paper and film run together and share their set-ups; by the norm where absent. */
  readonly batch?: number | undefined;
}

export interface InkUse {
  /** Name of the ink: K, C, M, Y or a mixed colour. */
  readonly name: string;
  /** Share 0..1 of the printed area; the house's norm where absent. */
  readonly coverage?: number | undefined;
  /** Coverage of each ink zone of the press, share 0..1 of its strip of the plate, the left of the sheet first. */
  readonly zones?: readonly number[] | undefined;
}

/** An ink of the job that is more than its name. */
export interface InkSpec {
  readonly name: string;
  readonly kind: InkKind;
  /** How it dries; as the house has it, else as is usual for the process. */
  readonly drying?: Drying | undefined;
  /** Colour to be reached, measured on the job's own stock. */
  readonly aim?: Lab | undefined;
  /** Largest difference at which a trial is accepted, CIEDE2000; the house's norm where absent. */
  readonly tolerance?: number | undefined;
  readonly recipe?: readonly RecipePart[] | undefined;
  /** Rests of the same colour, to be used up first. */
  readonly rests?: readonly Rest[] | undefined;
  readonly filmGsm?: number | undefined;
  /** Share 0..1 of solids, where the film is told dry. */
  readonly solids?: number | undefined;
  readonly cleared?: readonly Contact[] | undefined;
  /** Accountable work: issued and returned by weight. */
  readonly accountable?: boolean | undefined;
}

/** Versions of a printed component: the inks named change from one to the next, the others stay on. */
export interface Versions {
  readonly names: readonly string[];
  readonly inks: readonly string[];
}

/** How the carriers of a component are made. */
export interface CarrierSpec {
  readonly owner?: 'house' | 'customer' | undefined;
  /** Lines an inch. */
  readonly rulingLpi?: number | undefined;
  /** Screen angle by ink, degrees; the usual set where absent. */
  readonly angles?: Readonly<Record<string, number>> | undefined;
  /** Images that one etched plate carries before it is cut apart. */
  readonly imagesPerPlate?: number | undefined;
  readonly engraving?: Engraving | undefined;
  /** Gravure: what the artwork holds, for the advice how to engrave it. */
  readonly motif?: Motif | undefined;
}

/** A die or numbering box that a component wants beside its printing carriers. */
export interface Tool {
  readonly id: string;
  readonly kind: Extract<
    CarrierKind,
    'letterpress-die' | 'foil-die' | 'embossing-die' | 'embossing-roller' | 'cutting-die' | 'numbering-box'
  >;
  readonly name: string;
  readonly count?: number | undefined;
  /** Foil and embossing: size of one die, its height along the foil. */
  readonly widthMm?: Mm | undefined;
  readonly heightMm?: Mm | undefined;
  /** Embossing: with a counter. */
  readonly counter?: boolean | undefined;
  readonly owner?: 'house' | 'customer' | undefined;
  /** Numbering: first number, step, whether a check character closes it, and numbers left out. */
  readonly start?: number | undefined;
  readonly step?: number | undefined;
  readonly check?: boolean | undefined;
  /** Numbering: how the check character is made; MOD 97-10 where one is asked for and nothing is told. */
  readonly checkSystem?: CheckSystem | undefined;
  /** Numbering: digits of the number, filled with zeros; and how often it stands on one piece. */
  readonly digits?: number | undefined;
  readonly places?: number | undefined;
  readonly skips?: string | undefined;
  /** Numbering: numbers that were printed and voided, such as `7, 100-105`. */
  readonly voids?: string | undefined;
  /** Numbering: letters before the number, and whether the lowest lies on top of a delivered pile. */
  readonly prefix?: string | undefined;
  readonly lowestOnTop?: boolean | undefined;
}

/** A place on the sheet, from its left and gripper edge, printed side up. */
export interface SheetPlace {
  readonly xMm: Mm;
  readonly yMm: Mm;
}

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

/** An item that shares press sheets with others: a product or a version of its own. */
export interface Item {
  readonly id: string;
  readonly name: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Pieces ordered. The order's quantity is the sum over all items. */
  readonly quantity: number;
  /** May be turned by a quarter; where absent it may. */
  readonly mayTurn?: boolean | undefined;
}

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

export const SPINE_KINDS = ['milled', 'notched'] as const;
export type SpineKind = (typeof SPINE_KINDS)[number];

/** How sections come together, where they stand, and what is done about creep. */
export interface Binding {
  readonly assembly: Assembly;
  readonly odd?: OddPlace | undefined;
  readonly creep?: CreepMethod | undefined;
  readonly creepShare?: CreepShare | undefined;
  /** The outer two leaves of the text serve as endpapers at each end: pasted down and fly leaf, not numbered. */
  readonly selfEnds?: boolean | undefined;
  /** Glued spines: milled off where absent; notched ones keep their folds. */
  readonly spine?: SpineKind | undefined;
  /** Two copies bound as one, head to head, and split apart at the trimmer. */
  readonly twoUp?: boolean | undefined;
}

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

/** One station of the route. Norms that are absent come from the works. */
export interface Step {
  readonly id: string;
  readonly operation: Operation;
  /** Component that the step belongs to; absent once components have joined. */
  readonly component?: string | undefined;
  readonly machine?: string | undefined;
  /** Materials taken in: ids of earlier steps (or what these say they make); absent: the component's paper. */
  readonly from?: readonly { readonly material: string; readonly usage?: number | undefined }[] | undefined;
  /** Materials made, where it is not one material under the step's own id. */
  readonly makes?:
    | readonly { readonly material: string; readonly yield?: number | undefined; readonly share?: number | undefined }[]
    | undefined;
  /** Good outputs from one good process unit; absent: from the layout at the guillotine, else 1. */
  readonly yield?: number | undefined;
  readonly samples?: number | undefined;
  readonly setup?: number | undefined;
  /** Earlier step whose spoils serve for the set-up, before good material does. */
  readonly setupFrom?: string | undefined;
  /** Running spoilage, told as the works tells it: of what runs or of the net. */
  readonly running?: number | undefined;
  readonly incidents?: readonly Incident[] | undefined;
  /** Print: the side or sides of this pass. */
  readonly side?: PrintSide | undefined;
  /** Fold: number of folds; absent: by the pages of the section. */
  readonly folds?: number | undefined;
  /** Band and box: pieces in a pack. */
  readonly perPack?: number | undefined;
  /** Cut: sheets in a lift, where piles are counted exactly: accountable work. */
  readonly perLift?: number | undefined;
  /** Pieces in an hour, instead of the norm of the machine or of hand work. */
  readonly perHour?: number | undefined;
  /** Dry: hours instead of the norm. */
  readonly hours?: number | undefined;
  /** Hand work: size of what leaves, where it is closed or put up. */
  readonly leavesMm?: { readonly widthMm: Mm; readonly heightMm: Mm; readonly thicknessMm: Mm } | undefined;
  /** Outside work: hours on the road each way, and the price of one piece that is sent. */
  readonly transitHours?: number | undefined;
  readonly price?: number | undefined;
  /** Printed again on another press: the inks of this pass, one carrier each. */
  readonly inks?: readonly InkUse[] | undefined;
  /** Print: anti-set-off powder is dusted on. */
  readonly powder?: boolean | undefined;
  /** Instruction for the station, printed on the ticket. */
  readonly note?: string | undefined;
}

/** A job as the planner specifies it. The Druckerei job file is this, as JSON. */
export interface Job {
  readonly format: 'druckerei-job';
  readonly version: 1;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly family: Family;
  /** ISO 8601 date. */
  readonly due?: string | undefined;
  readonly order: Order;
  readonly school: School;
  /** Text pages of a bound product, cover not counted. */
  readonly pages?: number | undefined;
  /** Saddle work where absent. */
  readonly binding?: Binding | undefined;
  readonly components: readonly Component[];
  /** Inks that are more than their name: mixed colours, metallics, varnishes. */
  readonly inks?: readonly InkSpec[] | undefined;
  /** Bought ready made, taken in by the route as `part.<id>`. */
  readonly parts?: readonly Part[] | undefined;
  readonly finish?: Finish | undefined;
  /** What the product touches: inks, stocks and glues have to be cleared for it. */
  readonly contact?: Contact | undefined;
  /** Items of a gang, each ordered by itself. */
  readonly items?: readonly Item[] | undefined;
  readonly route: readonly Step[];
  /** Norms of the works overridden for this job, by norm id. */
  readonly norms: Readonly<Record<string, number>>;
}

/** A job without what its order asks: all that a structure may be made of. */
export type Unordered = Omit<Job, 'order'>;

/** Fewest and most pieces that an order lets us deliver; no most where all overs go to the customer. */
export function orderLimits({ policy, quantity }: Order): { readonly least: number; readonly most: number } {
  switch (policy.kind) {
    case 'exact':
      return { least: quantity, most: quantity };
    case 'all-overs':
      return { least: quantity, most: Infinity };
    case 'percent':
      return {
        least: Math.ceil(quantity * (1 - policy.under / 100)),
        most: Math.floor(quantity * (1 + policy.over / 100)),
      };
  }
}

/** Pieces of all items together; undefined where the job has none. */
export const itemsTotal = ({ items }: Job): number | undefined =>
  items?.length ? items.reduce((total, { quantity }) => total + quantity, 0) : undefined;

/** Material id of an item once the sheet that carries it is cut apart. */
export const itemMaterial = (item: string): string => `item.${item}`;

/** Whether nobody prints a component: boards, cloth, plain trays. */
export const isUnprinted = ({ front, back }: Component): boolean => front.length === 0 && back.length === 0;

/** Material id of a component's paper. */
export const paperOf = (component: string): string => `paper.${component}`;
