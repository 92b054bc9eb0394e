import { type Machine, printingOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import type { Measures } from '../../../ui/measures';

/** What a machine is, in a line: its units and how it prints, or what it takes. */
export function machineWords({ press, takes, process, ...rest }: Machine, measures: Measures): string {
  const size = (pair: readonly [number, number]): string => `${measures.size(...pair)} ${measures.of('mm').unit}`;
  if (press) {
    const units = press.units === 0 ? '' : `${press.units} ${press.units === 1 ? 'unit' : 'units'}, `;
    const how = press.units === 0 ? 'lays and cuts' : printingOf({ process, press, ...rest });
    return `${units}${how}, up to ${size(press.maxSheetMm)}`;
  }
  if (!takes) return 'takes anything';
  return [
    `up to ${size(takes.maxMm)}`,
    `${count(takes.minCaliperUm)} to ${count(takes.maxCaliperUm)} µm`,
    ...(takes.stations === undefined ? [] : [`${takes.stations} stations`]),
  ].join(', ');
}
