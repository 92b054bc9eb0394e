import { cutSheetFirst, withStock } from '../edit/edit-job.js';
import { example, planned } from '../plan/examples.fixture.js';
import type { Component } from '../job/component.js';
import type { Job } from '../job/job.js';
import { beltRate, liftTime, rateTime, sheetsPerLift } from '../plan/hours/machine-time.js';
import type { FamilyAnswers } from '../families/answers.js';
import { makeJob as newJob } from '../families/new-job.js';
import { type Plan, plan } from '../plan/plan.js';
import { SHIPPED_WORKS } from '../works/index.js';

const map = example('trail-map');
const programme = example('concert-programme');
const change = (job: Job, patch: Partial<Component>, at = 0): Job => ({
  ...job,
  components: job.components.map((c, i) => (i === at ? { ...c, ...patch } : c)),
});
const codes = (job: Job): string[] => {
  const outcome = plan(job, SHIPPED_WORKS);
  return outcome.ok
    ? outcome.value.advice.map(({ code }) => code)
    : outcome.issues.map(({ code, path }) => `${code} ${path}`);
};

describe('what is bought', () => {
  it('says where no press sheet comes out of it, and where a roll is too narrow', () => {
    expect(codes(change(map, { bought: { kind: 'sheet', widthMm: 700, heightMm: 700, grain: 'width' } }))).toEqual([
      'paper.bought-too-small components[0].bought',
    ]);
    expect(codes(change(map, { bought: { kind: 'roll', widthMm: 600 } }))).toEqual([
      'paper.roll-too-narrow components[0].bought.widthMm',
    ]);
  });
  it('goes when the paper changes and the sheet with it', () => {
    const cut = change(map, {
      sheet: { widthMm: 720, heightMm: 510, grain: 'height' },
      bought: { kind: 'sheet', widthMm: 1020, heightMm: 720, grain: 'width' },
    });
    const offset = SHIPPED_WORKS.stocks.find(({ id }) => id === 'offset-120');
    if (!offset) throw new Error('the shipped works has changed');
    const [component] = withStock(cut, 'map', offset).components;
    expect(component).toMatchObject({ stock: 'offset-120', sheet: offset.sheets[0] });
    expect(component?.bought).toBeUndefined();
  });
  it('keeps the grain: turned the wrong way nothing comes out of the same size', () => {
    expect(codes(change(map, { bought: { kind: 'sheet', widthMm: 1020, heightMm: 720, grain: 'height' } }))).toEqual([
      'paper.bought-too-small components[0].bought',
    ]);
  });
});

describe('sections', () => {
  it('says which schemes fold to the pages where another is asked for', () => {
    expect(codes(change(programme, { scheme: '16' }))).toEqual(['fold.scheme-not-for-pages components[0].scheme']);
    expect(codes(change(programme, { scheme: '32' }))).toEqual([]);
    // Ribbons and jaws are a web's.
    expect(codes(change(programme, { scheme: '32-slit' }))).toEqual(['fold.scheme-not-for-pages components[0].scheme']);
  });
  it('warns where several lie on a sheet that is folded uncut, and the cut mends it', () => {
    const small = change({ ...programme, pages: 12 }, { pages: 8 });
    expect(codes(small)).toContain('layout.several-up-not-cut');
    const mended = cutSheetFirst(small, 'section-1', true);
    expect(codes(mended)).not.toContain('layout.several-up-not-cut');
    expect(cutSheetFirst(mended, 'section-1', false)).toEqual(small);
    expect(cutSheetFirst(small, 'cover', false)).toBe(small);
    // Four of a kind to a sheet: a quarter of the sheets, set-ups apart.
    expect(planned(mended).schools.step['section-1']).toBeLessThan((planned(small).schools.step['section-1'] ?? 0) / 2);
  });
  it('takes trims by edge', () => {
    const section = (trims: Component['trims']) => planned(change(programme, { trims })).layouts['section-1']?.section;
    expect(section({ headMm: 5, footMm: 3, foreMm: 4 })?.heightMm).toBe(4 * 210 + 4 * (5 + 3));
    expect(section({ headMm: 3, footMm: 3, foreMm: 3, spineMm: 1 })?.widthMm).toBe(4 * (148 + 3 + 1));
  });
});

describe('digital presses', () => {
  const flyer = change(
    { ...map, order: { ...map.order, quantity: 100 } },
    {
      widthMm: 105,
      heightMm: 148,
      press: 'digital-cut-sheet',
      workStyle: 'perfecting',
      sheet: { widthMm: 480, heightMm: 320, grain: 'width' },
    },
  );
  const job: Job = {
    ...flyer,
    route: flyer.route.flatMap((step) => {
      if (step.id === 'print-map-2' || step.id === 'dry-map-2') return [];
      if (step.id === 'print-map')
        return [{ id: step.id, operation: 'print', component: 'map', side: 'both' } as const];
      return [step.id === 'cut' ? { ...step, from: [{ material: 'dry-map' }] } : step];
    }),
  };
  it('take no plates and no ink by weight, charge sides, and dry at once', () => {
    const { totals, figures } = planned(job);
    expect([totals.plates, totals.inkKg]).toEqual([0, 0]);
    const sheets = totals.pressSheets['map'] ?? 0;
    expect(totals.cost.clicks).toBeCloseTo(sheets * 2 * 0.05, 9);
    expect(figures['step.dry-map.lag']?.value).toBe(0);
    // 0.1 h and 4,000 sides an hour (handbook chapter 8)
    expect(figures['step.print-map.hours']?.value).toBeCloseTo(0.1 + (sheets * 2) / 4000, 9);
    // 5 sheets and 0.5 % (handbook chapter 6)
    expect(figures['step.print-map.setup']?.value).toBe(5);
  });
});

describe('a new job', () => {
  const answers: FamilyAnswers = {
    number: 'N-1',
    title: 'Flyer',
    customer: '',
    quantity: 200,
    widthMm: 148,
    heightMm: 210,
    pages: 16,
    stock: 'silk-115',
    coverStock: 'silk-170',
    press: 'b1-perfector',
    folds: 1,
    die: { kind: 'structure', structure: 'straight-tuck', depthMm: 130 },
  };
  it('is cut to fit a press that takes no whole sheet, and plans', () => {
    const digital = newJob('folded', { ...answers, press: 'digital-cut-sheet' }, SHIPPED_WORKS);
    const [component] = digital.components;
    expect(component?.bought?.kind).toBe('sheet');
    expect(component?.sheet.widthMm).toBeLessThanOrEqual(488);
    expect(planned(digital).totals.plates).toBe(0);
    expect(newJob('folded', answers, SHIPPED_WORKS).components[0]?.bought).toBeUndefined();
  });
  it('cuts sections apart where several lie on a sheet, whatever their pages', () => {
    const booklet = newJob('saddle-stitched', { ...answers, pages: 16 }, SHIPPED_WORKS);
    // 16 pages of A5 lie twice on B1
    expect(planned(booklet).layouts['section-1']?.pattern.count).toBe(2);
    expect(booklet.route.some(({ id }) => id === 'cut-section-1')).toBe(true);
    expect(codes(booklet)).toEqual([]);
  });
});

describe('machine time (identities of handbook chapters 7 and 8)', () => {
  it('runs units at a speed after set-up', () => {
    expect(rateTime(0.5, 6000, 12_000, 1)).toBe(1);
    expect(rateTime(0.5, 6000, 12_000, 0.5)).toBe(1.5);
  });
  it('lifts 250 sheets of 0.40 mm in 100 mm, and never none', () => {
    expect(sheetsPerLift(100, 400)).toBe(250);
    expect(sheetsPerLift(85, 170)).toBe(500);
    expect(sheetsPerLift(1, 5000)).toBe(1);
  });
  it('cuts a 2 x 2 with trims and gutters in 8 by strips', () => {
    // three lifts of 250: 0.1 h, and each 2.5 min and 8 cuts of 8 s
    const work = { setupHours: 0.1, minutesPerLift: 2.5, secondsPerCut: 8, secondsPerTurn: 6, efficiency: 1 };
    expect(liftTime(work, Math.ceil(501 / 250), 8, 3)).toBeCloseTo(0.1 + (3 * (2.5 + (64 + 18) / 60)) / 60, 12);
  });
  it('folds at 60 x belt speed / (length + gap), within the machine', () => {
    expect(beltRate(30_000, 150, 0.4, 0.1)).toBeCloseTo(18_000, 9);
    expect(beltRate(12_000, 150, 0.4, 0.1)).toBe(12_000);
  });
});

describe('board slit at the corrugator', () => {
  const shipper = example('tea-shipper');
  const on = (bought: Component['bought']): Job => ({
    ...shipper,
    components: shipper.components.map(({ bought: _, ...one }) => ({ ...one, ...(bought ? { bought } : {}) })),
  });
  const value = (made: Plan, id: string): number => made.figures[id]?.value ?? NaN;

  it('six of 410 mm lie across 2,500 mm less two trims of 10, cut off at 1,055 mm, flutes along the 410 (identity)', () => {
    const made = planned(on({ kind: 'deckle', widthMm: 2500 }));
    expect(made.layouts['case']?.supply).toEqual({ kind: 'deckle', webMm: 2500, lanes: 6, cutLengthMm: 1055 });
    const cutOffs = Math.ceil((made.totals.pressSheets['case'] ?? 0) / 6);
    expect(value(made, 'component.case.webM')).toBeCloseTo(cutOffs * 1.055, 9);
    expect(value(made, 'component.case.paperKg')).toBeCloseTo(cutOffs * 1.055 * 2.5 * 0.43, 9);
    // 60 m of a change of grade are 57 cut-offs of six sheets.
    expect(made.steps.find(({ id }) => id === 'corrugate')?.setup).toBe(57 * 6);
  });

  it('weighs no trims where the sheets are bought, and more the worse the web fits (identity)', () => {
    const kg = [undefined, { kind: 'deckle', widthMm: 2500 }, { kind: 'deckle', widthMm: 1500 }] as const;
    const each = kg.map((bought) => {
      const made = planned(on(bought));
      return value(made, 'component.case.paperKg') / (made.totals.pressSheets['case'] ?? NaN);
    });
    expect(each[0]).toBeCloseTo(1.055 * 0.41 * 0.43, 9);
    expect(each[1]).toBeGreaterThan(each[0] ?? 0);
    expect(each[2]).toBeGreaterThan(each[1] ?? 0);
  });

  it('is refused from paper rolls, below one sheet across, and paper at the corrugator', () => {
    const codes = (job: Job): string[] => {
      const outcome = plan(job, SHIPPED_WORKS);
      return outcome.ok ? [] : outcome.issues.map(({ code }) => code);
    };
    expect(codes(on({ kind: 'roll', widthMm: 2500 }))).toEqual(['paper.web-not-for-stock']);
    expect(codes(on({ kind: 'deckle', widthMm: 400 }))).toEqual(['paper.roll-too-narrow']);
    const map = example('trail-map');
    const wrong = map.components.map((one) => ({ ...one, bought: { kind: 'deckle', widthMm: 2500 } as const }));
    expect(codes({ ...map, components: wrong })).toEqual(['paper.web-not-for-stock']);
  });
});
