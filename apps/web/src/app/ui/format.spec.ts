import { measureOf } from './measure';
import { count, percent, quantity, readNumber, sizeText, unitText } from './format';

describe('numbers as the trade writes them', () => {
  it.each([
    [5484, 'sheets', '5,484 sheets'],
    [1, 'sheets', '1 sheet'],
    [1, 'copy', '1 copy'],
    [10_000, 'map', '10,000 maps'],
    [3012, 'copy', '3,012 copies'],
    [0.015, 'share', '1.5 %'],
    [463.1567, 'kg', '463 kg'],
    [1395.6, 'EUR', '1,396 EUR'],
    [105.8, 'um', '106 µm'],
    [12_968.3, 'sheets/h', '12,968 sheets/h'],
    [14, 'EUR/plate', '14 EUR/plate'],
  ])('%d %s is %s', (value, unit, text) => {
    expect(quantity(value, unit, 'metric')).toBe(text);
  });

  it.each([
    [1020, 'mm', '40.157 in'],
    [210, 'mm', '8.268 in'],
    [105.8, 'um', '4.17 thou'],
    [463.1567, 'kg', '1,021.09 lb'],
    [150, 'm/min', '492 ft/min'],
    [1.15, 'EUR/kg', '0.52 EUR/lb'],
    [115, 'g/m2', '115 g/m²'],
    [5484, 'sheets', '5,484 sheets'],
  ])('%d %s is %s to who reads inches and pounds', (value, unit, text) => {
    expect(quantity(value, unit, 'inch-pound')).toBe(text);
  });

  it('stores what is typed in inches and pounds as metric, and shows it again as typed', () => {
    for (const [unit, typed] of [
      ['mm', 8.5],
      ['um', 4.2],
      ['kg', 1000],
      ['m', 1.5],
      ['EUR/kg', 0.52],
    ] as const) {
      const { show, store } = measureOf(unit, 'inch-pound');
      expect([unit, show(store(typed))]).toEqual([unit, typed]);
    }
    expect(measureOf('mm', 'inch-pound').store(8.5)).toBe(215.9); // exact: 8.5 x 25.4
  });

  it('keeps tiny shares', () => {
    expect(percent(0.00125)).toBe('0.125 %');
    expect(count(1_234_567.891, 1)).toBe('1,234,567.9');
    expect(unitText('people', 1)).toBe('people');
  });
});

describe('numbers as people type them', () => {
  it.each([
    ['1,200', 1200],
    [' 12 000 ', 12_000],
    ['0.5 %', 0.5],
    ['-3', -3],
    ['', undefined],
    ['1.2.3', undefined],
    ['ten', undefined],
  ])('%j is %p', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });
});

it.each([
  [12, '1 kB'],
  [54_321, '54 kB'],
  [2_340_000, '2.3 MB'],
])('a file of %d bytes has %s', (bytes, text) => {
  expect(sizeText(bytes)).toBe(text);
});
