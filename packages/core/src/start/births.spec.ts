import fc from 'fast-check';
import { answersOf } from '../families/families.fixture.js';
import { type AskedFamily, type FamilyAnswers, FAMILY_RULES, stocksFor } from '../families/index.js';
import { FOLDS_OF, FOLD_KINDS } from '../job/index.js';
import { plan } from '../plan/index.js';
import { checkRoute } from '../rules/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { startJob } from './start-job.js';

const ASKED = Object.keys(FAMILY_RULES) as AskedFamily[];

/** Random answers that the questions of a family allow. */
function answersFor(family: AskedFamily): fc.Arbitrary<FamilyAnswers> {
  const usual = answersOf(family);
  const stocks = stocksFor(FAMILY_RULES[family].press, SHIPPED_WORKS).map(({ id }) => id);
  const around = (mm: number): fc.Arbitrary<number> =>
    fc.integer({ min: Math.max(1, Math.floor(mm / 3)), max: Math.ceil(mm * 3) });
  return fc
    .record({
      widthMm: around(usual.widthMm),
      heightMm: around(usual.heightMm),
      quantity: fc.integer({ min: 1, max: 200_000 }),
      pages: fc.integer({ min: 1, max: 120 }).map((n) => 4 * n),
      stock: fc.constantFrom(...stocks),
      coverStock: fc.constantFrom(...stocksFor('sheet', SHIPPED_WORKS).map(({ id }) => id)),
      cover: fc.constantFrom('none' as const, 'varnish' as const, 'film' as const),
      foil: fc.boolean(),
      emboss: fc.boolean(),
      twoUp: fc.boolean(),
      fold: fc.constantFrom(...FOLD_KINDS),
      perPack: fc.integer({ min: 1, max: 500 }),
    })
    .map((drawn) => ({ ...usual, ...drawn, folds: FOLDS_OF[drawn.fold] }));
}

describe('a job at its birth', () => {
  it.each(ASKED)('%s breaks no rule, or says what cannot be made, for random answers', (family) => {
    fc.assert(
      fc.property(answersFor(family), (answers) => {
        const { job, issues } = startJob(family, answers, SHIPPED_WORKS);
        for (const { path, params } of issues) {
          expect(path).not.toBe('');
          expect(Object.values(params).every((value) => typeof value === 'string' || Number.isFinite(value))).toBe(
            true,
          );
        }
        if (issues.length > 0) return;
        const outcome = plan(job, SHIPPED_WORKS);
        if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join('; '));
        expect(checkRoute(job, outcome.value, SHIPPED_WORKS)).toEqual([]);
      }),
      { numRuns: 12, seed: 13 },
    );
  });

  it.each(ASKED)('%s begins with its usual answers', (family) => {
    expect(startJob(family, answersOf(family), SHIPPED_WORKS).issues).toEqual([]);
  });
});
