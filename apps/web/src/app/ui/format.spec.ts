import { count, percent, readNumber, sizeText, unitText } from './format';

describe('numbers as the trade writes them', () => {
  it('keeps tiny shares', () => {
    expect(percent(0.00125)).toBe('0.125 %');
    expect(count(1_234_567.891, 1)).toBe('1,234,567.9');
    expect([unitText('people', 1), unitText('people', 2)]).toEqual(['person', 'people']);
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

describe('numbers of a page in German', () => {
  beforeAll(() => Object.defineProperty($localize, 'locale', { value: 'de', configurable: true }));
  afterAll(() => Object.defineProperty($localize, 'locale', { value: undefined, configurable: true }));

  it.each([
    ['1.200', 1200],
    ['1.200.000', 1_200_000],
    ['1.200,5', 1200.5],
    ['0,5 %', 0.5],
    ['12 000', 12_000],
    ['1.5', 1.5],
    ['0.125', 0.125],
    ['-3,25', -3.25],
    ['1,2,3', undefined],
  ])('%j is %p', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  it.each([0, 0.125, 12, 1200, 12_345.678, 1_234_567])('%d is read as it is written', (value) => {
    expect(readNumber(count(value, 3))).toBe(value);
  });
});
