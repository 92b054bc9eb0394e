import { isoSize } from './sizes.js';
import { caliperUm, kgPerThousand } from './weight.js';

describe('sizes', () => {
  // standard: ISO 216 and ISO 217, as listed in handbook chapter 3
  it.each([
    ['A0', 841, 1189],
    ['A1', 594, 841],
    ['A2', 420, 594],
    ['A3', 297, 420],
    ['A4', 210, 297],
    ['A5', 148, 210],
    ['A6', 105, 148],
    ['B0', 1000, 1414],
    ['B1', 707, 1000],
    ['B2', 500, 707],
    ['B3', 353, 500],
    ['RA0', 860, 1220],
    ['RA1', 610, 860],
    ['RA2', 430, 610],
    ['SRA0', 900, 1280],
    ['SRA1', 640, 900],
    ['SRA2', 450, 640],
  ])('%s is %i x %i mm', (name, widthMm, heightMm) => {
    expect(isoSize(name)).toEqual({ widthMm, heightMm });
  });

  it('does not know other names', () => {
    expect(isoSize('A11')).toBeUndefined();
    expect(isoSize('toString')).toBeUndefined();
  });
});

describe('weight', () => {
  it('weighs sheets', () => {
    expect(kgPerThousand(720, 1020, 115)).toBeCloseTo(84.456, 9); // identity, handbook chapter 3
    expect(kgPerThousand(210, 297, 80)).toBeCloseTo(4.9896, 9); // identity, handbook chapter 3
  });

  it('derives caliper from bulk', () => {
    expect(caliperUm(90, 0.92)).toBeCloseTo(82.8, 9); // identity
  });
});
