import { count, percent, quantity, unitText } from './format';

describe('numbers as the trade writes them', () => {
  it.each([
    [5484, 'sheets', '5,484 sheets'],
    [1, 'sheets', '1 sheet'],
    [1, 'copy', '1 copy'],
    [10_000, 'map', '10,000 maps'],
    [3012, 'copy', '3,012 copies'],
    [0.015, 'share', '1.5 %'],
    [463.1567, 'kg', '463.16 kg'],
    [1395.6, 'EUR', '1,396 EUR'],
    [105.8, 'um', '105.8 µm'],
    [12_968.3, 'sheets/h', '12,968 sheets/h'],
    [14, 'EUR/plate', '14 EUR/plate'],
  ])('%d %s is %s', (value, unit, text) => {
    expect(quantity(value, unit)).toBe(text);
  });

  it('keeps tiny shares', () => {
    expect(percent(0.00125)).toBe('0.125 %');
    expect(count(1_234_567.891, 1)).toBe('1,234,567.9');
    expect(unitText('people', 1)).toBe('people');
  });
});
