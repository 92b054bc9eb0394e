import { figureId } from '../job/index.js';
import { CONDITIONING_ANCHOR, CONDITIONING_POWERS, MOST_CONDITIONING_HOURS } from '../paper/index.js';
import type { SheetBook } from './sheet.js';

/** Between the points that practice gives. */
const POWER = { label: 'practice', note: $localize`through the points of handbook chapter 3 "Conditioning"` } as const;

/**
 * Paper as it comes to the press: the pile, and the hours that it stands wrapped in the press room before it is opened.
 * Nothing where it was printed before or comes from a roll. Source: practice, handbook chapter 3 "Conditioning".
 */
export function printSheet(sheet: SheetBook): void {
  const { first, layout, incoming } = sheet;
  if (!layout || first?.unit !== 'sheet' || incoming.some(({ from }) => from !== null)) return;
  const { widthMm, heightMm } = layout.component.sheet;
  const volume = sheet.show(
    'pileM3',
    $localize`Volume of a pile`,
    'm3',
    'width * height * min(most, sheets * caliper / 1000) / 1000 / 1000 / 1000',
    {
      width: sheet.told('sheetWidth', $localize`Press sheet, width`, widthMm, 'mm'),
      height: sheet.told('sheetHeight', $localize`Press sheet, height`, heightMm, 'mm'),
      most: sheet.norm('pile.height'),
      sheets: sheet.units,
      caliper: figureId.component(layout.component.id, 'caliper'),
    },
  );
  const kelvin = sheet.norm('paper.kelvin');
  const [lower, upper] = CONDITIONING_POWERS;
  const { hours, kelvin: difference, volumeM3 } = CONDITIONING_ANCHOR;
  const inputs = {
    kelvin,
    volume,
    a: sheet.give('conditionLower', $localize`Power of the volume, lower`, lower, '', POWER),
    b: sheet.give('conditionUpper', $localize`Power of the volume, upper`, upper, '', POWER),
  };
  for (const [name, title, which] of [
    ['conditionFrom', $localize`Stands in the press room before it is opened, at least`, 'min'],
    ['conditionTo', $localize`Stands in the press room before it is opened, at most`, 'max'],
  ] as const)
    sheet.show(
      name,
      title,
      'h',
      `min(${MOST_CONDITIONING_HOURS}, ${hours} * kelvin / ${difference} * ${which}(pow(volume / ${volumeM3}, a), pow(volume / ${volumeM3}, b)))`,
      inputs,
    );
  if (sheet.value(kelvin) > 0)
    sheet.remark($localize`The wrapping stays on until then: cold paper takes the damp of the room at its edges.`);
}
