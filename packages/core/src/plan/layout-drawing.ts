import type { ComponentLayout } from './component-layout.js';

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface DrawnPiece extends Box {
  /** The piece after cutting, without its bleed; the same as the piece where trims come off later. */
  readonly trim: Box;
  /** Page edges inside a section: positions of lines across and down, relative to the sheet. */
  readonly pageLinesX: readonly number[];
  readonly pageLinesY: readonly number[];
  /** Work-and-turn and work-and-tumble: which side of the product lies here. */
  readonly side: 'front' | 'back' | undefined;
}

/** A layout to scale, in millimetres from the sheet's upper left corner, y down; the gripper edge is at the bottom. */
export interface LayoutDrawing {
  readonly sheet: Box;
  readonly usable: Box;
  readonly pieces: readonly DrawnPiece[];
  /** Direction of the grain as drawn. */
  readonly grain: 'across' | 'up';
  readonly gripperMm: number;
  /** Second gripped edge at the tail. */
  readonly tailGripped: boolean;
  /** Share of the sheet that pieces cover. */
  readonly usedShare: number;
}

const lines = (from: number, length: number, parts: number): number[] =>
  Array.from({ length: Math.max(0, parts - 1) }, (_, i) => from + ((i + 1) * length) / parts);

function sideOf(layout: ComponentLayout, column: number, row: number): DrawnPiece['side'] {
  const { grid, component } = layout;
  if (component.workStyle === 'work-and-turn') return column < grid.columns / 2 ? 'front' : 'back';
  if (component.workStyle === 'work-and-tumble') return row < grid.rows / 2 ? 'front' : 'back';
  return undefined;
}

function piece(layout: ComponentLayout, column: number, row: number): DrawnPiece {
  const { grid, component, bleedMm, pages } = layout;
  const { cellWidthMm: width, cellHeightMm: height } = grid;
  const x = grid.leftMm + column * width;
  const y = component.sheet.heightMm - grid.bottomMm - (row + 1) * height;
  const inset = component.kind === 'sheet' ? bleedMm : 0;
  const [across, down] = grid.turned ? [pages?.down ?? 1, pages?.across ?? 1] : [pages?.across ?? 1, pages?.down ?? 1];
  return {
    x,
    y,
    width,
    height,
    trim: { x: x + inset, y: y + inset, width: width - 2 * inset, height: height - 2 * inset },
    pageLinesX: lines(x, width, across),
    pageLinesY: lines(y, height, down),
    side: sideOf(layout, column, row),
  };
}

/** The drawing of a component's layout; the same model for the screen and the ticket. */
export function drawLayout(layout: ComponentLayout): LayoutDrawing {
  const {
    component: { sheet },
    margins,
    grid,
  } = layout;
  const pieces = Array.from({ length: grid.rows }, (_, row) =>
    Array.from({ length: grid.columns }, (__, column) => piece(layout, column, row)),
  ).flat();
  return {
    sheet: { x: 0, y: 0, width: sheet.widthMm, height: sheet.heightMm },
    usable: {
      x: margins.sideMm,
      y: margins.tailMm,
      width: sheet.widthMm - 2 * margins.sideMm,
      height: sheet.heightMm - margins.gripperMm - margins.tailMm,
    },
    pieces,
    grain: sheet.grain === 'width' ? 'across' : 'up',
    gripperMm: margins.gripperMm,
    tailGripped: margins.tailMm === margins.gripperMm,
    usedShare: (grid.count * grid.cellWidthMm * grid.cellHeightMm) / (sheet.widthMm * sheet.heightMm),
  };
}
