import { table } from '../kernel/index.js';
import { checkRoute } from '../rules/index.js';
import { plan } from '../plan/index.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { oddPlaceOf } from '../press-sheet/index.js';
import { answersOf } from './families.fixture.js';
import { makeJob } from './index.js';

const having = (norms: Readonly<Record<string, number>>): Works => ({
  ...SHIPPED_WORKS,
  norms: table(Object.entries(norms).map(([id, value]) => [id, { value, source: { label: 'set by user' as const } }])),
});

describe('ways of the house (handbook chapter 4)', () => {
  const booklet = { ...answersOf('saddle-stitched'), pages: 36 };
  const book = { ...answersOf('perfect-bound'), pages: 168 };

  it('say where the odd section of a new job stands; what is usual is not told', () => {
    expect(makeJob('saddle-stitched', booklet, SHIPPED_WORKS).binding).toBeUndefined();
    expect(makeJob('perfect-bound', book, SHIPPED_WORKS).binding).not.toHaveProperty('odd');
    const other = having({ 'house.oddNested': 1, 'house.oddGathered': 1 });
    const [saddle, gathered] = [makeJob('saddle-stitched', booklet, other), makeJob('perfect-bound', book, other)];
    expect([oddPlaceOf(saddle), oddPlaceOf(gathered)]).toEqual(['innermost', 'second']);
    for (const job of [saddle, gathered]) expect(plan(job, other).ok).toBe(true);
  });

  it('say how the grain of a carton runs: new jobs are laid so, and the rule asks for that and no other', () => {
    const up = having({ 'house.cartonGrain': 1 });
    const [usual, other] = [SHIPPED_WORKS, up].map((works) => makeJob('carton', answersOf('carton'), works));
    if (!usual || !other) throw new Error('no jobs');
    expect([usual, other].map(({ components }) => components[0]?.grain)).toEqual(['width', 'height']);
    const asks = (job: typeof usual, works: Works): boolean => {
      const made = plan(job, works);
      if (!made.ok) throw new Error('not planned');
      return checkRoute(job, made.value, works).some(({ rule }) => rule === 'carton-grain');
    };
    expect([asks(usual, SHIPPED_WORKS), asks(other, SHIPPED_WORKS), asks(usual, up), asks(other, up)]).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
});
