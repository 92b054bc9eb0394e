import { measureOf, measureSystem, sayInFull, sayMeasured } from './measure.js';

describe('measures as people read them', () => {
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
    expect(sayMeasured(value, unit, 'metric')).toBe(text);
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
    expect(sayMeasured(value, unit, 'inch-pound')).toBe(text);
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

  it('are told in full where a working is opened', () => {
    expect([sayInFull(105.8, 'um', 'inch-pound'), sayInFull(1395.61234, 'EUR', 'metric')]).toEqual([
      '4.17 thou',
      '1,395.6123 EUR',
    ]);
  });

  it('are metric where nothing is told, or what is no system', () => {
    expect([undefined, null, 'cubits', 'inch-pound'].map(measureSystem)).toEqual([
      ...['metric', 'metric', 'metric', 'inch-pound'],
    ]);
  });
});
