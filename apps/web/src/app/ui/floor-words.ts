import type { Help } from '@druckerei/core';
import type { FloorPromise } from '@druckerei/contract';
import { count, percent, timeText } from './format';

/** Minutes as people say them: “45 min”, “3 h 20”, “2 d 4 h”. */
export function spanText(minutes: number): string {
  const whole = Math.round(Math.abs(minutes));
  const [days, hours, rest] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  if (days > 0) return hours > 0 ? `${count(days)} d ${hours} h` : `${count(days)} d`;
  if (hours > 0) return rest > 0 ? `${hours} h ${String(rest).padStart(2, '0')}` : `${hours} h`;
  return `${rest} min`;
}

/** A chance in whole percent; what was never seen to fail, or to come out, is not promised. */
export const chanceText = (chance: number): string =>
  chance > 0.99 ? $localize`over 99 %` : chance < 0.01 ? $localize`under 1 %` : percent(Math.round(chance * 100) / 100);

/** A chance from which on nothing more is said. */
const SURE = 0.9;

/** Whether a job is ready in time, and how sure that is. */
export function sureText({ ready, late, chance, sure }: FloorPromise): string {
  if (ready === null) return $localize`a station of it fits nowhere`;
  if (late) return $localize`after its due day`;
  if (chance !== null && chance >= SURE) return $localize`in time, ${chanceText(chance)} sure`;
  return sure === null ? '' : $localize`surely ${timeText(sure)}`;
}

/** The same at length. */
export const surenessText = ({ chance, sure }: FloorPromise): string =>
  sure === null
    ? ''
    : $localize`Set-ups and spoilage vary from run to run, in the jobs ahead of it too. ` +
      $localize`It is surely ready ${timeText(sure)}${chance === null ? '' : $localize`, in time in ${chanceText(chance)} of the runs drawn`}.`;

/** What would help a late job, and what it costs others. @param help with names of its station and machine in place of ids. */
export function helpWords(help: Help): string {
  const { kind, won, othersLate, rest } = help;
  const others =
    othersLate > 0
      ? $localize`, others ${spanText(othersLate)} later`
      : othersLate < 0
        ? $localize`, others ${spanText(othersLate)} earlier`
        : '';
  const other =
    kind === 'half first'
      ? $localize`, the rest ${rest > 0 ? $localize`${spanText(rest)} later than now` : $localize`as soon as now`}`
      : '';
  return $localize`${changeWords(help)}\: ${spanText(won)} earlier${other}${others}`;
}

function changeWords({ kind, step, machine, overtime }: Help): string {
  const [station, where] = [step ?? '', machine ?? $localize`all its machines`];
  switch (kind) {
    case 'other machine':
      return $localize`${station} on ${where}`;
    case 'split':
      return $localize`half of ${station} on ${where} as well`;
    case 'goes first':
      return $localize`${station} goes first on ${where}`;
    case 'job first':
      return $localize`the whole job goes first`;
    case 'half first':
      return $localize`half of it delivered first`;
    case 'overtime':
      return $localize`overtime on ${where}, ${spanText(overtime)} until then`;
  }
}
