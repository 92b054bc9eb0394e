import { SHIPPED_WORKS, normCatalogue } from '@druckerei/core';
import { normLimits, normUnit, normValue, readNorm } from './norm-text';

function norm(id: string) {
  const found = normCatalogue(SHIPPED_WORKS).get(id);
  if (!found) throw new Error(`no norm ${id}`);
  return found;
}

describe('norms in words', () => {
  it('shows shares as per cent and reads them back without noise', () => {
    const running = norm('spoil.fold.running');
    expect(normValue(running, 0.011)).toBe('1.1');
    expect(readNorm(running, '1.1 %')).toBe(0.011);
    expect(normUnit(running, 'EUR')).toBe('%');
    expect(normLimits(running)).toBe('from 0 to below 100 %');
  });

  it('reads thousands and refuses words', () => {
    const setup = norm('spoil.fold.setup');
    expect(readNorm(setup, '1,200')).toBe(1200);
    expect(readNorm(setup, 'some')).toBeUndefined();
    expect(readNorm(setup, '')).toBeUndefined();
    expect(normLimits(setup)).toBe('from 0 to 1,000,000, whole');
  });

  it('names the currency of the works', () => {
    expect(normUnit(norm('machine.coater.rate'), 'EUR')).toBe('EUR/h');
    expect(normLimits(norm('machine.coater.speed'))).toBe('above 0 to 1,000,000');
  });
});
