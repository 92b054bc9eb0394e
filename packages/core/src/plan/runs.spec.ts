import { SHIPPED_WORKS, type Works } from '../works/index.js';
import type { Job } from '../job/job.js';
import type { Step } from '../job/step.js';
import { listCarriers } from '../prepress/carriers.js';
import { joinRuns, reprintOf, splitRun } from '../edit/split-run.js';
import { reckonSure } from '../outlook/index.js';
import { example, planned, withoutNorms } from './examples.fixture.js';
import { plan } from './plan.js';

const codes = (job: Job): string[] => {
  const outcome = plan(job, SHIPPED_WORKS);
  return outcome.ok ? [] : outcome.issues.map(({ code, path }) => `${code} ${path}`);
};
const units = (job: Job, step: string, works?: Works): number =>
  planned(job, works).steps.find(({ id }) => id === step)?.processUnits ?? NaN;
const patched = (job: Job, id: string, patch: Partial<Step>): Job => ({
  ...job,
  route: job.route.map((step) => (step.id === id ? { ...step, ...patch } : step)),
});
const map = example('trail-map');

describe('sureness as the school of a job', () => {
  const sure: Job = { ...map, school: 'sure' };

  it('plans with what the sureness school answers at the same seed and draws', () => {
    const answer = reckonSure(sure, SHIPPED_WORKS, { seed: 7, draws: 4000 });
    if (!answer.ok) throw new Error('no answer');
    expect(planned(sure).totals.pressSheets).toEqual(answer.value.quantities);
    expect(planned(sure).schools.sure).toEqual(answer.value.quantities);
  });

  it('wants more the surer, all along the route, and never less than the step after it', () => {
    const at = (p: number) => planned({ ...sure, norms: { ...sure.norms, 'sure.p': p } });
    const [half, most] = [at(0.5), at(0.99)];
    half.steps.forEach(({ processUnits, running }, i) => {
      if (running > 0) expect(most.steps[i]?.processUnits).toBeGreaterThan(processUnits);
    });
    const [print, , second] = most.steps;
    expect(print?.processUnits).toBeGreaterThan(second?.processUnits ?? Infinity);
  });

  it('opens to step by step and a margin that says how it came about', () => {
    const { figures } = planned(sure);
    const [first] = planned(sure).steps;
    const figure = figures[`step.${first?.id ?? ''}.processUnits`];
    expect(figure?.formula).toBe('steps + margin');
    expect(figures[figure?.inputs['margin'] ?? '']?.source.note).toContain('90 % of 4000 runs drawn from seed 7');
    expect(figures[figure?.inputs['steps'] ?? '']?.value).toBe(5484);
  });
});

describe('running spoilage told of the net', () => {
  it('is what the works sets for all its jobs, and needs less at the same per cents', () => {
    const norm = { value: 1, source: { label: 'practice' } } as const;
    const works: Works = { ...SHIPPED_WORKS, norms: { 'flow.percentOf': norm } };
    // Band 0.1 % of 10,000 net: 10,010; of what runs 10,011 (identity, handbook chapter 6).
    expect([units(map, 'band'), units(map, 'band', works)]).toEqual([10_011, 10_010]);
    const { figures } = planned(map, works);
    expect(figures['step.band.running']?.formula).toBe('told / (1 + told)');
  });
});

describe('set-up from the spoils of an earlier step', () => {
  // The folder wants 60 maps; the second side spoils 50 sheets, the guillotine parts each in two: 100 maps, so that none is good.
  const from = (id: string): Job => patched(map, 'fold', { setupFrom: id });

  it('takes good material for what is left', () => {
    const second = map.route.find(({ operation, side }) => operation === 'print' && side === 'back')?.id ?? '';
    const fold = planned(from(second)).steps.find(({ id }) => id === 'fold');
    expect(fold).toMatchObject({ setup: 0, setupSpoils: 60, processUnits: 10_113 });
    // The guillotine spoils 5 sheets: 10 maps.
    const few = planned(from('cut')).steps.find(({ id }) => id === 'fold');
    expect(few).toMatchObject({ setup: 50, setupSpoils: 10, processUnits: 10_163 });
  });

  it('says when the step is not fed by the other', () => {
    expect(codes(from('band'))).toEqual([expect.stringMatching(/^flow.spoils-not-before route\[\d+\].setupFrom$/)]);
    expect(codes(from('nothing'))).toHaveLength(1);
  });
});

describe('a run split in two', () => {
  const split = splitRun(map, 'map', 0.6);

  it('has a set-up each, prints from the same plates, and needs no less than one run', () => {
    const [whole, both] = [planned(map), planned(split)];
    const [one = 0, two = 0] = Object.values(both.totals.pressSheets);
    expect(one + two).toBeGreaterThanOrEqual((whole.totals.pressSheets['map'] ?? 0) + 200);
    // What the job sets for the first run holds for the second: half and half are alike.
    const halves = Object.values(planned(splitRun(map, 'map', 0.5)).totals.pressSheets);
    expect(halves[0]).toBe(halves[1]);
    expect(both.advice).toEqual(whole.advice);
    expect(both.totals.plates).toBe(whole.totals.plates);
    expect(listCarriers(split, both, SHIPPED_WORKS).length).toBe(both.totals.plates);
  });

  it('makes plates again on another press', () => {
    const [component] = map.components;
    const press = SHIPPED_WORKS.machines.find(({ id }) => id === component?.press);
    if (!press) throw new Error('no press');
    const works: Works = { ...SHIPPED_WORKS, machines: [...SHIPPED_WORKS.machines, { ...press, id: 'twin' }] };
    const elsewhere = split.components.map((c) => (c.runOf ? { ...c, press: 'twin' } : c));
    expect(planned({ ...split, components: elsewhere }, works).totals.plates).toBe(2 * planned(map).totals.plates);
  });

  it('goes back together as it was', () => {
    expect(joinRuns(split, 'map')).toEqual(map);
    expect(splitRun(split, 'map', 0.5)).toBe(split);
  });

  it('is told when the other run is no component', () => {
    const lost = { ...split, components: split.components.map((c) => (c.runOf ? { ...c, runOf: 'x' } : c)) };
    expect(codes(lost)).toContain('job.unknown-run components[1].runOf');
  });

  it('leaves the pages of a bound product alone', () => {
    const programme = example('concert-programme');
    const [section] = programme.components;
    const runs = planned(splitRun(programme, section?.id ?? '', 0.5));
    expect(runs.advice.map(({ code }) => code)).toEqual(planned(programme).advice.map(({ code }) => code));
    expect(runs.layouts[`${section?.id ?? ''}-run2`]?.section?.order).toBe(
      runs.layouts[section?.id ?? '']?.section?.order,
    );
  });
});

describe('a reprint', () => {
  it('is a job of the one lane, for what is missing', () => {
    const programme = example('concert-programme');
    const cover = programme.components.find(({ kind }) => kind === 'cover');
    const again = reprintOf(programme, cover?.id ?? '', 400);
    const { totals } = planned(again);
    expect(Object.keys(totals.pressSheets)).toEqual([cover?.id]);
    // The cover's lane of the worked example for 400: cut 8 up 0.2 % + 5: 56; coat 0.5 % + 40: 97; print 1.5 % + 240: 339.
    expect(totals.pressSheets).toEqual({ [cover?.id ?? '']: 339 });
  });
});

describe('packs', () => {
  const band = map.route.find(({ operation }) => operation === 'band');

  it('of eight copies take eight of each: 8 maps a pack (identity)', () => {
    const last = band?.from?.[0]?.material ?? '';
    const packs: Job = {
      ...patched(map, 'band', { from: [{ material: last, usage: 8 }], running: 0, setup: 0 }),
      order: { ...map.order, quantity: 1000 },
    };
    expect(planned(packs).steps.find(({ id }) => id === 'fold')?.needsOut).toBe(8000);
  });

  it('of several designs are ordered by the pack, and take as many of each as one holds', () => {
    const cards = withoutNorms(example('garden-cards'));
    const items = cards.items ?? [];
    const ends = items.map(({ id }) => {
      const used = new Set(cards.route.flatMap(({ from = [] }) => from.map(({ material }) => material)));
      const own = cards.route.filter(({ id: step }) => !used.has(step) && step.endsWith(id)).map((step) => step.id);
      return own[0] ?? `item.${id}`;
    });
    const job: Job = {
      ...cards,
      order: { ...cards.order, quantity: 500 },
      route: [
        ...cards.route,
        { id: 'pack', operation: 'hand', from: ends.map((material, i) => ({ material, usage: i === 0 ? 2 : 1 })) },
      ],
    };
    const { steps } = planned(job);
    // Hand work 0.5 %: 503 packs begun (handbook chapter 6).
    expect(steps.at(-1)).toMatchObject({ id: 'pack', processUnits: 503, needsOut: 500 });
    const first = steps.find(({ id }) => id === ends[0]) ?? steps.find(({ id }) => id.startsWith('cut'));
    expect(first?.needsOut).toBeGreaterThanOrEqual(1006);
  });
});

describe('other stations', () => {
  const after = (job: Job, step: Step): Job => ({
    ...job,
    route: [
      ...job.route.map((other) => (other.id === 'band' ? { ...other, from: [{ material: step.id }] } : other)),
      { ...step, from: job.route.find(({ id }) => id === 'band')?.from },
    ],
  });

  it('count rejects at an inspection, what goes out of house and comes back, hand work done twice', () => {
    const inspect = after(map, { id: 'look', operation: 'inspect', running: 0.02 });
    expect(units(inspect, 'look')).toBe(Math.ceil(10_011 / 0.98));
    const away = planned(after(map, { id: 'away', operation: 'outside', hours: 48 }));
    expect(away.steps.find(({ id }) => id === 'away')).toMatchObject({ processUnits: 10_113, lagHours: 48, hours: 0 });
    expect(away.totals.leadHours).toBeCloseTo(planned(map).totals.leadHours + 48, 0);
    const twice = after(after(map, { id: 'one', operation: 'hand' }), { id: 'two', operation: 'hand' });
    expect(units(twice, 'one')).toBe(Math.ceil(units(twice, 'two') / 0.995));
  });

  it('rewind 12,000 m of printed web into 4,000 rolls of 3 m (identity, handbook chapter 3)', () => {
    const stickers = example('permit-stickers');
    const repeat = stickers.components[0]?.sheet.heightMm ?? 0;
    const print = stickers.route.find(({ operation }) => operation === 'print');
    const rolls: Job = {
      ...stickers,
      order: { ...stickers.order, quantity: 4000, plannedOvers: 0 },
      norms: { 'spoil.print-narrow.splice': 0 },
      route: [
        { ...print, id: print?.id ?? '', operation: 'print', yield: 1, setup: 0, running: 0 },
        {
          id: 'rolls',
          operation: 'rewind',
          from: [{ material: print?.id ?? '', usage: 3000 / repeat }],
          setup: 0,
          running: 0,
        },
      ],
    };
    expect((units(rolls, print?.id ?? '') * repeat) / 1000).toBeCloseTo(12_000, 0);
  });
});

describe('partial deliveries', () => {
  it('are the order, no more and no less', () => {
    const parts = (...quantities: number[]): Job => ({
      ...map,
      order: { ...map.order, deliveries: quantities.map((quantity) => ({ quantity })) },
    });
    expect(codes(parts(4000, 6000))).toEqual([]);
    expect(codes(parts(4000, 5000))).toEqual(['order.deliveries order.deliveries']);
  });
});

describe('versions of a printed part', () => {
  it('each spoil a set-up of their own: three of them are two changes (common practice, no source)', () => {
    const plain = withoutNorms(map);
    const [component] = plain.components;
    const versions = { names: ['English', 'German', 'French'], inks: ['K'] };
    const job: Job = { ...plain, components: component ? [{ ...component, versions }] : [] };
    const setup = (of: Job) => planned(of).steps[0]?.setup ?? NaN;
    expect(setup(job)).toBe(setup(plain) + 2 * 40);
    const first = job.route[0]?.id ?? '';
    expect(planned(job).figures[`step.${first}.setup`]?.formula).toBe('base + each * colours + change * changes');
  });
});

describe('worn carriers', () => {
  it('each spoil a set-up when they are changed, repeated until it stands (common practice, no source)', () => {
    const life = (impressions: number): Job => ({ ...map, norms: { ...map.norms, 'plate.life': impressions } });
    const first = map.route[0]?.id ?? '';
    const [print] = planned(life(4000)).steps;
    // Work-and-turn: a plate runs twice over each of 5,484 sheets: 10,968 and what the changes spoil want three sets.
    expect(print?.setup).toBe(200 + 2 * 4 * 15);
    const { figures, totals } = planned(life(4000));
    expect(totals.plates).toBe(3 * 4);
    expect(figures[`step.${first}.setup`]?.formula).toBe('ready + worn * plate * colours');
    expect(planned(life(200_000)).steps[0]?.setup).toBe(200);
  });

  it('that a change wears out anew never end, and are told (no hang)', () => {
    // A change spoils 60 sheets, 120 impressions of a plate in work-and-turn: as much as it lives, or more.
    for (const life of [120, 1, 0.000001])
      expect(codes({ ...map, norms: { ...map.norms, 'plate.life': life } })).toEqual([
        expect.stringMatching(/^press.carrier-life components\[0\].press$/),
      ]);
  });
});
