import { splitStation } from '../edit/index.js';
import { alikeComponents } from '../plan/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { differingSteps } from './differing.js';
import { lanesShown } from './lanes.js';
import { lossesOf, streamModel } from './model.js';

const model = (name: string) => {
  const job = example(name);
  return streamModel(job, planned(job), {
    open: new Set(job.components.map(({ id }) => id)),
    end: ({ material }) => ({ title: material, lines: [] }),
  });
};

describe('the stream as drawn', () => {
  it.each(['trail-map', 'concert-programme', 'tea-caddy', 'ferry-timetable', 'garden-cards'])(
    'runs from left to right without overlap (%s)',
    (name) => {
      const { stations, bands, terminals, width, height } = model(name);
      for (const a of stations) {
        expect(a.x).toBeGreaterThan(0);
        expect(a.x + a.width).toBeLessThan(width);
        expect(a.y).toBeLessThan(height);
        for (const b of stations) {
          if (a !== b && a.y === b.y) expect(a.x + a.width <= b.x || b.x + b.width <= a.x).toBe(true);
        }
      }
      expect(bands).toHaveLength(planned(example(name)).edges.length);
      const ends = planned(example(name)).edges.filter(({ to }) => to === null);
      expect(terminals.slice(-ends.length).map(({ title }) => title)).toEqual(ends.map(({ material }) => material));
      expect(new Set(terminals.slice(-ends.length).map(({ y }) => y)).size).toBe(ends.length);
    },
  );

  it('narrows by what is spoiled and never by a change of unit', () => {
    const { stations } = model('trail-map');
    const thick = stations.map(({ thickIn }) => thickIn);
    expect(thick).toEqual([...thick].sort((a, b) => b - a));
    const box = stations.at(-1);
    expect(box?.thickIn).toBe(box?.thickOut); // nothing is spoiled at the box
  });

  it('lets three lanes meet at the stitcher', () => {
    const { stations, bands } = model('concert-programme');
    const stitch = stations.find(({ step }) => step.id === 'stitch');
    expect(bands.filter(({ id }) => id.endsWith('>stitch'))).toHaveLength(3);
    expect(stitch?.y).toBe(stations.find(({ step }) => step.component === 'section-2')?.y);
  });

  it('tells set-up from running, and accounts for every unit', () => {
    for (const step of planned(example('concert-programme')).steps) {
      const { setupLost, runningLost } = lossesOf(step);
      expect(setupLost).toBe(step.setup);
      expect(step.processUnits).toBe(Math.ceil((step.needsOut + step.samples) / step.yield) + setupLost + runningLost);
    }
  });
});

describe('lanes that are alike', () => {
  const job = example('star-atlas');
  const groups = alikeComponents(job, planned(job).steps);
  const lanes = (open: string[], chosen: string | null) =>
    lanesShown(job.components, groups, new Set(open), chosen).map(({ name }) => name);

  it('stand as one under one name', () => {
    expect(lanes([], null)).toEqual([
      'Sections 1 and 12, 16 pages',
      'Sections 2-11, 16 pages',
      'Endpaper',
      'Board',
      'Spine strip',
      'Cloth',
    ]);
  });
  it('stand as the one that holds the chosen station', () => {
    expect(lanes([], 'section-7')[1]).toBe('Sections 2-11, 16 pages: Section 7, 16 pages');
    expect(lanesShown(job.components, groups, new Set(), 'section-7')[1]?.id).toBe('section-7');
  });
  it('stand each by itself where that is asked', () => {
    expect(lanes(['section-1'], null).slice(0, 3)).toEqual([
      'Section 1, 16 pages',
      'Section 12, 16 pages',
      'Sections 2-11, 16 pages',
    ]);
  });
});

describe('a stream of many lanes', () => {
  const job = example('star-atlas');
  const drawn = streamModel(job, planned(job), { marks: new Map([['case', 'hard']]) });

  it('lets lanes that join go on in the middle of where they came from', () => {
    const y = (id: string): number => drawn.stations.find(({ step }) => step.id === id)?.y ?? NaN;
    expect(y('gather')).toBe((y('fold-section-1') + y('fold-section-2')) / 2);
    expect(y('case')).toBe(y('cut-strip'));
    expect(y('case-in')).toBe((y('line') + y('stamp')) / 2);
  });
  it('marks what breaks a rule, and names the parts that a station takes', () => {
    expect(drawn.stations.find(({ step }) => step.id === 'case')?.mark).toBe('hard');
    const wallet = example('puzzle-wallet');
    const withPart = streamModel(wallet, planned(wallet));
    expect(withPart.stations.find(({ step }) => step.id === 'insert')?.takes).toEqual(['Insert']);
    expect(withPart.terminals.map(({ id }) => id)).not.toContain('part.insert');
  });

  it('draws a station on two machines as two, one above the other, and its lane goes on between them', () => {
    const map = splitStation(example('trail-map'), 'fold');
    const split = streamModel(map, planned(map));
    const y = (id: string): number => split.stations.find(({ step }) => step.id === id)?.y ?? NaN;
    expect(y('fold-2') - y('fold')).toBeGreaterThanOrEqual(92);
    expect(y('cut')).toBe((y('fold') + y('fold-2')) / 2);
    expect(y('band')).toBe(y('cut'));
    expect(split.height).toBeGreaterThan(y('fold-2') + 44);
  });
});

describe('stations that differ between two plans', () => {
  it('are none of a plan and itself, all that a longer run reaches, and those that only one has', () => {
    const job = example('trail-map');
    const kept = planned(job);
    expect(differingSteps(kept, planned(job)).size).toBe(0);
    const more = planned({ ...job, order: { ...job.order, quantity: job.order.quantity * 2 } });
    const counted = kept.steps.filter(({ operation }) => operation !== 'dry').map(({ id }) => id);
    expect([...differingSteps(kept, more).keys()]).toEqual(expect.arrayContaining(counted));
    const without = planned({
      ...job,
      route: job.route.map((step) => (step.id === 'box' ? { ...step, setup: 3 } : step)),
    });
    expect(differingSteps(kept, { ...without, steps: without.steps.filter(({ id }) => id !== 'box') }).has('box')).toBe(
      true,
    );
  });
  it('are marked where the stream is drawn', () => {
    const job = example('trail-map');
    const kept = planned(job);
    const more = planned({ ...job, order: { ...job.order, quantity: job.order.quantity * 2 } });
    const marks = differingSteps(kept, more);
    const { stations } = streamModel(job, kept, { marks });
    expect(
      stations
        .filter(({ mark }) => mark === 'differs')
        .map(({ step }) => step.id)
        .sort(),
    ).toEqual([...marks.keys()].sort());
  });
});
