import fc from 'fast-check';
import { SHIPPED_WORKS } from '../works/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { answersOf } from '../families/families.fixture.js';
import type { AskedFamily, FamilyAnswers } from '../families/answers.js';
import { FAMILY_RULES } from '../families/family-rules.js';
import type { Job } from '../job/job.js';
import { makeJob } from '../families/new-job.js';
import { type Plan, plan } from '../plan/plan.js';
import type { Material } from './state.js';

const ASKED = Object.keys(FAMILY_RULES) as AskedFamily[];

/** What leaves a station. */
function after(made: Plan, step: string): Material {
  const edge = made.edges.find(({ from }) => from === step);
  if (!edge) throw new Error(`nothing leaves ${step}`);
  return edge.state;
}
const figure = (made: Plan, id: string): number => made.figures[id]?.value ?? NaN;

describe('what a ruler and a scale say', () => {
  it('concert programme: 18 leaves of 82.8 um and a cover folded over, 1.8032 mm and 60.9 g (identity)', () => {
    const copy = after(planned(example('concert-programme')), 'trim');
    expect(copy.caliperUm).toBeCloseTo(18 * 90 * 0.92 + 2 * 170 * 0.92, 6);
    expect(copy).toMatchObject({ widthMm: 148, heightMm: 210, leaves: 20 });
    // 148 x 210 mm of 18 x 90 + 2 x 170 g/m2
    expect(copy.massG).toBeCloseTo(0.148 * 0.21 * (18 * 90 + 2 * 170), 9);
  });

  it('concert programme: a box of 100 is 193.3 mm high outside and weighs 6.09 kg (identity)', () => {
    const made = planned(example('concert-programme'));
    // 100 x 1.8032 mm, 5 mm of room, two walls of 4 mm
    expect(figure(made, 'step.box.packDepth')).toBeCloseTo(180.32 + 5 + 8, 2);
    expect(figure(made, 'step.box.packKg')).toBeCloseTo(6.09, 2);
  });

  it('star atlas: the block is 96 leaves and four of endpaper, swollen by 7 % (identity)', () => {
    const made = planned(example('star-atlas'));
    const block = 96 * 135 * 0.92 + 4 * 140 * 1.15;
    expect(after(made, 'gather').caliperUm).toBeCloseTo(block, 6);
    expect(after(made, 'sew').caliperUm).toBeCloseTo(block * 1.07, 6);
    expect(after(made, 'trim')).toMatchObject({ widthMm: 210, heightMm: 297, sections: 12 });
  });

  it('star atlas: ten books are 184.5 mm of block and board, and their cloth beside; 303 mm the other way (identity)', () => {
    const made = planned(example('star-atlas'));
    const book = after(made, 'case-in');
    const [board, cloth] = [2500.5, 190 * 1.4];
    const bare = (96 * 135 * 0.92 + 4 * 140 * 1.15) * 1.07 + 2 * board;
    expect((10 * bare) / 1000).toBeCloseTo(184.5, 1);
    expect(book.caliperUm).toBeCloseTo(bare + 2 * cloth, 6);
    expect(book.heightMm).toBe(297 + 2 * 3);
    // Board 206 and joint 7 from the block's spine edge, the strip's board and the cloth around it.
    expect(book.widthMm).toBeCloseTo(206 + 7 + (board + cloth) / 1000, 9);
    // Block trimmed, two boards, strip and cloth with its turn-ins (identity).
    const leaves = 0.21 * 0.297 * (96 * 135 + 4 * 140);
    const shell = (2 * 0.206 + 0.0184) * 0.303 * 1500 + 0.4744 * 0.333 * 190;
    expect(book.massG).toBeCloseTo(leaves + shell, 6);
  });

  it('walking guide: the spine is 80 leaves of 125 um and two calipers of cover, 10.4 mm (identity)', () => {
    const made = planned(example('walking-guide'));
    // 80 x 0.125 + 2 x (0.2 + 0.012 of film)
    expect(after(made, 'bind').caliperUm / 1000).toBeCloseTo(10.424, 9);
    expect(after(made, 'trim')).toMatchObject({ widthMm: 148, heightMm: 210 });
    const leaf = made.layouts['leaf'];
    // Laid with 3 mm at head, foot and fore edge and the 2.5 mm that are milled off.
    expect(leaf?.piece).toEqual({ widthMm: 148 + 3 + 2.5, heightMm: 210 + 6 });
    const cover = example('walking-guide').components.find(({ id }) => id === 'cover');
    expect(cover?.widthMm).toBeCloseTo(2 * (148 + 3) + 10.4, 9);
  });

  it('shelf lining: five metres weigh 255 g and are 46.3 mm thick on a core of 38 (identity)', () => {
    const roll = after(planned(example('shelf-lining')), 'rewind');
    expect(roll.massG).toBeCloseTo(5 * 0.51 * 100, 9);
    // root of 38 squared + 4 x 5,000 x 0.11 / pi
    expect(roll.heightMm).toBeCloseTo(Math.sqrt(38 ** 2 + (4 * 5000 * 0.11) / Math.PI), 9);
    expect(roll.widthMm).toBe(510);
  });

  it('a window weighs as all that it is punched from: print and board (identity)', () => {
    const made = planned(example('board-game-box'));
    const [blank, windowed] = [after(made, 'die-cut'), after(made, 'window')];
    const board = 272.498 / (1.01 * 0.71);
    expect(blank.throughGsm).toBeCloseTo(170 + board, 6);
    const film = 0.102 * 0.072 * 40;
    expect(blank.massG - windowed.massG).toBeCloseTo(0.09 * 0.06 * (170 + board) - film, 6);
  });

  it('folded work lies free thicker than pressed until it is stitched', () => {
    const made = planned(example('concert-programme'));
    const section = after(made, 'fold-section-1');
    expect(section.freeUm).toBeCloseTo(section.caliperUm * 1.15, 9);
    expect(after(made, 'stitch').freeUm).toBe(after(made, 'stitch').caliperUm);
  });
});

/** Random answers near the usual ones: products that are made every day. */
const answersNear = (family: AskedFamily): fc.Arbitrary<FamilyAnswers> => {
  const usual = answersOf(family);
  return fc
    .record({
      widthMm: fc.integer({ min: Math.ceil(usual.widthMm * 0.8), max: Math.floor(usual.widthMm * 1.1) }),
      heightMm: fc.integer({ min: Math.ceil(usual.heightMm * 0.8), max: Math.floor(usual.heightMm * 1.1) }),
      quantity: fc.integer({ min: 200, max: 30_000 }),
      cover: fc.constantFrom('none' as const, 'varnish' as const, 'film' as const),
      pages: fc.integer({ min: 20, max: 60 }).map((n) => 4 * n),
    })
    .map((drawn) => ({
      ...usual,
      ...drawn,
      pages: family === 'web-leaflet' || family === 'saddle-stitched' ? 32 : drawn.pages,
    }));
};

/** Grams of a finished piece out of its parts: trimmed areas by grammage, film and bought parts. Written apart from the engine. */
function partsG(job: Job, made: Plan): number | undefined {
  const film = job.route.some(({ operation }) => operation === 'laminate') ? 30 : 0;
  const grams = (widthMm: number, heightMm: number, gsm: number): number => ((widthMm * heightMm) / 1e6) * gsm;
  const sections = job.components.filter(({ kind }) => kind === 'section');
  const page = sections[0];
  const cover = job.components.find(({ id }) => id === 'cover');
  const gsm = (id: string): number => made.layouts[id]?.stock.gsm ?? 0;
  if (job.family === 'saddle-stitched' && page && cover) {
    const [w, h] = [page.widthMm ?? 0, page.heightMm ?? 0];
    const leaves = sections.reduce((sum, { id, pages = 0 }) => sum + (pages / 2) * gsm(id), 0);
    return grams(w, h, leaves + 2 * gsm('cover'));
  }
  if (job.family === 'perfect-bound' && page && cover) {
    const [w, h] = [page.widthMm ?? 0, page.heightMm ?? 0];
    const leaves = sections.reduce((sum, { id, pages = 0 }) => sum + (pages / 2) * gsm(id), 0);
    const around = gsm('cover') + film;
    const block = sections.reduce(
      (sum, { id, pages = 0 }) => sum + (pages / 2) * (made.layouts[id]?.caliperUm ?? 0),
      0,
    );
    const spine = block + 2 * ((made.layouts['cover']?.caliperUm ?? 0) + (film > 0 ? 12 : 0));
    return grams(w, h, leaves + 2 * around) + grams(spine / 1000, h, around);
  }
  if (['flat', 'folded'].includes(job.family)) {
    const [piece] = job.components;
    return piece ? grams(piece.widthMm ?? 0, piece.heightMm ?? 0, gsm(piece.id) + film) : undefined;
  }
  return undefined;
}

describe('laws of material over all families, with random answers', () => {
  it.each(ASKED)('%s: nothing gains mass but by what is put on, and every measure is a number (identity)', (family) => {
    fc.assert(
      fc.property(answersNear(family), (answers) => {
        const job = makeJob(family, answers, SHIPPED_WORKS);
        const outcome = plan(job, SHIPPED_WORKS);
        if (!outcome.ok) return;
        const made = outcome.value;
        for (const { state } of made.edges)
          for (const value of [state.widthMm, state.heightMm, state.caliperUm, state.freeUm, state.massG])
            expect(Number.isFinite(value) && value >= 0).toBe(true);
        for (const step of made.steps) {
          const into = made.edges.filter(({ to }) => to === step.id);
          const out = made.edges.filter(({ from }) => from === step.id);
          const usage = new Map(
            job.route.find(({ id }) => id === step.id)?.from?.map((f) => [f.material, f.usage ?? 1]),
          );
          const inG = into.reduce((sum, { material, state }) => sum + state.massG * (usage.get(material) ?? 1), 0);
          const kinds = new Map(out.map(({ material, state }) => [material, state.massG]));
          const outG = step.yield * [...kinds.values()].reduce((a, b) => a + b, 0);
          if (kinds.size === 1) expect(outG).toBeLessThanOrEqual(inG + step.gainG + 1e-6);
        }
        const end = made.edges.find(({ to }) => to === null)?.state;
        const parts = partsG(job, made);
        if (parts !== undefined) expect(end?.massG).toBeCloseTo(parts, 6);
      }),
      { numRuns: 8, seed: 13 },
    );
  });
});

describe('wet or dry', () => {
  const waits = (made: Plan): [string, number][] =>
    made.steps.filter(({ waitHours }) => waitHours > 0).map(({ id, waitHours }) => [id, waitHours]);

  it('cutting does not dry: a sheet cut first folds as late as its sister (handbook chapter 5)', () => {
    const made = planned(example('concert-programme'));
    const lag = (id: string): number => made.steps.find((step) => step.id === id)?.lagHours ?? 0;
    expect(lag('dry-section-1')).toBe(18);
    // Eight hours before the knife, ten more before the folder.
    expect([lag('dry-section-2'), ...waits(made).filter(([id]) => id === 'fold-section-2')]).toEqual([
      8,
      ['fold-section-2', 10],
    ]);
  });

  it.each([
    ['fast-setting', 1.5],
    ['uv', 0],
    ['oxidative', 18],
  ] as const)('%s ink lies %d h before it is folded (handbook chapter 5)', (drying, hours) => {
    const job = example('concert-programme');
    const inks = ['K', 'C', 'M', 'Y'].map((name) => ({ name, kind: 'process' as const, drying }));
    const made = planned({ ...job, inks });
    expect(made.steps.find(({ id }) => id === 'dry-section-1')?.lagHours).toBe(hours);
  });

  it('heavy coverage takes the upper end of the range; zones are believed before what the job says (handbook chapter 5)', () => {
    const job = example('concert-programme');
    const heavy = (change: object): Plan =>
      planned({
        ...job,
        components: job.components.map((one) =>
          one.id === 'section-1' ? { ...one, front: one.front.map((ink) => ({ ...ink, ...change })) } : one,
        ),
      });
    const lag = (made: Plan): number | undefined => made.steps.find(({ id }) => id === 'dry-section-1')?.lagHours;
    expect(lag(heavy({ coverage: 0.5 }))).toBe(24);
    expect(lag(heavy({ coverage: 0.5, zones: [0.1, 0.1] }))).toBe(18);
  });

  it('dispersion laminations and film lie before they are cut, thermal film does not (handbook chapter 5)', () => {
    expect(waits(planned(example('board-game-box')))).toContainEqual(['die-cut', 24]);
    const guide = planned(example('walking-guide'));
    expect(waits(guide).filter(([id]) => id === 'cut-cover')).toEqual([]);
  });

  it('released by touch no clock is waited for', () => {
    const job = example('concert-programme');
    const made = planned({ ...job, norms: { 'dry.byTouch': 1 } });
    expect(made.steps.every(({ lagHours, waitHours }) => lagHours + waitHours === 0)).toBe(true);
  });
});
