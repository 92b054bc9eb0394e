import { foldedPiece } from '../finishing/index.js';
import { UM } from '../kernel/index.js';
import { rollDiameterMm } from '../paper/index.js';
import { type Operation, OPERATION_RULES } from '../route/index.js';
import type { NormLookup } from '../norms/index.js';
import type { Works } from '../works/index.js';
import { type ComponentLayout, webOf, partsSheet } from '../press-sheet/index.js';
import { type Job, type Step, itemMaterial } from '../job/index.js';
import { foldKindOf, panelsOf } from './fold-panels.js';
import { laidInk } from './laid-ink.js';
import {
  type Material,
  type Taken,
  NO_TRIMS,
  aroundTheFold,
  blockAndCover,
  foldsOf,
  gramsOf,
  otherSide,
  stacked,
} from './state.js';
import type { Wet, WetKind } from './wet.js';

/** A station with everything that what leaves it depends on. */
interface At {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly step: Step;
  readonly layout: ComponentLayout | undefined;
  readonly inputs: readonly Taken[];
  /** All inputs one on another. */
  readonly all: Material;
  readonly first: Material;
}

/** A piece out of its sheet: by its own area, whatever else was laminated to the sheet. */
function cutOut(sheet: Material, layout: ComponentLayout): Material {
  const { piece, pieceAreaMm2, pattern, component, section, trims } = layout;
  return {
    ...sheet,
    unit: component.kind === 'sheet' ? component.name.toLowerCase() : component.kind,
    widthMm: piece.widthMm,
    heightMm: piece.heightMm,
    grain: pattern.pieces[0]?.turned ? otherSide(sheet.grain) : sheet.grain,
    massG: gramsOf(pieceAreaMm2, sheet.throughGsm),
    trims: trims ?? NO_TRIMS,
    pagesAcross: section?.columns ?? 1,
  };
}

/** A section folded from its flat piece or straight from its sheet: one page with its trims, as thick as its leaves. */
function foldedSection(flat: Material, layout: ComponentLayout, norms: NormLookup): Material {
  const { piece, section, component, trims } = layout;
  const [columns, rows, books] = [section?.columns ?? 1, section?.rows ?? 1, section?.books ?? 1];
  const margins = trims ?? NO_TRIMS;
  const leaves = (columns * rows) / books;
  const caliperUm = flat.caliperUm * leaves;
  return {
    ...flat,
    unit: component.kind,
    widthMm: (component.widthMm ?? 0) + margins.foreMm + margins.spineMm,
    heightMm: books * ((component.heightMm ?? 0) + margins.headMm + margins.footMm),
    grain: 'height',
    caliperUm,
    freeUm: caliperUm * (1 + norms('fold.spring').value),
    massG: gramsOf(piece.widthMm * piece.heightMm, flat.throughGsm),
    leaves,
    throughGsm: flat.throughGsm * leaves,
    sections: 1,
    books,
    trims: margins,
    pagesAcross: 1,
  };
}

/** A flat piece folded by its kind: as large as its panels make it. */
function foldedFlat({ first, step, layout, job, norms }: At): Material {
  const folds = foldsOf(step, layout);
  const kind = foldKindOf(job.finish, folds);
  const along = first.widthMm >= first.heightMm ? 'width' : 'height';
  const [lengthMm, otherMm] = along === 'width' ? [first.widthMm, first.heightMm] : [first.heightMm, first.widthMm];
  const made = panelsOf(kind, first, folds, norms, job.finish?.panelsMm);
  const piece = made.ok
    ? {
        lengthMm: made.panels.foldedWidthMm,
        otherMm: made.panels.foldedHeightMm,
        layers: made.panels.layers,
      }
    : foldedPiece(kind, { lengthMm, otherMm }, folds);
  const { layers } = piece;
  const [widthMm, heightMm] = along === 'width' ? [piece.lengthMm, piece.otherMm] : [piece.otherMm, piece.lengthMm];
  const caliperUm = first.caliperUm * layers;
  return {
    ...first,
    widthMm,
    heightMm,
    caliperUm,
    freeUm: caliperUm * (1 + norms('fold.spring').value),
    leaves: first.leaves * layers,
    throughGsm: first.throughGsm * layers,
    pagesAcross: 1,
  };
}

/** Something wet that a finishing station lays. */
const laid = ({ step, layout }: At, kind: WetKind): Wet => ({
  kind,
  drying: 'water-based',
  coverage: 0,
  heavy: false,
  coated: layout?.stock.coated ?? false,
  powder: false,
  since: step.id,
  lainHours: 0,
  stood: false,
});
const wetWith = (material: Material, ...wet: readonly Wet[]): Material => ({
  ...material,
  wet: [...material.wet, ...wet],
});

/** Structures that are glued around a tube and lie flat: half as wide as their panels, two boards thick. */
const TUBES = ['straight-tuck', 'reverse-tuck', 'self-locking', 'sleeve', 'packet', 'slotted-case'];

/** A blank once it is glued: a tube lies flat between its panels, a tray stands up. */
function gluedBlank({ all, layout }: At): Material {
  const { die, widthMm: lengthMm = 0, heightMm: openMm = 0 } = layout?.component ?? {};
  const unit = layout?.component.name.toLowerCase() ?? 'glued piece';
  const glued = { ...all, unit, throughGsm: 0 };
  if (die?.kind !== 'structure') return glued;
  const boardMm = all.caliperUm / UM;
  const foldMm = die.foldMm ?? boardMm;
  const thick = (caliperUm: number): Pick<Material, 'caliperUm' | 'freeUm'> => ({ caliperUm, freeUm: caliperUm });
  if (TUBES.includes(die.structure)) {
    // Flat, one long and one short panel lie side by side, on as many again; flaps at their ends stay as they are.
    const folds = die.structure === 'packet' ? foldMm : 2 * foldMm;
    return {
      ...glued,
      widthMm: lengthMm + openMm + folds,
      heightMm: die.structure === 'packet' ? die.depthMm : all.heightMm,
      ...thick(2 * all.caliperUm),
      leaves: 2 * all.leaves,
    };
  }
  if (die.structure !== 'tray') return glued;
  return {
    ...glued,
    widthMm: lengthMm + 2 * boardMm,
    heightMm: openMm + 2 * boardMm,
    ...thick(UM * (die.depthMm + boardMm)),
  };
}

/** Sections or leaves put together, with their cover brought along or around them. */
function gathered({ inputs, all }: At): Material {
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block) ?? all;
  return cover ? { ...made, massG: all.massG, wet: all.wet, cover } : made;
}

/** A block glued into its cover: the spine milled off, the cover on both sides and around the spine. */
function bound(at: At): Material {
  const { inputs, all, job } = at;
  const { block, cover } = blockAndCover(inputs);
  const made = stacked(block) ?? all;
  const millMm = made.trims.spineMm;
  const milledG = gramsOf(millMm * made.heightMm, made.throughGsm);
  const around = cover ? 2 * cover.caliperUm : 0;
  const wet = laid(at, job.finish?.adhesive === 'pur' ? 'pur' : 'hot-melt');
  return {
    ...made,
    cover: undefined,
    component: undefined,
    wet: [...all.wet, wet],
    widthMm: made.widthMm - millMm,
    caliperUm: made.caliperUm + around,
    freeUm: made.caliperUm + around,
    massG: all.massG - milledG,
    leaves: made.leaves + (cover ? 2 : 0),
    throughGsm: made.throughGsm + (cover ? 2 * cover.throughGsm : 0),
    spineGsm: cover?.throughGsm ?? 0,
    trims: { ...made.trims, spineMm: 0 },
  };
}

/** Trimmed at head, foot and fore edge: what was laid for the knife is gone. @param parted copies that it falls into. */
function knifed(all: Material, parted = 1): Material {
  const { trims, throughGsm, spineGsm, caliperUm } = all;
  const books = all.books / parted;
  const widthMm = all.widthMm - trims.foreMm - trims.spineMm;
  const heightMm = all.heightMm / parted - books * (trims.headMm + trims.footMm);
  const massG =
    throughGsm > 0
      ? gramsOf(widthMm * heightMm, throughGsm) + gramsOf((caliperUm / UM) * heightMm, spineGsm)
      : all.massG / parted;
  return { ...all, widthMm, heightMm, massG, books, freeUm: caliperUm, trims: NO_TRIMS };
}

/** Trimmed; two books bound as one are parted here where no splitter does it. */
const trimmed = ({ all, job }: At): Material =>
  knifed(all, job.route.some(({ operation }) => operation === 'split') ? 1 : all.books);

/** Boards and strip under their cloth, lying open; what it will be around a block goes with it. */
function caseMade({ inputs, all, norms }: At): Material {
  const [cloth, ...boards] = inputs;
  const board = [...boards].sort((a, b) => b.material.widthMm - a.material.widthMm)[0]?.material;
  if (!cloth || !board) return all;
  const clothUm = cloth.material.caliperUm;
  const turnInMm = norms('case.turnIn').value;
  return {
    ...all,
    component: undefined,
    widthMm: cloth.material.widthMm - 2 * turnInMm,
    heightMm: board.heightMm,
    caliperUm: board.caliperUm + clothUm,
    freeUm: board.caliperUm + clothUm,
    leaves: 2,
    throughGsm: 0,
    shell: {
      // From the fore edge of the board over the joint to the spine strip, which lies outside the block.
      widthMm: board.widthMm + norms('case.joint').value + (board.caliperUm + clothUm) / UM,
      heightMm: board.heightMm,
      caliperUm: 2 * (board.caliperUm + clothUm),
    },
  };
}

/** A block in its case: as large as the case, as thick as both boards with their cloth and the block. */
function cased(at: At): Material {
  const { inputs, all } = at;
  const shell = inputs.find(({ material }) => material.shell)?.material.shell;
  const block = inputs.find(({ material }) => !material.shell)?.material;
  if (!shell || !block) return wetWith(all, laid(at, 'paste'));
  const caliperUm = block.caliperUm + shell.caliperUm;
  return wetWith(
    {
      ...all,
      widthMm: shell.widthMm,
      heightMm: shell.heightMm,
      caliperUm,
      freeUm: caliperUm,
      throughGsm: 0,
      shell: undefined,
      sections: block.sections,
      leaves: block.leaves,
    },
    laid(at, 'paste'),
  );
}

/** Web wound on a core: as wide as the web, as high as the roll is thick. */
function wound({ all, layout, job, norms }: At): Material {
  const { rollM } = job.finish ?? {};
  if (rollM === undefined || !layout) return all;
  const widthMm = layout.piece.widthMm;
  const lengthMm = rollM * UM;
  const diameterMm = rollDiameterMm(rollM, norms('rewind.core').value, all.caliperUm);
  const core = (norms('rewind.coreGm').value * widthMm) / UM;
  return {
    ...all,
    widthMm,
    heightMm: diameterMm,
    caliperUm: diameterMm * UM,
    freeUm: diameterMm * UM,
    massG: gramsOf(widthMm * lengthMm, layout.stock.gsm) + core,
    leaves: 1,
    throughGsm: 0,
  };
}

/** Grams that a station puts onto one that goes through it: film, window film, a core. Nothing elsewhere. */
const GAINS: Partial<Readonly<Record<Operation, (at: At) => number>>> = {
  laminate: ({ all, norms }) => gramsOf(all.widthMm * all.heightMm, norms('film.gsm').value),
  window: ({ job, norms }) => {
    const { windowMm } = job.finish ?? {};
    const margin = 2 * norms('window.glueMargin').value;
    return windowMm
      ? gramsOf((windowMm.widthMm + margin) * (windowMm.heightMm + margin), norms('window.filmGsm').value)
      : 0;
  },
  rewind: ({ job, layout, norms, step }) =>
    job.finish?.rollM === undefined
      ? 0
      : ((norms('rewind.coreGm').value * (layout?.piece.widthMm ?? 0)) / UM) * (step.yield ?? 1),
};
const gainOf = (at: At): number => GAINS[at.step.operation]?.(at) ?? 0;

/** A window punched out of a blank and its film patched over it. */
function windowed(at: At): Material {
  const { all, job } = at;
  const { windowMm } = job.finish ?? {};
  if (!windowMm) return all;
  const punched = gramsOf(windowMm.widthMm * windowMm.heightMm, all.throughGsm);
  return { ...all, massG: all.massG - punched + gainOf(at) };
}

/** Film over one side. */
function filmed(at: At): Material {
  const { all, norms } = at;
  const film = norms('film.gsm').value;
  const um = norms('film.caliper').value;
  const thermal = at.job.finish?.filmBond === 'thermal';
  const made = {
    ...all,
    caliperUm: all.caliperUm + um,
    freeUm: all.freeUm + um,
    throughGsm: all.throughGsm + film,
    massG: all.massG + gainOf(at),
  };
  return thermal ? made : wetWith(made, laid(at, 'film'));
}

const printed = ({ all, job, works, norms, step, layout }: At): Material =>
  layout ? wetWith(all, ...laidInk(job, works, step, layout, norms)) : all;

const asItCame = ({ all }: At): Material => all;
const swollen = ({ all, norms }: At): Material => {
  const caliperUm = all.caliperUm * (1 + norms('sew.swell').value);
  return { ...all, caliperUm, freeUm: caliperUm };
};

/** What leaves a station out of what comes to it, by operation. Total: an operation without its material does not compile. */
const AFTER: Readonly<Record<Operation, (at: At) => Material>> = {
  corrugate: asItCame,
  print: printed,
  dry: asItCame,
  overprint: printed,
  // Melting dries whatever the powder lies on.
  raise: ({ all }) => ({ ...all, wet: [] }),
  coat: asItCame,
  laminate: filmed,
  foil: asItCame,
  emboss: asItCame,
  mount: (at) => wetWith({ ...at.all, component: at.first.component }, laid(at, 'lamination')),
  cut: asItCame,
  'die-cut': asItCame,
  convert: asItCame,
  score: asItCame,
  fold: (at) =>
    at.layout?.section && at.first.leaves === 1 ? foldedSection(at.first, at.layout, at.norms) : foldedFlat(at),
  window: windowed,
  glue: (at) => wetWith(gluedBlank(at), laid(at, 'glue')),
  envelope: (at) => wetWith(gluedBlank(at), laid(at, 'glue')),
  gum: (at) => wetWith(at.all, laid(at, 'gum')),
  rivet: asItCame,
  tip: (at) => ({ ...at.all, component: at.first.component }),
  gather: gathered,
  sew: swollen,
  spine: asItCame,
  stitch: ({ inputs, all }) => {
    const made = stacked(aroundTheFold(inputs)) ?? all;
    const narrowest = Math.min(...aroundTheFold(inputs).map(({ material }) => material.widthMm));
    return { ...made, widthMm: narrowest, freeUm: made.caliperUm };
  },
  kit: gathered,
  bind: bound,
  cool: asItCame,
  split: ({ all }) => ({
    ...all,
    heightMm: all.heightMm / all.books,
    massG: all.massG / all.books,
    books: 1,
  }),
  trim: trimmed,
  line: asItCame,
  case: caseMade,
  'case-in': cased,
  press: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  rewind: wound,
  number: asItCame,
  inspect: asItCame,
  count: asItCame,
  hand: ({ all, step: { leavesMm } }) => {
    if (!leavesMm) return all;
    const { widthMm, heightMm, thicknessMm } = leavesMm;
    const caliperUm = thicknessMm * UM;
    return { ...all, widthMm, heightMm, caliperUm, freeUm: caliperUm, throughGsm: 0 };
  },
  outside: asItCame,
  band: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  wrap: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  box: ({ all }) => ({ ...all, freeUm: all.caliperUm }),
  pallet: asItCame,
};

/** The items of a form once it is cut apart, by the material that each becomes. */
function itemMaterials(paper: Material, layout: ComponentLayout): Map<string, Material> {
  return new Map(
    layout.form.map(({ item, section, component }) => {
      const turned = layout.pattern.pieces.find((piece) => piece.item === item.id)?.turned ?? false;
      const { widthMm, heightMm } = item;
      return [
        itemMaterial(item.id),
        {
          ...paper,
          unit: section ? 'section' : item.name.toLowerCase(),
          widthMm,
          heightMm,
          grain: turned ? otherSide(paper.grain) : paper.grain,
          massG: gramsOf(widthMm * heightMm, paper.throughGsm),
          component: component?.id ?? paper.component,
          pagesAcross: section?.columns ?? 1,
        },
      ];
    }),
  );
}

/**
 * Materials after a step by their ids, out of what went in: the items of a form cut apart, else one that is made.
 * The one place that says what an operation makes of a material. Source: identity (geometry and mass); handbook chapter 7.
 * @param made ids of what the step makes. @returns what is made, and the grams put onto one that goes through.
 */
export function materialsAfter(
  at: Omit<At, 'all' | 'first'>,
  made: readonly string[],
): { readonly materials: ReadonlyMap<string, Material>; readonly gainG: number } {
  const { step, layout, inputs } = at;
  const [first] = inputs;
  const all = stacked(inputs);
  if (!first || !all) return { materials: new Map(), gainG: 0 };
  const parts = layout !== undefined && partsSheet(step, layout);
  if (parts && layout.form.length > 0) return { materials: itemMaterials(first.material, layout), gainG: 0 };
  const through = (material: Material): Material => {
    if (!parts) return material;
    const web = webOf(layout.machine);
    if (!web || !layout.section) return cutOut(material, layout);
    const folded = foldedSection(material, layout, at.norms);
    return web.trimsInLine ? knifed(folded) : folded;
  };
  const { makes } = OPERATION_RULES[step.operation];
  const passed = { ...at, first: through(first.material), all: through(all) };
  const after = AFTER[step.operation](passed);
  const materials = new Map(made.map((id) => [id, makes === undefined ? after : { ...after, unit: makes }]));
  return { materials, gainG: gainOf(passed) };
}
