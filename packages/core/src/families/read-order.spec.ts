import { example, planned } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { withColours } from './colours.js';
import { readOrder } from './read-order.js';

const read = (text: string) => readOrder(text, SHIPPED_WORKS);

describe('an order read from a line of text (common practice, no source)', () => {
  it('understands the line of a booklet whole', () => {
    const { understood, left, ...order } = read('3000 booklets A5 40pp 4/4 silk 115 cover 250');
    expect(order).toEqual({
      family: 'saddle-stitched',
      quantity: 3000,
      widthMm: 148,
      heightMm: 210,
      pages: 40,
      colours: { front: 4, back: 4 },
      stock: 'silk-115',
      coverStock: 'gloss-250',
    });
    expect(understood).toHaveLength(7);
    expect(left).toEqual([]);
  });

  it.each([
    [
      '10,000 leaflets A4 4/4 115 gsm silk letter-fold',
      { family: 'folded', quantity: 10_000, stock: 'silk-115', fold: 'letter' },
    ],
    ['10.000 Leaflets A4', { family: 'folded', quantity: 10_000, widthMm: 210 }],
    ['25k stickers 85x60', { family: 'labels', quantity: 25_000, widthMm: 85, heightMm: 60 }],
    [
      '1 500 hardcover books, 192 pages, 210 x 297 mm, silk 135 g',
      { family: 'case-bound', quantity: 1500, pages: 192, widthMm: 210, heightMm: 297, stock: 'silk-135' },
    ],
    [
      '500 posters B2 4/0 due 2027-01-15 for Greywater Ferry',
      {
        family: 'flat',
        quantity: 500,
        widthMm: 500,
        colours: { front: 4, back: 0 },
        due: '2027-01-15',
        customer: 'Greywater Ferry',
      },
    ],
    [
      'booklets "Night sky" A4 16-page 1/1',
      { family: 'saddle-stitched', title: 'Night sky', pages: 16, colours: { front: 1, back: 1 } },
    ],
  ])('%s', (text, wanted) => {
    expect(read(text)).toMatchObject(wanted);
  });

  // Source: identity, the same order in English.
  it.each([
    ['3.000 Broschüren A5 40 Seiten 4/4 silk 115 Umschlag 250', '3000 booklets A5 40 pages 4/4 silk 115 cover 250'],
    [
      '3.000 Broschüren A5 40-seitig 4/4 seidenmatt 115 Umschlag: gloss 250',
      '3000 booklets A5 40-page 4/4 silk 115 cover: gloss 250',
    ],
    ['2000 Faltblätter 297x210 mm 4/4 silk 150 Wickelfalz', '2000 leaflets 297x210 mm 4/4 silk 150 letter fold'],
    ['500 Plakate B1 4/0 silk 150 für Museum der Stadt', '500 posters B1 4/0 silk 150 for Museum der Stadt'],
    ['1.000 Bücher 210x297 224 S. 1/1 bis 4.12.2026', '1000 books 210x297 224 pp 1/1 due 2026-12-04'],
    ['12.500 Faltschachteln 60,5 x 120,5 4/0 Termin 2026-12-04', '12500 cartons 60.5 x 120.5 4/0 due 2026-12-04'],
    ['800 Eintrittskarten A6 4/1', '800 tickets A6 4/1'],
    ['250 Stück Einladungen A6 2/0', '250 pieces invitations A6 2/0'],
    ['5000 Etiketten 90x55 4/0', '5000 labels 90x55 4/0'],
    ['400 Festeinbände A5 240 Seiten 1/1', '400 hardcover books A5 240 pages 1/1'],
  ])('is read in German as in English: %s', (german, english) => {
    const meaning = (text: string): unknown => {
      const { understood, customer, left, ...order } = read(text);
      return { ...order, as: understood.map(({ as }) => as), left: left.filter((words) => words !== '.') };
    };
    expect(meaning(german)).toEqual(meaning(english));
    expect(read(german).customer).toBe(read(english).customer);
  });

  it('says what it did not understand, and guesses nothing', () => {
    const order = read('3000 booklets A5 glitter spiral silk 117');
    expect(order.left.join(' ')).toContain('glitter spiral');
    expect(read('1000 cards cover 250 glitter').left).toEqual(['glitter']);
    expect(order.stock).toBeUndefined();
    expect(order.pages).toBeUndefined();
    expect(read('').understood).toEqual([]);
    expect(read('hello world').left).toEqual(['hello world']);
    expect(read('0 booklets 0/4 A99 99999999999 copies').quantity).toBeUndefined();
  });

  it('never throws, whatever is typed', () => {
    for (const text of ['((((', '\u0000', '4/4/4/4', 'A5A5A5', '"', '115115115 silk', '𝟛𝟘𝟘𝟘 booklets', '|'.repeat(500)])
      expect(read(text).understood.every(({ words }) => words !== '')).toBe(true);
  });
});

describe('colours a side', () => {
  it('are the process inks and then spot inks; one side where the back has none', () => {
    const map = withColours(example('trail-map'), { front: 5, back: 0 });
    expect(map.components[0]?.front.map(({ name }) => name)).toEqual(['K', 'C', 'M', 'Y', 'Spot 1']);
    expect([map.components[0]?.back, map.components[0]?.workStyle]).toEqual([[], 'single']);
    const black = withColours(example('concert-programme'), { front: 1, back: 1 });
    expect(planned(black).totals.plates).toBeLessThan(planned(example('concert-programme')).totals.plates);
  });
  it('leave what nobody prints, and pages of sections on both sides', () => {
    const atlas = withColours(example('star-atlas'), { front: 1, back: 0 });
    expect(atlas.components.find(({ id }) => id === 'board')?.front).toEqual([]);
    expect(atlas.components.find(({ id }) => id === 'section-2')?.back).toHaveLength(4);
  });
});
