import { wholeOf } from './digits';

it.each([
  ['250', 250],
  ['12,500', 12_500],
  ['12.500', 12_500],
  ["1'250'000", 1_250_000],
  ['12 500', 12_500],
  ['١٢٥٠', 1_250],
  ['२५०', 250],
  ['０７', 7],
])('%s is a whole number in its language', (text, value) => {
  expect(wholeOf(text)).toBe(value);
});

it.each(['', '1.5', '12,50', '1,250.000', '-3', 'ten', '1234567890', '1e5'])('%s is none', (text) => {
  expect(wholeOf(text)).toBeUndefined();
});
