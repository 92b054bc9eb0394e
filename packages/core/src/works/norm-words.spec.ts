import { normCatalogue } from '../norms/norm-catalogue.js';
import { limitsInWords, normInWords } from '../norms/norm-words.js';
import { SHIPPED_WORKS } from './shipped-works.js';

describe('norms in words', () => {
  it.each([
    ['spoil.fold.running', 0.011, '1.1 %', 'from 0 to below 100 %'],
    ['spoil.fold.setup', 1200, '1,200 units', 'from 0 to 1,000,000 units, whole'],
    ['machine.coater.speed', 9000, '9,000 sheets/h', 'above 0 to 1,000,000 sheets/h'],
    ['machine.coater.rate', 55, '55 EUR/h', 'from 0 to 100,000 EUR/h'],
  ])('%s', (id, value, text, limits) => {
    const norm = normCatalogue(SHIPPED_WORKS).get(id);
    if (!norm) throw new Error(`no norm ${id}`);
    expect([normInWords(norm, value), limitsInWords(norm)]).toEqual([text, limits]);
  });
});
