import { uniform } from '../kernel/index.js';
import { type Flow, reckonFlow } from './reckon-flow.js';
import type { FlowGraph, FlowStep } from './graph.js';
import { goodOut } from './step-by-step.js';
import { randomGraph, unitsByRecursion } from './reference.fixture.js';

const TABLE = {
  bands: [{ id: 'all', upTo: Infinity, shares: { c1: 0.05, c2: 0.05, c3: 0.05, c5: 0.05 }, finishing: 0.01 }],
  floorBase: 100,
  floorPerColour: 25,
};

function reckoned(graph: FlowGraph): Flow {
  const outcome = reckonFlow(graph, () => TABLE);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}
const unitsOf = (graph: FlowGraph): ReadonlyMap<string, number> =>
  new Map(reckoned(graph).steps.map(({ step, units }) => [step.id, units.step]));
/** Each random graph by its seed, told where one fails. */
const everyGraph = (count: number, check: (graph: FlowGraph, seed: number) => void): void => {
  for (let seed = 1; seed <= count; seed++) {
    try {
      check(randomGraph(seed), seed);
    } catch (error) {
      throw new Error(`graph of seed ${seed}: ${(error as Error).message}`, { cause: error });
    }
  }
};
const changed = (graph: FlowGraph, change: (step: FlowStep, i: number) => Partial<FlowStep>): FlowGraph => ({
  ...graph,
  steps: graph.steps.map((step, i) => ({ ...step, ...change(step, i) })),
});
const notFewer = (more: ReadonlyMap<string, number>, before: ReadonlyMap<string, number>): void => {
  for (const [id, units] of before) if ((more.get(id) ?? 0) < units) throw new Error(`${id} fell below ${units}`);
};

describe('the flow engine on random graphs', () => {
  it('counts as plain recursion does with exact fractions, over 3,000 graphs (general-purpose library)', () => {
    let kinds = 0;
    everyGraph(3000, (graph) => {
      const units = unitsOf(graph);
      for (const step of graph.steps) expect(units.get(step.id)).toBe(unitsByRecursion(graph, step).valueOf());
      if (graph.steps.some(({ outputs }) => outputs.length > 1 || outputs[0]?.share !== undefined)) kinds += 1;
    });
    expect(kinds).toBeGreaterThan(1000);
  });

  it('never needs less of a larger order, of more set-up or of more spoilage', () => {
    everyGraph(400, (graph, seed) => {
      const before = unitsOf(graph);
      const more = 1 + Math.floor(uniform(seed, 999) * 500);
      const larger = graph.demands.map((demand) => ({ ...demand, quantity: demand.quantity + more }));
      notFewer(unitsOf({ ...graph, demands: larger }), before);
      notFewer(unitsOf(changed(graph, ({ setup }, i) => (i === 0 ? { setup: setup + more } : {}))), before);
      notFewer(unitsOf(changed(graph, ({ running }) => ({ running: running + 0.01 }))), before);
    });
  });

  it('without spoilage gives the exact net, rounded up where half of a thing cannot be fed (identity)', () => {
    everyGraph(400, (graph) => {
      const bare = changed(graph, ({ outputs }) => ({
        setup: 0,
        running: 0,
        incidents: [],
        outputs: outputs.map((output) => ({ ...output, samples: 0 })),
      }));
      const { steps } = reckoned(bare);
      for (const { step, byStep } of steps) {
        const { yield: each = 1, material = '' } = step.outputs.find((o) => o.material === byStep.deciding) ?? {};
        expect(byStep.processUnits).toBe(Math.ceil((byStep.needsOut[material] ?? 0) / each));
      }
    });
  });

  it('run forward again is never short, of any product (identity)', () => {
    everyGraph(400, (graph) => {
      const flow = reckoned(graph);
      for (const { step, byStep } of flow.steps)
        for (const output of step.outputs)
          expect(goodOut(step, output, byStep.processUnits)).toBeGreaterThanOrEqual(
            byStep.needsOut[output.material] ?? 0,
          );
    });
  });

  it('does not care in which order the steps stand in the file', () => {
    everyGraph(400, (graph, seed) => {
      const shuffled = [...graph.steps].sort(
        (a, b) =>
          uniform(seed, a.id.length * 31 + (a.id.codePointAt(1) ?? 0)) -
          uniform(seed, b.id.length * 31 + (b.id.codePointAt(1) ?? 0)),
      );
      const units = unitsOf({ ...graph, steps: shuffled });
      expect([...units].sort()).toEqual([...unitsOf(graph)].sort());
    });
  });

  it('split in two runs never needs less than one run, and one set-up more where both run', () => {
    everyGraph(400, (graph, seed) => {
      const at = graph.steps.findIndex(({ outputs }) => outputs.length === 1 && outputs[0]?.share === undefined);
      const step = graph.steps[at];
      const [output] = step?.outputs ?? [];
      if (!step || !output) return;
      const share = (1 + Math.floor(uniform(seed, 77) * 9)) / 10;
      const half = (id: string, part: number): FlowStep => ({ ...step, id, outputs: [{ ...output, share: part }] });
      const steps = [
        ...graph.steps.slice(0, at),
        half('one', share),
        half('two', Number((1 - share).toFixed(1))),
        ...graph.steps.slice(at + 1),
      ];
      const [whole, split] = [unitsOf(graph), unitsOf({ ...graph, steps })];
      const both = (split.get('one') ?? 0) + (split.get('two') ?? 0);
      expect(both).toBeGreaterThanOrEqual((whole.get(step.id) ?? 0) + step.setup);
    });
  });

  it('merging two components that are alike changes nothing but a set-up and a unit of rounding at each step', () => {
    everyGraph(400, (_, seed) => {
      const from = (place: number, low: number, high: number): number =>
        low + Math.floor(uniform(seed, place) * (high - low + 1));
      const quantity = from(0, 1, 50_000);
      const lane = (name: string): FlowStep[] =>
        [0, 1, 2].map((i): FlowStep => ({
          id: `${name}${i}`,
          path: `route[${i}]`,
          inputs: [{ material: i === 0 ? `paper.${name}` : `${name}${i - 1}`, usage: 1 }],
          outputs: [{ material: `${name}${i}`, yield: from(10 + i, 1, 4), samples: 0 }],
          setup: from(20 + i, 0, 300),
          running: from(30 + i, 0, 50) / 1000,
          incidents: [],
          finishing: false,
        }));
      const join = (inputs: FlowStep['inputs']): FlowStep => ({
        id: 'join',
        path: 'route[9]',
        inputs,
        outputs: [{ material: 'join', yield: 1, samples: 0 }],
        setup: 20,
        running: 0.01,
        incidents: [],
        finishing: false,
      });
      const demands = [{ material: 'join', quantity }];
      const one = { material: 'a2', usage: 1 };
      const apart = unitsOf({
        steps: [...lane('a'), ...lane('b'), join([one, { material: 'b2', usage: 1 }])],
        bought: ['paper.a', 'paper.b'],
        demands,
      });
      const merged = unitsOf({ steps: [...lane('a'), join([{ ...one, usage: 2 }])], bought: ['paper.a'], demands });
      // Backwards: what a step may differ by is its own set-up and a unit, and what the steps after it differ by.
      let slack = 0;
      for (const step of [...lane('a')].reverse()) {
        slack = Math.ceil(slack / ((step.outputs[0]?.yield ?? 1) * (1 - step.running))) + step.setup + 1;
        const two = (apart.get(step.id) ?? 0) + (apart.get(step.id.replace('a', 'b')) ?? 0);
        expect(two).toBeGreaterThanOrEqual(merged.get(step.id) ?? 0);
        expect(two - (merged.get(step.id) ?? 0)).toBeLessThanOrEqual(slack);
      }
    });
  });
});

describe('running spoilage told of the net', () => {
  const one = (running: number, ofNet: boolean): FlowGraph => ({
    steps: [
      {
        id: 'print',
        path: 'route[0]',
        inputs: [{ material: 'paper', usage: 1 }],
        outputs: [{ material: 'print', yield: 1, samples: 0 }],
        setup: 0,
        running,
        ofNet,
        incidents: [],
        finishing: false,
      },
    ],
    bought: ['paper'],
    demands: [{ material: 'print', quantity: 10_000 }],
  });

  it('5 % on 10,000 is 10,500 of the net and 10,527 of what runs (identity, handbook chapter 6)', () => {
    expect(unitsOf(one(0.05, true)).get('print')).toBe(10_500);
    expect(unitsOf(one(0.05, false)).get('print')).toBe(10_527);
  });

  it('may be the net and more, of what runs not', () => {
    expect(unitsOf(one(1, true)).get('print')).toBe(20_000);
    expect(reckonFlow(one(1, false), () => TABLE).ok).toBe(false);
  });
});
