import { withinSentence } from '../kernel/index.js';
import type { PageMargins } from '../imposition/index.js';
import type { Grain } from '../layout/index.js';
import { kgPerThousand } from '../paper/index.js';
import { type ComponentLayout, pressUnit } from '../press-sheet/index.js';
import type { Part, Step } from '../job/index.js';
import type { Wet } from './wet.js';

/** Square millimetres in a square metre. */
const MM2 = 1e6;

/** A cover that comes with its block and does not lie around it yet. */
export interface LooseCover {
  readonly component: string | undefined;
  readonly caliperUm: number;
  readonly throughGsm: number;
  readonly massG: number;
}

/** The case of a book, closed around nothing: what it will be around its block. */
export interface Shell {
  readonly widthMm: number;
  readonly heightMm: number;
  /** Both boards and the cloth on them. */
  readonly caliperUm: number;
}

/**
 * State of a material on an edge of the flow: what a ruler, a scale and a look at it would say, and so what the next machine
 * gets. Made by one function for each operation, `after.ts`; nothing else may say what a material has become.
 */
export interface Material {
  readonly unit: string;
  /** Size as it lies, trims still on. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Thickness of one, pressed: what a machine clamps and a box holds. */
  readonly caliperUm: number;
  /** Thickness of one lying free: folds spring open until they are stitched, bound or pressed. */
  readonly freeUm: number;
  readonly grain: Grain;
  /** Grams of one: paper, board, film, cloth and bought parts. Ink, varnish and glue are in the balance of the job. */
  readonly massG: number;
  /** Leaves of paper or board that lie one on another in it. */
  readonly leaves: number;
  /** Grams a square metre through its whole thickness; 0 where it is no stack of equal leaves. */
  readonly throughGsm: number;
  /** Grams a square metre of what goes around its spine beside. */
  readonly spineGsm: number;
  /** Folded sections in it. */
  readonly sections: number;
  /** Copies that lie head to head in it. */
  readonly books: number;
  /** What is still to be trimmed or milled off each page; all 0 where it has its size. */
  readonly trims: PageMargins;
  /** Not folded yet, but as wide as pages side by side. */
  readonly pagesAcross: number;
  /** Component that it was printed as; undefined once several have come together. */
  readonly component: string | undefined;
  readonly cover?: LooseCover | undefined;
  readonly shell?: Shell | undefined;
  /** What on it is not dry yet, or has been wet and how long it has lain since. */
  readonly wet: readonly Wet[];
}

/** What a step takes in: a material, and how many of it make one. */
export interface Taken {
  readonly material: Material;
  readonly usage: number;
}

/** Nothing is laid for a knife. */
export const NO_TRIMS: PageMargins = { headMm: 0, footMm: 0, foreMm: 0, spineMm: 0 };

/** The side across a grain. */
export const otherSide = (grain: Grain): Grain => (grain === 'width' ? 'height' : 'width');

/** Grams of so many square millimetres. */
export const gramsOf = (areaMm2: number, gsm: number): number => (areaMm2 / MM2) * gsm;

/** Paper of a component as it comes to the press. */
export function paperMaterial(layout: ComponentLayout): Material {
  const { component, stock, caliperUm } = layout;
  const { sheet } = component;
  return {
    unit: pressUnit(layout),
    widthMm: sheet.widthMm,
    heightMm: sheet.heightMm,
    caliperUm,
    freeUm: caliperUm,
    grain: sheet.grain,
    massG: kgPerThousand(sheet.widthMm, sheet.heightMm, stock.gsm),
    leaves: 1,
    throughGsm: stock.gsm,
    spineGsm: 0,
    sections: 0,
    books: 1,
    trims: NO_TRIMS,
    pagesAcross: 1,
    component: component.id,
    wet: [],
  };
}

/** A part as it is bought. */
export const partAsBought = ({ name, widthMm = 0, heightMm = 0, caliperUm = 0, massG = 0 }: Part): Material => ({
  unit: withinSentence(name),
  widthMm,
  heightMm,
  caliperUm,
  freeUm: caliperUm,
  grain: 'height',
  massG,
  leaves: caliperUm > 0 ? 1 : 0,
  throughGsm: widthMm * heightMm > 0 ? (massG / (widthMm * heightMm)) * MM2 : 0,
  spineGsm: 0,
  sections: 0,
  books: 1,
  trims: NO_TRIMS,
  pagesAcross: 1,
  component: undefined,
  wet: [],
});

/** Number of folds of a fold step. */
export const foldsOf = (step: Step, layout: ComponentLayout | undefined): number =>
  step.folds ?? layout?.section?.scheme.folds.length ?? 1;

const sum = (inputs: readonly Taken[], of: (material: Material) => number): number =>
  inputs.reduce((total, { material, usage }) => total + of(material) * usage, 0);

/** A piece that two pages of the block lie in side by side: told by its kind, or by its width. */
const isSpread = ({ material, usage }: Taken, narrowestMm: number): boolean =>
  usage === 1 && material.leaves === 1 && (material.pagesAcross > 1 || material.widthMm > 1.6 * narrowestMm);

/**
 * What comes to a station that puts sections or leaves together, told apart: the block, and the one-piece cover that is to
 * lie around it. A kit brings its cover along.
 */
export function blockAndCover(inputs: readonly Taken[]): {
  readonly block: readonly Taken[];
  readonly cover: LooseCover | undefined;
} {
  const [only] = inputs;
  if (inputs.length === 1 && only) return { block: inputs, cover: only.material.cover };
  const narrowest = Math.min(...inputs.map(({ material }) => material.widthMm));
  const spread = inputs.find((taken) => isSpread(taken, narrowest));
  if (!spread) return { block: inputs, cover: inputs.find(({ material }) => material.cover)?.material.cover };
  const { component, caliperUm, throughGsm, massG } = spread.material;
  return {
    block: inputs.filter((taken) => taken !== spread),
    cover: { component, caliperUm, throughGsm, massG },
  };
}

/** What comes together, one on another: as large as the first, as thick and as heavy as all. */
export function stacked(inputs: readonly Taken[]): Material | undefined {
  const [first] = inputs;
  if (!first) return undefined;
  if (inputs.length === 1 && first.usage === 1) return first.material;
  return {
    ...first.material,
    component: inputs.length === 1 ? first.material.component : undefined,
    caliperUm: sum(inputs, ({ caliperUm }) => caliperUm),
    freeUm: sum(inputs, ({ freeUm }) => freeUm),
    massG: sum(inputs, ({ massG }) => massG),
    leaves: sum(inputs, ({ leaves }) => leaves),
    throughGsm: sum(inputs, ({ throughGsm }) => throughGsm),
    sections: sum(inputs, ({ sections }) => sections),
    wet: inputs.flatMap(({ material }) => material.wet),
  };
}

/** Folded around the others of a saddle-stitched copy: two leaves, half as wide, whatever was not folded before. */
export function aroundTheFold(inputs: readonly Taken[]): readonly Taken[] {
  const narrowest = Math.min(...inputs.map(({ material }) => material.widthMm));
  return inputs.map((taken) => {
    if (!isSpread(taken, narrowest)) return taken;
    const { material } = taken;
    return {
      ...taken,
      material: {
        ...material,
        widthMm: material.widthMm / 2,
        pagesAcross: 1,
        caliperUm: 2 * material.caliperUm,
        freeUm: 2 * material.freeUm,
        leaves: 2 * material.leaves,
        throughGsm: 2 * material.throughGsm,
      },
    };
  });
}
