import { type FigureBook, GIVEN, IDENTITY } from '../kernel/index.js';
import type { NormLookup } from '../works/index.js';
import { LYING_NORMS, type Waiting, wantedNorm } from './material/index.js';
import { giveNorm } from './step-norms.js';
import type { Station, TimeContext } from './step-time.js';

const IN_JOB = { label: 'set by user', note: 'set in this job' } as const;

/** What is left of the time that a station wants: its norm, less what the thing has lain since. */
function leftFigure(
  book: FigureBook,
  norms: NormLookup,
  figure: string,
  name: string,
  { wet, before, hours }: Waiting,
): string | undefined {
  const wanted = wantedNorm(wet, before.operation);
  if (!wanted) return undefined;
  const norm = giveNorm(book, norms, wanted.norm);
  const whole = wanted.perHour === 60 ? 'norm / 60' : 'norm';
  if (wet.lainHours === 0) return book.reckon(figure, name, hours, 'h', whole, { norm });
  const lain = book.give(`${figure}.lain`, `Has lain since ${wet.since}`, wet.lainHours, 'h', IDENTITY);
  return book.reckon(figure, name, hours, 'h', `max(0, ${whole} - lain)`, { norm, lain });
}

const LYING_NAMES = { outside: 'Away from the house', cool: 'Cooling', press: 'Under pressure' } as const;

/** Hours that something lies at a station that lets it lie. Source: handbook chapter 5 (practice). */
export function lagFigure({ book, norms, jobFlow }: TimeContext, { step, id }: Station): number {
  const { lag, lagHours = 0 } = jobFlow.lying.get(step.id) ?? {};
  const own = LYING_NORMS[step.operation];
  const figure = `${id}.lag`;
  if (!own) {
    if (step.hours !== undefined) book.give(figure, 'Drying', step.hours, 'h', IN_JOB, lag?.hours ?? 0);
    else if (!lag || leftFigure(book, norms, figure, 'Drying', lag) === undefined)
      book.give(figure, 'Drying', 0, 'h', { label: 'practice', note: 'nothing on it is wet' });
    return lagHours;
  }
  const name = LYING_NAMES[step.operation as keyof typeof LYING_NAMES];
  const travels = step.operation === 'outside' && (step.transitHours ?? 0) > 0;
  const away = travels ? `${id}.away` : figure;
  if (step.hours === undefined) {
    const norm = giveNorm(book, norms, own.norm);
    const hours = book.value(norm) / own.perHour;
    book.reckon(away, travels ? 'At the other house' : name, hours, 'h', own.perHour === 60 ? 'norm / 60' : 'norm', {
      norm,
    });
  } else book.give(away, travels ? 'At the other house' : name, step.hours, 'h', IN_JOB);
  if (travels)
    book.reckon(figure, name, lagHours, 'h', 'away + 2 * transit', {
      away,
      transit: book.give(`${id}.transit`, 'On the road, each way', step.transitHours ?? 0, 'h', GIVEN),
    });
  return lagHours;
}

/** Hours that something lies before a station, since what is wet on it wants them still. Source: handbook chapter 5. */
export function waitFigure({ book, norms, jobFlow }: TimeContext, { step, id }: Station): number {
  const { wait } = jobFlow.lying.get(step.id) ?? {};
  if (!wait) return 0;
  leftFigure(book, norms, `${id}.wait`, 'Lies before it', wait);
  return wait.hours;
}
