import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { type Exercise, type Figure, formulaIn, kindOf, sayQuantity, unitText, wordOf } from '@druckerei/core';
import { docketText, exerciseName } from '@druckerei/contract';
import { renderPdf } from '../pdf/render.js';
import { heads, table } from '../ticket/table.js';

/** Exercises of one kind, to be filled by hand or with what is right. */
export interface ExerciseSheet {
  /** One at least; their numbers stand before them, so that everybody has the same. */
  readonly exercises: readonly Exercise[];
  readonly answers: boolean;
  readonly works: string;
  /** The date of the file. */
  readonly at: Date;
}

/** Points of a row: room to write in. */
const ROW = 24;

const blank = ({ name, unit }: Figure): TableCell[] => [
  { text: name, margin: [0, ROW / 3, 0, ROW / 3] },
  '',
  { text: unitText(unit, 2), margin: [0, ROW / 3, 0, 0] },
];
const solved = (row: Figure): TableCell[] => [
  row.name,
  { text: sayQuantity(row.value, row.unit, kindOf(row)), bold: true },
  row.formula === undefined ? wordOf(row.source.note ?? row.source.label) : formulaIn(row.formula),
];

function exercise(one: Exercise, answers: boolean): Content {
  const rows = answers
    ? table([170, 110, '*'], heads($localize`Row`, $localize`Answer`, $localize`How`), one.rows.map(solved))
    : table([200, '*', 70], heads($localize`Row`, $localize`Your answer`, ''), one.rows.map(blank));
  return {
    unbreakable: true,
    stack: [
      { text: $localize`No. ${one.seed}`, style: 'heading' },
      { text: docketText(one), margin: [0, 0, 0, 6] },
      rows,
    ],
  };
}

/** A sheet of exercises as PDF; what is right is another document, to be kept apart. */
export function exerciseSheetPdf({ exercises, answers, works, at }: ExerciseSheet): Promise<Buffer> {
  const [first] = exercises;
  if (!first) throw new Error('a sheet wants an exercise');
  const title = `${exerciseName(first.kind)}${answers ? $localize`, answers` : ''}`;
  const name: Content = answers ? [] : { text: $localize`Name:`, margin: [0, 6, 0, 0] };
  return renderPdf(
    {
      info: { title },
      footer: (page, pages) => ({
        text: $localize`${works}  |  ${title}  |  ${page} of ${pages}`,
        style: 'quiet',
        margin: [42, 14, 36, 0],
      }),
      content: [{ text: title, style: 'title' }, name, ...exercises.map((one) => exercise(one, answers))],
    },
    at,
  );
}
