import { type Issue, warning } from '../kernel/index.js';
import type { NormLookup } from '../norms/index.js';
import { type Works, printingOf } from '../works/index.js';
import { type ComponentLayout, drawLayout, webOf } from '../press-sheet/index.js';
import { type Job, type SheetPlace, isUnprinted } from '../job/index.js';
import { inkOf } from './inks.js';

/** What has to stand to what. Source: handbook chapter 5 "Register". */
export const REGISTER_KINDS = [
  'colours',
  'sides',
  'fold',
  'cut',
  'perforation',
  'die',
  'foil',
  'cut-off',
  'paper-mark',
] as const;
/** What a mark is read for. */
export type RegisterKind = (typeof REGISTER_KINDS)[number];

/** One register that a component has to keep, and what it bounds. */
export interface RegisterLine {
  readonly kind: RegisterKind;
  readonly toleranceMm: number;
  /** Norm that the tolerance comes from. */
  readonly norm: string;
  /** What the misregister eats into, how much of it there is, and how much there must be; `haveMm` undefined where a file decides. */
  readonly bounds: {
    readonly what: 'trap' | 'bleed' | 'trim' | 'glue clearance' | 'crossover';
    readonly haveMm: number | undefined;
    readonly neededMm: number;
  };
}

const coloursNorm = (job: Job, works: Works, layout: ComponentLayout): string => {
  const { component, machine } = layout;
  const process = printingOf(machine);
  const names = [...component.front, ...component.back].map(({ name }) => name);
  if (names.some((name) => inkOf(job, works, name).accountable)) return 'register.accountable';
  return process === 'offset' && webOf(machine) ? 'register.web' : `register.${process}`;
};

/**
 * Paper that is printed beyond the trimmed edge and comes off: the bleed of a flat piece, the least trim of a section or a leaf;
 * undefined for a blank, whose bleed is drawn in its file.
 */
function spareOf({ component, bleedMm, trims }: ComponentLayout): number | undefined {
  if (component.kind === 'blank') return undefined;
  return trims ? Math.min(trims.headMm, trims.footMm, trims.foreMm) : bleedMm;
}

/** Every register of a component, with its tolerance and what it bounds. Source: practice, handbook chapter 5. */
export function registerLines(job: Job, works: Works, layout: ComponentLayout, norms: NormLookup): RegisterLine[] {
  const { component, die, machine, stock } = layout;
  const spareMm = spareOf(layout);
  const value = (id: string): number => norms(id).value;
  const line = (
    kind: RegisterKind,
    norm: string,
    what: RegisterLine['bounds']['what'],
    haveMm?: number,
  ): RegisterLine => {
    const toleranceMm = value(norm);
    return { kind, norm, toleranceMm, bounds: { what, haveMm, neededMm: toleranceMm } };
  };
  const has = (...operations: string[]): boolean =>
    job.route.some((step) => step.component === component.id && operations.includes(step.operation));
  const flexo = printingOf(machine) === 'flexo';
  const colours = coloursNorm(job, works, layout);
  const trap = Math.max(value(colours), value(flexo ? 'register.leastTrapFlexo' : 'register.leastTrap'));
  const perforated = die?.lines.some(({ kind }) => kind === 'perforation') ?? false;
  const trimmed = has('cut') || job.route.some(({ operation }) => operation === 'trim');
  if (isUnprinted(component)) return [];
  const lines: (RegisterLine | false)[] = [
    component.front.length + component.back.length > 1 && {
      kind: 'colours',
      norm: colours,
      toleranceMm: value(colours),
      bounds: { what: 'trap', haveMm: undefined, neededMm: trap },
    },
    component.back.length > 0 && line('sides', 'register.sides', 'crossover'),
    (has('fold') || component.kind === 'section' || component.kind === 'cover') &&
      line(
        'fold',
        'register.fold',
        component.kind === 'section' ? 'trim' : 'crossover',
        component.kind === 'section' ? spareMm : undefined,
      ),
    component.kind !== 'blank' && trimmed && line('cut', 'register.cut', 'bleed', spareMm),
    perforated && line('perforation', 'register.perforation', 'crossover'),
    has('die-cut') && line('die', 'register.die', 'bleed', spareMm),
    has('glue') && line('die', 'register.die', 'glue clearance'),
    (component.tools ?? []).some(({ kind }) => kind === 'foil-die') && line('foil', 'register.foil', 'trap'),
    webOf(machine) !== undefined &&
      !job.route.some(({ operation }) => operation === 'rewind') &&
      line('cut-off', 'register.cutOff', 'bleed', spareMm),
    stock.paperMark !== undefined && line('paper-mark', 'register.paperMark', 'crossover'),
  ];
  return lines.filter((one) => one !== false);
}

/** Half of the side of a register target. Source: common practice, no source. */
export const MARK_REACH_MM = 3;

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
const touches = ({ x, y, width, height }: Box, at: { x: number; y: number }): boolean =>
  at.x > x - MARK_REACH_MM &&
  at.x < x + width + MARK_REACH_MM &&
  at.y > y - MARK_REACH_MM &&
  at.y < y + height + MARK_REACH_MM;

/** Where register marks lie, and whether each is clear of image, grips and edges. */
export interface RegisterMarks {
  readonly places: readonly SheetPlace[];
  readonly byHand: boolean;
  readonly issues: readonly Issue[];
}

/**
 * Register marks of a component: where the planner wants them, or a pair as far apart across the sheet as it can be,
 * clear of image, grips and colour bar, at mid height before the ends. Without a clear pair there are none, with an issue.
 * Issues: `register.mark-on-image`, `register.mark-in-grips`, `register.mark-outside`, all warnings.
 */
export function registerMarks(layout: ComponentLayout): RegisterMarks {
  const { component, path, sheet, margins } = layout;
  const drawing = drawLayout(layout);
  const gripped = layout.machine.press?.web === undefined;
  const wrong = ({ xMm, yMm }: SheetPlace): Issue['code'] | undefined => {
    const at = { x: xMm, y: sheet.heightMm - yMm };
    const inside =
      xMm >= MARK_REACH_MM && xMm <= sheet.widthMm - MARK_REACH_MM && yMm >= MARK_REACH_MM && at.y >= MARK_REACH_MM;
    if (!inside) return 'register.mark-outside';
    const tail = drawing.tailGripped ? margins.gripperMm : 0;
    if (gripped && (yMm - MARK_REACH_MM < margins.gripperMm || at.y - MARK_REACH_MM < tail))
      return 'register.mark-in-grips';
    const blocked = [...drawing.pieces, ...(drawing.colourBar ? [drawing.colourBar] : [])].some((box) =>
      touches(box, at),
    );
    return blocked ? 'register.mark-on-image' : undefined;
  };
  if (component.marks) {
    const issues = component.marks.flatMap((place, i) => {
      const code = wrong(place);
      const params = { component: component.name, mark: i + 1, x: place.xMm, y: place.yMm };
      return code ? [warning(code, `${path}.marks[${i}]`, params)] : [];
    });
    return { places: component.marks, byHand: true, issues };
  }
  const insets = Array.from({ length: 60 }, (_, i) => MARK_REACH_MM + 1 + i * 2);
  const heights = [0.5, 0.4, 0.6, 0.3, 0.7, 0.2, 0.8, 0.1, 0.9].map((share) => share * sheet.heightMm);
  const edges = [
    margins.gripperMm + MARK_REACH_MM + 0.5,
    sheet.heightMm - margins.tailMm - MARK_REACH_MM - 0.5,
    layout.bottomMm + layout.pattern.heightMm + MARK_REACH_MM + 0.5,
  ];
  for (const xMm of insets)
    for (const yMm of [...heights, ...edges]) {
      const pair = [
        { xMm, yMm },
        { xMm: sheet.widthMm - xMm, yMm },
      ];
      if (pair.every((place) => wrong(place) === undefined)) return { places: pair, byHand: false, issues: [] };
    }
  const params = { component: component.name, mark: 1, x: 0, y: 0 };
  return { places: [], byHand: false, issues: [warning('register.mark-on-image', `${path}.marks`, params)] };
}

/** What the register of a component wants a look at. Issues: `register.*`, all warnings. */
export function adviseRegister(job: Job, works: Works, layout: ComponentLayout, norms: NormLookup): Issue[] {
  return registerLines(job, works, layout, norms).flatMap(({ kind, bounds: { what, haveMm, neededMm } }) =>
    haveMm !== undefined && haveMm < neededMm
      ? [
          warning('register.bleed', `${layout.path}.lay.bleedMm`, {
            component: layout.component.name,
            kind,
            what,
            value: haveMm,
            needed: neededMm,
          }),
        ]
      : [],
  );
}
