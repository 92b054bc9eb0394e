import fc from 'fast-check';
import { boundsOf, clearance, isInside, selfCrossing, signedArea } from '../geometry/index.js';
import { lengthOf, measureDie } from './drawing.js';
import type { BlankRequest } from './blank-rows.js';
import { layBlanks } from './lay-blanks.js';
import { checkStructure } from './check-structure.js';
import { makeStructure } from './make-structure.js';
import { type StructureSize, STRUCTURES } from './structure.js';

const box: StructureSize = { lengthMm: 90, widthMm: 60, depthMm: 120, caliperMm: 0.5 };
const drawingOf = (id: (typeof STRUCTURES)[number], size = box, part = 0) => {
  const made = makeStructure(id, size).parts[part];
  if (!made) throw new Error(id);
  return made.drawing;
};
const sizeOf = (outline: Parameters<typeof boundsOf>[0]): [number, number] => {
  const { left, right, bottom, top } = boundsOf(outline);
  return [right - left, top - bottom];
};

describe.each(STRUCTURES)('%s', (id) => {
  it('is one closed outline that does not cross itself, with all lines and glue inside it', () => {
    for (const { drawing } of makeStructure(id, box).parts) {
      expect(selfCrossing(drawing.outline)).toBeUndefined();
      const { left, bottom, right, top } = boundsOf(drawing.outline);
      for (const { points } of drawing.lines) {
        expect(lengthOf(points)).toBeGreaterThan(0);
        for (const { x, y } of points) {
          expect(x >= left && x <= right && y >= bottom && y <= top).toBe(true);
        }
        const [a, b] = points;
        // The middle of every crease lies on the board.
        if (a && b)
          expect(isInside({ x: (a.x + b.x) / 2 + 1e-7, y: (a.y + b.y) / 2 + 1e-7 }, drawing.outline)).toBe(true);
      }
      const { glueMm2, areaMm2 } = measureDie(drawing);
      expect(glueMm2).toBeLessThan(areaMm2);
    }
  });

  it('says its outer size by its board', () => {
    const { outer, inner } = makeStructure(id, box);
    expect(outer[0] - inner[0]).toBeCloseTo(1, 9);
  });

  it('grows with its product', () => {
    const area = (size: StructureSize): number => Math.abs(signedArea(drawingOf(id, size).outline));
    expect(area({ ...box, depthMm: 150 })).toBeGreaterThan(area(box));
    expect(area({ ...box, lengthMm: 110 })).toBeGreaterThan(area(box));
  });
});

describe('structures against their own sums (identity)', () => {
  it('slotted case 400 x 300 x 250, t 4: blank 1,447 x 562 (handbook chapter 4)', () => {
    const size = { lengthMm: 400, widthMm: 300, depthMm: 250, caliperMm: 4 };
    const drawing = drawingOf('slotted-case', size);
    expect(sizeOf(drawing.outline)).toEqual([1447, 562]);
    const { areaMm2, ruleMm, glueMm2 } = measureDie(drawing);
    // joint flap: 258 high, its ends slanted by 17.5; panels 258 high; eight flaps 152 deep, 4 narrower than their panels
    const joint = 35 * (258 - 17.5);
    expect(glueMm2).toBeCloseTo(joint, 6);
    expect(areaMm2).toBeCloseTo(joint + 258 * 1412 + 2 * 152 * (1412 - 4 * 4), 6);
    // upright creases: four of 258; flap creases: each flap's own width, above and below
    expect(ruleMm.crease).toBeCloseTo(4 * 258 + 2 * (1412 - 4 * 4), 6);
  });

  it('sleeve: four panels and a flap, creases at each', () => {
    const { areaMm2, ruleMm } = measureDie(drawingOf('sleeve'));
    // 90.5 + 60.5 + 90.5 + 60 = 301.5 by 120, flap 15 with ends slanted by 7.5
    expect(areaMm2).toBeCloseTo(301.5 * 120 + 15 * (120 - 7.5), 6);
    expect(ruleMm.crease).toBeCloseTo(4 * 120, 6);
  });

  it('tray: base, four walls and four tabs', () => {
    const { areaMm2, ruleMm } = measureDie(drawingOf('tray'));
    const [l, w, wall] = [91, 61, 120.5];
    expect(sizeOf(drawingOf('tray').outline)).toEqual([l + 2 * wall, w + 2 * wall]);
    expect(areaMm2).toBeCloseTo(l * w + 2 * l * wall + 2 * w * wall + 4 * 25 * (wall - 1.5), 6);
    expect(ruleMm.crease).toBeCloseTo(2 * (l + w) + 4 * wall, 6);
  });

  it('straight and reverse tuck differ in where the lower tuck hangs, not in board', () => {
    const [straight, reverse] = [drawingOf('straight-tuck'), drawingOf('reverse-tuck')];
    expect(measureDie(straight).areaMm2).toBeCloseTo(measureDie(reverse).areaMm2, 6);
    const lowest = (outline: typeof straight.outline): number =>
      Math.min(...outline.filter(({ y }) => y === 0).map(({ x }) => x));
    expect(lowest(straight.outline)).toBeGreaterThan(lowest(reverse.outline));
  });

  it('two pieces: the lid goes over the base', () => {
    const { parts } = makeStructure('two-piece', box);
    expect(parts.map(({ part }) => part)).toEqual(['base', 'lid']);
    // inside of the lid: its base less a fold on each side, against the outside of the base
    expect(91 + 2 * (0.5 + 0.5) + 2 - 2 * 0.5).toBeGreaterThan(91 + 2 * 0.5);
  });
});

describe('structures that cannot be', () => {
  it.each<[string, Partial<StructureSize>]>([
    ['die.measure x.lengthMm', { lengthMm: 0 }],
    ['die.measure x.depthMm', { depthMm: Number.NaN }],
    ['die.measure x.caliperMm', { caliperMm: -1 }],
    ['die.measure x.widthMm', { widthMm: 6000 }],
    ['die.width-over-length x.widthMm', { widthMm: 100 }],
    ['die.tuck-over-depth x.depthMm', { depthMm: 12 }],
    ['die.flap-too-wide x.flapMm', { flapMm: 91 }],
  ])('%s', (wanted, change) => {
    expect(
      checkStructure('straight-tuck', { ...box, ...change }, 'x').map(({ code, path }) => `${code} ${path}`),
    ).toEqual([wanted]);
  });
  it('lets a packet be wider than long', () => {
    expect(checkStructure('packet', { ...box, widthMm: 95 }, 'x')).toEqual([]);
  });
});

describe('blanks on the sheet', () => {
  const ell = [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 40 },
    { x: 40, y: 40 },
    { x: 40, y: 100 },
    { x: 0, y: 100 },
  ];
  const request: BlankRequest = { outline: ell, widthMm: 600, heightMm: 400, gapMm: 4, turns: 'either' };

  it('interlocks angles: more than straight rows hold, by their own shape', () => {
    const { proposals, bound } = layBlanks(request);
    const count = Object.fromEntries(proposals.map((layout) => [layout.arrangement, layout.count]));
    // straight: floor(604 / 104) x floor(404 / 104) = 5 x 3
    expect(count['straight']).toBe(15);
    // 15 angles of 100 x 40 + 40 x 60 mm on 600 x 400
    expect(proposals.find(({ arrangement }) => arrangement === 'straight')?.usedShare).toBeCloseTo(
      (15 * 6400) / 240_000,
      12,
    );
    expect(proposals[0]?.count).toBeGreaterThan(15);
    expect(proposals[0]?.count).toBeLessThanOrEqual(bound);
  });

  it('keeps the gap between all outlines and inside the area, whatever the shape (independent check)', () => {
    const part = fc.integer({ min: 20, max: 120 });
    fc.assert(
      fc.property(part, part, part, part, fc.constantFrom(0, 3, 6), (w, h, cutW, cutH, gapMm) => {
        const outline = [
          { x: 0, y: 0 },
          { x: w + cutW, y: 0 },
          { x: w + cutW, y: h },
          { x: w, y: h + cutH },
          { x: 0, y: h + cutH },
        ];
        const { proposals, bound } = layBlanks({ ...request, outline, gapMm });
        for (const { blanks, count } of proposals) {
          expect(blanks).toHaveLength(count);
          expect(count).toBeLessThanOrEqual(bound);
          blanks.forEach((blank, i) => {
            const b = boundsOf(blank.outline);
            expect(Math.min(b.left, b.bottom, 600 - b.right, 400 - b.top)).toBeGreaterThan(-1e-5);
            for (const other of blanks.slice(i + 1)) {
              const o = boundsOf(other.outline);
              const near =
                o.left < b.right + gapMm &&
                b.left < o.right + gapMm &&
                o.bottom < b.top + gapMm &&
                b.bottom < o.top + gapMm;
              if (near && gapMm > 0) expect(clearance(blank.outline, other.outline)).toBeGreaterThan(gapMm - 1e-5);
            }
          });
        }
        const count = (name: string): number =>
          proposals.find(({ arrangement }) => arrangement === name)?.count ?? Infinity;
        expect(count('head-to-tail')).toBeGreaterThanOrEqual(count('straight'));
      }),
      { numRuns: 25 },
    );
  });

  it('keeps the grain', () => {
    for (const { blanks } of layBlanks({ ...request, turns: 'upright' }).proposals)
      for (const { quarters } of blanks) expect(quarters % 2).toBe(0);
    for (const { blanks } of layBlanks({ ...request, turns: 'turned' }).proposals)
      for (const { quarters } of blanks) expect(quarters % 2).toBe(1);
  });

  it('says none where nothing fits', () => {
    expect(layBlanks({ ...request, widthMm: 50 }).proposals[0]?.count).toBe(0);
  });
});
