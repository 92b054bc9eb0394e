import { guessDayFirst } from '../kernel/index.js';
import fc from 'fast-check';
import { plan } from '../plan/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { type OrderColumn, guessOrderColumns, startOrdered } from './order-list.js';

const COLUMNS: Readonly<Record<OrderColumn, number>> = {
  number: 0,
  title: 1,
  customer: 2,
  quantity: 3,
  due: 4,
  product: 5,
};
const begun = (cells: readonly string[], first: 'day' | 'month' = 'day', number?: string) =>
  startOrdered(cells, { columns: COLUMNS, first }, SHIPPED_WORKS, number);
const codes = (cells: readonly string[], first?: 'day' | 'month'): string[] => {
  const made = begun(cells, first);
  return made.ok ? [] : made.issues.map(({ code }) => code);
};
const BOOKLET = 'booklets A5 40pp 4/4 silk 115 cover 250';

describe('a line of a list of orders', () => {
  it('becomes a job that can be planned, of what its cells and the words of its product say', () => {
    const made = begun(['K-7', 'Heron walks', 'Weir Trust', '3,000', '31.3.2027', BOOKLET]);
    if (!made.ok) throw new Error(JSON.stringify(made.issues));
    const { job, left } = made.value;
    expect([job.number, job.title, job.customer, job.order.quantity, job.due, job.family]).toEqual([
      'K-7',
      'Heron walks',
      'Weir Trust',
      3000,
      '2027-03-31',
      'saddle-stitched',
    ]);
    expect(left).toEqual([]);
    expect(plan(job, SHIPPED_WORKS).ok).toBe(true);
  });
  it('tells what it does not say and is taken as usual, and words that nothing was made of', () => {
    const made = begun(['K-8', '', '', '500', '', 'poster velvety']);
    if (!made.ok) throw new Error(JSON.stringify(made.issues));
    expect(made.value.usual).toEqual(['size', 'stock']);
    expect(made.value.left).toEqual(['velvety']);
    expect(made.value.job.title).toBe('poster velvety');
    expect(made.value.job.due).toBeUndefined();
  });
  it.each([
    ['1.2.2027', 'day', '2027-02-01'],
    ['1/2/2027', 'month', '2027-01-02'],
    ['2027-02-28', 'day', '2027-02-28'],
    ['28-2-2027', 'day', '2027-02-28'],
  ] as const)('reads %s, the %s first, as %s', (text, first, iso) => {
    const made = begun(['1', 't', '', '10', text, 'poster A2'], first);
    expect(made.ok && made.value.job.due).toBe(iso);
  });
  it.each([
    ['no product', ['1', 't', '', '10', '', 'something nice'], ['list.no-product']],
    ['no quantity', ['1', 't', '', 'many', '', 'poster A2'], ['list.quantity']],
    ['a part of one', ['1', 't', '', '2.5', '', 'poster A2'], ['list.quantity']],
    ['nothing of it', ['1', 't', '', '0', '', 'poster A2'], ['list.quantity']],
    ['no such day', ['1', 't', '', '10', '30.2.2027', 'poster A2'], ['list.date']],
    ['a month too many', ['1', 't', '', '10', '4/13/2027', 'poster A2'], ['list.date']],
    ['no number', ['', 't', '', '10', '', 'poster A2'], ['list.no-number']],
    ['a title without end', ['1', 't'.repeat(121), '', '10', '', 'poster A2'], ['list.long']],
    ['a size that no press takes', ['1', 't', '', '10', '', 'poster 4000x4000'], ['layout.does-not-fit']],
    [
      'several at once',
      ['', 't', '', '', 'soon', ''],
      ['list.no-product', 'list.quantity', 'list.date', 'list.no-number'],
    ],
  ])('says what is wrong: %s', (_, cells, wanted) => {
    expect(new Set(codes(cells))).toEqual(new Set(wanted));
  });
  it('takes no day that there is not out of the words of the product, and reads a count as they do', () => {
    const made = begun(['1', 't', '', '2k', '', 'poster A2 due 2027-02-30']);
    if (!made.ok) throw new Error(JSON.stringify(made.issues));
    expect([made.value.job.due, made.value.job.order.quantity]).toEqual([undefined, 2000]);
    expect(made.value.left.join(' ')).toContain('due 2027-02-30');
  });
  it('takes the number that it is given where the list has none', () => {
    const made = begun(['', 't', '', '10', '', 'poster A2'], 'day', 'HB-26-0500');
    expect(made.ok && made.value.job.number).toBe('HB-26-0500');
  });
  it('never fails otherwise than with issues, whatever stands in its cells (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 7 }), (cells) => {
        const made = begun(cells);
        expect(made.ok ? 1 : made.issues.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('headings and dates of a list', () => {
  it('are understood in English and German, each column once', () => {
    expect(guessOrderColumns(['Order no.', 'Title', 'Customer', 'Copies', 'Delivery', 'Description'])).toEqual(COLUMNS);
    expect(guessOrderColumns(['Auftrag', 'Titel', 'Kunde', 'Auflage', 'Liefertermin', 'Produkt'])).toEqual(COLUMNS);
    expect(guessOrderColumns(['red', 'blue'])).toEqual({});
  });
  it('say which comes first as soon as one cannot be read both ways', () => {
    expect(guessDayFirst(['1/2/2027', '3/13/2027'])).toBe('month');
    expect(guessDayFirst(['1/2/2027', '13/3/2027'])).toBe('day');
    expect(guessDayFirst([])).toBe('day');
  });
});
