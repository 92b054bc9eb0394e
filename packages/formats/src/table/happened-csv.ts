import Papa from 'papaparse';
import type { Happened } from '@druckerei/contract';

const HEADINGS = [
  'job',
  'title',
  'customer',
  'due',
  $localize`days late`,
  'station',
  'machine',
  'what',
  'unit',
  'planned',
  'happened',
  $localize`cost of the difference`,
  'currency',
  'reasons',
];

/** Numbers stay numbers: what begins with a minus is no formula. */
type Cells = (string | number)[];

const digits = (value: number): number => Math.round(value * 1e4) / 1e4;

/**
 * Planned and happened as a table: for each job a line for sheets, hours and cost, then one for every difference. Cells that a sheet
 * would run are escaped.
 */
export function happenedCsv({ jobs, currency }: Happened): string {
  const data = jobs.flatMap(({ job, late, planned, happened, differences }) => {
    const of = [job.number, job.title, job.customer, job.due ?? '', late ?? ''];
    const sum = (what: string, unit: string, plan: number, was: number, cost: number | ''): Cells => [
      ...of,
      ...['', '', what, unit, digits(plan), digits(was), cost, currency, ''],
    ];
    return [
      sum('sheets', 'sheet', planned.sheets, happened.sheets, ''),
      sum('hours', 'h', planned.hours, happened.hours, ''),
      sum('cost', currency, planned.cost, happened.cost, digits(happened.cost - planned.cost)),
      ...differences.map(({ title, machine, what, unit, planned: plan, happened: was, cost, reasons }) => [
        ...of,
        ...[title, machine ?? '', what, unit, digits(plan), digits(was), digits(cost), currency],
        reasons.map(([reason, amount]) => `${reason} ${digits(amount)}`).join('; '),
      ]),
    ];
  });
  return Papa.unparse({ fields: HEADINGS, data }, { escapeFormulae: true, newline: '\r\n' });
}
