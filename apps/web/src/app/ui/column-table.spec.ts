import { tableColumns, withColumn } from './column-table';

describe('columns of a table that was read', () => {
  it('are as many as the widest line has, told by their headings or by their place', () => {
    expect(tableColumns([['1', '2', '3'], ['4']], ['a', 'b'], { price: 1 })).toEqual([
      { at: 0, heading: 'a', is: '' },
      { at: 1, heading: 'b', is: 'price' },
      { at: 2, heading: '', is: '' },
    ]);
    expect(tableColumns([['1']], undefined, {}).map(({ heading }) => heading)).toEqual(['Column 1']);
    expect(tableColumns([], undefined, {})).toEqual([]);
  });
  it('are one thing each, and nothing is in two of them', () => {
    expect(withColumn<'name' | 'price'>({ name: 0, price: 1 }, 0, 'price')).toEqual({ price: 0 });
    expect(withColumn<'name' | 'price'>({ name: 0, price: 1 }, 1, '')).toEqual({ name: 0 });
    expect(withColumn<'name' | 'price'>({ name: 0 }, 2, 'price')).toEqual({ name: 0, price: 2 });
  });
});
