import { SECTION_BLOCK, sectionMarks } from '../imposition/index.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

const MM = 1000;
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Saddle work: wire and what the fold bears; creep is on the layout. Source: handbook chapter 7 "Binding". */
export function stitchSheet(sheet: SheetBook): void {
  const thick = sheet.card(sheet.give('thickness', 'Thickness of a copy', sheet.thicknessMm, 'mm'));
  const stitches = sheet.told('stitches', 'Stitches', 2, 'stitches');
  const wire = sheet.show('wire', 'Wire of a stitch', 'mm', '2 * thick + legs', {
    thick,
    legs: sheet.norm('bind.stitchLegs'),
  });
  sheet.show('wireM', 'Wire', 'm', 'units * stitches * wire / 1000', { units: sheet.units, stitches, wire });
  drawStitches(sheet, sheet.value(stitches));
  sheet.card(sheet.give('sections', 'Feeders', sheet.incoming.length, 'feeders'));
  const creeps = sheet.job.components.flatMap(({ id }) =>
    (sheet.plan.layouts[id]?.section?.outer ?? []).map(({ towardsSpineMm }) => towardsSpineMm),
  );
  const creep = Math.max(0, ...creeps);
  if (creep > 0) sheet.card(sheet.give('creep', 'Most creep, taken up on the layout', tenth(creep * 10) / 10, 'mm'));
}

/** The spine of a copy with its stitches, spread evenly. */
function drawStitches(sheet: SheetBook, stitches: number): void {
  const page = sheet.job.components.find(({ kind }) => kind === 'section') ?? sheet.job.components[0];
  const [width, height] = [page?.widthMm ?? 0, page?.heightMm ?? 0];
  if (width * height === 0) return;
  const wire = 13;
  const centres = Array.from({ length: stitches }, (_, i) => ((i + 0.5) * height) / stitches);
  sheet.draw({
    title: 'Open copy, its spine in the middle',
    widthMm: 2 * width,
    heightMm: height,
    shapes: [
      { kind: 'box', role: 'piece', x: 0, y: 0, width: 2 * width, height },
      {
        kind: 'path',
        role: 'fold',
        points: [
          { x: width, y: 0 },
          { x: width, y: height },
        ],
      },
      ...centres.map((y): Shape => ({
        kind: 'path',
        role: 'edge',
        points: [
          { x: width, y: y - wire / 2 },
          { x: width, y: y + wire / 2 },
        ],
      })),
      ...centres.map((y, i): Shape =>
        measure({ x: 2 * width, y: centres[i - 1] ?? 0 }, { x: 2 * width, y }, y - (centres[i - 1] ?? 0)),
      ),
      measure({ x: 0, y: height }, { x: width, y: height }, width),
    ],
  });
}

/** Materials that come to the binder, the cover apart. */
function blockMm(sheet: SheetBook): number {
  const scored = new Set(sheet.job.route.filter(({ operation }) => operation === 'score').map(({ id }) => id));
  return (
    sheet.incoming
      .filter(({ from }) => from === null || !scored.has(from))
      .reduce((sum, { material, usage }) => sum + material.caliperUm * usage, 0) / MM
  );
}

/** Grammage from which coated leaves want PUR. Source: common practice, no source. */
const HEAVY_COATED = 130;

/** Glued work: spine, cover, hot melt, cooling. Source: handbook chapter 7 "Binding". */
export function bindSheet(sheet: SheetBook): void {
  const { job } = sheet;
  const block = sheet.card(sheet.give('block', 'Block', blockMm(sheet), 'mm'));
  const covers = sheet.incoming.at(-1)?.material.caliperUm ?? 0;
  const spine = sheet.show('spine', 'Spine of the cover', 'mm', 'block + calipers * cover / 1000', {
    block,
    calipers: sheet.norm('bind.coverCalipers'),
    cover: sheet.give('coverCaliper', 'Caliper of the cover', covers, 'um'),
  });
  const trim = sheet.norm('bind.trim');
  const page = job.components.find(({ kind }) => kind === 'section') ?? job.components[0];
  const width = sheet.told('pageWidth', 'Page, width', page?.widthMm ?? 0, 'mm');
  const height = sheet.told('pageHeight', 'Page, height', page?.heightMm ?? 0, 'mm');
  const copies = sheet.give('copies', 'Books bound as one', job.binding?.twoUp ? 2 : 1, 'books');
  sheet.show('coverWidth', 'Cover, untrimmed, width', 'mm', '2 * (page + trim) + spine', {
    page: width,
    trim,
    spine,
  });
  const coverHeight = sheet.show('coverHeight', 'Cover, untrimmed, height', 'mm', 'copies * (page + 2 * trim)', {
    page: height,
    trim,
    copies,
  });
  sheet.show('mill', 'Block before milling, width', 'mm', 'page + trim + mill', {
    page: width,
    trim,
    mill: sheet.norm('bind.mill'),
  });
  const melt = sheet.show('meltG', 'Hot melt on one spine', 'g', 'block * length * thickness * density / 1000', {
    block,
    length: coverHeight,
    thickness: sheet.norm('bind.meltThickness'),
    density: sheet.norm('bind.meltDensity'),
  });
  sheet.show('meltKg', 'Hot melt', 'kg', 'each * units / 1000', { each: melt, units: sheet.units });
  const speed = sheet.work('conveyorSpeed', 'Speed of the conveyor', 'm/min', 'books * spacing / 60', {
    books: sheet.machineNorm('speed'),
    spacing: sheet.machineNorm('spacing'),
  });
  sheet.card(speed);
  const cooling = sheet.show('cooling', 'Cooling on the conveyor', 'min', 'length / speed', {
    length: sheet.machineNorm('conveyor'),
    speed,
  });
  const wanted = sheet.norm('bind.coolMinutes');
  sheet.show('fastest', 'Fastest that still cools', 'books/h', '60 * length / wanted / spacing', {
    length: sheet.machineNorm('conveyor'),
    wanted,
    spacing: sheet.machineNorm('spacing'),
  });
  if (sheet.value(cooling) < sheet.value(wanted))
    sheet.remark(
      `The conveyor is too short for ${tenth(sheet.value(wanted))} min at this speed: run slower, or let the books lie before they are cut.`,
    );
  const text = sheet.plan.layouts['section-1']?.stock;
  if (text?.coated && text.gsm >= HEAVY_COATED && job.finish?.adhesive !== 'pur')
    sheet.remark('Heavy coated text: PUR holds its leaves better than hot melt.');
  if (job.binding?.twoUp)
    sheet.remark('Two-up, head to head: half the clamps for the same books; split after the conveyor.');
  drawSpine(sheet, sheet.value(width), sheet.value(height), sheet.value(spine), sheet.value(trim));
}

/** The cover spread flat around its spine. */
function drawSpine(sheet: SheetBook, page: number, height: number, spine: number, trim: number): void {
  const side = page + trim;
  const all = 2 * side + spine;
  const tall = height + 2 * trim;
  const hinge = sheet.value(sheet.norm('bind.hinge'));
  const lines = [side - hinge, side, side + spine, side + spine + hinge].map((x): Shape => ({
    kind: 'path',
    role: 'fold',
    points: [
      { x, y: 0 },
      { x, y: tall },
    ],
  }));
  sheet.draw({
    title: 'Cover around the block, outside up',
    widthMm: all,
    heightMm: tall,
    shapes: [
      { kind: 'box', role: 'piece', x: 0, y: 0, width: all, height: tall },
      { kind: 'box', role: 'block', x: side, y: 0, width: spine, height: tall },
      { kind: 'box', role: 'edge', x: trim, y: trim, width: all - 2 * trim, height: height },
      ...lines,
      measure({ x: 0, y: tall }, { x: side, y: tall }, side),
      measure({ x: side, y: tall }, { x: side + spine, y: tall }, spine),
      measure({ x: all, y: 0 }, { x: all, y: tall }, tall),
    ],
  });
}

/** Sections gathered: feeders, marks, codes. */
export function gatherSheet(sheet: SheetBook): void {
  const feeders = sheet.incoming.length;
  sheet.card(sheet.give('sections', 'Sections', feeders, 'sections'));
  sheet.card(sheet.give('thickness', 'Thickness of the block', sheet.thicknessMm, 'mm'));
  const stations = sheet.machine?.takes?.stations;
  if (stations !== undefined) {
    const sections = `station.${sheet.step.id}.sections`;
    sheet.show('passes', 'Gathers', 'times', 'ceil(sections / stations)', {
      sections,
      stations: sheet.give('stations', 'Feeders of the machine', stations, 'feeders'),
    });
  }
  const codes = Object.values(sheet.plan.layouts).flatMap(({ section, component }) =>
    section?.code === undefined ? [] : [[section.order + 1, component.name, section.code]],
  );
  if (codes.length > 0)
    sheet.list({
      title: 'Codes that the reader checks',
      heads: ['Place', 'Section', 'Code'],
      rows: codes.sort((a, b) => Number(a[0]) - Number(b[0])),
    });
  const heightMm = sheet.job.components.find(({ kind }) => kind === 'section')?.heightMm ?? 0;
  drawStaircase(sheet, heightMm, feeders);
  sheet.remark(
    'The staircase of spine marks runs down unbroken: a missing, doubled, swapped or turned section breaks it.',
  );
}

/** The gathered block from its spine: each section's mark one block height lower than the one before. */
function drawStaircase(sheet: SheetBook, heightMm: number, sections: number): void {
  const marks = sectionMarks(sections, heightMm);
  if (marks.length === 0) return;
  // Sections are drawn as wide as a mark, so that the staircase can be read.
  const each = SECTION_BLOCK.widthMm * 2;
  sheet.draw({
    title: 'Spine of a gathered block, sections side by side',
    widthMm: sections * each,
    heightMm,
    shapes: marks.flatMap(({ section, topMm }): Shape[] => [
      { kind: 'box', role: 'piece', x: section * each, y: 0, width: each, height: heightMm },
      {
        kind: 'box',
        role: 'mark',
        x: section * each + (each - SECTION_BLOCK.widthMm) / 2,
        y: topMm,
        width: SECTION_BLOCK.widthMm,
        height: SECTION_BLOCK.heightMm,
      },
    ]),
  });
}

/** Thread and swell. Source: handbook chapter 7 (practice). */
export function sewSheet(sheet: SheetBook): void {
  const sections = sheet.give(
    'sections',
    'Sections',
    sheet.plan.steps.filter(({ operation }) => operation === 'fold').length,
    'sections',
  );
  const thread = sheet.show('threadEach', 'Thread of a book', 'm', 'sections * needles * stitch / 1000', {
    sections,
    needles: sheet.norm('sew.needles'),
    stitch: sheet.norm('sew.stitch'),
  });
  sheet.show('threadM', 'Thread', 'm', 'each * units', { each: thread, units: sheet.units });
  const flat = sheet.give('flat', 'Block before sewing', sheet.thicknessMm, 'mm');
  sheet.show('sewn', 'Block, sewn', 'mm', 'flat * (1 + swell)', { flat, swell: sheet.norm('sew.swell') });
}

/** Case from its block: boards, strip, cloth. Source: handbook chapter 7 "Case". */
export function caseSheet(sheet: SheetBook): void {
  const { job } = sheet;
  const text = job.components.find(({ kind }) => kind === 'section');
  const sew = job.route.find(({ operation }) => operation === 'sew');
  const flat = sew
    ? sheet.plan.edges.filter(({ to }) => to === sew.id).reduce((sum, { state }) => sum + state.caliperUm, 0) / MM
    : 0;
  const width = sheet.told('blockWidth', 'Block, width', text?.widthMm ?? 0, 'mm');
  const height = sheet.told('blockHeight', 'Block, height', text?.heightMm ?? 0, 'mm');
  const thick = sheet.work('blockThick', 'Block, sewn', 'mm', 'flat * (1 + swell)', {
    flat: sheet.give('flat', 'Block before sewing', flat, 'mm'),
    swell: sheet.norm('sew.swell'),
  });
  const square = sheet.norm('case.square');
  const joint = sheet.norm('case.joint');
  const turnIn = sheet.norm('case.turnIn');
  const boardMm = sheet.told('boardMm', 'Board, thickness', job.finish?.boardMm ?? 2.5, 'mm');
  const boardWidth = sheet.show('boardWidth', 'Board, width', 'mm', 'width + square - joint', { width, square, joint });
  const boardHeight = sheet.show('boardHeight', 'Board and strip, height', 'mm', 'height + 2 * square', {
    height,
    square,
  });
  const strip = sheet.show('strip', 'Spine strip, width', 'mm', 'thick + 2 * board', { thick, board: boardMm });
  const gap = sheet.show('gap', 'Joint as it is set', 'mm', 'joint + calipers * board', {
    joint,
    calipers: sheet.norm('case.jointCalipers'),
    board: boardMm,
  });
  const clothWidth = sheet.show('clothWidth', 'Cloth, width', 'mm', '2 * board + 2 * gap + strip + 2 * turnIn', {
    board: boardWidth,
    gap,
    strip,
    turnIn,
  });
  const clothHeight = sheet.show('clothHeight', 'Cloth, height', 'mm', 'board + 2 * turnIn', {
    board: boardHeight,
    turnIn,
  });
  const v = (id: string): number => sheet.value(id);
  const [W, H, t, bw, bh] = [v(clothWidth), v(clothHeight), v(turnIn), v(boardWidth), v(boardHeight)];
  const s = v(strip);
  const left = t;
  const mid = t + bw + v(gap);
  const right = mid + s + v(gap);
  sheet.draw({
    title: 'Case, inside up; grain along the spine',
    widthMm: W,
    heightMm: H,
    shapes: [
      { kind: 'box', role: 'cloth', x: 0, y: 0, width: W, height: H },
      { kind: 'box', role: 'board', x: left, y: t, width: bw, height: bh, label: 'Board' },
      { kind: 'box', role: 'board', x: mid, y: t, width: s, height: bh },
      { kind: 'box', role: 'board', x: right, y: t, width: bw, height: bh, label: 'Board' },
      measure({ x: left, y: H }, { x: left + bw, y: H }, bw),
      measure({ x: mid, y: H }, { x: mid + s, y: H }, s),
      measure({ x: W, y: t }, { x: W, y: t + bh }, bh),
    ],
  });
}

/** Casing-in and pressing. */
export function caseInSheet(sheet: SheetBook): void {
  sheet.show('pressed', 'Under pressure afterwards', 'h', 'norm', { norm: sheet.norm('press.hours') });
  sheet.card(sheet.give('thickness', 'Thickness of the block', (sheet.first?.caliperUm ?? 0) / MM, 'mm'));
  sheet.remark(
    'Endpapers are pasted without creases; the book is pressed with brass in the joint before it is opened.',
  );
}

/** Three knives. Source: handbook chapter 7 (trims 3-5 mm). */
export function trimSheet(sheet: SheetBook): void {
  const text = sheet.job.components.find(({ kind }) => kind === 'section') ?? sheet.job.components[0];
  const trim = sheet.norm('bind.trim');
  for (const [name, title] of [
    ['head', 'Head'],
    ['foot', 'Foot'],
    ['fore', 'Fore edge'],
  ] as const)
    sheet.show(name, `Trim, ${title.toLowerCase()}`, 'mm', 'trim', { trim });
  sheet.card(sheet.told('width', 'Trimmed, width', text?.widthMm ?? 0, 'mm'));
  sheet.card(sheet.told('height', 'Trimmed, height', text?.heightMm ?? 0, 'mm'));
  sheet.card(sheet.give('thickness', 'Thickness', sheet.thicknessMm, 'mm'));
  const [w, h, t] = [text?.widthMm ?? 0, text?.heightMm ?? 0, sheet.value(trim)];
  if (w * h === 0) return;
  sheet.draw({
    title: 'Three cuts: fore edge, head, foot; the spine lies at the left',
    widthMm: w + t,
    heightMm: h + 2 * t,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: w + t, height: h + 2 * t },
      { kind: 'box', role: 'piece', x: 0, y: t, width: w, height: h },
      {
        kind: 'path',
        role: 'cut',
        points: [
          { x: w, y: 0 },
          { x: w, y: h + 2 * t },
        ],
        label: '1',
      },
      {
        kind: 'path',
        role: 'cut',
        points: [
          { x: 0, y: t },
          { x: w, y: t },
        ],
        label: '2',
      },
      {
        kind: 'path',
        role: 'cut',
        points: [
          { x: 0, y: t + h },
          { x: w, y: t + h },
        ],
        label: '3',
      },
      measure({ x: 0, y: h + 2 * t }, { x: w, y: h + 2 * t }, w),
      measure({ x: w + t, y: t }, { x: w + t, y: t + h }, h),
    ],
  });
}
