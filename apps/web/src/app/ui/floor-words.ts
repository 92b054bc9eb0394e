import type { Help } from '@druckerei/core';
import { count } from './format';

/** Minutes as people say them: “45 min”, “3 h 20”, “2 d 4 h”. */
export function spanText(minutes: number): string {
  const whole = Math.round(Math.abs(minutes));
  const [days, hours, rest] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  if (days > 0) return hours > 0 ? `${count(days)} d ${hours} h` : `${count(days)} d`;
  if (hours > 0) return rest > 0 ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
  return `${rest} min`;
}

/** What would help a late job, and what it costs others. @param help with names of its station and machine in place of ids. */
export function helpWords({ kind, step, machine, won, othersLate, overtime }: Help): string {
  const where = machine ?? 'all its machines';
  const what =
    kind === 'other machine'
      ? `${step ?? ''} on ${where}`
      : kind === 'job first'
        ? 'the whole job goes first'
        : kind === 'goes first'
          ? `${step ?? ''} goes first on ${where}`
          : `overtime on ${where}, ${spanText(overtime)} until then`;
  const others =
    othersLate > 0
      ? `, others ${spanText(othersLate)} later`
      : othersLate < 0
        ? `, others ${spanText(othersLate)} earlier`
        : '';
  return `${what}: ${spanText(won)} earlier${others}`;
}
