import { example, planned } from '../plan/examples.fixture.js';
import { numberPlanOf } from '../prepress/number-plan.js';
import { withGang } from '../families/gang-job.js';
import { blanksOf, mixedInks, numberedParts, withBlank, withMix, withNumbering } from './take-in.js';

const caddy = example('tea-caddy');
const cards = example('constellation-cards');

describe('what a bench found, taken into a job', () => {
  it('gives a blank another shape, and more of the larger fit no sheet', () => {
    expect(blanksOf(caddy).map(({ id }) => id)).toEqual(['carton']);
    expect(blanksOf(cards)).toEqual([]);
    const die = { kind: 'structure', structure: 'reverse-tuck', depthMm: 260, flapMm: 15 } as const;
    const other = withBlank(caddy, 'carton', { die, widthMm: 120, heightMm: 90 });
    expect(planned(other).totals.paperKg).toBeGreaterThan(planned(caddy).totals.paperKg);
    expect(withBlank(other, 'carton', caddy.components[0] as never).components).toEqual(caddy.components);
    expect(withBlank(caddy, 'nothing', { die, widthMm: 1, heightMm: 1 })).toEqual(caddy);
  });

  it('tells how an ink is mixed, whether the job has told of it or only prints it', () => {
    expect(mixedInks(cards).map(({ id }) => id)).toEqual(['Night blue']);
    expect(mixedInks(caddy)).toEqual([]);
    const mix = {
      recipe: [
        { ink: 'Warm red', parts: 60 },
        { ink: 'Black', parts: 40 },
      ],
      rests: [{ name: 'last run', kg: 0.2 }],
      aim: { l: 30, a: 20, b: 10 },
      tolerance: 2,
    };
    const told = withMix(cards, 'Night blue', mix);
    expect(told.inks?.find(({ name }) => name === 'Night blue')).toMatchObject({ kind: 'mixed', ...mix });
    expect(told.inks?.length).toBe(cards.inks?.length);
    const copper = {
      ...caddy,
      components: caddy.components.map((one) => ({ ...one, front: [...one.front, { name: 'Copper' }] })),
    };
    expect(mixedInks(copper)).toEqual([{ id: 'Copper', name: 'Copper' }]);
    expect(withMix(copper, 'Copper', mix).inks).toEqual([{ name: 'Copper', kind: 'mixed', ...mix }]);
  });

  it('sets numbering boxes, and nothing else of the component', () => {
    const tickets = example('season-tickets');
    const [part] = numberedParts(tickets);
    expect(numberedParts(caddy)).toEqual([]);
    const other = withNumbering(tickets, part?.id ?? '', { start: 700, step: 2, digits: 8, prefix: 'GF' });
    expect(numberPlanOf(other)).toMatchObject({ first: 700, step: 2, digits: 8, prefix: 'GF' });
    expect(planned(other).totals.pressSheets).toEqual(planned(tickets).totals.pressSheets);
  });

  it('puts other items on the forms of a gang; number, customer and date stay', () => {
    const gang = example('garden-cards');
    const item = { id: 'item-1', name: 'Fern card', widthMm: 148, heightMm: 105, quantity: 900, mayTurn: true };
    const other = withGang(gang, 3, [item], {
      forms: [{ counts: [9], sheets: 100, pieces: [] }],
      cost: 1,
      sheets: 100,
      overruns: [0],
      bound: 1,
      gap: 0,
      alone: 1,
    });
    expect([other.number, other.customer, other.due]).toEqual([gang.number, gang.customer, gang.due]);
    expect(other.order.quantity).toBe(900);
    expect(other.items).toEqual([item]);
    expect(Object.values(planned(other).totals.pressSheets)[0]).toBeGreaterThanOrEqual(100);
    expect(withGang({ ...gang, components: [] }, 3, [item], {} as never)).toEqual({ ...gang, components: [] });
  });
});
