import { type Machine, printingOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { holdsWords } from '../../../ui/search';
import type { Measures } from '../../../ui/measures';
import { PROCESS_NAMES } from '../ui/process-names';

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
    ...(takes.clamps === undefined ? [] : [`${takes.clamps} clamps`]),
    ...(takes.parallelFolds === undefined ? [] : [`${takes.parallelFolds} folds in a unit`]),
    ...(takes.crossFolds === undefined ? [] : [`${takes.crossFolds} turns`]),
  ].join(', ');
}

/** Machines whose name or kind holds the words of a search, by kind in the order of the route. */
export function byKind(machines: readonly Machine[], search: string): { name: string; machines: readonly Machine[] }[] {
  const holds = holdsWords(search);
  return Object.entries(PROCESS_NAMES)
    .map(([process, kind]) => ({
      name: kind,
      machines: machines.filter((machine) => machine.process === process && holds(`${machine.name} ${kind}`)),
    }))
    .filter((kind) => kind.machines.length > 0);
}
