import { randomGraph } from '../flow/reference.fixture.js';
import { reckonFlow } from '../flow/index.js';
import { CERTAIN } from './step-chance.js';
import { drawForward } from './forward.js';
import { drawRequired } from './draws.js';

const TABLE = {
  bands: [{ id: 'all', upTo: Infinity, shares: { c1: 0, c2: 0, c3: 0, c5: 0 }, finishing: 0 }],
  floorBase: 0,
  floorPerColour: 0,
};
const reckoned = (seed: number) => {
  const graph = randomGraph(seed);
  const flow = reckonFlow(graph, () => TABLE);
  if (!flow.ok) throw new Error(JSON.stringify(flow.issues));
  return { graph, flow: flow.value };
};

describe('random graphs', () => {
  it('with no chance draw what the step-by-step school counts, of every step (identity)', () => {
    for (let seed = 1; seed <= 500; seed++) {
      const { graph, flow } = reckoned(seed);
      const { steps } = drawRequired({ graph, chance: CERTAIN, seed, draws: 2 });
      for (const { step, units } of flow.steps)
        expect([seed, step.id, steps[step.id]?.[1]]).toEqual([seed, step.id, units.step]);
    }
  });

  it('run forwards with what was planned backwards deliver the order', () => {
    for (let seed = 1; seed <= 500; seed++) {
      const { graph, flow } = reckoned(seed);
      const planned = Object.fromEntries(flow.steps.map(({ step, units }) => [step.id, units.step]));
      const [delivered = 0] = drawForward({ graph, chance: CERTAIN, seed: 1, draws: 1, counts: {}, planned });
      const wanted = graph.demands.reduce((sum, { quantity }) => sum + quantity, 0);
      if (delivered < wanted) throw new Error(`graph of seed ${seed}: ${delivered} of ${wanted}`);
    }
  });
});
