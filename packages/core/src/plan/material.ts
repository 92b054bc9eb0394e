import type { Grain } from '../layout/index.js';
import { kgPerThousand } from '../paper/index.js';
import type { ComponentLayout } from './component-layout.js';
import type { Step } from './job.js';

/** State of a material on an edge of the flow: what the next machine gets. */
export interface Material {
  readonly unit: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly caliperUm: number;
  readonly grain: Grain;
  /** Grams of one unit. */
  readonly massG: number;
}

export const otherSide = (grain: Grain): Grain => (grain === 'width' ? 'height' : 'width');

/** Paper of a component as it comes to the press. */
export function paperMaterial({ component: { sheet }, stock, caliperUm }: ComponentLayout): Material {
  return {
    unit: 'sheet',
    widthMm: sheet.widthMm,
    heightMm: sheet.heightMm,
    caliperUm,
    grain: sheet.grain,
    massG: kgPerThousand(sheet.widthMm, sheet.heightMm, stock.gsm),
  };
}

function cutMaterial(paper: Material, layout: ComponentLayout): Material {
  const { piece, pattern, component, stock } = layout;
  return {
    ...paper,
    unit: component.kind === 'sheet' ? component.name.toLowerCase() : component.kind,
    widthMm: piece.widthMm,
    heightMm: piece.heightMm,
    grain: pattern.pieces[0]?.turned ? otherSide(paper.grain) : paper.grain,
    massG: kgPerThousand(piece.widthMm, piece.heightMm, stock.gsm),
  };
}

function foldMaterial(flat: Material, folds: number): Material {
  let { widthMm, heightMm } = flat;
  // Each fold halves the longer side: right for parallel maps and for the page grids of sections alike.
  for (let fold = 0; fold < folds; fold++)
    [widthMm, heightMm] = widthMm >= heightMm ? [widthMm / 2, heightMm] : [widthMm, heightMm / 2];
  return { ...flat, widthMm, heightMm, caliperUm: flat.caliperUm * 2 ** folds };
}

/** A section folded straight from its sheet: the sheet's page grid becomes one page with its trims. */
function foldSection(sheet: Material, layout: ComponentLayout): Material {
  const { piece, section, component, stock } = layout;
  return {
    ...sheet,
    unit: component.kind,
    widthMm: piece.widthMm / (section?.columns ?? 1),
    heightMm: piece.heightMm / (section?.rows ?? 1),
    grain: 'height',
    caliperUm: sheet.caliperUm * (section?.columns ?? 1) * (section?.rows ?? 1),
    massG: kgPerThousand(piece.widthMm, piece.heightMm, stock.gsm),
  };
}

const joined = (inputs: readonly { material: Material; usage: number }[]): Material | undefined => {
  const first = inputs[0]?.material;
  if (!first) return undefined;
  return {
    ...first,
    unit: 'copy',
    caliperUm: inputs.reduce((sum, { material, usage }) => sum + material.caliperUm * usage, 0),
    massG: inputs.reduce((sum, { material, usage }) => sum + material.massG * usage, 0),
  };
};

/** Number of folds of a fold step. */
export const foldsOf = (step: Step, layout: ComponentLayout | undefined): number =>
  step.folds ?? layout?.section?.scheme.folds.length ?? 1;

/** The material after a step, out of what went in. Undefined where nothing goes in. */
export function materialAfter(
  step: Step,
  inputs: readonly { material: Material; usage: number }[],
  layout: ComponentLayout | undefined,
  trimmed: { widthMm: number; heightMm: number } | undefined,
): Material | undefined {
  const first = inputs[0]?.material;
  if (!first) return undefined;
  switch (step.operation) {
    case 'cut':
      return layout ? cutMaterial(first, layout) : first;
    case 'fold':
      if (layout?.section && first.unit === 'sheet') return foldSection(first, layout);
      return foldMaterial(first, foldsOf(step, layout));
    case 'stitch':
      return joined(inputs);
    case 'trim':
      return trimmed ? { ...first, ...trimmed } : first;
    default:
      return first;
  }
}
