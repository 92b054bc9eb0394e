import type { Norm } from './norm.js';
import { HANDBOOK, UNSOURCED } from './shipped-norms.js';

const change = (id: string, name: string, value: number): Norm => ({
  id,
  group: 'machines',
  subject: $localize`Change-over`,
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
  subject: $localize`Schedule`,
  name,
  unit,
  value,
  min: 0,
  max,
  source: UNSOURCED,
});

/** What set-ups depend on that which was on before, and what a schedule is judged by. Source: handbook chapter 8. */
export const SCHEDULE_NORMS: readonly Norm[] = [
  change('change.washToDark', $localize`Wash-up of a unit, light to dark`, 0.1),
  change('change.washToLight', $localize`Wash-up of a unit, dark to light`, 0.25),
  change('change.washMetallic', $localize`Wash-up of a unit, from or to metallic or opaque white`, 0.4),
  change('change.varnish', $localize`Varnish to another varnish`, 0.3),
  change('change.size', $localize`Another sheet size at a press`, 0.15),
  change('change.stock', $localize`Another stock at a press`, 0.05),
  change('change.thickness', $localize`Another class of thickness at a press`, 0.15),
  change('change.fold', $localize`Another fold scheme`, 0.4),
  change('change.foldSize', $localize`The same fold scheme in another size`, 0.2),
  change('change.die', $localize`Another die`, 0.75),
  change('change.glue', $localize`Another glue at the gluer or binder`, 0.5),
  change('change.binderFormat', $localize`Another format at the binder, of its set-up`, 0.55),
  counts('schedule.late', $localize`What a minute late counts, by the weight of the customer`, 'points', 1, 1000),
  counts('schedule.setUp', $localize`What a minute of set-up counts`, 'points', 0.1, 1000),
  counts('schedule.through', $localize`What a minute until a job is through counts`, 'points', 0.001, 1000),
  { ...counts('schedule.dueHour', $localize`Hour of the due day by which a job is ready`, 'h', 16, 24), whole: true },
  {
    ...counts('schedule.deliveryHour', $localize`Hour of the day by which what comes that day is there`, 'h', 12, 23),
    whole: true,
  },
  counts('schedule.paperHours', $localize`Until paper is there that is not ordered`, 'h', 120, 2000),
  counts('schedule.artworkHours', $localize`Until artwork is approved that is not`, 'h', 24, 2000),
  counts('schedule.trialHours', $localize`Until a trial of an ink is accepted`, 'h', 8, 2000),
  counts('schedule.carrierHours', $localize`Until carriers are made and inspected, the artwork approved`, 'h', 4, 2000),
];
