import { coverSheet } from '../../finishing/index.js';
import { mostPages, splitPages } from '../../imposition/index.js';
import { UM, tenth } from '../../kernel/index.js';
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

/** The one-piece cover of a glued book; how wide its spine is, its block says once it is known. */
export function gluedCover(answers: FamilyAnswers, works: Works): Component {
  return {
    id: 'cover',
    name: 'Cover',
    kind: 'sheet',
    ...coverSheet(answers, normsOf(works, {})('bind.trim').value, 0, answers.twoUp ? 2 : 1),
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
  const notched = answers.spine === 'notched';
  // What is milled off is laid on the sheet beside every spine fold.
  const trims = notched ? {} : { trims: { spineMm: normsOf(works, {})('bind.mill').value } };
  const sections = gatheredSections(answers, works).map((section): Component => ({ ...section, ...trims }));
  const cover = gluedCover(answers, works);
  const lanes = sections.map((section) =>
    sectionLane(section, false).map((step): Step =>
      notched && step.operation === 'fold' ? { ...step, note: 'Notched at the spine fold.' } : step,
    ),
  );
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

/** Stock of endpapers. Source: common practice, no source. */
const ENDPAPER = 'endpaper-140';

/** A part that is cut and never printed, its grain along the spine. */
function unprinted(
  works: Works,
  id: string,
  name: string,
  stock: string,
  widthMm: number,
  heightMm: number,
): Component {
  return {
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
  };
}

/** Boards, spine strip and cloth of a case: cut, never printed, as large as the block wants once it is known. */
function caseParts(answers: FamilyAnswers, works: Works): { components: Component[]; boardMm: number } {
  const boardStock = works.stocks.find(({ id }) => id === 'greyboard-1500') ?? works.stocks[0];
  const board = boardStock?.id ?? '';
  const { widthMm, heightMm } = answers;
  return {
    boardMm: boardStock ? tenth((boardStock.gsm * boardStock.bulk) / UM) : 0,
    components: [
      unprinted(works, 'board', 'Board', board, widthMm, heightMm),
      unprinted(works, 'strip', 'Spine strip', board, STRIP_MM, heightMm),
      unprinted(works, 'cloth', 'Cloth', 'cloth-190', 2 * widthMm, heightMm),
    ],
  };
}

/** Any strip narrower than a board will do until the block is known. */
const STRIP_MM = 10;

/** A sewn book in a case. Source: handbook chapter 2, family 5. */
export function caseBound(answers: FamilyAnswers, works: Works): Made {
  const sections = gatheredSections(answers, works);
  const { components: cases, boardMm } = caseParts(answers, works);
  const trim = normsOf(works, {})('bind.trim').value;
  const endpaper = unprinted(
    works,
    'endpaper',
    'Endpaper',
    ENDPAPER,
    2 * (answers.widthMm + trim),
    answers.heightMm + 2 * trim,
  );
  const ends = new Lane(endpaper.id, '-endpaper').add('cut').add('fold', { folds: 1 });
  const lanes = sections.map((section, i) => {
    const lane = new Lane(section.id, '', sectionLane(section, false));
    const outer = i === 0 || i === sections.length - 1;
    return outer
      ? lane.add('tip', { id: `tip-${section.id}`, note: 'Endpaper to the fold.' }, { material: ends.end })
      : lane;
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
    components: [...sections, endpaper, ...cases],
    finish: { boardMm },
    route: [ends, ...lanes, block, ...cut, made, book].flatMap(({ steps }) => steps),
  };
}
