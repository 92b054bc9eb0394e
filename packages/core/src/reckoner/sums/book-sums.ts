import { CREEP_FACTORS, CREEP_METHODS } from '../../imposition/index.js';
import { type Sum, choiceField, numberField } from '../sum.js';

const PAGES = numberField('pages', $localize`Pages`, '', undefined, { min: 1, max: 100_000, whole: true });
const CALIPER = numberField('caliper', $localize`Caliper`, 'um', undefined, { min: 1, max: 20_000 });
const RULE = { label: 'practice', note: $localize`rule of the trade; the house sets its own measures` } as const;
const LEAVES = 'pages / 2 * caliper / 1000';

/** Measures of a book. */
export const BOOK_SUMS: readonly Sum[] = [
  {
    ...{ id: 'spine', group: 'book', name: $localize`Spine`, words: ['spine', 'back', 'block'] },
    fields: [
      ...[PAGES, CALIPER, numberField('cover', $localize`Caliper of the cover`, 'um', 300, { max: 5_000 })],
      numberField('covers', $localize`Covers in it`, '', 2, { max: 10 }),
    ],
    reckon(book) {
      book.show('block', $localize`Block`, 'mm', LEAVES, { pages: 'pages', caliper: 'caliper' });
      book.show('spine', $localize`Spine with its cover`, 'mm', 'block + covers * cover / 1000', {
        ...{ block: 'block', covers: 'covers', cover: 'cover' },
      });
      book.order = `perfect-bound book ${book.number('pages')}pp`;
    },
  },
  {
    ...{ id: 'case', group: 'book', name: $localize`Case`, words: ['case', 'boards', 'cloth', 'hardcover'] },
    fields: [
      numberField('width', $localize`Block, width`, 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('height', $localize`Block, height`, 'mm', undefined, { min: 1, max: 2_000 }),
      ...[PAGES, CALIPER, numberField('board', $localize`:of a case|:Board`, 'mm', 2.5, { min: 0.1, max: 10 })],
      ...[
        numberField('square', $localize`:of a case|:Square`, 'mm', 3, { max: 50 }),
        numberField('joint', $localize`Joint`, 'mm', 7, { max: 50 }),
      ],
      numberField('turnIn', $localize`Turn-in`, 'mm', 15, { max: 100 }),
    ],
    reckon(book) {
      book.show('block', $localize`Block`, 'mm', LEAVES, { pages: 'pages', caliper: 'caliper' });
      book.show(
        'boardHeight',
        $localize`Board, height`,
        'mm',
        'height + 2 * square',
        { height: 'height', square: 'square' },
        RULE,
      );
      book.show(
        'boardWidth',
        $localize`Board, width`,
        'mm',
        'width + square - joint',
        {
          ...{ width: 'width', square: 'square', joint: 'joint' },
        },
        RULE,
      );
      book.show('strip', $localize`Spine strip`, 'mm', 'block + 2 * board', { block: 'block', board: 'board' }, RULE);
      book.show(
        'clothWidth',
        $localize`Cloth, width`,
        'mm',
        '2 * boardWidth + 2 * joint + strip + 2 * turnIn',
        {
          ...{ boardWidth: 'boardWidth', joint: 'joint', strip: 'strip', turnIn: 'turnIn' },
        },
        RULE,
      );
      book.show(
        'clothHeight',
        $localize`Cloth, height`,
        'mm',
        'boardHeight + 2 * turnIn',
        {
          ...{ boardHeight: 'boardHeight', turnIn: 'turnIn' },
        },
        RULE,
      );
      book.order = `hardcover book ${book.number('width')} x ${book.number('height')} mm ${book.number('pages')}pp`;
    },
  },
  {
    ...{
      id: 'jacket',
      group: 'book',
      name: $localize`Jacket that wraps around`,
      words: ['jacket', 'wrap-around', 'dust'],
    },
    fields: [
      numberField('boardWidth', $localize`Board, width`, 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('boardHeight', $localize`Board, height`, 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('spine', $localize`Spine over all`, 'mm', undefined, { max: 500 }),
      ...[
        numberField('joint', $localize`Joint`, 'mm', 7, { max: 50 }),
        numberField('flap', $localize`Flap`, 'mm', 80, { max: 1_000 }),
      ],
    ],
    reckon(book) {
      book.show('width', $localize`Jacket, width`, 'mm', '2 * flap + 2 * boardWidth + 2 * joint + spine', {
        ...{ flap: 'flap', boardWidth: 'boardWidth', joint: 'joint', spine: 'spine' },
      });
      book.show('height', $localize`Jacket, height`, 'mm', 'boardHeight', { boardHeight: 'boardHeight' });
    },
  },
  {
    ...{
      id: 'creep',
      group: 'book',
      name: $localize`Creep of a stitched book`,
      words: ['creep', 'shingling', 'pushout'],
    },
    fields: [PAGES, CALIPER, choiceField('method', $localize`Reckoned`, CREEP_METHODS)],
    reckon(book) {
      const method = book.text('method') as keyof typeof CREEP_FACTORS;
      const source = method === 'thumb' ? RULE : ({ label: 'identity' } as const);
      const factor = book.known('factor', $localize`Calipers a sheet`, CREEP_FACTORS[method], '', source);
      book.say('sheets', $localize`Sheets one in another`, 'sheets', 'ceil(pages / 4)', { pages: 'pages' });
      book.show('creep', $localize`The innermost stands out by`, 'mm', '(sheets - 1) * factor * caliper / 1000', {
        ...{ sheets: 'sheets', factor, caliper: 'caliper' },
      });
      book.order = `saddle-stitched booklet ${book.number('pages')}pp`;
    },
  },
  {
    ...{
      id: 'signatures',
      group: 'book',
      name: $localize`Sections of a book`,
      words: ['signature', 'signatures', 'sections', 'section'],
    },
    fields: [
      PAGES,
      choiceField('section', $localize`Pages of a section`, ['4', '8', '12', '16', '24', '32', '64'], '16'),
    ],
    reckon(book) {
      const size = book.known('size', $localize`Pages of a section`, Number(book.text('section')), 'pages');
      book.show('full', $localize`Full sections`, 'sections', 'floor(pages / size)', { pages: 'pages', size });
      book.show('rest', $localize`Pages left over`, 'pages', 'pages - full * size', {
        pages: 'pages',
        full: 'full',
        size,
      });
      book.show('blank', $localize`Pages to the next four`, 'pages', 'ceil(rest / 4) * 4 - rest', { rest: 'rest' });
    },
  },
];
