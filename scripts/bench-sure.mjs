// The sureness part of npm run bench: draws of a job of twelve steps.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const DRAWS = 100_000;

/** 100,000 runs drawn over twelve steps, and read at one sureness. */
export function benchSure(core, say, ratio) {
  const steps = Array.from({ length: 12 }, (_, i) => ({
    id: `step-${i}`,
    path: `route[${i}]`,
    inputs: [{ material: i === 0 ? 'paper' : `step-${i - 1}`, usage: 1 }],
    outputs: [{ material: `step-${i}`, yield: 1, samples: 0 }],
    setup: 50,
    running: 0.005 + i * 0.001,
    incidents: [],
    finishing: false,
  }));
  const graph = { steps, bought: ['paper'], demands: [{ material: 'step-11', quantity: 10_000 }] };
  const chance = { best: 0.7, worst: 1.8, kappa: 400 };
  const times = Array.from({ length: 7 }, (_, seed) => {
    const start = performance.now();
    core.sureQuantities(core.needsOf(core.drawRequired({ graph, chance, seed, draws: DRAWS }), ['paper']), 0.9);
    return performance.now() - start;
  });
  say(
    'sureness: 100,000 draws over 12 steps, median of 7',
    `${median(times).toFixed(0)} ms`,
    ratio(median(times), 200),
  );
}
