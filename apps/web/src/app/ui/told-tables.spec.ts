import { toldTables } from './told-tables';

const told = (html: string) => {
  const page = document.createElement('main');
  page.innerHTML = html;
  document.body.replaceChildren(page);
  return toldTables(page);
};
const figure = (value: number, unit = '', places = 0) => ({ value, unit, places });

describe('tables of a page', () => {
  it('are told as they are read: figures, fields, blocks apart, no signs, no column that holds nothing', () => {
    const [table, ...others] = told(`
      <h1>Stores</h1><h2>Papers</h2>
      <table>
        <thead><tr><th><input type="checkbox"></th><th>Name</th><th>Left</th><th>Place</th><th>Sound</th><th><span>Copy</span></th></tr></thead>
        <tbody>
          <tr>
            <td><input type="checkbox" checked></td><th scope="row">Gloss <b>135</b></th><td> 1,250
              sheets</td><td><input value="A-7"></td><td><input type="checkbox" checked></td>
            <td><button><mat-icon>content_copy</mat-icon></button></td>
          </tr>
          <tr>
            <td><input type="checkbox"></td><th scope="row">Board<div>B2</div></th><td></td>
            <td><select><option>hall</option><option selected>yard</option></select></td>
            <td><input type="checkbox"></td><td></td>
          </tr>
        </tbody>
      </table>`);
    expect(others).toEqual([]);
    expect(table).toEqual({
      name: 'Papers',
      headings: [['Name', 'Left', 'Place', 'Sound']],
      rows: [
        ['Gloss 135', figure(1250, 'sheets'), 'A-7', 'yes'],
        ['Board B2', '', 'yard', 'no'],
      ],
    });
  });

  it('have the name that they say themselves, and cells at their columns where one spans several', () => {
    const tables = told(`
      <table><caption>Costs</caption><tr><th colspan="2">Both</th><th>Sum</th></tr>
        <tr><td>1</td><td>2</td><td>3</td></tr><tr><td colspan="2">all</td><td>3.50 EUR</td></tr></table>
      <h2>Hours</h2><table aria-label="Shifts"><tr><td>early</td></tr></table>
      <table><tr><td>late</td></tr></table>`);
    expect(tables.map(({ name }) => name)).toEqual(['Costs', 'Shifts', 'Hours']);
    expect(tables[0]?.headings).toEqual([['Both', 'Both', 'Sum']]);
    expect(tables[0]?.rows).toEqual([
      [figure(1), figure(2), figure(3)],
      ['all', '', figure(3.5, 'EUR', 2)],
    ]);
  });

  it('in a tab have its name, or that of a heading within it', () => {
    const tables = told(`<h1>Stores</h1><div role="tab" id="t1">On hand</div><div role="tab" id="t2">To buy</div>
      <div role="tabpanel" aria-labelledby="t1"><table><tr><td>1</td></tr></table></div>
      <div role="tabpanel" aria-labelledby="t2"><h2>Paper</h2><table><tr><td>2</td></tr></table></div>`);
    expect(tables.map(({ name }) => name)).toEqual(['On hand', 'Paper']);
  });

  it('that hold nothing are left out, and what is within another belongs to it', () => {
    expect(
      told(`<table><thead><tr><th>Job</th></tr></thead><tr><td class="empty" colspan="4">No job yet.</td></tr></table>
        <table></table>`),
    ).toEqual([]);
    expect(told('<table><tr><td>of <table><tr><td>inner</td></tr></table></td></tr></table>')).toHaveLength(1);
  });
});
