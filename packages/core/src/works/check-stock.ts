import { type Issue, error } from '../kernel/index.js';
import { caliperUm } from '../paper/index.js';
import { fieldsIssues } from './check-fields.js';
import { STOCK_FIELDS, STOCK_LISTS } from './machine-fields.js';
import type { SheetSize, Stock } from './works.js';

/** No sheet of paper or board is smaller or larger, millimetres. Source: common practice, no source. */
const SHEET_MM = { least: 20, most: 10_000 } as const;
/** No paper or board is thinner or thicker, micrometres. Source: common practice, no source. */
const CALIPER_UM = { least: 5, most: 20_000 } as const;

function sheetIssues(sheets: readonly SheetSize[]): Issue[] {
  const seen = new Set<string>();
  return sheets.flatMap(({ widthMm, heightMm, grain }, i) => {
    const path = `sheets[${i}]`;
    const key = `${widthMm} x ${heightMm} ${grain}`;
    const outside = [widthMm, heightMm].some((mm) => !(mm >= SHEET_MM.least && mm <= SHEET_MM.most));
    if (outside) return [error('works.sheet-size', path, { sheet: key, ...SHEET_MM })];
    if (seen.has(key)) return [error('works.sheet-twice', path, { sheet: key })];
    seen.add(key);
    return [];
  });
}

/**
 * What is wrong with a paper or board as somebody enters it. None for what can be planned on.
 * Issues: `works.*`. Source: identity of the dimensions; limits are common practice, no source.
 */
export function checkStock(stock: Stock): readonly Issue[] {
  const lists = (Object.keys(STOCK_LISTS) as (keyof typeof STOCK_LISTS)[]).flatMap((path) => {
    const choices: readonly string[] = STOCK_LISTS[path];
    const told: readonly string[] = stock[path] ?? [];
    return told.some((one) => !choices.includes(one))
      ? [error('works.field-choice', path, { field: path, choices: choices.join(', ') })]
      : [];
  });
  const issues = [...fieldsIssues(stock, STOCK_FIELDS), ...lists, ...sheetIssues(stock.sheets)];
  if (issues.length > 0) return issues;
  if (stock.sheets.length === 0 && (stock.rollWidthsMm ?? []).length === 0)
    issues.push(error('works.stock-without-size', 'sheets', { stock: stock.name }));
  const caliper = caliperUm(stock.gsm, stock.bulk);
  if (caliper < CALIPER_UM.least || caliper > CALIPER_UM.most)
    issues.push(error('works.caliper-odd', 'bulk', { caliper, ...CALIPER_UM }));
  return issues;
}
