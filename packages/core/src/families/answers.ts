import type { Die, Family, FoldKind, SpineKind } from '../job/index.js';

/** Families that begin with questions; a gang begins at its bench. */
export type AskedFamily = Exclude<Family, 'gang'>;

/** The few questions of a family. A family asks some of them and takes the others as given. */
export interface FamilyAnswers {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly quantity: number;
  /** Trimmed size: of the flat piece, or of a page; length and width of the opening of a box. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Text pages of a bound product, a multiple of 4. */
  readonly pages: number;
  readonly stock: string;
  readonly coverStock: string;
  readonly press: string;
  /** Folds of a folded piece. */
  readonly folds: number;
  readonly fold?: FoldKind | undefined;
  /** Shape of a blank; width and height are then the length and width of its opening. */
  readonly die: Die;
  /** What is put over the print. */
  readonly cover?: CoverWork | undefined;
  readonly foil?: boolean | undefined;
  readonly emboss?: boolean | undefined;
  /** Pieces in a pack. */
  readonly perPack?: number | undefined;
  /** Two books bound as one, head to head. */
  readonly twoUp?: boolean | undefined;
  /** Glued spines: leaves milled free at the spine, or held by their folds and notched for the glue. */
  readonly spine?: SpineKind | undefined;
  /** Envelopes: gummed flap, or a string around two riveted buttons. */
  readonly closure?: Closure | undefined;
  /** Length of paper on a consumer roll, m. */
  readonly rollM?: number | undefined;
  /** Raised print: from an engraved plate, or powder that is melted. */
  readonly raised?: 'plate' | 'powder' | undefined;
}

/** How an envelope or wallet is closed. */
export const CLOSURES = ['gum', 'string'] as const;
/** One of the closures. */
export type Closure = (typeof CLOSURES)[number];

/** What is laid over a cover: nothing, a film, a varnish. */
export const COVER_WORKS = ['none', 'varnish', 'film'] as const;
/** One of the works on a cover. */
export type CoverWork = (typeof COVER_WORKS)[number];

/** What a question is about; the size, paper and press are asked of every family. */
export const QUESTIONS = [
  'size',
  'measures',
  'structure',
  'depth',
  'pages',
  'stock',
  'coverStock',
  'press',
  'fold',
  'cover',
  'foil',
  'emboss',
  'perPack',
  'twoUp',
  'spine',
  'closure',
  'rollM',
  'raised',
] as const;
/** What a family asks for. */
export type Question = (typeof QUESTIONS)[number];

/** What presses a family is printed on. */
export type PressKind = 'sheet' | 'cut-off web' | 'cylinder web' | 'gravure' | 'case' | 'digital' | 'envelope';

/** A family: what it is called, what it counts, its questions, the presses that it runs on, and its usual answers. */
export interface FamilyRule {
  readonly name: string;
  /** What an order of it counts. */
  readonly counts: string;
  readonly asks: readonly Question[];
  readonly press: PressKind;
  /** Answers given to begin with. */
  readonly usual: Partial<Omit<FamilyAnswers, 'number' | 'title' | 'customer'>>;
}
