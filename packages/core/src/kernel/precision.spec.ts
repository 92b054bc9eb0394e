import { hoursText, kindOf, roundAs, sayQuantity } from './precision.js';

describe('figures as the workshop says them (hand values; common practice, no source)', () => {
  it.each([
    // A case maker sets boards and strips to half a millimetre.
    [18.4469, 'mm', 'cut', '18.5 mm'],
    [474.447, 'mm', 'cut', '474.5 mm'],
    [206, 'mm', 'cut', '206 mm'],
    [10.5808, 'mm', 'reckoned', '10.6 mm'],
    [0.0828, 'mm', 'reckoned', '0.08 mm'],
    [418.667, 'mm', 'reckoned', '418.5 mm'],
    [105.8, 'um', 'reckoned', '106 µm'],
    [3043.67, 'kg', 'reckoned', '3,044 kg'],
    [463.1567, 'kg', 'reckoned', '463 kg'],
    [27.463, 'kg', 'reckoned', '27.46 kg'],
    [0.03108, 'kg', 'reckoned', '0.031 kg'],
    [3.4567, 'g', 'reckoned', '3.46 g'],
    [412.37, 'kN', 'reckoned', '412 kN'],
    [12526.4, 'EUR', 'reckoned', '12,526 EUR'],
    [28.7939, 'EUR', 'reckoned', '28.79 EUR'],
    [4.2, 'EUR', 'reckoned', '4.20 EUR'],
    [0.089404, 'EUR', 'reckoned', '0.0894 EUR'],
    [9040.96, 'blanks/h', 'reckoned', '9,041 blanks/h'],
    [307.692, 'sheet', 'reckoned', '308 sheets'],
    [1, 'copies', 'reckoned', '1 copy'],
    [2, 'copies', 'reckoned', '2 copies'],
    [1, 'boxes', 'reckoned', '1 box'],
    [2, 'pass', 'reckoned', '2 passes'],
    [2, 'faulty', 'reckoned', '2 faulty'],
    [1, 'people', 'given', '1 person'],
    [3.25, 'EUR/m2', 'given', '3.25 EUR/m²'],
    [2, 'lines/cm', 'reckoned', '2 lines/cm'],
    // A part of a job, as somebody has called it.
    [2, 'card / envelope / tag', 'given', '2 card / envelope / tag'],
    [0.0123456, 'share', 'reckoned', '1.23 %'],
    // What somebody typed is said as typed.
    [0.00125, 'share', 'given', '0.125 %'],
    [1.15, 'g/m2', 'given', '1.15 g/m²'],
    [18.45, 'mm', 'given', '18.45 mm'],
    [0.25, 'h', 'given', '15 min'],
    [2.4167, 'h', 'reckoned', '2 h 25 min'],
  ] as const)('%d %s, %s: %s', (value, unit, kind, text) => {
    expect(sayQuantity(value, unit, kind)).toBe(text);
  });

  it.each([
    [0, '0 h'],
    [0.04, '2.4 min'],
    [1, '1 h'],
    [0.9999, '1 h'],
    [1.9999, '2 h'],
    [48.48, '48 h 29 min'],
    [-1.5, '-1 h 30 min'],
  ])('%d hours are %s', (hours, text) => {
    expect(hoursText(hours)).toBe(text);
  });

  it('never lets what the division leaves decide a half, and keeps signs', () => {
    expect(roundAs(18.25, 'mm', 'cut')).toBe(18.5);
    expect(roundAs(-18.25, 'mm', 'cut')).toBe(-18.5);
    expect(roundAs(0.615, 'EUR')).toBe(0.615);
    expect(roundAs(1.005, 'EUR')).toBe(1.01);
    expect(roundAs(NaN, 'mm')).toBeNaN();
  });

  it('knows what is cut by its id, and what is given by where it comes from', () => {
    const source = { label: 'identity' } as const;
    expect(kindOf({ id: 'station.case.strip', formula: 'a', source })).toBe('cut');
    expect(kindOf({ id: 'norm.case.square', source: { label: 'practice' } })).toBe('given');
    expect(kindOf({ id: 'station.pallet.load', source })).toBe('reckoned');
    const strip = { id: 'station.case.strip', formula: 'thick + 2 * board', source, value: 18.4469, unit: 'mm' };
    expect(sayQuantity(strip.value, strip.unit, kindOf(strip))).toBe('18.5 mm');
  });
});
