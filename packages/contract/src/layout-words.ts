import { measureOf, numberText, sizeNumber } from '@druckerei/core';
import type { ComponentLayout, MeasureSystem, SheetArrangement, SheetPattern } from '@druckerei/core';

/** How pieces lie, in words. */
export const ARRANGEMENT_WORDS: Readonly<Record<SheetArrangement, string>> = {
  upright: $localize`upright`,
  turned: $localize`turned by a quarter`,
  mixed: $localize`both ways mixed`,
  straight: $localize`straight rows`,
  'head-to-tail': $localize`head to tail`,
  interlocked: $localize`interlocked`,
  shared: $localize`items sharing the form`,
};

const percent = (share: number): string => `${numberText(share * 100, 1)} %`;

/** A pattern in words: `8 up, head to tail`, `9 up, 3 across by 3`. */
export const patternWords = ({ count, grid, arrangement }: SheetPattern): string =>
  $localize`${numberText(count)} up, ${grid ? $localize`${grid.columns} across by ${grid.rows}` : ARRANGEMENT_WORDS[arrangement]}`;

/** A layout in a line: how many lie how, what of the sheet is used, and the most that any layout could hold. */
export function layoutWords({ pattern, component, bound, usedShare, cutOffs, machine }: ComponentLayout): string {
  const most =
    pattern.arrangement === 'shared'
      ? []
      : [
          bound === pattern.count
            ? $localize`no layout holds more`
            : $localize`no layout holds more than ${numberText(bound)}`,
        ];
  return [
    patternWords(pattern),
    ...(cutOffs > 1 ? [$localize`over ${cutOffs} cut-offs`] : []),
    machine.press?.web
      ? $localize`${percent(usedShare)} of the web used`
      : $localize`${percent(usedShare)} of the sheet used`,
    ...most,
    ...(component.pages ? [$localize`${component.pages} pages each`] : []),
  ].join('; ');
}

/** Decimals of a size at most: a length as it is, rounded where it was typed. */
const MOST_DECIMALS = 6;

/** A component's size in words; empty for the forms of a gang. */
export function sizeWords(
  { widthMm, heightMm, pages, die, carries }: ComponentLayout['component'],
  system: MeasureSystem = 'metric',
  number: (value: number, most: number) => string = sizeNumber,
): string {
  const { show: shown, unit } = measureOf('mm', system);
  const show = (mm: number): string => number(shown(mm), MOST_DECIMALS);
  const size = [
    ...(widthMm !== undefined && heightMm !== undefined ? [`${show(widthMm)} x ${show(heightMm)}`] : []),
    ...(die?.kind === 'structure' ? [show(die.depthMm)] : []),
  ].join(' x ');
  return [
    ...(size === '' ? [] : [`${size} ${unit}${die?.kind === 'structure' ? ` ${$localize`inside`}` : ''}`]),
    ...(die?.kind === 'drawing' ? [die.name] : []),
    ...(pages === undefined ? [] : [$localize`${pages} pages`]),
    ...(carries ? [$localize`${carries.length} items`] : []),
  ].join(', ');
}
