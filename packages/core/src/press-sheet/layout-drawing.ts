import { type Edge, SECTION_BLOCK, sectionMarks } from '../imposition/index.js';
import type { LineKind } from '../diecut/index.js';
import { boundsOf } from '../geometry/index.js';
import type { PlacedPiece } from '../layout/index.js';
import type { ComponentLayout } from './component-layout.js';
import { isGrippedTwice } from './press-area.js';
import type { PlacedPage, SectionLayout } from './section-layout.js';
import type { LaidPiece } from './sheet-pattern.js';
import { webOf } from './web-layout.js';

/** A rectangle in millimetres from its lower left corner, y up. */
interface UpBox {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A box on a drawing, from its lower left. Millimetres. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A page inside a piece. */
export interface DrawnPage extends Box {
  /** Place in the product, from 1. */
  readonly page: number;
  /** What is printed there: its number, or E for the end leaves of the text. */
  readonly label: string;
  /** Where its head points, as drawn. */
  readonly head: Edge;
  /** How far creep moves its image towards the spine. */
  readonly creepMm: number;
}

/** A piece on a drawing with its name and its place. Millimetres. */
export interface DrawnPiece extends Box {
  /** Trimmed size inside the bleed; the same as the piece where trims come off later. */
  readonly trim: Box;
  readonly pages: readonly DrawnPage[];
  /** Collating mark on the spine fold of a gathered section, on its outer side, and its sequence code. */
  readonly mark: (Box & { readonly code: string }) | undefined;
  /** Work-and-turn and work-and-tumble: which side of the product lies here. */
  readonly side: 'front' | 'back' | undefined;
  /** The piece lies turned by a quarter. */
  readonly turned: boolean;
  /** Outline of a blank as drawn, and what the die does inside it. */
  readonly outline: readonly Spot[] | undefined;
  readonly rules: readonly { readonly kind: LineKind; readonly points: readonly Spot[] }[];
  /** Name of the item that lies here, on the form of a gang. */
  readonly item: string | undefined;
}

/** A point as drawn, millimetres. */
interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Side of the press sheet that is looked at, from its printed side. */
export const SHEET_SIDES = ['front', 'back'] as const;
/** One of the sides. */
export type SheetSide = (typeof SHEET_SIDES)[number];

/** A layout to scale, in millimetres from the sheet's upper left corner, y down; the gripper edge is at the bottom. */
export interface LayoutDrawing {
  readonly sheet: Box;
  readonly usable: Box;
  readonly colourBar: Box | undefined;
  readonly pieces: readonly DrawnPiece[];
  /** Direction of the grain as drawn. */
  readonly grain: 'across' | 'up';
  readonly gripperMm: number;
  /** Cut-offs of a web that the drawing shows, one above the other; 0 for a sheet. */
  readonly cutOffs: number;
  /** Second gripped edge at the tail. */
  readonly tailGripped: boolean;
  /** Share of the sheet that pieces cover. */
  readonly usedShare: number;
}

const QUARTER_LEFT: Readonly<Record<Edge, Edge>> = { top: 'left', left: 'bottom', bottom: 'right', right: 'top' };
const QUARTER_RIGHT: Readonly<Record<Edge, Edge>> = { top: 'right', right: 'bottom', bottom: 'left', left: 'top' };

function sideOf({ component: { workStyle }, pattern }: ComponentLayout, { xMm, yMm }: PlacedPiece): DrawnPiece['side'] {
  if (workStyle === 'work-and-turn') return xMm < pattern.widthMm / 2 ? 'front' : 'back';
  if (workStyle === 'work-and-tumble') return yMm < pattern.heightMm / 2 ? 'front' : 'back';
  return undefined;
}

/** A box in a piece that lies turned by a quarter: to the left on the front, so to the right on the back. */
function turnBox(box: UpBox, piece: { widthMm: number; heightMm: number }, toLeft: boolean): UpBox {
  return {
    xMm: toLeft ? piece.heightMm - box.yMm - box.heightMm : box.yMm,
    yMm: toLeft ? box.xMm : piece.widthMm - box.xMm - box.widthMm,
    widthMm: box.heightMm,
    heightMm: box.widthMm,
  };
}

const turnPage = (page: PlacedPage, piece: SectionLayout, toLeft: boolean): PlacedPage => ({
  ...page,
  ...turnBox(page, piece, toLeft),
  head: (toLeft ? QUARTER_LEFT : QUARTER_RIGHT)[page.head],
});

/**
 * Where a gathered section's collating mark lies on its outer side: on the fold between its first and its last page, a
 * block height lower for each section. Undefined in saddle work, whose folds lie inside each other, and where the spine
 * runs across the reading direction. Source: handbook chapter 7 "Section marks".
 */
function markBox({ outer, place, order }: SectionLayout): UpBox | undefined {
  const first = outer.find(({ page }) => page === 1);
  if (!first || place.assembly !== 'gathered' || first.head === 'left' || first.head === 'right') return undefined;
  const mark = sectionMarks(order + 1, first.heightMm)[order];
  if (!mark) return undefined;
  const { widthMm, heightMm } = SECTION_BLOCK;
  const fold = first.spine === 'left' ? first.xMm : first.xMm + first.widthMm;
  const beside = (mark.column * widthMm * 3) / 2;
  return {
    xMm: fold - widthMm / 2 + (first.spine === 'left' ? beside : -beside),
    yMm: first.head === 'top' ? first.yMm + first.heightMm - mark.topMm - heightMm : first.yMm + mark.topMm,
    widthMm,
    heightMm,
  };
}

/** Drawer of boxes given from the gripper and left edge of the front, for either side of the sheet. */
function boxDrawer(layout: ComponentLayout, side: SheetSide): (box: UpBox) => Box {
  const { widthMm: sheetWidth, heightMm: sheetHeight } = layout.sheet;
  const tumbled = layout.component.workStyle === 'work-and-tumble';
  return ({ xMm, yMm, widthMm: width, heightMm: height }) => ({
    // The sheet is turned over about the feed direction, in work-and-tumble about the axis across it.
    x: side === 'back' && !tumbled ? sheetWidth - xMm - width : xMm,
    y: side === 'back' && tumbled ? yMm : sheetHeight - yMm - height,
    width,
    height,
  });
}

/** Where a point of the one-up drawing comes to lie when its blank has been turned by so many quarters. */
const QUARTERS: Readonly<Record<number, (point: Spot) => Spot>> = {
  0: ({ x, y }) => ({ x, y }),
  1: ({ x, y }) => ({ x: -y, y: x }),
  2: ({ x, y }) => ({ x: -x, y: -y }),
  3: ({ x, y }) => ({ x: y, y: -x }),
};

/** A blank's outline and the rules inside it, brought from the one-up drawing to where the blank lies. */
function drawBlank(
  layout: ComponentLayout,
  { outline, quarters = 0, xMm, yMm }: LaidPiece,
  draw: (box: UpBox) => Box,
): Pick<DrawnPiece, 'outline' | 'rules'> {
  const { die, leftMm, bottomMm } = layout;
  if (!outline || !die) return { outline: undefined, rules: [] };
  const onSheet = ({ x, y }: Spot): Spot => {
    const spot = draw({ xMm: leftMm + x, yMm: bottomMm + y, widthMm: 0, heightMm: 0 });
    return { x: spot.x, y: spot.y };
  };
  const turn = QUARTERS[quarters] ?? ((point: Spot) => point);
  const { left, bottom } = boundsOf(die.outline.map(turn));
  const place = (point: Spot): Spot => {
    const { x, y } = turn(point);
    return onSheet({ x: x - left + xMm, y: y - bottom + yMm });
  };
  return {
    outline: outline.map(onSheet),
    rules: die.lines.map(({ kind, points }) => ({ kind, points: points.map(place) })),
  };
}

function drawPiece(layout: ComponentLayout, piece: LaidPiece, side: SheetSide): DrawnPiece {
  const { leftMm, bottomMm, form } = layout;
  const shared = form.find(({ item }) => item.id === piece.item);
  const section = shared ? shared.section : layout.section;
  const draw = boxDrawer(layout, side);
  const trim = draw({ ...piece, xMm: leftMm + piece.xMm, yMm: bottomMm + piece.yMm });
  const half = sideOf(layout, piece);
  // Where one set of plates carries both sides, each half shows its own; the back pass prints the other on each piece.
  const shown: SheetSide = half ?? side;
  const pages = section
    ? section[shown === 'front' ? 'outer' : 'inner'].map((page): DrawnPage => {
        const placed = piece.turned ? turnPage(page, section, shown === 'front') : page;
        return {
          x: trim.x + placed.xMm,
          y: trim.y + trim.height - placed.yMm - placed.heightMm,
          width: placed.widthMm,
          height: placed.heightMm,
          page: placed.productPage,
          label: placed.folio === undefined ? 'E' : String(placed.folio),
          head: placed.head,
          creepMm: placed.towardsSpineMm,
        };
      })
    : [];
  const flat = section && shown === 'front' ? markBox(section) : undefined;
  const mark = flat && section && piece.turned ? turnBox(flat, section, true) : flat;
  const bleed = section ? 0 : layout.bleedMm;
  return {
    x: trim.x - bleed,
    y: trim.y - bleed,
    width: trim.width + 2 * bleed,
    height: trim.height + 2 * bleed,
    trim,
    pages,
    mark: mark && {
      x: trim.x + mark.xMm,
      y: trim.y + trim.height - mark.yMm - mark.heightMm,
      width: mark.widthMm,
      height: mark.heightMm,
      code: section?.code ?? '',
    },
    side: half,
    turned: piece.turned,
    ...drawBlank(layout, piece, draw),
    item: section ? undefined : shared?.item.name,
  };
}

/**
 * The drawing of a component's layout, seen from the printed side of the front or the back; the same model for the
 * screen, the ticket and every file. Source: identity (a sheet turned over mirrors).
 */
export function drawLayout(layout: ComponentLayout, side: SheetSide = 'front'): LayoutDrawing {
  const { component, margins, pattern, machine, sheet } = layout;
  const draw = boxDrawer(layout, side);
  const bar = machine.press?.colourBarMm;
  return {
    sheet: { x: 0, y: 0, width: sheet.widthMm, height: sheet.heightMm },
    usable: draw({
      xMm: margins.sideMm,
      yMm: margins.gripperMm,
      widthMm: sheet.widthMm - 2 * margins.sideMm,
      heightMm: sheet.heightMm - margins.gripperMm - margins.tailMm,
    }),
    colourBar:
      bar === undefined
        ? undefined
        : {
            x: margins.sideMm,
            y: margins.tailMm - bar,
            width: sheet.widthMm - 2 * margins.sideMm,
            height: bar,
          },
    pieces: pattern.pieces.map((piece) => drawPiece(layout, piece, side)),
    grain: sheet.grain === 'width' ? 'across' : 'up',
    gripperMm: margins.gripperMm,
    cutOffs: webOf(machine) ? layout.cutOffs : 0,
    tailGripped: machine.press !== undefined && isGrippedTwice(component, machine.press),
    usedShare: layout.usedShare,
  };
}
