import { type HouseInk, type HouseSupply, SHIPPED_WORKS, checkInk, checkSupply } from './index.js';

const BLUE: HouseInk = {
  id: 'night-blue',
  name: 'Night blue',
  kind: 'mixed',
  drying: 'oxidative',
  cleared: ['food'],
  filmGsm: 1.3,
  aim: { l: 24, a: 12, b: -40 },
  tolerance: 2,
  recipe: [
    { ink: 'Reflex', parts: 80 },
    { ink: 'Black', parts: 20 },
  ],
  accountable: true,
};
const COLD: HouseSupply = { id: 'cold', name: 'Dispersion 12', supply: 'glue', cleared: ['food', 'toy'] };
const faults = (change: object): string[] =>
  checkInk({ ...BLUE, ...change }).map(({ code, path }) => `${path}: ${code}`);

describe('inks and supplies as they are entered', () => {
  it('can be planned with, those that ship too', () => {
    expect(checkInk(BLUE)).toEqual([]);
    expect(checkSupply(COLD)).toEqual([]);
    expect((SHIPPED_WORKS.inks ?? []).flatMap(checkInk)).toEqual([]);
  });

  it.each<[string, object, string[]]>([
    ['no name', { name: ' ' }, ['name: works.field-missing']],
    ['another kind', { kind: 'sparkling' }, ['kind: works.field-choice']],
    ['a drying that there is not', { drying: 'wind' }, ['drying: works.field-choice']],
    ['no film at all', { filmGsm: 0 }, ['filmGsm: works.field-range']],
    ['more solids than ink', { solids: 1.2 }, ['solids: works.field-range']],
    ['a colour told by half', { aim: { l: 24, a: 12 } }, ['aim.b: works.field-missing']],
    ['a colour beyond what eyes see', { aim: { l: 124, a: 0, b: 0 } }, ['aim.l: works.field-range']],
    ['an empty recipe', { recipe: [] }, ['recipe: ink.recipe-empty']],
    ['a recipe of 90 parts', { recipe: [{ ink: 'Reflex', parts: 90 }] }, ['recipe: ink.recipe-sum']],
    ['a contact that is none', { cleared: ['rain'] }, ['cleared: works.field-choice']],
  ])('an ink with %s is refused, and where', (_, change, wanted) => {
    expect(faults(change)).toEqual(wanted);
  });

  it('a supply of no kind that stations use up is refused', () => {
    const wrong = { ...COLD, supply: 'honey', cleared: ['rain'] } as unknown as HouseSupply;
    expect(checkSupply(wrong).map(({ path }) => path)).toEqual(['supply', 'cleared']);
  });
});
