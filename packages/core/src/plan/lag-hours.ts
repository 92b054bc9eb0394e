import { GIVEN } from '../kernel/index.js';
import { takenBy } from './build-graph.js';
import type { Step } from './job.js';
import { giveNorm, isPlateless } from './step-norms.js';
import type { Station, TimeContext } from './step-time.js';

/** What lies by a norm of its own. */
const LAGS: Partial<
  Record<Step['operation'], { readonly norm: string; readonly name: string; readonly perHour?: 60 }>
> = {
  outside: { norm: 'outside.hours', name: 'Away from the house' },
  cool: { norm: 'bind.coolMinutes', name: 'Cooling', perHour: 60 },
  press: { norm: 'press.hours', name: 'Under pressure' },
};

/** Drying before the next step, by paper and by what comes next. Source: handbook chapter 5 (practice). */
export function lag(context: TimeContext, station: Station): number {
  const { book } = context;
  const { step, id } = station;
  const away = lies(context, station);
  if (step.operation !== 'outside' || !step.transitHours) return away;
  const inputs = {
    away: book.give(`${id}.away`, 'At the other house', away, 'h', GIVEN),
    transit: book.give(`${id}.transit`, 'On the road, each way', step.transitHours, 'h', GIVEN),
  };
  const hours = away + 2 * step.transitHours;
  book.reckon(`${id}.lag`, 'Away from the house', hours, 'h', 'away + 2 * transit', inputs);
  return hours;
}

/** Hours that something lies where it is. */
function lies({ book, job, norms }: TimeContext, { step, id, layout }: Station): number {
  if (step.hours !== undefined) {
    book.give(`${id}.lag`, 'Drying', step.hours, 'h', { label: 'set by user', note: 'set in this job' });
    return step.hours;
  }
  const told = LAGS[step.operation];
  if (told) {
    const norm = giveNorm(book, norms, told.norm);
    const hours = book.value(norm) / (told.perHour ?? 1);
    book.reckon(`${id}.lag`, told.name, hours, 'h', told.perHour === 60 ? 'norm / 60' : 'norm', { norm });
    return hours;
  }
  if (layout && isPlateless(layout)) {
    book.give(`${id}.lag`, 'Drying', 0, 'h', { label: 'practice', note: 'digital prints are dry at the delivery' });
    return 0;
  }
  const next = job.route.find((other) => takenBy(other).some(({ material }) => material === step.id))?.operation;
  const before = next === 'print' ? 'side' : next === 'fold' ? 'fold' : 'cut';
  const norm = giveNorm(book, norms, `dry.${layout?.stock.coated ? 'coated' : 'uncoated'}.${before}`);
  book.reckon(`${id}.lag`, 'Drying', book.value(norm), 'h', 'norm', { norm });
  return book.value(norm);
}
