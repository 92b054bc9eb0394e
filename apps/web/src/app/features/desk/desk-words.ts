import { MINUTE_MS, dayAfter, wallClock, wordOf } from '@druckerei/core';
import type { DeskLine } from '@druckerei/contract';
import { helpWords, spanText } from '../../ui/floor-words';
import { count, dateText, many } from '../../ui/format';

/** What is the matter, as a sentence that goes on from the number of its job; of no job it stands alone. */
export function matterText(line: DeskLine): string {
  const { kind, of, step, machine, expected, wanted, minutes, day } = line;
  const n = line.count ?? 0;
  const station = step === null ? '' : $localize`, and ${step} waits for it`;
  switch (kind) {
    case 'short':
      return $localize`${count(expected ?? 0)} of ${count(wanted ?? 0)} are expected, and ${many(n, 'carrier')} still there: run what is missing before they go`;
    case 'let go':
      return $localize`asks nothing more of ${n === 1 ? $localize`its carrier` : $localize`its ${count(n)} carriers`}\: put away what is kept, and let the others go`;
    case 'trial':
      return $localize`has no accepted trial of ${of}${station}`;
    case 'artwork':
      return $localize`has no approved artwork${of === '' ? '' : $localize` of ${of}`}${station}`;
    case 'proof':
      return $localize`has a proof${of === '' ? '' : $localize` of ${of}`} at the customer since ${dateText(day)}${station}`;
    case 'carriers':
      return $localize`wants ${many(n, 'carrier')} made and inspected${station}`;
    case 'paper':
      return $localize`has too little paper, in the store and on order: ${of}${station}`;
    case 'delivery':
      return $localize`Order ${of} should have come on ${dateText(day)}\: ${many(n, 'line')} still to come`;
    case 'late':
      return $localize`will be ${spanText(minutes ?? 0)} late`;
    case 'closed':
      return $localize`${machine ?? ''} is closed while ${many(n, 'station')} ${wordOf(n === 1 ? 'lies' : 'lie')} on it: plan anew`;
    case 'plan':
      return line.key === 'plan/none'
        ? $localize`${many(n, 'released job')} ${wordOf(n === 1 ? 'has' : 'have')} no schedule in force`
        : $localize`The schedule in force builds on what has changed since: plan anew, and take it`;
    case 'draft':
      return $localize`is due on ${dateText(day)} and not released`;
    case 'norms':
      return $localize`The log proposes other values for ${many(n, 'norm')}\: look at its evidence, take or refuse`;
  }
}

/** By when, what waiting costs, or what would help. @param now ms since 1970 UTC. */
export function besideText({ kind, by, costs, help }: DeskLine, now: number, timeZone: string | undefined): string {
  if (kind === 'late')
    return help
      ? $localize`What helps most: ${helpWords(help)}`
      : $localize`No machine, order or overtime makes it earlier`;
  const at = by === null ? '' : wallClock(Date.parse(by), timeZone);
  const day = wallClock(now, timeZone).slice(0, 10);
  const until =
    by === null || Date.parse(by) <= now + MINUTE_MS || at.slice(0, 10) > dayAfter(day, 1)
      ? ''
      : $localize`By ${at.slice(11)}. `;
  if (kind === 'closed' || kind === 'plan' || kind === 'short' || costs <= 0) return until.slice(0, -2);
  return $localize`${until}A day more makes it ${spanText(costs)} late, by weight of its customer`;
}

/** Where a matter is settled. */
export function settledAt({ kind, job }: DeskLine): { readonly words: string; readonly link: readonly unknown[] } {
  const [floor, stores] = [['/floor'], ['/stores']] as const;
  switch (kind) {
    case 'paper':
    case 'delivery':
      return { words: $localize`To the stores`, link: stores };
    case 'late':
    case 'closed':
    case 'plan':
      return { words: $localize`To the floor`, link: floor };
    case 'norms':
      return { words: $localize`To the proposals`, link: ['/norms/proposals'] };
    default:
      return { words: $localize`To the job`, link: job ? ['/jobs', job.id] : ['/jobs'] };
  }
}

/** What was said of a matter. */
export function noteText({ note }: Pick<DeskLine, 'note'>): string {
  if (!note) return '';
  if (note.state === 'given') return $localize`Given to ${note.mine ? wordOf('you') : (note.to ?? '')} by ${note.by}`;
  return note.state === 'done'
    ? $localize`Done, says ${note.by}`
    : $localize`Put off to ${dateText(note.until)} by ${note.by}`;
}

/** Lines of one day, the most urgent day first. */
export interface DeskDay {
  readonly name: string;
  readonly lines: readonly DeskLine[];
}

/** By when: today with all that is overdue, tomorrow, a date; last what has no day. */
export function daysOf(
  lines: readonly DeskLine[],
  {
    today,
    tomorrow,
    timeZone,
  }: { readonly today: string; readonly tomorrow: string; readonly timeZone: string | undefined },
): DeskDay[] {
  const nameOf = ({ by }: DeskLine): string => {
    if (by === null) return $localize`When there is time`;
    const day = wallClock(Date.parse(by), timeZone).slice(0, 10);
    return day <= today ? $localize`Today` : day === tomorrow ? $localize`By tomorrow` : $localize`By ${dateText(day)}`;
  };
  const days = new Map<string, DeskLine[]>();
  for (const line of lines) days.set(nameOf(line), [...(days.get(nameOf(line)) ?? []), line]);
  return [...days].map(([name, of]) => ({ name, lines: of }));
}
