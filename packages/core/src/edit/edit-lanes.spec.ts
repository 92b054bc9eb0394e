import { SHIPPED_WORKS } from '../works/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import { plan } from '../plan/plan.js';
import { setField } from '../job/set-field.js';
import {
  joinStation,
  leaveOut,
  maySplit,
  openEnds,
  splitOf,
  splitStation,
  takeIn,
  takings,
  wholeShares,
} from './edit-lanes.js';
import { insertBefore, removeStep } from './edit-route.js';

const codes = (job: Job): string[] => {
  const outcome = plan(job, SHIPPED_WORKS);
  return outcome.ok ? [] : outcome.issues.map(({ code }) => code);
};

describe('a station on two machines', () => {
  const map = example('trail-map');
  const split = splitStation(map, 'fold', 'buckle-folder');

  it('halves the run, each half with its own set-up, and goes on as one', () => {
    const [whole, both] = [planned(map), planned(split)];
    const at = (id: string) => both.steps.find((step) => step.id === id);
    const [first, second] = [at('fold'), at('fold-2')];
    const out = whole.steps.find(({ id }) => id === 'fold')?.needsOut ?? 0;
    expect([first?.needsOut, second?.needsOut]).toEqual([Math.ceil(out / 2), Math.ceil(out / 2)]);
    expect(first?.setup).toBe(whole.steps.find(({ id }) => id === 'fold')?.setup);
    expect(second?.setup).toBe(first?.setup);
    expect(at('cut')?.needsOut).toBe((first?.processUnits ?? 0) + (second?.processUnits ?? 0));
    expect(at('band')?.processUnits).toBe(whole.steps.find(({ id }) => id === 'band')?.processUnits);
  });

  it('is through when the later of both machines is', () => {
    const path = ['route', split.route.findIndex(({ id }) => id === 'fold'), 'makes', 0, 'share'];
    for (const share of [0.9, 0.1]) {
      const { figures } = planned(wholeShares(setField(split, path, share) as Job, path));
      const at = (id: string): number => figures[id]?.value ?? NaN;
      const later = Math.max(at('step.fold.lead'), at('step.fold-2.lead'));
      expect(at('step.fold.lead')).not.toBe(at('step.fold-2.lead'));
      expect(at('step.band.lead')).toBeCloseTo(later + at('step.band.hours'), 9);
    }
  });

  it('shares what is left where the share of one is set, and is put back as it was', () => {
    const path = ['route', split.route.findIndex(({ id }) => id === 'fold'), 'makes', 0, 'share'];
    const uneven = wholeShares(setField(split, path, 0.7) as Job, path);
    expect(uneven.route.find(({ id }) => id === 'fold-2')?.makes).toEqual([{ material: 'fold.both', share: 0.3 }]);
    expect(codes(uneven)).toEqual([]);
    expect(splitOf(uneven, 'fold-2')).toBe('fold');
    expect(joinStation(uneven, 'fold-2')).toEqual(map);
  });

  it('has what is put before one of its machines before the other too', () => {
    const book = example('orchid-field-guide');
    const wet = removeStep(splitStation(book, 'trim'), 'cool');
    const mended = insertBefore(wet, 'trim-2', 'cool');
    expect(mended.route.filter(({ operation }) => operation === 'cool')).toHaveLength(1);
    for (const id of ['trim', 'trim-2'])
      expect(mended.route.find((step) => step.id === id)?.from).toEqual([{ material: 'cool' }]);
    expect(codes(mended)).toEqual([]);
  });

  it('is not for presses, for drying, or for a station that runs on two already', () => {
    expect(maySplit(map, 'print-map')).toBe(false);
    expect(maySplit(map, 'dry-map')).toBe(false);
    expect(maySplit(split, 'fold')).toBe(false);
    expect(splitStation(split, 'fold')).toBe(split);
  });
});

describe('lanes joined and parted by hand', () => {
  const programme = example('concert-programme');
  const [first = { material: '' }] = takings(programme, 'stitch');

  it('parts a lane, says that it ends nowhere, and takes it in again', () => {
    expect(takings(programme, 'stitch').length).toBeGreaterThan(1);
    const parted = leaveOut(programme, 'stitch', first.material);
    expect(codes(parted)).toContain('flow.no-end');
    expect(openEnds(parted, 'stitch').map(({ material }) => material)).toContain(first.material);
    const again = takeIn(parted, 'stitch', first.material);
    expect(planned(again).totals.pressSheets).toEqual(planned(programme).totals.pressSheets);
  });

  it('never makes a circle, and keeps one thing coming in', () => {
    const lane = programme.route.find(({ component, operation }) => component !== undefined && operation === 'print');
    // The product stands behind every lane that is joined to it.
    expect(openEnds(programme, lane?.id ?? '').map(({ material }) => material)).not.toContain('box');
    expect(takeIn(programme, 'stitch', 'box')).toBe(programme);
    expect(leaveOut(programme, 'box', 'trim')).toEqual(programme);
  });
});
