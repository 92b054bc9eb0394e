import { SHIPPED_WORKS, normCatalogue } from '@druckerei/core';
import { normUnit, normValue, readNorm, typedNorm } from './norm-text';

function norm(id: string) {
  const found = normCatalogue(SHIPPED_WORKS).get(id);
  if (!found) throw new Error(`no norm ${id}`);
  return found;
}

describe('norms in words', () => {
  it('shows shares as per cent and reads them back without noise', () => {
    const running = norm('spoil.fold.running');
    expect(normValue(running, 0.011, 'metric')).toBe('1.1');
    expect(readNorm(running, '1.1 %', 'metric')).toBe(0.011);
    expect(normUnit(running, 'metric')).toBe('%');
  });

  it('reads thousands and refuses words', () => {
    const setup = norm('spoil.fold.setup');
    expect(readNorm(setup, '1,200', 'metric')).toBe(1200);
    expect(readNorm(setup, 'some', 'metric')).toBeUndefined();
    expect(readNorm(setup, '', 'metric')).toBeUndefined();
  });

  it('speaks in the currency of the works and in the measures chosen', () => {
    expect(normUnit(norm('machine.coater.rate'), 'metric')).toBe('EUR/h');
    const belt = norm('machine.buckle-folder.beltSpeed');
    expect([normValue(belt, 150, 'inch-pound'), normUnit(belt, 'inch-pound')]).toEqual(['492', 'ft/min']);
    expect(readNorm(belt, '500', 'inch-pound')).toBe(152.4); // 500 x 0.3048
  });
});

describe('a norm as it is typed', () => {
  it.each([
    ['machine.coater.speed', '9,000', 9000, ''],
    ['machine.coater.speed', 'fast', NaN, 'Speed: “fast” is no number; write it like 1,200 or 0.5'],
    ['spoil.fold.running', '120', 1.2, 'Speed goes from 0 to below 100 %'],
  ])('%s, “%s”', (id, text, value, wrong) => {
    expect(typedNorm(norm(id), text, 'metric', 'Speed')).toEqual({ value, wrong });
  });
});
