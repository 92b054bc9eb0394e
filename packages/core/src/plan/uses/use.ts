import { measureDie } from '../../diecut/index.js';
import { evaluate } from '../../kernel/index.js';
import type { Operation } from '../../route/index.js';
import type { Machine, SupplyId } from '../../works/index.js';
import type { NormLookup } from '../../norms/index.js';
import type { ComponentLayout } from '../../press-sheet/index.js';
import type { Step, Tool, Unordered } from '../../job/index.js';
import { type Material, type Taken, blockAndCover, coverageOf, inksOf, stacked } from '../../material/index.js';
import { adhesiveAt } from './adhesive.js';

/** A value of a formula that is no norm: measured on the material, or told in the job. */
export interface UseValue {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly told?: boolean;
}

/** So much of a supply at a station: a formula over named values, norms, and `units`, what goes through it. */
export interface Use {
  readonly supply: SupplyId;
  readonly formula: string;
  readonly values: Readonly<Record<string, UseValue>>;
  readonly norms: Readonly<Record<string, string>>;
}

/** A station as its uses see it. */
export interface UseAt {
  readonly job: Unordered;
  readonly step: Step;
  readonly layout: ComponentLayout | undefined;
  readonly machine: Machine | undefined;
  readonly incoming: readonly Taken[];
  readonly made: Material | undefined;
  readonly norms: NormLookup;
}

/** How much of a use so many process units take. */
export const quantityOf = ({ formula, values, norms }: Use, units: number, lookup: NormLookup): number =>
  evaluate(formula, (name) => {
    if (name === 'units') return units;
    const norm = norms[name];
    return norm === undefined ? (values[name]?.value ?? 0) : lookup(norm).value;
  });

const mm = (name: string, value: number | undefined, told = false): UseValue => ({
  name,
  value: value ?? 0,
  unit: 'mm',
  ...(told ? { told } : {}),
});
const plain = (name: string, value: number, unit: string): UseValue => ({ name, value, unit });

const BEAD = { width: 'glue.beadWidth', wet: 'glue.beadWet', density: 'glue.density' };
const AREA = { wet: 'glue.filmWet', density: 'glue.density' };
/** Beads of glue, of so much length on one. Source: handbook chapter 7 "Gluing". */
const beads = (supply: SupplyId, length: UseValue): Use => ({
  supply,
  formula: 'units * length * width * wet * density / 1000 / 1000',
  values: { length },
  norms: BEAD,
});
/** Glue over an area of one. */
const overArea = (supply: SupplyId, area: UseValue): Use => ({
  supply,
  formula: 'units * area * wet * density / 1000 / 1000',
  values: { area },
  norms: AREA,
});

const sheetArea = ({ incoming: [first] }: UseAt): UseValue =>
  plain('Area of a sheet', (first?.material.widthMm ?? 0) * (first?.material.heightMm ?? 0), 'mm2');

/** Glue that a blank, or what has no drawing, is closed with: sealed board wants hot melt. Source: handbook chapter 7. */
function glueUse(at: UseAt): readonly Use[] {
  const { job, layout, incoming } = at;
  const { finish } = job;
  const { adhesive } = adhesiveAt(job, layout);
  const supply = adhesive === 'cold' ? 'glue' : adhesive;
  const area = layout?.die ? measureDie(layout.die).glueMm2 : 0;
  if (finish?.beadMm === undefined && area > 0) return [overArea(supply, plain('Glued area of a blank', area, 'mm2'))];
  const told = finish?.beadMm;
  return [beads(supply, mm('Length of beads', told ?? incoming[0]?.material.heightMm, told !== undefined))];
}

/** Seams and bottom of an envelope. Source: handbook chapter 7 "Envelopes". */
function envelopeUse({ layout, incoming }: UseAt): readonly Use[] {
  const { component } = layout ?? {};
  const side = component?.die?.kind === 'structure' ? component.die.depthMm : incoming[0]?.material.heightMm;
  const bottom = component?.widthMm ?? incoming[0]?.material.widthMm;
  return [
    {
      supply: 'glue',
      formula: 'units * (seam + bottom) * width * wet * density / 1000 / 1000',
      values: { seam: mm('Side seam', side), bottom: mm('Bottom', bottom) },
      norms: BEAD,
    },
  ];
}

const gumUse = ({ layout, incoming }: UseAt): readonly Use[] => [
  {
    supply: 'gum',
    formula: 'units * length * width * wet * density / 1000 / 1000',
    values: { length: mm('Length of gum', layout?.component.widthMm ?? incoming[0]?.material.widthMm) },
    norms: { ...AREA, width: 'gum.width' },
  },
];

/** Hot melt or PUR on the spine of a block. Source: handbook chapter 7 "Gluing". */
function bindUse({ job, incoming }: UseAt): readonly Use[] {
  const block = stacked(blockAndCover(incoming).block);
  return [
    {
      supply: job.finish?.adhesive === 'pur' ? 'pur' : 'hot-melt',
      formula: 'units * block * length * thickness * density / 1000 / 1000',
      values: {
        block: mm('Block', (block?.caliperUm ?? 0) / 1000),
        length: mm('Length of the spine', block?.heightMm),
      },
      norms: { thickness: 'bind.meltThickness', density: 'bind.meltDensity' },
    },
  ];
}

/** Thread of a sewn block. Source: handbook chapter 7 "Sewn". */
const sewUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'thread',
    formula: 'units * sections * needles * stitch / 1000',
    values: { sections: plain('Sections', first?.material.sections ?? 0, 'sections') },
    norms: { needles: 'sew.needles', stitch: 'sew.stitch' },
  },
];

/** Stitches of a saddle-stitched copy. Source: common practice, no source. */
export const STITCHES = 2;
const stitchUse = ({ made }: UseAt): readonly Use[] => [
  {
    supply: 'wire',
    formula: 'units * stitches * (2 * thick + legs) / 1000',
    values: {
      stitches: plain('Stitches', STITCHES, 'stitches'),
      thick: mm('Thickness of a copy', (made?.caliperUm ?? 0) / 1000),
    },
    norms: { legs: 'bind.stitchLegs' },
  },
];

/** Film as wide as the sheet, its overlap with it. Source: handbook chapter 7 "Film, coating, window". */
const filmUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'film',
    formula: 'units * width / 1000 * (length + overlap) / 1000',
    values: {
      width: mm('Width of film', first?.material.widthMm),
      length: mm('Length of the sheet', first?.material.heightMm),
    },
    norms: { overlap: 'film.overlap' },
  },
];

/** Coating over what is printed, with one fill of its unit. Source: handbook chapter 5 "How much ink". */
const coatUse = ({ layout, incoming: [first] }: UseAt): readonly Use[] => [
  {
    supply: 'coating',
    formula: 'units * area * film / 1000 + fill',
    values: {
      area: plain(
        'Area that is coated',
        layout?.printedAreaM2 ?? ((first?.material.widthMm ?? 0) * (first?.material.heightMm ?? 0)) / 1e6,
        'm2',
      ),
    },
    norms: { film: 'ink.film.coating', fill: 'ink.fill' },
  },
];

/** Dies that a station of foil or relief strikes with: of its own component, else of the job. */
export function strikingDie(
  { components }: Unordered,
  step: Step,
  kind: 'foil-die' | 'embossing-die',
): Tool | undefined {
  const own = components.filter(({ id }) => id === step.component);
  return [...own, ...components].flatMap(({ tools = [] }) => tools).find((tool) => tool.kind === kind);
}

/** Share of a piece that a die takes until it is measured. Source: common practice, no source. */
const UNMEASURED = 3;
export const dieSide = (tool: Tool | undefined, side: 'widthMm' | 'heightMm', pieceMm: number): number =>
  tool?.[side] ?? pieceMm / UNMEASURED;

/** Foil drawn in strips, so much at a pull. Source: handbook chapter 7 "Foil, emboss". */
function foilUse({ job, step, layout, incoming: [first] }: UseAt): readonly Use[] {
  const tool = strikingDie(job, step, 'foil-die');
  const piece = layout?.piece ?? first?.material;
  const pieces = layout?.pattern.pieces ?? [];
  return [
    {
      supply: 'foil',
      formula: 'units * rows * (height + beyond) / 1000 * ceil(up / rows) * (width + 2 * side) / 1000',
      values: {
        up: plain('Dies on the sheet', Math.max(1, pieces.length), 'dies'),
        rows: plain('Rows along the foil', Math.max(1, new Set(pieces.map(({ yMm }) => yMm)).size), 'rows'),
        height: mm('Die, along the foil', dieSide(tool, 'heightMm', piece?.heightMm ?? 0)),
        width: mm('Die, across the foil', dieSide(tool, 'widthMm', piece?.widthMm ?? 0)),
      },
      norms: { beyond: 'foil.step', side: 'foil.side' },
    },
  ];
}

/** Film piece = window + two glue margins each way. Source: handbook chapter 7. */
const windowUse = ({ job: { finish } }: UseAt): readonly Use[] =>
  finish?.windowMm
    ? [
        {
          supply: 'window-film',
          formula: 'units * (width + 2 * margin) / 1000 * (height + 2 * margin) / 1000',
          values: {
            width: mm('Window, width', finish.windowMm.widthMm, true),
            height: mm('Window, height', finish.windowMm.heightMm, true),
          },
          norms: { margin: 'window.glueMargin' },
        },
        beads('glue', mm('Around the window', 2 * (finish.windowMm.widthMm + finish.windowMm.heightMm))),
      ]
    : [];

/** Beads under both long sides of a tray that is glued onto a panel. */
function handUse({ incoming }: UseAt): readonly Use[] {
  const [, tray] = incoming;
  // What stands up and comes second is a tray.
  const stands = tray?.material.throughGsm === 0 && tray.material.component !== undefined;
  return stands ? [beads('glue', mm('Beads under the tray, both long sides', 2 * tray.material.widthMm))] : [];
}

/** Anti-set-off powder where it is dusted on. Source: practice (more on heavier sheets and coverage). */
function printUse({ step, layout, norms }: UseAt): readonly Use[] {
  if (step.powder !== true || !layout) return [];
  const covered = Math.max(
    0,
    ...inksOf(step, layout).map((inks) => inks.reduce((sum, ink) => sum + coverageOf(ink, norms), 0)),
  );
  return [
    {
      supply: 'powder',
      formula: 'units * area * film * coverage / 1000',
      values: {
        area: plain('Area of a sheet', (layout.component.sheet.widthMm * layout.component.sheet.heightMm) / 1e6, 'm2'),
        coverage: plain('Coverage of all inks together', covered, 'share'),
      },
      norms: { film: 'powder.gsm' },
    },
  ];
}

/** Powder over fresh print, melted. */
function raiseUse({ layout, norms }: UseAt): readonly Use[] {
  if (!layout) return [];
  const covered = layout.component.front.reduce((sum, ink) => sum + coverageOf(ink, norms), 0);
  return [
    {
      supply: 'raise-powder',
      formula: 'units * area * film * coverage / 1000',
      values: {
        area: plain('Printed area of a side', layout.printedAreaM2, 'm2'),
        coverage: plain('Coverage of all inks together', covered, 'share'),
      },
      norms: { film: 'raise.gsm' },
    },
  ];
}

const tipUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  beads('glue', mm('Bead along the fold', first?.material.heightMm)),
];
const spineUse = ({ incoming: [first] }: UseAt): readonly Use[] => [
  overArea(
    'glue',
    plain('Area of the spine', ((first?.material.caliperUm ?? 0) / 1000) * (first?.material.heightMm ?? 0), 'mm2'),
  ),
];

/** Mull, lining paper and two headbands. Source: handbook chapter 2, family 5; overlap a norm. */
const lineUse = ({ incoming: [first] }: UseAt): readonly Use[] => {
  const thick = mm('Thickness of the block', (first?.material.caliperUm ?? 0) / 1000);
  return [
    {
      supply: 'lining',
      formula: 'units * 2 * (thick + 2 * overlap) / 1000 * height / 1000',
      values: { thick, height: mm('Height of the block', first?.material.heightMm) },
      norms: { overlap: 'line.overlap' },
    },
    { supply: 'headband', formula: 'units * 2 * thick / 1000', values: { thick }, norms: {} },
  ];
};

const caseUse = (at: UseAt): readonly Use[] => [overArea('paste', { ...sheetArea(at), name: 'Area of the cloth' })];
const caseInUse = ({ made }: UseAt): readonly Use[] => [
  overArea('paste', plain('Both pasted endpapers', 2 * (made?.widthMm ?? 0) * (made?.heightMm ?? 0), 'mm2')),
];

const rivetUse = (): readonly Use[] => [
  { supply: 'string', formula: 'units * length / 1000', values: {}, norms: { length: 'rivet.string' } },
];
const rewindUse = ({ step }: UseAt): readonly Use[] => [
  {
    supply: 'core',
    formula: 'ceil(units * rolls)',
    values: { rolls: plain('Rolls out of one', step.yield ?? 1, 'rolls') },
    norms: {},
  },
];

const NOTHING = (): readonly Use[] => [];

/** What each operation uses up. Total: an operation that is forgotten does not compile. Packing is in `packing.ts`. */
const USES: Readonly<Record<Operation, (at: UseAt) => readonly Use[]>> = {
  corrugate: NOTHING,
  print: printUse,
  dry: NOTHING,
  overprint: printUse,
  raise: raiseUse,
  coat: coatUse,
  laminate: filmUse,
  foil: foilUse,
  emboss: NOTHING,
  mount: (at) => [overArea('glue', sheetArea(at))],
  cut: NOTHING,
  'die-cut': NOTHING,
  convert: NOTHING,
  score: NOTHING,
  fold: NOTHING,
  window: windowUse,
  glue: glueUse,
  envelope: envelopeUse,
  gum: gumUse,
  rivet: rivetUse,
  tip: tipUse,
  gather: NOTHING,
  sew: sewUse,
  spine: spineUse,
  stitch: stitchUse,
  kit: NOTHING,
  bind: bindUse,
  cool: NOTHING,
  split: NOTHING,
  trim: NOTHING,
  line: lineUse,
  case: caseUse,
  'case-in': caseInUse,
  press: NOTHING,
  rewind: rewindUse,
  number: NOTHING,
  inspect: NOTHING,
  count: NOTHING,
  hand: handUse,
  outside: NOTHING,
  band: NOTHING,
  wrap: NOTHING,
  box: NOTHING,
  pallet: NOTHING,
};

/** What a station uses up. */
export const usesOf = (at: UseAt): readonly Use[] => USES[at.step.operation](at);
