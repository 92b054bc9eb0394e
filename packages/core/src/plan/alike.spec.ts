import type { Component, Job } from '../job/index.js';
import { alikeComponents } from './alike.js';
import { bottleneckOf } from './bottleneck.js';
import { example, planned } from './examples.fixture.js';

const atlas = example('star-atlas');
const namesOf = (job: Job): string[] => alikeComponents(job, planned(job).steps).map(({ name }) => name);
const changed = (id: string, change: Partial<Component>): Job => ({
  ...atlas,
  components: atlas.components.map((one) => (one.id === id ? { ...one, ...change } : one)),
});

describe('components that are alike', () => {
  it('are called together by their numbers', () => {
    expect(namesOf(atlas).slice(0, 2)).toEqual(['Sections 1 and 12, 16 pages', 'Sections 2-11, 16 pages']);
  });
  it('are no longer alike once one is told otherwise, so that no station loses what is its own', () => {
    const [front = []] = [atlas.components.find(({ id }) => id === 'section-5')?.front];
    const covered = front.map((ink) => ({ ...ink, coverage: 0.9 }));
    expect(namesOf(changed('section-5', { front: covered }))).toContain('Section 5, 16 pages');
    const noted = atlas.route.map((step) =>
      step.id === 'fold-section-5' ? { ...step, note: 'Perforate the head.' } : step,
    );
    expect(namesOf({ ...atlas, route: noted })).toContain('Section 5, 16 pages');
  });
  it('stay alike where only their zones differ: those are told for each', () => {
    const [front = []] = [atlas.components.find(({ id }) => id === 'section-5')?.front];
    const zoned = front.map((ink) => ({ ...ink, zones: Array.from({ length: 32 }, () => 0.2) }));
    expect(namesOf(changed('section-5', { front: zoned }))).toContain('Sections 2-11, 16 pages');
  });
  it('are named one by one where they are few and not in a row, and by their first where they have no number', () => {
    const left = { ...atlas, components: atlas.components.map((one) => one) };
    const renamed = (names: Readonly<Record<string, string>>): Job => ({
      ...left,
      components: left.components.map((one) => ({ ...one, name: names[one.id] ?? one.name })),
    });
    expect(namesOf(renamed({ 'section-12': 'Section 4, 16 pages' }))[0]).toBe('Sections 1 and 4, 16 pages');
    expect(namesOf(renamed({ 'section-12': 'Last section' }))[0]).toBe('Section 1, 16 pages, and 1 more alike');
  });
});

describe('what keeps a job longest', () => {
  const step = (id: string, machine: string | null, hours: number, lagHours = 0) => ({
    ...planned(example('trail-map')).steps[0],
    ...{ id, machine, hours, lagHours, waitHours: 0 },
  });
  const most = (...steps: ReturnType<typeof step>[]) =>
    bottleneckOf({ steps: steps as Parameters<typeof bottleneckOf>[0]['steps'] });

  it('is the machine with the most hours over all its steps, at its longest (identity)', () => {
    expect(most(step('a', 'press', 2), step('b', 'folder', 3), step('c', 'press', 1.5))).toEqual({
      ...{ step: 'a', machine: 'press', kind: 'machine', hours: 3.5 },
    });
  });
  it('is where it lies, if that is longer; nothing where nothing takes time (identity)', () => {
    expect(most(step('a', 'press', 2), step('dry', null, 0, 18))).toMatchObject({
      step: 'dry',
      kind: 'lying',
      hours: 18,
    });
    expect(most(step('a', 'press', 0))).toBeUndefined();
  });
});
