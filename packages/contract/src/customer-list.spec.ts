import { type CustomerListKey, guessCustomerColumns, readCustomerList } from './customer-list.js';

const HEADINGS = ['Customer', 'No.', 'Delivery', 'Address', 'Days', 'Under', 'Over', 'Weight', 'Note'];
const KEY: CustomerListKey = { columns: guessCustomerColumns(HEADINGS), decimal: ',' };
const read = (...rows: readonly (readonly string[])[]) => readCustomerList(rows, KEY);
const why = (...rows: readonly (readonly string[])[]): string[] =>
  read(...rows).flatMap((one) => ('why' in one ? [`${one.line} ${one.why}`] : []));

describe('a list of customers', () => {
  it('has its columns known by their headings, English or German', () => {
    expect(KEY.columns).toEqual({
      ...{ name: 0, reference: 1, place: 2, address: 3, transit: 4, under: 5, over: 6, weight: 7, note: 8 },
    });
    expect(guessCustomerColumns(['Kunde', 'Kundennummer', 'Lieferort', 'Anschrift', 'Bemerkung'])).toEqual({
      ...{ name: 0, reference: 1, place: 2, address: 3, note: 4 },
    });
  });

  it('becomes customers with all their places, as it is written', () => {
    expect(
      read(
        ['Fernhollow Choir', 'F-1', 'Hall', '1 Bell Lane', '2', '2,5 %', '5', '1,5', 'By noon'],
        ['', '', '', '', '', '', '', '', ''],
        ['FERNHOLLOW CHOIR', '', 'Office', '', '', '', '', '', ''],
        ['Alder School', '', '', '', '', '', '', '', ''],
      ),
    ).toEqual([
      {
        line: 2,
        customer: {
          name: 'Fernhollow Choir',
          reference: 'F-1',
          policy: { kind: 'percent', under: 2.5, over: 5 },
          weight: 1.5,
          note: 'By noon',
          places: [{ name: 'Hall', address: '1 Bell Lane', transitDays: 2 }, { name: 'Office' }],
        },
      },
      { line: 5, customer: { name: 'Alder School' } },
    ]);
  });

  it('tells what cannot be taken by its line, and takes the rest', () => {
    const rows = [
      ['', 'F-1'],
      ['A', '', '', '', '', 'two'],
      ['B', '', '', '', '', '', '', '99'],
      ['C', '', '', '', '2'],
      ['F', '', 'Hall', '', '1,5'],
      ['D', '', 'Hall'],
      ['d', '', 'hall'],
      ['D'],
      ['E'.repeat(121)],
      ['=HYPERLINK("x")'],
    ];
    expect(why(...rows).map((text) => text.slice(0, 2))).toEqual(['2 ', '3 ', '4 ', '5 ', '6 ', '8 ', '9 ', '10']);
    expect(why(...rows)[0]).toContain('Customer is empty');
    expect(why(...rows)[1]).toContain('Under, %: “two” is no figure');
    expect(why(...rows)[3]).toContain('Place of delivery is empty');
    expect(why(...rows)[5]).toContain('stands in line 7 already');
    expect(read(...rows).flatMap((one) => ('customer' in one ? [one.customer.name] : []))).toEqual([
      'D',
      '=HYPERLINK("x")',
    ]);
  });

  it('reads a name that objects have of their own as any other', () => {
    expect(read(['__proto__'], ['constructor'])).toEqual([
      { line: 2, customer: { name: '__proto__' } },
      { line: 3, customer: { name: 'constructor' } },
    ]);
  });
});
