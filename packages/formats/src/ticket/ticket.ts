import type { Content, TableCell } from 'pdfmake/interfaces.js';
import {
  type Component,
  type PlanStep,
  CAUTION_RULE,
  OPERATION_RULES,
  drawLayout,
  stationSheet,
  figureOf,
} from '@druckerei/core';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { layoutSvg } from '../drawing/layout-svg.js';
import { renderPdf } from '../pdf/render.js';
import { layoutWords, sizeWords } from '@druckerei/contract';
import { type JobDocument, number, percent, plural, stateText } from './document.js';
import { balanceLeaf } from './balance.js';
import { pressRoom } from './press-room.js';
import { stationCard } from './station-card.js';
import { stationLines } from './station.js';
import { heads, right, table } from './table.js';

/** A measure of a sheet: a repeat of a cylinder has places that nobody can cut to. */
const mm = (value: number): string => String(Number(value.toFixed(2)));

const overs = ({ job: { order } }: JobDocument): string => {
  const { policy } = order;
  if (policy.kind === 'exact') return 'exactly this many';
  return policy.kind === 'all-overs'
    ? 'all overs are delivered'
    : `${policy.under === 0 ? 'no unders' : `at most ${policy.under} % under`}, ${policy.over === 0 ? 'no overs' : `at most ${policy.over} % over`}`;
};

function header(document: JobDocument): Content {
  const { job, works } = document;
  const code: Content[] = isCodable(job.number)
    ? [{ svg: code128Svg(job.number), width: 150, alignment: 'right' }]
    : [];
  return {
    columns: [
      {
        width: '*',
        stack: [
          { text: `${works.name}  |  Job ticket`, style: 'quiet' },
          { text: `${job.number}  ${job.title}`, style: 'title' },
          { text: job.customer },
          {
            text: `${number(job.order.quantity)} ${figureOf(document.plan, 'order.quantity')?.unit ?? 'copies'}, ${overs(document)}${job.order.plannedOvers > 0 ? `, ${number(job.order.plannedOvers)} planned over` : ''}`,
          },
          ...(job.order.deliveries ?? []).map(({ quantity, due }, i) => ({
            text: `Delivery ${i + 1}: ${number(quantity)}${due === undefined ? '' : `, due ${due}`}`,
          })),
          { text: `${job.due === undefined ? 'No due date' : `Due ${job.due}`}  |  ${stateText(document)}` },
        ],
      },
      { width: 160, stack: [...code, { text: job.number, alignment: 'right', margin: [0, 2, 0, 0] }] },
    ],
  };
}

const inkNames = (inks: Component['front']): string =>
  inks.length === 0 ? 'none' : inks.map(({ name }) => name).join(' ');

function components({ job, plan, works }: JobDocument): Content[] {
  const rows = job.components.map((component): TableCell[] => {
    const stock = works.stocks.find(({ id }) => id === component.stock);
    const press = works.machines.find(({ id }) => id === component.press);
    const { sheet } = component;
    return [
      component.name,
      sizeWords(component),
      `${stock?.name ?? component.stock}\n${mm(sheet.widthMm)} x ${mm(sheet.heightMm)} mm, grain along ${mm(sheet.grain === 'width' ? sheet.widthMm : sheet.heightMm)}`,
      `${press?.name ?? component.press}\n${component.workStyle}`,
      `${inkNames(component.front)} / ${inkNames(component.back)}`,
      right(number(plan.totals.platesByComponent[component.id] ?? 0)),
      right(number(plan.totals.pressSheets[component.id] ?? 0)),
      right(number(plan.totals.paperKgByComponent[component.id] ?? 0, 1)),
    ];
  });
  return [
    { text: 'Components', style: 'heading' },
    table(
      [52, 56, '*', 82, 44, 28, 32, 34],
      heads('Component', 'Size', 'Stock and sheet', 'Press', 'Front / back', '>Plates', '>Into press', '>Paper kg'),
      rows,
    ),
  ];
}

function stream({ plan, job, works }: JobDocument): Content[] {
  const componentName = (id: string | null): string =>
    job.components.find((component) => component.id === id)?.name ?? '';
  const rows = plan.steps.map((step): TableCell[] => [
    componentName(step.component),
    step.name,
    works.machines.find(({ id }) => id === step.machine)?.name ?? '',
    right(`${number(step.processUnits)} ${plural(step.unitIn, step.processUnits)}`),
    right(number(step.setup)),
    right(percent(step.running)),
    right(`${number(step.needsOut)} ${plural(step.unitOut, step.needsOut)}`),
    right(step.lagHours > 0 ? `${number(step.lagHours, 1)} h lies` : `${number(step.hours, 2)} h`),
  ]);
  return [
    { text: 'Stream', style: 'heading' },
    table(
      [56, 48, '*', 60, 32, 36, 60, 38],
      heads('Component', 'Step', 'Machine', '>In', '>Set-up', '>Running', '>Good out', '>Hours'),
      rows,
    ),
    {
      text: `${figureOf(plan, 'total.pressSheets')?.name ?? ''} ${number(Object.values(plan.totals.pressSheets).reduce((a, b) => a + b, 0))}, plates ${number(plan.totals.plates)}, paper ${number(plan.totals.paperKg, 1)} kg, ink ${number(plan.totals.inkKg, 2)} kg, machine hours ${number(plan.totals.hours, 2)}. Spoilage reckoned ${{ step: 'step by step', added: 'added up', table: 'by table', sure: 'by sureness' }[plan.school]}.`,
      margin: [0, 6, 0, 0],
    },
  ];
}

function layouts({ plan }: JobDocument): Content[] {
  return Object.values(plan.layouts).map((layout): Content => {
    const drawing = drawLayout(layout);
    const { component, section, sheet, machine } = layout;
    const edge = machine.press?.web
      ? 'The web runs upwards'
      : `Gripper edge at the bottom${drawing.tailGripped ? ', tail gripped too' : ''}, ${layout.margins.gripperMm} mm`;
    const twoSided = section !== undefined && component.back.length > 0;
    return {
      unbreakable: true,
      stack: [
        { text: `Layout: ${component.name}`, style: 'heading' },
        twoSided
          ? {
              columns: [
                [
                  { text: 'Front', style: 'quiet' },
                  { svg: layoutSvg(drawing), width: 235 },
                ],
                [
                  { text: 'Back', style: 'quiet' },
                  { svg: layoutSvg(drawLayout(layout, 'back')), width: 235 },
                ],
              ],
              columnGap: 12,
            }
          : { svg: layoutSvg(drawing), width: 300 },
        {
          text: `${layoutWords(layout)}; on ${mm(sheet.widthMm)} x ${mm(sheet.heightMm)} mm. ${edge}; grain ${drawing.grain === 'across' ? 'across the drawing' : 'up the drawing'}.`,
          style: 'quiet',
          margin: [0, 3, 0, 0],
        },
      ],
    };
  });
}

/** Cautions of a station: in full at the first of its kind, afterwards where they stand. */
function cautions(step: PlanStep, name: string, said: Map<PlanStep['operation'], string>): Content {
  const first = said.get(step.operation);
  if (first === undefined) said.set(step.operation, name);
  return {
    text:
      first === undefined
        ? `Cautions. ${OPERATION_RULES[step.operation].cautions.join(' ')} ${CAUTION_RULE}`
        : `Cautions as at ${first}.`,
    style: 'quiet',
    margin: [0, 3, 0, 0],
  };
}

/** A station's name, and its code for whoever books time or counts there. */
const stationHead = (code: string, name: string): Content => ({
  columns: [
    { width: '*', text: name, style: 'heading' },
    isCodable(code)
      ? { width: 110, svg: code128Svg(code), fit: [110, 22], alignment: 'right', margin: [0, 8, 0, 0] }
      : { width: 110, text: code, alignment: 'right' },
  ],
});

/** The station's sheet; one that says the same as an earlier station's points back to it. */
function card(document: JobDocument, step: PlanStep, name: string, shown: Map<string, string>): Content[] {
  const sheet = stationSheet(document.job, document.plan, document.works, step.id);
  if (!sheet) return [];
  const content = stationCard(document, sheet, { width: 250 });
  const key = JSON.stringify(content);
  const first = shown.get(key);
  if (first !== undefined && content.length > 1) return [{ text: `Sheet as at ${first}.`, margin: [0, 2, 0, 0] }];
  shown.set(key, name);
  return content;
}

function stations(document: JobDocument): Content[] {
  const said = new Map<PlanStep['operation'], string>();
  const shown = new Map<string, string>();
  return document.plan.steps.map((step): Content => {
    const component = document.job.components.find(({ id }) => id === step.component);
    const name = `${OPERATION_RULES[step.operation].name}${component ? `: ${component.name}` : ''}`;
    return {
      stack: [
        stationHead(`${document.job.number}/${step.id}`, name),
        ...stationLines(document, step).map((text): Content => ({ text })),
        cautions(step, name, said),
        ...card(document, step, name, shown),
      ],
    };
  });
}

/**
 * The job ticket as PDF: header with the job number as Code 128, components, stream, layouts, what the plate room, ink room
 * and press need, and a section a station with its instructions and cautions. The same document and date give the same bytes.
 */
export function ticketPdf(document: JobDocument): Promise<Buffer> {
  const { job } = document;
  return renderPdf(
    {
      info: { title: `Job ticket ${job.number}` },
      ...(document.state === 'draft' ? { watermark: { text: 'DRAFT', opacity: 0.06 } } : {}),
      footer: (page, pages) => ({
        text: `${job.number}  |  ${stateText(document)}  |  ${page} of ${pages}`,
        style: 'quiet',
        margin: [42, 16, 36, 0],
      }),
      content: [
        header(document),
        ...components(document),
        ...stream(document),
        ...layouts(document),
        { text: 'Plate room, ink room and press', style: 'title', pageBreak: 'before' },
        ...pressRoom(document),
        { text: 'Stations', style: 'title', pageBreak: 'before' },
        ...stations(document),
        ...balanceLeaf(document),
      ],
    },
    document.at,
  );
}
