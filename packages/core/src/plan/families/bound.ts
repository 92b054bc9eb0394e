import { blockThicknessMm, caseFor, coverSheet, gluedSpineMm } from '../../finishing/index.js';
import { mostPages, splitPages } from '../../imposition/index.js';
import { type Works, BOARD_CUTTER, normsOf } from '../../works/index.js';
import { printSteps, sectionLane } from '../edit-job.js';
import type { Component, Step } from '../job.js';
import type { FamilyAnswers } from './answers.js';
import { type Made, Lane, PROCESS, gsmOf, joined, sheetFor, styleOf } from './lane.js';

const after = (steps: readonly Step[]): { from: { material: string }[] } => ({
  from: [{ material: steps.at(-1)?.id ?? '' }],
});

/** Sections that a booklet's text is split into on a stock: 36 pages on 90 g are 32 + 4. Empty unless a multiple of 4. */
export const sectionPages = (pages: number, gsm: number): number[] => splitPages(pages, mostPages(gsm));

function coverRoute(component: Component, scored: boolean): Step[] {
  const route = printSteps(component.id, component.workStyle);
  const add = (id: string, operation: Step['operation']) =>
    route.push({ id: `${id}-cover`, operation, component: component.id, ...after(route) });
  add('coat', 'coat');
  add('cut', 'cut');
  if (scored) add('score', 'score');
  return route;
}

/** A booklet stitched through its fold. */
export function stitched(answers: FamilyAnswers, works: Works): Made {
  const common = {
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    press: answers.press,
    workStyle: styleOf(works, answers.press, PROCESS, PROCESS),
    front: PROCESS,
    back: PROCESS,
  };
  const sections = sectionPages(answers.pages, gsmOf(works, answers.stock)).map((pages, i): Component => ({
    ...common,
    id: `section-${i + 1}`,
    name: `Section of ${pages} pages`,
    kind: 'section',
    pages,
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
  }));
  const cover: Component = {
    ...common,
    id: 'cover',
    name: 'Cover',
    kind: 'cover',
    pages: 4,
    stock: answers.coverStock,
    ...sheetFor(works, answers.coverStock, answers.press, 'width'),
  };
  const lanes = [
    ...sections.map((section) => sectionLane(section, false)),
    coverRoute(cover, gsmOf(works, answers.coverStock) > normsOf(works, {})('fold.scoreOver').value),
  ];
  const stitch: Step = {
    id: 'stitch',
    operation: 'stitch',
    from: lanes.map((lane) => ({ material: lane.at(-1)?.id ?? '' })),
  };
  const route: Step[] = [...lanes.flat(), stitch, { id: 'trim', operation: 'trim', from: [{ material: 'stitch' }] }];
  route.push({ id: 'box', operation: 'box', perPack: 100, from: [{ material: 'trim' }] });
  return { components: [...sections, cover], route };
}

/** To a tenth of a millimetre, as knives are set. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Caliper of a stock, micrometres. */
function caliperOf(works: Works, id: string): number {
  const stock = works.stocks.find((one) => one.id === id);
  return stock ? stock.gsm * stock.bulk : 0;
}

/** Sections of a gathered book, each on its own sheet. */
function gatheredSections(answers: FamilyAnswers, works: Works): Component[] {
  return sectionPages(answers.pages, gsmOf(works, answers.stock)).map((pages, i): Component => ({
    id: `section-${i + 1}`,
    name: `Section ${i + 1}, ${pages} pages`,
    kind: 'section',
    pages,
    widthMm: answers.widthMm,
    heightMm: answers.heightMm,
    stock: answers.stock,
    ...sheetFor(works, answers.stock, answers.press, 'width'),
    press: answers.press,
    workStyle: styleOf(works, answers.press, PROCESS, PROCESS),
    front: PROCESS,
    back: PROCESS,
  }));
}

/** The one-piece cover of a glued book, its spine as thick as the block and the cover make it. */
export function gluedCover(answers: FamilyAnswers, works: Works): Component {
  const norm = normsOf(works, {});
  const spine = gluedSpineMm(
    blockThicknessMm(answers.pages, caliperOf(works, answers.stock)),
    caliperOf(works, answers.coverStock),
    norm('bind.coverCalipers').value,
  );
  const size = coverSheet(answers, norm('bind.trim').value, tenth(spine), answers.twoUp ? 2 : 1);
  return {
    id: 'cover',
    name: 'Cover',
    kind: 'sheet',
    ...size,
    grain: 'height',
    stock: answers.coverStock,
    ...sheetFor(works, answers.coverStock, answers.press, 'width'),
    press: answers.press,
    workStyle: 'single',
    front: PROCESS,
    back: [],
  };
}

/** A glued cover's way: printed, coated or filmed, cut, scored at spine and hinge. */
function gluedCoverLane(cover: Component, answers: FamilyAnswers): Lane {
  return Lane.printed(cover, '-cover')
    .addIf(answers.cover === 'varnish', 'coat')
    .addIf(answers.cover === 'film', 'laminate')
    .add('cut')
    .add('score', { note: 'Four scores: both edges of the spine, both hinges.' });
}

/** A book glued at its spine. Source: handbook chapter 2, family 4. */
export function perfectBound(answers: FamilyAnswers, works: Works): Made {
  const sections = gatheredSections(answers, works);
  const cover = gluedCover(answers, works);
  const lanes = sections.map((section) => sectionLane(section, false));
  const coverLane = gluedCoverLane(cover, answers);
  const ends = [...lanes.map((lane) => ({ end: lane.at(-1)?.id ?? '' })), coverLane];
  const book = new Lane(undefined)
    .add('bind', {}, ...joined(ends))
    .add('cool')
    .addIf(answers.twoUp === true, 'split')
    .add('trim')
    .add('inspect')
    .add('box', { perPack: 20 });
  return {
    components: [...sections, cover],
    route: [...lanes.flat(), ...coverLane.steps, ...book.steps],
    ...(answers.cover === 'film' ? { finish: { film: 'matt' } } : {}),
  };
}

/** A folded endpaper of 140 g. Source: common practice, no source. */
const ENDPAPER_MM = 0.32;

/** Boards, spine strip and cloth of a case: cut, never printed. */
function caseParts(answers: FamilyAnswers, works: Works): { components: Component[]; boardMm: number } {
  const norm = normsOf(works, {});
  const boardStock = works.stocks.find(({ id }) => id === 'greyboard-1500') ?? works.stocks[0];
  const boardMm = boardStock ? tenth((boardStock.gsm * boardStock.bulk) / 1000) : 0;
  const swell = 1 + norm('sew.swell').value;
  const measures = caseFor(
    {
      widthMm: answers.widthMm,
      heightMm: answers.heightMm,
      thicknessMm: tenth((blockThicknessMm(answers.pages, caliperOf(works, answers.stock)) + 2 * ENDPAPER_MM) * swell),
    },
    {
      squareMm: norm('case.square').value,
      jointMm: norm('case.joint').value,
      turnInMm: norm('case.turnIn').value,
      jointCalipers: norm('case.jointCalipers').value,
      boardMm,
    },
  );
  const part = (id: string, name: string, stock: string, widthMm: number, heightMm: number): Component => ({
    id,
    name,
    kind: 'sheet',
    widthMm: tenth(widthMm),
    heightMm: tenth(heightMm),
    grain: 'height',
    stock,
    ...sheetFor(works, stock, BOARD_CUTTER.id, 'height'),
    press: BOARD_CUTTER.id,
    workStyle: 'single',
    front: [],
    back: [],
    lay: { bleedMm: 0 },
  });
  const board = boardStock?.id ?? '';
  return {
    boardMm,
    components: [
      part('board', 'Board', board, measures.boardWidthMm, measures.boardHeightMm),
      part('strip', 'Spine strip', board, measures.stripWidthMm, measures.boardHeightMm),
      part('cloth', 'Cloth', 'cloth-190', measures.clothWidthMm, measures.clothHeightMm),
    ],
  };
}

/** A sewn book in a case. Source: handbook chapter 2, family 5. */
export function caseBound(answers: FamilyAnswers, works: Works): Made {
  const sections = gatheredSections(answers, works);
  const { components: cases, boardMm } = caseParts(answers, works);
  const endpaper = { material: 'part.endpaper' };
  const lanes = sections.map((section, i) => {
    const lane = new Lane(section.id, '', sectionLane(section, false));
    const outer = i === 0 || i === sections.length - 1;
    return outer ? lane.add('tip', { id: `tip-${section.id}`, note: 'Endpaper to the fold.' }, endpaper) : lane;
  });
  const block = new Lane(undefined)
    .add('gather', {}, ...joined(lanes))
    .add('sew')
    .add('spine')
    .add('trim')
    .add('line', { note: 'Mull, paper, headbands.' });
  const cut = cases.map(({ id }) => new Lane(id, `-${id}`).add('cut'));
  const [boards, strips, cloths] = cut;
  const made = new Lane(undefined).add(
    'case',
    {},
    ...joined([
      ...(cloths ? [cloths] : []),
      ...(boards ? [{ end: boards.end, usage: 2 }] : []),
      ...(strips ? [strips] : []),
    ]),
  );
  if (answers.foil) made.add('foil', { id: 'stamp', note: 'Spine and front board.' });
  const book = new Lane(undefined)
    .add('case-in', {}, ...joined([block, made]))
    .add('press')
    .add('inspect')
    .add('box', { perPack: 10 });
  return {
    components: [...sections, ...cases],
    parts: [
      {
        id: 'endpaper',
        name: 'Endpaper, folded',
        widthMm: answers.widthMm,
        heightMm: answers.heightMm,
        caliperUm: ENDPAPER_MM * 1000,
        massG: (2 * answers.widthMm * answers.heightMm * 140) / 1e6,
        price: 0.06,
      },
    ],
    finish: { boardMm },
    route: [...lanes, block, ...cut, made, book].flatMap(({ steps }) => steps),
  };
}
