import type { FlowStep } from '../flow/index.js';
import { CERTAIN, drawForward } from '../sure/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { example } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import { plan } from '../plan/plan.js';
import { type StepCounted, reckonForecast } from './forecast-plan.js';

const ask = { seed: 7, draws: 2000 };
const forecast = (job: Job, counts: readonly StepCounted[]) => {
  const found = reckonForecast(job, SHIPPED_WORKS, counts, ask);
  if (!found.ok) throw new Error(found.issues.map(({ code }) => code).join());
  return found.value;
};
const needs = (job: Job): Record<string, number> => {
  const outcome = plan(job, SHIPPED_WORKS);
  return Object.fromEntries(outcome.ok ? outcome.value.steps.map(({ id, needsOut }) => [id, needsOut]) : []);
};
const map = example('trail-map');
const programme = example('concert-programme');

describe('forecast while it runs', () => {
  it('floors once, at the output: 403 sheets at 8 out and 0.2 % give 3,217 (worked example, handbook chapter 6)', () => {
    const cut: FlowStep = {
      id: 'cut',
      path: '',
      inputs: [{ material: 'paper', usage: 1 }],
      outputs: [{ material: 'cut', yield: 8, samples: 0 }],
      setup: 0,
      running: 0.002,
      incidents: [],
      finishing: true,
    };
    const graph = { steps: [cut], bought: ['paper'], demands: [{ material: 'cut', quantity: 3217 }] };
    const out = (units: number) =>
      drawForward({ graph, chance: CERTAIN, seed: 1, draws: 1, counts: {}, planned: { cut: units } })[0];
    expect(out(403)).toBe(3217);
    expect(out(402)).toBe(3209);
  });

  it('forwards of backwards is never short (identity)', () => {
    for (const name of [
      'trail-map',
      'concert-programme',
      'tea-caddy',
      'ferry-timetable',
      'permit-stickers',
      'garden-cards',
      'constellation-cards',
    ]) {
      const { expected, wanted } = forecast(example(name), []);
      expect(expected).toBeGreaterThanOrEqual(wanted);
    }
  });

  it('goes on from the last good count: what the plan needs there comes out, one less than enough does not', () => {
    const need = needs(map)['print-map-2'] ?? 0;
    const enough = forecast(map, [{ step: 'print-map-2', good: need }]);
    expect(enough.expected).toBeGreaterThanOrEqual(10_000);
    expect(enough.more).toEqual({});
    const short = forecast(map, [{ step: 'print-map-2', good: need - 40 }]);
    expect(short.expected).toBeLessThan(10_000);
    // 40 sheets at 1 %
    expect(short.more).toEqual({ 'print-map-2': 41 });
    expect(short.short).toBeGreaterThan(enough.short);
    expect(short.range[0]).toBeLessThanOrEqual(short.expected + 60);
    expect(short.range[1]).toBeGreaterThan(short.range[0]);
    expect(short.hold).toBe(true);
  });

  it('takes the lane that comes out worst where several join', () => {
    const need = needs(programme);
    const good = (change: Record<string, number>): StepCounted[] =>
      ['print-section-1', 'print-section-2', 'print-cover'].map((step) => ({
        step,
        good: Math.round((need[step] ?? 0) * (change[step] ?? 1)),
      }));
    const all = forecast(programme, good({}));
    expect(all.expected).toBeGreaterThanOrEqual(3000);
    const cover = forecast(programme, good({ 'print-cover': 0.9 }));
    expect(cover.expected).toBeLessThan(3000);
    expect(Object.keys(cover.more)).toEqual(['print-cover']);
  });

  it('takes a count above the plan where less was spoiled before, and not above what can have come (identity)', () => {
    const cut = needs(map)['cut'] ?? 0;
    const fold = forecast(map, [
      { step: 'cut', good: cut + 30 },
      { step: 'fold', good: cut + 20 },
      { step: 'box', good: cut + 10 },
    ]);
    expect(fold.expected).toBe(cut + 10);
    const found = reckonForecast(
      map,
      SHIPPED_WORKS,
      [
        { step: 'cut', good: cut + 30 },
        { step: 'fold', good: cut + 31 },
      ],
      ask,
    );
    expect(found.ok ? [] : found.issues.map(({ code, params }) => [code, params['most']])).toEqual([
      ['count.too-many', cut + 30],
    ]);
  });

  it('is certain at the end, and lets the carriers go then', () => {
    const done = forecast(map, [{ step: 'box', good: 10_000 }]);
    expect([done.expected, ...done.range, done.short]).toEqual([10_000, 10_000, 10_000, 0]);
    expect(done.hold).toBe(false);
    expect(forecast(map, [{ step: 'box', good: 9_990 }])).toMatchObject({ hold: true, short: 1 });
  });

  it.each<[string, StepCounted[]]>([
    ['count.unknown-step', [{ step: 'gild', good: 1 }]],
    [
      'count.twice',
      [
        { step: 'fold', good: 1 },
        { step: 'fold', good: 2 },
      ],
    ],
    ['count.number', [{ step: 'fold', good: 1.5 }]],
    ['count.number', [{ step: 'fold', good: NaN }]],
    ['count.too-many', [{ step: 'fold', good: 1_000_000 }]],
  ])('refuses with %s', (code, counts) => {
    const found = reckonForecast(map, SHIPPED_WORKS, counts, ask);
    expect(found.ok ? [] : found.issues.map((issue) => issue.code)).toEqual([code]);
  });
});
