import { type Family, type Grain, type Operation, type WorkStyle, inchToMm } from '@druckerei/core';

/** The standard's process of each operation, in words of its own where the standard has none that we remember. Source: from memory. */
export const PROCESSES: Readonly<Record<Operation, string>> = {
  corrugate: 'ManualLabor',
  print: 'ConventionalPrinting',
  dry: 'ManualLabor',
  overprint: 'ConventionalPrinting',
  raise: 'Embossing',
  coat: 'Varnishing',
  laminate: 'Laminating',
  foil: 'Embossing',
  emboss: 'Embossing',
  mount: 'Laminating',
  cut: 'Cutting',
  'die-cut': 'ShapeCutting',
  convert: 'Perforating',
  score: 'Creasing',
  fold: 'Folding',
  window: 'Inserting',
  glue: 'BoxFolding',
  envelope: 'BoxFolding',
  gum: 'Gluing',
  rivet: 'ManualLabor',
  tip: 'Inserting',
  gather: 'Gathering',
  sew: 'ThreadSewing',
  spine: 'SpinePreparation',
  stitch: 'Stitching',
  kit: 'Gathering',
  bind: 'CoverApplication',
  cool: 'ManualLabor',
  split: 'Cutting',
  trim: 'Trimming',
  line: 'SpineTaping',
  case: 'CaseMaking',
  'case-in': 'CasingIn',
  press: 'BlockPreparation',
  rewind: 'Winding',
  number: 'ManualLabor',
  inspect: 'QualityControl',
  count: 'QualityControl',
  hand: 'ManualLabor',
  outside: 'ManualLabor',
  band: 'Bundling',
  wrap: 'Wrapping',
  box: 'BoxPacking',
  pallet: 'Palletizing',
};

/** What each family is called in a list of products. Source: from memory, and where the standard leaves it open, ours. */
export const PRODUCT_TYPES: Readonly<Record<Family, string>> = {
  flat: 'FlatWork',
  folded: 'Leaflet',
  'web-leaflet': 'WebLeaflet',
  'saddle-stitched': 'Booklet',
  'perfect-bound': 'SoftCoverBook',
  'case-bound': 'HardCoverBook',
  carton: 'FoldingCarton',
  wallet: 'Wallet',
  'laminated-box': 'LaminatedBox',
  'corrugated-case': 'CorrugatedCase',
  envelope: 'Envelope',
  'paper-roll': 'PaperRoll',
  labels: 'Label',
  numbered: 'NumberedForm',
  stationery: 'Stationery',
  'on-demand': 'BookOnDemand',
  gang: 'Gang',
};

/** How the families that are bound are bound. Source: from memory. */
export const BINDINGS = {
  'saddle-stitched': 'SaddleStitch',
  'perfect-bound': 'SoftCover',
  'on-demand': 'SoftCover',
  'case-bound': 'HardCover',
} as const satisfies Partial<Record<Family, string>>;

/** Source: from memory. */
export const WORK_STYLE_WORDS: Readonly<Record<WorkStyle, string>> = {
  single: 'Simplex',
  sheetwise: 'WorkAndBack',
  'work-and-turn': 'WorkAndTurn',
  'work-and-tumble': 'WorkAndTumble',
  perfecting: 'Perfecting',
};

const PROCESS_INKS: Readonly<Record<string, string>> = { C: 'Cyan', M: 'Magenta', Y: 'Yellow', K: 'Black' };
/** What a separation is called: names there are single words. */
export const separation = (ink: string): string =>
  PROCESS_INKS[ink] ?? (ink.replace(/[^\p{L}\p{N}._-]+/gu, '_') || '_');

const INK_OF = new Map(Object.entries(PROCESS_INKS).map(([ink, name]) => [name, ink]));
/** The process ink of a separation; undefined where it is none. */
export const inkOfSeparation = (name: string): string | undefined => INK_OF.get(name);

const MM_PER_POINT = inchToMm(1 / 72);
/** Points of an inch / 72. */
export const points = (mm: number): number => mm / MM_PER_POINT;
/** Millimetres, to the hundredth. */
export const millimetres = (pt: number): number => Math.round(pt * MM_PER_POINT * 100) / 100;

/** Whether the grain lies along the longer side of a sheet. Source: from memory. */
export const grainWord = (grain: Grain, widthMm: number, heightMm: number): string =>
  (grain === 'width') === widthMm >= heightMm ? 'LongGrain' : 'ShortGrain';

const SECONDS_PER_HOUR = 3600;
/** A length of time, ISO 8601. */
export const durationText = (hours: number): string => `PT${Math.round(hours * SECONDS_PER_HOUR)}S`;
