import { pageRows } from '../imposition/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import { type LayoutDrawing, drawLayout } from './layout-drawing.js';
import { reportLayout } from './layout-report.js';

const programme = example('concert-programme');
const layoutOf = (job: Job, id: string) => {
  const layout = planned(job).layouts[id];
  if (!layout) throw new Error(id);
  return layout;
};
const change = (job: Job, id: string, patch: object): Job => ({
  ...job,
  components: job.components.map((c) => (c.id === id ? { ...c, ...patch } : c)),
});

describe('both sides of a section', () => {
  const layout = layoutOf(programme, 'section-1');
  const [front, back] = [drawLayout(layout, 'front'), drawLayout(layout, 'back')];
  const pages = ({ pieces }: LayoutDrawing) => pieces.flatMap((piece) => piece.pages);

  it('carries 3 to 34 of the 36 pages, the four-page section 1, 2, 35 and 36 (handbook chapter 4)', () => {
    const numbers = (id: string): number[] => {
      const one = layoutOf(programme, id);
      return [...pages(drawLayout(one, 'front')), ...pages(drawLayout(one, 'back'))].map(({ page }) => page);
    };
    expect(numbers('section-1').sort((a, b) => a - b)).toEqual(Array.from({ length: 32 }, (_, i) => i + 3));
    expect([...new Set(numbers('section-2'))].sort((a, b) => a - b)).toEqual([1, 2, 35, 36]);
  });

  it('backs up page on page, to a thousandth of a millimetre (identity)', () => {
    const width = layout.component.sheet.widthMm;
    for (const page of pages(front)) {
      const behind = pages(back).find(({ page: n }) => n === (page.page % 2 === 1 ? page.page + 1 : page.page - 1));
      expect(behind && width - behind.x - behind.width).toBeCloseTo(page.x, 3);
      expect(behind?.y).toBeCloseTo(page.y, 3);
    }
  });

  it('moves inner sheets further: the outermost not at all, the innermost by eight calipers (handbook chapter 4)', () => {
    const creep = (n: number): number =>
      [...pages(front), ...pages(back)].find(({ page }) => page === n)?.creepMm ?? NaN;
    // 36 pages are nine sheets; page 18 lies on the ninth, k = 8, caliper 82.8 um
    expect(creep(18)).toBeCloseTo(8 * 0.0828, 9);
    expect(creep(3)).toBeCloseTo(0.0828, 9);
  });
});

describe('collating marks', () => {
  const gathered: Job = { ...programme, binding: { assembly: 'gathered' } };
  it('stand on the spine fold of each gathered section, a block lower than the one before', () => {
    const order = ['section-1', 'section-2'].map((id) => layoutOf(gathered, id));
    const tops = order.map((layout) => {
      const [piece] = drawLayout(layout, 'front').pieces;
      const first = piece?.pages.find(({ page }) => page === layout.section?.place.firstPage);
      if (!piece?.mark || !first) throw new Error('no mark');
      const { mark } = piece;
      // The distance from the head of the first page, along its spine.
      return {
        top: mark.y - first.y,
        bottom: first.y + first.height - mark.y - mark.height,
        left: mark.x - first.x,
        right: first.x + first.width - mark.x - mark.width,
      }[first.head];
    });
    const orders = order.map(({ section }) => section?.order ?? -1);
    expect(tops.map((top) => Math.round(top))).toEqual(orders.map((n) => n * 8));
    expect([...orders].sort()).toEqual([0, 1]);
  });
  it('are not printed in saddle work, nor on the inner side', () => {
    expect(drawLayout(layoutOf(programme, 'section-1'), 'front').pieces[0]?.mark).toBeUndefined();
    expect(drawLayout(layoutOf(gathered, 'section-1'), 'back').pieces[0]?.mark).toBeUndefined();
  });
});

describe('what a layout reports', () => {
  it('gives positions, bound, plate sets and page placement by side', () => {
    const report = reportLayout(layoutOf(programme, 'section-1'));
    expect(report).toMatchObject({ countUp: 1, bound: 1, workStyle: 'perfecting', plateSets: 2, outOfBought: 1 });
    expect(report.section?.front).toHaveLength(16);
    expect(reportLayout(layoutOf(example('trail-map'), 'map'))).toMatchObject({ countUp: 2, plateSets: 1 });
  });

  it('keeps to the arrangement and the scheme that the job asks for', () => {
    const cards = change(example('trail-map'), 'map', { widthMm: 148, heightMm: 105, workStyle: 'sheetwise' });
    const best = layoutOf(cards, 'map');
    const turned = layoutOf(change(cards, 'map', { lay: { arrangement: 'turned' } }), 'map');
    expect(turned.pattern.arrangement).toBe('turned');
    expect(turned.pattern.count).toBeLessThanOrEqual(best.pattern.count);
    const parallel = {
      ...programme,
      components: programme.components.map((c) =>
        c.id === 'section-2' ? { ...c, pages: 8, scheme: '8-parallel' } : c,
      ),
      pages: 40,
    };
    const section = layoutOf(parallel, 'section-2').section;
    expect([section?.columns, section?.rows]).toEqual([4, 1]);
    expect(section && pageRows(section.outer, 4, 1)[0]).toHaveLength(4);
  });

  it('buys larger sheets and rolls (identity)', () => {
    const figures = (bought: object) => planned(change(example('trail-map'), 'map', { bought })).figures;
    const large = figures({ kind: 'sheet', widthMm: 1020, heightMm: 1440, grain: 'width' });
    expect(large['component.map.out']?.value).toBe(2);
    expect(large['component.map.boughtSheets']?.value).toBe(2742);
    const roll = figures({ kind: 'roll', widthMm: 730 });
    // 5,484 sheets one across, 1,020 mm each, on a web of 730 mm and 115 g
    expect(roll['component.map.webM']?.value).toBeCloseTo(5484 * 1.02, 6);
    expect(roll['component.map.paperKg']?.value).toBeCloseTo((5484 * 1.02 * 0.73 * 115) / 1000, 6);
  });
});
