import fc from 'fast-check';
import jStat from 'jstat';
import { uniform } from '../kernel/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { betaQuantile, fromTriangle } from '../sure/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { differencesOf, largestFirst, sumsOf } from './happened.js';
import { type CutterRun, closedBy, cutter, tallyOf } from './learn.fixture.js';
import { outcomeOf } from './outcome.js';
import { posteriorMean, posteriorShare } from './posterior.js';
import { type NormDecision, proposeNorms } from './propose.js';
import type { NormProposal } from './proposal.js';
import { stepNorms } from './step-norms.js';

const MACHINE = 'guillotine-115';
const RUNNING = `spoil.cut.running@machine=${MACHINE}`;
const SETUP = `spoil.cut.setup@machine=${MACHINE}`;
const step = cutter(MACHINE);
const withNorms = (works: Works, values: Readonly<Record<string, number>>): Works => ({
  ...works,
  norms: {
    ...works.norms,
    ...Object.fromEntries(
      Object.entries(values).map(([id, value]) => [id, { value, source: { label: 'set by user' } }]),
    ),
  },
});
const propose = (
  runs: readonly CutterRun[],
  works = SHIPPED_WORKS,
  decisions: readonly NormDecision[] = [],
): NormProposal[] =>
  proposeNorms(
    works,
    runs.map((run, i) => closedBy(i + 1, run, step)),
    decisions,
  );
const of = (proposals: readonly NormProposal[], norm: string): NormProposal | undefined =>
  proposals.find((one) => one.norm === norm);

describe('norm and log together', () => {
  it('is the worked example of the handbook: 20,000 units at 1.5 %, one run of 100,000 at 2 %, capped at 5,000 (identity)', () => {
    const { value } = posteriorShare({ value: 0.015, weight: 20_000 }, [{ value: 0.02, weight: 5_000 }]);
    expect(value).toBeCloseTo(0.016, 12);
  });

  it('has the interval of the beta distribution (literature, by an outside library)', () => {
    const prior = { value: 0.02, weight: 3_000 };
    const said = [0.03, 0.01, 0.05].map((value) => ({ value, weight: 800 }));
    const { value, low, high } = posteriorShare(prior, said);
    const [hits, all] = [3_000 * 0.02 + 800 * 0.09, 5_400];
    expect(value).toBeCloseTo(hits / all, 12);
    expect(low).toBeCloseTo(jStat.beta.inv(0.05, hits, all - hits), 8);
    expect(high).toBeCloseTo(jStat.beta.inv(0.95, hits, all - hits), 8);
  });

  it('moves by one run no further than its capped weight allows, and always towards it (property)', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const weight = fc.double({ min: 1, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(share, weight, share, weight, (value, prior, seen, ran) => {
        const cap = prior / 4;
        const run = { value: seen, weight: Math.min(ran, cap) };
        const told = posteriorShare({ value, weight: prior }, [run]);
        expect(Math.abs(told.value - value)).toBeLessThanOrEqual(Math.abs(seen - value) / 5 + 1e-12);
        expect((told.value - value) * (seen - value)).toBeGreaterThanOrEqual(0);
        expect(told.low).toBeLessThanOrEqual(told.high);
      }),
    );
  });

  it('of numbers: the weighted mean, surer with every run that agrees, and less sure where they do not', () => {
    const prior = { value: 10, weight: 10, deviation: 2, cap: 1 };
    const told = (values: number[]) =>
      posteriorMean(
        prior,
        values.map((value) => ({ value, weight: 1 })),
      );
    expect(told([]).value).toBe(10);
    expect(told([21]).value).toBeCloseTo(11, 12);
    // Ten pseudo runs of deviation 2: 1.6449 x 2 / root 10.
    expect(told([]).high - 10).toBeCloseTo((1.6448536 * 2) / Math.sqrt(10), 6);
    const width = (values: number[]): number => told(values).high - told(values).low;
    expect(width(Array<number>(40).fill(10))).toBeLessThan(width([]));
    expect(width([0, 20, 0, 20])).toBeGreaterThan(width([10, 10, 10, 10]));
  });
});

describe('what a plan was reckoned with', () => {
  it('are the norms under its figures, the house’s own where the job tells another value', () => {
    const plan = planned(example('trail-map'));
    const print = stepNorms(plan, 'print-map');
    expect(print.setUp).toEqual({ norm: 'spoil.print-side.setup', value: 80, planned: 200, each: 1 });
    // The job tells 1.5 %, the house 1.6 %: 0.8 % and 0.2 % a colour.
    expect(print.running).toMatchObject({ norm: 'spoil.print-side.running', value: 0.008 });
    expect(print.running?.planned).toBeCloseTo(0.016, 12);
    expect(print.setUpHours).toMatchObject({ norm: 'machine.b1-perfector.setup', value: 0.25 });
    expect(print.efficiency).toMatchObject({ norm: 'machine.b1-perfector.efficiency', value: 1 });
    expect(stepNorms(plan, 'cut').efficiency?.norm).toBe(`machine.${MACHINE}.efficiency`);
  });

  it('are told in metres of web where set-up is', () => {
    const job = example('permit-stickers');
    const plan = planned(job);
    const uses = plan.steps.map(({ id }) => stepNorms(plan, id).setUp);
    const narrow = uses.find((use) => use?.norm === 'spoil.print-narrow.setup');
    expect(narrow && narrow.planned * narrow.each).toBeGreaterThanOrEqual(narrow?.value ?? 0);
    expect(narrow?.each).not.toBe(1);
  });
});

describe('what the log proposes', () => {
  it('is nothing where runs are as the norm says', () => {
    expect(propose([{}, {}, {}]).filter(({ kind }) => kind !== 'spread')).toEqual([]);
  });

  it('tells the machine’s own norm from the house’s, by what it spoiled beyond the plan', () => {
    const proposal = of(propose([{ units: 10_000, spoils: 120 }]), RUNNING);
    // (20,000 x 0.002 + 5,000 x 0.012) / 25,000
    expect(proposal).toMatchObject({ now: 0.002, value: 0.004, weight: 20_000, logged: 5_000, upTo: 1 });
    expect(proposal?.evidence[0]).toMatchObject({ amount: 10_000, weight: 5_000, from: { number: 'D-1' } });
    expect(of(propose([{ setUp: 60 }]), SETUP)).toMatchObject({ now: 5, value: 10 });
    expect(of(propose([{ setUpMinutes: 72 }]), `machine.${MACHINE}.setup`)).toMatchObject({ now: 0.1, value: 0.2 });
  });

  it('reads efficiency in hours at the rated speed, its own stops among them and others not', () => {
    const slow = { runMinutes: 60, stop: ['jam', 60] } as const;
    const [own, waits] = [slow, { ...slow, stop: ['waiting for approval', 60] } as const].map((run) =>
      of(propose(Array<CutterRun>(20).fill(run)), `machine.${MACHINE}.efficiency`),
    );
    // Twenty runs of 10,000 of 10,005 units: 1 h at the rated speed each, 2 h that they took.
    const rated = 20 * (10_000 / 10_005);
    expect(own?.value).toBeCloseTo((40 + rated) / (40 + 40), 3);
    expect(waits).toBeUndefined();
  });

  it('takes nothing from what nobody counted in, or timed', () => {
    const tally = tallyOf({ units: 100, spoils: 50, setUp: 80 });
    tally.takenIn.clear();
    tally.minutes.setUp = 0;
    tally.minutes.run = 0;
    const closed = { ...closedBy(1, {}, step), outcome: outcomeOf(step, tally) };
    expect(proposeNorms(SHIPPED_WORKS, [closed], [])).toEqual([]);
  });

  it('goes to the norm that the works tells apart, where it was planned by that', () => {
    const norm = 'spoil.cut.running@run=10000';
    const works = withNorms(SHIPPED_WORKS, { [norm]: 0.01 });
    const told = cutter(MACHINE, {
      norms: { ...step.norms, running: { norm, value: 0.01, planned: 0.01, each: 1 } },
    });
    const [proposal] = proposeNorms(works, [closedBy(1, { spoils: 1_000 }, told)], []);
    expect(proposal).toMatchObject({ norm, now: 0.01, value: 0.028 });
  });

  it('does not come back refused without new evidence, and does not count twice what was taken in', () => {
    const runs = [{ spoils: 120 }, { spoils: 120 }];
    const refused = { norm: RUNNING, taken: false, upTo: 2 };
    expect(of(propose(runs, SHIPPED_WORKS, [refused]), RUNNING)).toBeUndefined();
    const again = of(propose([...runs, { spoils: 120 }], SHIPPED_WORKS, [refused]), RUNNING);
    expect(again?.evidence).toHaveLength(3);
    const taken = { norm: RUNNING, taken: true, upTo: 2 };
    const works = withNorms(SHIPPED_WORKS, { [RUNNING]: 0.0053 });
    expect(of(propose(runs, works, [taken]), RUNNING)).toBeUndefined();
    expect(of(propose([...runs, { spoils: 120 }], works, [taken]), RUNNING)).toMatchObject({
      now: 0.0053,
      logged: 5_000,
    });
  });

  it('says nothing of machines that the works has no more', () => {
    const proposals = proposeNorms({ ...SHIPPED_WORKS, machines: [] }, [closedBy(1, { spoils: 900 }, step)], []);
    expect(proposals.filter(({ kind }) => kind !== 'spread')).toEqual([]);
  });

  it('finds the true norms of a works that runs as they say (property over seeds)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.double({ min: 0.004, max: 0.03, noNaN: true }),
        (seed, truth) => {
          const kappa = 400;
          let works = SHIPPED_WORKS;
          const decisions: NormDecision[] = [];
          const closed = [];
          for (let entry = 1; entry <= 400; entry++) {
            const share = betaQuantile(uniform(seed, 2 * entry), kappa * truth, kappa * (1 - truth));
            const setUp = Math.round(fromTriangle(14, 20, 36, uniform(seed, 2 * entry + 1)));
            closed.push(closedBy(entry, { units: 8_000, spoils: Math.round(8_000 * share), setUp }, step));
            if (entry % 20 > 0) continue;
            for (const { norm, value, upTo } of proposeNorms(works, closed, decisions)) {
              if (norm !== RUNNING && norm !== SETUP) continue;
              works = withNorms(works, { [norm]: value });
              decisions.push({ norm, taken: true, upTo });
            }
          }
          const value = (norm: string): number => works.norms[norm]?.value ?? 0;
          // The weight of the norm stays: what is forgotten of old runs keeps some of the chance of the last hundred.
          expect(Math.abs(value(RUNNING) / truth - 1)).toBeLessThan(0.3);
          expect(Math.abs(value(SETUP) - 70 / 3)).toBeLessThan(3);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('finds how unlike runs are, from both sides, and never jumps on one', () => {
    const truth = 0.02;
    const like = (kappa: number, from = 400): number => {
      const runs = Array.from({ length: 1_500 }, (_, i): CutterRun => {
        const share = betaQuantile(uniform(5, i), kappa * truth, kappa * (1 - truth));
        return { units: 5_000, spoils: Math.round(5_000 * share), setUp: 5 };
      });
      return (
        of(propose(runs, withNorms(SHIPPED_WORKS, { [RUNNING]: truth, 'sure.kappa': from })), 'sure.kappa')?.value ??
        from
      );
    };
    // What is far off counts by what is usual so far: nearer with every time that it is taken in.
    const [first, second] = [like(150), like(150, like(150))];
    expect(first).toBeLessThan(250);
    expect(second / 150).toBeGreaterThan(0.8);
    expect(second / 150).toBeLessThan(1.25);
    expect(like(1_200)).toBeGreaterThan(800);
    const one = of(propose([{ units: 5_000, spoils: 4_000 }]), 'sure.kappa')?.value ?? 0;
    // (10 + 9) / 11 times as unlike at the most.
    expect(one).toBeGreaterThanOrEqual((401 * 11) / 19 - 1.01);
  });

  it('finds best and worst set-ups (identity: the mean of half a triangle)', () => {
    const works = withNorms(SHIPPED_WORKS, { [SETUP]: 100 });
    const runs = Array.from({ length: 2_000 }, (_, i) => ({
      setUp: Math.round(fromTriangle(40, 100, 300, uniform(9, i))),
    }));
    const decisions = [{ norm: SETUP, taken: true, upTo: runs.length }];
    const proposals = propose(runs, works, decisions);
    expect(of(proposals, 'sure.best')?.value).toBeCloseTo(0.4, 1);
    expect(of(proposals, 'sure.worst')?.value).toBeGreaterThan(2.8);
    expect(of(proposals, 'sure.worst')?.value).toBeLessThan(3.2);
  });
});

describe('planned and happened', () => {
  const outcome = outcomeOf(
    step,
    tallyOf({ units: 5_000, spoils: 60, setUp: 25, setUpMinutes: 12, runMinutes: 45, stop: ['jam', 30] }),
  );

  it('tells what differs at a station, with what it cost and its reasons', () => {
    const told = largestFirst(differencesOf(outcome));
    expect(told.map(({ what }) => what)).toEqual([
      'stops',
      'run time',
      'set-up time',
      'running spoils',
      'set-up spoils',
    ]);
    expect(told[0]).toMatchObject({ planned: 0, happened: 0.5, cost: 45, reasons: [['jam', 0.5]] });
    // Half of the plan ran: half of its time was wanted.
    expect(told[1]?.planned).toBeCloseTo(5_000 / 10_005, 12);
    expect(told[3]).toMatchObject({ planned: 10, happened: 60, unit: 'sheet', cost: 2.5 });
    expect(told[3]?.reasons[0]).toEqual(['crease', 60]);
  });

  it('adds up sheets, hours and cost: identity', () => {
    const { planned: plan, happened } = sumsOf([outcome, outcome]);
    expect(plan).toEqual({ sheets: 20_010, hours: 2.2, cost: 2.2 * 90 + 20_010 * 0.05 });
    expect(happened.sheets).toBe(2 * 5_025);
    expect(happened.hours).toBeCloseTo(2 * (0.2 + 0.75 + 0.5), 9);
    expect(happened.cost).toBeCloseTo(happened.hours * 90 + happened.sheets * 0.05, 9);
  });

  it('takes the plan for what nobody entered', () => {
    const tally = tallyOf({});
    tally.takenIn.clear();
    tally.minutes.setUp = 0;
    tally.minutes.run = 0;
    const { planned: plan, happened } = sumsOf([outcomeOf(step, tally)]);
    expect(happened).toEqual(plan);
    expect(differencesOf(outcomeOf(step, tally))).toEqual([]);
  });
});
