import { SHIPPED_WORKS } from '../works/index.js';
import { readProduct } from './read-product.js';

const read = (change: Partial<Parameters<typeof readProduct>[0]>) =>
  readProduct({ words: 'Brochure', ...change }, SHIPPED_WORKS);

describe('a product that another program tells', () => {
  it('is of the family that it is told in, else of what it is called', () => {
    expect(read({ family: 'carton' }).family).toBe('carton');
    expect(read({}).family).toBe('saddle-stitched');
    expect(read({ words: 'Business Card' }).family).toBe('flat');
    expect(read({ words: 'Something' }).family).toBeUndefined();
  });

  it('is on the paper that is called so, else on one of its weight whose name has a word of it, else on one of its weight', () => {
    expect(read({ paper: { name: 'Silk coated 90 g', gsm: 300 } }).stock).toBe('silk-90');
    expect(read({ paper: { name: 'silk-115' } }).stock).toBe('silk-115');
    expect(read({ words: 'card', paper: { name: 'Gloss of the mill', gsm: 250 } }).stock).toBe('gloss-250');
    expect(read({ words: 'card', paper: { gsm: 250 } }).stock).toBe(
      SHIPPED_WORKS.stocks.find(({ gsm }) => gsm === 250)?.id,
    );
    expect(read({ cover: { name: 'Silk coated 170 g' } })).toMatchObject({ coverStock: 'silk-170', left: [] });
  });

  it('leaves papers that the works has not, and sizes of which half is told', () => {
    const told = read({ paper: { name: 'Moon dust', gsm: 77 }, cover: { gsm: 78 }, widthMm: 148 });
    expect(told.left).toEqual(['Moon dust, 77 g/m²', '78 g/m²']);
    expect(told).not.toHaveProperty('stock');
    expect(told).not.toHaveProperty('widthMm');
  });
});
