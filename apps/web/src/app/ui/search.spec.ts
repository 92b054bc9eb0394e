import { holdsWords } from './search';

it.each([
  ['', true],
  ['  ', true],
  ['silk 115', true],
  ['115 SILK', true],
  ['silk 90', false],
])('“Silk coated 115 g” holds %j: %s', (search, holds) => {
  expect(holdsWords(search)('Silk coated 115 g')).toBe(holds);
});
