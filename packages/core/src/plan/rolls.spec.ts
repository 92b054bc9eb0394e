import fc from 'fast-check';
import { normsOf } from '../norms/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { planRolls, rollsThatStand, usableLengthM } from '../webs/index.js';
import type { Job } from '../job/job.js';
import { example, planned } from './examples.fixture.js';
import { plan } from './plan.js';
import { runRolls } from './press/roll-figures.js';

const ROLL = { outerMm: 1000, coreMm: 76, caliperUm: 100, wrapsMm: 0, coreWasteMm: 0 };

describe('rolls of a run', () => {
  it('hold 7,808.6 m at 1,000 mm on a 76 mm core, 0.100 mm (identity, handbook chapter 3)', () => {
    expect(usableLengthM(ROLL)).toBeCloseTo(7808.6, 1);
    // Wraps and core waste: pi (996^2 - 86^2) / 400, about 1 % (handbook chapter 6: 1 to 2 % of weight).
    expect(usableLengthM({ ...ROLL, wrapsMm: 4, coreWasteMm: 10 })).toBeCloseTo(
      (Math.PI * (996 ** 2 - 86 ** 2)) / 400,
      6,
    );
  });

  it('run one behind another, and the last keeps what is left (identity)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200_000 }), (needed) => {
        const rolls = planRolls(needed, ROLL);
        expect(rolls.reduce((sum, { fromM, toM }) => sum + toM - fromM, 0)).toBeCloseTo(needed, 6);
        expect(rolls.length).toBe(Math.ceil(needed / usableLengthM(ROLL)));
        for (const { fromM, number } of rolls) expect(fromM).toBeCloseTo(rolls[number - 2]?.toM ?? 0, 9);
        const last = rolls.at(-1);
        // What is left is the ring between the core and the diameter that it ends at.
        expect((Math.PI * ((last?.endMm ?? 0) ** 2 - 76 ** 2)) / 400).toBeCloseTo(last?.leftM ?? NaN, 6);
      }),
    );
  });

  it('stand: as many as their own splices need, and one fewer would not do', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500_000 }), fc.integer({ min: 0, max: 3000 }), (units, loss) => {
        const found = rollsThatStand(units, loss, 578, 40, 7000);
        if (!found) throw new Error('did not stand');
        expect(found.units).toBe(units + found.splices * loss);
        expect((found.units * 578) / 1e6).toBeLessThanOrEqual((found.rolls * 7000 - 40) / 1000 + 1e-9);
        const fewer = found.rolls - 1;
        if (fewer > 0) expect(((units + (fewer - 1) * loss) * 578) / 1000 + 40).toBeGreaterThan(fewer * 7000);
      }),
    );
  });

  it('never stand where a splice loses a roll', () => {
    expect(rollsThatStand(100, 20_000, 578, 0, 7000)).toBeUndefined();
    expect(rollsThatStand(100, 1, 578, 0, 0)).toBeUndefined();
    expect(planRolls(100, { ...ROLL, wrapsMm: 1000 })).toEqual([]);
  });
});

describe('a web job', () => {
  const job = example('ferry-timetable');
  const { figures, layouts, totals } = planned(job);
  const value = (id: string): number => figures[id]?.value ?? NaN;

  it('counts its splices until they stand', () => {
    // 190,196 cut-offs without splices (kinds.spec) are 109,933.3 m; 10,493 m of a roll are printable: 11 rolls, 10
    // splices of 60 copies, one a cut-off: 190,796; 110,280.1 m and the 40 m that thread the press are 11 rolls still.
    expect(totals.pressSheets).toEqual({ leaflet: 190_796 });
    expect(value('component.leaflet.rolls')).toBe(11);
    expect(value('component.leaflet.splices')).toBe(10);
    expect(value('step.print-leaflet.setup')).toBe(2500 + 600);
    expect(value('component.leaflet.rollUsable') * 11).toBeGreaterThan((190_796 * 578) / 1000 + 40);
  });

  it('hands its rolls over one by one', () => {
    const [layout] = Object.values(layouts);
    const rolls = layout ? runRolls(layout, figures, normsOf(SHIPPED_WORKS, job.norms)) : [];
    expect(rolls).toHaveLength(11);
    expect(rolls.at(-1)?.toM).toBeCloseTo((190_796 * 578) / 1000 + 40, 6);
  });

  it('says when rolls are too short for their splices', () => {
    const short: Job = { ...job, norms: { 'machine.heatset-web.rollOuter': 100 } };
    const outcome = plan(short, SHIPPED_WORKS);
    expect(outcome.ok ? [] : outcome.issues.map(({ code, path }) => `${code} ${path}`)).toEqual([
      'web.rolls components[0].sheet',
    ]);
  });
});

describe('the timetable of the handbook', () => {
  it('takes 126,336 cut-offs and 73,022.2 m (handbook chapter 6, its own norms: no splices, no incidents)', () => {
    const job = example('ferry-timetable');
    const [component] = job.components;
    const two: Job = {
      ...job,
      order: { ...job.order, quantity: 240_000, plannedOvers: 0 },
      norms: { 'spoil.print-web.splice': 0 },
      route: [
        { id: 'print-leaflet', operation: 'print', component: component?.id, side: 'both', yield: 2, incidents: [] },
        { id: 'band', operation: 'band', from: [{ material: 'print-leaflet' }] },
      ],
    };
    const { totals, figures } = planned(two);
    expect(totals.pressSheets).toEqual({ leaflet: 126_336 });
    expect(figures['component.leaflet.webM']?.value).toBeCloseTo(73_022.2, 1);
  });
});
