import Papa from 'papaparse';
import {
  type Machine,
  type WorksField,
  MACHINE_FIELDS,
  checkMachine,
  fieldAt,
  groupsFor,
  hasGroup,
  idOf,
  readAmount,
  readFlag,
  withField,
} from '@druckerei/core';
import { fieldErrors, issueText, machineSchema } from '@druckerei/contract';
import { readTable } from './read-table.js';

const FIELDS = MACHINE_FIELDS.flatMap(({ fields }) => fields);

const written = (value: unknown): string => {
  if (value === undefined) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.join(' ');
  return typeof value === 'number' || typeof value === 'string' ? String(value) : '';
};

/** Machines as a table: a line each, a column for everything that may be told. Cells that a sheet would run are escaped. */
export const machinesCsv = (machines: readonly Machine[]): string =>
  Papa.unparse(
    {
      fields: ['id', 'process', ...FIELDS.map(({ path }) => path)],
      data: machines.map((machine) => [
        machine.id,
        machine.process,
        ...FIELDS.map(({ path }) => written(fieldAt(machine, path))),
      ]),
    },
    { escapeFormulae: true },
  );

export interface ReadMachines {
  readonly machines: readonly Machine[];
  /** What cannot be taken: line from 1, column, and why. */
  readonly wrong: readonly { readonly line: number; readonly column: string; readonly message: string }[];
}

/** The value of a cell; the text itself where it is none, for the check to refuse. */
function valueOf(cell: string, { kind }: WorksField): unknown {
  const figure = (text: string): unknown => readAmount(text, '.') ?? readAmount(text, ',') ?? text;
  switch (kind) {
    case 'flag':
      return readFlag(cell) ?? cell;
    case 'number':
    case 'whole':
      return figure(cell);
    case 'numbers':
      return cell.split(/\s+/).map(figure);
    case 'text':
    case 'choice':
      return cell;
  }
}

/** Flags that a group wants and a table leaves out are no. */
const withFlags = (machine: Machine): Machine =>
  groupsFor(machine.process)
    .filter((group) => hasGroup(machine, group))
    .flatMap(({ fields }) => fields)
    .filter(({ kind, wanted, path }) => kind === 'flag' && wanted && fieldAt(machine, path) === undefined)
    .reduce((told, { path }) => withField(told, path, false), machine);

/** Machines out of a table as {@link machinesCsv} writes it; columns may stand in any order, and those without a value be left out. */
export function readMachines(text: string, taken: readonly string[] = []): ReadMachines {
  const [headings = [], ...rows] = readTable(text).rows;
  const known = new Map(FIELDS.map((field) => [field.path, field]));
  const wrong: ReadMachines['wrong'][number][] = headings
    .filter((heading) => heading !== '' && heading !== 'id' && heading !== 'process' && !known.has(heading))
    .map((column) => ({
      line: 1,
      column,
      message: $localize`No machine has this column. Take it out, or call it as the export does.`,
    }));
  const ids = new Set(taken);
  const machines = rows.flatMap((row, i): Machine[] => {
    if (row.every((cell) => cell === '')) return [];
    const cells = new Map(headings.map((heading, at) => [heading, row[at] ?? '']));
    const named = cells.get('id') ?? '';
    const bare = { id: named === '' ? idOf(cells.get('name') ?? '', ids) : named, process: cells.get('process') ?? '' };
    ids.add(bare.id);
    const told = [...known].reduce<unknown>((machine, [path, field]) => {
      const cell = cells.get(path) ?? '';
      return cell === '' ? machine : withField(machine, path, valueOf(cell, field));
    }, bare);
    const line = i + 2;
    const parsed = machineSchema.safeParse(withFlags(told as Machine));
    const errors = parsed.success
      ? checkMachine(parsed.data).map((issue) => ({ path: issue.path, message: issueText(issue) }))
      : fieldErrors(parsed.error);
    wrong.push(...errors.map(({ path, message }) => ({ line, column: path, message })));
    return parsed.success && errors.length === 0 ? [parsed.data] : [];
  });
  return { machines, wrong };
}
