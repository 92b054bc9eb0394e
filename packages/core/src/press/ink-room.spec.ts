import fc from 'fast-check';
import { distortionPercent, engravingHours } from './engraving.js';
import { orderBreaks, orderInks } from './ink-order.js';
import { passesFor, placeInks } from './ink-units.js';
import { ToneCounter } from './tone-counter.js';
import { type ToneProfile, zoneCoverages } from './zones.js';

const PROCESS = ['Y', 'K', 'M', 'C'].map((name) => ({ name, kind: 'process' as const }));
const names = (inks: readonly { name: string }[]): string => inks.map(({ name }) => name).join(' ');

describe('carriers in figures', () => {
  it('engraves a cylinder of 130 x 80 cm at 60 lines in 1.3 h (handbook chapter 4, worked example)', () => {
    expect(engravingHours(1300, 800, 60, 8000, 1)).toBeCloseTo(1.3, 6);
    expect(engravingHours(1300, 800, 60, 8000, 2)).toBeCloseTo(0.65, 6);
  });

  it('shortens a flat flexo plate by 2.388 % (handbook chapter 4, worked example)', () => {
    expect(distortionPercent(1.7, 0.18, 400)).toBeCloseTo(2.388, 3);
  });
});

describe('order of inks (handbook chapter 5)', () => {
  it.each([
    ['black-first', 'offset', 'K C M Y'],
    ['black-last', 'offset', 'C M Y K'],
    ['black-magenta', 'offset', 'K M C Y'],
    ['black-first', 'gravure', 'C M Y K'],
  ] as const)('%s, %s: %s', (school, process, wanted) => {
    expect(names(orderInks(PROCESS, school, process))).toBe(wanted);
  });

  it('lays grounds, whites and metallics under, mixed colours after the set, varnish over all', () => {
    const inks = [
      { name: 'Gloss', kind: 'varnish' as const },
      ...PROCESS,
      { name: 'Moss', kind: 'mixed' as const },
      { name: 'Silver', kind: 'metallic' as const },
      { name: 'White', kind: 'white' as const },
    ];
    const ordered = orderInks(inks, 'black-first', 'offset');
    expect(names(ordered)).toBe('White Silver K C M Y Moss Gloss');
    expect(ordered.map(({ rule }) => rule)).toEqual([
      'under-all',
      'under-all',
      'school',
      'school',
      'school',
      'school',
      'free-unit',
      'over-all',
    ]);
  });

  it('stands as it was set by hand', () => {
    const ordered = orderInks(PROCESS, 'black-first', 'offset', ['Y', 'M', 'C', 'K']);
    expect(names(ordered)).toBe('Y M C K');
    expect(ordered[0]?.rule).toBe('by-hand');
  });

  it('is told where it breaks the layers by hand, and not where the school or a mixed colour is free', () => {
    const [silver, gloss, moss] = [
      { name: 'Silver', kind: 'metallic' as const },
      { name: 'Gloss', kind: 'varnish' as const },
      { name: 'Moss', kind: 'mixed' as const },
    ];
    expect(orderBreaks([moss, ...PROCESS, gloss], 'offset')).toEqual([]);
    expect(orderBreaks([...PROCESS.slice(0, 1), silver], 'offset')).toEqual([{ ink: 'Y', before: 'Silver' }]);
    expect(orderBreaks([gloss, moss, silver], 'offset')).toEqual([
      { ink: 'Gloss', before: 'Moss' },
      { ink: 'Moss', before: 'Silver' },
    ]);
    // black closes the drawing in gravure
    expect(orderBreaks(PROCESS, 'gravure')).toEqual([{ ink: 'K', before: 'M' }]);
  });
});

describe('units', () => {
  it('keeps inks where they are, so that nothing is washed', () => {
    const before = ['Moss', 'K', 'C', 'M', 'Y'];
    expect(placeInks(['K', 'C', 'M', 'Y'], { first: 0, count: 6 }, before)).toEqual([1, 2, 3, 4]);
  });

  it('says when there are too few, and how the inks fall into passes', () => {
    expect(placeInks(['K', 'C', 'M', 'Y', 'Moss'], { first: 0, count: 4 }, [])).toBeUndefined();
    expect(passesFor(['K', 'C', 'M', 'Y', 'Moss'], 4)).toEqual([['K', 'C', 'M', 'Y'], ['Moss']]);
  });

  it('washes as few units as any order-keeping placing does (identity, by trying them all)', () => {
    const ink = fc.constantFrom('', 'K', 'C', 'M', 'Y');
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom('K', 'C', 'M', 'Y'), { minLength: 1 }),
        fc.array(ink, { minLength: 5, maxLength: 7 }),
        (inks, before) => {
          const washes = (places: readonly number[]): number =>
            places.filter((unit, i) => (before[unit] ?? '') !== '' && before[unit] !== inks[i]).length;
          let least = Infinity;
          for (let mask = 0; mask < 1 << before.length; mask++) {
            const places = before.flatMap((_, unit) => (mask & (1 << unit) ? [unit] : []));
            if (places.length === inks.length) least = Math.min(least, washes(places));
          }
          const places = placeInks(inks, { first: 0, count: before.length }, before);
          expect(places && washes(places)).toBe(least);
        },
      ),
    );
  });
});

/** A picture of four channels as words, from a rule by place. */
const picture = (width: number, height: number, tone: (x: number, y: number) => readonly number[]): Uint32Array => {
  const bytes = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) bytes.set(tone(x, y), (y * width + x) * 4);
  return new Uint32Array(bytes.buffer);
};

describe('tones', () => {
  it('are the plain means of columns, rows and the whole, whatever the picture (identity, by the plain loop)', () => {
    const [width, height, columns, rows] = [613, 37, 10, 5];
    const at = (x: number, y: number): readonly number[] => [x & 255, (x * 7 + y) & 255, (x ^ y) & 255, 255];
    const counter = new ToneCounter(width, height, columns, rows, 3);
    const words = picture(width, height, at);
    counter.addRows(words.subarray(0, width * 10), 10);
    counter.addRows(words.subarray(width * 10), height - 10);
    const profile = counter.profile();
    let [over, highest] = [0, 0];
    const sums = [0, 0, 0, 0];
    const firstColumn = [0, 0, 0, 0];
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const tone = at(x, y);
        const total = tone.reduce((a, b) => a + b, 0);
        if (total > 3 * 255) over += 1;
        highest = Math.max(highest, total);
        tone.forEach((value, c) => {
          sums[c] = (sums[c] ?? 0) + value;
          if (x < Math.round(width / columns)) firstColumn[c] = (firstColumn[c] ?? 0) + value;
        });
      }
    expect(counter.progress).toBe(1);
    profile.means.forEach((mean, c) => {
      expect(mean).toBeCloseTo((sums[c] ?? 0) / (width * height * 255), 12);
      expect(profile.columns[c]?.[0]).toBeCloseTo(
        (firstColumn[c] ?? 0) / (Math.round(width / columns) * height * 255),
        12,
      );
      const byRows = (profile.rows[c] ?? []).reduce((sum, row, i) => {
        const inRow = Math.ceil(((i + 1) * height) / rows) - Math.ceil((i * height) / rows);
        return sum + row * inRow;
      }, 0);
      expect(byRows / height).toBeCloseTo(mean, 12);
    });
    expect([profile.overLimit, profile.highestTotal]).toEqual([over / (width * height), highest / 255]);
  });
});

describe('zones', () => {
  const flat = (tone: number): ToneProfile => ({
    channels: ['C'],
    columns: [new Array<number>(100).fill(tone)],
    rows: [new Array<number>(70).fill(tone)],
    means: [tone],
    highestTotal: tone,
    overLimit: 0,
  });
  const zones = { count: 32, widthMm: 32.5 };

  it('of a plate of known tone show that tone to 0.1 % (identity)', () => {
    const found = zoneCoverages(
      flat(0.4),
      0,
      [{ xMm: 0, widthMm: 1040, heightMm: 720, quarters: 0 }],
      zones,
      1040,
      720,
    );
    expect(found).toHaveLength(32);
    for (const zone of found) expect(zone).toBeCloseTo(0.4, 9);
  });

  it('of a ramp rise from zone to zone as its means do (identity)', () => {
    const ramp = { ...flat(0), columns: [Array.from({ length: 1040 }, (_, i) => (i + 0.5) / 1040)] };
    const found = zoneCoverages(ramp, 0, [{ xMm: 0, widthMm: 1040, heightMm: 720, quarters: 0 }], zones, 1040, 720);
    found.forEach((zone, i) => expect(zone).toBeCloseTo((i + 0.5) / 32, 4));
    const turned = zoneCoverages(ramp, 0, [{ xMm: 0, widthMm: 1040, heightMm: 720, quarters: 2 }], zones, 1040, 720);
    expect(turned).toEqual([...found].reverse().map((zone) => expect.closeTo(zone, 9) as number));
  });

  it('of two ups add up to the ink of both, wherever they lie (identity)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), fc.constantFrom(0, 1, 2, 3), (x, quarters) => {
        const placed = [
          { xMm: x, widthMm: 200, heightMm: 300, quarters: quarters },
          { xMm: x + 210, widthMm: 200, heightMm: 300, quarters: 0 as const },
        ];
        const found = zoneCoverages(flat(0.5), 0, placed, zones, 1040, 720);
        const mm2 = found.reduce((sum, zone) => sum + zone * 32.5 * 720, 0);
        expect(mm2).toBeCloseTo(0.5 * 2 * 200 * 300, 4);
      }),
    );
  });
});
