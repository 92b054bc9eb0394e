import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { normCatalogue } from '../norms/index.js';
import { answersOf } from '../families/families.fixture.js';
import type { Job } from '../job/job.js';
import { makeJob } from '../families/new-job.js';
import { example, planned } from './examples.fixture.js';
import { type Count, type Rate, hourly, runHours } from './hours/throughput.js';

const figure = (job: Job, id: string, works?: Works): number => planned(job, works).figures[id]?.value ?? NaN;

describe('a rate counts something', () => {
  it('and takes no other unit: the compiler refuses it', () => {
    const sections = 12_000 as Count<'sections'>;
    expect(runHours(sections, hourly('sections', 5_000), 1)).toBeCloseTo(2.4, 12);
    const rolls: Rate<'rolls'> = hourly('rolls', 3_000);
    // @ts-expect-error sections are not divided by rolls an hour
    expect(runHours(sections, rolls, 1)).toBeCloseTo(4, 12);
  });

  it('every speed of the shipped works says what it counts', () => {
    const speeds = [...normCatalogue(SHIPPED_WORKS).values()].filter(({ id }) => /^machine\..+\.speed$/.test(id));
    expect(speeds.length).toBeGreaterThan(40);
    expect(speeds.filter(({ counts }) => counts === undefined).map(({ id }) => id)).toEqual([]);
  });

  it('sewing counts sections: forty take twenty times the run of two (handbook chapter 8: 5,000 sections an hour)', () => {
    const job = example('star-atlas');
    const run = (made: Job): number => figure(made, 'step.sew.hours') - 0.5;
    expect(run(job)).toBeCloseTo((figure(job, 'step.sew.processUnits') * 12) / 5_000, 9);
  });

  it.each([
    ['corrugated-b', 1, 'B flute at full speed'],
    ['corrugated-bc', 0.665, 'B and C flute at once, as double wall'],
  ])('the corrugator runs %s slowed to a share of %d of 180 m/min: %s (common practice, no source)', (stock, share) => {
    const job = example('tea-shipper');
    const on = { ...job, components: job.components.map((one) => ({ ...one, stock, widthMm: 280, heightMm: 180 })) };
    const metres = figure(on, 'step.corrugate.through');
    expect(metres).toBeGreaterThan(1_000);
    expect(figure(on, 'step.corrugate.hours')).toBeCloseTo(0.25 + metres / (180 * 60 * share), 9);
  });

  it('rewinding counts rolls: 3.0 h for 8,000 (handbook chapter 3: 3,000 an hour)', () => {
    const job = example('shelf-lining');
    const rolls = Math.ceil(figure(job, 'step.rewind.processUnits') * 0.128);
    expect(figure(job, 'step.rewind.hours')).toBeCloseTo(0.3 + rolls / 3_000, 9);
    expect(figure(job, 'step.rewind.hours')).toBeCloseTo(3.0, 1);
  });

  it('converting counts repeats of six labels, not labels: 2.4 h (identity)', () => {
    const job = example('permit-stickers');
    const repeats = Math.ceil(figure(job, 'step.convert.processUnits') / 6);
    expect(figure(job, 'step.convert.hours')).toBeCloseTo(0.75 + repeats / 4_000, 9);
    expect(figure(job, 'step.convert.hours')).toBeCloseTo(2.4, 1);
  });

  it('the final check of a book takes 11 s, that of a sheet its own time (handbook chapter 7: 8 to 15 s)', () => {
    const atlas = example('star-atlas');
    expect(figure(atlas, 'step.inspect.hours')).toBeCloseTo(
      0.1 + (figure(atlas, 'step.inspect.processUnits') * 11) / 3600,
      9,
    );
    const tickets = example('season-tickets');
    expect(figure(tickets, 'step.inspect.hours')).toBeCloseTo(
      0.1 + figure(tickets, 'step.inspect.processUnits') / 1_500,
      9,
    );
  });

  it('the case press runs at its own rate, 6,000 an hour with 0.15 h a colour (handbook chapter 8)', () => {
    const job = example('tea-shipper');
    expect(figure(job, 'step.print-case.hours')).toBeCloseTo(
      0.5 + 0.15 + figure(job, 'step.print-case.processUnits') / 6_000,
      9,
    );
  });

  it('film runs by metres of sheet, 40 a minute (handbook chapter 8)', () => {
    const job = example('orchid-field-guide');
    const metres = figure(job, 'step.laminate-cover.processUnits') * 0.72;
    expect(figure(job, 'step.laminate-cover.hours')).toBeCloseTo(0.4 + metres / (60 * 40), 9);
  });

  it('a high die cuts a stack at one stroke: floor(stack / caliper) sheets (handbook chapter 7)', () => {
    const job = example('seed-packets');
    // 60 mm of 108 um: 555 sheets
    expect(figure(job, 'step.die-cut.sheets')).toBe(555);
    expect(figure(job, 'step.die-cut.through')).toBe(Math.ceil(figure(job, 'step.die-cut.processUnits') / 555));
  });

  it('slows along its curve, and opens to the points (identity: straight line)', () => {
    const id = 'machine.b1-perfector.caliper';
    const source = { label: 'set by user' } as const;
    const works: Works = {
      ...SHIPPED_WORKS,
      norms: { [`${id}.60`]: { value: 0.8, source }, [`${id}.120`]: { value: 1, source } },
    };
    const job = example('concert-programme');
    // 82.8 um lie 22.8 of 60 beyond the first point: 0.8 + 0.2 x 0.38
    expect(figure(job, 'step.print-section-1.caliperShare', works)).toBeCloseTo(0.876, 9);
    const base = figure(job, 'step.print-section-1.setupHours');
    const run = (made?: Works): number => figure(job, 'step.print-section-1.hours', made) - base;
    expect(run(works)).toBeCloseTo(run() / 0.876, 9);
  });

  it('one press does its forms one after another: first sheet to last box is no shorter than its hours (identity)', () => {
    const made = planned(example('star-atlas'));
    const press = made.steps
      .filter(({ machine }) => machine === 'b1-perfector')
      .reduce((sum, { hours }) => sum + hours, 0);
    expect(made.totals.leadHours).toBeGreaterThan(press);
    const leads = made.steps
      .filter(({ operation }) => operation === 'print')
      .map(({ id, hours }) => [
        (made.figures[`step.${id}.lead`]?.value ?? 0) - hours,
        made.figures[`step.${id}.lead`]?.value ?? 0,
      ])
      .sort((a, b) => (a[0] ?? 0) - (b[0] ?? 0));
    leads.slice(1).forEach(([start = 0], i) => expect(start).toBeGreaterThanOrEqual((leads[i]?.[1] ?? 0) - 1e-9));
  });
});

describe('norms as shipped (handbook chapters 6 and 8)', () => {
  const norm = (id: string) => normCatalogue(SHIPPED_WORKS).get(id);

  // Handbook chapter 6, "House norms to ship": set-up and running.
  it.each([
    ['print-side', 80, 0.008],
    ['print-perfect', 80, 0.012],
    ['print-second', 50, 0.01],
    ['print-web', 2_500, 0.03],
    ['print-narrow', 100, 0.03],
    ['print-gravure', 300, 0.025],
    ['corrugate', 60, 0.025],
    ['print-digital', 5, 0.005],
    ['print-screen', 20, 0.015],
    ['print-recessed', 60, 0.03],
    ['number', 30, 0.007],
    ['coat', 40, 0.005],
    ['laminate', 30, 0.007],
    ['mount', 50, 0.01],
    ['foil', 50, 0.01],
    ['emboss', 40, 0.008],
    ['die-cut', 80, 0.012],
    ['window', 60, 0.01],
    ['glue', 100, 0.01],
    ['cut', 5, 0.002],
    ['score', 50, 0.01],
    ['fold', 50, 0.01],
    ['stitch', 60, 0.015],
    ['bind', 80, 0.015],
    ['sew', 20, 0.007],
    ['case', 10, 0.01],
    ['case-in', 10, 0.01],
    ['trim', 5, 0.002],
    ['band', 0, 0.001],
    ['wrap', 0, 0.001],
    ['hand', 0, 0.005],
  ] as const)('%s spoils %d and %d (handbook chapter 6)', (key, setup, running) => {
    expect(norm(`spoil.${key}.setup`)).toMatchObject({ value: setup, source: { label: 'practice', note: 'handbook' } });
    expect(norm(`spoil.${key}.running`)).toMatchObject({ value: running, source: { note: 'handbook' } });
  });

  // Handbook chapter 8, "Shipped speeds": set-up hours and rate.
  it.each([
    ['b1-perfector', 0.25, 12_000],
    ['b2-four', 0.25, 12_000],
    ['heatset-web', 1, 30_000],
    ['narrow-web', 0.5, 100],
    ['gravure-web', 2, 200],
    ['corrugator', 0.25, 180],
    ['case-flexo', 0.5, 6_000],
    ['screen-one', 0.5, 1_500],
    ['recessed-three', 2, 600],
    ['hand-engraver', 2, 600],
    ['numbering-press', 0.75, 6_000],
    ['digital-cut-sheet', 0.1, 4_000],
    ['coater', 0.3, 8_000],
    ['laminator', 0.4, 40],
    ['foil-press', 1.5, 3_000],
    ['die-cutter-b1', 1.5, 6_000],
    ['window-patcher', 1, 10_000],
    ['board-laminator', 0.75, 4_000],
    ['envelope-folder', 1, 20_000],
    ['stitcher', 1, 8_000],
    ['binder', 0.75, 4_000],
    ['trimmer', 0.3, 2_000],
    ['sewer', 0.5, 5_000],
    ['case-maker', 1, 1_500],
    ['casing-in-line', 0.75, 1_200],
  ] as const)('%s is set up in %d h and runs %d (handbook chapter 8)', (machine, setup, speed) => {
    expect(norm(`machine.${machine}.setup`)).toMatchObject({ value: setup, source: { note: 'handbook' } });
    expect(norm(`machine.${machine}.speed`)?.value).toBe(speed);
  });

  it('grammage is a norm of the stock: what the works measures is what everything is reckoned by', () => {
    const job = example('trail-map');
    const lighter: Job = { ...job, norms: { ...job.norms, 'stock.silk-115.gsm': 100 } };
    expect(figure(lighter, 'total.paperKg') / figure(job, 'total.paperKg')).toBeCloseTo(100 / 115, 9);
    expect(planned(job).figures['norm.stock.silk-115.gsm']?.source).toEqual({
      label: 'practice',
      note: 'stock of the works',
    });
  });

  it('web breaks and washes are in the plan by the norm, and are not where the job says so (handbook chapter 6)', () => {
    const job = example('ferry-timetable');
    const none: Job = { ...job, route: job.route.map((step) => ({ ...step, incidents: [] })) };
    // 800 in 100,000 and 150 in 50,000
    expect(figure(job, 'step.print-leaflet.incidents')).toBeCloseTo(0.008 + 0.003, 12);
    expect(figure(none, 'total.pressSheets')).toBeLessThan(figure(job, 'total.pressSheets'));
  });
});

describe('tools by position', () => {
  it('one numbering box for each document on the sheet, one pair for each wallet (identity)', () => {
    const count = (job: Job, id: string): number => figure(job, id);
    const tickets = planned(example('season-tickets'));
    expect(tickets.figures['tools.document.numbering']?.value).toBe(tickets.layouts['document']?.pattern.count);
    expect(tickets.figures['tools.document.numbering']?.value).toBe(27);
    const wallet = example('puzzle-wallet');
    expect([count(wallet, 'tools.wallet.emboss-die'), count(wallet, 'counters.wallet.emboss-die')]).toEqual([5, 5]);
  });

  it('the customer’s own dies are not charged', () => {
    const cards = planned(example('constellation-cards'));
    expect(cards.figures['cost.tool.card.star-foil']?.value).toBe(0);
    expect(cards.figures['tools.card.star-foil']?.value).toBe(cards.layouts['card']?.pattern.count);
  });

  it('ink fills each unit once for all forms that run on it: eight for the programme, not 24 (identity)', () => {
    const { figures } = planned(example('concert-programme'));
    const fills = Object.values(figures).filter(({ id }) => id.endsWith('.fills'));
    expect(fills).toHaveLength(24);
    expect(fills.reduce((sum, { value }) => sum + value, 0)).toBe(8);
  });

  it('a unit that had another ink in between is filled again', () => {
    const job = example('concert-programme');
    const gold: Job = {
      ...job,
      components: job.components.map((one) =>
        one.id === 'section-2'
          ? { ...one, front: one.front.map((ink, i) => (i === 0 ? { ...ink, name: 'Gold' } : ink)) }
          : one,
      ),
    };
    const { figures } = planned(gold);
    const fills = Object.values(figures).filter(({ id }) => id.endsWith('.fills'));
    // Gold itself, and the ink that stood in its unit once more for the cover.
    expect(fills.reduce((sum, { value }) => sum + value, 0)).toBeGreaterThanOrEqual(10);
  });
});

describe('a single book', () => {
  it('bears its part of the batch’s set-ups', () => {
    const job = example('walking-guide');
    const one = (batch: number): Job => ({ ...job, order: { ...job.order, batch } });
    expect(figure(one(40), 'step.bind.setupHours')).toBeCloseTo(0.75 / 40, 12);
    expect(figure(one(1), 'step.bind.setupHours')).toBeCloseTo(0.75, 12);
    expect(figure(one(40), 'total.cost')).toBeLessThan(figure(one(1), 'total.cost') / 5);
  });
  it('is no part of anything else', () => {
    const flat = makeJob('flat', answersOf('flat'), SHIPPED_WORKS);
    expect(planned(flat).figures['order.batchShare']).toBeUndefined();
  });
});
