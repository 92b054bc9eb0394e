import { type FigureBook, GIVEN, IDENTITY, ceilRatio } from '../kernel/index.js';
import { kgPerThousand } from '../paper/index.js';
import type { NormLookup } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import { giveNorm } from './step-norms.js';
import { rollFigures } from './roll-figures.js';
import { isWeb, webFor } from './supply.js';

/** A sheet size's weight with its working: a thousand of them in kilograms. */
function thousandSheets(
  book: FigureBook,
  id: string,
  name: string,
  size: { readonly widthMm: number; readonly heightMm: number },
  grammage: string,
): string {
  const inputs = {
    width: book.give(`${id}Width`, `${name}, width`, size.widthMm, 'mm', GIVEN),
    height: book.give(`${id}Height`, `${name}, height`, size.heightMm, 'mm', GIVEN),
    grammage,
  };
  return book.reckon(
    `${id}KgPerThousand`,
    `A thousand sheets, ${name.toLowerCase()}`,
    kgPerThousand(size.widthMm, size.heightMm, book.value(grammage)),
    'kg',
    'width / 1000 * height / 1000 * grammage',
    inputs,
  );
}

/** What the figures of a web are called, at the sheeter and at the corrugator. */
const WEB_WORDS = {
  roll: {
    lanes: 'Sheets across the web',
    cut: 'Cut-off at the sheeter',
    cutIs: GIVEN,
    width: 'rollWidth',
    web: 'Roll width',
    length: 'Length of web',
  },
  deckle: {
    lanes: 'Sheets across the web of the corrugator',
    cut: 'Cut-off at the corrugator',
    cutIs: IDENTITY,
    width: 'deckle',
    web: 'Web of the corrugator',
    length: 'Length of board',
  },
} as const;

/**
 * What a component's press sheets are cut from, in kilograms, with the working: press sheets as bought, bought sheets
 * with so many out of each, or a length of web through the sheeter or the corrugator.
 * Source: identity, handbook chapters 3 and 4 (parent sheets = ceil(press sheets / out)).
 */
export function buyPaper(book: FigureBook, norms: NormLookup, layout: ComponentLayout, sheets: string): number {
  const { component, stock, supply } = layout;
  const id = `component.${component.id}`;
  const own = (name: string, title: string, value: number, unit: string): string =>
    book.reckon(`${id}.${name}`, `${title}, ${stock.name}`, value, unit, 'norm', {
      norm: giveNorm(book, norms, `stock.${stock.id}.${name}`),
    });
  const grammage = own('gsm', 'Grammage', stock.gsm, 'g/m2');
  const bulk = own('bulk', 'Bulk', stock.bulk, 'cm3/g');
  book.reckon(`${id}.caliper`, `Caliper, ${stock.name}`, layout.caliperUm, 'um', 'grammage * bulk', { grammage, bulk });
  const name = `Paper, ${component.name}`;
  const count = book.value(sheets);
  if (isWeb(supply)) {
    const words = WEB_WORDS[supply.kind];
    const lanes = book.give(`${id}.lanes`, words.lanes, supply.lanes, 'sheets', IDENTITY);
    const length = book.give(`${id}.cutLength`, words.cut, supply.cutLengthMm, 'mm', words.cutIs);
    const width = book.give(`${id}.${words.width}`, words.web, supply.webMm, 'mm', GIVEN);
    const { metres, kg } = webFor(supply, count, stock.gsm);
    const web = book.reckon(`${id}.webM`, words.length, metres, 'm', 'ceil(sheets / lanes) * length / 1000', {
      sheets,
      lanes,
      length,
    });
    book.reckon(`${id}.paperKg`, name, kg, 'kg', 'web * width / 1000 * grammage / 1000', { web, width, grammage });
    if (supply.kind === 'roll') rollFigures(book, norms, layout, web);
    return kg;
  }
  if (supply.kind === 'press sheet') {
    const perThousand = thousandSheets(book, `${id}.sheet`, 'Press sheet', component.sheet, grammage);
    const kg = (count * book.value(perThousand)) / 1000;
    book.reckon(`${id}.paperKg`, name, kg, 'kg', 'sheets * perThousand / 1000', { sheets, perThousand });
    return kg;
  }
  const out = book.give(`${id}.out`, 'Press sheets out of a bought sheet', supply.out, 'sheets', IDENTITY);
  const bought = ceilRatio(count, supply.out);
  const boughtSheets = book.reckon(`${id}.boughtSheets`, 'Bought sheets', bought, 'sheets', 'ceil(sheets / out)', {
    sheets,
    out,
  });
  const perThousand = thousandSheets(book, `${id}.bought`, 'Bought sheet', supply.sheet, grammage);
  const kg = (bought * book.value(perThousand)) / 1000;
  book.reckon(`${id}.paperKg`, name, kg, 'kg', 'sheets * perThousand / 1000', { sheets: boughtSheets, perThousand });
  return kg;
}
