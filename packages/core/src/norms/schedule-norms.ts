import type { Norm } from './norm.js';
import { HANDBOOK, UNSOURCED } from './shipped-norms.js';

const change = (id: string, name: string, value: number): Norm => ({
  id,
  group: 'machines',
  subject: 'Change-over',
  name,
  unit: 'h',
  value,
  min: 0,
  max: 24,
  source: HANDBOOK,
});

const counts = (id: string, name: string, unit: string, value: number, max: number): Norm => ({
  id,
  group: 'machines',
  subject: 'Schedule',
  name,
  unit,
  value,
  min: 0,
  max,
  source: UNSOURCED,
});

/** What set-ups depend on that which was on before, and what a schedule is judged by. Source: handbook chapter 8. */
export const SCHEDULE_NORMS: readonly Norm[] = [
  change('change.washToDark', 'Wash-up of a unit, light to dark', 0.1),
  change('change.washToLight', 'Wash-up of a unit, dark to light', 0.25),
  change('change.washMetallic', 'Wash-up of a unit, from or to metallic or opaque white', 0.4),
  change('change.varnish', 'Varnish to another varnish', 0.3),
  change('change.size', 'Another sheet size at a press', 0.15),
  change('change.stock', 'Another stock at a press', 0.05),
  change('change.thickness', 'Another class of thickness at a press', 0.15),
  change('change.fold', 'Another fold scheme', 0.4),
  change('change.foldSize', 'The same fold scheme in another size', 0.2),
  change('change.die', 'Another die', 0.75),
  change('change.glue', 'Another glue at the gluer or binder', 0.5),
  change('change.binderFormat', 'Another format at the binder, of its set-up', 0.55),
  counts('schedule.late', 'What a minute late counts, by the weight of the customer', 'points', 1, 1000),
  counts('schedule.setUp', 'What a minute of set-up counts', 'points', 0.1, 1000),
  counts('schedule.through', 'What a minute until a job is through counts', 'points', 0.001, 1000),
  { ...counts('schedule.dueHour', 'Hour of the due day by which a job is ready', 'h', 16, 24), whole: true },
  {
    ...counts('schedule.deliveryHour', 'Hour of the day by which what comes that day is there', 'h', 12, 23),
    whole: true,
  },
  counts('schedule.paperHours', 'Until paper is there that is not ordered', 'h', 120, 2000),
  counts('schedule.artworkHours', 'Until artwork is approved that is not', 'h', 24, 2000),
  counts('schedule.trialHours', 'Until a trial of an ink is accepted', 'h', 8, 2000),
  counts('schedule.carrierHours', 'Until carriers are made and inspected, the artwork approved', 'h', 4, 2000),
];
