import { ceilRatio } from '../kernel/index.js';
import { kgPerThousand } from '../paper/index.js';
import { type ComponentLayout, isWeb, webFor } from '../press-sheet/index.js';

/** Sheets to buy and kilograms of paper for so many press sheets; no sheets from a roll. Source: identity. */
export function paperFor(
  { supply, component, stock }: ComponentLayout,
  sheets: number,
): { bought: number; kg: number } {
  if (isWeb(supply)) return { bought: supply.kind === 'roll' ? 0 : sheets, kg: webFor(supply, sheets, stock.gsm).kg };
  const [size, bought] =
    supply.kind === 'press sheet' ? [component.sheet, sheets] : [supply.sheet, ceilRatio(sheets, supply.out)];
  return { bought, kg: (bought * kgPerThousand(size.widthMm, size.heightMm, stock.gsm)) / 1000 };
}
