import { foldedPiece } from '../finishing/index.js';
import type { Grain } from '../layout/index.js';
import { kgPerThousand } from '../paper/index.js';
import type { ComponentLayout } from './component-layout.js';
import { OPERATION_RULES } from '../route/index.js';
import { type FoldKind, type Part, type Step, itemMaterial } from './job.js';
import { webOf } from './web-layout.js';

const UM = 1000;

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

/**
 * Whether a step parts the press sheet into pieces: the guillotine, the die for blanks, and a web press in line.
 */
export function partsSheet({ operation }: Step, { component, machine }: ComponentLayout): boolean {
  if (webOf(machine)) return operation === 'print';
  return operation === (component.kind === 'blank' ? 'die-cut' : 'cut');
}

/** What is counted at the press: sheets, or what a web prints at one turn. */
export type PressUnit = 'sheet' | 'cut-off' | 'repeat';
export function pressUnit({ machine }: ComponentLayout): PressUnit {
  const web = webOf(machine);
  if (!web) return 'sheet';
  return web.cutOffMm === undefined ? 'repeat' : 'cut-off';
}

/** Paper of a component as it comes to the press. */
export function paperMaterial(layout: ComponentLayout): Material {
  const { component, stock, caliperUm } = layout;
  const { sheet } = component;
  return {
    unit: pressUnit(layout),
    widthMm: sheet.widthMm,
    heightMm: sheet.heightMm,
    caliperUm,
    grain: sheet.grain,
    massG: kgPerThousand(sheet.widthMm, sheet.heightMm, stock.gsm),
  };
}

function cutMaterial(paper: Material, layout: ComponentLayout): Material {
  const { piece, pieceAreaMm2, pattern, component } = layout;
  return {
    ...paper,
    unit: component.kind === 'sheet' ? component.name.toLowerCase() : component.kind,
    widthMm: piece.widthMm,
    heightMm: piece.heightMm,
    grain: pattern.pieces[0]?.turned ? otherSide(paper.grain) : paper.grain,
    // What was laminated to the sheet goes with the piece.
    massG: (paper.massG * pieceAreaMm2) / (paper.widthMm * paper.heightMm),
  };
}

/** A part as it is bought. */
export const partAsBought = ({ name, widthMm = 0, heightMm = 0, caliperUm = 0, massG = 0 }: Part): Material => ({
  unit: name.toLowerCase(),
  widthMm,
  heightMm,
  caliperUm,
  grain: 'height',
  massG,
});

/** The items of a form once it is cut apart, by the material that each becomes. */
function itemMaterials(paper: Material, { form, pattern, stock }: ComponentLayout): Map<string, Material> {
  return new Map(
    form.map(({ item, section }) => {
      const turned = pattern.pieces.find((piece) => piece.item === item.id)?.turned ?? false;
      const { widthMm, heightMm } = item;
      const massG = kgPerThousand(widthMm, heightMm, stock.gsm);
      const grain = turned ? otherSide(paper.grain) : paper.grain;
      const unit = section ? 'section' : item.name.toLowerCase();
      return [itemMaterial(item.id), { ...paper, unit, widthMm, heightMm, grain, massG }];
    }),
  );
}

function foldMaterial(flat: Material, folds: number, kind: FoldKind | undefined): Material {
  if (kind !== undefined) {
    const along = flat.widthMm >= flat.heightMm ? 'width' : 'height';
    const [lengthMm, otherMm] = along === 'width' ? [flat.widthMm, flat.heightMm] : [flat.heightMm, flat.widthMm];
    const piece = foldedPiece(kind, { lengthMm, otherMm }, folds);
    const [widthMm, heightMm] = along === 'width' ? [piece.lengthMm, piece.otherMm] : [piece.otherMm, piece.lengthMm];
    return { ...flat, widthMm, heightMm, caliperUm: flat.caliperUm * piece.layers };
  }
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
    heightMm: (piece.heightMm * (section?.books ?? 1)) / (section?.rows ?? 1),
    grain: 'height',
    caliperUm: (sheet.caliperUm * (section?.columns ?? 1) * (section?.rows ?? 1)) / (section?.books ?? 1),
    massG: kgPerThousand(piece.widthMm, piece.heightMm, stock.gsm),
  };
}

/** What comes together: the first by its size, all by thickness and mass. */
const joined = (inputs: readonly { material: Material; usage: number }[]): Material | undefined => {
  const first = inputs[0]?.material;
  if (!first) return undefined;
  return {
    ...first,
    caliperUm: inputs.reduce((sum, { material, usage }) => sum + material.caliperUm * usage, 0),
    massG: inputs.reduce((sum, { material, usage }) => sum + material.massG * usage, 0),
  };
};

/** Number of folds of a fold step. */
export const foldsOf = (step: Step, layout: ComponentLayout | undefined): number =>
  step.folds ?? layout?.section?.scheme.folds.length ?? 1;

/** Materials after a step by their ids, out of what went in: the items of a form cut apart, else one that is made. */
export function materialsAfter(
  step: Step,
  inputs: readonly { material: Material; usage: number }[],
  layout: ComponentLayout | undefined,
  trimmed: { widthMm: number; heightMm: number } | undefined,
  made: readonly string[],
  fold: FoldKind | undefined,
): ReadonlyMap<string, Material> {
  const [first] = inputs;
  if (first && layout && layout.form.length > 0 && partsSheet(step, layout))
    return itemMaterials(first.material, layout);
  const after = materialAfter(step, inputs, layout, trimmed, fold);
  return new Map(after ? made.map((id) => [id, after]) : []);
}

const thickest = (inputs: readonly { material: Material }[]): number =>
  Math.max(0, ...inputs.map(({ material }) => material.caliperUm));

/** A tube lies flat when it is glued: half as wide, twice as thick. Trays and open structures stay as they are. */
function gluedFlat(blank: Material, layout: ComponentLayout | undefined): Material {
  const die = layout?.component.die;
  const tube = die?.kind === 'structure' && !['tray', 'two-piece', 'wallet'].includes(die.structure);
  return tube ? { ...blank, widthMm: blank.widthMm / 2, caliperUm: 2 * blank.caliperUm } : blank;
}

function materialAfter(
  step: Step,
  inputs: readonly { material: Material; usage: number }[],
  layout: ComponentLayout | undefined,
  trimmed: { widthMm: number; heightMm: number } | undefined,
  fold: FoldKind | undefined,
): Material | undefined {
  const first = inputs[0]?.material;
  if (!first) return undefined;
  if (layout && partsSheet(step, layout))
    return webOf(layout.machine) && layout.section ? foldSection(first, layout) : cutMaterial(first, layout);
  const { makes } = OPERATION_RULES[step.operation];
  const all = inputs.length > 1 || inputs[0]?.usage !== 1 ? (joined(inputs) ?? first) : first;
  const after = makes === undefined ? all : { ...all, unit: makes };
  switch (step.operation) {
    case 'fold':
      if (layout?.section && first.unit === 'sheet') return foldSection(first, layout);
      return foldMaterial(first, foldsOf(step, layout), fold);
    case 'glue':
      return { ...gluedFlat(after, layout), unit: layout?.component.name.toLowerCase() ?? 'glued piece' };
    case 'envelope':
      return gluedFlat(after, layout);
    case 'case':
      // Boards lie beside each other under the cloth.
      return { ...after, caliperUm: first.caliperUm + thickest(inputs.slice(1)) };
    case 'hand': {
      if (!step.leavesMm) return after;
      const { widthMm, heightMm, thicknessMm } = step.leavesMm;
      return { ...after, widthMm, heightMm, caliperUm: thicknessMm * UM };
    }
    case 'trim':
      return trimmed ? { ...after, ...trimmed } : after;
    default:
      return after;
  }
}
