import { tenth, wordOf } from '../kernel/index.js';
import { SECTION_BLOCK, sectionMarks } from '../imposition/index.js';
import { STITCHES } from '../plan/index.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Saddle work: wire and what the fold bears; creep is on the layout. Source: handbook chapter 7 "Binding". */
export function stitchSheet(sheet: SheetBook): void {
  sheet.card(sheet.give('thickness', $localize`Thickness of a copy`, sheet.thicknessMm, 'mm'));
  sheet.card(sheet.give('stitches', $localize`Stitches`, STITCHES, 'stitches'));
  sheet.used('wire');
  drawStitches(sheet, STITCHES);
  sheet.card(sheet.give('sections', $localize`Feeders`, sheet.incoming.length, 'feeders'));
  const creeps = sheet.job.components.flatMap(({ id }) =>
    (sheet.plan.layouts[id]?.section?.outer ?? []).map(({ towardsSpineMm }) => towardsSpineMm),
  );
  const creep = Math.max(0, ...creeps);
  if (creep > 0)
    sheet.card(sheet.give('creep', $localize`Most creep, taken up on the layout`, tenth(creep * 10) / 10, 'mm'));
}

/** The spine of a copy with its stitches, spread evenly. */
function drawStitches(sheet: SheetBook, stitches: number): void {
  const page = sheet.job.components.find(({ kind }) => kind === 'section') ?? sheet.job.components[0];
  const [width, height] = [page?.widthMm ?? 0, page?.heightMm ?? 0];
  if (width * height === 0) return;
  const wire = 13;
  const centres = Array.from({ length: stitches }, (_, i) => ((i + 0.5) * height) / stitches);
  sheet.draw({
    title: $localize`Open copy, its spine in the middle`,
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

/** Sections gathered: feeders, marks, codes. */
export function gatherSheet(sheet: SheetBook): void {
  const feeders = sheet.incoming.length;
  sheet.card(sheet.give('sections', $localize`Sections`, feeders, 'sections'));
  sheet.card(sheet.give('thickness', $localize`Thickness of the block`, sheet.thicknessMm, 'mm'));
  const stations = sheet.machine?.takes?.stations;
  if (stations !== undefined) {
    const sections = `station.${sheet.step.id}.sections`;
    sheet.show('passes', $localize`Gathers`, 'times', 'ceil(sections / stations)', {
      sections,
      stations: sheet.give('stations', $localize`Feeders of the machine`, stations, 'feeders'),
    });
  }
  const codes = Object.values(sheet.plan.layouts).flatMap(({ section, component }) =>
    section?.code === undefined ? [] : [[section.order + 1, component.name, section.code]],
  );
  if (codes.length > 0)
    sheet.list({
      title: $localize`Codes that the reader checks`,
      heads: [$localize`:of a section|:Place`, $localize`Section`, $localize`Code`],
      rows: codes.sort((a, b) => Number(a[0]) - Number(b[0])),
    });
  const heightMm = sheet.job.components.find(({ kind }) => kind === 'section')?.heightMm ?? 0;
  drawStaircase(sheet, heightMm, feeders);
  sheet.remark(
    $localize`The staircase of spine marks runs down unbroken: a missing, doubled, swapped or turned section breaks it.`,
  );
}

/** The gathered block from its spine: each section's mark one block height lower than the one before. */
function drawStaircase(sheet: SheetBook, heightMm: number, sections: number): void {
  const marks = sectionMarks(sections, heightMm);
  if (marks.length === 0) return;
  // Sections are drawn as wide as a mark, so that the staircase can be read.
  const each = SECTION_BLOCK.widthMm * 2;
  sheet.draw({
    title: $localize`Spine of a gathered block, sections side by side`,
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

/** Three knives. Source: handbook chapter 7 (trims 3-5 mm). */
export function trimSheet(sheet: SheetBook): void {
  const { made, first } = sheet;
  const trims = first?.trims;
  for (const [name, title, mm] of [
    ['head', wordOf('head'), trims?.headMm],
    ['foot', wordOf('foot'), trims?.footMm],
    ['fore', $localize`fore edge`, trims?.foreMm],
  ] as const)
    sheet.card(sheet.give(name, $localize`Trim, ${title}`, mm ?? 0, 'mm'));
  sheet.card(sheet.give('width', $localize`Trimmed, width`, made?.widthMm ?? 0, 'mm'));
  sheet.card(sheet.give('height', $localize`Trimmed, height`, made?.heightMm ?? 0, 'mm'));
  sheet.card(sheet.give('thickness', $localize`Thickness`, sheet.thicknessMm, 'mm'));
  const [w, h, t] = [made?.widthMm ?? 0, made?.heightMm ?? 0, trims?.foreMm ?? 0];
  if (w * h === 0) return;
  sheet.draw({
    title: $localize`Three cuts: fore edge, head, foot; the spine lies at the left`,
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
