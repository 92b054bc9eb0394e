import type { Content, TableCell } from 'pdfmake/interfaces.js';
import {
  type Alike,
  type Component,
  alikeComponents,
  figureOf,
  hoursText,
  inkNames,
  inkOf,
  measureSystem,
  productPicture,
  streamModel,
  ticketWithout,
  wantsTrial,
  wordOf,
  unitText,
} from '@druckerei/core';
import { sizeWords } from '@druckerei/contract';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { stationSvg } from '../drawing/station-svg.js';
import { streamSvg } from '../drawing/stream-svg.js';
import { balanceLine } from './balance.js';
import { type JobDocument, number, stateText } from './document.js';
import { Said } from './measures.js';
import { heads, right, table } from './table.js';

const overs = ({ job: { order } }: JobDocument): string => {
  const { policy } = order;
  if (policy.kind === 'exact') return $localize`exactly this many`;
  return policy.kind === 'all-overs'
    ? $localize`all overs are delivered`
    : `${policy.under === 0 ? $localize`no unders` : $localize`at most ${policy.under} % under`}, ${policy.over === 0 ? $localize`no overs` : $localize`at most ${policy.over} % over`}`;
};

/** Components that are made alike, as one. */
export const alikeOf = ({ job, plan }: JobDocument): readonly Alike[] => alikeComponents(job, plan.steps);

function header(document: JobDocument): Content {
  const { job, plan, works } = document;
  // Beside sizes in inches, a drawing says what its own are in.
  const inMillimetres: Content[] =
    measureSystem(works.measures) === 'metric' ? [] : [{ text: $localize`Drawn in millimetres`, style: 'small' }];
  const code: Content[] = isCodable(job.number)
    ? [{ svg: code128Svg(job.number), width: 150, alignment: 'right' }]
    : [];
  const picture = productPicture(job, plan);
  return {
    columns: [
      {
        width: '*',
        stack: [
          { text: $localize`${works.name}  |  Job ticket`, style: 'quiet' },
          { text: `${job.number}  ${job.title}`, style: 'title' },
          { text: job.customer },
          {
            text: `${number(job.order.quantity)} ${unitText(figureOf(plan, 'order.quantity')?.unit ?? 'copies', job.order.quantity)}, ${overs(document)}${job.order.plannedOvers > 0 ? $localize`, ${number(job.order.plannedOvers)} planned over` : ''}`,
            bold: true,
          },
          ...(job.order.deliveries ?? []).map(({ quantity, due }, i) => ({
            text: $localize`Delivery ${i + 1}\: ${number(quantity)}${due === undefined ? '' : $localize`, due ${due}`}`,
          })),
          {
            text: `${job.due === undefined ? $localize`No due date` : $localize`Due ${job.due}`}  |  ${stateText(document)}`,
          },
        ],
      },
      ...(picture
        ? [{ width: 120, stack: [{ svg: stationSvg(picture), fit: [112, 92] as [number, number] }, ...inMillimetres] }]
        : []),
      { width: 156, stack: [...code, { text: job.number, alignment: 'right', margin: [0, 2, 0, 0] }] },
    ],
    columnGap: 8,
  };
}

function stream({ job, plan, works }: JobDocument): Content {
  const said = new Said(works);
  const paper = ({ sheet }: Component): string[] => [said.sides(sheet.widthMm, sheet.heightMm)];
  return { svg: streamSvg(streamModel(job, plan, { paper })), fit: [517, 200], margin: [0, 8, 0, 0] };
}

const inksOf = (inks: Component['front']): string =>
  inks.length === 0 ? wordOf('none') : inks.map(({ name }) => name).join(' ');

function components({ job, plan, works }: JobDocument, alike: readonly Alike[]): Content[] {
  const said = new Said(works);
  const rows = alike.flatMap(({ ids, name }): TableCell[][] => {
    const component = job.components.find(({ id }) => id === ids[0]);
    if (!component) return [];
    const stock = works.stocks.find(({ id }) => id === component.stock);
    const press = works.machines.find(({ id }) => id === component.press);
    const { sheet } = component;
    const sum = (of: Readonly<Record<string, number>>): number => ids.reduce((total, id) => total + (of[id] ?? 0), 0);
    const each = ids.length > 1 ? `${ids.length} x ${number(plan.totals.pressSheets[component.id] ?? 0)}` : undefined;
    return [
      [
        name,
        sizeWords(component, measureSystem(works.measures)),
        $localize`${stock?.name ?? component.stock}\n${said.size(sheet.widthMm, sheet.heightMm)}, grain along ${said.sides(sheet.grain === 'width' ? sheet.widthMm : sheet.heightMm)}`,
        `${press?.name ?? component.press}\n${wordOf(component.workStyle)}`,
        `${inksOf(component.front)} / ${inksOf(component.back)}`,
        right(number(sum(plan.totals.platesByComponent))),
        right(each ?? number(sum(plan.totals.pressSheets))),
        right(said.quantity(sum(plan.totals.paperKgByComponent), 'kg').replace(/ [a-z]+$/, '')),
      ],
    ];
  });
  const { totals } = plan;
  const sheets = Object.values(totals.pressSheets).reduce((a, b) => a + b, 0);
  const school = {
    step: $localize`step by step`,
    added: $localize`added up`,
    table: $localize`by table`,
    sure: $localize`by sureness`,
  }[plan.school];
  return [
    { text: $localize`Components`, style: 'heading' },
    table(
      [80, 62, '*', 84, 34, 28, 44, 42],
      heads(
        $localize`Component`,
        $localize`Size`,
        $localize`Stock and sheet`,
        $localize`Press`,
        $localize`Front / back`,
        `>${$localize`Plates`}`,
        `>${$localize`Into press`}`,
        `>${$localize`Paper`} ${said.unit('kg')}`,
      ),
      rows,
    ),
    {
      text: $localize`${figureOf(plan, 'total.pressSheets')?.name ?? ''} ${number(sheets)}, plates ${number(totals.plates)}, paper ${said.quantity(totals.paperKg, 'kg')}, ink ${said.quantity(totals.inkKg, 'kg')}, machine hours ${hoursText(totals.hours)}, first sheet to last box ${hoursText(totals.leadHours)}. Spoilage reckoned ${school}.`,
      margin: [0, 4, 0, 0],
    },
  ];
}

/** What somebody signs before the work goes on. */
function gates({ job, plan, works }: JobDocument): Content[] {
  const prints = plan.steps.some(({ operation }) => operation === 'print' || operation === 'overprint');
  const mixed = inkNames(job).filter((name) => wantsTrial(inkOf(job, works, name)));
  const names = [
    ...(prints ? [$localize`Artwork approved`, $localize`Carriers inspected`] : []),
    ...(mixed.length > 0 ? [$localize`Trial accepted: ${mixed.join(', ')}`] : []),
    ...(prints ? [$localize`First good sheet passed: position, colour, register`] : []),
    $localize`Count of good pieces agreed, ready for delivery`,
  ];
  return [
    { text: $localize`To be signed`, style: 'heading' },
    table(
      ['*', 120, 90],
      heads($localize`Gate`, $localize`Signed`, $localize`Date and hour`),
      names.map((name) => [{ text: name, margin: [0, 3, 0, 3] }, '', '']),
    ),
  ];
}

/** The first page: the product and its order, the stream drawn, components with alike ones as one row, gates to sign. */
export function firstPage(document: JobDocument): Content[] {
  const alike = alikeOf(document);
  const without = ticketWithout(document.works);
  return [
    header(document),
    ...(without.includes('stream') ? [] : [stream(document)]),
    ...components(document, alike),
    ...(without.includes('material') ? [] : [balanceLine(document)]),
    ...(without.includes('gates') ? [] : [{ unbreakable: true, stack: gates(document) }]),
  ];
}
