import { compile } from 'mathjs';
import fs from 'node:fs';
import { conditioningHours } from '../paper/index.js';
import { type Figures, evaluate } from '../kernel/index.js';
import { beltRate, sheetsPerLift } from '../plan/index.js';
import { insertAfter } from '../edit/index.js';
import { purchaseNeeds } from '../stores/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { roomAround } from './drawing.js';
import { numberList, voidsOf } from './number-sheet.js';
import { stationSheet } from './station-sheet.js';

const EXAMPLES = fs
  .readdirSync(new URL('../../../../docs/examples/', import.meta.url))
  .filter((name) => name.endsWith('.json'))
  .map((name) => name.replace('.json', ''));

function sheetOf(name: string, step: string, change: object = {}, works: Works = SHIPPED_WORKS) {
  const job = { ...example(name), ...change };
  const plan = planned(job, works);
  const made = stationSheet(job, plan, works, step);
  if (!made) throw new Error(`no step ${step}`);
  const figures: Figures = { ...plan.figures, ...made.figures };
  const value = (id: string): number => figures[`station.${step}.${id}`]?.value ?? NaN;
  return { ...made, all: figures, value };
}

describe('station sheets', () => {
  it.each(EXAMPLES)('%s: every station, every formula evaluated by mathjs (general-purpose library)', (name) => {
    const job = example(name);
    const plan = planned(job);
    for (const { id } of job.route) {
      const sheet = stationSheet(job, plan, SHIPPED_WORKS, id);
      expect(sheet).toBeDefined();
      if (!sheet) continue;
      const all: Figures = { ...plan.figures, ...sheet.figures };
      for (const shown of sheet.shown) expect([shown, Number.isFinite(all[shown]?.value)]).toEqual([shown, true]);
      for (const figure of Object.values(sheet.figures)) {
        if (figure.formula === undefined) continue;
        const scope = Object.fromEntries(Object.entries(figure.inputs).map(([key, input]) => [key, all[input]?.value]));
        const value: unknown = compile(figure.formula).evaluate(scope);
        expect([figure.id, Number(value)]).toEqual([figure.id, expect.closeTo(figure.value, 6)]);
      }
      for (const drawing of sheet.drawings) {
        expect(drawing.widthMm * drawing.heightMm).toBeGreaterThan(0);
        for (const shape of drawing.shapes) {
          const spots =
            shape.kind === 'box'
              ? [shape, { x: shape.x + shape.width, y: shape.y + shape.height }]
              : shape.kind === 'path'
                ? shape.points
                : [shape.from, shape.to];
          // Measures may stand outside, in the room that is kept for them.
          const room = shape.kind === 'measure' ? roomAround(drawing) : drawing;
          for (const { x, y } of spots) {
            expect(x).toBeGreaterThanOrEqual(-0.01);
            expect(x).toBeLessThanOrEqual(room.widthMm + 0.01);
            expect(y).toBeGreaterThanOrEqual(-0.01);
            expect(y).toBeLessThanOrEqual(room.heightMm + 0.01);
          }
        }
      }
    }
  });

  it('the guillotine: as many rows as cuts, and hours by them', () => {
    const { value, tables, remarks, all } = sheetOf('trail-map', 'cut');
    const [cuts = 0, turns = 0] = ['cuts', 'turns'].map((id) => all[`step.cut.${id}`]?.value);
    expect(tables[0]?.rows).toHaveLength(cuts);
    expect(value('liftMinutes')).toBeCloseTo(2.5 + (cuts * 8 + turns * 6) / 60, 9);
    expect(remarks).toEqual([]);
  });

  it('250 sheets of 0.40 mm are one lift of 100 mm; belts by length and gap (handbook chapter 7)', () => {
    expect(sheetsPerLift(100, 400)).toBe(250);
    expect(beltRate(1e9, 150, 0.9, 0.1)).toBeCloseTo(9000, 9);
    expect(beltRate(30_000, 150, 0.1, 0.1)).toBe(30_000);
  });

  it('the die: creasing rule lower by the caliper, force by rule and crease, scrap by area', () => {
    const { value } = sheetOf('tea-caddy', 'die-cut');
    expect(value('creaseHeight')).toBeCloseTo(23.8 - 0.45 - 0.05, 9);
    expect(value('channelAcross')).toBeCloseTo(1.5 * 0.45 + 0.71, 9);
    expect(value('force')).toBeCloseTo(value('cutRule') * 35 + value('creaseRule') * 15, 9);
    expect(value('scrapKg')).toBeGreaterThan(0);
  });

  it('says when a die wants more force than the press has', () => {
    const light: Works = {
      ...SHIPPED_WORKS,
      machines: SHIPPED_WORKS.machines.map((one) =>
        one.takes ? { ...one, takes: { ...one.takes, forceKn: 100 } } : one,
      ),
    };
    expect(sheetOf('tea-caddy', 'die-cut', {}, light).remarks.join(' ')).toContain('more than the 100 kN');
  });

  it('the binder: spine by block and cover, conveyor length over speed is its cooling time (identity)', () => {
    const { value } = sheetOf('orchid-field-guide', 'bind');
    expect(value('block')).toBeCloseTo((192 / 2) * 0.1058, 6);
    expect(value('spine')).toBeCloseTo(value('block') + 2 * 0.212, 6);
    expect(value('cooling') * value('conveyorSpeed')).toBeCloseTo(72, 9);
    // At the fastest speed that still cools, it takes just what the glue wants.
    expect(72 / ((value('fastest') * 0.4) / 60)).toBeCloseTo(2, 9);
    expect(value('coverWidth')).toBeCloseTo(2 * (130 + 3) + value('spine'), 9);
    // Eighteen clamps go round once while as many books leave.
    expect((value('clampRound') / 3600) * 4_000).toBeCloseTo(18, 9);
  });

  it('the binder: PUR for heavy coated text, a conveyor that is too short is told', () => {
    const guide = example('orchid-field-guide');
    const on = (stock: string, adhesive?: string) =>
      sheetOf('orchid-field-guide', 'bind', {
        finish: { ...guide.finish, adhesive },
        components: guide.components.map((one) => (one.kind === 'section' ? { ...one, stock } : one)),
      }).remarks.join(' ');
    const heavy = SHIPPED_WORKS.stocks.find(({ coated, gsm }) => coated && gsm >= 150)?.id ?? '';
    const light = SHIPPED_WORKS.stocks.find(({ coated, gsm }) => coated && gsm < 100)?.id ?? '';
    expect(on(heavy, 'hot-melt')).toContain('Heavy coated text');
    expect(on(heavy, 'pur')).not.toContain('Heavy coated text');
    expect(on(light, 'hot-melt')).not.toContain('Heavy coated text');
    const slow: Works = {
      ...SHIPPED_WORKS,
      norms: { 'bind.coolMinutes': { value: 60, source: { label: 'set by user' } } },
    };
    expect(sheetOf('orchid-field-guide', 'bind', {}, slow).remarks.join(' ')).toContain('too short for 60 min');
    expect(sheetOf('orchid-field-guide', 'bind').remarks.join(' ')).not.toContain('too short');
  });

  it('the die is stripped with the hammer below so many sheets, and in the machine from there on', () => {
    const { value, all } = sheetOf('tea-caddy', 'die-cut');
    expect(value('scrapKg')).toBeGreaterThan(0);
    const sheets = all['step.die-cut.processUnits']?.value ?? 0;
    const hammer = (below: number) =>
      sheetOf('tea-caddy', 'die-cut', { norms: { 'die.hammerBelow': below } })
        .remarks.join(' ')
        .includes('hammer');
    expect([hammer(sheets), hammer(sheets + 1)]).toEqual([false, true]);
  });

  it('the pile is opened once: a sheet that was printed before has stood in the press room', () => {
    const [first, again] = example('trail-map').route.filter(({ operation }) => operation === 'print');
    expect(sheetOf('trail-map', first?.id ?? '').shown.some((id) => id.endsWith('.pileM3'))).toBe(true);
    expect(sheetOf('trail-map', again?.id ?? '').shown.some((id) => id.endsWith('.pileM3'))).toBe(false);
  });

  it('the case: by the rule of chapter 7 from the sewn block', () => {
    const { value } = sheetOf('star-atlas', 'case');
    // Two endpapers of 0.32 mm lie around the text.
    const thick = (96 * 0.1242 + 2 * 0.32) * 1.07;
    expect(value('boardWidth')).toBe(210 + 3 - 7);
    expect(value('boardHeight')).toBe(297 + 6);
    expect(value('strip')).toBeCloseTo(thick + 2 * 2.5, 1);
    expect(value('clothWidth')).toBeCloseTo(2 * 206 + 2 * 7 + value('strip') + 30, 9);
    expect(value('clothHeight')).toBe(303 + 30);
  });

  it('thread = sections x needles x stitch (handbook chapter 7)', () => {
    const { value, all } = sheetOf('star-atlas', 'sew');
    expect(value('sections')).toBe(12);
    expect(all['step.sew.use.thread']?.value).toBeCloseTo((1605 * 12 * 5 * 50) / 1000, 9);
  });

  it('numbers: as many as sheets by positions, the list in order', () => {
    const { value, tables, all } = sheetOf('season-tickets', 'number');
    const sheets = all['step.number.needsOut']?.value ?? 0;
    expect(value('numbers')).toBe(sheets * value('positions'));
    // 1 and its characters of MOD 97-10: 195 is 1 modulo 97 (identity).
    expect(tables[0]?.rows[0]).toEqual([1, 1, '00000195']);
    expect(tables[0]?.rows[1]).toEqual([
      1,
      2,
      expect.stringMatching(new RegExp(`^${String(sheets + 1).padStart(6, '0')}`)),
    ]);
  });

  it('folding: panels of the map and its folded thickness', () => {
    // 594 mm in four panels, the other side once: eight layers of 105.8 um (identity).
    const { tables, value } = sheetOf('trail-map', 'fold');
    expect(tables[0]?.rows.map(([, mm]) => mm)).toEqual(['148.5', '148.5', '148.5', '148.5']);
    expect([value('folded'), value('foldedHeight')]).toEqual([148.5, 210]);
    expect(value('foldedThickness')).toBeCloseTo(8 * 0.1058, 9);
    const short = sheetOf('trail-map', 'fold', {
      finish: { fold: 'accordion' },
      components: example('trail-map').components.map((c) => ({ ...c, widthMm: 60, heightMm: 50 })),
    });
    expect(short.remarks.join(' ')).toContain('shorter than a folder takes');
  });

  it('glue: hot melt on coated board that is not kept free, cold glue where it is', () => {
    const glue = (finish: object) => sheetOf('tea-caddy', 'glue', { finish }).remarks.join(' ');
    expect(glue({})).toContain('Hot melt');
    expect(glue({ glueFree: true })).toContain('Cold glue');
    expect(glue({ adhesive: 'pur' })).toContain('PUR');
  });

  it('packing: layers, pallets and metres of loading', () => {
    const { all } = sheetOf('concert-programme', 'box');
    const value = (name: string): number => all[`step.box.${name}`]?.value ?? NaN;
    expect(value('pallets')).toBe(Math.ceil(value('boxes') / (value('perLayer') * value('layers'))));
    expect(value('loadingM')).toBeCloseTo(value('pallets') * 0.4, 9);
    expect(value('packKg')).toBeGreaterThan(0);
  });

  it('a case of 5 N/mm, 4.0 mm and 1,600 mm around bears 2,348 N (literature, McKee 1963)', () => {
    // The example at the board and size of the job's case: the force grows by the root of caliper and perimeter.
    const { widthMm = 0, heightMm = 0 } = example('tea-shipper').components[0] ?? {};
    const { value } = sheetOf('tea-shipper', 'glue');
    const root = Math.sqrt((value('board') / 4) * ((2 * (widthMm + heightMm)) / 1600));
    expect(value('compression') / root).toBeCloseTo(2348, 0);
    expect(value('bearsKg')).toBeCloseTo((value('compression') * 0.3) / 9.81, 9);
  });

  it('boxes stand on each other as high as the lowest bears (literature, McKee 1963)', () => {
    const { value, all, remarks } = sheetOf('concert-programme', 'box');
    const outer = ['packWidth', 'packHeight'].map((side) => all[`step.box.${side}`]?.value ?? NaN);
    const newton = 5.87 * 5 * Math.sqrt(4 * 2 * ((outer[0] ?? 0) + (outer[1] ?? 0)));
    expect(value('compression')).toBeCloseTo(newton, 6);
    expect(value('stack')).toBe(1 + Math.floor((0.3 * newton) / 9.81 / (all['step.box.packKg']?.value ?? NaN)));
    expect(remarks.join()).not.toContain('stronger boxes');
    const weak = sheetOf('concert-programme', 'box', { norms: { 'pack.ect': 0.5 } });
    expect(weak.remarks.join()).toContain('stronger boxes');
  });

  it('the pile stands in the press room: 1 m3 and 10 K 20 to 24 h (handbook chapter 3)', () => {
    const step = example('trail-map').route.find(({ operation }) => operation === 'print')?.id ?? '';
    const { value, all } = sheetOf('trail-map', step, { norms: { 'paper.kelvin': 10 } });
    expect(value('pileM3')).toBeGreaterThan(0.3);
    const wanted = conditioningHours(value('pileM3'), 10);
    expect([value('conditionFrom'), value('conditionTo')]).toEqual([
      expect.closeTo(wanted.from, 9),
      expect.closeTo(wanted.to, 9),
    ]);
    expect(all['norm.paper.kelvin']?.value).toBe(10);
    expect(conditioningHours(1, 10)).toEqual({
      from: expect.closeTo(20, 9) as number,
      to: expect.closeTo(24, 9) as number,
    });
  });

  it('a glued carton is packed flat: as wide as two panels, twice the board thick', () => {
    const { all } = sheetOf('tea-caddy', 'box');
    const plan = planned(example('tea-caddy'));
    const [blank, flat] = ['glue', 'box'].map((to) => plan.edges.find((edge) => edge.to === to)?.state);
    // Flat, a long and a short panel lie side by side: 85 + 60 and a caliper of 0.45 for each of two folds.
    expect(flat?.widthMm).toBeCloseTo(85 + 60 + 2 * 0.45, 9);
    expect(flat?.caliperUm).toBe(2 * (blank?.caliperUm ?? 0));
    expect(flat?.massG).toBe(blank?.massG);
    expect(all['step.box.packDepth']?.value).toBeGreaterThan(0);
    expect(all['step.box.packKg']?.value).toBeGreaterThan(0);
  });

  it('people hours are hours by the crew', () => {
    const { value, all } = sheetOf('concert-programme', 'stitch');
    expect(value('peopleHours')).toBeCloseTo((all['step.stitch.hours']?.value ?? 0) * 3, 9);
  });
});

describe('outside work and supplies', () => {
  const sent = (change: object) => {
    const job = insertAfter(example('trail-map'), 'cut', 'outside');
    return { ...job, route: job.route.map((step) => (step.operation === 'outside' ? { ...step, ...change } : step)) };
  };

  it('says what goes, what comes back, what it costs and how long it is away', () => {
    const job = sent({ hours: 48, transitHours: 6, price: 0.05 });
    const plan = planned(job);
    const step = plan.steps.find(({ operation }) => operation === 'outside');
    expect(step?.lagHours).toBe(60);
    expect(plan.totals.cost.outside).toBeCloseTo((step?.processUnits ?? 0) * 0.05, 9);
    const sheet = stationSheet(job, plan, SHIPPED_WORKS, step?.id ?? '');
    expect(sheet?.figures[`station.${step?.id}.allowance`]?.value).toBe(
      (step?.processUnits ?? 0) - (step?.needsOut ?? 0),
    );
    expect(planned(sent({})).totals.cost.outside).toBe(0);
  });

  it('buys thread, hot melt, film and wire as the stations use them', () => {
    const needs = (name: string) => {
      const job = example(name);
      return Object.fromEntries(
        purchaseNeeds(job, planned(job), SHIPPED_WORKS).map(({ key, quantity }) => [key, quantity]),
      );
    };
    expect(needs('star-atlas')['supplies/thread']).toBeCloseTo(3 * 1605, 6);
    expect(needs('orchid-field-guide')).toMatchObject({
      'supplies/hot-melt': expect.any(Number) as number,
      'supplies/film': expect.any(Number) as number,
    });
    expect(needs('concert-programme')['supplies/wire']).toBeGreaterThan(0);
    expect(needs('puzzle-wallet')[`parts/HB-26-0446/insert`]).toBeGreaterThan(3000);
    expect(needs('trail-map')).not.toHaveProperty('supplies/glue');
  });
});

describe('formulas of the working', () => {
  const values: Readonly<Record<string, number>> = { a: 7, b: 3, c: 0.5 };
  it.each([
    'a + b * c',
    '(a + b) * c',
    'ceil(a / b) - 1',
    'max(a, b, 9) / min(a, c)',
    '-a + floor(b / c)',
    'a - b - c',
    'a / b / c',
    '2 * (a - (b - c))',
  ])('%s, as mathjs has it (general-purpose library)', (formula) => {
    const wanted: unknown = compile(formula).evaluate({ ...values });
    expect(evaluate(formula, (name) => values[name] ?? NaN)).toBeCloseTo(Number(wanted), 9);
  });
  it('are refused where they cannot be read', () => {
    expect(() => evaluate('a +', () => 1)).toThrow('ends early');
    expect(() => evaluate('(a', () => 1)).toThrow('wanted');
    expect(() => evaluate('a b', () => 1)).toThrow('goes on');
  });

  it('voided numbers go into the list with what replaces them from behind the run', () => {
    const job = example('season-tickets');
    const voided = {
      ...job,
      components: job.components.map((one) => ({
        ...one,
        tools: one.tools?.map((tool) =>
          tool.kind === 'numbering-box' ? { ...tool, voids: '7, 100-101, 999999' } : tool,
        ),
      })),
    };
    const plan = planned(voided);
    const step = plan.steps.find(({ operation }) => operation === 'number');
    const count = (step?.needsOut ?? 0) * (plan.layouts['document']?.pattern.count ?? 0);
    const found = voidsOf(voided, count);
    expect(found?.voids.map(({ number }) => number)).toEqual([7, 100, 101]);
    expect(found?.strange).toEqual([999_999]);
    const list = numberList(voided, plan, 'number') ?? [];
    expect(list).toHaveLength(count);
    expect(list.flatMap(({ replacedBy }) => replacedBy ?? []).sort()).toEqual(
      found?.voids.map(({ replacedBy }) => replacedBy).sort(),
    );
    const printed = new Set(list.map((line) => line.printed));
    for (const { replacedBy } of found?.voids ?? []) expect(printed.has(replacedBy)).toBe(false);
  });

  it('piles of accountable work are counted exactly: a lift for every hundred sheets', () => {
    const { all, value } = sheetOf('season-tickets', 'cut');
    expect(all['step.cut.sheetsPerLift']?.value).toBe(100);
    expect(all['step.cut.lifts']?.value).toBe(Math.ceil((all['step.cut.processUnits']?.value ?? 0) / 100));
    expect(value('blades')).toBeCloseTo(
      ((all['step.cut.lifts']?.value ?? 0) * (all['step.cut.cuts']?.value ?? 0)) / 4000,
      9,
    );
  });

  it('a relief in pairs, dies as measured; a tray with room in its wallet; set-up apart from the run', () => {
    const relief = sheetOf('puzzle-wallet', 'emboss-wallet');
    expect([relief.value('dieWidth'), relief.value('dieHeight')]).toEqual([90, 40]);
    expect(relief.value('pairs')).toBe(relief.value('up'));
    const tray = sheetOf('puzzle-wallet', 'tray-in');
    expect(tray.value('room')).toBe((145 - 141) / 2);
    expect(sheetOf('puzzle-wallet', 'insert').value('insertRoom')).toBe((141 - 137) / 2);
    const { all, value } = sheetOf('trail-map', 'fold');
    // 0.5 h and 0.1 h a fold (handbook chapter 8).
    const folds = all['step.fold.foldCount']?.value ?? 0;
    expect(all['step.fold.setupHours']?.value).toBeCloseTo(0.5 + 0.1 * folds, 9);
    expect(value('runHours')).toBeCloseTo((all['step.fold.hours']?.value ?? 0) - 0.5 - 0.1 * folds, 9);
  });
});
