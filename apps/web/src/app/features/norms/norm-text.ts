import type { Norm } from '@druckerei/core';
import { count } from '../../ui/format';

const isShare = (norm: Norm): boolean => norm.unit === 'share';
const shown = (norm: Norm, value: number): number => (isShare(norm) ? Number((value * 100).toPrecision(12)) : value);

/** A norm's value in the unit that people read: shares as per cent. */
export const normValue = (norm: Norm, value: number): string => count(shown(norm, value), 6);
export const normUnit = (norm: Norm, currency: string): string =>
  isShare(norm) ? '%' : norm.unit.replace('currency', currency).replace('g/m2', 'g/m²');

/** Reads what somebody typed for a norm; undefined where it is no number. */
export function readNorm(norm: Norm, text: string): number | undefined {
  const plain = text.replace(/[\s,%]/g, '');
  const value = plain === '' ? NaN : Number(plain);
  if (!Number.isFinite(value)) return undefined;
  return isShare(norm) ? Number((value / 100).toPrecision(12)) : value;
}

/** The limits of a norm in words. */
export function normLimits(norm: Norm): string {
  const from = norm.min === Number.MIN_VALUE ? 'above 0' : `from ${normValue(norm, norm.min)}`;
  return `${from} ${norm.below ? 'to below' : 'to'} ${normValue(norm, norm.max)}${isShare(norm) ? ' %' : ''}${norm.whole ? ', whole' : ''}`;
}
