import { count, percent, readNumber, sizeText, unitText } from './format';

describe('numbers as the trade writes them', () => {
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
