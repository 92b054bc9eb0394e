import { all, create } from 'mathjs';
import { SOURCE_LABELS } from '../kernel/index.js';
import { SCHOOLS } from '../flow/index.js';
import type { Job } from '../job/job.js';
import { explain } from './explain.js';
import { example, planned, twoForms, withoutNorms } from './examples.fixture.js';
import type { Plan } from './plan.js';

// Outside reference: a general-purpose mathematics library evaluates every formula with exact fractions.
const math = create(all ?? {}, { number: 'Fraction' });

/** The value of a figure out of its givens alone, by the formulas as they are shown. */
function evaluator({ figures }: Plan): (id: string) => unknown {
  const known = new Map<string, unknown>();
  const value = (id: string): unknown => {
    if (known.has(id)) return known.get(id);
    const figure = figures[id];
    if (!figure) throw new Error(`no figure ${id}`);
    const scope = Object.fromEntries(Object.entries(figure.inputs).map(([name, input]) => [name, value(input)]));
    const result: unknown =
      figure.formula === undefined ? math.fraction(figure.value) : math.evaluate(figure.formula, scope);
    known.set(id, result);
    return result;
  };
  return value;
}

const split: Job = (() => {
  const job = example('trail-map');
  return {
    ...job,
    route: job.route.flatMap((step) =>
      step.id === 'cut'
        ? [
            {
              ...step,
              id: 'cut-a',
              makes: [{ material: 'maps', share: 0.3 }],
              samples: 12,
              incidents: [{ name: 'jam', rate: 0.001, loss: 3 }],
            },
            { ...step, id: 'cut-b', makes: [{ material: 'maps', share: 0.7 }] },
          ]
        : [step.id === 'fold' ? { ...step, from: [{ material: 'maps' }] } : step],
    ),
  };
})();

const JOBS: [string, Job][] = [
  ['trail map', example('trail-map')],
  ['concert programme', example('concert-programme')],
  ['trail map at shipped norms', withoutNorms(example('trail-map'))],
  [
    'programme at shipped norms, short',
    {
      ...withoutNorms(example('concert-programme')),
      order: { quantity: 7, plannedOvers: 3, policy: { kind: 'all-overs' } },
    },
  ],
  ['a split run', split],
  ['plates worn out', { ...example('trail-map'), norms: { 'plate.life': 4000 } }],
  ['tea caddy (blanks)', example('tea-caddy')],
  ['timetable (web)', example('ferry-timetable')],
  ['stickers (narrow web)', example('permit-stickers')],
  ['garden cards (a gang)', example('garden-cards')],
  ['a gang on two forms', twoForms(example('garden-cards'))],
];

describe.each(JOBS)('working of the %s', (_, job) => {
  it.each(SCHOOLS)('every formula gives its figure, %s, evaluated by mathjs (general-purpose library)', (school) => {
    const plan = planned({ ...job, school });
    const value = evaluator(plan);
    const wrong = Object.values(plan.figures).filter(
      ({ id, value: shown }) => Math.abs(math.number(value(id) as never) - shown) > 1e-9 * Math.max(1, Math.abs(shown)),
    );
    expect(wrong.map(({ id, formula }) => `${id}: ${formula ?? ''}`)).toEqual([]);
  });

  it('every figure is finite, has a source, and opens down to givens', () => {
    const { figures } = planned(job);
    for (const figure of Object.values(figures)) {
      expect(Number.isFinite(figure.value)).toBe(true);
      expect(SOURCE_LABELS).toContain(figure.source.label);
      const names =
        figure.formula?.match(/[a-z]\w*/gi)?.filter((name) => !['ceil', 'floor', 'max', 'min'].includes(name)) ?? [];
      expect(Object.keys(figure.inputs).sort()).toEqual([...new Set(names)].sort());
      for (const id of Object.values(figure.inputs)) expect(figures).toHaveProperty([id]);
    }
  });
});

describe('explain', () => {
  const { figures } = planned(example('trail-map'));

  it('opens a figure down to the norm and says what was overridden', () => {
    const opened = explain(figures, 'step.fold.units.step');
    expect(opened?.inputs['running']).toMatchObject({ value: 0.01, source: { label: 'set by user' }, otherwise: 0.01 });
    // shipped: 50 + 10 a fold, four folds (handbook chapter 6)
    expect(opened?.inputs['setup']).toMatchObject({ value: 60, otherwise: 90 });
  });

  it('does not know other figures', () => {
    expect(explain(figures, 'step.nothing')).toBeUndefined();
  });
});
