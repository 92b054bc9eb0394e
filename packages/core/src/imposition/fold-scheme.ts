/** Which part moves onto which. The section lies inner side up before the first fold. */
export const FOLD_DIRECTIONS = ['right over left', 'left over right', 'top over bottom', 'bottom over top'] as const;
/** Which half of the sheet a fold brings over the other. */
export type FoldDirection = (typeof FOLD_DIRECTIONS)[number];

/**
 * One station of a folder. A fold turns the moving part over onto the other; a slit cuts it off and lays it, not
 * turned, on top (ribbons of a web).
 */
export interface Fold {
  readonly kind: 'fold' | 'slit';
  readonly direction: FoldDirection;
  /** The moving part goes beneath instead of on top. */
  readonly under?: boolean | undefined;
  /** Line of the fold in columns from the left or rows from the bottom of what lies there; absent: the middle. */
  readonly at?: number | undefined;
}

/** How a section comes about: its page grid as seen from the inner side, and the list of folds. */
export interface FoldScheme {
  readonly id: string;
  readonly name: string;
  readonly columns: number;
  readonly rows: number;
  readonly folds: readonly Fold[];
  /** Where it is folded: on a folder from sheets, or in line on a web; on either where absent. */
  readonly on?: 'sheet' | 'web';
  /** The folder lays two cut-offs on each other before it folds: the rows run over both. */
  readonly collects?: boolean;
}

/** Pages that a scheme makes of one sheet: two for each of its fields. */
export const pagesOfScheme = ({ columns, rows }: FoldScheme): number => 2 * columns * rows;

const fold = (direction: FoldDirection, at?: number): Fold => ({ kind: 'fold', direction, at });
const slit = (direction: FoldDirection, at?: number): Fold => ({ kind: 'slit', direction, at });
const [RL, TB] = ['right over left', 'top over bottom'] as const;

/**
 * Fold schemes offered, the first of each page count by default. Page orders are not typed in: they come of folding.
 * The web's own come of ribbons by the slitter, former (along the web), jaw (across it) and chopper.
 * Source: the 8 and the 16 page form are those of handbook chapter 4; the others go on alternately (practice).
 */
export const FOLD_SCHEMES: readonly FoldScheme[] = [
  { id: '4', name: $localize`One fold`, columns: 2, rows: 1, folds: [fold(RL)] },
  { id: '8', on: 'sheet', name: $localize`Right angle`, columns: 2, rows: 2, folds: [fold(TB), fold(RL)] },
  { id: '8-parallel', on: 'sheet', name: $localize`Two parallel`, columns: 4, rows: 1, folds: [fold(RL), fold(RL)] },
  {
    id: '12',
    on: 'sheet',
    name: $localize`Letter fold at the heads, one right angle`,
    columns: 2,
    rows: 3,
    folds: [fold(TB, 2), fold(TB, 1), fold(RL)],
  },
  {
    id: '16',
    on: 'sheet',
    name: $localize`Three right angle`,
    columns: 4,
    rows: 2,
    folds: [fold(RL), fold(TB), fold(RL)],
  },
  {
    id: '16-parallel',
    on: 'sheet',
    name: $localize`Across, then two parallel`,
    columns: 4,
    rows: 2,
    folds: [fold(TB), fold(RL), fold(RL)],
  },
  {
    id: '24',
    on: 'sheet',
    name: $localize`Letter fold at the heads, two right angle`,
    columns: 4,
    rows: 3,
    folds: [fold(RL), fold(TB, 2), fold(TB, 1), fold(RL)],
  },
  { id: '8-chopper', on: 'web', name: $localize`Web: jaw, chopper`, columns: 2, rows: 2, folds: [fold(TB), fold(RL)] },
  { id: '8-jaw', on: 'web', name: $localize`Web: former, jaw`, columns: 2, rows: 2, folds: [fold(RL), fold(TB)] },
  {
    id: '16-chopper',
    on: 'web',
    name: $localize`Web: former, jaw, chopper`,
    columns: 4,
    rows: 2,
    folds: [fold(RL), fold(TB), fold(RL)],
  },
  {
    id: '16-collect',
    on: 'web',
    collects: true,
    name: $localize`Web: collect, jaw, chopper`,
    columns: 2,
    rows: 4,
    folds: [slit(TB), fold(TB), fold(RL)],
  },
  {
    id: '16-jaw',
    on: 'web',
    name: $localize`Web: slit, former, jaw`,
    columns: 4,
    rows: 2,
    folds: [slit(RL), fold(RL), fold(TB)],
  },
  {
    id: '32',
    on: 'sheet',
    name: $localize`Four right angle`,
    columns: 4,
    rows: 4,
    folds: [fold(TB), fold(RL), fold(TB), fold(RL)],
  },
  {
    id: '32-collect',
    on: 'web',
    collects: true,
    name: $localize`Web: former, collect, jaw, chopper`,
    columns: 4,
    rows: 4,
    folds: [fold(RL), slit(TB), fold(TB), fold(RL)],
  },
  {
    id: '32-slit',
    on: 'web',
    name: $localize`Web: slit, former, jaw, chopper`,
    columns: 8,
    rows: 2,
    folds: [slit(RL), fold(RL), fold(TB), fold(RL)],
  },
  {
    id: '48',
    on: 'sheet',
    name: $localize`Three right angle with a letter fold`,
    columns: 4,
    rows: 6,
    folds: [fold(TB), fold(RL), fold(TB, 2), fold(TB, 1), fold(RL)],
  },
  {
    id: '64',
    on: 'sheet',
    name: $localize`Five right angle`,
    columns: 8,
    rows: 4,
    folds: [fold(RL), fold(TB), fold(RL), fold(TB), fold(RL)],
  },
  {
    id: '128',
    on: 'sheet',
    name: $localize`Six right angle`,
    columns: 8,
    rows: 8,
    folds: [fold(TB), fold(RL), fold(TB), fold(RL), fold(TB), fold(RL)],
  },
];

/** Schemes for a page count, folded from sheets or in line on a web, the usual one first. */
export const schemesFor = (pages: number, on: 'sheet' | 'web'): readonly FoldScheme[] =>
  FOLD_SCHEMES.filter((scheme) => pagesOfScheme(scheme) === pages && (scheme.on ?? on) === on);

/** A scheme by its id. */
export const schemeById = (id: string): FoldScheme | undefined => FOLD_SCHEMES.find((scheme) => scheme.id === id);
