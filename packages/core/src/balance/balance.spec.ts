import { purchaseNeeds } from '../stores/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { answersOf } from '../families/families.fixture.js';
import { type AskedFamily, FAMILY_RULES, makeJob } from '../families/index.js';
import type { Job } from '../job/index.js';
import { COST_KINDS, costLines, costOfNext } from '../plan/index.js';
import { isWaste, materialBalance } from './balance.js';

const ASKED = Object.keys(FAMILY_RULES) as AskedFamily[];
const EXAMPLES = [
  'board-game-box',
  'concert-programme',
  'constellation-cards',
  'ferry-timetable',
  'gala-invitations',
  'garden-cards',
  'orchid-field-guide',
  'permit-stickers',
  'puzzle-wallet',
  'season-tickets',
  'seed-packets',
  'shelf-lining',
  'star-atlas',
  'tea-caddy',
  'tea-shipper',
  'trail-map',
  'walking-guide',
];
const jobs: [string, Job][] = [
  ...EXAMPLES.map((name): [string, Job] => [name, example(name)]),
  ...ASKED.map((family): [string, Job] => [
    `a new ${family}`,
    makeJob(family, { ...answersOf(family), cover: 'film', foil: true }, SHIPPED_WORKS),
  ]),
];

describe('material balance', () => {
  it.each(jobs)('%s: what comes in is product, dried away, kept or waste, to the gram (identity)', (_name, job) => {
    const made = planned(job);
    const { lines, inKg, productKg, wasteKg, figures } = materialBalance(job, made, SHIPPED_WORKS);
    const sum = (side: 'in' | 'out'): number =>
      lines.filter((line) => line.side === side).reduce((total, { kg }) => total + kg, 0);
    // Lines below a gram are not told.
    expect(Math.abs(sum('in') - sum('out'))).toBeLessThan(1e-3 * (lines.length + 40));
    expect(inKg).toBeGreaterThan(productKg);
    expect(lines.filter(({ kg }) => kg < 0)).toEqual([]);
    expect(wasteKg).toBeCloseTo(
      lines.reduce((total, { way, kg }) => total + (way !== undefined && isWaste(way) ? kg : 0), 0),
      9,
    );
    for (const { figure, kg } of lines) expect((figures[figure] ?? made.figures[figure])?.value).toBeCloseTo(kg, 9);
  });

  it('paper, board and film of the balance are what the plan calls waste (identity)', () => {
    const job = example('trail-map');
    const made = planned(job);
    const paper = materialBalance(job, made, SHIPPED_WORKS).lines.filter(
      ({ side, way, kind }) => side === 'out' && kind === 'paper' && way !== 'product',
    );
    expect(paper.reduce((sum, { kg }) => sum + kg, 0)).toBeCloseTo(made.figures['total.wasteKg']?.value ?? 0, 1);
  });

  it('every scrap of numbered work is destroyed under witness; plates go back to their maker', () => {
    const job = example('season-tickets');
    const { lines } = materialBalance(job, planned(job), SHIPPED_WORKS);
    const paper = lines.filter(({ step, kind }) => step !== undefined && kind === 'paper');
    expect([...new Set(paper.map(({ way }) => way))]).toEqual(['witness']);
    // Eight plates of 1,030 x 790 x 0.3 mm at 2.7 g/cm3 (identity)
    expect(lines.find(({ way }) => way === 'aluminium')?.kg).toBeCloseTo((8 * 103 * 79 * 0.03 * 2.7) / 1000, 9);
  });

  it('ships no factor for CO2; one that the works enters is reckoned with', () => {
    const job = example('trail-map');
    const made = planned(job);
    expect(materialBalance(job, made, SHIPPED_WORKS).co2Kg).toBeUndefined();
    const told = { ...job, norms: { 'co2.paper': 0.9 } };
    expect(materialBalance(told, planned(told), SHIPPED_WORKS).co2Kg).toBeCloseTo(0.9 * made.totals.paperKg, 6);
  });
});

describe('cost with everything in it', () => {
  it.each(jobs)(
    '%s: whatever a station uses up is bought and costed, and all lines add to the cost (identity)',
    (_name, job) => {
      const made = planned(job);
      const needs = new Map(
        purchaseNeeds(job, made, SHIPPED_WORKS).map((need) => [need.key.split('/')[1], need.quantity]),
      );
      const lines = costLines(job, made);
      for (const { step, supply, figure } of made.uses) {
        const quantity = made.figures[figure]?.value ?? NaN;
        expect(Number.isFinite(quantity)).toBe(true);
        if (quantity === 0) continue;
        expect(needs.get(supply)).toBeGreaterThanOrEqual(quantity - 1e-9);
        expect(lines.some((line) => line.figure === `cost.use.${step}.${supply}`)).toBe(true);
      }
      expect(lines.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(made.totals.cost.total, 6);
      expect(COST_KINDS.reduce((sum, kind) => sum + made.totals.cost[kind], 0)).toBeCloseTo(made.totals.cost.total, 9);
    },
  );

  it('a thousand more cost less than the first thousand, for set-ups are paid', () => {
    const job = example('trail-map');
    const made = planned(job);
    expect(costOfNext(job, SHIPPED_WORKS, made)).toBeLessThan(made.totals.cost.total / 10);
  });

  it('a hand press and a perfector do not cost the same', () => {
    const rate = (job: Job, press: string): number => planned(job).figures[`norm.machine.${press}.rate`]?.value ?? NaN;
    const hand = makeJob('stationery', answersOf('stationery'), SHIPPED_WORKS);
    expect(rate(hand, 'hand-engraver')).toBeLessThan(rate(example('trail-map'), 'b1-perfector') / 5);
  });

  it('the customer’s own paper and parts are neither bought nor charged', () => {
    const job = example('trail-map');
    const own: Job = { ...job, components: job.components.map((one) => ({ ...one, paperOwner: 'customer' as const })) };
    expect(planned(own).totals.cost.paper).toBe(0);
    expect(purchaseNeeds(own, planned(own), SHIPPED_WORKS).some(({ kind }) => kind === 'sheets')).toBe(false);
  });
});

describe('packing, reckoned once', () => {
  it.each([
    ['tea-shipper', 'pallet'],
    ['board-game-box', 'pallet'],
  ])('%s: station, step and loading agree (identity)', (name, step) => {
    const made = planned(example(name));
    const value = (id: string): number => made.figures[`step.${step}.${id}`]?.value ?? NaN;
    expect(made.packings[step]?.packs).toBe(value('pallets'));
    expect(value('packs')).toBe(value('pallets'));
    expect(value('loadingM')).toBeCloseTo(value('pallets') * 0.4, 9);
    expect(value('pallets')).toBe(Math.ceil((made.packings[step]?.pieces ?? 0) / value('fullPallet')));
  });
});
