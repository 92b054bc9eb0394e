import { type StreamModel, type StreamStation, isLag, hoursText, numberText } from '@druckerei/core';
import { escapeXml } from './station-svg.js';

const round = (value: number): number => Math.round(value * 10) / 10;

/** What falls away at a station: a drop below it, hatched lines for set-up, plain for running. */
function spoils({ x, y, width, thickIn, thickOut, setupLost, runningLost }: StreamStation): string {
  const lost = setupLost + runningLost;
  if (lost === 0) return '';
  const top = round(y + (thickIn + thickOut) / 4);
  const drop = (from: number, share: number, fill: string): string =>
    share <= 0
      ? ''
      : `<rect x="${round(x + width * (0.2 + 0.6 * from))}" y="${top}" width="${round(Math.max(3, width * 0.6 * share))}" height="9" fill="${fill}" stroke="#333333" stroke-width="0.5"/>`;
  return `${drop(0, setupLost / lost, '#ffffff')}${drop(setupLost / lost, runningLost / lost, '#777777')}`;
}

/** The stream of a job as an SVG picture: greys and white alone, so that any printer tells it apart. */
export function streamSvg({ width, height, stations, bands, terminals, lanes }: StreamModel): string {
  const text = (x: number, y: number, words: string, more = ''): string =>
    `<text x="${round(x)}" y="${round(y)}" font-family="Franklin" font-size="11" fill="#222222"${more}>${escapeXml(words)}</text>`;
  const bold = ' font-weight="bold"';
  const middle = ' text-anchor="middle"';
  const station = (one: StreamStation): string => {
    const { step, x, y, width: wide, thickIn, thickOut, setupLost, runningLost } = one;
    const segment = `<path d="M${round(x)} ${round(y - thickIn / 2)}L${round(x + wide)} ${round(y - thickOut / 2)}L${round(x + wide)} ${round(y + thickOut / 2)}L${round(x)} ${round(y + thickIn / 2)}Z" fill="#999999"/>`;
    if (isLag(step))
      return `${segment}${text(x + wide / 2, y - 34, step.name.split(' ')[0] ?? '', bold + middle)}${text(x + wide / 2, y + 34, hoursText(step.lagHours), middle)}`;
    const lost = [
      setupLost > 0 ? text(x + 5, y + 38, `-${numberText(setupLost)}`) : '',
      runningLost > 0 ? text(x + wide - 5, y + 38, `-${numberText(runningLost)}`, ' text-anchor="end"') : '',
    ];
    return `${segment}${spoils(one)}${text(x + 5, y - 34, step.name, bold)}${lost.join('')}`;
  };
  const parts = [
    ...bands.map(({ path }) => `<path d="${path}" fill="#dddddd"/>`),
    ...lanes.map(({ name, y }) => text(8, y - 48, name)),
    ...terminals.map(
      ({ x, y, width: wide, title, lines }) =>
        `<rect x="${round(x)}" y="${round(y - 27)}" width="${round(wide)}" height="54" fill="#ffffff" stroke="#777777"/>${text(x + 8, y - 11, title, bold)}${lines.map((line, i) => text(x + 8, y + 4 + 13 * i, line)).join('')}`,
    ),
    ...stations.map(station),
    ...bands.map(({ labelX, labelY, count }) => text(labelX, labelY, numberText(count), middle)),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${round(width)} ${round(height)}">${parts.join('')}</svg>`;
}
