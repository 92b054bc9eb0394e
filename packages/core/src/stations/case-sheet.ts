import { UM } from '../kernel/index.js';
import type { Material } from '../material/index.js';
import { type Shape, MEASURE_ROW, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Thread and swell. Source: handbook chapter 7 (practice). */
export function sewSheet(sheet: SheetBook): void {
  sheet.card(sheet.give('sections', $localize`Sections`, sheet.first?.sections ?? 0, 'sections'));
  sheet.used('thread');
  const flat = sheet.give('flat', $localize`Block before sewing`, (sheet.first?.caliperUm ?? 0) / UM, 'mm');
  sheet.show('sewn', $localize`Block, sewn`, 'mm', 'flat * (1 + swell)', { flat, swell: sheet.norm('sew.swell') });
}

/** The block that a case is made for: what meets it where it is cased in. */
function blockOfCase({ plan }: SheetBook): Material | undefined {
  const caseIn = plan.steps.find(({ operation }) => operation === 'case-in');
  return plan.edges.find(({ to, state }) => to === caseIn?.id && !state.shell)?.state;
}

/** Case from its block: boards, strip, cloth. Source: handbook chapter 7 "Case". */
export function caseSheet(sheet: SheetBook): void {
  const { job } = sheet;
  const block = blockOfCase(sheet);
  const width = sheet.give('blockWidth', $localize`Block, width`, block?.widthMm ?? 0, 'mm');
  const height = sheet.give('blockHeight', $localize`Block, height`, block?.heightMm ?? 0, 'mm');
  const thick = sheet.give('blockThick', $localize`Block, sewn`, (block?.caliperUm ?? 0) / UM, 'mm');
  const square = sheet.norm('case.square');
  const joint = sheet.norm('case.joint');
  const turnIn = sheet.norm('case.turnIn');
  const boardMm = sheet.told(
    'boardMm',
    $localize`Board, thickness`,
    job.finish?.boardMm ?? Math.max(0, ...sheet.incoming.map(({ material }) => material.caliperUm)) / UM,
    'mm',
  );
  const boardWidth = sheet.show('boardWidth', $localize`Board, width`, 'mm', 'width + square - joint', {
    width,
    square,
    joint,
  });
  const boardHeight = sheet.show('boardHeight', $localize`Board and strip, height`, 'mm', 'height + 2 * square', {
    height,
    square,
  });
  const strip = sheet.show('strip', $localize`Spine strip, width`, 'mm', 'thick + 2 * board', {
    thick,
    board: boardMm,
  });
  const gap = sheet.show('gap', $localize`Joint as it is set`, 'mm', 'joint + calipers * board', {
    joint,
    calipers: sheet.norm('case.jointCalipers'),
    board: boardMm,
  });
  const clothWidth = sheet.show(
    'clothWidth',
    $localize`Cloth, width`,
    'mm',
    '2 * board + 2 * gap + strip + 2 * turnIn',
    {
      board: boardWidth,
      gap,
      strip,
      turnIn,
    },
  );
  const clothHeight = sheet.show('clothHeight', $localize`Cloth, height`, 'mm', 'board + 2 * turnIn', {
    board: boardHeight,
    turnIn,
  });
  sheet.used('paste');
  const v = (id: string): number => sheet.value(id);
  const [W, H, t, bw, bh] = [v(clothWidth), v(clothHeight), v(turnIn), v(boardWidth), v(boardHeight)];
  const [s, g] = [v(strip), v(gap)];
  const left = t;
  const mid = t + bw + g;
  const right = mid + s + g;
  const row = Math.max(W, H) * MEASURE_ROW;
  const across = (from: number, to: number, at: number): Shape =>
    measure({ x: from, y: H + at * row }, { x: to, y: H + at * row }, to - from, 'cut');
  const up = (from: number, to: number, at: number): Shape =>
    measure({ x: W + at * row, y: from }, { x: W + at * row, y: to }, to - from, 'cut');
  const arrow = bh / 8;
  const grainX = left + bw / 2;
  const grainY = t + bh * 0.75;
  sheet.draw({
    title: $localize`Case, inside up; the arrow is the grain of boards and cloth`,
    widthMm: W,
    heightMm: H,
    shapes: [
      { kind: 'box', role: 'cloth', x: 0, y: 0, width: W, height: H },
      { kind: 'box', role: 'board', x: left, y: t, width: bw, height: bh, label: $localize`:of a case|:Board` },
      { kind: 'box', role: 'board', x: mid, y: t, width: s, height: bh },
      { kind: 'box', role: 'board', x: right, y: t, width: bw, height: bh, label: $localize`:of a case|:Board` },
      {
        kind: 'path',
        role: 'edge',
        points: [
          { x: grainX - arrow / 6, y: grainY - arrow + arrow / 4 },
          { x: grainX, y: grainY - arrow },
          { x: grainX, y: grainY + arrow },
          { x: grainX + arrow / 6, y: grainY + arrow - arrow / 4 },
        ],
      },
      // Boards and strip; between them, turned in and joints; all of it.
      across(left, left + bw, 0),
      across(mid, mid + s, 0),
      across(right, right + bw, 0),
      across(0, left, 1),
      across(left + bw, mid, 1),
      across(right + bw, W, 1),
      across(0, W, 2),
      up(t, t + bh, 0),
      up(0, t, 1),
      up(0, H, 2),
    ],
  });
}

/** Casing-in and pressing. */
export function caseInSheet(sheet: SheetBook): void {
  sheet.show('pressed', $localize`Under pressure afterwards`, 'h', 'norm', { norm: sheet.norm('press.hours') });
  const { made } = sheet;
  sheet.used('paste');
  sheet.card(sheet.give('block', $localize`Thickness of the block`, (sheet.first?.caliperUm ?? 0) / UM, 'mm'));
  sheet.card(
    sheet.give('thickness', $localize`Thickness of the book, boards and cloth counted`, sheet.thicknessMm, 'mm'),
  );
  sheet.card(sheet.give('width', $localize`Book, width`, made?.widthMm ?? 0, 'mm'));
  sheet.card(sheet.give('height', $localize`Book, height`, made?.heightMm ?? 0, 'mm'));
  sheet.card(sheet.give('massG', $localize`Mass of one`, made?.massG ?? 0, 'g'));
  sheet.remark(
    $localize`Endpapers are pasted without creases; the book is pressed with brass in the joint before it is opened.`,
  );
}
