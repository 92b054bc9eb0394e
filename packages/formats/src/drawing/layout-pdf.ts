import { type ComponentLayout, SHEET_SIDES, drawLayout } from '@druckerei/core';
import type { Content } from 'pdfmake/interfaces.js';
import { renderPdf } from '../pdf/render.js';
import { layoutWords } from '@druckerei/contract';
import { type JobDocument, stateText } from '../ticket/document.js';
import { layoutSvg } from './layout-svg.js';

/** Width and height that a drawing may take on a landscape A4 page, in points. */
const ROOM: [number, number] = [740, 400];

/** A component's layout with its dimensions, a page for each printed side. */
export function layoutPdf(document: JobDocument, layout: ComponentLayout): Promise<Buffer> {
  const { component, machine } = layout;
  const edge = machine.press?.web ? $localize`the web runs upwards` : $localize`gripper edge at the bottom`;
  const sides = component.back.length > 0 ? SHEET_SIDES : (['front'] as const);
  const content = sides.flatMap((side, i): Content[] => [
    {
      text: `${document.job.number}  ${component.name}, ${side}`,
      style: 'title',
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    },
    {
      text: $localize`${stateText(document)}. ${layoutWords(layout)}. Seen from the printed side, ${edge}. Millimetres.`,
      style: 'quiet',
      margin: [0, 2, 0, 8],
    },
    { svg: layoutSvg(drawLayout(layout, side), { dimensions: true }), fit: ROOM },
  ]);
  return renderPdf(
    {
      content,
      pageOrientation: 'landscape',
      info: { title: $localize`${document.job.number} layout ${component.name}` },
    },
    document.at,
  );
}
