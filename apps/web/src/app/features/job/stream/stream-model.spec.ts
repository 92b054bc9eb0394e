import { example, planned } from '../job.fixture';
import { lossesOf, streamModel } from './stream-model';

const model = (name: string) => {
  const job = example(name);
  return streamModel(planned(job), job.components, ({ material }) => ({ title: material, lines: [] }), new Map());
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
