import { type Machine, printingOf, wordOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { holdsWords } from '../../../ui/search';
import type { Measures } from '../../../ui/measures';
import { PROCESS_NAMES } from '../ui/process-names';

/** What a machine is, in a line: its units and how it prints, or what it takes. */
export function machineWords({ press, takes, process, ...rest }: Machine, measures: Measures): string {
  const size = (pair: readonly [number, number]): string => `${measures.size(...pair)} ${measures.of('mm').unit}`;
  if (press) {
    const units = press.units === 1 ? $localize`:of a press|:1 unit` : $localize`:of a press|:${press.units} units`;
    const how =
      press.units === 0 ? $localize`lays and cuts` : `${units}, ${wordOf(printingOf({ process, press, ...rest }))}`;
    return $localize`${how}, up to ${size(press.maxSheetMm)}`;
  }
  if (!takes) return $localize`takes anything`;
  return [
    $localize`up to ${size(takes.maxMm)}`,
    $localize`${count(takes.minCaliperUm)} to ${count(takes.maxCaliperUm)} µm`,
    ...(takes.stations === undefined ? [] : [$localize`${takes.stations} stations`]),
    ...(takes.clamps === undefined ? [] : [$localize`${takes.clamps} clamps`]),
    ...(takes.parallelFolds === undefined ? [] : [$localize`${takes.parallelFolds} folds in a unit`]),
    ...(takes.crossFolds === undefined ? [] : [$localize`${takes.crossFolds} turns`]),
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
