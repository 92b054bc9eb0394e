import type { CallOff } from '@druckerei/core';
import { count, unitText } from '../../ui/format';

const many = (value: number, unit: string): string => `${count(value)} ${unitText(unit, value)}`;

/** What a load comes to, in a line: pallets, kilograms, metres of loading, trucks. */
export function loadWords({ pallets, partly, kg, loadingM, vehicles }: CallOff): string {
  const mass = `${count(kg, kg < 1 ? 3 : kg < 100 ? 1 : 0)} kg`;
  if (loadingM === undefined || vehicles === undefined) return mass;
  const rest = partly > 0 ? $localize`${many(partly, 'pieces')} on one more` : '';
  const full = pallets > 0 ? many(pallets, 'pallets') : '';
  const on = [full, rest === '' ? '' : full === '' ? $localize`${many(partly, 'pieces')} on one pallet` : rest]
    .filter(Boolean)
    .join(' and ');
  return $localize`${on}, ${mass}, ${count(loadingM, 1)} m of loading, ${many(vehicles, 'trucks')}`;
}
