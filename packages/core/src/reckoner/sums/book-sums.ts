import { CREEP_FACTORS, CREEP_METHODS } from '../../imposition/index.js';
import { type Sum, choiceField, numberField } from '../sum.js';

const PAGES = numberField('pages', 'Pages', '', undefined, { min: 1, max: 100_000, whole: true });
const CALIPER = numberField('caliper', 'Caliper', 'um', undefined, { min: 1, max: 20_000 });
const RULE = { label: 'practice', note: 'rule of the trade; the house sets its own measures' } as const;
const LEAVES = 'pages / 2 * caliper / 1000';

/** Measures of a book. */
export const BOOK_SUMS: readonly Sum[] = [
  {
    ...{ id: 'spine', group: 'book', name: 'Spine', words: ['spine', 'back', 'block'] },
    fields: [
      ...[PAGES, CALIPER, numberField('cover', 'Caliper of the cover', 'um', 300, { max: 5_000 })],
      numberField('covers', 'Covers in it', '', 2, { max: 10 }),
    ],
    reckon(book) {
      book.show('block', 'Block', 'mm', LEAVES, { pages: 'pages', caliper: 'caliper' });
      book.show('spine', 'Spine with its cover', 'mm', 'block + covers * cover / 1000', {
        ...{ block: 'block', covers: 'covers', cover: 'cover' },
      });
      book.order = `perfect-bound book ${book.number('pages')}pp`;
    },
  },
  {
    ...{ id: 'case', group: 'book', name: 'Case', words: ['case', 'boards', 'cloth', 'hardcover'] },
    fields: [
      numberField('width', 'Block, width', 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('height', 'Block, height', 'mm', undefined, { min: 1, max: 2_000 }),
      ...[PAGES, CALIPER, numberField('board', 'Board', 'mm', 2.5, { min: 0.1, max: 10 })],
      ...[numberField('square', 'Square', 'mm', 3, { max: 50 }), numberField('joint', 'Joint', 'mm', 7, { max: 50 })],
      numberField('turnIn', 'Turn-in', 'mm', 15, { max: 100 }),
    ],
    reckon(book) {
      book.show('block', 'Block', 'mm', LEAVES, { pages: 'pages', caliper: 'caliper' });
      book.show(
        'boardHeight',
        'Board, height',
        'mm',
        'height + 2 * square',
        { height: 'height', square: 'square' },
        RULE,
      );
      book.show(
        'boardWidth',
        'Board, width',
        'mm',
        'width + square - joint',
        {
          ...{ width: 'width', square: 'square', joint: 'joint' },
        },
        RULE,
      );
      book.show('strip', 'Spine strip', 'mm', 'block + 2 * board', { block: 'block', board: 'board' }, RULE);
      book.show(
        'clothWidth',
        'Cloth, width',
        'mm',
        '2 * boardWidth + 2 * joint + strip + 2 * turnIn',
        {
          ...{ boardWidth: 'boardWidth', joint: 'joint', strip: 'strip', turnIn: 'turnIn' },
        },
        RULE,
      );
      book.show(
        'clothHeight',
        'Cloth, height',
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
    ...{ id: 'jacket', group: 'book', name: 'Jacket that wraps around', words: ['jacket', 'wrap-around', 'dust'] },
    fields: [
      numberField('boardWidth', 'Board, width', 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('boardHeight', 'Board, height', 'mm', undefined, { min: 1, max: 2_000 }),
      numberField('spine', 'Spine over all', 'mm', undefined, { max: 500 }),
      ...[numberField('joint', 'Joint', 'mm', 7, { max: 50 }), numberField('flap', 'Flap', 'mm', 80, { max: 1_000 })],
    ],
    reckon(book) {
      book.show('width', 'Jacket, width', 'mm', '2 * flap + 2 * boardWidth + 2 * joint + spine', {
        ...{ flap: 'flap', boardWidth: 'boardWidth', joint: 'joint', spine: 'spine' },
      });
      book.show('height', 'Jacket, height', 'mm', 'boardHeight', { boardHeight: 'boardHeight' });
    },
  },
  {
    ...{ id: 'creep', group: 'book', name: 'Creep of a stitched book', words: ['creep', 'shingling', 'pushout'] },
    fields: [PAGES, CALIPER, choiceField('method', 'Reckoned', CREEP_METHODS)],
    reckon(book) {
      const method = book.text('method') as keyof typeof CREEP_FACTORS;
      const source = method === 'thumb' ? RULE : ({ label: 'identity' } as const);
      const factor = book.known('factor', 'Calipers a sheet', CREEP_FACTORS[method], '', source);
      book.say('sheets', 'Sheets one in another', 'sheets', 'ceil(pages / 4)', { pages: 'pages' });
      book.show('creep', 'The innermost stands out by', 'mm', '(sheets - 1) * factor * caliper / 1000', {
        ...{ sheets: 'sheets', factor, caliper: 'caliper' },
      });
      book.order = `saddle-stitched booklet ${book.number('pages')}pp`;
    },
  },
  {
    ...{
      id: 'signatures',
      group: 'book',
      name: 'Sections of a book',
      words: ['signature', 'signatures', 'sections', 'section'],
    },
    fields: [PAGES, choiceField('section', 'Pages of a section', ['4', '8', '12', '16', '24', '32', '64'], '16')],
    reckon(book) {
      const size = book.known('size', 'Pages of a section', Number(book.text('section')), 'pages');
      book.show('full', 'Full sections', 'sections', 'floor(pages / size)', { pages: 'pages', size });
      book.show('rest', 'Pages left over', 'pages', 'pages - full * size', { pages: 'pages', full: 'full', size });
      book.show('blank', 'Pages to the next four', 'pages', 'ceil(rest / 4) * 4 - rest', { rest: 'rest' });
    },
  },
];
