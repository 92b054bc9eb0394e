import type { Mm } from '../kernel/index.js';
import type { DieArea, DieDrawing } from './drawing.js';
import { type Structure, type StructureId, type StructurePart, type StructureSize, tuckMm } from './structure.js';
import { drawTray } from './tray.js';
import { type TubePanel, NO_END, drawTube, plainFlap, taperedFlap, tuckFlap } from './tube.js';

/** Usual flaps and clearances; all practice, editable in the size. */
const GLUE_FLAP_MM = 15;
const JOINT_FLAP_MM = 35;
const DUST_SHARE = 0.75;
const DUST_TAPER_MM = 3;
const LID_SHARE = 1 / 3;
const LID_CLEARANCE_MM = 1;
const SEAL_SHARE = 1 / 4;
/** Self-locking base: how far the long flaps reach past the middle, and how much of a short one its diagonal takes. */
const LOCK_SHARE = 1 / 8;
const DIAGONAL_SHARE = 0.9;

interface Board {
  readonly l: Mm;
  readonly w: Mm;
  readonly d: Mm;
  readonly t: Mm;
  readonly fold: Mm;
  readonly flap: Mm;
}

const boardOf = (size: StructureSize, flapMm: Mm): Board => ({
  l: size.lengthMm,
  w: size.widthMm,
  d: size.depthMm,
  t: size.caliperMm,
  fold: size.foldMm ?? size.caliperMm,
  flap: size.flapMm ?? flapMm,
});

/** Four panels around a box: length, width, length, width, the last without its fold, since it lies inside. */
const around = ({ l, w, fold }: Board): readonly [Mm, Mm, Mm, Mm] => [l + fold, w + fold, l + fold, w];

const dust = (width: Mm, { l }: Board) =>
  taperedFlap(width, Math.min(width * DUST_SHARE, l / 2), Math.min(DUST_TAPER_MM, width / 4));
const tuck = (width: Mm, { w }: Board) => tuckFlap(width, w, tuckMm(w));

function tuckCarton(board: Board, name: string, bottomOn: 0 | 2): DieDrawing {
  const widths = around(board);
  const panels = widths.map((width, i): TubePanel => {
    if (i % 2 === 1) return { width, top: dust(width, board), bottom: dust(width, board) };
    return { width, top: i === 2 ? tuck(width, board) : NO_END, bottom: i === bottomOn ? tuck(width, board) : NO_END };
  });
  return drawTube(name, board.flap, board.d + 2 * board.fold, panels);
}

/** Base of four flaps glued in pairs, so that it springs open and locks: the short ones fold over on a diagonal. */
function selfLocking(board: Board): DieDrawing {
  const widths = around(board);
  const reach = board.w / 2;
  const panels = widths.map((width, i): TubePanel => {
    if (i % 2 === 0)
      return {
        width,
        top: i === 2 ? tuck(width, board) : NO_END,
        bottom: plainFlap(width, reach + board.w * LOCK_SHARE, 1),
      };
    const glued = taperedFlap(width, reach, Math.min(DUST_TAPER_MM, width / 4));
    const diagonal = [
      { x: 0, y: 0 },
      { x: reach * DIAGONAL_SHARE, y: reach * DIAGONAL_SHARE },
    ];
    return { width, top: dust(width, board), bottom: { ...glued, creases: [diagonal] } };
  });
  const drawing = drawTube($localize`Self-locking base`, board.flap, board.d + 2 * board.fold, panels);
  // Beside each diagonal the corner away from the long flap is glued to it.
  const lowest = Math.max(...panels.flatMap(({ bottom }) => bottom.edge.map(({ y }) => y)));
  const corners = [1, 3].map((i): DieArea => {
    const x = board.flap + widths.slice(0, i).reduce((sum, width) => sum + width, 0);
    return {
      kind: 'glue',
      outline: [
        { x: x + 1, y: lowest - 1 },
        { x: x + reach * DIAGONAL_SHARE, y: lowest - reach * DIAGONAL_SHARE },
        { x: x + DUST_TAPER_MM, y: lowest - reach * DIAGONAL_SHARE },
      ],
    };
  });
  return { ...drawing, areas: [...drawing.areas, ...corners] };
}

/** Four panels side by side that fold over each other, each inner one shorter, with a pocket below the second. */
function wallet({ l, d, w, fold }: Board): DieDrawing {
  const widths = [l, l, l - fold, l - 2 * fold];
  const panels = widths.map((width, i): TubePanel => ({
    width,
    top: NO_END,
    bottom: i === 1 ? plainFlap(width, Math.max(w, d / 4), 2) : NO_END,
  }));
  return drawTube($localize`Board wallet`, 0, d, panels);
}

/** Front and back with a side seam, a glued bottom flap and a seal flap. */
function packet({ l, d, w, fold, flap }: Board): DieDrawing {
  const width = l + w + fold;
  const bottom = plainFlap(width, flap, 2);
  const seal = taperedFlap(width, d * SEAL_SHARE, Math.min(flap, width / 4));
  const drawing = drawTube($localize`Side-seam packet`, flap, d, [
    { width, top: NO_END, bottom },
    { width, top: seal, bottom: NO_END },
  ]);
  const below: DieArea = {
    kind: 'glue',
    outline: bottom.edge.map(({ x, y }) => ({ x: flap + x, y: flap - y })),
  };
  const gum: DieArea = {
    kind: 'glue',
    outline: seal.edge.map(({ x, y }) => ({ x: flap + width + x, y: flap + d + y })),
  };
  return { ...drawing, areas: [...drawing.areas, below, gum] };
}

/**
 * The regular slotted case: panels L + t, W + t, L + t, W, joint flap 35, flap depth (W + t) / 2, depth panel D + 2 t.
 * Source: practice, handbook chapter 4: 400 x 300 x 250, t 4 is a blank of 1,447 x 562.
 */
function slottedCase(board: Board): DieDrawing {
  const reach = (board.w + board.fold) / 2;
  const panels = around(board).map((width): TubePanel => {
    const flap = plainFlap(width, reach, board.t / 2);
    return { width, top: flap, bottom: flap };
  });
  return drawTube($localize`Slotted case`, board.flap, board.d + 2 * board.fold, panels);
}

/** A base and a lid that goes over it with a little clearance. */
function twoPiece({ l, w, d, t, fold }: Board): StructurePart[] {
  const over = 2 * (t + fold) + 2 * LID_CLEARANCE_MM;
  return [
    { part: 'base', drawing: drawTray($localize`Base`, l + 2 * fold, w + 2 * fold, d + fold) },
    { part: 'lid', drawing: drawTray($localize`Lid`, l + 2 * fold + over, w + 2 * fold + over, d * LID_SHARE + fold) },
  ];
}

const one = (drawing: DieDrawing): StructurePart[] => [{ part: 'blank', drawing }];

function partsOf(id: StructureId, size: StructureSize): StructurePart[] {
  const board = boardOf(size, id === 'slotted-case' ? JOINT_FLAP_MM : GLUE_FLAP_MM);
  const { l, w, d, fold } = board;
  switch (id) {
    case 'straight-tuck':
      return one(tuckCarton(board, $localize`Straight tuck`, 2));
    case 'reverse-tuck':
      return one(tuckCarton(board, $localize`Reverse tuck`, 0));
    case 'self-locking':
      return one(selfLocking(board));
    case 'sleeve':
      return one(
        drawTube(
          $localize`Sleeve`,
          board.flap,
          d,
          around(board).map((width) => ({ width, top: NO_END, bottom: NO_END })),
        ),
      );
    case 'tray':
      return one(drawTray($localize`Tray`, l + 2 * fold, w + 2 * fold, d + fold));
    case 'wallet':
      return one(wallet(board));
    case 'packet':
      return one(packet(board));
    case 'two-piece':
      return twoPiece(board);
    case 'slotted-case':
      return one(slottedCase(board));
  }
}

/** Layers of board over the inner depth: flaps lie on each other at both ends of a slotted case. */
const DEPTH_LAYERS: Readonly<Partial<Record<StructureId, number>>> = { 'slotted-case': 4, sleeve: 0, tray: 1 };

/**
 * A parametric structure: its blanks with outline, creases, glue areas, from the inner size of the product.
 * Sizes are above 0 (see `checkStructure`). Source: practice, handbook chapter 4; every allowance editable.
 */
export function makeStructure(id: StructureId, size: StructureSize): Structure {
  const { lengthMm: l, widthMm: w, depthMm: d, caliperMm: t } = size;
  return {
    id,
    parts: partsOf(id, size),
    inner: [l, w, d],
    outer: [l + 2 * t, w + 2 * t, d + (DEPTH_LAYERS[id] ?? 2) * t],
  };
}
