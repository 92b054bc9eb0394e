import { TestBed } from '@angular/core/testing';
import type { KnownItem, SupplyPrice } from '@druckerei/core';
import { PriceFile } from './price-file';

const items: readonly KnownItem[] = [
  { key: 'paper/silk-115', name: 'Silk coated 115 g, every size', unit: 'sheets' },
  { key: 'packing/box', name: 'Boxes', unit: 'pieces' },
];
const LIST = [
  'Artikel;Preis;je;ab;bis',
  'Silk coated 115 g;1.204,50;1000 kg;500;31.12.2027',
  'Moonlight;97;kg;;',
  'Boxes;0,78;each;;',
].join('\n');

const opened = async (text: string) => {
  const fixture = TestBed.createComponent(PriceFile);
  fixture.componentRef.setInput('items', items);
  fixture.componentRef.setInput('currency', 'EUR');
  const taken: (readonly SupplyPrice[])[] = [];
  fixture.componentInstance.taken.subscribe((prices) => taken.push(prices));
  await fixture.whenStable();
  fixture.componentInstance.file().begin(text);
  await fixture.whenStable();
  const page = fixture.nativeElement as HTMLElement;
  const press = async (name: string): Promise<void> => {
    [...page.querySelectorAll('button')].find(({ textContent }) => textContent.includes(name))?.click();
    await fixture.whenStable();
  };
  const choose = async (column: string, is: string): Promise<void> => {
    const head = page.querySelector<HTMLSelectElement>(`select[aria-label="What stands in ${column}"]`);
    if (!head) throw new Error(`no column ${column}`);
    head.value = is;
    head.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  return { page, taken, press, choose, text: () => page.textContent.replace(/\s+/g, ' ') };
};

beforeEach(() => localStorage.clear());

describe('prices out of a file', () => {
  it('are told with what cannot be taken and why, and the rest is taken', async () => {
    const file = await opened(LIST);
    expect(file.text()).toContain('2 prices can be taken; 1 line cannot');
    expect(file.text()).toContain('Line 3: What they sell: “Moonlight” is nothing that the works buys.');
    await file.press('Take 2 prices');
    expect(file.taken).toEqual([
      [
        { item: 'paper/silk-115', price: 1204.5, per: 1000, measure: 'kg', from: 500, validUntil: '2027-12-31' },
        { item: 'packing/box', price: 0.78, per: 1, measure: 'unit' },
      ],
    ]);
    expect(file.text()).toContain('Prices out of a file');
  });

  it('ask for a column that a line cannot do without, and remember what was said of it', async () => {
    const list = 'Ware;Wert\nSilk coated 115 g;97\nBoxes;55';
    const file = await opened(list);
    expect(file.text()).toContain('Say which column is: What they sell.');
    await file.choose('Column 1', 'item');
    await file.choose('Column 2', 'price');
    // Without a heading the first line is one like the others.
    expect(file.text()).toContain('2 prices can be taken; 1 line cannot');
    const headed = 'Article;Preis;Rabatt\nSilk coated 115 g;97;3\n';
    const first = await opened(headed);
    await first.choose('Rabatt', 'from');
    const again = await opened(headed);
    await again.press('Take 1 price');
    expect(again.taken[0]?.[0]).toMatchObject({ from: 3 });
  });
});
