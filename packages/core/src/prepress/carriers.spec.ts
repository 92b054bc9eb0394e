import { SHIPPED_WORKS } from '../works/index.js';
import { example } from '../plan/examples.fixture.js';
import type { Component } from '../job/component.js';
import type { Job } from '../job/job.js';
import { type Plan, plan } from '../plan/plan.js';
import { normsOf } from '../norms/index.js';
import type { Carrier } from './carrier.js';
import { listCarriers } from './carriers.js';
import { cylinderRoute, hoursAgain } from './cylinder-route.js';
import { inkOf, unitsOf } from './inks.js';
import { registerLines, registerMarks } from './register-plan.js';

const planned = (job: Job): Plan => {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join());
  return outcome.value;
};
const map = example('trail-map');
const withMap = (change: Partial<Component>, job: Partial<Job> = {}): Job => ({
  ...map,
  ...job,
  components: map.components.map((c) => ({ ...c, ...change })),
});
/** The map printed on one side by another press. */
const oneSide = (change: Partial<Component>, job: Partial<Job> = {}): Job => {
  const base = withMap({ workStyle: 'single', back: [], ...change }, job);
  const first = base.route.find(({ operation }) => operation === 'print')?.id;
  const second = base.route.find(({ operation, side }) => operation === 'print' && side === 'back')?.id;
  const dry = base.route.find(({ operation }) => operation === 'dry')?.id;
  return {
    ...base,
    route: base.route
      .filter(({ id }) => id !== second && id !== dry)
      .map((step) => ({
        ...step,
        ...(step.id === first ? { side: 'front' as const } : {}),
        from: step.from?.map((input) =>
          input.material === second || input.material === dry ? { ...input, material: first ?? '' } : input,
        ),
      })),
  };
};
const printing = (job: Job): Carrier[] =>
  listCarriers(job, planned(job), SHIPPED_WORKS).filter(({ ink, kind }) => ink !== undefined && kind !== 'counter');

describe('the list of carriers', () => {
  it.each([
    'trail-map',
    'concert-programme',
    'tea-caddy',
    'ferry-timetable',
    'permit-stickers',
    'garden-cards',
    'constellation-cards',
  ])('of %s holds as many printing carriers as the plan has plates (identity)', (name) => {
    const job = example(name);
    const carriers = printing(job);
    expect(carriers).toHaveLength(planned(job).totals.plates);
    expect(new Set(carriers.map(({ id }) => id)).size).toBe(carriers.length);
  });

  it('adds a plate for each colour that a version changes: 8 + 2 x 1 (identity, handbook chapter 4)', () => {
    const job = withMap({ versions: { names: ['English', 'German', 'French'], inks: ['K'] } });
    const before = planned(map).totals.plates;
    // K changes on the front and on the back where the back has plates of its own
    const changing = printing(map).filter(({ ink }) => ink === 'K').length;
    expect(planned(job).totals.plates).toBe(before + 2 * changing);
    expect(printing(job)).toHaveLength(planned(job).totals.plates);
    expect(printing(job).filter(({ version }) => version === 'French')).toHaveLength(changing);
  });

  it('makes a further set where plates wear out (identity)', () => {
    const job = { ...map, norms: { ...map.norms, 'plate.life': 3000 } };
    const carriers = printing(job);
    expect(carriers).toHaveLength(planned(job).totals.plates);
    expect(Math.max(...carriers.map(({ set }) => set))).toBeGreaterThan(1);
    for (const { impressions, life } of carriers) expect(impressions).toBeLessThanOrEqual(life);
  });

  it('knows a cutting die for a blank, and finds it again by its shape', () => {
    const caddy = example('tea-caddy');
    const dieOf = (job: Job): Carrier | undefined =>
      listCarriers(job, planned(job), SHIPPED_WORKS).find(({ kind }) => kind === 'cutting-die');
    const die = dieOf(caddy);
    expect(die?.kind).toBe('cutting-die');
    expect(dieOf({ ...caddy, number: 'X-1', title: 'Other print', customer: 'Somebody' })?.key).toBe(die?.key);
    const other = { ...caddy, components: caddy.components.map((c) => ({ ...c, widthMm: 86 })) };
    expect(dieOf(other)?.key).not.toBe(die?.key);
  });

  it('gives screen angles of the usual set, flexo turned by 7.5 and shortened (identity, common practice)', () => {
    const stickers = printing(example('permit-stickers'));
    const black = stickers.find(({ ink }) => ink === 'K');
    expect([black?.kind, black?.angle]).toEqual(['flexo-plate', 52.5]);
    const repeat = example('permit-stickers').components[0]?.sheet.heightMm ?? 1;
    expect(black?.distortionPercent).toBeCloseTo(((2 * Math.PI * (1.14 - 0.18)) / repeat) * 100, 9);
    const angles = printing(map).filter(({ side }) => side !== 'back');
    expect(Object.fromEntries(angles.map(({ ink, angle }) => [ink, angle]))).toMatchObject({
      C: 15,
      M: 75,
      Y: 0,
      K: 45,
    });
  });

  it('takes a cylinder through its stations: the sum is its making, and a fault costs all but the base again (identity)', () => {
    const sheet = { widthMm: 905, heightMm: 600, grain: 'height' as const };
    const way = (engraving: 'stylus' | 'laser' | 'etch') => {
      const job = oneSide({
        press: 'gravure-web',
        stock: 'web-silk-80',
        sheet,
        widthMm: 500,
        heightMm: 594,
        front: [{ name: 'K' }],
        carriers: { engraving },
      });
      const made = planned(job);
      const layout = made.layouts['map'];
      if (!layout) throw new Error('not laid');
      const route = cylinderRoute(layout, normsOf(SHIPPED_WORKS, job.norms));
      const [carrier] = listCarriers(job, made, SHIPPED_WORKS);
      expect(carrier?.kind).toBe('cylinder');
      expect(carrier?.makingHours).toBeCloseTo(
        route.reduce((sum, { hours }) => sum + hours, 0),
        9,
      );
      expect(hoursAgain(route)).toBeCloseTo((carrier?.makingHours ?? 0) - (route[0]?.hours ?? 0), 9);
      return route.find(({ station }) => station === 'engrave')?.hours;
    };
    // face 1,005 mm, 600 mm around, 60 lines, 8,000 cells a second, one head
    expect(way('stylus')).toBeCloseTo((100.5 * 60 * 3600) / 8000 / 3600, 9);
    expect(way('laser')).toBe(1.5);
    expect(way('etch')).toBe(6);
  });

  it('makes a counter for each recessed plate, and shares the etching of images cut apart', () => {
    const sheet = { widthMm: 740, heightMm: 520, grain: 'width' as const };
    const front = [{ name: 'Deep blue' }];
    const job = oneSide({ press: 'recessed-three', sheet, front, carriers: { imagesPerPlate: 4, owner: 'customer' } });
    const all = listCarriers(job, planned(job), SHIPPED_WORKS);
    expect(all.map(({ kind }) => kind)).toEqual(['recessed-plate', 'counter']);
    expect(all[0]?.makingHours).toBeCloseTo(1, 9);
    expect(all[0]?.owner).toBe('customer');
  });

  it('locks up one plate for each position of a page-wise form', () => {
    const sheet = { widthMm: 740, heightMm: 520, grain: 'width' as const };
    const job = oneSide({ press: 'letterpress-forms', sheet, widthMm: 148, heightMm: 210, front: [{ name: 'K' }] });
    const up = planned(job).layouts['map']?.pattern.count ?? 0;
    expect(up).toBeGreaterThan(1);
    expect(printing(job).map(({ position }) => position)).toEqual(Array.from({ length: up }, (_, i) => i + 1));
  });
});

describe('inks in their units', () => {
  const machine = SHIPPED_WORKS.machines.find(({ id }) => id === 'b1-perfector');
  const component = map.components[0];
  if (!machine || !component) throw new Error('no map');
  const inks = (change: Partial<Component>) => unitsOf(map, SHIPPED_WORKS, { ...component, ...change }, machine);

  it('have half of the units for each side of a perfecting press, each side in its own sequence', () => {
    const four = ['K', 'C', 'M', 'Y'].map((name) => ({ name }));
    const [pass] = inks({ workStyle: 'perfecting', front: four, back: [{ name: 'K' }] });
    expect(pass?.inks.map(({ side, name, unit }) => `${side} ${name} ${unit ?? '-'}`)).toEqual([
      'front K 0',
      'front C 1',
      'front M 2',
      'front Y 3',
      'back K 4',
    ]);
  });

  it('count the wash-ups against what was on, the second pass against the first', () => {
    const front = [{ name: 'K' }, { name: 'Moss' }];
    const [first, second] = inks({
      workStyle: 'sheetwise',
      front,
      back: [{ name: 'K' }],
      unitsBefore: ['K', 'C', 'M', 'Y', 'K', 'C', 'M', 'Y'],
    });
    expect([first?.washUps, second?.washUps]).toEqual([1, 0]);
  });

  it('propose passes where units are too few', () => {
    const front = ['K', 'C', 'M', 'Y', 'Moss', 'Plum'].map((name) => ({ name }));
    const [pass] = inks({ workStyle: 'perfecting', front, back: [{ name: 'K' }] });
    expect(pass?.proposal).toEqual([
      ['K', 'C', 'M', 'Y'],
      ['Moss', 'Plum'],
    ]);
  });

  it('lengthen the set-up and the ink by what is washed (identity)', () => {
    const washed = planned(withMap({ unitsBefore: new Array<string>(8).fill('Plum') }));
    const [before] = planned(map).steps;
    const [after] = washed.steps;
    const count = washed.figures[`step.${after?.id ?? ''}.washUps`]?.value ?? 0;
    expect(count).toBe(4);
    expect((after?.hours ?? 0) - (before?.hours ?? 0)).toBeCloseTo(count * 0.2, 9);
  });
});

describe('clearance and overprints', () => {
  const codes = (job: Job): string[] =>
    planned(job).advice.map(({ code, params }) => `${code} ${params['ink'] ?? ''}`.trim());

  it('names every ink and stock that is not cleared for the contact', () => {
    const job = withMap({ front: [{ name: 'K' }, { name: 'Moss' }] }, { contact: 'food' });
    const found = codes(job);
    expect(found).toContain('ink.not-cleared Moss');
    expect(found).toContain('ink.stock-not-cleared');
    expect(found).not.toContain('ink.not-cleared K');
  });

  it('says where a mixed colour could be overprinted by two inks beside it', () => {
    const inks = [{ name: 'Signal red', kind: 'mixed' as const, aim: { l: 45, a: 64, b: 45 } }];
    const withRed = (others: string[]) =>
      codes(withMap({ front: ['Signal red', ...others].map((name) => ({ name })) }, { inks }));
    expect(withRed(['K', 'M', 'Y'])).toContain('ink.overprint Signal red');
    expect(withRed(['K', 'C', 'M'])).not.toContain('ink.overprint Signal red');
  });
});

describe('register of a component', () => {
  const norms = normsOf(SHIPPED_WORKS, {});
  const layoutOf = (job: Job) => {
    const [layout] = Object.values(planned(job).layouts);
    if (!layout) throw new Error('no layout');
    return layout;
  };

  it('lists what has to stand to what, by the route', () => {
    expect(registerLines(map, SHIPPED_WORKS, layoutOf(map), norms).map(({ kind }) => kind)).toEqual([
      'colours',
      'sides',
      'fold',
      'cut',
    ]);
    const stickers = example('permit-stickers');
    const lines = registerLines(stickers, SHIPPED_WORKS, layoutOf(stickers), norms);
    expect(lines[0]).toMatchObject({
      kind: 'colours',
      norm: 'register.flexo',
      bounds: { what: 'trap', neededMm: 0.3 },
    });
  });

  it('takes the trims of a section for its spare, and leaves a blank to its file', () => {
    const programme = example('concert-programme');
    const spares = (job: Job) => {
      const { layouts } = planned(job);
      return Object.values(layouts).map((layout) =>
        registerLines(job, SHIPPED_WORKS, layout, normsOf(SHIPPED_WORKS, {})).flatMap(({ kind, bounds: { haveMm } }) =>
          haveMm === undefined ? [] : [`${kind} ${haveMm}`],
        ),
      );
    };
    expect(spares(programme)[0]).toEqual(['fold 3', 'cut 3']);
    const thin = programme.components.map((one) => (one.kind === 'section' ? { ...one, trims: { foreMm: 0.5 } } : one));
    const tight: Job = { ...programme, components: thin };
    expect(spares(tight)[0]).toEqual(['fold 0.5', 'cut 0.5']);
    expect(planned(tight).advice.map(({ code }) => code)).toContain('register.bleed');
    expect(spares(example('tea-caddy'))).toEqual([[]]);
  });

  it('knows of an ink what the house does, and the job’s word before it', () => {
    const recipe = [{ ink: 'Base', parts: 100 }];
    const blue = { id: 'blue', name: 'Blue', kind: 'special', cleared: ['food'], recipe, retired: true } as const;
    const house = { ...SHIPPED_WORKS, inks: [blue] };
    expect(inkOf(map, house, 'Blue')).toEqual({ name: 'Blue', kind: 'special', cleared: ['food'], recipe });
    const own = { name: 'Blue', kind: 'metallic' as const, cleared: [] };
    expect(inkOf({ inks: [own] }, house, 'Blue')).toEqual({ ...own, recipe });
    // Entered anew, it is the one that is kept, wherever it stands.
    const anew = { ...blue, id: 'blue-2', kind: 'white', retired: false } as const;
    for (const inks of [
      [blue, anew],
      [anew, blue],
    ])
      expect(inkOf({}, { ...SHIPPED_WORKS, inks }, 'Blue').kind).toBe('white');
    expect(inkOf({}, house, 'Green')).toEqual({ name: 'Green', kind: 'mixed' });
  });

  it('tightens for accountable inks and warns of a bleed that is too small', () => {
    const accountable = { ...map, inks: [{ name: 'K', kind: 'process' as const, accountable: true }] };
    expect(registerLines(accountable, SHIPPED_WORKS, layoutOf(accountable), norms)[0]?.norm).toBe(
      'register.accountable',
    );
    const kept = SHIPPED_WORKS.inks?.map((ink) => ({ ...ink, accountable: ink.name === 'K' }));
    const house = { ...SHIPPED_WORKS, inks: kept ?? [] };
    expect(registerLines(map, house, layoutOf(map), norms)[0]?.norm).toBe('register.accountable');
    const tight = withMap({ lay: { bleedMm: 0.2 } });
    expect(planned(tight).advice.map(({ code }) => code)).toContain('register.bleed');
  });

  it('puts a pair of marks clear of image and grips, as far apart as there is room', () => {
    const layout = layoutOf(map);
    const { places, issues } = registerMarks(layout);
    expect(issues).toEqual([]);
    expect(places).toHaveLength(2);
    expect(places[0]?.yMm).toBe(places[1]?.yMm);
    const byHand = (marks: Component['marks']) =>
      registerMarks(layoutOf(withMap({ marks }))).issues.map(({ code, path }) => `${code} ${path}`);
    expect(
      byHand([
        { xMm: 500, yMm: 350 },
        { xMm: 500, yMm: 5 },
        { xMm: 0, yMm: 300 },
      ]),
    ).toEqual([
      'register.mark-on-image components[0].marks[0]',
      'register.mark-in-grips components[0].marks[1]',
      'register.mark-outside components[0].marks[2]',
    ]);
  });
});

describe('a sheet printed again on another press', () => {
  const job = example('season-tickets');
  const plan = planned(job);
  const made = listCarriers(job, plan, SHIPPED_WORKS);
  const of = (step: string) => made.filter((carrier) => carrier.step === step);

  it('has a stencil for the screen ink, and a recessed plate with its counter', () => {
    expect(of('screen').map(({ kind, ink }) => [kind, ink])).toEqual([['stencil', 'Ferry silver']]);
    expect(of('recessed').map(({ kind }) => kind)).toEqual(['recessed-plate', 'counter']);
    // Plates on both sides at once, a stencil and a recessed plate: counters and boxes are beside them.
    const own = plan.totals.platesByComponent['document'] ?? 0;
    expect(plan.totals.plates).toBe(own + 2);
    expect(plan.figures['step.screen.carriers']?.value).toBe(1);
  });

  it('draws its ink by area, coverage and the film of its process, with the fill of the unit', () => {
    const at = (id: string): number => plan.figures[id]?.value ?? NaN;
    const area = at('component.document.printedArea');
    const laid = (step: string, coverage: number, film: string): number =>
      (at(`step.${step}.processUnits`) * area * coverage * at(film)) / 1000;
    expect(at('step.screen.ink.0')).toBeCloseTo(laid('screen', 0.06, 'norm.ink.film.screen') + at('norm.ink.fill'), 9);
    expect(at('step.recessed.ink.0')).toBeCloseTo(
      laid('recessed', 0.08, 'norm.ink.film.recessed') + at('norm.ink.fill'),
      9,
    );
    expect(plan.totals.inkKgByName['Ferry silver']).toBeCloseTo(at('step.screen.ink.0'), 9);
  });

  it('prints nothing where no ink is told', () => {
    const bare = { ...job, route: job.route.map(({ inks: _inks, ...step }) => step) };
    const without = planned(bare);
    expect(listCarriers(bare, without, SHIPPED_WORKS).some(({ step }) => step !== undefined)).toBe(false);
    expect(without.totals.plates).toBe(plan.totals.plates - 2);
  });
});
