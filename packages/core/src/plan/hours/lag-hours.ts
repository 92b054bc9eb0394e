import { type Entry, type Group, type Ledger, GIVEN, IDENTITY, rule } from '../../kernel/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import { LYING_NORMS, type Waiting, wantedNorm } from '../../material/index.js';
import type { Prepared, Station } from '../prepared.js';

const IN_JOB = { label: 'set by user', note: $localize`set in this job` } as const;
const NOTHING_WET = { label: 'practice', note: $localize`nothing on it is wet` } as const;

/** A time that is told in hours, or in minutes; whole, or what is left of it. */
const HOURS = rule('', 'h', 'norm');
const MINUTES = rule('', 'h', 'norm / 60');
const HOURS_LEFT = rule('', 'h', 'max(0, norm - lain)');
const MINUTES_LEFT = rule('', 'h', 'max(0, norm / 60 - lain)');
const BOTH_WAYS = rule('', 'h', 'away + 2 * transit');

/** What is left of the time that a station wants: its norm, less what the thing has lain since. */
function leftFigure(
  ledger: Ledger,
  norms: NormLookup,
  at: Group,
  field: string,
  name: string,
  { wet, before, hours }: Waiting,
): Entry | undefined {
  const wanted = wantedNorm(wet, before.operation);
  if (!wanted) return undefined;
  const norm = giveNorm(ledger, norms, wanted.norm);
  const inMinutes = wanted.perHour === 60;
  if (wet.lainHours === 0) return at.count(field, inMinutes ? MINUTES : HOURS, { norm }, hours, { name });
  const lain = at.give(`${field}.lain`, $localize`Has lain since ${wet.since}`, wet.lainHours, 'h', IDENTITY);
  return at.count(field, inMinutes ? MINUTES_LEFT : HOURS_LEFT, { norm, lain }, hours, { name });
}

const LYING_NAMES = {
  outside: $localize`Away from the house`,
  cool: $localize`Cooling`,
  press: $localize`Under pressure`,
} as const;

/** Hours that something lies at a station that lets it lie. Source: handbook chapter 5 (practice). */
export function lagFigure({ ledger, norms, route }: Prepared, { step, at }: Station): number {
  const { lag, lagHours = 0 } = route.lying.get(step.id) ?? {};
  const own = LYING_NORMS[step.operation];
  if (!own) {
    if (step.hours !== undefined) at.give('lag', $localize`Drying`, step.hours, 'h', IN_JOB, lag?.hours ?? 0);
    else if (!lag || leftFigure(ledger, norms, at, 'lag', $localize`Drying`, lag) === undefined)
      at.give('lag', $localize`Drying`, 0, 'h', NOTHING_WET);
    return lagHours;
  }
  const name = LYING_NAMES[step.operation as keyof typeof LYING_NAMES];
  const travels = step.operation === 'outside' && (step.transitHours ?? 0) > 0;
  const [field, title] = travels ? ['away', $localize`At the other house`] : ['lag', name];
  const away =
    step.hours === undefined
      ? at.reckon(
          field,
          own.perHour === 60 ? MINUTES : HOURS,
          { norm: giveNorm(ledger, norms, own.norm) },
          { name: title },
        )
      : at.give(field, title, step.hours, 'h', IN_JOB);
  if (travels) {
    const transit = at.give('transit', $localize`On the road, each way`, step.transitHours ?? 0, 'h', GIVEN);
    at.reckon('lag', BOTH_WAYS, { away, transit }, { name });
  }
  return lagHours;
}

/** Hours that something lies before a station, since what is wet on it wants them still. Source: handbook chapter 5. */
export function waitFigure({ ledger, norms, route }: Prepared, { step, at }: Station): number {
  const { wait } = route.lying.get(step.id) ?? {};
  if (!wait) return 0;
  leftFigure(ledger, norms, at, 'wait', $localize`Lies before it`, wait);
  return wait.hours;
}
