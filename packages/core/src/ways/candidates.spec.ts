import fc from 'fast-check';
import { example, planned } from '../plan/examples.fixture.js';
import type { Job } from '../job/index.js';
import { plan } from '../plan/index.js';
import { SHIPPED_WORKS, type Stock, type Works } from '../works/index.js';
import { choose, targetComponents, withWay } from './apply-way.js';
import { likeStocks, listChoices } from './candidates.js';
import { laneOf } from './lane.js';
import { RefusalBook } from './refusals.js';

const map = example('trail-map');
const programme = example('concert-programme');
const component = map.components[0];
const stock = SHIPPED_WORKS.stocks.find(({ id }) => id === 'silk-115');
if (!component || !stock) throw new Error('the shipped works has changed');

const worksWith = (sheets: Stock['sheets'], rollWidthsMm: readonly number[] = []): Works => ({
  ...SHIPPED_WORKS,
  stocks: [{ ...stock, sheets, rollWidthsMm }],
});
const choices = (works: Works, press: string) =>
  listChoices(component, works, 5).filter((choice) => choice.press === press && choice.workStyle === 'sheetwise');

describe('press sheets that a press is offered', () => {
  it('is the bought sheet where it fits, the longer side across', () => {
    const [only] = choices(worksWith([{ widthMm: 720, heightMm: 1020, grain: 'height' }]), 'b1-perfector');
    expect(only).toMatchObject({ sheet: { widthMm: 1020, heightMm: 720, grain: 'width' } });
    expect(only?.bought).toBeUndefined();
  });

  it('is cut no further than it need be where it does not fit, with its grain', () => {
    const found = choices(worksWith([{ widthMm: 720, heightMm: 1020, grain: 'height' }]), 'b2-four');
    // 1,020 halved is 510: 720 x 510 goes into 740 x 520; the grain along the 1,020 now lies along the 510
    expect(found.map(({ sheet }) => sheet)).toEqual([{ widthMm: 720, heightMm: 510, grain: 'height' }]);
    expect(found[0]?.bought).toMatchObject({ kind: 'sheet', widthMm: 720, heightMm: 1020 });
  });

  it('is offered whole where no cut makes it fit, so that the press says why', () => {
    const found = choices(worksWith([{ widthMm: 5000, heightMm: 5000, grain: 'width' }]), 'b2-four');
    expect(found).toHaveLength(1);
  });

  it('comes off a roll with the grain along the web', () => {
    const found = choices(worksWith([], [1030]), 'b1-perfector').map(({ sheet }) => sheet);
    // 1,020 usable: one lane of 1,020 across with the press's 720 cut off, or two of 510 with 1,020 cut off
    expect(found).toEqual([
      { widthMm: 1020, heightMm: 510, grain: 'width' },
      { widthMm: 1020, heightMm: 720, grain: 'height' },
    ]);
  });

  it('prints one side on its own, and both at once where there are no plates', () => {
    const single = listChoices({ ...component, back: [] }, SHIPPED_WORKS, 5);
    expect(new Set(single.map(({ workStyle }) => workStyle))).toEqual(new Set(['single']));
    const digital = listChoices(component, SHIPPED_WORKS, 5).filter(({ press }) => press === 'digital-cut-sheet');
    expect(new Set(digital.map(({ workStyle }) => workStyle))).toEqual(new Set(['perfecting']));
  });

  it('stays with stocks of the same kind', () => {
    expect(likeStocks(SHIPPED_WORKS, stock).map(({ id }) => id)).toEqual(['silk-115']);
  });
});

describe('a way applied', () => {
  const choice = {
    press: 'b2-four',
    stock: 'silk-115',
    sheet: { widthMm: 720, heightMm: 510, grain: 'height' },
    bought: { kind: 'sheet', widthMm: 720, heightMm: 1020, grain: 'height' },
    workStyle: 'sheetwise',
  } as const;

  it('sets press, paper, style and passes, and nothing of the rest', () => {
    const job = withWay(map, { kind: 'component', id: 'map' }, choice, SHIPPED_WORKS);
    expect(job.components[0]).toMatchObject({ press: 'b2-four', workStyle: 'sheetwise', bought: { kind: 'sheet' } });
    expect(job.route.map(({ id }) => id)).toEqual(map.route.map(({ id }) => id));
    expect(job.order).toEqual(map.order);
    expect(map.components[0]?.press).toBe('b1-perfector');
  });

  it('drops an arrangement that was chosen for another sheet, and keeps bleeds and gutters', () => {
    const chosen = choose({ ...component, lay: { arrangement: 'turned', gutterMm: 5 } }, choice);
    expect(chosen.lay).toEqual({ gutterMm: 5 });
    expect(
      choose({ ...component, bought: { kind: 'roll', widthMm: 730 } }, { ...choice, bought: undefined }).bought,
    ).toBeUndefined();
  });

  it('splits the text anew: sections, lanes and what the stitcher takes', () => {
    const sheet = { widthMm: 1020, heightMm: 720, grain: 'width' } as const;
    const split = (sections: readonly number[]): Job =>
      withWay(
        programme,
        { kind: 'text' },
        { press: 'b1-perfector', stock: 'silk-90', sheet, workStyle: 'perfecting', sections },
        SHIPPED_WORKS,
      );
    const job = split([16, 16, 4]);
    expect(targetComponents(job, { kind: 'text' }).map(({ pages }) => pages)).toEqual([16, 16, 4]);
    const stitch = job.route.find(({ operation }) => operation === 'stitch');
    expect(stitch?.from?.map(({ material }) => material)).toEqual(
      expect.arrayContaining(['fold-section-1', 'fold-section-2', 'fold-section-3']),
    );
    // 16 pages of A5 lie twice on the sheet, so each is cut apart before it is folded.
    expect(job.route.some(({ id }) => id === 'cut-section-1')).toBe(true);
    expect(planned(job).schools.step['section-1']).toBeGreaterThan(3118 / 2);
    fc.assert(
      fc.property(fc.constantFrom([32, 4], [16, 16, 4], [12, 12, 12], [8, 8, 8, 8, 4]), (sections) => {
        const outcome = plan(split(sections), SHIPPED_WORKS);
        expect(outcome.ok ? [] : outcome.issues.map(({ code }) => code)).toEqual([]);
      }),
      { numRuns: 8 },
    );
  });
});

describe('lanes', () => {
  it('run from paper to where the parts join', () => {
    expect(laneOf(programme, 'cover')?.steps.map(({ operation }) => operation)).toEqual([
      'print',
      'dry',
      'coat',
      'cut',
    ]);
    expect(laneOf(map, 'map')?.end).toBe('fold');
    expect(laneOf(map, 'nobody')).toBeUndefined();
  });
  it('are none where a step takes two of a thing or its material goes two ways', () => {
    const twice = {
      ...map,
      route: map.route.map((step) => (step.id === 'fold' ? { ...step, from: [{ material: 'cut', usage: 2 }] } : step)),
    };
    expect(laneOf(twice, 'map')).toBeUndefined();
    const forked = {
      ...map,
      route: [...map.route, { id: 'more', operation: 'band' as const, from: [{ material: 'cut' }] }],
    };
    expect(laneOf(forked, 'map')).toBeUndefined();
  });
});

it('collects reasons, most frequent first, an example of each', () => {
  const book = new RefusalBook();
  const issue = (machine: string, width: number) => ({
    code: 'press.sheet-too-large' as const,
    severity: 'error' as const,
    path: '',
    params: { machine, width },
  });
  for (const one of [issue('A', 1), issue('B', 2), issue('B', 3)]) book.add(one);
  expect(book.list().map(({ issue: { params }, count }) => [params['machine'], params['width'], count])).toEqual([
    ['B', 2, 2],
    ['A', 1, 1],
  ]);
});
