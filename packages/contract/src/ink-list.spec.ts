import type { HouseSupply, KeptInk } from '@druckerei/core';
import { type InkLine, INK_COLUMNS, guessInkColumns, readInkList } from './ink-list.js';

const HEAD = Object.values(INK_COLUMNS);
const KNOWN: { inks: readonly KeptInk[]; supplies: readonly HouseSupply[] } = {
  inks: [{ id: 'night-blue', name: 'Night blue', kind: 'mixed', cleared: ['food'], aim: { l: 20, a: 5, b: -40 } }],
  supplies: [{ id: 'river-glue', name: 'River glue', supply: 'glue', cleared: ['toy'] }],
};
/** Cells by the columns of {@link HEAD}. */
const row = (cells: Partial<Record<keyof typeof INK_COLUMNS, string>>): string[] =>
  (Object.keys(INK_COLUMNS) as (keyof typeof INK_COLUMNS)[]).map((column) => cells[column] ?? '');
const read = (rows: readonly string[][], decimal: '.' | ',' = '.'): InkLine[] =>
  readInkList(rows, { columns: guessInkColumns(HEAD), decimal }, KNOWN);
const whyOf = (line: InkLine | undefined): string => (line && 'why' in line ? line.why : '');

describe('a list of inks and supplies', () => {
  it('knows its own headings, and those of others', () => {
    expect(Object.keys(guessInkColumns(HEAD))).toHaveLength(HEAD.length);
    expect(guessInkColumns(['Farbe', 'Art', 'L', 'a', 'b', 'Rezept', 'Lebensmittel'])).toEqual({
      ...{ name: 0, what: 1, l: 2, a: 3, b: 4, recipe: 5, cleared: 6 },
    });
  });

  it('tells inks with their colour and recipe, and supplies by what they are', () => {
    const lines = read(
      [
        row({
          name: 'Lantern 7',
          what: 'mixed colour',
          drying: 'by oxidation',
          film: '1,2 g/m²',
          solids: '60 %',
          tolerance: '2,5',
          ...{ l: '61', a: '-12,5', b: '70', recipe: 'Yellow 072 60,5; Warm red: 39,5' },
          ...{ cleared: 'Food, toys', accountable: 'ja' },
        }),
        row({}),
        row({ name: 'Carton glue', what: 'Hot melt', cleared: 'food' }),
        row({ name: 'Sheen', what: 'Water-based coating' }),
        row({ name: 'Gloss', what: 'Coating' }),
      ],
      ',',
    );
    expect(lines).toEqual([
      {
        line: 2,
        ink: {
          ...{ id: 'lantern-7', name: 'Lantern 7', kind: 'mixed', drying: 'oxidative', filmGsm: 1.2, solids: 0.6 },
          ...{ tolerance: 2.5, aim: { l: 61, a: -12.5, b: 70 }, cleared: ['food', 'toy'], accountable: true },
          recipe: [
            { ink: 'Yellow 072', parts: 60.5 },
            { ink: 'Warm red', parts: 39.5 },
          ],
        },
      },
      { line: 4, supply: { id: 'carton-glue', name: 'Carton glue', supply: 'hot-melt', cleared: ['food'] } },
      { line: 5, supply: { id: 'sheen', name: 'Sheen', supply: 'coating', cleared: [] } },
      { line: 6, ink: { id: 'gloss', name: 'Gloss', kind: 'coating', cleared: [] } },
    ]);
  });

  it('keeps what the works has under a name, and what the list does not say', () => {
    expect(read([row({ name: 'night BLUE', what: 'special' }), row({ name: 'River glue', what: 'glue' })])).toEqual([
      { line: 2, ink: { ...KNOWN.inks[0], kind: 'special' } },
      { line: 3, supply: KNOWN.supplies[0] },
    ]);
  });

  it.each([
    ['no name', { what: 'mixed' }, /Name is empty/],
    ['nothing that it is', { name: 'X' }, /What it is is empty/],
    ['a kind that there is not', { name: 'X', what: 'beer' }, /“beer”.*Mixed colour.*Cold glue/],
    ['half a colour', { name: 'X', what: 'mixed', l: '50', b: '3' }, /a\* is empty/],
    ['a colour beyond what there is', { name: 'X', what: 'mixed', l: '150', a: '0', b: '0' }, /L\*/],
    ['a film in words', { name: 'X', what: 'mixed', film: 'thick' }, /Film, g\/m²: “thick” is no figure/],
    [
      'a recipe without parts',
      { name: 'X', what: 'mixed', recipe: 'Yellow; Red' },
      /“Yellow” is no ink with its parts/,
    ],
    ['a recipe of 90 parts', { name: 'X', what: 'mixed', recipe: 'Yellow 50; Red 40' }, /100/],
    [
      'a contact that there is not',
      { name: 'X', what: 'mixed', cleared: 'food; soup' },
      /“soup”.*food, toys, medicines/,
    ],
    [
      'a glue that dries',
      { name: 'X', what: 'Cold glue', drying: 'uv' },
      /How it dries is told of inks alone.*Cold glue/,
    ],
    ['perhaps', { name: 'X', what: 'mixed', accountable: 'perhaps' }, /“perhaps” is not understood/],
  ])('refuses %s', (_, cells, why) => {
    expect(whyOf(read([row(cells)])[0])).toMatch(why);
  });

  it('refuses a name twice, and gives no id twice', () => {
    const lines = read([
      row({ name: 'Blue!', what: 'mixed' }),
      row({ name: 'blue!', what: 'mixed' }),
      row({ name: 'Blue?', what: 'mixed' }),
      row({ name: 'Night-blue', what: 'white' }),
    ]);
    expect(whyOf(lines[1])).toBe('“blue!” stands in line 2 already.');
    const ids = lines.flatMap((line) => ('ink' in line ? [line.ink.id] : []));
    expect(new Set(ids).size).toBe(ids.length);
  });
});
