import { example, planned } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { callOff, leavesBy, mostFinished, packedAs } from './finished.js';

describe('finished stock', () => {
  const job = example('tea-shipper');
  const packed = packedAs(job, planned(job));

  it('remembers mass and pallet of the product that its job made', () => {
    const plan = planned(job);
    const end = plan.edges.find(({ to }) => to === null);
    expect(packed.pieceG).toBe(end?.state.massG);
    // Bundles of 25 on the pallet, so many to a layer and so many layers.
    expect((packed.perPallet ?? 0) % 25).toBe(0);
    expect(packed.perPallet).toBeGreaterThan(0);
  });

  it('remembers the last that leaves and no pallet where the route ends without one', () => {
    const guide = example('walking-guide');
    expect(packedAs(guide, planned(guide))).toEqual({ pieceG: expect.closeTo(266.6577312, 6) as number });
    const map = example('trail-map');
    const plan = planned(map);
    expect(packedAs(map, plan).perPallet).toBe(plan.figures['step.box.fullPallet']?.value);
  });

  it('is called off from one pallet to several trucks: 0.4 m a pallet of 800 x 1200 (handbook chapter 7)', () => {
    const packing = { pieceG: 500, perPallet: 400 };
    expect(callOff(400, packing, SHIPPED_WORKS)).toEqual({
      pallets: 1,
      partly: 0,
      kg: 200,
      loadingM: expect.closeTo(0.4, 9) as number,
      vehicles: 1,
    });
    // 34 pallets fill a trailer of 13.6 m; one piece more begins the 35th pallet and a second trailer.
    expect(callOff(34 * 400, packing, SHIPPED_WORKS)).toMatchObject({ pallets: 34, partly: 0, vehicles: 1 });
    expect(callOff(34 * 400 + 1, packing, SHIPPED_WORKS)).toMatchObject({ pallets: 34, partly: 1, vehicles: 2 });
    // Heavy goods fill it by mass: 60 t in three trailers of 24 t.
    expect(callOff(60_000, { pieceG: 1000, perPallet: 2000 }, SHIPPED_WORKS).vehicles).toBe(3);
  });

  it('tells pieces and kilograms alone where nothing is palletised', () => {
    expect(callOff(10, { pieceG: 50 }, SHIPPED_WORKS)).toEqual({
      pallets: 0,
      partly: 10,
      kg: 0.5,
      loadingM: undefined,
      vehicles: undefined,
    });
  });

  it('counts a pallet that is part filled as one to load', () => {
    expect(callOff(401, { pieceG: 500, perPallet: 400 }, SHIPPED_WORKS)).toMatchObject({
      pallets: 1,
      partly: 1,
      kg: 200.5,
      loadingM: expect.closeTo(0.8, 9) as number,
    });
    expect(callOff(10, { pieceG: 50, perPallet: 0 }, SHIPPED_WORKS)).toMatchObject({ pallets: 0, partly: 10 });
    expect(callOff(1, { pieceG: 50, perPallet: 1 }, SHIPPED_WORKS)).toMatchObject({ pallets: 1, partly: 0 });
  });

  it('leaves so many days before it is due, over the end of a month and a year', () => {
    expect(leavesBy('2027-03-02', 4)).toBe('2027-02-26');
    expect(leavesBy('2027-01-01', 1)).toBe('2026-12-31');
    expect(leavesBy('2027-01-01', 0)).toBe('2027-01-01');
  });
});

describe('what a job can give at most', () => {
  it('is its press sheets, each with all that is on it (identity)', () => {
    const job = example('trail-map');
    // Two maps on each of the sheets that are bought.
    expect(mostFinished(job, SHIPPED_WORKS)).toBe(2 * (planned(job).figures['total.pressSheets']?.value ?? 0));
  });

  it.each(['tea-caddy', 'star-atlas', 'season-tickets', 'gala-invitations', 'tea-shipper'])(
    'is never less than what %s delivers, and set by what runs out first',
    (name) => {
      const job = example(name);
      const most = mostFinished(job, SHIPPED_WORKS) ?? 0;
      const delivered = planned(job)
        .edges.filter(({ to }) => to === null)
        .reduce((sum, { count }) => sum + count, 0);
      expect(most).toBeGreaterThanOrEqual(delivered);
      // Short runs spoil most of what they take: invitations more than twice what they deliver.
      expect(most).toBeLessThan(4 * delivered);
    },
  );

  it('is what the scarcest of two materials allows: the part of which there is least', () => {
    // A box and the board that goes into it, each with a spoilage of its own: all that is spoiled least decides.
    const job = example('board-game-box');
    const plan = planned(job);
    const most = mostFinished(job, SHIPPED_WORKS) ?? 0;
    const board = plan.figures['part.board.count']?.value ?? 0;
    expect(most).toBe(Math.floor(board));
    const given = plan.edges.filter(({ from }) => from === null).map(({ count }) => count);
    expect(most).toBe(Math.floor(Math.min(...given)));
  });

  it('is unknown of what cannot be planned', () => {
    const job = example('trail-map');
    expect(mostFinished({ ...job, route: [] }, SHIPPED_WORKS)).toBeUndefined();
  });
});
