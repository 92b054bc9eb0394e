import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { type Alike, type PlanStep, CAUTION_RULE, OPERATION_RULES, drawLayout, stationSheet } from '@druckerei/core';
import { layoutWords } from '@druckerei/contract';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { layoutSvg } from '../drawing/layout-svg.js';
import { DEPARTMENT, DEPARTMENT_NAMES, type Department } from './departments.js';
import type { JobDocument } from './document.js';
import { Said } from './measures.js';
import { stationCard } from './station-card.js';
import { stationLines } from './station.js';
import { heads, table } from './table.js';

const SIDE = 156;
const CODE: [number, number] = [96, 18];

const codeOf = ({ job }: JobDocument, step: string): string => `${job.number}/${step}`;
const codeCell = (code: string, fit: [number, number] = CODE): Content =>
  isCodable(code) ? { svg: code128Svg(code), fit, alignment: 'right' } : { text: code, alignment: 'right' };

/** Cautions of a station: in full at the first of its kind, afterwards where they stand. */
function cautions({ operation }: PlanStep, name: string, said: Map<PlanStep['operation'], string>): Content {
  const first = said.get(operation);
  if (first === undefined) said.set(operation, name);
  return {
    text:
      first === undefined
        ? $localize`Cautions. ${OPERATION_RULES[operation].cautions.join(' ')} ${CAUTION_RULE}`
        : $localize`Cautions as at ${first}.`,
    style: 'small',
    margin: [0, 2, 0, 0],
  };
}

/** A station with what it needs at the left, its code and drawings at the right. */
function station(
  document: JobDocument,
  step: PlanStep,
  group: Alike | undefined,
  said: Map<PlanStep['operation'], string>,
): Content {
  const component = document.job.components.find(({ id }) => id === step.component);
  const of = group && group.ids.length > 1 ? $localize`${group.name}, each` : component?.name;
  const name = `${OPERATION_RULES[step.operation].name}${of === undefined ? '' : `: ${of}`}`;
  const sheet = stationSheet(document.job, document.plan, document.works, step.id);
  const card = sheet ? stationCard(document, sheet, { width: SIDE }) : undefined;
  const [first, ...others] = stationLines(document, step);
  const left: Content[] = [
    { text: name, style: 'station' },
    ...(first === undefined ? [] : [{ text: first, bold: true }]),
    ...(others.length > 0 ? [{ text: others.join(' ') }] : []),
    ...(card?.words ?? []),
    cautions(step, name, said),
    ...(card?.tables ?? []),
  ];
  const code = codeOf(document, step.id);
  const side: Content[] = [
    ...(group && group.ids.length > 1 ? [] : [codeCell(code)]),
    ...layoutOf(document, step),
    ...(card?.drawings ?? []),
  ];
  return {
    unbreakable: true,
    columns: [
      { width: '*', stack: left },
      { width: SIDE, stack: side },
    ],
    columnGap: 12,
    margin: [0, 5, 0, 0],
  };
}

/** Where the pages of a section begin and end. */
function pagesOf({ plan }: JobDocument, id: string): string {
  const layout = plan.layouts[id];
  if (!layout?.section) return '';
  const pages = (['front', 'back'] as const).flatMap((side) =>
    drawLayout(layout, side).pieces.flatMap((piece) => piece.pages.map(({ page }) => page)),
  );
  return pages.length === 0 ? '' : `${Math.min(...pages)}-${Math.max(...pages)}`;
}

/** Components that differ in their pages alone: pages and codes, a row each. */
function alikeCodes(document: JobDocument, { ids, name }: Alike, department: Department): Content[] {
  if (ids.length < 2) return [];
  const stepsOf = (id: string): readonly PlanStep[] =>
    document.plan.steps.filter(
      ({ component, operation }) => component === id && operation !== 'dry' && DEPARTMENT[operation] === department,
    );
  const [first = ''] = ids;
  const columns = stepsOf(first);
  if (columns.length === 0) return [];
  const rows = ids.map((id): TableCell[] => [
    document.job.components.find((one) => one.id === id)?.name ?? id,
    pagesOf(document, id),
    ...stepsOf(id).map((step): TableCell => codeCell(codeOf(document, step.id), [120, 14])),
  ]);
  return [
    {
      unbreakable: ids.length < 24,
      stack: [
        { text: $localize`${name}\: pages and codes`, style: 'station', margin: [0, 6, 0, 2] },
        table(
          ['*', 60, ...columns.map(() => 130)],
          heads($localize`Component`, $localize`Pages`, ...columns.map(({ name: operation }) => `>${operation}`)),
          rows,
        ),
      ],
    },
  ];
}

/** The stations of a department, each once; those of alike components as one with a table of their codes. */
export function departmentPart(
  document: JobDocument,
  department: Department,
  alike: readonly Alike[],
  said: Map<PlanStep['operation'], string>,
): Content[] {
  const groups = new Map(alike.flatMap((group) => group.ids.map((id) => [id, group] as const)));
  const steps = document.plan.steps.filter(
    ({ operation, component }) =>
      DEPARTMENT[operation] === department && (component === null || groups.get(component)?.ids[0] === component),
  );
  if (steps.length === 0) return [];
  return [
    { text: DEPARTMENT_NAMES[department], style: 'department', headlineLevel: 1 },
    ...steps.map((step) => station(document, step, groups.get(step.component ?? ''), said)),
    ...alike.flatMap((group) => alikeCodes(document, group, department)),
  ];
}

/** The layout of a component, at the first station that takes its sheet. */
function layoutOf({ plan, works }: JobDocument, step: PlanStep): Content[] {
  const said = new Said(works);
  const layout = plan.layouts[step.component ?? ''];
  const first = plan.steps.find(({ component }) => component === step.component);
  if (!layout || first?.id !== step.id) return [];
  const drawing = drawLayout(layout);
  const { component, section, sheet, machine } = layout;
  const edge = machine.press?.web
    ? $localize`The web runs upwards`
    : $localize`Gripper edge at the bottom${drawing.tailGripped ? $localize`, tail gripped too` : ''}, ${said.size(layout.margins.gripperMm)}`;
  const twoSided = section !== undefined && component.back.length > 0;
  const svg = (side: 'front' | 'back', fit: [number, number]): Content => ({
    svg: layoutSvg(drawLayout(layout, side), { gripper: said.size(layout.margins.gripperMm) }),
    fit,
  });
  const half: [number, number] = [SIDE / 2 - 3, 90];
  return [
    twoSided
      ? {
          columns: [
            [{ text: $localize`Front`, style: 'small' }, svg('front', half)],
            [{ text: $localize`Back`, style: 'small' }, svg('back', half)],
          ],
          columnGap: 6,
        }
      : svg('front', [SIDE, SIDE * 0.66]),
    {
      text: $localize`${layoutWords(layout)}; on ${said.size(sheet.widthMm, sheet.heightMm)}. ${edge}; grain ${drawing.grain === 'across' ? $localize`across the drawing` : $localize`up the drawing`}.`,
      style: 'small',
    },
  ];
}
