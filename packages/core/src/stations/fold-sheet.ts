import type { Panels } from '../finishing/index.js';
import { foldKindOf, foldsOf, panelsOf } from '../material/index.js';
import { figureOf, wordOf } from '../kernel/index.js';
import { figureId } from '../job/index.js';
import { type Shape, measure, mmText } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** The folder: panels with shortening, lines and ways, the folded piece. Sections are told by their scheme. Source: handbook chapter 7 "Folding". */
export function foldSheet(sheet: SheetBook): void {
  const { layout, step, first } = sheet;
  const rate = figureOf(sheet.plan, figureId.step(step.id, 'rate'));
  if (rate) sheet.card(rate.id);
  if (!first) return;
  if (layout?.section) {
    sheet.remark(
      $localize`Scheme ${layout.section.scheme.id}\: ${foldsOf(step, layout)} folds, ${layout.component.pages} pages. The first fold lies at the gripper edge.`,
    );
    return;
  }
  const folds = foldsOf(step, layout);
  const kind = foldKindOf(sheet.job.finish, folds);
  const along = first.widthMm >= first.heightMm ? 'width' : 'height';
  const [lengthMm, otherMm] = along === 'width' ? [first.widthMm, first.heightMm] : [first.heightMm, first.widthMm];
  const made = panelsOf(kind, first, folds, sheet.norms, sheet.job.finish?.panelsMm);
  if (!made.ok) {
    sheet.remark(
      made.reason === 'too-short'
        ? $localize`This ${kind} fold makes a panel shorter than a folder takes: ${mmText(made.needsMm)} mm along the fold would do, or fewer folds.`
        : $localize`The panels told by hand do not fold: see what the job says about them.`,
    );
    return;
  }
  const { panels } = made;
  sheet.card(sheet.give('folded', $localize`Folded, width`, panels.foldedWidthMm, 'mm'));
  sheet.card(sheet.give('foldedHeight', $localize`Folded, height`, panels.foldedHeightMm, 'mm'));
  sheet.show('foldedThickness', $localize`Folded, thickness`, 'mm', 'layers * caliper / 1000', {
    layers: sheet.give('layers', $localize`Layers`, panels.layers, 'layers'),
    caliper: sheet.give('caliper', $localize`Caliper`, first.caliperUm, 'um'),
  });
  const score = sheet.job.route.some(
    ({ operation, component }) => operation === 'score' && component === step.component,
  );
  sheet.list({
    title: $localize`Panels`,
    heads: [
      $localize`Panel`,
      'mm',
      $localize`Fold at mm`,
      $localize`Way`,
      score ? $localize`Scored` : $localize`Plate stop`,
    ],
    rows: panels.panelsMm.map((panel, i) => {
      const line = panels.lines[i];
      return [
        i + 1,
        mmText(panel),
        line ? mmText(line.atMm) : '',
        wordOf(line?.way ?? ''),
        line ? (score ? wordOf('yes') : mmText(line.atMm)) : '',
      ];
    }),
  });
  drawPanels(sheet, panels, lengthMm, otherMm);
}

/** The flat piece with its folds, and its edge as it folds. */
function drawPanels(sheet: SheetBook, panels: Panels, lengthMm: number, otherMm: number): void {
  let at = 0;
  // Where a fold crosses, the number stands in the upper half.
  const tall = panels.crossMm[0] ?? otherMm;
  const boxes = panels.panelsMm.flatMap((panel, i): Shape[] => {
    const x = at;
    at += panel;
    const box = { kind: 'box', role: 'piece', x, width: panel } as const;
    return [
      { ...box, y: 0, height: tall, label: String(i + 1) },
      ...panels.crossMm.map((y): Shape => ({ ...box, y, height: otherMm - y })),
    ];
  });
  const lines = panels.lines.map(({ atMm }): Shape => ({
    kind: 'path',
    role: 'fold',
    points: [
      { x: atMm, y: 0 },
      { x: atMm, y: otherMm },
    ],
  }));
  const cross = panels.crossMm.map((y): Shape => ({
    kind: 'path',
    role: 'fold',
    points: [
      { x: 0, y },
      { x: lengthMm, y },
    ],
  }));
  let from = 0;
  const measures = panels.panelsMm.map((panel): Shape => {
    const x = from;
    from += panel;
    return measure({ x, y: otherMm }, { x: x + panel, y: otherMm }, panel);
  });
  sheet.draw({
    title: $localize`Flat, with folds`,
    widthMm: lengthMm,
    heightMm: otherMm,
    shapes: [...boxes, ...lines, ...cross, ...measures],
  });
  const rise = Math.max(6, lengthMm / 40);
  let [x, y, way] = [0, 0, 1];
  const points = [{ x: 0, y: 0 }];
  panels.panelsMm.forEach((panel, i) => {
    x += way * panel;
    points.push({ x, y });
    way = -way;
    // Each panel lies on the one before.
    y -= rise;
    if (i < panels.lines.length) points.push({ x, y });
  });
  const [left, top] = [Math.min(...points.map((p) => p.x)), Math.min(...points.map((p) => p.y))];
  const moved = points.map((p) => ({ x: p.x - left, y: p.y - top + rise }));
  sheet.draw({
    title: $localize`Edge on, as it folds`,
    widthMm: Math.max(...moved.map((p) => p.x)),
    heightMm: Math.max(...moved.map((p) => p.y)) + rise,
    shapes: [{ kind: 'path', role: 'edge', points: moved }],
  });
}

/** Scores: where they stand, why. Source: handbook chapter 7. */
export function scoreSheet(sheet: SheetBook): void {
  const { layout, job, first } = sheet;
  const spine = layout?.component;
  const glued = job.route.some(
    ({ operation, from }) => operation === 'bind' && from?.some(({ material }) => material === sheet.step.id),
  );
  if (glued && spine?.widthMm !== undefined && first) {
    const page = job.components.find(({ kind }) => kind === 'section')?.widthMm ?? job.components[0]?.widthMm ?? 0;
    const trim = sheet.norm('bind.trim');
    const pageId = sheet.told('pageWidth', $localize`Page, width`, page, 'mm');
    const width = sheet.told('coverWidth', $localize`Cover, width`, spine.widthMm, 'mm');
    const spineId = sheet.show('spine', $localize`Spine of the cover`, 'mm', 'cover - 2 * (page + trim)', {
      cover: width,
      page: pageId,
      trim,
    });
    const hinge = sheet.norm('bind.hinge');
    const left = sheet.show('left', $localize`First spine score, from the left`, 'mm', '(cover - spine) / 2', {
      cover: width,
      spine: spineId,
    });
    const right = sheet.show('right', $localize`Second spine score`, 'mm', '(cover + spine) / 2', {
      cover: width,
      spine: spineId,
    });
    const first_ = sheet.show('hingeLeft', $localize`Hinge score, left`, 'mm', 'left - hinge', { left, hinge });
    const last = sheet.show('hingeRight', $localize`Hinge score, right`, 'mm', 'right + hinge', { right, hinge });
    const height = spine.heightMm ?? 0;
    const lines = [first_, left, right, last].map((id): Shape => ({
      kind: 'path',
      role: 'fold',
      points: [
        { x: sheet.value(id), y: 0 },
        { x: sheet.value(id), y: height },
      ],
    }));
    sheet.draw({
      title: $localize`Cover, outside up`,
      widthMm: spine.widthMm,
      heightMm: height,
      shapes: [
        { kind: 'box', role: 'piece', x: 0, y: 0, width: spine.widthMm, height },
        ...lines,
        measure({ x: 0, y: height }, { x: sheet.value(left), y: height }, sheet.value(left)),
        measure({ x: sheet.value(left), y: height }, { x: sheet.value(right), y: height }, sheet.value(spineId)),
      ],
    });
  }
  sheet.remark($localize`The bead of the score lies inside the fold.`);
}
