import { error } from '../../kernel/index.js';
import { type Pattern, layPatterns, outOfBought } from '../../layout/index.js';
import type { StationDrawing } from '../../stations/index.js';
import { type Sum, type SumBook, choiceField, numberField } from '../sum.js';

const side = (id: string, name: string, usual?: number) =>
  numberField(id, name, 'mm', usual, { min: 0.1, max: 20_000 });
const GRAINS = ['along the width', 'along the height'] as const;
const grainOf = (text: string): 'width' | 'height' => (text === GRAINS[0] ? 'width' : 'height');
const SHEETS = numberField('wanted', $localize`Pieces wanted`, '', 1_000, { min: 1 });

/** The pattern on its sheet, to scale. */
const drawn = (title: string, book: SumBook, { pieces }: Pattern, margin: number): StationDrawing => ({
  title,
  widthMm: book.number('width'),
  heightMm: book.number('height'),
  shapes: [
    { kind: 'box', role: 'sheet', x: 0, y: 0, width: book.number('width'), height: book.number('height') },
    ...pieces.map(({ xMm, yMm, widthMm, heightMm }) => ({
      ...({ kind: 'box', role: 'piece', width: widthMm, height: heightMm } as const),
      ...{ x: margin + xMm, y: book.number('height') - margin - yMm - heightMm },
    })),
  ],
});

/** What the layout has found, and what follows from it. */
function results(book: SumBook, out: number, piece: readonly [string, string]): void {
  const [pieceWidth, pieceHeight] = piece;
  const source = { label: 'identity', note: $localize`the best pattern of edge-to-edge cuts` } as const;
  book.showKnown('out', $localize`Out of one`, out, 'pieces', source);
  book.show('used', $localize`Used of it`, 'share', 'out * pieceWidth * pieceHeight / (width * height)', {
    ...{ out: 'out', pieceWidth, pieceHeight, width: 'width', height: 'height' },
  });
  book.show('sheets', $localize`Sheets for those wanted`, 'sheets', 'ceil(wanted / out)', {
    wanted: 'wanted',
    out: 'out',
  });
}

/** The piece as an order tells it. */
const sizeOf = (book: SumBook): string => `${book.number('pieceWidth')} x ${book.number('pieceHeight')} mm`;

const nothing = (book: SumBook): void =>
  book.refuse(
    error('sum.none-fits', 'pieceWidth', {
      piece: `${book.number('pieceWidth')} × ${book.number('pieceHeight')}`,
      area: `${book.number('width')} × ${book.number('height')}`,
    }),
  );

/** How many lie on a sheet. */
export const LAYOUT_SUMS: readonly Sum[] = [
  {
    ...{
      id: 'out-of-parent',
      group: 'layout',
      name: $localize`Sheets out of a parent`,
      words: ['parent', 'cut out', 'out of'],
    },
    fields: [
      ...[
        side('width', $localize`Parent, width`),
        side('height', $localize`Parent, height`),
        choiceField('grain', $localize`Grain`, GRAINS),
      ],
      ...[side('pieceWidth', $localize`Sheet, width`), side('pieceHeight', $localize`Sheet, height`)],
      ...[
        choiceField('pieceGrain', $localize`Its grain`, GRAINS),
        numberField('trim', $localize`Trim all round`, 'mm', 0, { max: 500 }),
        SHEETS,
      ],
    ],
    reckon(book) {
      const trim = book.number('trim');
      const { out, pattern } = outOfBought(
        { widthMm: book.number('width'), heightMm: book.number('height'), grain: grainOf(book.text('grain')) },
        {
          widthMm: book.number('pieceWidth'),
          heightMm: book.number('pieceHeight'),
          grain: grainOf(book.text('pieceGrain')),
        },
        trim,
      );
      if (out === 0) {
        nothing(book);
        return;
      }
      results(book, out, ['pieceWidth', 'pieceHeight']);
      book.drawing = drawn($localize`Sheets on the parent`, book, pattern, trim);
    },
  },
  {
    ...{ id: 'n-up', group: 'layout', name: $localize`Pieces on a sheet`, words: ['up', 'on', 'n-up', 'ups', 'lay'] },
    fields: [
      ...[side('width', $localize`Sheet, width`), side('height', $localize`Sheet, height`)],
      numberField('margin', $localize`Margin all round`, 'mm', 10, { max: 500 }),
      ...[side('pieceWidth', $localize`Piece, width`), side('pieceHeight', $localize`Piece, height`)],
      numberField('bleed', $localize`Bleed`, 'mm', 3, { max: 100 }),
      numberField('gutter', $localize`Gutter`, 'mm', 0, { max: 200 }),
      ...[choiceField('turns', $localize`May be turned`, ['yes', 'no']), SHEETS],
    ],
    reckon(book) {
      const margin = book.number('margin');
      const { proposals, bound } = layPatterns({
        widthMm: Math.max(0, book.number('width') - 2 * margin),
        heightMm: Math.max(0, book.number('height') - 2 * margin),
        pieceWidthMm: book.number('pieceWidth'),
        pieceHeightMm: book.number('pieceHeight'),
        bleedMm: book.number('bleed'),
        gutterMm: book.number('gutter'),
        turns: book.text('turns') === 'yes' ? 'either' : 'upright',
        mirror: 'none',
      });
      const [pattern] = proposals;
      if (pattern.count === 0) {
        nothing(book);
        return;
      }
      results(book, pattern.count, ['pieceWidth', 'pieceHeight']);
      book.showKnown('bound', $localize`No pattern holds more than`, bound, 'pieces');
      book.drawing = drawn($localize`Pieces on the sheet`, book, pattern, margin);
      book.order = `${book.number('wanted')} cards ${sizeOf(book)}`;
    },
  },
  {
    ...{
      id: 'pages-on-sheet',
      group: 'layout',
      name: $localize`Pages on a sheet`,
      words: ['pages', 'pp', 'imposition'],
    },
    fields: [
      numberField('copies', $localize`Copies`, '', undefined, { min: 1, whole: true }),
      numberField('pages', $localize`Pages`, '', undefined, { min: 1, max: 100_000, whole: true }),
      ...[side('pieceWidth', $localize`Page, width`, 210), side('pieceHeight', $localize`Page, height`, 297)],
      ...[side('width', $localize`Sheet, width`, 707), side('height', $localize`Sheet, height`, 1_000)],
    ],
    reckon(book) {
      const pages = (turned: boolean): string =>
        turned
          ? 'floor(width / pieceHeight) * floor(height / pieceWidth)'
          : 'floor(width / pieceWidth) * floor(height / pieceHeight)';
      const sizes = { width: 'width', height: 'height', pieceWidth: 'pieceWidth', pieceHeight: 'pieceHeight' };
      const side = book.say('side', $localize`Pages on a side`, 'pages', `max(${pages(false)}, ${pages(true)})`, sizes);
      if (side < 1) {
        nothing(book);
        return;
      }
      book.show('perSheet', $localize`Pages on a sheet, both sides`, 'pages', '2 * side', { side: 'side' });
      book.show('sheetsPerCopy', $localize`Sheets of a copy`, 'sheets', 'pages / perSheet', {
        pages: 'pages',
        perSheet: 'perSheet',
      });
      book.show('sheets', $localize`Sheets for all, nothing spoiled`, 'sheets', 'ceil(copies * sheetsPerCopy)', {
        ...{ copies: 'copies', sheetsPerCopy: 'sheetsPerCopy' },
      });
      book.order = `${book.number('copies')} booklets ${sizeOf(book)} ${book.number('pages')}pp`;
    },
  },
];
