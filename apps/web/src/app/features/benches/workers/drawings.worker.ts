import '../../../platform/speak-in-worker';
import { assembleDie } from '@druckerei/core';
import { dieDxf, dieSvg, laidDxf, laidSvg, readDxf, readSvg } from '@druckerei/formats/drawings';
import type { Answer, ReadQuestion, WriteQuestion } from './messages';

function read({ format, text, unit, mapping, name, gapMm }: ReadQuestion): Answer {
  const { lines, areas, layers, issues } =
    format === 'dxf' ? readDxf(text, mapping, unit) : readSvg(text, mapping, unit ?? 'mm');
  if (issues.some(({ severity }) => severity === 'error')) return { kind: 'read', drawing: undefined, layers, issues };
  const made = assembleDie(name, lines, areas, gapMm, 'drawing');
  return { kind: 'read', drawing: made.drawing, layers, issues: [...issues, ...made.issues] };
}

function write({ format, drawing, laid, arrangement }: WriteQuestion): string {
  if (!laid) return format === 'dxf' ? dieDxf(drawing) : dieSvg(drawing);
  const layout = laid.layouts.proposals.find((one) => one.arrangement === arrangement) ?? laid.layouts.proposals[0];
  return (format === 'dxf' ? laidDxf : laidSvg)(laid.widthMm, laid.heightMm, layout?.blanks ?? []);
}

addEventListener('message', ({ data }: MessageEvent<ReadQuestion | WriteQuestion>) => {
  const answer: Answer = data.kind === 'read' ? read(data) : { kind: 'written', text: write(data) };
  postMessage(answer);
});
