import fs from 'node:fs';
import { type FAMILY_RULES, makeJob } from '../families/index.js';
import { answersOf } from '../families/families.fixture.js';
import type { Job } from '../job/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS } from '../works/index.js';
import type { Shape, StationDrawing } from './drawing.js';
import { stationSheet } from './station-sheet.js';

const EXAMPLES = fs
  .readdirSync(new URL('../../../../docs/examples/', import.meta.url))
  .flatMap((name) => (name.endsWith('.json') ? [name.replace('.json', '')] : []));

const short = (value: number): string => Number(value.toPrecision(7)).toString();
const spots = (shape: Shape): readonly number[] =>
  shape.kind === 'box'
    ? [shape.x, shape.y, shape.width, shape.height]
    : (shape.kind === 'path' ? shape.points : [shape.from, shape.to]).flatMap(({ x, y }) => [x, y]);
/** Shapes by kind and role with all that is written on them, and where they are: every coordinate weighted by its place. */
function drawn({ title, widthMm, heightMm, shapes }: StationDrawing): string[] {
  const named = shapes.map((shape) =>
    shape.kind === 'measure'
      ? `measure ${shape.text}`
      : `${shape.kind} ${shape.role} ${shape.label ?? ''}${shape.kind === 'path' && shape.closed ? 'closed' : ''}`.trim(),
  );
  const counts = [...new Set(named)].map((name) => `${named.filter((one) => one === name).length} x ${name}`);
  const where = shapes.flatMap(spots).reduce((sum, spot, i) => sum + spot * ((i % 97) + 1), 0);
  return [`${title}: ${short(widthMm)} x ${short(heightMm)}, at ${short(where)}`, ...counts.map((line) => `  ${line}`)];
}

/** Everything that a station is told, one line for each thing. */
function lines(job: Job): Record<string, string[]> {
  const plan = planned(job);
  return Object.fromEntries(
    job.route.map(({ id }) => {
      const sheet = stationSheet(job, plan, SHIPPED_WORKS, id);
      if (!sheet) return [id, ['none']];
      const shown = new Set(sheet.shown);
      return [
        id,
        [
          ...Object.values(sheet.figures).map(
            (figure) =>
              `${shown.has(figure.id) ? '' : '('}${figure.id} ${figure.name}: ${short(figure.value)} ${figure.unit}${shown.has(figure.id) ? '' : ')'}`,
          ),
          ...sheet.tables.flatMap(({ title, heads, rows }) => [
            `${title}: ${heads.join(' | ')}, ${rows.length} rows`,
            ...[...rows.slice(0, 4), ...rows.slice(-1)].map((row) => `  ${row.join(' | ')}`),
          ]),
          ...sheet.drawings.flatMap(drawn),
          ...sheet.remarks,
        ],
      ];
    }),
  );
}

/** Kept as they were last looked at: `--updateSnapshot` keeps them anew, and the difference is read before it is committed. */
describe('station sheets, as they were last looked at (kept, no source)', () => {
  it.each(EXAMPLES)('%s', (name) => {
    expect(lines(example(name))).toMatchSnapshot();
  });

  const VARIED: readonly (readonly [string, keyof typeof FAMILY_RULES, object])[] = [
    ['a two-up book of 64 pages', 'perfect-bound', { twoUp: true, pages: 64 }],
    ['a case-bound book of 64 pages', 'case-bound', { pages: 64 }],
    ['a card with foil, relief and film', 'flat', { cover: 'film', foil: true, emboss: true }],
    ['a carton with film and foil', 'carton', { cover: 'film', foil: true }],
    ['a notched book on heavy coated paper', 'perfect-bound', { spine: 'notched', pages: 64, stock: 'silk-170' }],
    ['a tray and its lid', 'laminated-box', {}],
    ['a wallet with its tray', 'wallet', {}],
    ['a corrugated case', 'corrugated-case', {}],
    ['a map in four folds', 'folded', { fold: 'map', folds: 4, widthMm: 420, heightMm: 594 }],
    ['a leaflet on heavy board', 'folded', { stock: 'gloss-250' }],
  ];
  it.each(VARIED)('%s', (_name, family, change) => {
    expect(lines(makeJob(family, { ...answersOf(family), ...change }, SHIPPED_WORKS))).toMatchSnapshot();
  });
});
