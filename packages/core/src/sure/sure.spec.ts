import fc from 'fast-check';
import jStat from 'jstat';
import { type FlowGraph, type FlowStep, type SpoilageTable, reckonFlow } from '../flow/index.js';
import { betaCdf, betaQuantile, betaTable } from './beta.js';
import { drawRequired } from './draws.js';
import { type Chance, CERTAIN } from './step-chance.js';
import { cheapest, needsOf, quantileOf, sensitivity, shortCurve, sureQuantities } from './sureness.js';

/** Practice, handbook chapter 6. */
const USUAL: Chance = { best: 0.7, worst: 1.8, kappa: 400 };

const step = (id: string, from: string, change: Partial<FlowStep> = {}): FlowStep => ({
  id,
  path: `route[${id}]`,
  inputs: [{ material: from, usage: 1 }],
  outputs: [{ material: id, yield: 1, samples: 0 }],
  setup: 0,
  running: 0,
  incidents: [],
  finishing: false,
  ...change,
});
const line = (quantity: number, ...steps: FlowStep[]): FlowGraph => ({
  steps,
  bought: ['paper'],
  demands: [{ material: steps.at(-1)?.id ?? '', quantity }],
});
/** The trail map of chapter 6, in its own norms. */
const map = (quantity: number): FlowGraph =>
  line(
    quantity,
    step('front', 'paper', { setup: 200, running: 0.015 }),
    step('back', 'front', { setup: 50, running: 0.01 }),
    step('cut', 'back', { setup: 5, running: 0.002, outputs: [{ material: 'cut', yield: 2, samples: 0 }] }),
    step('fold', 'cut', { setup: 60, running: 0.01 }),
    step('band', 'fold', { running: 0.001 }),
  );
/** Asked for by the flow, and not looked at here. */
const TABLE: SpoilageTable = {
  bands: [{ id: 'all', upTo: Infinity, shares: { c1: 0, c2: 0, c3: 0, c5: 0 }, finishing: 0 }],
  floorBase: 0,
  floorPerColour: 0,
};
const DRAWS = 20_000;
const need = (graph: FlowGraph, chance = USUAL, seed = 7, draws = DRAWS) =>
  needsOf(drawRequired({ graph, chance, seed, draws }), graph.bought);
const paper = (graph: FlowGraph, p: number, chance = USUAL, seed = 7): number =>
  sureQuantities(need(graph, chance, seed), p).quantities['paper'] ?? 0;

describe('beta distribution', () => {
  it('agrees with jstat (general-purpose library)', () => {
    for (const [a, b] of [
      [6, 394],
      [0.4, 399.6],
      [40, 360],
      [2, 3],
    ] as const)
      for (const p of [0.001, 0.1, 0.5, 0.9, 0.99, 0.9999]) {
        const x = betaQuantile(p, a, b);
        expect(x).toBeCloseTo(jStat.beta.inv(p, a, b), 6);
        expect(betaCdf(x, a, b)).toBeCloseTo(p, 9);
        // that library is good to seven places
        expect(betaCdf(x, a, b)).toBeCloseTo(jStat.beta.cdf(x, a, b), 6);
        expect(betaTable(a, b)(p)).toBeCloseTo(x, 4);
      }
  });
});

describe('sureness', () => {
  it('with no chance is the step-by-step school, the worked examples of chapter 6 too (identity)', () => {
    expect(paper(map(10_000), 0.9, CERTAIN)).toBe(5484);
    expect(paper(map(10_000), 0.01, CERTAIN)).toBe(5484);
  });

  it('with no chance is the step-by-step school on any graph (identity, seeded)', () => {
    const graphs = fc
      .tuple(
        fc.integer({ min: 1, max: 50_000 }),
        fc.array(
          fc.record({
            setup: fc.integer({ min: 0, max: 300 }),
            running: fc.integer({ min: 0, max: 80 }).map((n) => n / 1000),
            yield: fc.integer({ min: 1, max: 12 }),
            samples: fc.integer({ min: 0, max: 20 }),
            rate: fc.constantFrom(0, 0.00001),
          }),
          { minLength: 1, maxLength: 6 },
        ),
      )
      .map(([quantity, parts]) =>
        line(
          quantity,
          ...parts.map((part, i) =>
            step(`s${i}`, i === 0 ? 'paper' : `s${i - 1}`, {
              setup: part.setup,
              running: part.running,
              outputs: [{ material: `s${i}`, yield: part.yield, samples: part.samples }],
              incidents: [{ name: 'break', rate: part.rate, loss: 800 }],
            }),
          ),
        ),
      );
    fc.assert(
      fc.property(graphs, (graph) => {
        const flow = reckonFlow(graph, () => TABLE);
        const exact = flow.ok ? flow.value.bought['paper'] : undefined;
        expect(needsOf(drawRequired({ graph, chance: CERTAIN, seed: 1, draws: 2 }), ['paper']).sorted[0]?.[0]).toBe(
          exact,
        );
      }),
      { seed: 11, numRuns: 300 },
    );
  });

  it('of one operation is its closed form within 0.2 %: 5,072.0 / 5,118.3 / 5,168.1 (identity, handbook chapter 6)', () => {
    const graph = line(5000, step('one', 'paper', { running: 0.015 }));
    const needs = need(graph, USUAL, 3, 100_000);
    for (const [p, wanted] of [
      [0.5, 5072.0],
      [0.9, 5118.3],
      [0.99, 5168.1],
    ] as const) {
      const closed = 5000 / (1 - betaQuantile(p, 400 * 0.015, 400 * 0.985));
      expect(closed).toBeCloseTo(wanted, 1);
      const found = sureQuantities(needs, p).quantities['paper'] ?? 0;
      expect(Math.abs(found / closed - 1)).toBeLessThan(0.002);
    }
  });

  it('gives the same answer for the same seed, and another for another', () => {
    const [one, same, other] = [7, 7, 8].map((seed) => need(map(10_000), USUAL, seed, 500).sorted[0]);
    expect(one).toEqual(same);
    expect(one).not.toEqual(other);
  });

  it('rises with p, with the order, and with what is spoiled (same draws)', () => {
    const needs = need(map(10_000));
    const at = [0.1, 0.5, 0.9, 0.99, 0.999].map((p) => sureQuantities(needs, p).quantities['paper'] ?? 0);
    expect([...at].sort((a, b) => a - b)).toEqual(at);
    expect(new Set(at).size).toBe(at.length);
    expect(paper(map(10_500), 0.9)).toBeGreaterThan(paper(map(10_000), 0.9));
    const worse = map(10_000);
    const steps = worse.steps.map((one) => ({ ...one, running: one.running * 1.5 }));
    expect(paper({ ...worse, steps }, 0.9)).toBeGreaterThan(paper(map(10_000), 0.9));
  });

  it('draws incidents where they happen: a break in 100,000 that loses 800 costs on average its share (identity)', () => {
    const broken = step('web', 'paper', { incidents: [{ name: 'break', rate: 1e-5, loss: 800 }] });
    const graph = line(100_000, broken);
    const { sorted } = need(graph, USUAL, 5);
    const own = sorted[0] ?? new Float64Array(0);
    const mean = own.reduce((sum, value) => sum + value, 0) / own.length;
    // 100,000 / (1 - 0.008) is what the share asks for
    expect(Math.abs(mean / (100_000 / (1 - 0.008)) - 1)).toBeLessThan(0.001);
    // no break: exp(-1) of the runs
    expect(own.filter((value) => value === 100_000).length / own.length).toBeCloseTo(Math.exp(-1), 1);
    expect(quantileOf(own, 0.5)).toBe(100_800);
  });

  it('for several components raises them together until the joint probability is reached', () => {
    const graph: FlowGraph = {
      steps: [
        step('a', 'paper-a', { setup: 200, running: 0.02 }),
        step('b', 'paper-b', { setup: 200, running: 0.02 }),
        step('bind', 'a', {
          setup: 60,
          running: 0.015,
          inputs: [
            { material: 'a', usage: 1 },
            { material: 'b', usage: 1 },
          ],
        }),
      ],
      bought: ['paper-a', 'paper-b'],
      demands: [{ material: 'bind', quantity: 5000 }],
    };
    const needs = need(graph);
    const { joint, quantities } = sureQuantities(needs, 0.9);
    expect(joint).toBeGreaterThanOrEqual(0.9);
    expect(joint).toBeLessThan(0.901);
    const alone = needs.sorted.map((sorted) => quantileOf(sorted, 0.9));
    expect(quantities['paper-a']).toBeGreaterThan(alone[0] ?? 0);
    expect(quantities['paper-b']).toBeGreaterThan(alone[1] ?? 0);
    // apart they would be sure with 0.81 at most; the shared binding makes them less unlike
    const curve = shortCurve(needs);
    expect(curve.every(({ short }, i) => i === 0 || short <= (curve[i - 1]?.short ?? 1))).toBe(true);
    expect(curve.at(-1)?.short).toBe(0);
  });

  it('finds the cheapest quantity by trying them all, dearer to run again the surer', () => {
    const graph = map(10_000);
    const all = (quantity: number) => drawRequired({ graph: map(quantity), chance: USUAL, seed: 7, draws: DRAWS });
    const [least, most] = [all(10_000), all(10_500)];
    const at = (again: number) =>
      cheapest(need(graph), least, { unit: { paper: 0.2 }, again, overs: { price: 0.05, most } })[0];
    const [careless, careful] = [at(20), at(2000)];
    expect(careful?.quantities['paper']).toBeGreaterThan(careless?.quantities['paper'] ?? 0);
    for (const point of [careless, careful])
      expect(point?.total).toBeCloseTo((point?.material ?? 0) + (point?.again ?? 0) + (point?.overs ?? 0), 9);
    // nothing to lose: the least that can be bought
    expect(at(0)?.p).toBe(0.02);
  });

  it('tells which step costs most by its uncertainty', () => {
    const found = sensitivity(map(10_000), USUAL, 7, 4000, ['paper'], 0.9);
    expect(found[0]?.step).toBe('front');
    expect(found.at(-1)?.saved).toBeLessThan(5);
    expect(found.every(({ saved }) => saved >= 0)).toBe(true);
  });

  it('stops when it is told to', () => {
    let told = 0;
    drawRequired({ graph: map(1000), chance: USUAL, seed: 1, draws: 5000 }, () => ++told < 3);
    expect(told).toBe(3);
  });
});
