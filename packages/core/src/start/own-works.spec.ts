import { answersOf } from '../families/families.fixture.js';
import { type AskedFamily, FAMILY_RULES, usualIn } from '../families/index.js';
import { plan } from '../plan/index.js';
import { checkRoute } from '../rules/index.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { startJob } from './start-job.js';

const ASKED = Object.keys(FAMILY_RULES) as AskedFamily[];

/** The shipped works with some of its machines and stocks, under ids of another house. */
function worksOf(machines: readonly string[], stocks: readonly string[]): Works {
  const renamed = <T extends { id: string }>(all: readonly T[], kept: readonly string[]): T[] =>
    all.filter(({ id }) => kept.includes(id)).map((one) => ({ ...one, id: `own-${one.id}` }));
  return {
    ...SHIPPED_WORKS,
    machines: renamed(SHIPPED_WORKS.machines, machines),
    stocks: renamed(SHIPPED_WORKS.stocks, stocks),
  };
}
const every = (all: readonly { id: string }[]): string[] => all.map(({ id }) => id);

const WORKS: Readonly<Record<string, Works>> = {
  'with nothing': worksOf([], []),
  'with a press and no paper': worksOf(['b2-four'], []),
  'with paper and no press': worksOf([], ['silk-115']),
  'with a press, a guillotine and one paper': worksOf(['b2-four', 'guillotine-115'], ['silk-115']),
  'of five machines': worksOf(
    ['b2-four', 'guillotine-115', 'buckle-folder', 'stitcher', 'hand-bench'],
    ['silk-115', 'silk-135', 'offset-80', 'board-300'],
  ),
  'with a folder that turns once': {
    ...SHIPPED_WORKS,
    machines: SHIPPED_WORKS.machines.map((one) =>
      one.process === 'folder' && one.takes
        ? { ...one, takes: { ...one.takes, parallelFolds: 4, crossFolds: 1 } }
        : one,
    ),
  },
  'with everything under ids of its own': worksOf(every(SHIPPED_WORKS.machines), every(SHIPPED_WORKS.stocks)),
};

const started = (family: AskedFamily, works: Works) =>
  startJob(family, { ...answersOf(family), ...usualIn(family, works) }, works);

describe('a job in a works of its own', () => {
  it.each(Object.keys(WORKS))('begins clean %s, or says what is missing', (name) => {
    const works = WORKS[name];
    if (!works) throw new Error('no works');
    for (const family of ASKED) {
      const { job, issues } = started(family, works);
      if (issues.length > 0) continue;
      const outcome = plan(job, works);
      if (!outcome.ok) throw new Error(`${family}: ${outcome.issues.map(({ code }) => code).join()}`);
      expect([family, checkRoute(job, outcome.value, works)]).toEqual([family, []]);
    }
  });

  it('begins every family where the works has what the shipped one has, whatever it calls it', () => {
    const works = WORKS['with everything under ids of its own'];
    if (!works) throw new Error('no works');
    expect(ASKED.filter((family) => started(family, works).issues.length > 0)).toEqual([]);
  });

  it('begins a book on a folder that turns once in sections that it folds', () => {
    const { job, issues } = started('perfect-bound', WORKS['with a folder that turns once'] ?? SHIPPED_WORKS);
    expect(issues).toEqual([]);
    const sections = (of: typeof job): number => of.components.filter(({ kind }) => kind === 'section').length;
    expect(sections(job)).toBeGreaterThan(sections(started('perfect-bound', SHIPPED_WORKS).job));
  });

  it.each([
    ['flat', 'with nothing', ['start.no-press', 'start.no-stock']],
    ['folded', 'of five machines', []],
    ['saddle-stitched', 'of five machines', ['start.no-machine']],
    ['labels', 'of five machines', ['start.no-press', 'start.no-stock']],
    ['case-bound', 'of five machines', ['start.no-stock', 'start.no-stock', 'start.no-stock']],
    ['numbered', 'of five machines', ['start.no-press', 'start.no-press']],
  ] as const)('%s in a works %s', (family, name, codes) => {
    const works = WORKS[name];
    if (!works) throw new Error('no works');
    expect(started(family, works).issues.map(({ code }) => code)).toEqual(codes);
  });

  it('a press or a paper that the works does not have is told, not thrown', () => {
    const answers = { ...answersOf('folded'), press: 'nobody', stock: 'nothing' };
    expect(startJob('folded', answers, SHIPPED_WORKS).issues.map(({ code, path }) => [code, path])).toEqual([
      ['job.unknown-machine', 'press'],
      ['job.unknown-stock', 'stock'],
    ]);
  });

  it('takes nothing that is retired', () => {
    const works: Works = {
      ...SHIPPED_WORKS,
      machines: SHIPPED_WORKS.machines.map((one) => ({ ...one, retired: one.id === 'b1-perfector' })),
    };
    const { job, issues } = started('folded', works);
    expect(issues).toEqual([]);
    expect(job.components.map(({ press }) => press)).toEqual(['b2-four']);
  });
});
