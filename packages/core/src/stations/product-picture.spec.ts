import { example, planned } from '../plan/examples.fixture.js';
import { productPicture } from './product-picture.js';

const measures = (name: string): string[] =>
  productPicture(example(name), planned(example(name)))?.shapes.flatMap((shape) =>
    shape.kind === 'measure' ? [shape.text] : [],
  ) ?? [];

describe('the picture of a product', () => {
  it.each([
    // Trimmed sizes as ordered; the atlas with its squares (handbook chapter 7 "Case"); the map as it is folded.
    ['concert-programme', ['148', '210']],
    ['trail-map', ['210', '148.5']],
    ['star-atlas', ['216', '303']],
    ['season-tickets', ['148', '74']],
    // Boxes set up: length before us, depth up.
    ['tea-caddy', ['85', '130']],
    ['tea-shipper', ['300', '180']],
  ])('is to scale, with its sizes: %s (identity)', (name, texts) => {
    expect(measures(name)).toEqual(texts);
  });

  it('shows how thick it is: a case-bound book goes further back than a booklet (identity)', () => {
    const depth = (name: string): number => {
      const drawing = productPicture(example(name), planned(example(name)));
      const front = drawing?.shapes.find((shape) => shape.kind === 'box');
      return drawing && front?.kind === 'box' ? drawing.widthMm - front.width : NaN;
    };
    expect(depth('star-atlas')).toBeGreaterThan(2 * depth('concert-programme'));
    // Half the length at 45 degrees: the shipper is 200 mm deep.
    expect(depth('tea-shipper')).toBeCloseTo(200 * 0.5 * Math.SQRT1_2, 6);
  });

  it('draws nothing outside its frame', () => {
    for (const name of ['shelf-lining', 'permit-stickers', 'orchid-field-guide', 'garden-cards']) {
      const drawing = productPicture(example(name), planned(example(name)));
      if (!drawing) throw new Error(`no picture of ${name}`);
      for (const shape of drawing.shapes) {
        if (shape.kind !== 'path') continue;
        for (const { x, y } of shape.points) {
          expect(x).toBeGreaterThanOrEqual(-0.01);
          expect(y).toBeGreaterThanOrEqual(-0.01);
          expect(x).toBeLessThanOrEqual(drawing.widthMm + 0.01);
          expect(y).toBeLessThanOrEqual(drawing.heightMm + 0.01);
        }
      }
    }
  });
});
