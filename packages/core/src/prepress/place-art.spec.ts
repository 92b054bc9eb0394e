import type { ToneProfile } from '../press/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import type { ComponentLayout } from '../press-sheet/component-layout.js';
import { example } from '../plan/examples.fixture.js';
import type { Component } from '../job/component.js';
import type { Job } from '../job/job.js';
import { plan } from '../plan/plan.js';
import { overLimitCm2, placeArt, separationInk } from './place-art.js';

const layoutOf = (job: Job, change: Partial<Component> = {}): ComponentLayout => {
  const outcome = plan({ ...job, components: job.components.map((c) => ({ ...c, ...change })) }, SHIPPED_WORKS);
  const layout = outcome.ok ? Object.values(outcome.value.layouts)[0] : undefined;
  if (!layout) throw new Error('not planned');
  return layout;
};
const cards = example('constellation-cards');
const map = example('trail-map');

/** An artwork with one separation: a ramp from the left, or the same from the top. */
const BINS = 200;
const ramp = Array.from({ length: BINS }, (_, i) => (i + 0.5) / BINS);
const flat = (tone: number): number[] => Array.from({ length: BINS }, () => tone);
const art = (columns: number[], rows: number[], mean: number): ToneProfile => ({
  channels: ['K'],
  columns: [columns],
  rows: [rows],
  means: [mean],
  highestTotal: 1,
  overLimit: 0,
});
const tint = (tone: number): ToneProfile => art(flat(tone), flat(tone), tone);

describe('an artwork on its plate', () => {
  const layout = layoutOf(cards);

  it('lies at every up, turned as the piece is', () => {
    const placed = placeArt(layout, 'front', 'piece');
    // Counted on the drawing: 2 x 4 and 7 x 3 upright, 5 x 2 turned.
    expect(placed).toHaveLength(39);
    expect(placed.filter(({ quarters }) => quarters === 0)).toHaveLength(29);
    expect(placed.filter(({ quarters }) => quarters === 1)).toHaveLength(10);
    // 105 x 148 mm with 3 mm of bleed all round
    expect(
      placed.every(({ widthMm, heightMm }) => Math.min(widthMm, heightMm) === 111 && widthMm + heightMm === 265),
    ).toBe(true);
  });

  it('mirrors on the back of the sheet, and turns the other way there (identity)', () => {
    const [front, back] = (['front', 'back'] as const).map((side) => placeArt(layout, side, 'piece'));
    front?.forEach(({ xMm, widthMm, quarters }, i) => {
      expect(back?.[i]?.xMm).toBeCloseTo(layout.sheet.widthMm - xMm - widthMm, 9);
      expect(back?.[i]?.quarters).toBe((4 - quarters) % 4);
    });
  });

  it('gives each half of a work-and-turn form its own side, and backs a tumbled form up head to foot', () => {
    const turned = layoutOf(map);
    const half = turned.sheet.widthMm / 2;
    const [front, back] = (['front', 'back'] as const).map((side) => placeArt(turned, side, 'piece'));
    expect(front?.length).toBe(back?.length);
    expect(front?.every(({ xMm, widthMm }) => xMm + widthMm / 2 < half)).toBe(true);
    expect(back?.every(({ xMm, widthMm }) => xMm + widthMm / 2 > half)).toBe(true);
    const tumbled = layoutOf(map, { workStyle: 'work-and-tumble', widthMm: 300, heightMm: 200 });
    const [up, down] = (['front', 'back'] as const).map((side) => placeArt(tumbled, side, 'piece')[0]?.quarters ?? 0);
    expect(((down ?? 0) - (up ?? 0) + 4) % 4).toBe(2);
  });

  it('of a known tone gives its coverage to 0.1 % (identity)', () => {
    const { zones, coverage } = separationInk(layout, tint(0.4), 0, placeArt(layout, 'front', 'piece'));
    expect(zones).toHaveLength(32);
    const inked = (39 * 111 * 154 * 0.4) / 1e6;
    expect(coverage).toBeCloseTo(inked / layout.printedAreaM2, 12);
    const { widthMm, heightMm } = layout.sheet;
    const overZones = zones.reduce((sum, share) => sum + share * 32.5 * heightMm, 0) / 1e6;
    expect(Math.abs(overZones / inked - 1)).toBeLessThan(1e-3);
    // the whole sheet as one tint: every zone that lies on the sheet has the tone
    const whole = separationInk(layout, tint(0.4), 0, placeArt(layout, 'front', 'sheet')).zones;
    expect(whole.slice(1, -1).every((share) => Math.abs(share - 0.4) < 1e-9)).toBe(true);
    expect(whole[0]).toBeCloseTo((0.4 * (32.5 - (32 * 32.5 - widthMm) / 2)) / 32.5, 9);
  });

  it('shifts ink with the picture: a ramp across a whole sheet rises from zone to zone, mirrored on the back by its file', () => {
    const { zones } = separationInk(layout, art(ramp, flat(0.5), 0.5), 0, placeArt(layout, 'front', 'sheet'));
    const inner = zones.slice(1, -1);
    expect(inner.every((share, i) => i === 0 || share > (inner[i - 1] ?? 1))).toBe(true);
    expect(inner[15]).toBeCloseTo((17 * 32.5 - 32.5 / 2 - 10) / 1020, 3);
  });

  it('knows the area over the limit: the share of every piece (identity)', () => {
    const heavy = { ...tint(1), overLimit: 0.1 };
    expect(overLimitCm2(heavy, placeArt(layout, 'front', 'piece'))).toBeCloseTo(0.1 * 39 * 11.1 * 15.4, 9);
    expect(overLimitCm2(heavy, placeArt(layout, 'front', 'sheet'))).toBeCloseTo(0.1 * 102 * 72, 9);
  });

  it('gives no zones on a press without, but its coverage', () => {
    const digital = layoutOf(cards, {
      press: 'digital-cut-sheet',
      sheet: { widthMm: 450, heightMm: 320, grain: 'width' },
      unitsBefore: undefined,
      front: [{ name: 'K' }],
      back: [{ name: 'K' }],
    });
    const found = separationInk(digital, tint(0.25), 0, placeArt(digital, 'front', 'piece'));
    expect(found.zones).toEqual([]);
    expect(found.coverage).toBeGreaterThan(0.2);
  });
});
