import { coverSheet } from '../finishing/index.js';
import {
  type OddPlace,
  SECTION_PAGES,
  mostPages,
  orderSections,
  splitPages,
  splitProposals,
} from '../imposition/index.js';
import type { MachineProcess } from '../route/index.js';
import { UM, tenth } from '../kernel/index.js';
import { type Works, inUse } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { printSteps, sectionLane } from '../edit/index.js';
import type { Component, Step } from '../job/index.js';
import type { FamilyAnswers } from './answers.js';
import { HOUSE_STOCKS, boardCutter, doneHere, houseOddPlace, standIn } from './house.js';
import { fitsASheet } from './fits-sheet.js';
import { type Made, Lane, PROCESS, gsmOf, joined, sheetFor, styleOf } from './lane.js';

const after = (steps: readonly Step[]): { from: { material: string }[] } => ({
  from: [{ material: steps.at(-1)?.id ?? '' }],
});

/** Sections that a booklet's text is split into on a stock: 36 pages on 90 g are 32 + 4. Empty unless a multiple of 4. */
export const sectionPages = (pages: number, gsm: number): number[] => splitPages(pages, mostPages(gsm));

/** A section as the answers ask for it. */
function sectionOf(answers: FamilyAnswers, works: Works, id: string, name: string, pages: number): Component {
  return {
    id,
    name,
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
  };
}

/** Most pages in a section that its paper folds well in and a sheet of the press holds; 4 where none fits. */
function mostThatFit(answers: FamilyAnswers, works: Works, trims: Partial<Component>): number {
  const least = 4;
  for (let most = mostPages(gsmOf(works, answers.stock)); most > least; most /= 2) {
    const section = { ...sectionOf(answers, works, 'section', $localize`Section`, most), ...trims };
    if (fitsASheet(section, works, answers.twoUp === true)) return most;
  }
  return least;
}

/** Splits of a sewn text: none whose outermost section has 4 pages, where there is another. */
export function sewnPages(pages: number, most: number, place: OddPlace): number[] {
  const usual = splitPages(pages, most);
  const outer = (split: readonly number[]): boolean => {
    const order = orderSections(split, place).map((i) => split[i]);
    return order[0] === 4 || order.at(-1) === 4;
  };
  if (!outer(usual)) return usual;
  const sizes = SECTION_PAGES.filter((size) => size <= most);
  const pairs = sizes.flatMap((first) =>
    sizes.flatMap((second) => (first >= second && first + second === pages ? [[first, second]] : [])),
  );
  const others = [...splitProposals(pages, most), ...pairs].filter((split) => !outer(split));
  const [best] = others.sort((one, other) => one.length - other.length);
  return best ? [...best] : usual;
}

function coverRoute(component: Component, works: Works, scored: boolean): Step[] {
  const route = printSteps(component.id, component.workStyle);
  const add = (id: string, operation: Step['operation']) =>
    route.push({ id: `${id}-cover`, operation, component: component.id, ...after(route) });
  if (doneHere(works, 'coat')) add('coat', 'coat');
  add('cut', 'cut');
  if (scored) add('score', 'score');
  return route;
}

/** A booklet stitched through its fold. */
export function stitched(answers: FamilyAnswers, works: Works): Made {
  const { stock: _stock, ...common } = sectionOf(answers, works, '', '', 4);
  const sections = splitPages(answers.pages, mostThatFit(answers, works, {})).map((pages, i) =>
    sectionOf(answers, works, `section-${i + 1}`, $localize`Section of ${pages} pages`, pages),
  );
  const cover: Component = {
    ...common,
    id: 'cover',
    name: $localize`Cover`,
    kind: 'cover',
    pages: 4,
    stock: answers.coverStock,
    ...sheetFor(works, answers.coverStock, answers.press, 'width'),
  };
  const lanes = [
    ...sections.map((section) => foldedLane(section, works)),
    coverRoute(cover, works, gsmOf(works, answers.coverStock) > normsOf(works, {})('fold.scoreOver').value),
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
function gatheredSections(
  answers: FamilyAnswers,
  works: Works,
  trims: Partial<Component>,
  split: (pages: number, most: number) => number[],
): Component[] {
  return split(answers.pages, mostThatFit(answers, works, trims)).map((pages, i): Component => ({
    ...sectionOf(answers, works, `section-${i + 1}`, $localize`Section ${i + 1}, ${pages} pages`, pages),
    ...trims,
  }));
}

/** A section's lane, scored where its paper wants it. */
function foldedLane(section: Component, works: Works): Step[] {
  const lane = sectionLane(section, false);
  if (gsmOf(works, section.stock) <= normsOf(works, {})('fold.scoreOver').value) return lane;
  const fold = lane.at(-1);
  if (!fold) return lane;
  const score: Step = { ...fold, id: `score-${section.id}`, operation: 'score' };
  return [...lane.slice(0, -1), score, { ...fold, from: [{ material: score.id }] }];
}

/**
 * Ends of lanes gathered beforehand where there are more than a machine has feeders, as few gathers as will do.
 * Source: handbook chapter 7 (sections up to the gatherer's stations, else two gathers).
 */
function gatheredFirst(
  ends: readonly { readonly end: string }[],
  most: number,
  feeders: number,
): { readonly ends: readonly { readonly end: string }[]; readonly gathers: readonly Lane[] } {
  if (ends.length <= most) return { ends, gathers: [] };
  const groups = Math.ceil(ends.length / feeders);
  const each = Math.ceil(ends.length / groups);
  const gathers = Array.from({ length: groups }, (_, i) =>
    new Lane(undefined, `-${i + 1}`).add('gather', {}, ...joined(ends.slice(i * each, (i + 1) * each))),
  );
  return { ends: gathers, gathers };
}

/** Feeders of the first machine of a kind. */
const feedersOf = (works: Works, process: MachineProcess): number =>
  inUse(works.machines).find((machine) => machine.process === process)?.takes?.stations ?? Infinity;

/** The one-piece cover of a glued book; how wide its spine is, its block says once it is known. */
export function gluedCover(answers: FamilyAnswers, works: Works): Component {
  return {
    id: 'cover',
    name: $localize`Cover`,
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
    .add('score', { note: $localize`Four scores: both edges of the spine, both hinges.` });
}

/** A book glued at its spine. Source: handbook chapter 2, family 4. */
export function perfectBound(answers: FamilyAnswers, works: Works): Made {
  const notched = answers.spine === 'notched';
  // What is milled off is laid on the sheet beside every spine fold.
  const trims = notched ? {} : { trims: { spineMm: normsOf(works, {})('bind.mill').value } };
  const sections = gatheredSections(answers, works, trims, splitPages);
  const cover = gluedCover(answers, works);
  const lanes = sections.map((section) =>
    foldedLane(section, works).map((step): Step =>
      notched && step.operation === 'fold' ? { ...step, note: $localize`Notched at the spine fold.` } : step,
    ),
  );
  const coverLane = gluedCoverLane(cover, answers);
  const { ends, gathers } = gatheredFirst(
    lanes.map((lane) => ({ end: lane.at(-1)?.id ?? '' })),
    // The cover has a feeder of its own.
    feedersOf(works, 'binder') - 1,
    feedersOf(works, 'gatherer'),
  );
  const book = new Lane(undefined)
    .add('bind', {}, ...joined([...ends, coverLane]))
    .add('cool')
    .addIf(answers.twoUp === true, 'split')
    .add('trim')
    .add('inspect')
    .add('box', { perPack: 20 });
  return {
    components: [...sections, cover],
    route: [...lanes.flat(), ...gathers.flatMap(({ steps }) => steps), ...coverLane.steps, ...book.steps],
    ...(answers.cover === 'film' ? { finish: { film: 'matt' } } : {}),
  };
}

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
    ...sheetFor(works, stock, boardCutter(works), 'height'),
    press: boardCutter(works),
    workStyle: 'single',
    front: [],
    back: [],
    lay: { bleedMm: 0 },
  };
}

/** Boards, spine strip and cloth of a case: cut, never printed, as large as the block wants once it is known. */
function caseParts(answers: FamilyAnswers, works: Works): { components: Component[]; boardMm: number } {
  const boardStock = standIn(works, HOUSE_STOCKS.board);
  const board = boardStock?.id ?? HOUSE_STOCKS.board;
  const { widthMm, heightMm } = answers;
  return {
    boardMm: boardStock ? tenth((boardStock.gsm * boardStock.bulk) / UM) : 0,
    components: [
      unprinted(works, 'board', $localize`:of a case|:Board`, board, widthMm, heightMm),
      unprinted(works, 'strip', $localize`Spine strip`, board, STRIP_MM, heightMm),
      unprinted(
        works,
        'cloth',
        $localize`Cloth`,
        standIn(works, HOUSE_STOCKS.cloth)?.id ?? HOUSE_STOCKS.cloth,
        2 * widthMm,
        heightMm,
      ),
    ],
  };
}

/** Any strip narrower than a board will do until the block is known. */
const STRIP_MM = 10;

/** A sewn book in a case. Source: handbook chapter 2, family 5. */
export function caseBound(answers: FamilyAnswers, works: Works): Made {
  const sections = gatheredSections(answers, works, {}, (pages, most) =>
    sewnPages(pages, most, houseOddPlace(works, 'gathered')),
  );
  const { components: cases, boardMm } = caseParts(answers, works);
  const trim = normsOf(works, {})('bind.trim').value;
  const endpaper = unprinted(
    works,
    'endpaper',
    $localize`Endpaper`,
    standIn(works, HOUSE_STOCKS.endpaper)?.id ?? HOUSE_STOCKS.endpaper,
    2 * (answers.widthMm + trim),
    answers.heightMm + 2 * trim,
  );
  const ends = new Lane(endpaper.id, '-endpaper').add('cut').add('fold', { folds: 1 });
  const lanes = sections.map((section) => new Lane(section.id, '', foldedLane(section, works)));
  const feeders = feedersOf(works, 'gatherer');
  const { ends: gathered, gathers } = gatheredFirst(lanes, feeders, feeders);
  const block = new Lane(undefined);
  if (gathers.length === 0) block.add('gather', {}, ...joined(lanes)).add('sew');
  else block.add('sew', {}, ...joined(gathered));
  block
    .add('spine')
    .add('trim')
    .add('line', { note: $localize`Mull, paper, headbands.` });
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
  if (answers.foil) made.add('foil', { id: 'stamp', note: $localize`Spine and front board.` });
  const book = new Lane(undefined)
    .add('case-in', {}, ...joined([block, made]))
    .add('press')
    .add('inspect')
    .add('box', { perPack: 10 });
  return {
    components: [...sections, endpaper, ...cases],
    finish: { boardMm },
    route: [ends, ...lanes, ...gathers, block, ...cut, made, book].flatMap(({ steps }) => steps),
    endpaper: ends.end,
  };
}
