import type { HappenedJob, NormProposalLine } from '@druckerei/contract';
import { count, many } from '../../ui/format';

/** Hours as people say them. */
const hoursText = (hours: number): string => `${count(hours, 1)} h`;

/** What evidence counts for beside the norm. */
export function weightText({ kind, weight, logged, evidence }: NormProposalLine): string {
  const runs = many(evidence.length, 'run');
  const verb = evidence.length === 1 ? 'counts' : 'count';
  switch (kind) {
    case 'running':
      return $localize`${runs} ${verb} for ${count(logged)} units, the norm for ${count(weight)}`;
    case 'efficiency':
      return $localize`${runs} ${verb} for ${hoursText(logged)}, the norm for ${hoursText(weight)}`;
    case 'set-up':
    case 'set-up time':
    case 'spread':
      return $localize`${runs}; the norm counts for ${count(weight)}`;
  }
}

/** What ran, as evidence of a kind of norm counts it. */
export const amountText = (kind: NormProposalLine['kind'], amount: number): string =>
  kind === 'running'
    ? $localize`${count(amount)} units`
    : kind === 'efficiency'
      ? hoursText(amount)
      : $localize`1 set-up`;

/** Where on a strip the marks of a proposal stand, per cent of its length; a bit of room at both ends. */
export function stripOf({ now, value, low, high }: Pick<NormProposalLine, 'now' | 'value' | 'low' | 'high'>): {
  readonly now: number;
  readonly value: number;
  readonly low: number;
  readonly high: number;
} {
  const [from, to] = [Math.min(now, value, low), Math.max(now, value, high)];
  const room = (to - from) * 0.06 || 1;
  const at = (one: number): number => Math.round(((one - from + room) / (to - from + 2 * room)) * 1e4) / 100;
  return { now: at(now), value: at(value), low: at(low), high: at(high) };
}

/** What a proposal comes to in words: twice, a third more, a tenth less. */
export function changeText({ now, value }: Pick<NormProposalLine, 'now' | 'value'>): string {
  if (now === 0) return $localize`more`;
  const share = (value - now) / now;
  if (share >= 1) return $localize`${count(value / now, 1)} times`;
  const by = count(Math.abs(share) * 100);
  return share < 0 ? $localize`${by} % less` : $localize`${by} % more`;
}

/** Days late or early. */
export function lateText({ late }: Pick<HappenedJob, 'late'>): string {
  if (late === null) return '';
  if (late === 0) return $localize`on the day`;
  return late > 0 ? $localize`${many(late, 'day')} late` : $localize`${many(-late, 'day')} early`;
}

/** Reasons with their amounts. */
export const reasonsText = ({ reasons, unit }: HappenedJob['differences'][number]): string =>
  reasons.map(([reason, amount]) => `${reason} ${unit === 'h' ? hoursText(amount) : count(amount)}`).join(', ');

/** An amount of a difference in its unit. */
export const amountOf = (value: number, unit: string): string =>
  unit === 'h' ? `${count(value, 2)} h` : many(Math.round(value), unit);
